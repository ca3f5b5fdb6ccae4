#include "app/table/table.h"

#include <QShortcut>
#include <QSignalBlocker>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/table/art_sheet.h"
#include "app/table/giving_list.h"
#include "app/table/kinds_sheet.h"
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

/// Before the place of a text of a rule, among what is being typed.
const std::string kOfRule = "rule/";

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
    rules_->leave();
    rack_->stopTyping([](const std::string&) { return false; });
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
  connect(giving_, &GivingList::refused, this, &Table::refused);
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
  rules_->leave();
  stage_ = &stage;
  selected_ = {};
  detail_.clear();
  panels_.resetView();
  renew(Renewal::Plan);
  emit selectionChanged(selected_);
}

/// A rule is only kept when that is said: it holds for all books.
void Table::keepTyped() {
  rack_->keepTyped();
  for (const auto& [link, sheet] : sheets_) sheet->keepTyped();
  if (wayIn_ != nullptr) wayIn_->keepTyped();
}

Table::TypedTexts Table::typed() const {
  TypedTexts texts;
  for (const HangingTag& hanging : rack_->hanging())
    if (const QString text = hanging.tag->typedText(); !text.isEmpty())
      texts.emplace_back(hanging.tag->value(), text);
  for (const RuleEdit& edit : rules_->typed()) {
    const RulePlace& place = edit.place;
    texts.emplace_back(kOfRule + place.list + "/" + place.id + "/" + place.key,
                       QString::fromStdString(*edit.text));
  }
  return texts;
}

void Table::typeAgain(const TypedTexts& texts) {
  for (const auto& [id, text] : texts) {
    if (id.starts_with(kOfRule)) {
      const QStringList place = QString::fromStdString(id).split('/');
      if (!rules_->isOpen()) notes_->askFor(place[1].toStdString(), place[2].toStdString());
      rules_->write(place[3].toStdString(), text);
      continue;
    }
    reveal(id);
    if (Tag* tag = rack_->find(id)) tag->typeAgain(text);
  }
}

void Table::select(const Subject& subject) {
  if (selected_ == subject) return;
  document_.endSteps();
  if (stage_ != nullptr && isCloserLook(*stage_, document_.plan(), subject.id))
    return open(subject.id);
  if (!rules_->isTyped()) rules_->leave();
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
  return notes_->isVisibleTo(this) && (!isFolded_ || isRoomLeft) && !showsSheet();
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
  handleHere_.reset();
  if (from <= Renewal::Notes)
    notes_->setVisible(!showsSheet() &&
                       (!isFolded_ || !selected_.empty() || document_.plan().has(Severity::Stop)));
  if (from <= Renewal::Room) takeDrawings();
  if (from <= Renewal::Notes) writeNotes();
  panels_.fit([this](const PlacedPanel& panel) { return rack_->roomAround(panel); });
  placeWayIn();
  placeTags();
  if (from <= Renewal::Room) placeNotes();
  placeGiving();
  placeHandle();
  paintAnew(from == Renewal::Pan);
}

/// All but the notes beside the drawing, which paint themselves when they say something else: a
/// long note costs more than the drawing.
void Table::paintAnew(bool isPanned) {
  isPanned_ = isPanned;
  if (!isPanned) picture_ = {};
  QRegion anew(rect());
  if (hasMargin()) {
    constexpr int kTie = 3;  // how far ties reach into the margin
    const QRect notes = notes_->geometry();
    anew -= isRightToLeft() ? notes.adjusted(0, 0, -kTie, 0) : notes.adjusted(kTie, 0, 0, 0);
  }
  update(isPanned ? anew - ruleArea() : anew);
}

/// Those drawings anew, each where it stands.
void Table::redraw(const std::function<bool(const Drawing&)>& which) {
  for (std::size_t i = 0; i < panels_.shown().size(); ++i) {
    const StagePanel& panel = panels_.shown()[i].panel;
    const Plan* plan = panel.isFormer ? document_.formerPlan() : &document_.plan();
    if (plan == nullptr || !which(panel.drawing)) continue;
    auto again = drawAgain(panel.drawing, *plan, pose_);
    if (again) panels_.redraw(i, worded(std::move(*again), *plan));
  }
}

void Table::redrawWhereTheyStand() {
  redraw([](const Drawing&) { return true; });
  rack_->hang(panels_.shown(), [this](const Subject& subject) { return contentOf(subject); });
  rack_->setSelected(selected_);
  placeTags();
  paintAnew();  // the notes wait until it is let go: what matters is told at the pointer
}

bool Table::showsSheet() const { return isSheet(detail_); }

TableSheet* Table::sheetNow() {
  if (!showsSheet()) return nullptr;
  TableSheet*& sheet = sheets_[detail_];
  if (sheet != nullptr) return sheet;
  if (detail_ == kAllMethods) {
    auto* methods = new MethodsSheet(document_, palette_, this);
    connect(methods, &MethodsSheet::chosen, this,
            [this](const Subject& method) { takeUp(method.id); });
    sheet = methods;
  } else if (detail_ == kAllKinds) {
    auto* kinds = new KindsSheet(document_, palette_, this);
    connect(kinds, &KindsSheet::chosen, this, [this](const Subject& method) { makeSo(method.id); });
    sheet = kinds;
  } else {
    auto* art = new ArtSheet(document_, palette_, trueScale_, this);
    connect(art, &ArtSheet::pagesWanted, this, &Table::pagesWanted);
    connect(art, &ArtSheet::pictureWanted, this, &Table::pictureWanted);
    sheet = art;
  }
  return sheet;
}

/// In the drawings' place, under the way back.
void Table::placeSheet() {
  const int top = static_cast<int>(2.4 * em());
  sheetNow()->setGeometry(drawingArea().adjusted(0, top, 0, 0));
  sheetNow()->show();
  sheetNow()->renew(sheetView(*stage_, document_.plan(), detail_));
}

void Table::takeUp(const std::string& method) {
  if (const auto issue = document_.keep("method", Entry{method, {}})) emit refused(*issue);
}

void Table::makeSo(const std::string& method) {
  if (const auto issue = document_.makeKind(method)) return emit refused(*issue);
  if (wayIn_ != nullptr) wayIn_->begin();
  open({});
}

void Table::takeDrawings() {
  const Plan& plan = document_.plan();
  const Plan* former = document_.formerPlan();
  std::vector<StagePanel> all =
      former != nullptr ? triedPanels(*stage_, plan, *former, detail_, rules_->rule(), pose_)
                        : stagePanels(*stage_, plan, detail_, pose_);
  for (const auto& [link, sheet] : sheets_)
    if (link != detail_) sheet->hide();
  if (TableSheet* sheet = sheetNow(); sheet != nullptr) {
    StagePanel heading;
    heading.caption = sheet->heading();
    heading.links = {{sheetView(*stage_, document_.plan(), detail_), tr("back")}};
    all = {std::move(heading)};
    placeSheet();
  }
  QStringList captions;
  for (const StagePanel& panel : all) captions << panel.caption;
  setAccessibleDescription(captions.join("; "));
  panels_.take(std::move(all), drawingArea());
  rack_->hang(panels_.shown(), [this](const Subject& subject) { return contentOf(subject); });
  rack_->setSelected(selected_);
  placeSwitch();
  placeLinks();
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
  if (rules_->parentWidget() != this) rules_->setParent(this);
  std::vector<std::string> shown;
  for (const HangingTag& hanging : rack_->hanging())
    if (hanging.panel != nullptr) shown.push_back(hanging.tag->value());
  notes_->setNotes(tableNotes(document_, *stage_, selected_, shown));
}

}  // namespace drapery
