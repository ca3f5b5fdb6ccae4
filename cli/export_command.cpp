#include <sys/wait.h>
#include <unistd.h>

#include <cerrno>
#include <cstring>
#include <filesystem>

#include "cli/commands.h"
#include "cli/console.h"
#include "store/folders.h"

namespace drapery::cli {

/// Painting needs Qt, which would cost every start of this program several times its own time: a
/// helper program beside this one does it.
int exportCommand(const ExportRequest& request) {
  std::error_code error;
  const auto self = std::filesystem::read_symlink("/proc/self/exe", error);
  const std::string helper = (self.parent_path() / "drapery-export").string();
  const pid_t child = ::fork();
  if (child == 0) {
    const std::string stock = request.stock.empty() ? stockFile() : request.stock;
    const char* last = request.what == "cut" ? stock.c_str() : nullptr;
    ::execl(helper.c_str(), helper.c_str(), request.job.c_str(), request.what.c_str(),
            request.as.c_str(), request.output.c_str(), last, static_cast<char*>(nullptr));
    ::_exit(complain(helper + ": " + std::strerror(errno)));
  }
  int status = 0;
  if (child < 0 || ::waitpid(child, &status, 0) < 0 || !WIFEXITED(status)) {
    return complain(helper + ": did not finish");
  }
  return WEXITSTATUS(status);
}

}  // namespace drapery::cli
