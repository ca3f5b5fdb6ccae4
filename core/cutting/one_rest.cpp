#include "core/cutting/one_rest.h"

#include <algorithm>

namespace drapery {

namespace {

class Pushing {
 public:
  Pushing(std::vector<SheetPart> parts, Micrometres kerf)
      : parts_(std::move(parts)), kerf_(kerf), needs_(parts_.size()), holdsRest_(parts_.size()) {
    need(0);
    look(0, parts_[0].across, parts_[0].along);
  }

  [[nodiscard]] double most() const { return most_; }

  std::vector<SheetPart> parts() {
    if (most_ <= 0.0) return parts_;
    mark(0);
    lay(0);
    return parts_;
  }

 private:
  struct Need {
    Micrometres across = 0, along = 0;
  };

  /// Of what lies in a part; nothing where it is free.
  Need need(std::size_t at) {
    const SheetPart& part = parts_[at];
    Need& sum = needs_[at];
    if (part.kind == SheetPart::Kind::Piece) sum = {part.across, part.along};
    if (part.kind != SheetPart::Kind::Split) return sum;
    const Need low = need(part.low), high = need(part.high);
    sum = {std::max(low.across, high.across), std::max(low.along, high.along)};
    if (part.isBeside)
      sum.across = low.across + high.across;
    else
      sum.along = low.along + high.along;
    return sum;
  }

  /// A part that is as large as all beside it allow.
  void look(std::size_t at, Micrometres across, Micrometres along) {
    const SheetPart& part = parts_[at];
    if (needs_[at].across == 0) {
      const double area = double(across - kerf_) * double(along - kerf_);
      if (across <= kerf_ || along <= kerf_ || area <= most_) return;
      most_ = area;
      rest_ = at;
    } else if (part.kind == SheetPart::Kind::Split) {
      for (const auto& [child, other] : {std::pair(part.low, part.high), {part.high, part.low}})
        look(child, across - (part.isBeside ? needs_[other].across : 0),
             along - (part.isBeside ? 0 : needs_[other].along));
    }
  }

  bool mark(std::size_t at) {
    const SheetPart& part = parts_[at];
    holdsRest_[at] =
        at == rest_ || (part.kind == SheetPart::Kind::Split && (mark(part.low) || mark(part.high)));
    return holdsRest_[at];
  }

  /// Each as small as can be but for what holds the rest, or comes last.
  void lay(std::size_t at) {
    const SheetPart whole = parts_[at];
    if (whole.kind != SheetPart::Kind::Split) return;
    SheetPart &low = parts_[whole.low], &high = parts_[whole.high];
    for (SheetPart* child : {&low, &high}) {
      child->x = whole.x;
      child->y = whole.y;
      child->across = whole.across;
      child->along = whole.along;
    }
    const auto share = [&](Micrometres Need::*side, Micrometres SheetPart::*size,
                           Micrometres SheetPart::*from) {
      low.*size =
          holdsRest_[whole.low] ? whole.*size - needs_[whole.high].*side : needs_[whole.low].*side;
      high.*from += low.*size;
      high.*size -= low.*size;
    };
    if (whole.isBeside)
      share(&Need::across, &SheetPart::across, &SheetPart::x);
    else
      share(&Need::along, &SheetPart::along, &SheetPart::y);
    lay(whole.low);
    lay(whole.high);
  }

  std::vector<SheetPart> parts_;
  Micrometres kerf_;
  std::vector<Need> needs_;
  std::vector<bool> holdsRest_;
  double most_ = 0.0;
  std::size_t rest_ = 0;
};

}  // namespace

double oneRest(const std::vector<SheetPart>& parts, Micrometres kerf) {
  return Pushing(parts, kerf).most();
}

void pushTogether(std::vector<SheetPart>& parts, Micrometres kerf) {
  parts = Pushing(std::move(parts), kerf).parts();
}

}  // namespace drapery
