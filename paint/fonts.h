// The program's own faces: IBM Plex Sans, whose digits line up.
#pragma once

#include <QFont>

namespace drapery {

/// Loads the faces that ship with the program. To be called once after the application object.
void loadFonts();

/// `pixels` before the binder's font scale.
QFont textFont(double pixels, bool semiBold = false);

/// What lengths in the window are measured by: the usual letters' size in pixels.
double em();

inline constexpr double kCaptionPixels = 13.0;  // of a drawing
inline constexpr double kLabelPixels = 12.0;    // of the words in it

/// 1 is the usual size; 0.5 to 3.
void setFontScale(double scale);
double fontScale();

}  // namespace drapery
