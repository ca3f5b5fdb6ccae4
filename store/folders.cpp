#include "store/folders.h"

#include <cstdlib>

namespace drapery {

namespace {
std::string fromEnvironment(const char* name) {
  const char* value = std::getenv(name);
  return value != nullptr ? value : "";
}
}  // namespace

std::string dataFolder() {
  const std::string data = fromEnvironment("XDG_DATA_HOME");
  // The specification: a relative path counts as not set.
  if (!data.empty() && data.front() == '/') return data + "/drapery";
  return fromEnvironment("HOME") + "/.local/share/drapery";
}

std::string houseMaterialsFolder() { return dataFolder() + "/materials"; }
std::string houseMethodsFolder() { return dataFolder() + "/methods"; }

}  // namespace drapery
