#include "core/drawing/tag_layout.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numeric>
#include <optional>

namespace drapery {

namespace {

constexpr double kLeader = 12.0;  // from the drawing to its tags
constexpr double kStep = 6.0;
constexpr double kCloseStep = 2.0, kCloseApart = 1.0;  // where there is little room

/// Intervals that have been pushed together: they move as one.
struct Block {
  double start = 0.0;  // where the block would like to begin
  double length = 0.0;
  double weight = 0.0;
};

std::vector<std::size_t> sortedBy(const std::vector<double>& keys) {
  std::vector<std::size_t> order(keys.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return keys[a] < keys[b]; });
  return order;
}

/// Joins the last block to the one before while they overlap.
void joinBack(std::vector<Block>& blocks, double apart) {
  while (blocks.size() > 1) {
    const Block& last = blocks.back();
    Block& before = blocks[blocks.size() - 2];
    if (before.start + before.length + apart <= last.start) return;
    const double offset = before.length + apart;
    const double weight = before.weight + last.weight;
    before.start = (before.start * before.weight + (last.start - offset) * last.weight) / weight;
    before.length = offset + last.length;
    before.weight = weight;
    blocks.pop_back();
  }
}

/// No block leaves [low, high]; the left ones give way first, then the right ones.
void holdInside(std::vector<Block>& blocks, double apart, double low, double high) {
  double limit = high;
  for (auto block = blocks.rbegin(); block != blocks.rend(); ++block) {
    block->start = std::min(block->start, limit - block->length);
    limit = block->start - apart;
  }
  limit = low;
  for (Block& block : blocks) {
    block.start = std::max(block.start, limit);
    limit = block.start + block.length + apart;
  }
}

bool isFree(const TagBox& box, const std::vector<TagBox>& taken, double apart) {
  return std::none_of(taken.begin(), taken.end(),
                      [&](const TagBox& other) { return overlaps(box, other, apart); });
}

bool isInside(const TagBox& box, const TagBox& area) {
  constexpr double kDust = 0.01;
  return box.x >= area.x - kDust && box.y >= area.y - kDust &&
         box.x + box.width <= area.x + area.width + kDust &&
         box.y + box.height <= area.y + area.height + kDust;
}

bool isRow(Side side) { return side == Side::Above || side == Side::Below; }

class Layout {
 public:
  Layout(const std::vector<TagWish>& wishes, const TagRoom& room) : wishes_(wishes), room_(room) {
    found_.resize(wishes.size());
    taken_ = room.taken;
  }

  std::vector<TagBox> run() {
    for (const Side side : {Side::Left, Side::Right, Side::Above, Side::Below}) layOutSide(side);
    bool isCrowded = false;
    for (std::size_t i = 0; i < wishes_.size(); ++i) {
      if (found_[i]) continue;
      const auto box = nearestFree(wishes_[i]);
      isCrowded = isCrowded || !box;
      settle(i, box.value_or(heldInside(wishes_[i])));
    }
    if (isCrowded) packAnew();
    std::vector<TagBox> boxes;
    for (const auto& box : found_) boxes.push_back(*box);
    return boxes;
  }

 private:
  void settle(std::size_t i, const TagBox& box) {
    found_[i] = box;
    taken_.push_back(box);
  }

  void layOutSide(Side side) {
    std::vector<std::size_t> members;
    std::vector<double> middles, lengths;
    for (std::size_t i = 0; i < wishes_.size(); ++i) {
      if (wishes_[i].side != side) continue;
      members.push_back(i);
      middles.push_back(isRow(side) ? wishes_[i].anchorX : wishes_[i].anchorY);
      lengths.push_back(isRow(side) ? wishes_[i].width : wishes_[i].height);
    }
    const TagBox& area = room_.area;
    const double low = isRow(side) ? area.x : area.y;
    const double high = isRow(side) ? area.x + area.width : area.y + area.height;
    const int rows = rowsNeeded(lengths, rowGap(side), high - low);
    const std::vector<std::size_t> order = sortedBy(middles);
    double depth = 0.0;
    for (int row = 0; row < rows; ++row) {
      std::vector<std::size_t> here;  // every rows-th in order: neighbours do not crowd each other
      for (std::size_t k = static_cast<std::size_t>(row); k < order.size();
           k += static_cast<std::size_t>(rows))
        here.push_back(order[k]);
      std::vector<double> rowMiddles, rowLengths;
      double deepest = 0.0;
      for (const std::size_t k : here) {
        rowMiddles.push_back(middles[k]);
        rowLengths.push_back(lengths[k]);
        const TagWish& wish = wishes_[members[k]];
        deepest = std::max(deepest, isRow(side) ? wish.height : wish.width);
      }
      const std::vector<double> starts =
          spreadAlong(rowMiddles, rowLengths, rowGap(side), low, high);
      for (std::size_t i = 0; i < here.size(); ++i) {
        const std::size_t member = members[here[i]];
        const TagBox box = boxAt(wishes_[member], starts[i], depth);
        if (isInside(box, area) && isFree(box, taken_, room_.apart)) settle(member, box);
      }
      depth += deepest + room_.apart;
    }
  }

