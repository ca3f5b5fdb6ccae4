#include "core/cutting/count_index.h"

#include <algorithm>
#include <bit>

namespace drapery {

CountIndex::CountIndex(const Counts& wanted) {
  unsigned bits = 0;
  for (const int count : wanted) {
    const auto much = static_cast<std::uint64_t>(count);
    const auto wide = static_cast<unsigned>(std::bit_width(much));
    strides_.push_back(size_);
    shifts_.push_back(std::min(bits, 63U));
    masks_.push_back((std::uint64_t{1} << wide) - 1);
    size_ *= much + 1;
    if (wide == 0) continue;
    spare_ |= (masks_.back() - much) << bits;
    bits += wide;
    guards_ |= std::uint64_t{1} << bits;
    ++bits;
  }
  packed_.reserve(size_);
  packed_.push_back(0);
  // All that there are of the kinds before, with so many of the next.
  for (std::size_t kind = 0; kind < wanted.size(); ++kind)
    for (int count = 1; count <= wanted[kind]; ++count)
      for (std::size_t before = 0; before < strides_[kind]; ++before)
        packed_.push_back(packed_[before] | static_cast<std::uint64_t>(count) << shifts_[kind]);
}

double CountIndex::sizeOf(const Counts& wanted) {
  double size = 1;
  for (const int count : wanted) size *= count + 1.0;
  return size;
}

double CountIndex::pairsOf(const Counts& wanted) {
  double pairs = 1;
  for (const int count : wanted) pairs *= (count + 1.0) * (count + 2.0) / 2;
  return pairs;
}

}  // namespace drapery
