#include "store/whole_file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdlib>
#include <cstring>
#include <ctime>
#include <filesystem>
#include <vector>

#include "core/file/descriptor.h"
#include "core/file/read_file.h"

namespace drapery {

namespace {

Issue fault(IssueId id, const std::string& path, int error) {
  return {
      id, {{"path", path}, {"reason", std::string(std::strerror(error))}}, {}, {path, 0, 0}, {}};
}

constexpr std::string_view kBeside = ".drapery-";

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

/// Fills a file beside the target; `settle` gives it the target's name, or an error.
template <class Settle>
std::optional<Issue> writeBeside(const std::string& path, const std::string& target,
                                 std::string_view text, const Settle& settle) {
  const auto folder = std::filesystem::path(target).parent_path();
  // A name of its own: one made of the file's could be too long.
  std::string beside = (folder / (std::string(kBeside) + "XXXXXX")).string();
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

namespace {

Issue refused(const std::string& path, const std::string& reason) {
  return {"file-unwritable", {{"path", path}, {"reason", reason}}, {}, {path, 0, 0}, {}};
}

/// What lies there and is not to be replaced by a file.
std::optional<Issue> notFileAt(const std::string& path, const std::string& target) {
  std::error_code ignored;
  const bool isLink = std::filesystem::is_symlink(path, ignored);
  if (isLink && target == path) return refused(path, "it is a link to nothing");
  if (auto other = otherThanFile(target)) return refused(path, *other);
  return std::nullopt;
}

bool isSameFile(const std::string& a, const std::string& b) {
  struct stat of {
  }, with{};
  return ::stat(a.c_str(), &of) == 0 && ::stat(b.c_str(), &with) == 0 && of.st_dev == with.st_dev &&
         of.st_ino == with.st_ino;
}

}  // namespace

std::optional<Issue> notToBeReplaced(const std::string& path, const std::string& job) {
  std::error_code ignored;
  if (std::filesystem::is_symlink(path, ignored))
    return refused(path, "it is a link; name the file itself");
  if (auto other = otherThanFile(path)) return refused(path, *other);
  if (isSameFile(path, job)) return refused(path, "it is the job itself");
  return std::nullopt;
}

void removeLeftovers(const std::string& folder) {
  constexpr std::size_t kRandom = 6;
  constexpr std::time_t kDay = 86400;  // seconds
  std::error_code error;
  std::vector<std::string> old;
  for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end;
       at.increment(error)) {
    const std::string name = at->path().filename().string();
    struct stat file {};
    const bool isOurs = name.starts_with(kBeside) && name.size() == kBeside.size() + kRandom &&
                        ::lstat(at->path().c_str(), &file) == 0 && S_ISREG(file.st_mode) &&
                        file.st_uid == ::geteuid();
    if (isOurs && std::time(nullptr) - file.st_mtime > kDay) old.push_back(at->path().string());
  }
  for (const std::string& path : old) ::unlink(path.c_str());
}

std::optional<Issue> writeWhole(const std::string& path, std::string_view text) {
  const std::string target = realTarget(path);
  if (auto issue = notFileAt(path, target)) return issue;
  return writeBeside(path, target, text, [&](const std::string& beside) {
    return ::rename(beside.c_str(), target.c_str()) == 0 ? 0 : errno;
  });
}

namespace {

/// Gives a file its name where nothing has that name yet; or an error.
int nameNew(const std::string& beside, const std::string& path) {
  if (::renameat2(AT_FDCWD, beside.c_str(), AT_FDCWD, path.c_str(), RENAME_NOREPLACE) == 0)
    return 0;
  if (errno != EINVAL && errno != ENOSYS) return errno;
  // A file system without that: a second name for the file, then the first one goes.
  if (::link(beside.c_str(), path.c_str()) != 0) return errno;
  ::unlink(beside.c_str());
  return 0;
}

}  // namespace

std::optional<Issue> writeNew(const std::string& path, std::string_view text) {
  return writeBeside(path, path, text,
                     [&](const std::string& beside) { return nameNew(beside, path); });
}

namespace {

/// Files beside the places that they are made for; what got no name goes when this goes.
class Beside {
 public:
  Beside() = default;
  Beside(const Beside&) = delete;
  Beside& operator=(const Beside&) = delete;
  ~Beside() {
    for (const auto& [beside, path] : waiting_) ::unlink(beside.c_str());
  }

  std::optional<Issue> fill(const NewFile& file) {
    const auto folder = std::filesystem::path(file.path).parent_path();
    std::string beside = (folder / (std::string(kBeside) + "XXXXXX")).string();
    Descriptor made(::mkstemp(beside.data()));
    if (made.get() < 0) return fault("file-unwritable", file.path, errno);
    waiting_.emplace_back(beside, file.path);
    const int error = drapery::fill(made, file.text, file.path);
    return error != 0 ? std::optional(fault("file-unwritable", file.path, error)) : std::nullopt;
  }

  /// Each its own name; those that were named go again where one cannot be.
  std::optional<Issue> name(bool replaces) {
    std::vector<std::string> named;
    for (const auto& [beside, path] : waiting_) {
      const bool wasThere = std::filesystem::exists(path);
      const int error = replaces && wasThere ? replace(beside, path) : nameNew(beside, path);
      if (error == 0) {
        if (!wasThere) named.push_back(path);
        continue;
      }
      for (const std::string& made : named) ::unlink(made.c_str());
      return fault(error == EEXIST ? IssueId("file-there") : IssueId("file-unwritable"), path,
                   error);
    }
    if (!waiting_.empty()) syncFolder(waiting_.front().second);
    waiting_.clear();
    return std::nullopt;
  }

 private:
  static int replace(const std::string& beside, const std::string& path) {
    return ::rename(beside.c_str(), path.c_str()) == 0 ? 0 : errno;
  }

  std::vector<std::pair<std::string, std::string>> waiting_;  // beside, path
};

}  // namespace

std::optional<Issue> writeTogether(const std::vector<NewFile>& files, bool replaces) {
  Beside beside;
  for (const NewFile& file : files) {
    if (auto issue = notToBeReplaced(file.path, {})) return issue;
    if (!replaces && std::filesystem::exists(file.path))
      return fault("file-there", file.path, EEXIST);
  }
  for (const NewFile& file : files)
    if (auto issue = beside.fill(file)) return issue;
  return beside.name(replaces);
}

}  // namespace drapery
