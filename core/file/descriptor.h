// An open file of the system's, closed on every way out.
#pragma once

#include <unistd.h>

namespace drapery {

class Descriptor {
 public:
  explicit Descriptor(int fd) : fd_(fd) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  ~Descriptor() {
    if (fd_ >= 0) ::close(fd_);
  }
  /// Below 0 when it could not be opened.
  [[nodiscard]] int get() const { return fd_; }
  /// Closes it now; what the system says of it.
  int close() {
    const int fd = fd_;
    fd_ = -1;
    return ::close(fd);
  }

 private:
  int fd_;
};

}  // namespace drapery
