#include "tests/support/command.h"

#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <stdexcept>

namespace drapery::test {

namespace {

void write(const std::string& path, const std::string& text) {
  std::ofstream(path, std::ios::binary) << text;
}

[[noreturn]] void become(const std::vector<std::string>& command, const TemporaryFolder& folder) {
  const auto redirect = [&](const char* name, const char* mode, FILE* stream) {
    if (std::freopen((folder.path() + name).c_str(), mode, stream) == nullptr) ::_exit(126);
  };
  redirect("/in", "r", stdin);
  redirect("/out", "w", stdout);
  redirect("/err", "w", stderr);
  ::alarm(60);
  std::vector<char*> arguments;
  for (const std::string& argument : command)
    arguments.push_back(const_cast<char*>(argument.c_str()));
  arguments.push_back(nullptr);
  ::execvp(arguments[0], arguments.data());
  ::_exit(127);
}

}  // namespace

Finished run(const std::vector<std::string>& command, const std::string& input) {
  const TemporaryFolder folder;
  write(folder.path() + "/in", input);
  const pid_t child = ::fork();
  if (child == 0) become(command, folder);
  int status = 0;
  ::waitpid(child, &status, 0);
  Finished finished;
  finished.code = WIFEXITED(status) ? WEXITSTATUS(status) : -1;
  finished.out = readFile(folder.path() + "/out");
  finished.err = readFile(folder.path() + "/err");
  return finished;
}

TemporaryFolder::TemporaryFolder() {
  std::string path = (std::filesystem::temp_directory_path() / "drapery-test-XXXXXX").string();
  if (::mkdtemp(path.data()) == nullptr) throw std::runtime_error("no temporary folder");
  path_ = path;
}

TemporaryFolder::~TemporaryFolder() {
  std::error_code ignored;
  std::filesystem::remove_all(path_, ignored);
}

std::string TemporaryFolder::write(const std::string& name, const std::string& text) const {
  const std::string path = path_ + "/" + name;
  test::write(path, text);
  return path;
}

std::vector<std::string> TemporaryFolder::names() const {
  std::vector<std::string> all;
  for (const auto& entry : std::filesystem::directory_iterator(path_))
    all.push_back(entry.path().filename().string());
  std::sort(all.begin(), all.end());
  return all;
}

CommaLocale::CommaLocale() {
  const Finished made =
      run({"localedef", "-i", "de_DE", "-f", "UTF-8", folder_.path() + "/de_DE.UTF-8"});
  if (made.code != 0) throw std::runtime_error("localedef: " + made.err);
}

std::vector<std::string> CommaLocale::environment() const {
  return {"LOCPATH=" + folder_.path(), "LC_ALL=de_DE.UTF-8"};
}

std::string readFile(const std::string& path) {
  std::ifstream in(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}

std::string projectFile(const std::string& name) {
  return readFile(std::string(DRAPERY_SOURCE_DIR) + "/" + name);
}

}  // namespace drapery::test