  /// Words in a row need more air between them than lines in a column.
  [[nodiscard]] double rowGap(Side side) const {
    return isRow(side) ? std::max(room_.apart, 10.0) : room_.apart;
  }

  /// Outside the drawing on the tag's side, `out` beyond the row beside it; nearer when there is no
  /// room.
  [[nodiscard]] TagBox boxAt(const TagWish& wish, double start, double out) const {
    const TagBox& drawing = room_.drawing;
    const TagBox& area = room_.area;
    TagBox box{start, start, wish.width, wish.height};
    switch (wish.side) {
      case Side::Left:
        box.x = std::max(area.x, drawing.x - kLeader - out - wish.width);
        break;
      case Side::Right:
        box.x =
            std::min(area.x + area.width - wish.width, drawing.x + drawing.width + kLeader + out);
        break;
      case Side::Above:
        box.y = std::max(area.y, drawing.y - kLeader - out - wish.height);
        break;
      case Side::Below:
        box.y = std::min(area.y + area.height - wish.height,
                         drawing.y + drawing.height + kLeader + out);
        break;
    }
    return box;
  }

  /// The widest first, each in the nearest place that is left: close together, but none on another.
  /// What does not go in so either stays as it was.
  void packAnew() {
    std::vector<double> widths;
    for (const TagWish& wish : wishes_) widths.push_back(-wish.width * wish.height);
    std::vector<std::optional<TagBox>> packed(wishes_.size());
    std::vector<TagBox> taken = room_.taken;
    for (const std::size_t i : sortedBy(widths)) {
      packed[i] = search(wishes_[i], taken, kCloseApart, kCloseStep);
      if (!packed[i]) return;
      taken.push_back(*packed[i]);
    }
    found_ = std::move(packed);
  }

  /// Anywhere in the area, but off the drawing and well apart while that is possible.
  [[nodiscard]] std::optional<TagBox> nearestFree(const TagWish& wish) const {
    std::vector<TagBox> clear = taken_;
    clear.push_back(room_.drawing);
    if (const auto box = search(wish, clear, room_.apart, kStep)) return box;
    if (const auto box = search(wish, taken_, room_.apart, kStep)) return box;
    return search(wish, taken_, kCloseApart, kCloseStep);
  }

  [[nodiscard]] TagBox heldInside(const TagWish& wish) const {
    const TagBox& area = room_.area;
    TagBox box{wish.anchorX, wish.anchorY, wish.width, wish.height};
    box.x = std::clamp(box.x, area.x, std::max(area.x, area.x + area.width - box.width));
    box.y = std::clamp(box.y, area.y, std::max(area.y, area.y + area.height - box.height));
    return box;
  }

  [[nodiscard]] std::optional<TagBox> search(const TagWish& wish, const std::vector<TagBox>& taken,
                                             double apart, double step) const {
    const TagBox& area = room_.area;
    std::optional<TagBox> found;
    double least = std::numeric_limits<double>::infinity();
    for (double y = area.y; y + wish.height <= area.y + area.height; y += step) {
      for (double x = area.x; x + wish.width <= area.x + area.width; x += step) {
        const TagBox box{x, y, wish.width, wish.height};
        const double distance =
            std::hypot(x + wish.width / 2 - wish.anchorX, y + wish.height / 2 - wish.anchorY);
        if (distance >= least || !isFree(box, taken, apart)) continue;
        least = distance;
        found = box;
      }
    }
    return found;
  }

  const std::vector<TagWish>& wishes_;
  const TagRoom& room_;
  std::vector<std::optional<TagBox>> found_;
  std::vector<TagBox> taken_;
};

}  // namespace

bool overlaps(const TagBox& a, const TagBox& b, double apart) {
  return a.x < b.x + b.width + apart && b.x < a.x + a.width + apart &&
         a.y < b.y + b.height + apart && b.y < a.y + a.height + apart;
}

int rowsNeeded(const std::vector<double>& lengths, double apart, double room) {
  constexpr int kMostRows = 3;
  double whole = 0.0;
  for (const double length : lengths) whole += length + apart;
  return std::clamp(static_cast<int>(std::ceil((whole - apart) / std::max(room, 1.0))), 1,
                    kMostRows);
}

std::vector<double> spreadAlong(const std::vector<double>& middles,
                                const std::vector<double>& lengths, double apart, double low,
                                double high) {
  const std::vector<std::size_t> order = sortedBy(middles);
  std::vector<Block> blocks;
  for (const std::size_t i : order) {
    blocks.push_back({middles[i] - lengths[i] / 2, lengths[i], 1.0});
    joinBack(blocks, apart);
  }
  holdInside(blocks, apart, low, high);
  std::vector<double> starts(middles.size());
  std::size_t next = 0;
  for (const Block& block : blocks) {
    double at = block.start;
    for (int k = 0; k < static_cast<int>(std::lround(block.weight)); ++k) {
      const std::size_t i = order[next++];
      starts[i] = at;
      at += lengths[i] + apart;
    }
  }
  return starts;
}

std::vector<TagBox> layOutTags(const std::vector<TagWish>& wishes, const TagRoom& room) {
  return Layout(wishes, room).run();
}

}  // namespace drapery
