// What a sewing's thread is made of, from its beginning to its end.
#pragma once

#include <array>
#include <cstddef>
#include <vector>

#include "core/sewing/sew_book.h"

namespace drapery {

struct ThreadPart {
  /// Left over at an end or a join; along a face, a fold or the spine; round an edge, a tape, a
  /// card or another thread; through holes and folds; taken by a knot.
  enum class What { Tail, Along, Round, Through, Knot };
  static constexpr std::size_t kKinds = 5;
  What what = What::Tail;
  double length = 0.0;   // mm, with its share of the ease
  std::size_t from = 0;  // it is drawn when more steps than these are done
};

/// By piece, in the order of the thread; together as long as the plan's thread. The steps of a
/// link's two rows count on.
std::vector<std::vector<ThreadPart>> threadParts(const SewnBook& book);

/// mm of each kind, in the order of `What`.
std::array<double, ThreadPart::kKinds> threadByKind(
    const std::vector<std::vector<ThreadPart>>& pieces);

}  // namespace drapery
