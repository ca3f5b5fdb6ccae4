#include "core/file/read_file.h"

#include <fcntl.h>
#include <sys/stat.h>

#include <cerrno>
#include <cstring>

#include "core/file/descriptor.h"

namespace drapery {

namespace {

Issue unreadable(const std::string& path, const std::string& reason) {
  return {"file-unreadable", {{"path", path}, {"reason", reason}}, {}, {path, 0, 0}, {}};
}
Issue unreadable(const std::string& path, int error) {
  return unreadable(path, std::string(std::strerror(error)));
}
Issue tooLarge(const std::string& path, std::size_t limit) {
  return {
      "file-too-large", {{"limit", std::to_string(limit >> 20U) + " MB"}}, {}, {path, 1, 1}, {}};
}

const char* kindOf(mode_t mode) {
  if (S_ISDIR(mode)) return "it is a folder";
  if (S_ISFIFO(mode)) return "it is a pipe";
  if (S_ISSOCK(mode)) return "it is a socket";
  return "it is a device";
}

}  // namespace

std::optional<std::string> otherThanFile(const std::string& path) {
  struct stat what {};
  if (::stat(path.c_str(), &what) != 0 || S_ISREG(what.st_mode)) return std::nullopt;
  return kindOf(what.st_mode);
}

std::variant<std::string, Issue> readWhole(const std::string& path, std::size_t limit,
                                           Readable readable) {
  // What is no file is not even opened: opening a device may do something.
  if (path.find('\0') != std::string::npos) return unreadable(path, ENOENT);
  struct stat what {};
  const bool isOther = ::stat(path.c_str(), &what) == 0 && !S_ISREG(what.st_mode);
  if (isOther && (readable == Readable::Files || S_ISDIR(what.st_mode)))
    return unreadable(path, kindOf(what.st_mode));
  const int wait = readable == Readable::Files ? O_NONBLOCK : 0;
  const Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NOCTTY | wait));
  if (fd.get() < 0) return unreadable(path, errno);
  if (::fstat(fd.get(), &what) != 0) return unreadable(path, errno);
  const bool isFile = S_ISREG(what.st_mode);
  if (!isFile && readable == Readable::Files) return unreadable(path, kindOf(what.st_mode));
  if (isFile && static_cast<std::size_t>(what.st_size) > limit) return tooLarge(path, limit);
  std::string text;
  std::string block(1U << 16U, '\0');
  while (true) {
    const ssize_t got = ::read(fd.get(), block.data(), block.size());
    if (got < 0 && errno == EINTR) continue;
    if (got < 0) return unreadable(path, errno);
    if (got == 0) return text;
    text.append(block, 0, static_cast<std::size_t>(got));
    if (text.size() > limit) return tooLarge(path, limit);
  }
}

}  // namespace drapery
