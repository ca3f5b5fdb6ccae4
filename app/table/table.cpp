#include "app/table/table.h"

#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/table/tag_content.h"
#include "app/words/notes_text.h"
#include "core/drawing/tag_layout.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kNotesEm = 21.0;
constexpr double kRuleEm = 3.2;
constexpr double kLeastDrawingEm = 34.0;
constexpr double kLeastForTwoEm =
    34.0;  // under this height two drawings would only crowd each other
constexpr double kLeastDrawing = 0.33;  // of a panel's width and height, whatever the tags want
constexpr double kApart = 4.0;

double em() { return 14.0 * fontScale(); }

TagBox boxOf(const QRectF& rect) { return {rect.x(), rect.y(), rect.width(), rect.height()}; }

/// Margins give way alike when they would leave too little.
QRectF withoutMargins(const QRectF& area, double left, double top, double right, double bottom) {
  const double across = std::min(1.0, area.width() * (1 - kLeastDrawing) / (left + right));
  const double down = std::min(1.0, area.height() * (1 - kLeastDrawing) / (top + bottom));
  return area.adjusted(left * across, top * down, -right * across, -bottom * down);
}

QRectF drawnRect(const Drawing& drawing, const QTransform& toTable) {
  const Box box = boundsOf(drawing);
  return toTable.mapRect(QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top)));
}

}  // namespace

Table::Table(Document& document, const Palette& palette, QWidget* parent)
    : QWidget(parent),
      document_(document),
      palette_(palette),
      notes_(new MarginNotes(palette, this)),
      switch_(new InkButton({}, palette, this)) {
  setObjectName("table");
  setFocusPolicy(Qt::ClickFocus);
  setMinimumSize(420, 320);
  connect(&document_, &Document::planChanged, this, &Table::refresh);
  connect(&document_, &Document::jobChanged, this, [this] {
    // What is wrong at a tag stays told there until it is mended or taken back.
    for (auto& [value, tag] : tags_)
      if (!messages_.contains(value)) tag->stopTyping();
    refresh();
  });
  connect(&document_, &Document::bookChanged, this, [this] {
    messages_.clear();
    selected_.clear();
  });
  switch_->setObjectName("table.switch");
  connect(switch_, &QAbstractButton::clicked, this, &Table::bringOtherToFront);
  connect(notes_, &MarginNotes::scrolled, this, qOverload<>(&QWidget::update));
  refresh();
}

