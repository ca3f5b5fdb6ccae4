// All of a job in boxes side by side, or one above another: of some boxes those that hold all of it
// and together are least wide.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/found_takings.h"

namespace drapery {

class BoxRow {
 public:
  /// A taking's box.
  struct Part {
    std::uint32_t set = 0;
    std::uint32_t box = 0;  // of its front
  };

  /// @param first the kinds in the order in which they are looked for: what few boxes hold first.
  BoxRow(const CountIndex& index, std::vector<std::size_t> first);

  /// One that may stand in the row.
  /// @param lost by it if it does.
  void add(const Part& part, Micrometres wide, const LostParts& lost);

  /// One after the other, no wider than that together; none where there is no such row, or `work`
  /// does not suffice, or `isEnough` says so: then it is not whole.
  std::vector<Part> narrowest(Micrometres most, std::uint64_t& work,
                              const std::function<bool()>& isEnough);
  [[nodiscard]] bool isWhole() const { return isWhole_; }

 private:
  /// Those that hold one kind and none of those before it.
  struct Group {
    FoundTakings found;
    std::vector<std::uint32_t> boxes, wide;
    std::vector<LostParts> lost;
  };
  /// The narrowest that all of a taking may stand in.
  struct Begun {
    std::uint32_t wide = kNone;
    Part last = {};
    LostParts lost = {};
  };
  static constexpr std::uint32_t kNone = 0xffffffff;

  [[nodiscard]] std::size_t groupOf(std::size_t set) const;
  void goOn(std::size_t set, std::size_t group, std::uint32_t most, std::uint64_t& work);

  const CountIndex& index_;
  std::vector<std::size_t> first_;
  std::vector<Group> groups_;  // by what is first in them
  std::vector<Begun> begun_;   // by taking
  std::vector<std::uint32_t> besides_;
  bool isWhole_ = true;
};

}  // namespace drapery
