#include "exchange/page_pictures.h"

#include <algorithm>

namespace drapery {

void growPictures(const PageColumn& column, std::map<std::size_t, PagePicture>& pictures) {
  const std::vector<FlowPlace> lie = column.places(column.bottom());
  std::map<int, double> ends;  // of pages
  for (std::size_t i = 0; i < lie.size(); ++i)
    ends[lie[i].page] = std::max(ends[lie[i].page], lie[i].top + column.heightOf(i));
  std::map<int, std::vector<PagePicture*>> onPages;
  for (auto& [which, picture] : pictures) onPages[lie[picture.block].page].push_back(&picture);
  const auto free = [](const PagePicture* each) { return each->most - each->high; };
  for (auto& [page, here] : onPages) {
    double room = column.height() - ends[page];
    std::sort(here.begin(), here.end(),
              [&](const auto* a, const auto* b) { return free(a) < free(b); });
    for (std::size_t i = 0; i < here.size(); ++i) {
      const double more = std::min(free(here[i]), room / double(here.size() - i));
      here[i]->high += more;
      room -= more;
    }
  }
}

}  // namespace drapery
