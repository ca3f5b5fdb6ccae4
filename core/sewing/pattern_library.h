// The patterns that ship and a house's own, each laid over what all of its kind may name; and the
// rules of the other ways of sewing.
#pragma once

#include <map>
#include <mutex>
#include <string>
#include <vector>

#include "core/rules/load_rules.h"

namespace drapery {

/// In the order in which they are offered.
const std::vector<TomlFile>& shippedPatterns();
/// stab: the ground of all patterns; link and tapes: rules of their own.
const std::vector<TomlFile>& shippedSewing();

/// For any number of threads: each is loaded once and shared.
class PatternLibrary {
 public:
  /// Also offers the `*.toml` files in `folder`, where one is named.
  explicit PatternLibrary(const std::string& folder = {});

  [[nodiscard]] std::vector<std::string> ids() const;
  [[nodiscard]] bool isHouse(std::string_view id) const;
  /// Files in the folder that are left out, since a pattern that ships has their name.
  [[nodiscard]] const Issues& leftOut() const { return leftOut_; }
  /// Null rules, and issues, for one that is not sound ("pattern-unknown": not there).
  [[nodiscard]] LoadedRules load(std::string_view id) const;
  /// One that lies anywhere; those beside it and those of the library are its bases.
  [[nodiscard]] LoadedRules loadFile(const TomlFile& file, const BaseLookup& beside) const;
  /// "link" or "tapes".
  [[nodiscard]] LoadedRules kind(std::string_view id) const;

 private:
  struct Entry {
    std::string id;
    TomlFile source;
    bool isShipped = true;
  };
  struct Loaded {
    std::mutex mutex;
    std::map<std::string, LoadedRules, std::less<>> rules;
  };
  [[nodiscard]] std::optional<TomlFile> source(std::string_view id) const;
  [[nodiscard]] Issue unknown(std::string_view id) const;

  std::vector<Entry> entries_;
  Issues leftOut_;
  std::unique_ptr<Loaded> loaded_ = std::make_unique<Loaded>();
};

}  // namespace drapery
