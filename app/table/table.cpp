#include "app/table/table.h"

#include <QShortcut>
#include <QSignalBlocker>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/table/giving_list.h"
#include "app/table/methods_sheet.h"
#include "app/table/rule_editor.h"
#include "app/table/tag_content.h"
#include "app/table/tag_editor.h"
#include "app/table/turn_handle.h"
#include "app/table/way_in.h"
#include "app/words/notes_text.h"
#include "app/words/reading_words.h"
#include "core/drawing/draw_view.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kNotesEm = 21.0;
constexpr double kRuleEm = 3.2;
constexpr double kLeastDrawingEm = 34.0;

}  // namespace

Table::Table(Document& document, const Palette& palette, QWidget* parent)
    : StagePage(parent),
      document_(document),
      palette_(palette),
      notes_(new MarginNotes(palette, this)),
      switch_(new InkButton({}, palette, this)),
      rack_(new TagRack(this, palette)),
      editor_(new TagEditor(document, this)),
      giving_(new GivingList(document, palette, this)),
      rules_(new RuleEditor(document, palette, this)),
      drag_(document, *rack_) {
  setObjectName("table");
  setFocusPolicy(Qt::ClickFocus);
  setMouseTracking(true);
  setAttribute(Qt::WA_OpaquePaintEvent);  // it fills all of itself
  setMinimumSize(420, 320);
  switch_->setObjectName("table.switch");
  connect(&document_, &Document::planChanged, this, [this] { renew(Renewal::Plan); });
  connect(&document_, &Document::jobChanged, this, &Table::onJobChanged);
  connect(&document_, &Document::bookChanged, this, [this] {
    selected_ = {};
    detail_.clear();
  });
  connect(rack_, &TagRack::made, this, [this](Tag* tag) {
    editor_->serve(tag);
    connect(tag, &Tag::selected, this, [this](Tag* t) {
      if (const HangingTag* hanging = rack_->hangingOf(t->value())) select(hanging->spot.subject);
    });
    connect(tag, &Tag::opened, this, [this](Tag* t) { openReadings(t->value()); });
  });
  connect(editor_, &TagEditor::messagesChanged, this, [this] { renew(Renewal::Plan); });
  connect(editor_, &TagEditor::done, this, &Table::goOnFrom);
  connect(editor_, &TagEditor::saidOver, this, [this](Tag* tag, double figure) {
    giving_->ask(tag->value(), figure);
    placeGiving();
  });
  connect(giving_, &GivingList::done, this, [this] {
    if (!giving_->isAsking()) setFocus();
  });
  connect(editor_, &TagEditor::refused, this, &Table::refused);
  connect(switch_, &QAbstractButton::clicked, this, &Table::bringNextToFront);
  connect(notes_, &MarginNotes::ruleAsked, this,
          [this](const std::string& list, const std::string& id, const QString& note) {
            rules_->open(list, id);
            if (rules_->isOpen()) notes_->setEditor(rules_, note);
          });
  connect(new QShortcut(QKeySequence(Qt::Key_F2), this, nullptr, nullptr,
                        Qt::WidgetWithChildrenShortcut),
          &QShortcut::activated, notes_, &MarginNotes::askForRule);
  connect(rules_, &RuleEditor::closed, this, [this] { renew(Renewal::Notes); });
  connect(rules_, &RuleEditor::refused, this, &Table::refused);
  connect(notes_, &MarginNotes::scrolled, this, qOverload<>(&QWidget::update));
}

void Table::onJobChanged() {
  // What is wrong at a tag stays told there until it is mended or taken back.
  rack_->stopTyping([this](const std::string& id) { return editor_->hasMessage(id); });
  renew(Renewal::Plan);
}

void Table::setStage(const Stage& stage) {
  if (stage_ == &stage) return;
  keepTyped();
  stage_ = &stage;
  selected_ = {};
  detail_.clear();
  panels_.resetView();
  renew(Renewal::Plan);
  emit selectionChanged(selected_);
}

void Table::keepTyped() { rack_->keepTyped(); }

Table::TypedTexts Table::typed() const {
  TypedTexts texts;
  for (const HangingTag& hanging : rack_->hanging())
    if (const QString text = hanging.tag->typedText(); !text.isEmpty())
      texts.emplace_back(hanging.tag->value(), text);
  return texts;
}

void Table::typeAgain(const TypedTexts& texts) {
  for (const auto& [id, text] : texts) {
    reveal(id);
    if (Tag* tag = rack_->find(id)) tag->typeAgain(text);
  }
}

