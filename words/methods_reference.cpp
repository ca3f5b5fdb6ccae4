#include "words/methods_reference.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

#include "core/expr/functions.h"
#include "core/expr/print_formula.h"
#include "words/amount_words.h"
#include "words/finding_words.h"

namespace drapery {

namespace {

const Notation kPlain{Units::Millimetres, Length::fromMm(0.5), '.', {}};

std::string code(std::string_view text) { return "`" + std::string(text) + "`"; }
std::string code(const RuleFormula& rule) {
  return code(printFormula(rule.formula, rule.formula.root()));
}
std::string where(const RuleFormula& when) {
  return when.empty() ? std::string() : " Only where " + code(when) + ".";
}
std::string source(const std::string& practice) {
  return practice.empty() ? std::string() : " *" + practice + "*";
}
std::string sentence(const std::string& text) { return text.empty() ? text : " " + text; }

std::string optionsText(const InputRule& rule) {
  std::string out;
  for (std::size_t i = 0; i < rule.options.size(); ++i) {
    out += (i == 0 ? "" : ", ") + code(rule.options[i]) + " (" + rule.optionTitles[i].text;
    for (const ChoiceColumn& column : rule.columns) {
      const std::string figure = amountWords({column.figures[i], column.unit}, kPlain);
      if (figure != "–") out += (&column == rule.columns.data() ? ": " : " × ") + figure;
    }
    out += ")";
  }
  return out;
}

std::string allowedText(const InputRule& rule) {
  switch (rule.kind) {
    case InputKind::Choice:
      return optionsText(rule);
    case InputKind::Length:
      return amountWords({rule.least, Unit::Millimetre}, kPlain) + " to " +
             amountWords({rule.most, Unit::Millimetre}, kPlain);
    case InputKind::Count:
      return "whole, " + formatNumber(rule.least, 0) + " to " + formatNumber(rule.most, 0);
    case InputKind::Ratio:
      return formatNumber(rule.least, 4) + " to " + formatNumber(rule.most, 4);
    default:
      return formatNumber(rule.least, 4) + " to " + formatNumber(rule.most, 4) + " " +
             dimensionOf(rule.kind).name();
  }
}

std::string entry(const InputRule& rule) {
  std::string out =
      "- **" + rule.title.text + "** " + code(rule.id) + ": " + allowedText(rule) + ".";
  if (!rule.fallback.empty()) out += " Unless said " + code(rule.fallback) + ".";
  if (rule.fallback.empty() && rule.optional) out += " May be left out.";
  out += where(rule.when);
  if (!rule.otherwise.empty()) out += " Elsewhere " + code(rule.otherwise) + ".";
  if (!rule.materials.empty()) {
    out += " May name a material:";
    for (const std::string& kind : rule.materials)
      out += (kind == rule.materials.front() ? " " : ", ") + kind;
    out += ".";
  }
  return out + sentence(rule.measure.text) + source(rule.practice) + "\n";
}

std::string entry(const DerivedRule& rule) {
  return "- **" + rule.title.text + "** " + code(rule.id) + ", " + rule.dimension.name() + ": " +
         code(rule.formula) + "." + where(rule.when) + sentence(rule.because.text) +
         source(rule.practice) + "\n";
}

std::string materialsText(const PartRule& rule) {
  std::string out;
  for (const PartMaterial& each : rule.materials) {
    out += (out.empty() ? "" : ", else ") + each.material;
    if (!each.when.empty()) out += " where " + code(each.when);
  }
  return out;
}

std::string entry(const PartRule& rule) {
  const char* grain = rule.grain == Grain::Height  ? "grain head to tail"
                      : rule.grain == Grain::Width ? "grain across"
                                                   : "any grain";
  const char* rounding = rule.rounding == Rounding::Up     ? "up"
                         : rule.rounding == Rounding::Down ? "down"
                                                           : "to the nearest mark";
  std::string out = "- **" + rule.title.text + "** " + code(rule.id) + ": " + code(rule.count) +
                    " of " + code(rule.width) + " × " + code(rule.height) + ", " +
                    materialsText(rule) + ", " + grain + ", rounded " + rounding + ".";
  if (!rule.outline.empty())
    out += fmt::format(" Not a rectangle: {} corners.", rule.outline.size());
  if (!rule.slits.empty()) out += fmt::format(" {} slits.", rule.slits.size());
  if (std::any_of(rule.places.begin(), rule.places.end(),
                  [](const PlaceRule& place) { return place.isMirrored; }))
    out += " Some mirrored.";
  return out + where(rule.when) + sentence(rule.note.text) + "\n";
}

std::string wordsText(const RuleWords& words) {
  std::string out;
  for (const RuleWords::Piece& piece : words.first)
    out += piece.expression ? code("{" + words.expressions[*piece.expression].formula.text() + "}")
                            : piece.literal;
  return out;
}

std::string entry(const SeriesRule& rule) {
  std::string out = "- **" + rule.title.text + "** " + code(rule.id) + ", " + rule.kind +
                    "s: " + code(rule.count) + " of them.";
  for (const SeriesColumn& column : rule.columns)
    out += " " + code(column.id) + " " + code(column.formula) + ".";
  return out + where(rule.when) + "\n";
}

std::string entry(const MarkRule& rule) {
  return "- " + code(rule.id) + where(rule.when) + " " + wordsText(rule.says) + "\n";
}

std::string entry(const StepRule& rule) {
  std::string out = "- " + code(rule.id) + where(rule.when) + " " + wordsText(rule.does);
  if (!rule.hands.empty()) out += " Hands " + code(rule.hands) + ".";
  if (!rule.wait.empty()) out += " Wait " + code(rule.wait) + ".";
  return out + sentence(wordsText(rule.care)) + "\n";
}

std::string entry(const FindingRule& rule) {
  return "- **" + std::string(severityName(rule.severity)) + "** " + code(rule.id) + " where " +
         code(rule.when) + ". " + wordsText(rule.says) + " " + wordsText(rule.remedy) + "\n";
}

/// The entries of a method under their headings; of those that its bases have alike, none.
class Chapter {
 public:
  Chapter(const RuleSet& method, const std::vector<RuleSetPtr>& bases) : method_(method) {
    for (const RuleSetPtr& base : bases)
      for (const auto& [heading, text] : entries(*base)) known_.insert(text);
  }

