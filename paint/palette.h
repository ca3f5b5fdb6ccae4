// The colours of the bench: one place, two themes. Contrast of every text colour on its ground is
// at least 4.5 : 1 (WCAG 2.1, 1.4.3); a test computes it.
#pragma once

#include <QColor>

#include "core/rules/rule_set.h"

namespace drapery {

struct Palette {
  QColor ground;     // the table
  QColor paper;      // docket, notes, slips
  QColor ink;        // text and outlines
  QColor secondInk;  // captions, dimensions
  QColor hairline;
  QColor accent;    // selection and focus
  QColor onAccent;  // ground of a selected thing
  QColor stop, mind, note;
  QColor leaves, board, stiffener, cloth, rod;

  [[nodiscard]] QColor of(Severity severity) const;
};

const Palette& lightPalette();
/// Black on white, for what is laid on the work.
const Palette& printPalette();
const Palette& benchPalette();  // dark, for reading from two metres

}  // namespace drapery
