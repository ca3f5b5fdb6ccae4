// Which numbers a change of an input reaches, found when it is first asked for and kept.
#pragma once

#include <array>
#include <memory>
#include <mutex>
#include <optional>
#include <vector>

namespace drapery {

struct RuleSet;

/// What holds still while an input moves.
enum class Moving {
  All,      // nothing: pieces follow, as they would be sized
  Sizes,    // the same, and what tells of the trial is left alone
  BookOnly  // the trial: pieces are cut and what was settled by then stays
};

/// For any number of threads.
class Dependents {
 public:
  /// Nodes that a move of node `input` computes anew, in the order of computing. The same rule set
  /// each time.
  const std::vector<std::size_t>& of(const RuleSet& rules, std::size_t input, Moving moving) const;

 private:
  static constexpr std::size_t kMovings = 3;
  struct Kept {
    std::mutex mutex;
    std::array<std::vector<std::optional<std::vector<std::size_t>>>, kMovings> byInput;
  };
  std::unique_ptr<Kept> kept_ = std::make_unique<Kept>();
};

}  // namespace drapery
