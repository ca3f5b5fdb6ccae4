#include "app/sewing/sew_desk.h"

#include <cstring>

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
    sewn_ = document_.missing().empty() ? sew(document_.shownJob(), document_.plan())
                                        : std::make_shared<const SewnBook>();
  return sewn_;
}

/// The same as a moment ago where nothing differs that the sewing is found from.
std::shared_ptr<const SewnBook> SewDesk::sew(const Job& job, const Plan& plan) const {
  const auto isSame = [&] {  // bit by bit: what is not known is no number
    return tried_.sewn != nullptr && tried_.sewing == job.sewing &&
           tried_.sewn->job.units == job.units && tried_.sewn->job.title == job.title &&
           tried_.sewn->job.round == job.round && tried_.rules == plan.rules &&
           tried_.values.size() == plan.values.size() &&
           std::memcmp(tried_.values.data(), plan.values.data(),
                       plan.values.size() * sizeof(double)) == 0;
  };
  if (!isSame())
    tried_ = {job.sewing, plan.rules, plan.values,
              std::make_shared<const SewnBook>(sewBook(job, plan, *patterns_))};
  return tried_.sewn;
}

std::optional<Issue> SewDesk::foundWrong(const std::string& field, const FieldValue& value) const {
  const bool isOwn = field.starts_with("sewing/");
  const auto plan = isOwn ? std::optional<Plan>() : document_.planWith(field, value);
  if (!isOwn && !plan) return std::nullopt;  // the book itself tells what is wrong
  Job job = document_.job();
  setField(job, field, value);
  const auto sewn = sew(job, plan ? *plan : document_.plan());
  if (sewn->issues.empty() || !sewn->missing.empty()) return std::nullopt;
  return sewn->issues.front();
}

void SewDesk::reload() {
  patterns_ = std::make_unique<PatternLibrary>(folder_);
  tried_ = {};
  setStale();
}

void SewDesk::setStale() {
  sewn_ = nullptr;
  emit changed();
}

}  // namespace drapery