void Table::select(const Subject& subject) {
  if (selected_ == subject) return;
  document_.endSteps();
  if (stage_ != nullptr && isCloserLook(*stage_, document_.plan(), subject.id))
    return open(subject.id);
  selected_ = subject;
  reveal(subject.id);
  renew(Renewal::Notes);
  emit selectionChanged(selected_);
}

/// Turns to the drawing that a value's tag hangs in.
void Table::reveal(const std::string& value) {
  if (stage_ == nullptr || value.empty() || rack_->hangingOf(value) != nullptr) return;
  if (const auto detail = detailWith(*stage_, document_.plan(), value);
      detail && *detail != detail_)
    open(*detail);
}

/// Takes a closer look, or turns back from one.
void Table::open(const std::string& view) {
  keepTyped();
  detail_ = view;
  panels_.resetView();
  renew(Renewal::Plan);
}

/// The places where a measure is read, the first that is still empty ready to be typed.
void Table::openReadings(const std::string& measure) {
  const std::string view = readingsView(*stage_, document_.plan(), measure);
  if (view.empty() || view == detail_) return;
  open(view);
  for (const HangingTag& hanging : rack_->hanging())
    if (readingPlace(*document_.plan().rules, hanging.tag->value()) &&
        tagContent(document_, hanging.tag->value()).text.isEmpty())
      return hanging.tag->takeFocus();
}

/// The entry of a length that has the focus, or is selected.
Tag* Table::measuredNow() const {
  for (const HangingTag& hanging : rack_->hanging()) {
    const bool isHere = hanging.tag->focusTarget()->hasFocus() || hanging.spot.subject == selected_;
    if (isHere && hanging.panel != nullptr &&
        isMeasuredLength(document_.plan(), hanging.tag->value()))
      return hanging.tag;
  }
  return nullptr;
}

void Table::typeAndKeep(const std::string& value, const QString& text) {
  reveal(value);
  Tag* tag = rack_->find(value);
  if (tag == nullptr) return;
  tag->takeFocus();
  tag->fill(text);
}

void Table::changeRule(const QString& formula) {
  notes_->askForRule();
  rules_->write(formula);
}

bool Table::takeReading(const QString& reading) {
  Tag* tag = measuredNow();
  if (tag == nullptr) return false;
  // At a place its way is told with it.
  const RuleSet& rules = *document_.plan().rules;
  const bool isPlace = readingPlace(rules, tag->value()).has_value();
  tag->fill(isPlace && rules.way(kCaliperWay) != nullptr
                ? reading + " " + wayWords(rules, kCaliperWay)
                : reading);
  return true;
}

bool Table::tellOfReading(const QString& words) {
  Tag* tag = measuredNow();
  if (tag != nullptr) editor_->tell(tag, words);
  return tag != nullptr;
}

/// Beside the tag that was said over, within the table.
void Table::placeGiving() {
  if (!giving_->isAsking()) return;
  const HangingTag* hanging = rack_->hangingOf(giving_->value());
  if (hanging == nullptr) return giving_->leave();
  const QRect tag = hanging->tag->geometry();
  const QSize size = giving_->sizeHint();
  int y = tag.bottom() + 6;
  if (y + size.height() > drawingArea().bottom()) y = tag.top() - size.height() - 6;
  const int x = std::clamp(tag.left(), 8, std::max(8, drawingArea().right() - size.width() - 8));
  giving_->setGeometry(x, std::max(4, y), size.width(), size.height());
  giving_->raise();
}

/// On the face of a block of which nothing is said yet.
void Table::placeWayIn() {
  const auto& shown = panels_.shown();
  const DrawingLabel* face = nullptr;
  const PlacedPanel* on = nullptr;
  for (const PlacedPanel& placed : shown)
    for (const DrawingLabel& label : placed.panel.drawing.labels)
      if (label.id == kFaceLabel) {
        face = &label;
        on = &placed;
      }
  const bool isNew = document_.job().given.empty();
  if (wayIn_ == nullptr && face != nullptr && isNew) {
    wayIn_ = new WayIn(document_, palette_, this);
    connect(wayIn_, &WayIn::changed, this, [this] { renew(Renewal::Plan); });
    connect(wayIn_, &WayIn::goOnAt, this, [this](const std::string& value) {
      if (value.empty()) return startTyping();
      reveal(value);
      if (Tag* tag = rack_->find(value)) tag->takeFocus();
    });
  }
  if (wayIn_ == nullptr) return;
  wayIn_->setVisible(face != nullptr && wayIn_->isAsking());
  if (face == nullptr || !wayIn_->isAsking()) return;
  const QSize size(wayIn_->width(), wayIn_->heightForWidth(wayIn_->width()));
  const QPointF middle = on->onTable(face->at);
  const QRect area = drawingArea();
  const int x = std::clamp(static_cast<int>(middle.x()) - size.width() / 2, 8,
                           std::max(8, area.right() - size.width() - 8));
  const int y = std::clamp(static_cast<int>(middle.y()) - size.height() / 2, 30,
                           std::max(30, area.bottom() - size.height()));
  wayIn_->setGeometry(x, y, size.width(), size.height());
  wayIn_->raise();
}

