#include "core/cutting/roll_boxes.h"

#include "core/cutting/few_boxes.h"

namespace drapery {

RollBoxes::RollBoxes(const MaterialJob& job, std::mt19937_64& random,
                     std::function<bool()> isEnough)
    : job_(job), random_(random), isEnough_(std::move(isEnough)) {}

void RollBoxes::begin(const std::vector<SheetPart>& parts) {
  best_ = whole_ = laidBoxOf(parts, 0);
  inVain_ = 0;
}

Micrometres RollBoxes::along() const { return best_->along; }

/// What is cut across the roll anyway is a slab of its own.
std::vector<Slab> RollBoxes::shortest() const {
  std::vector<LaidBoxPtr> each{best_};
  if (!best_->of.empty() && !best_->isBeside) each = best_->of;
  std::vector<Slab> slabs;
  for (const LaidBoxPtr& box : each) {
    slabs.push_back(emptySlab(usableOf(job_.stock(0)).across, box->along));
    layBox(*box, 0, slabs.back());
  }
  return slabs;
}

void RollBoxes::step() {
  constexpr std::uint64_t kMostJoins = 10'000'000;
  constexpr std::size_t kFewest = 8, kMore = 5;  // so many boxes, or up to four more
  constexpr double kLonger = 1.02;
  constexpr std::size_t kTen = 10, kLongerOfTen = 3;
  constexpr std::size_t kPatience = 500;
  if (inVain_++ > kPatience) {
    whole_ = best_;
    inVain_ = 0;
  }
  // Now and then any that is a little longer, or just one that is shorter; else one as long that
  // lies otherwise will do.
  const bool isLonger = below(kTen) < kLongerOfTen;
  const Micrometres along = isLonger ? static_cast<Micrometres>(kLonger * double(best_->along))
                                     : whole_->along - static_cast<Micrometres>(below(2));
  std::vector<LaidBoxPtr> boxes{whole_};
  openSome(boxes, kFewest + below(kMore), random_);
  FewBoxes few(job_, {0}, boxes);
  const double room = double(usableOf(job_.stock(0)).across) * double(along);
  const CountIndex index(few.job().counts);
  std::uint64_t work = kMostJoins;
  const BoxFronts fronts(few.job(), 0, index, work, isEnough_,
                         {.along = along, .lost = {room - few.area(), {}}, .isForAll = true});
  const std::size_t found = fronts.isWhole() ? fronts.of(index.all()).size() : 0;
  if (found == 0) return;
  // The widest is the shortest.
  whole_ = few.take(fronts, index.all(), isLonger ? below(found) : found - 1);
  if (whole_->along >= best_->along) return;
  best_ = whole_;
  inVain_ = 0;
}

}  // namespace drapery
