#include "core/method/method_loader.h"

#include <map>

#include "core/method/merge_base.h"
#include "core/method/method_linker.h"
#include "core/method/rule_reader.h"
#include "core/method/toml_node.h"

namespace drapery {

namespace {

constexpr std::size_t kDeepestChain = 8;

struct Chain {
  std::vector<MethodSource> files;  // the file itself, its base, the base's base ...
  std::vector<Node> roots;
};

void addPlaced(Issues& issues, Issue issue, const MethodSource& source) {
  issue.where.file = source.file;
  issue.excerpt = sourceLine(source.text, issue.where.line);
  issues.push_back(std::move(issue));
}

const Node* baseOf(const Node& root) {
  const Node* base = root.find("base");
  return base != nullptr && base->kind == Node::Kind::Text ? base : nullptr;
}

void complainOfBase(Issues& issues, const char* id, const Node& base, const MethodSource& source) {
  Issue issue{id, {{"base", shortened(base.text)}}, {}, {}, {}};
  issue.where.line = base.line;
  issue.where.column = base.column;
  addPlaced(issues, std::move(issue), source);
}

/// Reads the file and all it stands on; false when one of them cannot be read at all.
bool readChain(Chain& chain, const MethodSource& first, const BaseLookup& bases, Issues& issues) {
  chain.files.push_back(first);
  for (std::size_t i = 0; i < chain.files.size(); ++i) {
    auto parsed = parseToml(chain.files[i].text, static_cast<int>(i));
    if (auto* issue = std::get_if<Issue>(&parsed)) {
      addPlaced(issues, std::move(*issue), chain.files[i]);
      return false;
    }
    chain.roots.push_back(std::move(std::get<Node>(parsed)));
    const Node* base = baseOf(chain.roots[i]);
    if (base == nullptr) return true;
    auto next = bases(base->text);
    const char* fault = !next ? "base-unknown" : i + 1 >= kDeepestChain ? "base-circle" : nullptr;
    if (fault != nullptr) {
      complainOfBase(issues, fault, *base, chain.files[i]);
      return false;
    }
    chain.files.push_back(std::move(*next));
  }
  return true;
}

/// The same id twice in one file would be one rule laid over the other in silence.
void findDuplicates(const Node& root, IssuePlacer& placer) {
  for (const Node::Member& list : root.members) {
    if (!isListOfRules(list.key)) continue;
    std::map<std::string, int> lineOf;
    for (const Node& rule : list.value.items) {
      const Node* id = rule.find("id");
      if (id == nullptr) continue;
      const auto [first, isNew] = lineOf.emplace(id->text, id->line);
      if (!isNew)
        placer.addAt(*id, "id-duplicate",
                     {{"id", shortened(id->text)}, {"line", std::to_string(first->second)}});
    }
  }
}

Node mergedRoot(Chain& chain) {
  Node merged = std::move(chain.roots.back());
  for (std::size_t i = chain.roots.size() - 1; i-- > 0;)
    merged = mergeBase(std::move(merged), chain.roots[i]);
  return merged;
}

}  // namespace

LoadedMethod loadMethod(const MethodSource& source, const BaseLookup& bases, FormulaCheck check) {
  LoadedMethod loaded;
  Chain chain;
  if (!readChain(chain, source, bases, loaded.issues)) return loaded;
  std::vector<std::pair<std::string, std::string>> texts;
  for (const MethodSource& file : chain.files) texts.emplace_back(file.file, file.text);
  IssuePlacer placer(std::move(texts), loaded.issues);
  findDuplicates(chain.roots.front(), placer);
  Method method = readRules(mergedRoot(chain), placer);
  linkMethod(method, placer, check);
  if (loaded.issues.empty()) loaded.method = std::make_shared<const Method>(std::move(method));
  return loaded;
}

}  // namespace drapery
