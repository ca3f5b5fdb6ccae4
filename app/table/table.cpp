#include "app/table/table.h"

#include <algorithm>
#include <cmath>

#include "app/table/tag_content.h"
#include "app/words/notes_text.h"
#include "core/drawing/tag_layout.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kNotesEm = 21.0;
constexpr double kRuleEm = 3.2;
constexpr double kApart = 4.0;

double em() { return 14.0 * fontScale(); }

TagBox boxOf(const QRectF& rect) { return {rect.x(), rect.y(), rect.width(), rect.height()}; }

TagBox drawingBox(const Drawing& drawing, const QTransform& toTable) {
  const Box box = boundsOf(drawing);
  return boxOf(toTable.mapRect(QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top))));
}

}  // namespace

Table::Table(Document& document, const Palette& palette, QWidget* parent)
    : QWidget(parent),
      document_(document),
      palette_(palette),
      notes_(new MarginNotes(palette, this)) {
  setObjectName("table");
  setFocusPolicy(Qt::ClickFocus);
  setMinimumSize(420, 320);
  connect(&document_, &Document::planChanged, this, &Table::refresh);
  connect(&document_, &Document::jobChanged, this, [this] {
    messages_.clear();
    for (auto& [value, tag] : tags_) tag->stopTyping();
    refresh();
  });
  connect(notes_, &MarginNotes::scrolled, this, qOverload<>(&QWidget::update));
  refresh();
}

void Table::setStage(Stage stage) {
  if (stage_ == stage) return;
  keepTyped();
  stage_ = stage;
  messages_.clear();
  selected_.clear();
  resetView();
  refresh();
  emit selectionChanged(selected_);
}

void Table::keepTyped() {
  for (const Hanging& hanging : hanging_) hanging.tag->keepTyped();
}

void Table::select(const QString& subject) {
  if (selected_ == subject) return;
  selected_ = subject;
  refresh();
  emit selectionChanged(selected_);
}

void Table::setNotesFolded(bool folded) {
  if (isFolded_ == folded) return;
  isFolded_ = folded;
  refresh();
}

void Table::startTyping() {
  for (const std::string& value : document_.missing()) {
    const auto tag = tags_.find(value);
    if (tag != tags_.end() && tag->second->isVisibleTo(this)) return tag->second->takeFocus();
  }
  if (!hanging_.empty()) hanging_.front().tag->takeFocus();
}

std::vector<const Tag*> Table::tags() const {
  std::vector<const Tag*> all;
  for (const Hanging& hanging : hanging_) all.push_back(hanging.tag);
  return all;
}

QRect Table::ruleArea() const {
  const int height = static_cast<int>(kRuleEm * em());
  return {0, this->height() - height, drawingArea().width(), height};
}

QRect Table::drawingArea() const {
  const int notes = notes_->isVisibleTo(this) ? static_cast<int>(kNotesEm * em()) : 0;
  const int rule = static_cast<int>(kRuleEm * em());
  return {0, 0, std::max(200, width() - notes), std::max(150, height() - rule)};
}

void Table::refresh() {
  notes_->setVisible(!isFolded_ || !selected_.isEmpty() || document_.plan().has(Severity::Stop));
  const int notes = static_cast<int>(kNotesEm * em());
  notes_->setGeometry(width() - notes, 0, notes, height());
  takePanels();
  writeNotes();
  hangTags();
  fitPanels();
  placeTags();
  update();
}

void Table::takePanels() {
  panels_.clear();
  const QRectF whole = drawingArea();
  double top = whole.top();
  for (StagePanel& panel : stagePanels(stage_, document_.plan())) {
    Placed placed;
    placed.area = QRectF(whole.left(), top, whole.width(), whole.height() * panel.share);
    top = placed.area.bottom();
    placed.panel = std::move(panel);
    panels_.push_back(std::move(placed));
  }
}

/// Each drawing as large as the tags around it allow.
void Table::fitPanels() {
  std::size_t hanging = 0;
  for (Placed& placed : panels_) {
    QSize widest[4] = {};
    const std::size_t first = hanging;
    for (; hanging < hanging_.size() && hanging_[hanging].panel == &placed; ++hanging) {
      QSize& side = widest[static_cast<std::size_t>(hanging_[hanging].spot.side)];
      side = side.expandedTo(hanging_[hanging].tag->restingSize());
    }
    const auto room = [&](Side side) { return widest[static_cast<std::size_t>(side)]; };
    const double air = 1.5 * em();
    const double caption = placed.panel.drawing.labels.empty() ? 1.6 * em() : 0.0;
    const QRectF target = placed.area.adjusted(
        room(Side::Left).width() + air, room(Side::Above).height() + caption + air,
        -room(Side::Right).width() - air, -room(Side::Below).height() - air);
    placed.toTable = fitted(boundsOf(placed.panel.drawing), target);
    const QPointF middle = placed.area.center();
    placed.toTable *= QTransform::fromTranslate(-middle.x(), -middle.y()) *
                      QTransform::fromScale(zoom_, zoom_) *
                      QTransform::fromTranslate(middle.x() + pan_.x(), middle.y() + pan_.y());
    for (std::size_t i = first; i < hanging; ++i) {
      const Point& at = hanging_[i].spot.anchor;
      hanging_[i].anchor = placed.toTable.map(QPointF(at.x, at.y));
    }
  }
}