/// At the edge of the cover that can be turned, where there is one.
void Table::placeHandle() {
  const auto& shown = panels_.shown();
  const auto posed = std::find_if(shown.begin(), shown.end(), [](const PlacedPanel& placed) {
    return placed.panel.drawing.grip.has_value();
  });
  if (posed == shown.end()) {
    if (handle_ != nullptr) handle_->hide();
    if (handle_ != nullptr) handle_->stop();
    return;
  }
  if (handle_ == nullptr) {
    handle_ = new TurnHandle(palette_, this);
    connect(handle_, &TurnHandle::turned, this, &Table::turn);
  }
  const Grip& grip = *posed->panel.drawing.grip;
  const QSignalBlocker silent(handle_);
  handle_->setValue(static_cast<int>(std::lround(grip.turn)));
  handle_->hang(posed->onTable(grip.hinge), posed->onTable(grip.at));
}

/// Only what turns is drawn anew: no tag and no note hangs on it.
void Table::turn(double degrees) {
  pose_.turn = std::clamp(degrees, 0.0, 180.0);
  isPanned_ = false;
  for (std::size_t i = 0; i < panels_.shown().size(); ++i) {
    const StagePanel& panel = panels_.shown()[i].panel;
    if (panel.drawing.grip && panel.view != nullptr)
      panels_.redraw(i, drawView(*panel.view, document_.plan(), pose_));
  }
  placeHandle();
  update(drawingArea());
}

bool Table::takePose(const std::string& id) {
  if (id == kPosePlay) {
    for (const PlacedPanel& placed : panels_.shown())
      if (placed.panel.drawing.grip) handle_->play(placed.panel.drawing.grip->most);
    return true;
  }
  if (id == kPoseBoth) {
    pose_.isBoth = !pose_.isBoth;
    renew(Renewal::Plan);
    return true;
  }
  const bool isPose = id == kPoseClosed || id == kPoseHalf || id == kPoseOver;
  if (!isPose) return false;
  handle_->stop();
  turn(id == kPoseClosed ? 0.0 : id == kPoseHalf ? 90.0 : 180.0);
  return true;
}

void Table::setNotesFolded(bool folded) {
  if (isFolded_ == folded) return;
  isFolded_ = folded;
  renew(Renewal::Notes);
}

void Table::startTyping() {
  startsTyping_ = !isVisible();
  if (startsTyping_) return;
  for (const std::string& value : document_.missing()) {
    reveal(value);
    if (Tag* tag = rack_->find(value); tag != nullptr && tag->isVisibleTo(this))
      return tag->takeFocus();
  }
  if (!rack_->hanging().empty()) rack_->hanging().front().tag->takeFocus();
}

std::vector<const Tag*> Table::tags() const {
  std::vector<const Tag*> all;
  for (const HangingTag& hanging : rack_->hanging()) all.push_back(hanging.tag);
  return all;
}

std::vector<QRectF> Table::words() const {
  std::vector<QRectF> all;
  for (const PlacedPanel& placed : panels_.shown()) {
    if (!placed.panel.caption.isEmpty()) all.push_back(placed.captionRect());
    for (const DrawingLabel& label : placed.panel.drawing.labels)
      all.push_back(placed.labelRect(label));
  }
  return all;
}

QRect Table::ruleArea() const {
  const int height = static_cast<int>(kRuleEm * em());
  return {drawingArea().left(), this->height() - height, drawingArea().width(), height};
}

/// Whether the notes stand beside the drawing: not while folded away, and not where too little
/// would be left of the drawing.
bool Table::hasMargin() const {
  const bool isRoomLeft = width() - kNotesEm * em() >= kLeastDrawingEm * em();
  return notes_->isVisibleTo(this) && (!isFolded_ || isRoomLeft) && !showsMethods();
}

