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
        document_.missing().empty() ? sewBook(document_.job(), document_.plan(), *patterns_)
                                    : SewnBook());
  return sewn_;
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
