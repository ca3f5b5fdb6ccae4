// The look of the whole application: the palette for a theme, and Qt's own widgets in it.
#pragma once

#include <QSize>
#include <string_view>

#include "paint/palette.h"

namespace drapery {

/// "light" or "bench"; light for any other name.
const Palette& paletteNamed(std::string_view theme);

/// Dresses the application in it, in the letters' present size.
void dress(const Palette& palette);

inline constexpr QSize kUsualWindow(1280, 800);

/// The largest letters, against the usual size, with which drawings and tags have room in a window
/// of that size.
double largestLettersIn(const QSize& window);
/// The smallest window in which letters of that size can be worked with; of no size for letters
/// that a usual window has room for.
QSize windowFor(double letters);

}  // namespace drapery