QRect Table::drawingArea() const {
  const int notes = hasMargin() ? static_cast<int>(kNotesEm * em()) : 0;
  const int rule = static_cast<int>(kRuleEm * em());
  // Where words run from right to left the margin is on the left.
  return {isRightToLeft() ? notes : 0, 0, std::max(200, width() - notes),
          std::max(150, height() - rule)};
}

/// In the margin, or floating on the side away from what they speak of.
void Table::placeNotes() {
  const int notes = static_cast<int>(kNotesEm * em());
  notes_->setFloating(!hasMargin());
  if (hasMargin())
    return notes_->setGeometry(isRightToLeft() ? 0 : width() - notes, 0, notes, height());
  int x = width() - notes - 8;
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.spot.subject == selected_ && hanging.tag->geometry().right() > x - 16) x = 8;
  notes_->setGeometry(x, 8, notes, std::min(notes_->heightFor(notes), height() - 16));
  notes_->raise();
}

void Table::showEvent(QShowEvent*) {
  renew(Renewal::Plan);
  if (startsTyping_) startTyping();
  startsTyping_ = false;
}

void Table::resizeEvent(QResizeEvent*) { renew(Renewal::Room); }

/// Nothing is laid out before it is seen: a start would do it several times over.
void Table::renew(Renewal from) {
  if (!isVisible() || stage_ == nullptr) return;
  // Nothing moves under a hand that holds it.
  if (drag_.isDragging()) return redrawWhereTheyStand();
  if (from <= Renewal::Notes)
    notes_->setVisible(!showsMethods() &&
                       (!isFolded_ || !selected_.empty() || document_.plan().has(Severity::Stop)));
  if (from <= Renewal::Room) takeDrawings();
  if (from <= Renewal::Notes) writeNotes();
  panels_.fit([this](const PlacedPanel& panel) { return rack_->roomAround(panel); });
  placeWayIn();
  placeTags();
  if (from <= Renewal::Room) placeNotes();
  placeGiving();
  placeHandle();
  paintAnew();
}

/// All but the notes beside the drawing, which paint themselves when they say something else: a
/// long note costs more than the drawing.
void Table::paintAnew() {
  isPanned_ = false;
  if (!hasMargin()) return update();
  constexpr int kTie = 3;  // how far ties reach into the margin
  const QRect notes = notes_->geometry();
  update(QRegion(rect()) -
         (isRightToLeft() ? notes.adjusted(0, 0, -kTie, 0) : notes.adjusted(kTie, 0, 0, 0)));
}

void Table::redrawWhereTheyStand() {
  for (std::size_t i = 0; i < panels_.shown().size(); ++i)
    if (const ViewRule* view = panels_.shown()[i].panel.view)
      panels_.redraw(i, drawView(*view, document_.plan(), pose_));
  rack_->hang(panels_.shown(), [this](const Subject& subject) { return contentOf(subject); });
  rack_->setSelected(selected_);
  placeTags();
  paintAnew();  // the notes wait until it is let go: what matters is told at the pointer
}

bool Table::showsMethods() const { return detail_ == kAllMethods; }

/// The methods beside one another in the drawings' place, and the way back.
void Table::placeMethods() {
  if (methods_ == nullptr) {
    methods_ = new MethodsSheet(document_, palette_, this);
    connect(methods_, &MethodsSheet::chosen, this,
            [this](const Subject& method) { takeUp(method.id); });
  }
  const int top = static_cast<int>(2.4 * em());
  methods_->setGeometry(drawingArea().adjusted(0, top, 0, 0));
  methods_->show();
  methods_->renew(methodsView(*stage_, document_.plan()));
}

void Table::takeUp(const std::string& method) {
  if (const auto issue = document_.keep("method", Entry{method, {}})) emit refused(*issue);
}

void Table::takeDrawings() {
  std::vector<StagePanel> all = stagePanels(*stage_, document_.plan(), detail_, pose_);
  if (showsMethods()) {
    StagePanel heading;
    heading.caption = tr("This book by every method");
    heading.links = {{methodsView(*stage_, document_.plan()), tr("back")}};
    all = {std::move(heading)};
    placeMethods();
  } else if (methods_ != nullptr) {
    methods_->hide();
  }
  panels_.take(std::move(all), drawingArea());
  rack_->hang(panels_.shown(), [this](const Subject& subject) { return contentOf(subject); });
  rack_->setSelected(selected_);
  placeSwitch();
  placeLinks();
}

