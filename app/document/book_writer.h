// Writes the open book beside the window: an edit never waits for the disk, and what is written is
// whole and in order.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <future>
#include <memory>
#include <optional>
#include <string>

#include "store/job_repository.h"

namespace drapery {

class BookWriter : public QObject {
  Q_OBJECT

 public:
  explicit BookWriter(std::unique_ptr<JobPlace> place, QObject* parent = nullptr);
  /// Waits for what is under way.
  ~BookWriter() override;

  /// Another book's place, once everything of the former one is written.
  void setPlace(std::unique_ptr<JobPlace> place);
  /// Where the book is or will be.
  [[nodiscard]] const std::string& name() const { return name_; }

  /// Soon; of several jobs that come while one is being written only the last.
  void write(Job job);
  [[nodiscard]] bool isWriting() const { return running_.valid(); }
  /// Waits until everything is written. What went wrong with the last of it.
  std::optional<Issue> settle();

  // At once, after what is under way.
  std::optional<Issue> writeNow(const Job& job);
  std::optional<Issue> writeOver(const Job& job);
  std::optional<Issue> writeTo(const std::string& name, const Job& job);

 signals:
  void written();
  void failed(const drapery::Issue& issue);

 private:
  using Outcome = std::optional<Issue>;
  void start(Job job);
  void finish();
  void tell(Outcome outcome);
  template <class Write>
  std::optional<Issue> atOnce(const Write& write);

  std::unique_ptr<JobPlace> place_;  // the thread's, while one runs
  std::string name_;
  QThreadPool thread_;
  std::future<Outcome> running_;
  std::optional<Job> next_;
  Outcome last_;
};

}  // namespace drapery