void Table::setStage(Stage stage) {
  if (stage_ == stage) return;
  keepTyped();
  stage_ = stage;
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
  document_.endSteps();
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
  startsTyping_ = !isVisible();
  if (startsTyping_) return;
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

/// Whether the notes stand beside the drawing: not while folded away, and not where too little
/// would be left of the drawing.
bool Table::hasMargin() const {
  const bool isRoomLeft = width() - kNotesEm * em() >= kLeastDrawingEm * em();
  return notes_->isVisibleTo(this) && (!isFolded_ || isRoomLeft);
}

/// In the margin, or floating on the side away from what they speak of.
void Table::placeNotes() {
  const int notes = static_cast<int>(kNotesEm * em());
  notes_->setFloating(!hasMargin());
  if (hasMargin()) return notes_->setGeometry(width() - notes, 0, notes, height());
  int x = width() - notes - 8;
  for (const Hanging& hanging : hanging_)
    if (selected_ == QString::fromStdString(hanging.tag->value()) &&
        hanging.tag->geometry().right() > x - 16)
      x = 8;
  notes_->setGeometry(x, 8, notes, std::min(notes_->heightFor(notes), height() - 16));
  notes_->raise();
}

QRect Table::drawingArea() const {
  const int notes = hasMargin() ? static_cast<int>(kNotesEm * em()) : 0;
  const int rule = static_cast<int>(kRuleEm * em());
  return {0, 0, std::max(200, width() - notes), std::max(150, height() - rule)};
}

void Table::showEvent(QShowEvent*) {
  refresh();
  if (startsTyping_) startTyping();
  startsTyping_ = false;
}

/// Nothing is laid out before it is seen: a start would do it several times over.
void Table::refresh() {
  if (!isVisible()) return;
  notes_->setVisible(!isFolded_ || !selected_.isEmpty() || document_.plan().has(Severity::Stop));
  takePanels();
  writeNotes();
  hangTags();
  fitPanels();
  placeTags();
  placeNotes();
  update();
}

/// With little room one drawing at a time, and its name is the way to the other.
void Table::takePanels() {
  panels_.clear();
  const QRectF whole = drawingArea();
  std::vector<StagePanel> all = stagePanels(stage_, document_.plan());
  isOneAtATime_ = all.size() > 1 && whole.height() < kLeastForTwoEm * em();
  double top = whole.top();
  const QString front = panelInFront(all);
  for (std::size_t i = 0; i < all.size(); ++i) {
    StagePanel& panel = all[i];
    const bool isInFront = QString::fromStdString(panel.drawing.id) == front;
    if (isOneAtATime_ && !isInFront) continue;
    const StagePanel& next = all[(i + 1) % all.size()];
    nextPanel_ = next.caption;
    nextId_ = QString::fromStdString(next.drawing.id);
    isLastPanel_ = i + 1 == all.size();
    Placed placed;
    placed.area = QRectF(whole.left(), top, whole.width(),
                         whole.height() * (isOneAtATime_ ? 1.0 : panel.share));
    top = placed.area.bottom();
    placed.panel = std::move(panel);
    panels_.push_back(std::move(placed));
  }
  placeSwitch();
}

QString Table::panelInFront(const std::vector<StagePanel>& all) const {
  if (all.empty()) return {};
  for (const StagePanel& panel : all)
    if (QString::fromStdString(panel.drawing.id) == inFront_) return inFront_;
  return QString::fromStdString(all.front().drawing.id);
}

/// The command that brings the other drawing to the front.
void Table::placeSwitch() {
  switch_->setVisible(isOneAtATime_);
  if (!isOneAtATime_) return;
  switch_->setText(tr("show: %1").arg(nextPanel_));
  switch_->setAccessibleName(switch_->text());
  const QSize size = switch_->sizeHint();
  switch_->setGeometry(drawingArea().right() - size.width() - 12, 6, size.width(), size.height());
}

void Table::bringOtherToFront() {
  keepTyped();
  inFront_ = nextId_;
  refresh();
}

/// The room that the tags of one side need, outward from the drawing.
double Table::roomFor(const Placed& placed, Side side) const {
  const bool isRow = side == Side::Above || side == Side::Below;
  std::vector<double> lengths;
  double deepest = 0.0;
  for (const Hanging& hanging : hanging_) {
    if (hanging.panel != &placed || hanging.spot.side != side) continue;
    const QSize size = hanging.tag->restingSize();
    lengths.push_back(isRow ? size.width() : size.height());
    deepest = std::max(deepest, double(isRow ? size.height() : size.width()));
  }
  const double along = isRow ? placed.area.width() - 16 : placed.area.height() - 8;
  return rowsNeeded(lengths, 10.0, along) * (deepest + kApart);
}

/// Each drawing as large as the tags around it allow.
void Table::fitPanels() {
  for (Placed& placed : panels_) {
    const double air = 1.3 * em();
    const double caption = placed.panel.caption.isEmpty() ? 0.0 : 1.8 * em();
    const double words = placed.panel.drawing.labels.empty() ? 0.0 : 1.2 * em();
    const QRectF target =
        withoutMargins(placed.area, roomFor(placed, Side::Left) + air,
                       roomFor(placed, Side::Above) + caption + words + air,
                       roomFor(placed, Side::Right) + air, roomFor(placed, Side::Below) + air);
    placed.toTable = fitted(boundsOf(placed.panel.drawing), target);
    const QPointF middle = placed.area.center();
    placed.toTable *= QTransform::fromTranslate(-middle.x(), -middle.y()) *
                      QTransform::fromScale(zoom_, zoom_) *
                      QTransform::fromTranslate(middle.x() + pan_.x(), middle.y() + pan_.y());
    for (Hanging& hanging : hanging_)
      if (hanging.panel == &placed)
        hanging.anchor = placed.toTable.map(QPointF(hanging.spot.anchor.x, hanging.spot.anchor.y));
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
  placeRuleTags();
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
    QRectF drawn = drawnRect(placed.panel.drawing, placed.toTable);
    for (const DrawingLabel& label : placed.panel.drawing.labels)
      drawn = drawn.united(labelRect(placed, label));
    room.drawing = boxOf(drawn);
    room.apart = kApart;
    if (isOneAtATime_) room.taken.push_back(boxOf(switch_->geometry()));
    if (!placed.panel.caption.isEmpty()) room.taken.push_back(boxOf(captionRect(placed)));
    // What is wrong with the rule in hand is told above it.
    for (const Hanging& hanging : hanging_)
      if (hanging.panel == nullptr) room.taken.push_back(boxOf(hanging.tag->geometry()));
    const std::vector<TagBox> boxes = layOutTags(wishes, room);
    for (std::size_t i = 0; i < boxes.size(); ++i) {
      const TagBox& box = boxes[i];
      here[i]->setGeometry(QRectF(box.x, box.y, box.width, box.height).toRect());
      here[i]->show();
    }
  }
}

QRectF Table::labelRect(const Placed& placed, const DrawingLabel& label) {
  const QFontMetrics metrics(textFont(kLabelPixels));
  const QPointF at = placed.toTable.map(QPointF(label.at.x, label.at.y));
  const double width = metrics.horizontalAdvance(labelWords(label.id)), height = metrics.height();
  return {at.x() - width / 2, label.isAbove ? at.y() - height - 2 : at.y() - height / 2, width,
          height};
}

QRectF Table::captionRect(const Placed& placed) {
  const QString& words = placed.panel.caption;
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
  if (why.heading.isEmpty()) why = pieceNote(document_, selected_.toStdString());
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
