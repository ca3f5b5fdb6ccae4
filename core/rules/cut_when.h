// When in the work a piece is cut: what comes before may change what is measured.
#pragma once

#include <array>
#include <string_view>

namespace drapery {

/// In the order of the work.
enum class CutWhen {
  AtOnce,          // nothing comes before it that is measured again
  BeforeSewing,    // leaves, tapes
  BeforeTrimming,  // endpapers, where they go on then
  AfterTrimming,   // boards; linings of a spine that is not backed
  AfterBacking,    // mull, kraft, headbands
  AfterLining,     // stiffener, covering, separate linings
  Last             // jacket
};

inline constexpr std::array<std::string_view, 7> kCutWhenNames{
    "at-once",      "before-sewing", "before-trimming", "after-trimming", "after-backing",
    "after-lining", "last"};

inline constexpr std::string_view nameOf(CutWhen when) {
  return kCutWhenNames[static_cast<std::size_t>(when)];
}

}  // namespace drapery
