#include "words/plan_csv.h"

#include <fmt/format.h>

#include "words/shown_text.h"

namespace drapery {

namespace {

/// What a spreadsheet leaves out before it looks for a formula.
std::string_view withoutBlanks(std::string_view text) {
  constexpr std::string_view kByteOrderMark = "\xEF\xBB\xBF", kNoBreak = "\xC2\xA0";
  constexpr std::string_view kBlanks(" \t\r\n\v\f\0", 7);
  while (!text.empty()) {
    if (text.starts_with(kByteOrderMark))
      text.remove_prefix(kByteOrderMark.size());
    else if (text.starts_with(kNoBreak))
      text.remove_prefix(kNoBreak.size());
    else if (kBlanks.find(text.front()) != std::string_view::npos)
      text.remove_prefix(1);
    else
      break;
  }
  return text;
}

/// Whether a spreadsheet would run it: OWASP, CSV injection. The wide signs are those of East Asian
/// keyboards.
bool isRun(std::string_view text) {
  const std::string_view shown = withoutBlanks(text);
  if (text.front() == '\t' || text.front() == '\r') return true;
  for (const std::string_view sign : {"=", "+", "-", "@", "＝", "＋", "－", "＠"})
    if (shown.starts_with(sign)) return true;
  return false;
}

/// Quoted where RFC 4180 asks for it; a text that a spreadsheet would take for a formula has a '
/// before it.
std::string field(std::string_view written) {
  std::string text = shownControls(written);
  const bool isFormula = !written.empty() && isRun(written);
  if (!isFormula && text.find_first_of(",\"\r\n") == std::string::npos) return text;
  std::string out = isFormula ? "\"'" : "\"";
  for (const char c : text) out += c == '"' ? "\"\"" : std::string(1, c);
  return out + '"';
}

const char* grainName(Grain grain) {
  return grain == Grain::Height ? "height" : grain == Grain::Width ? "width" : "any";
}

}  // namespace

std::string partsCsvHeader() {
  return "title,method,part,name,count,material,width_mm,height_mm,cut_width_mm,cut_height_mm,"
         "grain\r\n";
}

std::string partsCsv(const Job& job, const Plan& plan) {
  std::string out;
  for (const PlannedPart& part : plan.parts)
    out += fmt::format("{},{},{},{},{},{},{:.4f},{:.4f},{:.4f},{:.4f},{}\r\n", field(job.title),
                       field(plan.rules->id), field(part.rule->id), field(part.rule->title.text),
                       part.count * plan.copies, field(part.material), part.width.mm(),
                       part.height.mm(), part.cutWidth.mm(), part.cutHeight.mm(),
                       grainName(part.rule->grain));
  return out;
}

}  // namespace drapery
