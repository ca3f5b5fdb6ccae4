// Where rule sets come from: those that ship with the program, and a binder's own in a folder.
#pragma once

#include <map>
#include <memory>
#include <mutex>
#include <string>
#include <vector>

#include "core/diag/node.h"
#include "core/material/material_catalogue.h"
#include "core/rules/load_rules.h"

namespace drapery {

/// The rule files built into the program, bases among them, in the order they are offered.
const std::vector<TomlFile>& shippedRules();

/// For any number of threads: each rule set is loaded once and shared.
class RuleLibrary {
 public:
  /// Also offers the `*.toml` files in `folder`, where one is named. Materials that jobs may name
  /// come from `catalogue`.
  explicit RuleLibrary(const std::string& folder = {}, CataloguePtr catalogue = makeCatalogue());
  [[nodiscard]] const CataloguePtr& catalogue() const { return catalogue_; }

  /// Ids that a job may name, shipped ones first.
  [[nodiscard]] std::vector<std::string> ids() const;
  [[nodiscard]] bool knows(std::string_view id) const;
  /// Whether it is a binder's own.
  [[nodiscard]] bool isHouse(std::string_view id) const;
  /// Loads the rules, once; `issues` says why when it does not.
  [[nodiscard]] LoadedRules load(std::string_view id) const;
  /// The id that a method has now; former ones stand in its file as `was = ["old-id"]`. The id
  /// itself when nothing is known of it.
  [[nodiscard]] std::string presentId(std::string_view id) const;
  /// The title in the file itself, without loading it; the id when there is none.
  [[nodiscard]] std::string title(std::string_view id) const;
  /// What kind of book it is for, as its file or one that it stands on says; may be empty.
  [[nodiscard]] std::string structure(std::string_view id) const;
  /// Ids of the methods for the same kind of book, the method's own among them; all where its files
  /// name none.
  [[nodiscard]] std::vector<std::string> alike(std::string_view id) const;
  [[nodiscard]] std::optional<TomlFile> source(std::string_view id) const;
  /// Files in the folder that are left out, since a rule file that ships has their name.
  [[nodiscard]] const Issues& leftOut() const { return leftOut_; }

 private:
  struct Entry {
    std::string id;
    TomlFile source;
    bool isShipped = true;
    bool isBase = false;
    std::string title;  // empty: not looked up yet
  };
  struct Loaded {
    std::mutex mutex;
    std::map<std::string, LoadedRules, std::less<>> rules;
    std::map<std::string, std::string, std::less<>> structures;
  };
  [[nodiscard]] std::string structureBelow(std::string_view id, int depth) const;
  void addHouseFile(TomlFile file);
  [[nodiscard]] const Entry* find(std::string_view id) const;
  [[nodiscard]] static std::optional<Node> rootOf(const Entry& entry);

  std::vector<Entry> entries_;
  CataloguePtr catalogue_;
  Issues leftOut_;
  std::unique_ptr<Loaded> loaded_ = std::make_unique<Loaded>();
};

}  // namespace drapery
