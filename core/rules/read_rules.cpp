#include "core/rules/read_rules.h"

#include "core/rules/choosing.h"
#include "core/toml/table_reader.h"

namespace drapery {

namespace {
constexpr const char* kSchema = "drapery-method/1";
constexpr const char* kPatternSchema = "drapery-pattern/1";

bool saysPattern(const Node& root) {
  const Node* schema = root.find("schema");
  return schema != nullptr && schema->text == kPatternSchema;
}
}  // namespace

RuleSet readRules(const Node& root, IssuePlacer& placer) {
  TableReader in(root, "file", placer);
  RuleSet rules;
  rules.isPattern = saysPattern(root);
  in.exactly("schema", rules.isPattern ? kPatternSchema : kSchema);
  rules.id = in.id();
  in.texts("was", Needed::No);  // read by the library
  const Node* base = in.find("base");
  if (base != nullptr && base->kind == Node::Kind::List)
    rules.bases = in.texts("base", Needed::No);
  else if (base != nullptr)
    rules.bases = {in.text("base", Needed::No)};
  rules.title = in.words("title", Needed::Yes);
  rules.about = in.words("about", Needed::No);
  rules.structure = in.text("structure", Needed::No);
  rules.suits = in.words("suits", Needed::No);
  rules.never = in.words("never", Needed::No);
  readChoosing(in, rules);
  rules.isBase = in.flag("is_base");
  rules.wants = in.texts("wants", Needed::No);
  if (const Node* sewing = in.find("sewing"); sewing != nullptr) readSewing(*sewing, rules, placer);
  if (rules.isPattern) rules.startRows = in.texts("start", Needed::No);
  for (const Section* section : ruleSections())
    if (rules.isPattern ? section->isOfPatterns() : section->isOfMethods())
      in.eachTable(section->key().data(),
                   [&](const Node& entry) { section->read(entry, rules, placer); });
  in.finish();
  return rules;
}

}  // namespace drapery
