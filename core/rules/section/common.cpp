#include "core/rules/section/common.h"

namespace drapery {

namespace {
const Choices<Moment> kMoments{{"sewn", Moment::Sewn},
                               {"trimmed", Moment::Trimmed},
                               {"cut", Moment::Cut},
                               {"cased", Moment::Cased}};
}  // namespace

std::vector<std::string> readWas(EntryReader& in) {
  std::vector<std::string> was = in.texts("was", Needed::No);
  const Node* node = in.find("was");
  for (std::size_t i = 0; i < was.size(); ++i) in.checkName(node->items[i], was[i]);
  return was;
}

Moment readSettles(EntryReader& in, const char* flag, Moment meant) {
  const Moment usual = in.flag(flag) ? meant : Moment::Never;
  return in.choice("settles", kMoments, usual);
}

void readEach(EntryReader& in, Repeated& repeated) {
  const Sourced each = in.sourced("each", Needed::No);
  repeated.each = each.text;
  repeated.eachAt = each.at;
}

}  // namespace drapery
