#include "words/plan_csv.h"

#include <fmt/format.h>

namespace drapery {

namespace {

/// Quoted where RFC 4180 asks for it; a text that a spreadsheet would take for a formula too.
std::string field(std::string_view text) {
  const bool isFormula =
      !text.empty() && std::string_view("=+-@\t").find(text.front()) != std::string_view::npos;
  if (!isFormula && text.find_first_of(",\"\r\n") == std::string_view::npos)
    return std::string(text);
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
                       part.count, field(part.material), part.width.mm(), part.height.mm(),
                       part.cutWidth.mm(), part.cutHeight.mm(), grainName(part.rule->grain));
  return out;
}

}  // namespace drapery
