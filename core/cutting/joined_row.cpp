#include "core/cutting/joined_row.h"

#include <algorithm>
#include <numeric>

#include "core/cutting/chance.h"

namespace drapery {

bool isOfManyKinds(const MaterialJob& job) {
  constexpr std::size_t kMany = 40;
  return job.kinds.size() >= kMany;
}

bool areFewOfEach(const MaterialJob& job) {
  constexpr std::size_t kFew = 10;
  return piecesOf(job.counts).size() < kFew * job.kinds.size();
}

JoinedRow::JoinedRow(const MaterialJob& job, std::mt19937_64& random,
                     std::function<bool()> isEnough)
    : random_(random), isEnough_(std::move(isEnough)), boxes_(job, random) {}

std::vector<std::size_t> JoinedRow::join(const JoinedChoice& choice, Micrometres tallest) {
  constexpr double kLeast = 0.1, kMost = 0.8;  // of the width
  const double across = double(choice.across);
  const auto highest = std::max(tallest, static_cast<Micrometres>(kMost * across));
  boxes_.join({choice.stock, choice.across, std::min(choice.along, highest), choice.kinds,
               choice.worth, choice.pool},
              isEnough_);
  sortByHeight();
  return heights(kLeast * across);
}

double JoinedRow::mostLost() const {
  constexpr double kMost = 0.1, kOfABox = 3.0;  // times what a box may lose
  return std::min(kMost, kOfABox * boxes_.mayLose());
}

std::optional<Filling> JoinedRow::best(std::size_t stock, const SheetPart& room,
                                       Micrometres tallest, const std::vector<std::size_t>& kinds,
                                       const std::vector<double>& worth, Counts& pool) {
  std::optional<Row> best;
  for (const std::size_t height :
       join({stock, room.across, room.along, kinds, worth, pool}, tallest)) {
    if (isEnough_()) break;
    if (auto row = rowOf(height, room.across, best ? best->lost : mostLost()))
      best = std::move(row);
  }
  if (!best) return std::nullopt;
  boxes_.takeFrom(pool, best->taken);
  return filling(*best, room);
}

std::vector<JoinedRow::Found> JoinedRow::some(std::size_t stock, const SheetPart& room,
                                              Micrometres tallest,
                                              const std::vector<std::size_t>& kinds,
                                              const std::vector<double>& worth,
                                              const Counts& pool) {
  std::vector<Found> all;
  for (const std::size_t height :
       join({stock, room.across, room.along, kinds, worth, pool}, tallest)) {
    if (isEnough_()) break;
    const auto row = rowOf(height, room.across, mostLost());
    if (!row) continue;
    Counts left = pool;
    boxes_.takeFrom(left, row->taken);
    if (std::any_of(all.begin(), all.end(), [&](const Found& other) { return other.left == left; }))
      continue;
    const double area = double(room.across) * double(row->along);
    all.push_back({row->lost * area, filling(*row, room), std::move(left)});
  }
  return all;
}

void JoinedRow::sortByHeight() {
  sorted_.resize(boxes_.all().size());
  std::iota(sorted_.begin(), sorted_.end(), 0U);
  std::sort(sorted_.begin(), sorted_.end(), [&](std::uint32_t a, std::uint32_t b) {
    return boxes_.all()[a].along < boxes_.all()[b].along;
  });
}

Micrometres JoinedRow::lowest(Micrometres along) const {
  constexpr double kLower = 0.5;  // of what may be lost
  return static_cast<Micrometres>(double(along) * (1.0 - kLower * boxes_.mayLose()));
}

std::vector<std::size_t> JoinedRow::heights(double least) const {
  constexpr double kAlways = 0.5;
  constexpr std::size_t kMost = 12;
  std::vector<std::pair<double, std::size_t>> counts;
  std::size_t from = 0;
  for (std::size_t i = 0; i < sorted_.size(); ++i) {
    while (alongOf(from) < lowest(alongOf(i))) ++from;
    if (double(alongOf(i)) < least) continue;
    if (i + 1 < sorted_.size() && alongOf(i + 1) == alongOf(i)) continue;
    counts.emplace_back(-double(i + 1 - from) * (kAlways + drawnPart(random_)), i);
  }
  std::sort(counts.begin(), counts.end());
  if (counts.size() > kMost) counts.resize(kMost);
  std::vector<std::size_t> heights;
  heights.reserve(counts.size());
  for (const auto& [count, highest] : counts) heights.push_back(highest);
  return heights;
}

void JoinedRow::lookAtThose(std::size_t highest) {
  constexpr std::size_t kMost = 100;
  const Micrometres along = alongOf(highest);
  const auto lostIn = [&](const JoinedBox& box) {
    return double(box.across) * double(along) - box.worth;
  };
  std::vector<std::pair<double, std::uint32_t>> order;
  for (std::size_t i = highest + 1; i-- > 0 && alongOf(i) >= lowest(along);) {
    const JoinedBox& box = boxes_.all()[sorted_[i]];
    order.emplace_back(lostIn(box) / double(box.across), sorted_[i]);
  }
  std::sort(order.begin(), order.end());
  if (order.size() > kMost) order.resize(kMost);
  looked_.clear();
  parts_.clear();
  for (const auto& [lost, which] : order) {
    const JoinedBox& box = boxes_.all()[which];
    looked_.push_back(which);
    parts_.push_back({box.taken, box.across, lostIn(box)});
  }
}

std::optional<JoinedRow::Row> JoinedRow::rowOf(std::size_t highest, Micrometres across,
                                               double mostLost) {
  lookAtThose(highest);
  const Micrometres along = alongOf(highest);
  const double area = double(across) * double(along);
  const auto strip = endToEnd_.best(parts_, across, along, boxes_.lacking(), mostLost * area);
  if (!strip) return std::nullopt;
  Row row{0.0, 0, strip->taken, {}};
  for (const std::uint32_t part : strip->parts) {
    row.boxes.push_back(looked_[part]);
    row.along = std::max(row.along, boxes_.all()[looked_[part]].along);
  }
  // It may do without the highest.
  row.lost = 1.0 - (area - strip->lost) / (double(across) * double(row.along));
  return row;
}

Filling JoinedRow::filling(const Row& row, const SheetPart& room) const {
  Filling filling{0.0, {room}};
  filling.parts.front().along = row.along;
  std::size_t rest = 0;
  for (const std::uint32_t which : row.boxes) {
    const JoinedBox& box = boxes_.all()[which];
    filling.area += box.area;
    std::size_t at = rest;
    if (filling.parts[at].across > box.across) {
      splitPart(filling.parts, at, true, box.across);
      rest = filling.parts[at].high;
      at = filling.parts[at].low;
    }
    boxes_.lay(which, at, filling.parts);
  }
  return filling;
}

}  // namespace drapery