Tag* Table::tagFor(const std::string& value, Tag::Kind kind) {
  auto found = tags_.find(value);
  if (found != tags_.end() && found->second->kind() == kind) return found->second;
  if (found != tags_.end()) {
    found->second->hide();
    found->second->deleteLater();
  }
  Tag* tag = new Tag(value, kind, palette_, this);
  connectTag(tag);
  tags_[value] = tag;
  return tag;
}

void Table::connectTag(Tag* tag) {
  connect(tag, &Tag::selected, this,
          [this](Tag* t) { select(QString::fromStdString(t->value())); });
  connect(tag, &Tag::typed, this, &Table::onTyped);
  connect(tag, &Tag::kept, this, &Table::onKept);
  connect(tag, &Tag::stepped, this, &Table::onStepped);
  connect(tag, &Tag::chosen, this, &Table::onChosen);
  connect(tag, &Tag::abandoned, this, [this](Tag* t) {
    messages_.erase(t->value());
    t->stopTyping();
    document_.endPreview();
  });
}

void Table::hangTags() {
  std::vector<Tag*> before;
  for (const Hanging& hanging : hanging_) before.push_back(hanging.tag);
  hanging_.clear();
  const auto hang = [&](const TagSpot& spot, const Placed* panel) {
    const auto kind = tagKind(document_.plan(), spot.value);
    if (!kind) return;
    Tag* tag = tagFor(spot.value, *kind);
    tag->setContent(contentOf(spot.value));
    tag->setSelected(selected_ == QString::fromStdString(spot.value));
    hanging_.push_back({tag, spot, panel, {}});
  };
  for (const Placed& placed : panels_)
    for (const TagSpot& spot : placed.panel.drawing.tags) hang(spot, &placed);
  hang({"units", {}, Side::Above}, nullptr);
  hang({"round", {}, Side::Above}, nullptr);
  for (auto& [value, tag] : tags_) {
    const bool isHere = std::any_of(hanging_.begin(), hanging_.end(),
                                    [tag = tag](const Hanging& h) { return h.tag == tag; });
    if (!isHere) tag->hide();
  }
  std::vector<Tag*> now;
  for (const Hanging& hanging : hanging_) now.push_back(hanging.tag);
  if (now != before) orderTabs();
}

void Table::orderTabs() {
  for (std::size_t i = 1; i < hanging_.size(); ++i)
    setTabOrder(hanging_[i - 1].tag->focusTarget(), hanging_[i].tag->focusTarget());
}

void Table::placeTags() {
  for (const Placed& placed : panels_) {
    std::vector<TagWish> wishes;
    std::vector<Tag*> here;
    for (const Hanging& hanging : hanging_) {
      if (hanging.panel != &placed) continue;
      const QSize size = hanging.tag->sizeHint();
      wishes.push_back({hanging.anchor.x(), hanging.anchor.y(), double(size.width()),
                        double(size.height()), hanging.spot.side});
      here.push_back(hanging.tag);
    }
    TagRoom room;
    room.area = boxOf(placed.area.adjusted(8, 4, -8, -2));
    room.drawing = drawingBox(placed.panel.drawing, placed.toTable);
    room.apart = kApart;
    if (!panelWords(placed.panel.drawing.id).isEmpty())
      room.taken.push_back(boxOf(captionRect(placed)));
    const std::vector<TagBox> boxes = layOutTags(wishes, room);
    for (std::size_t i = 0; i < boxes.size(); ++i) {
      const TagBox& box = boxes[i];
      here[i]->setGeometry(QRectF(box.x, box.y, box.width, box.height).toRect());
      here[i]->show();
    }
  }
  placeRuleTags();
}

QRectF Table::captionRect(const Placed& placed) {
  const QString words = panelWords(placed.panel.drawing.id);
  const QFontMetrics metrics(textFont(kPanelWordsPixels));
  return {placed.area.left() + 12, placed.area.top() + 8, double(metrics.horizontalAdvance(words)),
          double(metrics.height())};
}

void Table::placeRuleTags() {
  const QRect rule = ruleArea();
  int x = rule.left() + 8;
  for (Hanging& hanging : hanging_) {
    if (hanging.panel != nullptr) continue;
    const QSize size = hanging.tag->sizeHint();
    hanging.tag->setGeometry(x, rule.bottom() - size.height(), size.width(), size.height());
    hanging.tag->show();
    x += size.width() + 10;
  }
}

TagContent Table::contentOf(const std::string& value) const {
  TagContent content = tagContent(document_, value);
  if (const auto message = messages_.find(value); message != messages_.end())
    content.message = message->second;
  return content;
}

void Table::writeNotes() {
  std::vector<std::string> shown;
  for (const Placed& placed : panels_)
    for (const TagSpot& spot : placed.panel.drawing.tags)
      if (tagKind(document_.plan(), spot.value)) shown.push_back(spot.value);
  std::vector<NoteContent> notes;
  NoteContent why = whyNote(document_, selected_.toStdString());
  if (!why.heading.isEmpty()) notes.push_back(std::move(why));
  for (NoteContent& finding : findingNotes(document_.plan(), shown))
    notes.push_back(std::move(finding));
  if (selected_.isEmpty() || selected_ == "method" || !document_.missing().empty())
    notes.insert(notes.begin(), methodNote(document_));
  NoteContent trial = trialNote(document_.plan());
  if (stage_ == Stage::Case && !trial.heading.isEmpty()) notes.push_back(std::move(trial));
  notes_->setNotes(notes);
}

}  // namespace drapery
