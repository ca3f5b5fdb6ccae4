#include "app/sewing/sew_desk.h"

namespace drapery {

SewDesk::SewDesk(Document& document, std::string patterns)
    : document_(document),
      folder_(std::move(patterns)),
      patterns_(std::make_unique<PatternLibrary>(folder_)) {
  connect(&document_, &Document::planChanged, this, &SewDesk::setStale);
  connect(&document_, &Document::jobChanged, this, &SewDesk::setStale);
}

std::shared_ptr<const SewnBook> SewDesk::sewn() const {
  if (sewn_ == nullptr)
    sewn_ = std::make_shared<const SewnBook>(
        document_.missing().empty() ? sewBook(document_.shownJob(), document_.plan(), *patterns_)
                                    : SewnBook());
  return sewn_;
}

std::optional<Issue> SewDesk::foundWrong(const std::string& field, const FieldValue& value) const {
  const bool isOwn = field.starts_with("sewing/");
  const auto plan = isOwn ? std::optional<Plan>() : document_.planWith(field, value);
  if (!isOwn && !plan) return std::nullopt;  // the book itself tells what is wrong
  Job job = document_.job();
  setField(job, field, value);
  const SewnBook sewn = sewBook(job, plan ? *plan : document_.plan(), *patterns_);
  if (sewn.issues.empty() || !sewn.missing.empty()) return std::nullopt;
  return sewn.issues.front();
}

void SewDesk::reload() {
  patterns_ = std::make_unique<PatternLibrary>(folder_);
  setStale();
}

void SewDesk::setStale() {
  sewn_ = nullptr;
  emit changed();
}

}  // namespace drapery
