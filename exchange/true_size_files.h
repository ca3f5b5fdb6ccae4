// Templates as vector files for other programs and machines: side by side at their true size, in
// layers CUT, FOLD, ENGRAVE and NOTE.
#pragma once

#include <QByteArray>

#include "core/drawing/true_size.h"
#include "core/plan/plan.h"
#include "exchange/whole_bytes.h"

namespace drapery {

/// "print-nothing" where nothing is left. With the book and today's date at its foot. Labels to
/// stick on are left out: they are for a printer. `Plan` is what the things point into.
Painted trueSizeSvg(const std::vector<TrueSize>& things, const Plan& plan, const QString& book);

/// DXF R2000, units mm; an issue where it cannot be written to a place for passing files.
Painted trueSizeDxf(const std::vector<TrueSize>& things, const Plan& plan, const QString& book);

}  // namespace drapery
