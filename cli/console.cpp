#include "cli/console.h"

#include <fcntl.h>
#include <unistd.h>

#include <cerrno>
#include <cstdio>
#include <cstring>

#include "cli/commands.h"
#include "words/issue_words.h"
#include "words/shown_text.h"

namespace drapery::cli {

void openStandardStreams() {
  for (const int stream : {STDIN_FILENO, STDOUT_FILENO, STDERR_FILENO})
    while (::fcntl(stream, F_GETFD) < 0) {
      // The way round that cannot be used: output that leads nowhere is told, not lost.
      const int fd = ::open("/dev/null", stream == STDOUT_FILENO ? O_RDONLY : O_RDWR);
      if (fd < 0 || fd == stream) break;
    }
}

int print(std::string_view text, int code) {
  errno = 0;
  const bool isWritten =
      std::fwrite(text.data(), 1, text.size(), stdout) == text.size() && std::fflush(stdout) == 0;
  if (isWritten) return code;
  return complain(std::string("standard output cannot be written: ") + std::strerror(errno));
}

int tell(const Issues& issues, const Notation& notation, bool explains) {
  const bool showsPlace = explains || ::isatty(STDERR_FILENO) == 1;
  for (const Issue& issue : issues) {
    const std::string text =
        showsPlace ? placedWordsWithCaret(issue, notation) : placedWords(issue, notation) + "\n";
    std::fputs(text.c_str(), stderr);
  }
  return issues.empty() ? kDone : kRefused;
}

int complain(std::string_view text) {
  std::fputs((shownText(text) + "\n").c_str(), stderr);
  return kRefused;
}

}  // namespace drapery::cli
