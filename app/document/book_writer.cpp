#include "app/document/book_writer.h"

#include <utility>

namespace drapery {

BookWriter::BookWriter(std::unique_ptr<JobPlace> place, QObject* parent)
    : QObject(parent), place_(std::move(place)), name_(place_->name()) {
  thread_.setMaxThreadCount(1);
}

BookWriter::~BookWriter() { settle(); }

void BookWriter::setPlace(std::unique_ptr<JobPlace> place) {
  settle();
  place_ = std::move(place);
  name_ = place_->name();
  last_.reset();
}

void BookWriter::write(Job job) {
  if (isWriting())
    next_ = std::move(job);
  else
    start(std::move(job));
}

void BookWriter::start(Job job) {
  auto work = std::make_shared<std::packaged_task<Outcome()>>(
      [this, job = std::move(job)] { return place_->write(job); });
  running_ = work->get_future();
  thread_.start([this, work] {
    (*work)();
    QMetaObject::invokeMethod(this, &BookWriter::finish, Qt::QueuedConnection);
  });
}

/// The window may have waited for it already.
void BookWriter::finish() {
  constexpr std::chrono::seconds kAtOnce{0};
  const bool isDone = running_.valid() && running_.wait_for(kAtOnce) == std::future_status::ready;
  if (!isDone) return;
  Outcome outcome = running_.get();
  if (next_) return start(*std::exchange(next_, std::nullopt));
  tell(std::move(outcome));
}

void BookWriter::tell(Outcome outcome) {
  name_ = place_->name();
  last_ = std::move(outcome);
  if (last_)
    emit failed(*last_);
  else
    emit written();
}

std::optional<Issue> BookWriter::settle() {
  while (running_.valid()) {
    running_.wait();
    finish();
  }
  thread_.waitForDone();
  return last_;
}

template <class Write>
std::optional<Issue> BookWriter::atOnce(const Write& write) {
  settle();
  last_ = write(*place_);
  name_ = place_->name();
  return last_;
}

std::optional<Issue> BookWriter::writeNow(const Job& job) {
  return atOnce([&](JobPlace& place) { return place.write(job); });
}

std::optional<Issue> BookWriter::writeOver(const Job& job) {
  return atOnce([&](JobPlace& place) { return place.writeOver(job); });
}

std::optional<Issue> BookWriter::writeTo(const std::string& name, const Job& job) {
  return atOnce([&](JobPlace& place) { return place.writeTo(name, job); });
}

}  // namespace drapery
