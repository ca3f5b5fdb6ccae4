// Where a binder's own files live: the XDG base directories.
#pragma once

#include <string>

namespace drapery {

/// $XDG_DATA_HOME/drapery, or ~/.local/share/drapery. Not created here.
std::string dataFolder();
/// The jobs of new books: jobs/ in it.
std::string jobsFolder();
/// What lies there to be cut: stock.json in it.
std::string stockFile();
/// Printers and gauges: shop.json in it.
std::string shopFile();
/// What the program remembers: $XDG_CONFIG_HOME/drapery/settings.json.
std::string settingsFile();
/// Where the log goes: $XDG_STATE_HOME/drapery, or ~/.local/state/drapery.
std::string stateFolder();
/// A binder's own rule files: methods/ in it.
std::string houseMethodsFolder();
/// Patterns of sewing.
std::string housePatternsFolder();
/// A binder's own materials: materials/ in it.
std::string houseMaterialsFolder();

}  // namespace drapery
