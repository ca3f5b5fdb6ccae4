// What is in a caliper's way, in words.
#pragma once

#include <QString>

#include "caliper/caliper_port.h"

namespace drapery {

/// @param detail what came, the port or the next rate: see CaliperPort::troubled.
QString caliperWords(CaliperTrouble trouble, const QString& detail);

/// How it stands, for the docket: "ttyUSB0", "unplugged", "none".
QString caliperStatus(const CaliperPort& caliper);

}  // namespace drapery
