// The look of the whole application: the palette for a theme, and Qt's own widgets in it.
#pragma once

#include <string_view>

#include "paint/palette.h"

namespace drapery {

/// "light" or "bench"; light for any other name.
const Palette& paletteNamed(std::string_view theme);

/// Dresses the application in it, in the letters' present size.
void dress(const Palette& palette);

}  // namespace drapery
