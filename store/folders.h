// Where a binder's own files live: the XDG base directories.
#pragma once

#include <string>

namespace drapery {

/// $XDG_DATA_HOME/drapery, or ~/.local/share/drapery. Not created here.
std::string dataFolder();
/// A binder's own rule files: methods/ in it.
std::string houseMethodsFolder();
/// A binder's own materials: materials/ in it.
std::string houseMaterialsFolder();

}  // namespace drapery
