// What was cut of a book while another one was open: that one's file tells it, not its own.
#pragma once

#include <cstdint>
#include <filesystem>
#include <map>
#include <string>
#include <vector>

#include "store/cut_work.h"

namespace drapery {

/// Looks at the job files of a folder, and again only at what was written since.
class CutElsewhere {
 public:
  /// What the files beside a book's, at most a thousand, tell of it; in the order of their names.
  /// Those that cannot be read tell nothing.
  /// @param open the file of the book that is open, and its job: what that one tells is left out,
  /// and what a mere copy of it does.
  std::vector<CutBeside> of(const std::string& path, const std::string& open, const Job& job);

 private:
  struct Known {
    std::filesystem::file_time_type written;
    std::uintmax_t size = 0;
    std::string id, name;       // of its job
    std::vector<CutDone> done;  // of other books: `book` is a whole path
  };
  const Known* known(const std::filesystem::directory_entry& file);

  std::map<std::string, Known> known_;
};

}  // namespace drapery
