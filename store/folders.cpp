#include "store/folders.h"

#include <cstdlib>

namespace drapery {

namespace {
std::string fromEnvironment(const char* name) {
  const char* value = std::getenv(name);
  return value != nullptr ? value : "";
}

/// The specification: a relative path counts as not set.
std::string baseFolder(const char* variable, const char* usual) {
  const std::string base = fromEnvironment(variable);
  if (!base.empty() && base.front() == '/') return base + "/drapery";
  return fromEnvironment("HOME") + usual + "/drapery";
}
}  // namespace

std::string dataFolder() { return baseFolder("XDG_DATA_HOME", "/.local/share"); }
std::string stateFolder() { return baseFolder("XDG_STATE_HOME", "/.local/state"); }
std::string shopFile() { return dataFolder() + "/shop.json"; }
std::string stockFile() { return dataFolder() + "/stock.json"; }
std::string settingsFile() { return baseFolder("XDG_CONFIG_HOME", "/.config") + "/settings.json"; }
std::string jobsFolder() { return dataFolder() + "/jobs"; }

std::string houseMaterialsFolder() { return dataFolder() + "/materials"; }
std::string houseMethodsFolder() { return dataFolder() + "/methods"; }
std::string housePatternsFolder() { return dataFolder() + "/patterns"; }

}  // namespace drapery
