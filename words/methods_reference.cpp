#include "words/methods_reference.h"

#include <set>

#include "core/expr/functions.h"
#include "words/amount_words.h"

namespace drapery {

namespace {

const Notation kPlain{Units::Millimetres, Length::fromMm(0.5), '.', {}};

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
  static std::vector<Described> entries(const RuleSet& method) {
    std::vector<Described> all;
    for (const Section* section : ruleSections())
      for (Described& entry : section->describe(method)) all.push_back(std::move(entry));
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
    names += (names.empty() ? "" : ", ") + asCode(base);
  }
  std::string out = "\n## " + method->title.text + "\n\n";
  out += (method->isBase ? "Shared ground " : "Method ") + asCode(id);
  out += names.empty() ? ".\n" : ", on " + names + ".\n";
  if (!method->about.text.empty()) out += "\n" + method->about.text + "\n";
  if (!method->suits.text.empty()) out += "\nFor " + method->suits.text + ".\n";
  if (!method->never.text.empty()) out += "\n" + method->never.text + "\n";
  return out + Chapter(*method, bases).text();
}

const char* const kOfEveryPiece =
    "\n## Told of every piece\n\n"
    "- **stop** `piece-lost`: rounded to the rule in hand, nothing is left to cut. There is no "
    "such "
    "piece.\n"
    "- **mind** `piece-coarse`: the marks of the rule in hand are farther apart than the piece "
    "measures one way.\n";

std::string functionsText() {
  std::string out =
      "\n## Functions\n\nBeside the ids of values, a formula may name `resolution`, the rule in "
      "hand.\n\n";
  for (const FormulaFunction& function : formulaFunctions())
    out += "- " + asCode(function.written) + " " + std::string(function.meaning) + "\n";
  return out;
}

std::string materialsText(const MaterialCatalogue& catalogue) {
  std::string out =
      "\n## Materials\n\n| id | kind | title | thickness | g/m² | sheets, across × along the grain "
      "| source "
      "|\n|---|---|---|---|---|---|---|\n";
  for (const Material& material : catalogue.all()) {
    std::string sheets;
    for (const SheetSize& sheet : material.sheets)
      sheets += (sheets.empty() ? "" : ", ") + formatBare(sheet.width, kPlain) + " × " +
                formatLength(sheet.height, kPlain);
    const auto caliper = material.caliper();
    out += "| " + asCode(material.id) + " | " + material.kind + " | " + material.title + " | " +
           (caliper ? amountWords({caliper->mm(), Unit::Millimetre}, kPlain) : "") + " | " +
           (material.grammage ? formatNumber(*material.grammage, 0) : "") + " | " + sheets + " | " +
           material.practice + " |\n";
  }
  out +=
      "\n## Kinds of material\n\n| kind | sold in sheets, across × along the grain | in rolls | in "
      "its place | source |\n|---|---|---|---|---|\n";
  for (const MaterialKind& kind : catalogue.kinds()) {
    std::string sheets, rolls;
    for (const MaterialKind::Sheet& sheet : kind.sheets) {
      if (!sheets.empty()) sheets += ", ";
      sheets.append(formatBare(sheet.width, kPlain)).append(" × ");
      sheets.append(formatLength(sheet.height, kPlain));
      if (!sheet.name.empty()) sheets.append(" (").append(sheet.name).append(")");
    }
    for (const MaterialKind::Roll& roll : kind.rolls)
      rolls += (rolls.empty() ? "" : ", ") + formatLength(roll.width, kPlain);
    out += "| " + asCode(kind.id);
    for (const std::string& cell : {sheets, rolls, kind.instead, kind.practice})
      out.append(" | ").append(cell);
    out += " |\n";
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
  return out + kOfEveryPiece + functionsText() + materialsText(*library.catalogue());
}

}  // namespace drapery