/// The button with that number, made when it is first needed.
InkButton* Table::linkTo(const StageLink& link, std::size_t number) {
  if (number == links_.size()) {
    links_.push_back(new InkButton({}, palette_, this));
    connect(links_.back(), &QAbstractButton::clicked, this, [this, button = links_.back()] {
      if (takePose(button->objectName().section(QLatin1Char('.'), 1).toStdString())) return;
      selected_ = {};
      open(button->objectName().section(QLatin1Char('.'), 1).toStdString());
      emit selectionChanged(selected_);
    });
  }
  InkButton* button = links_[number];
  button->setObjectName("link." + QString::fromStdString(link.view));
  button->setText(link.words);
  button->setAccessibleName(link.words);
  return button;
}

/// Behind the captions; in further lines where one is too short.
void Table::placeLinks() {
  std::size_t used = 0;
  for (const PlacedPanel& placed : panels_.shown()) {
    const QRectF caption = placed.captionRect();
    const double gap = 1.4 * em(), left = caption.left();
    const double right = switch_->isVisibleTo(this) ? switch_->geometry().left() - gap
                                                    : drawingArea().right() - 12.0;
    double x = placed.panel.caption.isEmpty() ? left : caption.right() + gap;
    double y = caption.top() - 3;
    for (const StageLink& link : placed.panel.links) {
      InkButton* button = linkTo(link, used++);
      const QSize size = button->sizeHint();
      if (x > left && x + size.width() > right) {
        x = left;
        y += size.height();
      }
      button->setGeometry(static_cast<int>(x), static_cast<int>(y), size.width(), size.height());
      button->show();
      x += size.width() + gap;
    }
  }
  for (; used < links_.size(); ++used) links_[used]->hide();
}

void Table::placeTags() {
  std::vector<TagBox> taken;
  const auto take = [&taken](const QWidget* widget) {
    const QRect at = widget->geometry();
    taken.push_back({double(at.x()), double(at.y()), double(at.width()), double(at.height())});
  };
  if (panels_.isOneAtATime()) take(switch_);
  for (const InkButton* link : links_)
    if (link->isVisibleTo(this)) take(link);
  if (wayIn_ != nullptr && wayIn_->isVisibleTo(this)) take(wayIn_);
  rack_->place(panels_.shown(), ruleArea(), taken);
}

/// The command that brings the other drawing to the front.
void Table::placeSwitch() {
  switch_->setVisible(panels_.isOneAtATime());
  if (!panels_.isOneAtATime()) return;
  switch_->setText(tr("show: %1").arg(panels_.nextCaption()));
  switch_->setAccessibleName(switch_->text());
  const QSize size = switch_->sizeHint();
  const int left = drawingArea().right() - size.width() - 12;
  // Beside the caption, or below it where the line is too short for both.
  const QRectF caption = panels_.shown().empty() ? QRectF() : panels_.shown().front().captionRect();
  const int top = caption.right() + em() > left ? static_cast<int>(caption.bottom()) : 6;
  switch_->setGeometry(left, top, size.width(), size.height());
}

void Table::bringNextToFront() {
  keepTyped();
  panels_.bringNextToFront();
  renew(Renewal::Plan);
}

std::optional<std::pair<Tag::Kind, TagContent>> Table::contentOf(const Subject& subject) const {
  const auto kind = tagKind(document_.plan(), subject.id);
  if (!kind) return std::nullopt;
  TagContent content = tagContent(document_, subject.id);
  content.message = editor_->message(subject.id);
  return std::pair(*kind, std::move(content));
}

void Table::goOnFrom(Tag* tag) {
  const auto& hanging = rack_->hanging();
  const auto at = std::find_if(hanging.begin(), hanging.end(),
                               [tag](const HangingTag& h) { return h.tag == tag; });
  for (auto next = at == hanging.end() ? at : at + 1; next != hanging.end(); ++next)
    if (next->tag->isToBeSaid() && next->panel != nullptr) return next->tag->takeFocus();
  // The work goes on in the other drawing.
  if (panels_.isOneAtATime() && !panels_.isLast()) {
    bringNextToFront();
    if (!rack_->hanging().empty()) return rack_->hanging().front().tag->takeFocus();
  }
  select({});
  setFocus();
}

/// While a rule is being changed the notes stand still, so that its editor does.
void Table::writeNotes() {
  if (rules_->isOpen()) return;
  rules_->setParent(this);
  std::vector<std::string> shown;
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.panel != nullptr) shown.push_back(hanging.tag->value());
  notes_->setNotes(tableNotes(document_, *stage_, selected_, shown));
}

}  // namespace drapery
