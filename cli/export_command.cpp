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
    std::vector<std::string> words{helper,
                                   "job=" + request.job,
                                   "what=" + request.what,
                                   "as=" + request.as,
                                   "to=" + request.output,
                                   "stock=" + stock,
                                   "paper=" + request.paper,
                                   "printer=" + request.printer};
    for (const std::string& id : request.only) words.push_back("only=" + id);
    if (request.replaces) words.emplace_back("replace");
    std::vector<char*> arguments;
    arguments.reserve(words.size() + 1);
    for (std::string& word : words) arguments.push_back(word.data());
    arguments.push_back(nullptr);
    ::execv(helper.c_str(), arguments.data());
    ::_exit(complain(helper + ": " + std::strerror(errno)));
  }
  int status = 0;
  if (child < 0 || ::waitpid(child, &status, 0) < 0 || !WIFEXITED(status)) {
    return complain(helper + ": did not finish");
  }
  return WEXITSTATUS(status);
}

}  // namespace drapery::cli
