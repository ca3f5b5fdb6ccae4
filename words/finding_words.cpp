#include "words/finding_words.h"

#include <algorithm>
#include <cmath>

#include "words/amount_words.h"

namespace drapery {

namespace {

std::string bareFigure(const Amount& figure, const Notation& notation) {
  const bool isLength = figure.unit == Unit::Millimetre && !std::isnan(figure.value);
  return isLength ? formatBare(Length::fromMm(figure.value), notation)
                  : amountWords(figure, notation);
}

/// "45 min", "2 h", "1 h 30 min".
std::string duration(double minutes) {
  constexpr int kHour = 60;
  const int all = static_cast<int>(std::lround(minutes));
  if (all < kHour) return std::to_string(all) + " min";
  const std::string hours = std::to_string(all / kHour) + " h";
  return all % kHour == 0 ? hours : hours + " " + std::to_string(all % kHour) + " min";
}

}  // namespace

std::string filledWords(const RuleWords& words, const std::vector<Amount>& figures,
                        const Notation& notation) {
  std::string out;
  const RuleWords::Text& text = words.in(notation.language);
  for (const RuleWords::Piece& piece : text) {
    if (!isShown(words, text, piece, figures)) continue;
    if (!piece.expression)
      out += piece.literal;
    else if (words.expressions[*piece.expression].isBare)
      out += bareFigure(figures[*piece.expression], notation);
    else
      out += amountWords(figures[*piece.expression], notation);
  }
  // What is left out at the beginning leaves the blank after it.
  out.erase(0, std::min(out.find_first_not_of(' '), out.size()));
  return out;
}

const char* severityName(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return "stop";
    case Severity::Mind:
      return "mind";
    case Severity::Note:
      break;
  }
  return "note";
}

namespace {
/// " (3.938)", for rules that are divided so.
std::string inDecimals(const PlannedMark& mark, const PlannedMarkPlace& place,
                       const Notation& notation) {
  if (!mark.rule->hasDecimals || notation.units != Units::Inches) return {};
  constexpr int kPlaces = 3;
  return " (" + formatNumber(place.at.cut.inches(), kPlaces, notation.decimal) + ")";
}
}  // namespace

std::string markSays(const PlannedMark& mark, const Notation& notation) {
  std::string out = filledWords(mark.rule->says, mark.says, notation);
  if (mark.places.empty()) return out;
  if (out.empty()) out = mark.rule->title.in(notation.language) + ":";
  for (const PlannedMarkPlace& place : mark.places)
    out += (&place == mark.places.data() ? " " : ", ") + place.rule->name.in(notation.language) +
           " " + formatBare(place.at.cut, notation) + inDecimals(mark, place, notation);
  return out + (notation.units == Units::Inches ? " in." : " mm.");
}

std::string verdictSays(const PlannedVerdict& verdict, const Notation& notation) {
  return filledWords(verdict.rule->says, verdict.says, notation);
}

std::string stepDoes(const PlannedStep& step, const Notation& notation) {
  return filledWords(step.rule->does, step.does, notation);
}

std::string stepCare(const PlannedStep& step, const Notation& notation) {
  return filledWords(step.rule->care, step.care, notation);
}

std::string stepLine(const PlannedStep& step, const Notation& notation,
                     const Translate& translate) {
  std::string times = std::isnan(step.hands) ? std::string() : duration(step.hands);
  if (step.wait > 0.0) {
    const char* leave = QT_TRANSLATE_NOOP("Step", "then leave for {time}");
    std::string wait = translate ? translate(leave) : leave;
    const std::size_t time = wait.find("{time}");
    if (time != std::string::npos) wait.replace(time, std::size("{time}") - 1, duration(step.wait));
    times += (times.empty() ? "" : "; ") + wait;
  }
  std::string line = stepDoes(step, notation);
  if (!times.empty()) line += " (" + times + ")";
  const std::string care = stepCare(step, notation);
  return care.empty() ? line : line + " " + care;
}

std::string findingSays(const PlannedFinding& finding, const Notation& notation) {
  return filledWords(finding.rule->says, finding.says, notation);
}

std::string findingRemedy(const PlannedFinding& finding, const Notation& notation) {
  return filledWords(finding.rule->remedy, finding.remedy, notation);
}

}  // namespace drapery
