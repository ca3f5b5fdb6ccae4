// Pictures in a column take the room that is left of their pages.
#pragma once

#include <map>

#include "exchange/page_column.h"

namespace drapery {

struct PagePicture {
  std::size_t block = 0;          // of the column
  double high = 0.0, most = 0.0;  // mm
};

/// As high as their pages allow, those of one page by as much, none beyond its most.
/// @param column with all that is to be written, the pictures as high as they are.
void growPictures(const PageColumn& column, std::map<std::size_t, PagePicture>& pictures);

}  // namespace drapery
