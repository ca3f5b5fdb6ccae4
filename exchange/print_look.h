// Sizes of the words on printed templates: mm.
#pragma once

namespace drapery {

inline constexpr double kCaptionTitle = 3.6, kCaptionLetters = 2.7;
inline constexpr double kCaptionWide = 92.0;   // its lines are broken at
inline constexpr double kBelowCaption = 1.6;   // before the thing itself
inline constexpr double kCaptionPerMm = 20.0;  // how finely its words are measured

}  // namespace drapery