  std::string text() const {
    std::string out, under;
    for (const auto& [heading, text] : entries(method_)) {
      if (known_.contains(text)) continue;
      if (under != heading) out += "\n### " + heading + "\n\n";
      under = heading;
      out += text;
    }
    return out;
  }

 private:
  using Entries = std::vector<std::pair<std::string, std::string>>;
  static Entries entries(const RuleSet& method) {
    Entries all;
    for (const InputRole role : {InputRole::Given, InputRole::Allowance})
      for (const InputRule& rule : method.inputs)
        if (rule.role == role)
          all.emplace_back(role == InputRole::Given ? "Measured" : "Decided", entry(rule));
    for (const DerivedRule& rule : method.derived) all.emplace_back("Values", entry(rule));
    for (const PartRule& rule : method.parts) all.emplace_back("Pieces", entry(rule));
    for (const SeriesRule& rule : method.series) all.emplace_back("Rows", entry(rule));
    for (const MarkRule& rule : method.marks) all.emplace_back("Marked out", entry(rule));
    for (const FindingRule& rule : method.findings) all.emplace_back("Findings", entry(rule));
    for (const StepRule& rule : method.steps) all.emplace_back("Steps", entry(rule));
    return all;
  }

  const RuleSet& method_;
  std::set<std::string> known_;
};

std::string chapter(const RuleLibrary& library, const std::string& id) {
  const RuleSetPtr method = library.load(id).rules;
  if (method == nullptr) return {};
  std::vector<RuleSetPtr> bases;
  std::string names;
  for (const std::string& base : method->bases) {
    bases.push_back(library.load(base).rules);
    if (bases.back() == nullptr) return {};
    names += (names.empty() ? "" : ", ") + code(base);
  }
  std::string out = "\n## " + method->title.text + "\n\n";
  out += (method->isBase ? "Shared ground " : "Method ") + code(id);
  out += names.empty() ? ".\n" : ", on " + names + ".\n";
  if (!method->about.text.empty()) out += "\n" + method->about.text + "\n";
  return out + Chapter(*method, bases).text();
}

std::string functionsText() {
  std::string out = "\n## Functions\n\n";
  for (const FormulaFunction& function : formulaFunctions())
    out += "- " + code(function.written) + " " + std::string(function.meaning) + "\n";
  return out;
}

std::string materialsText(const MaterialShelf& shelf) {
  std::string out =
      "\n## Materials\n\n| id | kind | title | thickness | g/m² | sheets, across × along the grain "
      "| source "
      "|\n|---|---|---|---|---|---|---|\n";
  for (const Material& material : shelf.all()) {
    std::string sheets;
    for (const SheetSize& sheet : material.sheets)
      sheets += (sheets.empty() ? "" : ", ") + formatBare(sheet.width, kPlain) + " × " +
                formatLength(sheet.height, kPlain);
    const auto caliper = material.caliper();
    out += "| " + code(material.id) + " | " + material.kind + " | " + material.title + " | " +
           (caliper ? amountWords({caliper->mm(), Unit::Millimetre}, kPlain) : "") + " | " +
           (material.grammage ? formatNumber(*material.grammage, 0) : "") + " | " + sheets + " | " +
           material.practice + " |\n";
  }
  return out;
}

}  // namespace

std::string methodsReference(const RuleLibrary& library) {
  std::string out =
      "# The methods\n\n"
      "Written by `drapery-cli methods --reference` from the rule files in `methods/`; change "
      "those, not this.\n"
      "Lengths are in mm. What a method shares with its ground stands there and is not said "
      "again.\n";
  for (const TomlFile& file : shippedRules())
    out += chapter(library, file.file.substr(0, file.file.rfind('.')));
  return out + functionsText() + materialsText(*library.shelf());
}

}  // namespace drapery
