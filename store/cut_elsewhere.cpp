#include "store/cut_elsewhere.h"

#include <algorithm>
#include <fstream>
#include <set>

#include "core/file/read_file.h"
#include "store/job_file.h"
#include "store/json_node.h"

namespace drapery {

namespace {

constexpr std::size_t kMostFiles = 1000;

std::filesystem::path wholePath(const std::filesystem::path& path) {
  std::error_code error;
  const auto whole = std::filesystem::absolute(path, error);
  return (error ? path : whole).lexically_normal();
}

/// Of the job files there: the first by their names.
std::vector<std::filesystem::directory_entry> jobFilesIn(const std::filesystem::path& folder) {
  std::vector<std::filesystem::directory_entry> files;
  std::error_code error;
  for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end;
       at.increment(error)) {
    std::error_code ignored;
    if (at->path().extension() == ".json" && at->is_regular_file(ignored)) files.push_back(*at);
  }
  std::sort(files.begin(), files.end());
  if (files.size() > kMostFiles) files.resize(kMostFiles);
  return files;
}

/// As it is written here; other files may be many, and large.
bool beginsLikeJob(const std::string& path) {
  constexpr std::size_t kBeginning = 256;
  std::string beginning(kBeginning, ' ');
  std::ifstream(path, std::ios::binary).read(beginning.data(), std::ssize(beginning));
  return beginning.find("drapery-job/") != std::string::npos;
}

/// Most files have neither word, and are not taken apart.
bool mayTell(const std::string& text) {
  return text.find("\"done\"") != std::string::npos && text.find("\"book\"") != std::string::npos;
}

}  // namespace

const CutElsewhere::Known* CutElsewhere::known(const std::filesystem::directory_entry& file) {
  std::error_code error;
  const auto written = file.last_write_time(error);
  const auto size = error ? 0 : file.file_size(error);
  if (error) return nullptr;
  const std::string path = file.path().string();
  const auto [found, isNew] = known_.try_emplace(path);
  Known& of = found->second;
  if (!isNew && of.written == written && of.size == size) return &of;
  of = {written, size, {}, {}, {}};
  if (!beginsLikeJob(path)) return &of;
  const auto text = readWhole(path, kLargestJsonFile);
  if (!std::holds_alternative<std::string>(text) || !mayTell(std::get<std::string>(text)))
    return &of;
  const JobDocument document = readJob(std::get<std::string>(text), path);
  if (!document.job) return &of;
  of.id = document.job->id;
  of.name = bookName(*document.job);
  for (CutDone done : document.job->cutting.done) {
    if (done.book.empty()) continue;
    done.book = (file.path().parent_path() / done.book).lexically_normal().string();
    of.done.push_back(std::move(done));
  }
  return &of;
}

std::vector<CutBeside> CutElsewhere::of(const std::string& path, const std::string& open,
                                        const Job& job) {
  std::vector<CutBeside> all;
  const std::filesystem::path book = wholePath(path);
  std::set<std::string> ids{job.id};
  for (const auto& file : jobFilesIn(book.parent_path())) {
    if (file.path() == wholePath(open)) continue;
    const Known* other = known(file);
    if (other == nullptr || other->done.empty()) continue;
    if (!other->id.empty() && !ids.insert(other->id).second) continue;
    for (const CutDone& done : other->done)
      if (done.book == book.string()) all.push_back({other->name, done});
  }
  return all;
}

}  // namespace drapery
