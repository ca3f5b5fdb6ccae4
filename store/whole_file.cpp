#include "store/whole_file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <filesystem>

namespace drapery {

namespace {

Issue fault(IssueId id, const std::string& path, int error) {
  return {
      id, {{"path", path}, {"reason", std::string(std::strerror(error))}}, {}, {path, 0, 0}, {}};
}

/// Closes on every way out.
class Descriptor {
 public:
  explicit Descriptor(int fd) : fd_(fd) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  ~Descriptor() {
    if (fd_ >= 0) ::close(fd_);
  }
  [[nodiscard]] int get() const { return fd_; }
  int close() {
    const int fd = fd_;
    fd_ = -1;
    return ::close(fd);
  }

 private:
  int fd_;
};

int writeAll(int fd, std::string_view text) {
  while (!text.empty()) {
    const ssize_t done = ::write(fd, text.data(), text.size());
    if (done < 0 && errno == EINTR) continue;
    if (done <= 0) return done < 0 ? errno : ENOSPC;
    text.remove_prefix(static_cast<std::size_t>(done));
  }
  return 0;
}

/// A file that is a link is written where it points, and a file keeps its mode.
std::string realTarget(const std::string& path) {
  std::error_code error;
  const auto real = std::filesystem::canonical(path, error);
  return error ? path : real.string();
}

/// What a new file may be, by the user's mask. Asked once: it can only be read by setting it.
mode_t usualMode() {
  static const mode_t kMode = [] {
    const mode_t mask = ::umask(0077);
    ::umask(mask);
    return static_cast<mode_t>(0666U & ~mask);
  }();
  return kMode;
}

void keepMode(int fd, const std::string& target) {
  struct stat old {};
  ::fchmod(fd, ::stat(target.c_str(), &old) == 0 ? (old.st_mode & 07777U) : usualMode());
}

void syncFolder(const std::string& target) {
  const auto folder = std::filesystem::path(target).parent_path();
  const Descriptor fd(::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY));
  if (fd.get() >= 0) ::fsync(fd.get());
}

int fill(Descriptor& file, std::string_view text, const std::string& target) {
  keepMode(file.get(), target);
  if (const int error = writeAll(file.get(), text)) return error;
  if (::fsync(file.get()) != 0) return errno;
  return file.close() != 0 ? errno : 0;
}

}  // namespace

std::variant<std::string, Issue> readWhole(const std::string& path, std::size_t limit) {
  const Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC));
  if (fd.get() < 0) return fault("file-unreadable", path, errno);
  std::string text;
  std::string block(1U << 16U, '\0');
  while (true) {
    const ssize_t got = ::read(fd.get(), block.data(), block.size());
    if (got < 0 && errno == EINTR) continue;
    if (got < 0) return fault("file-unreadable", path, errno);
    if (got == 0) return text;
    text.append(block, 0, static_cast<std::size_t>(got));
    if (text.size() > limit)
      return Issue{"file-too-large",
                   {{"limit", std::to_string(limit >> 20U) + " MB"}},
                   {},
                   {path, 1, 1},
                   {}};
  }
}

namespace {

/// Fills a file beside the target; `settle` gives it the target's name, or an error.
template <class Settle>
std::optional<Issue> writeBeside(const std::string& path, const std::string& target,
                                 std::string_view text, const Settle& settle) {
  std::string beside = target + ".XXXXXX";
  Descriptor file(::mkstemp(beside.data()));
  if (file.get() < 0) return fault("file-unwritable", path, errno);
  int error = fill(file, text, target);
  if (error == 0) error = settle(beside);
  if (error != 0) {
    ::unlink(beside.c_str());
    return fault(error == EEXIST ? IssueId("file-there") : IssueId("file-unwritable"), path, error);
  }
  syncFolder(target);
  return std::nullopt;
}

}  // namespace

std::optional<Issue> writeWhole(const std::string& path, std::string_view text) {
  const std::string target = realTarget(path);
  std::error_code ignored;
  if (std::filesystem::is_directory(target, ignored)) return fault("file-unwritable", path, EISDIR);
  return writeBeside(path, target, text, [&](const std::string& beside) {
    return ::rename(beside.c_str(), target.c_str()) == 0 ? 0 : errno;
  });
}

std::optional<Issue> writeNew(const std::string& path, std::string_view text) {
  return writeBeside(path, path, text, [&](const std::string& beside) {
    if (::renameat2(AT_FDCWD, beside.c_str(), AT_FDCWD, path.c_str(), RENAME_NOREPLACE) == 0)
      return 0;
    if (errno != EINVAL && errno != ENOSYS) return errno;
    // A file system without that: a second name for the file, then the first one goes.
    if (::link(beside.c_str(), path.c_str()) != 0) return errno;
    ::unlink(beside.c_str());
    return 0;
  });
}

}  // namespace drapery
