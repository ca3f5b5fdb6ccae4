// The file of one open book: what was last read from it or written to it, and writing that never
// covers what somebody else left there.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <variant>

#include "core/diag/issue.h"

namespace drapery {

class JobKeeper {
 public:
  /// A book without a file yet: it gets one in `folder`, under the first free name, when it is
  /// first written. The folder is made if need be.
  static JobKeeper fresh(std::string folder);
  /// The file's text; the keeper is then of that file. "file-unreadable", "file-too-large".
  static std::variant<JobKeeper, Issue> open(const std::string& path);

  /// Where the book is or will be.
  [[nodiscard]] const std::string& path() const { return path_; }
  /// As last read or written; empty for a book without a file.
  [[nodiscard]] const std::string& text() const { return text_; }

  /// Writes the text whole. Refused, and nothing written, when the file is not what was last read:
  /// "file-changed", or "file-gone" when it is no longer there, or "file-unsure" when it cannot be
  /// read at the moment; "file-read-only"; "file-unwritable".
  std::optional<Issue> write(std::string_view text);
  /// Writes over whatever is there. Only after the binder said so.
  std::optional<Issue> writeOver(std::string_view text);
  /// Another file, also over one that is there: the binder was asked. The keeper is then of that.
  std::optional<Issue> writeTo(const std::string& path, std::string_view text);

 private:
  std::optional<Issue> writeFresh(std::string_view text);
  [[nodiscard]] std::optional<Issue> present() const;

  std::string path_, text_;
  std::string folder_;  // of a book without a file
};

}  // namespace drapery
