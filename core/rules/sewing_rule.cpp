#include "core/rules/sewing_rule.h"

#include "core/rules/linker.h"

namespace drapery {

namespace {

const Choices<std::string> kKinds{{"stab", "stab"}, {"link", "link"}, {"tapes", "tapes"}};

using Formulas = std::vector<std::pair<std::string, RuleFormula>>;

Formulas readFormulas(EntryReader& in, const char* key) {
  Formulas all;
  const Node* table = in.find(key);
  if (table == nullptr) return all;
  if (table->kind != Node::Kind::Table) {
    in.complainType(*table, key, "table of formulas");
    return all;
  }
  for (const Node::Member& each : table->members)
    all.emplace_back(each.key, in.formulaIn(each.value, each.key.c_str()));
  return all;
}

void linkWords(std::vector<WordWhere>& words, Linker& linker) {
  for (WordWhere& word : words) linker.link(word.when, Dimension::number());
}

}  // namespace

void readSewing(const Node& table, RuleSet& rules, IssuePlacer& placer) {
  EntryReader in(table, "sewing", placer);
  SewingRule& rule = rules.sewing;
  in.text("kind", Needed::Yes);
  rule.kind = in.choice("kind", kKinds, std::string("stab"));
  if (in.find("pattern") != nullptr) rule.pattern = readWordsWhere(in, "pattern");
  rule.given = readFormulas(in, "given");
  rule.allowances = readFormulas(in, "allowances");
  rule.holes = readFormulas(in, "holes");
  if (const Node* choices = in.find("choices");
      choices != nullptr && choices->kind == Node::Kind::Table) {
    EntryReader each(*choices, "choices", placer);
    for (const Node::Member& choice : choices->members)
      rule.choices.emplace_back(choice.key, readWordsWhere(each, choice.key.c_str()));
    each.finish();
  }
  in.finish();
}

void linkSewing(RuleSet& rules, Linker& linker) {
  linkWords(rules.sewing.pattern, linker);
  for (auto* formulas : {&rules.sewing.given, &rules.sewing.allowances, &rules.sewing.holes})
    for (auto& [name, formula] : *formulas) linker.linkAny(nullptr, formula);
  for (auto& [name, words] : rules.sewing.choices) linkWords(words, linker);
}

}  // namespace drapery
