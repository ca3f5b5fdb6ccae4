// The stages of the work, in order.
#pragma once

#include <QString>
#include <vector>

#include "app/stage/stage.h"

namespace drapery {

const std::vector<Stage>& allStages();
/// @returns none for an id that no stage has.
const Stage* stageNamed(const QString& id);

}  // namespace drapery
