#include "core/rules/load_rules.h"

#include <algorithm>
#include <cstring>
#include <filesystem>
#include <map>

#include "core/rules/merge_base.h"
#include "core/rules/read_rules.h"
#include "core/toml/node_pack.h"
#include "core/toml/toml_node.h"

namespace drapery {

namespace {

constexpr std::size_t kDeepestChain = 8;
constexpr std::size_t kMostFiles = 64;

void addPlaced(Issues& issues, Issue issue, const TomlFile& source) {
  issue.where.file = source.file;
  issue.excerpt = sourceLine(source.text, issue.where.line);
  issues.push_back(std::move(issue));
}

/// One base, or a list of them; what is neither is left for the reader to complain of.
std::vector<const Node*> basesOf(const Node& root) {
  const Node* base = root.find("base");
  if (base == nullptr) return {};
  if (base->kind == Node::Kind::Text) return {base};
  std::vector<const Node*> bases;
  for (const Node& item : base->items)
    if (item.kind == Node::Kind::Text) bases.push_back(&item);
  return bases;
}

/// What is wrong with the ids of one file, before others are laid under it.
struct IdFault {
  IssueId issue;
  IssueArguments arguments;
  int line, column;
};

/// The same id twice in one file would be one rule laid over the other in silence.
void findDuplicates(const Node& root, std::vector<IdFault>& faults) {
  for (const Node::Member& list : root.members) {
    if (!isListOfRules(list.key)) continue;
    std::map<std::string_view, int> lineOf;
    for (const Node& rule : list.value.items) {
      const Node* id = rule.find("id");
      if (id == nullptr || faults.size() > IssuePlacer::kMostTold) continue;
      const auto [first, isNew] = lineOf.emplace(id->text, id->line);
      if (!isNew)
        faults.push_back({"id-duplicate",
                          {{"id", shortened(id->text)}, {"line", std::to_string(first->second)}},
                          id->line,
                          id->column});
    }
  }
}

/// Two files with one id would be taken for one another.
void checkName(const Node& root, const TomlFile& source, std::vector<IdFault>& faults) {
  const Node* id = root.find("id");
  const std::string stem = std::filesystem::path(source.file).stem().string();
  if (id != nullptr && id->kind == Node::Kind::Text && id->text != stem)
    faults.push_back({"id-not-name",
                      {{"id", shortened(id->text)}, {"name", shortened(stem)}},
                      id->line,
                      id->column});
}

/// Reads a file and all that it stands on, each file once, into one tree.
class Gathering {
 public:
  Gathering(const BaseLookup& bases, FormulaCheck check, Issues& issues)
      : bases_(bases), check_(check), issues_(issues) {}

  /// Nothing when one of the files cannot be read at all.
  std::optional<Node> gather(const TomlFile& source) {
    const std::size_t index = files_.size();
    files_.push_back(source);
    auto parsed = source.packed.empty() ? parseToml(source.text, static_cast<int>(index))
                                        : unpackNode(source.packed, static_cast<int>(index));
    if (auto* issue = std::get_if<Issue>(&parsed)) {
      addPlaced(issues_, std::move(*issue), source);
      return std::nullopt;
    }
    Node own = std::move(std::get<Node>(parsed));
    if (index == 0 && check_ == FormulaCheck::Full) {
      findDuplicates(own, faults_);
      checkName(own, source, faults_);
    }
    Node merged;
    merged.kind = Node::Kind::Table;
    for (const Node* base : basesOf(own))
      if (!layBase(merged, *base, source)) return std::nullopt;
    return mergeBase(std::move(merged), std::move(own));
  }

  [[nodiscard]] const std::vector<TomlFile>& files() const { return files_; }
  /// Of the file itself, when it is checked in full.
  [[nodiscard]] const std::vector<IdFault>& faults() const { return faults_; }

 private:
  bool layBase(Node& merged, const Node& base, const TomlFile& user) {
    const auto isIn = [&](const std::vector<std::string>& ids) {
      return std::find(ids.begin(), ids.end(), base.text) != ids.end();
    };
    const bool isCircle =
        isIn(open_) || open_.size() >= kDeepestChain || files_.size() >= kMostFiles;
    if (!isCircle && isIn(done_)) return true;  // two of its bases stand on the same one
    const auto next = bases_(base.text);
    if (!next || isCircle) {
      Issue issue{next ? IssueId("base-circle") : IssueId("base-unknown"),
                  {{"base", shortened(base.text)}},
                  {},
                  {},
                  {}};
      issue.where.line = base.line;
      issue.where.column = base.column;
      addPlaced(issues_, std::move(issue), user);
      return false;
    }
    open_.push_back(base.text);
    auto gathered = gather(*next);
    open_.pop_back();
    done_.push_back(base.text);
    if (!gathered) return false;
    merged = mergeBase(std::move(merged), std::move(*gathered));
    return true;
  }

  const BaseLookup& bases_;
  FormulaCheck check_;
  Issues& issues_;
  std::vector<TomlFile> files_;
  std::vector<std::string> open_, done_;
  std::vector<IdFault> faults_;
};

/// As FNV-1a, 64 bit, but eight bytes at a time.
std::uint64_t fingerprintOf(const std::vector<TomlFile>& files) {
  std::uint64_t hash = 14695981039346656037ULL;
  for (const TomlFile& file : files) {
    std::string_view text = file.text;
    for (; !text.empty(); text.remove_prefix(std::min(text.size(), sizeof hash))) {
      std::uint64_t bytes = 0;
      std::memcpy(&bytes, text.data(), std::min(text.size(), sizeof bytes));
      hash = (hash ^ bytes) * 1099511628211ULL;
      hash ^= hash >> 32U;
    }
  }
  return hash;
}

}  // namespace

namespace {

/// From a tree of one or several files to rules.
LoadedRules settle(const Node& root, const Gathering& gathering, FormulaCheck check,
                   LoadedRules loaded) {
  std::vector<std::pair<std::string, std::string_view>> texts;
  for (const TomlFile& file : gathering.files()) texts.emplace_back(file.file, file.text);
  IssuePlacer placer(texts, loaded.issues);
  for (const IdFault& fault : gathering.faults())
    placer.add(fault.issue, fault.arguments, placer.at(0, fault.line, fault.column));
  RuleSet rules = readRules(root, placer);
  if (!placer.isFull()) Linker(rules, placer, check).run();
  if (!loaded.issues.empty()) return loaded;
  rules.fingerprint = fingerprintOf(gathering.files());
  loaded.rules = std::make_shared<const RuleSet>(std::move(rules));
  return loaded;
}

}  // namespace

LoadedRules loadRules(const TomlFile& source, const BaseLookup& bases, FormulaCheck check) {
  LoadedRules loaded;
  Gathering gathering(bases, check, loaded.issues);
  const auto root = gathering.gather(source);
  return root ? settle(*root, gathering, check, std::move(loaded)) : loaded;
}

LoadedRules loadPattern(const TomlFile& source, const BaseLookup& bases, const TomlFile& ground) {
  LoadedRules loaded;
  Gathering gathering(bases, FormulaCheck::NamesOnly, loaded.issues);
  auto root = gathering.gather(source);
  auto below = root ? gathering.gather(ground) : std::nullopt;
  if (!below) return loaded;
  return settle(mergeBase(std::move(*below), std::move(*root)), gathering, FormulaCheck::NamesOnly,
                std::move(loaded));
}

}  // namespace drapery
