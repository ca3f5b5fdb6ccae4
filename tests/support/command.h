// Runs a program and keeps what it said.
#pragma once

#include <string>
#include <vector>

namespace drapery::test {

struct Finished {
  int code = -1;  // exit code; -1 when it did not end by itself
  std::string out;
  std::string err;
};

/// `input` goes to standard input. No shell. Stops after a minute.
Finished run(const std::vector<std::string>& command, const std::string& input = {});

/// A fresh folder that goes when the object goes.
class TemporaryFolder {
 public:
  TemporaryFolder();
  TemporaryFolder(const TemporaryFolder&) = delete;
  TemporaryFolder& operator=(const TemporaryFolder&) = delete;
  ~TemporaryFolder();
  [[nodiscard]] const std::string& path() const { return path_; }
  /// Writes a file in it and gives its path.
  std::string write(const std::string& name, const std::string& text) const;
  [[nodiscard]] std::vector<std::string> names() const;

 private:
  std::string path_;
};

/// Makes the German locale, whose decimal sign is a comma, in a folder of its own (glibc's
/// localedef), so that a test does not depend on what the machine has. The variables that choose it
/// for a program.
class CommaLocale {
 public:
  CommaLocale();
  [[nodiscard]] std::vector<std::string> environment() const;
  [[nodiscard]] const std::string& folder() const { return folder_.path(); }

 private:
  TemporaryFolder folder_;
};

std::string readFile(const std::string& path);
/// A file of the project, by its path from the root.
std::string projectFile(const std::string& name);

}  // namespace drapery::test
