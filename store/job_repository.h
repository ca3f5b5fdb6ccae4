// Where jobs are kept, whatever that is: files of JSON today.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <variant>

#include "core/diag/issue.h"
#include "store/job_file.h"

namespace drapery {

/// The place of one book. Used by one thread at a time.
class JobPlace {
 public:
  JobPlace() = default;
  JobPlace(const JobPlace&) = delete;
  JobPlace& operator=(const JobPlace&) = delete;
  virtual ~JobPlace() = default;

  /// Where the book is or will be, as the binder is told.
  [[nodiscard]] virtual std::string name() const = 0;
  /// Writes the job whole. Refused, and nothing written, when what is there is not what was last
  /// read or written: "file-changed", "file-gone", "file-unsure", "file-read-only"; and
  /// "file-unwritable".
  virtual std::optional<Issue> write(const Job& job) = 0;
  /// Writes over whatever is there. Only after the binder said so.
  virtual std::optional<Issue> writeOver(const Job& job) = 0;
  /// Another place, also over what is there: the binder was asked. The book is then kept there.
  virtual std::optional<Issue> writeTo(const std::string& name, const Job& job) = 0;
};

class JobRepository {
 public:
  JobRepository() = default;
  JobRepository(const JobRepository&) = delete;
  JobRepository& operator=(const JobRepository&) = delete;
  virtual ~JobRepository() = default;

  struct Found {
    std::unique_ptr<JobPlace> place;
    JobDocument document;  // as it was read, with what is wrong in it
  };
  /// What is kept under the name; an issue when it cannot be read at all.
  virtual std::variant<Found, Issue> open(const std::string& name) = 0;
  /// For a new book: it takes its place at its first write.
  virtual std::unique_ptr<JobPlace> fresh() = 0;
};

/// Jobs as JSON files; new ones go to `folder`, which is made if need be.
std::unique_ptr<JobRepository> makeJsonJobs(std::string folder);

}  // namespace drapery
