#include "app/table/tag_rack.h"

#include <QWidget>
#include <algorithm>

#include "core/drawing/tag_layout.h"

namespace drapery {

namespace {

constexpr double kApart = 4.0;

TagBox boxOf(const QRectF& rect) { return {rect.x(), rect.y(), rect.width(), rect.height()}; }

QPointF nearestOn(const QRectF& rect, QPointF to) {
  return {std::clamp(to.x(), rect.left(), rect.right()),
          std::clamp(to.y(), rect.top(), rect.bottom())};
}

}  // namespace

QLineF HangingTag::leader() const { return {anchor(), nearestOn(tag->geometry(), anchor())}; }

TagRack::TagRack(QWidget* table, const Palette& palette)
    : QObject(table), table_(table), palette_(palette) {}

Tag* TagRack::find(const std::string& id) const {
  const auto found = tags_.find(id);
  return found != tags_.end() ? found->second : nullptr;
}

const HangingTag* TagRack::hangingOf(const std::string& id) const {
  const auto found = std::find_if(hanging_.begin(), hanging_.end(),
                                  [&](const HangingTag& h) { return h.tag->value() == id; });
  return found != hanging_.end() ? &*found : nullptr;
}

Tag* TagRack::tagFor(const std::string& id, Tag::Kind kind) {
  Tag* present = find(id);
  if (present != nullptr && present->kind() == kind) return present;
  if (present != nullptr) {
    present->hide();
    present->focusTarget()->setObjectName({});  // it lives on until the loop comes round
    present->deleteLater();
  }
  Tag* tag = new Tag(id, kind, palette_, table_);
  tags_[id] = tag;
  emit made(tag);
  return tag;
}

void TagRack::hang(const std::vector<PlacedPanel>& panels, const Contents& contents) {
  std::vector<Tag*> before;
  for (const HangingTag& hanging : hanging_) before.push_back(hanging.tag);
  hanging_.clear();
  const auto hangAt = [&](const TagSpot& spot, const PlacedPanel* panel) {
    const auto content = contents(spot.subject);
    if (!content) return;
    Tag* tag = tagFor(spot.subject.id, content->first);
    tag->setContent(content->second);
    hanging_.push_back({tag, spot, panel});
  };
  for (const PlacedPanel& placed : panels)
    for (const TagSpot& spot : placed.panel.drawing.tags) hangAt(spot, &placed);
  for (const char* field : {"units", "round"})
    hangAt({Subject::field(field), {}, Side::Above}, nullptr);
  std::vector<Tag*> now;
  for (const HangingTag& hanging : hanging_) now.push_back(hanging.tag);
  for (auto& [id, tag] : tags_)
    if (std::find(now.begin(), now.end(), tag) == now.end()) tag->hide();
  if (now != before) orderTabs();
}

void TagRack::setSelected(const Subject& subject) {
  for (const HangingTag& hanging : hanging_)
    hanging.tag->setSelected(hanging.spot.subject == subject);
}

void TagRack::orderTabs() {
  for (std::size_t i = 1; i < hanging_.size(); ++i)
    QWidget::setTabOrder(hanging_[i - 1].tag->focusTarget(), hanging_[i].tag->focusTarget());
}

QMarginsF TagRack::roomAround(const PlacedPanel& panel) const {
  const auto roomAt = [&](Side side) {
    const bool isRow = side == Side::Above || side == Side::Below;
    std::vector<double> lengths;
    double deepest = 0.0;
    for (const HangingTag& hanging : hanging_) {
      if (hanging.panel != &panel || hanging.spot.side != side) continue;
      const QSize size = hanging.tag->restingSize();
      lengths.push_back(isRow ? size.width() : size.height());
      deepest = std::max(deepest, double(isRow ? size.height() : size.width()));
    }
    const double along = isRow ? panel.area.width() - 16 : panel.area.height() - 8;
    return rowsNeeded(lengths, 10.0, along) * (deepest + kApart);
  };
  return {roomAt(Side::Left), roomAt(Side::Above), roomAt(Side::Right), roomAt(Side::Below)};
}

void TagRack::placeOnRule(const QRect& rule) {
  int x = rule.left() + 8;
  for (const HangingTag& hanging : hanging_) {
    if (hanging.panel != nullptr) continue;
    const QSize size = hanging.tag->sizeHint();
    hanging.tag->setGeometry(x, rule.bottom() - size.height(), size.width(), size.height());
    hanging.tag->show();
    x += size.width() + 10;
  }
}

void TagRack::place(const std::vector<PlacedPanel>& panels, const QRect& rule,
                    const std::vector<TagBox>& taken) {
  placeOnRule(rule);
  for (const PlacedPanel& placed : panels) {
    std::vector<TagWish> wishes;
    std::vector<Tag*> here;
    TagRoom room;
    room.area = boxOf(placed.area.adjusted(8, 4, -8, -2));
    room.drawing = boxOf(placed.drawn());
    room.apart = kApart;
    room.taken = taken;
    if (!placed.panel.caption.isEmpty()) room.taken.push_back(boxOf(placed.captionRect()));
    for (const DrawingLabel& label : placed.panel.drawing.labels)
      room.taken.push_back(boxOf(placed.labelRect(label)));
    for (const HangingTag& hanging : hanging_) {
      // What is wrong with the rule in hand is told above it.
      if (hanging.panel == nullptr) room.taken.push_back(boxOf(hanging.tag->geometry()));
      if (hanging.panel != &placed) continue;
      const QSize size = hanging.tag->sizeHint();
      const QPointF anchor = hanging.anchor();
      wishes.push_back(
          {anchor.x(), anchor.y(), double(size.width()), double(size.height()), hanging.spot.side});
      here.push_back(hanging.tag);
    }
    const std::vector<TagBox> boxes = layOutTags(wishes, room);
    for (std::size_t i = 0; i < boxes.size(); ++i) {
      const TagBox& box = boxes[i];
      here[i]->setGeometry(QRectF(box.x, box.y, box.width, box.height).toRect());
      here[i]->show();
    }
  }
}

void TagRack::stopTyping(const std::function<bool(const std::string&)>& keeps) {
  for (auto& [id, tag] : tags_)
    if (!keeps(id)) tag->stopTyping();
}

void TagRack::keepTyped() {
  for (const HangingTag& hanging : hanging_) hanging.tag->keepTyped();
}

}  // namespace drapery
