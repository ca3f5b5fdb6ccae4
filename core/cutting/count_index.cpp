#include "core/cutting/count_index.h"

namespace drapery {

CountIndex::CountIndex(const Counts& wanted) {
  for (const int count : wanted) {
    strides_.push_back(size_);
    size_ *= static_cast<std::size_t>(count) + 1;
  }
  digits_.resize(size_ * wanted.size());
  for (std::size_t set = 0; set < size_; ++set)
    for (std::size_t kind = 0; kind < wanted.size(); ++kind)
      digits_[set * wanted.size() + kind] =
          static_cast<int>(set / strides_[kind] % (static_cast<std::size_t>(wanted[kind]) + 1));
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
