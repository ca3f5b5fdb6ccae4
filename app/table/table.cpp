#include "app/table/table.h"

#include <QKeyEvent>
#include <QPainter>
#include <QScopedValueRollback>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

#include "app/table/graduated_rule.h"
#include "app/words/notes_text.h"
#include "app/words/window_words.h"
#include "core/drawing/tag_layout.h"
#include "core/quantity/parse_length.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kNotesEm = 21.0;
constexpr double kRuleEm = 3.2;
constexpr double kApart = 4.0;
constexpr double kPanelWords = 13.0;
constexpr double kLargestZoom = 12.0;
constexpr double kSmallestZoom = 0.4;

double em() { return 14.0 * fontScale(); }

TagBox boxOf(const QRectF& rect) { return {rect.x(), rect.y(), rect.width(), rect.height()}; }

QPointF nearestOn(const QRectF& rect, QPointF to) {
  return {std::clamp(to.x(), rect.left(), rect.right()),
          std::clamp(to.y(), rect.top(), rect.bottom())};
}

/// Whether more keys can make it sound: too small so far, or a fraction or unit half written.
bool couldBecomeSound(const Issue& issue, const QString& text) {
  if (issue.id == "length-empty") return true;
  if (issue.id == "value-out-of-range") {
    double value = 0.0, least = 0.0;
    for (const auto& [key, argument] : issue.arguments) {
      const auto* figure = std::get_if<Figure>(&argument);
      if (key == "least" && figure != nullptr) least = figure->value;
    }
    const auto parsed = parseLength(text.toStdString(), Units::Millimetres);
    if (const auto* length = std::get_if<Length>(&parsed)) value = length->mm();
    return value >= 0.0 && value < least;
  }
  for (const char* more : {"1", "1/2", "m", "n", "/2"})
    if (std::holds_alternative<Length>(parseLength(text.toStdString() + more, Units::Millimetres)))
      return true;
  return false;
}

TagBox drawingBox(const Drawing& drawing, const QTransform& toTable) {
  const Box box = boundsOf(drawing);
  return boxOf(toTable.mapRect(QRectF(QPointF(box.left, box.bottom), QPointF(box.right, box.top))));
}

/// Whether `cut` is the rounded form of a part's size that is simply the value `node`.
bool isSizeOf(const Plan& plan, const ValueNode& cut, std::size_t node) {
  if (cut.uses.size() != 1) return false;
  const ValueNode& size = plan.method->nodes[cut.uses.front()];
  return size.uses.size() == 1 && size.uses.front() == node &&
         size.formula.text == plan.method->nodes[node].name;
}

/// A piece's exact size also tells what the rule in hand makes of it.
void addCutSize(TagContent& content, const Plan& plan, std::size_t node) {
  for (const ValueNode& other : plan.method->nodes) {
    const bool isCutOfIt =
        other.source == ValueNode::Source::CutSize && isSizeOf(plan, other, node);
    const auto cut = isCutOfIt ? plan.length(other.name) : std::nullopt;
    if (!cut || content.text.isEmpty()) continue;
    const QString words = bareWords(*cut, windowNotation(plan));
    if (words != content.text) content.unit += Table::tr(", cut %1").arg(words);
    return;
  }
}

QString labelWords(const std::string& id) {
  if (id == "view.face") return Table::tr("the face");
  if (id == "view.spine") return Table::tr("the spine");
  if (id == "view.head") return Table::tr("the head");
  if (id == "view.board") return Table::tr("a board, from its edge");
  return {};
}

QString panelWords(const std::string& id) {
  if (id == "joint") return Table::tr("The joint of the closed book, cut through");
  if (id == "flat-case") return Table::tr("The case laid flat, inside up");
  return {};
}

bool isRuleValue(const std::string& value) { return value == "units" || value == "round"; }

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
  writeNotes();
  const int notes = static_cast<int>(kNotesEm * em());
  notes_->setGeometry(width() - notes, 0, notes, height());
  takePanels();
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

std::optional<Tag::Kind> Table::kindOf(const std::string& value) const {
  if (value == "method" || value == "units") return Tag::Kind::Choice;
  if (value == "round") return Tag::Kind::Entry;
  const Plan& plan = document_.plan();
  const auto node = plan.method->find(value);
  if (!node) return std::nullopt;
  const ValueNode& of = plan.method->nodes[*node];
  if (of.source != ValueNode::Source::Input)
    return std::isnan(plan.values[*node]) ? std::nullopt : std::optional(Tag::Kind::Figure);
  const InputRule& rule = plan.method->inputs[of.rule];
  if (rule.kind != InputKind::Choice) return Tag::Kind::Entry;
  return rule.options.size() > 1 ? std::optional(Tag::Kind::Choice) : std::nullopt;
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
    const auto kind = kindOf(spot.value);
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
  const QFontMetrics metrics(textFont(kPanelWords));
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
  TagContent content;
  const Plan& plan = document_.plan();
  const Job& job = document_.job();
  if (const auto message = messages_.find(value); message != messages_.end())
    content.message = message->second;
  for (const PlannedFinding& finding : plan.findings) {
    const auto& touches = finding.rule->touches;
    if (std::find(touches.begin(), touches.end(), value) == touches.end()) continue;
    if (!content.severity || finding.rule->severity < *content.severity)
      content.severity = finding.rule->severity;
  }
  if (value == "units") {
    content.caption = tr("measured in");
    content.options = {tr("mm"), tr("inches")};
    content.text = content.options[job.units == Units::Inches ? 1 : 0];
    return content;
  }
  if (value == "round") {
    content.caption = tr("cut to");
    content.text = bareWords(plan.mark, windowNotation(plan));
    content.unit = plan.units == Units::Inches ? "in" : "mm";
    content.isSupposed = !job.round.has_value();
    return content;
  }
  if (value == "method") {
    content.caption = tr("how the boards stand");
    for (const std::string& id : document_.library().ids())
      content.options << document_.methodTitle(id);
    content.text = document_.methodTitle(job.method);
    return content;
  }
  const std::size_t node = *plan.method->find(value);
  const ValueNode& of = plan.method->nodes[node];
  content.caption = QString::fromStdString(plan.method->titleOf(node).text);
  content.text = valueWords(plan, node);
  content.unit = unitWords(plan, node);
  addCutSize(content, plan, node);
  if (of.source != ValueNode::Source::Input) return content;
  const InputRule& rule = plan.method->inputs[of.rule];
  content.isSupposed = !plan.entered[node];
  if (rule.kind == InputKind::Choice) {
    for (const LocalText& title : rule.optionTitles)
      content.options << QString::fromStdString(title.text);
    const std::string chosen(plan.choice(value));
    for (std::size_t i = 0; i < rule.options.size(); ++i)
      if (rule.options[i] == chosen) content.text = content.options[static_cast<qsizetype>(i)];
  } else if (content.text.isEmpty() && !rule.ask.text.empty()) {
    content.caption = QString::fromStdString(rule.ask.text);
    content.placeholder = tr("type it");
  }
  return content;
}

void Table::writeNotes() {
  std::vector<std::string> shown;
  for (const StagePanel& panel : stagePanels(stage_, document_.plan()))
    for (const TagSpot& spot : panel.drawing.tags)
      if (kindOf(spot.value)) shown.push_back(spot.value);
  std::vector<NoteContent> notes;
  NoteContent why = whyNote(document_, selected_.toStdString());
  if (!why.heading.isEmpty()) notes.push_back(std::move(why));
  for (NoteContent& finding : findingNotes(document_.plan(), shown))
    notes.push_back(std::move(finding));
  if (selected_.isEmpty() || selected_ == "method")
    notes.insert(notes.begin(), methodNote(document_));
  NoteContent trial = trialNote(document_.plan());
  if (stage_ == Stage::Case && !trial.heading.isEmpty()) notes.push_back(std::move(trial));
  notes_->setNotes(notes);
}

// --- edits
// ------------------------------------------------------------------------------------------

std::string Table::fieldOfTag(const Tag& tag) const {
  if (isRuleValue(tag.value()) || tag.value() == "method") return tag.value();
  const InputRule* rule = document_.plan().method->input(tag.value());
  return rule != nullptr ? fieldOf(*rule) : std::string();
}

FieldValue Table::valueOf(const std::string& field, const QString& text) const {
  std::string written = text.trimmed().toStdString();
  if (written.empty()) return std::nullopt;  // back to the usual value
  const InputRule* rule = document_.plan().method->input(field.substr(field.find('/') + 1));
  const bool isLength = field == "round" || (rule != nullptr && rule->kind == InputKind::Length);
  // A bare number in the window is in the unit in use; the file says which.
  if (isLength) return Entry{lengthWithUnit(written, document_.job().units), {}};
  std::replace(written.begin(), written.end(), ',', '.');
  return Entry{written, {}};
}

void Table::showMessage(Tag* tag, const Issue& issue) {
  Issue named = issue;
  for (auto& [key, argument] : named.arguments)
    if (key == "name") argument = contentOf(tag->value()).caption.toStdString();
  messages_[tag->value()] = issueText(named, windowNotation(document_.plan()));
  refresh();
}

void Table::onTyped(Tag* tag, const QString& text) {
  const std::string field = fieldOfTag(*tag);
  messages_.erase(tag->value());
  const auto issue = document_.preview(field, valueOf(field, text));
  if (!issue) return;
  // "2" on the way to "210" and "8 1/" on the way to "8 1/4" are not mistakes yet.
  if (couldBecomeSound(*issue, text)) return refresh();
  showMessage(tag, *issue);
}

void Table::onKept(Tag* tag, const QString& text, bool goOn) {
  if (!tag->isTyping()) {
    if (goOn) goOnFrom(tag);
    return;
  }
  const std::string field = fieldOfTag(*tag);
  const auto issue = document_.keep(field, valueOf(field, text));
  if (issue && goOn) return showMessage(tag, *issue);
  messages_.erase(tag->value());
  tag->stopTyping();
  document_.endPreview();
  if (goOn) goOnFrom(tag);
}

void Table::onStepped(Tag* tag, int marks) {
  tag->keepTyped();
  const std::string field = fieldOfTag(*tag);
  const Plan& plan = document_.plan();
  const auto present = plan.length(tag->value());
  const InputRule* rule = plan.method->input(tag->value());
  if (!present || rule == nullptr || rule->kind != InputKind::Length) return;
  const Length step = plan.mark * marks;
  const Rounding toward = marks > 0 ? Rounding::Down : Rounding::Up;
  const Length next = roundTo(*present, plan.mark, toward) + step;
  const std::string written = formatExact(next, document_.job().units);
  if (const auto issue = document_.keep(field, Entry{written, {}})) showMessage(tag, *issue);
  tag->takeFocus();
}

void Table::onChosen(Tag* tag, int option) {
  const std::string field = fieldOfTag(*tag);
  const auto index = static_cast<std::size_t>(option);
  const std::vector<std::string> options =
      field == "units"    ? std::vector<std::string>{"mm", "in"}
      : field == "method" ? document_.library().ids()
                          : document_.plan().method->input(tag->value())->options;
  if (index >= options.size()) return;
  document_.keep(field, Entry{options[index], {}});
}

void Table::goOnFrom(Tag* tag) {
  const auto at = std::find_if(hanging_.begin(), hanging_.end(),
                               [tag](const Hanging& h) { return h.tag == tag; });
  for (auto next = at == hanging_.end() ? at : at + 1; next != hanging_.end(); ++next)
    if (next->tag->kind() != Tag::Kind::Figure && next->panel != nullptr)
      return next->tag->takeFocus();
  select({});
  setFocus();
}

// --- painting
// ---------------------------------------------------------------------------------------

void Table::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.ground);
  const PaintStyle style{&palette_, selected_};
  painter.setClipRect(drawingArea());
  for (const Placed& placed : panels_)
    paintDrawing(painter, placed.panel.drawing, placed.toTable, style);
  paintWords(painter);
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setPen(QPen(palette_.secondInk, 0.8));
  for (const Hanging& hanging : hanging_) {
    if (hanging.panel == nullptr) continue;
    painter.drawLine(hanging.anchor, nearestOn(hanging.tag->geometry(), hanging.anchor));
  }
  painter.setClipping(false);
  paintTies(painter);
  paintRule(painter);
}

void Table::paintWords(QPainter& painter) {
  painter.setPen(palette_.secondInk);
  for (const Placed& placed : panels_) {
    painter.setFont(textFont(kPanelWords));
    painter.drawText(captionRect(placed), Qt::AlignLeft | Qt::AlignTop | Qt::TextDontClip,
                     panelWords(placed.panel.drawing.id));
    painter.setFont(textFont(12));
    for (const DrawingLabel& label : placed.panel.drawing.labels) {
      const QPointF at = placed.toTable.map(QPointF(label.at.x, label.at.y));
      painter.drawText(QRectF(at - QPointF(120, 10), QSizeF(240, 20)), Qt::AlignCenter,
                       labelWords(label.id));
    }
  }
}

void Table::paintTies(QPainter& painter) {
  if (!notes_->isVisibleTo(this)) return;
  painter.setRenderHint(QPainter::Antialiasing);
  const double x = notes_->geometry().left() - 6;
  for (const auto& [subject, y] : notes_->ties()) {
    const auto hanging = std::find_if(
        hanging_.begin(), hanging_.end(),
        [&s = subject](const auto& h) { return QString::fromStdString(h.tag->value()) == s; });
    if (hanging == hanging_.end() || hanging->panel == nullptr) continue;
    const QRectF tag = hanging->tag->geometry();
    const QPointF from(tag.right() + 1, tag.center().y());
    const QPointF elbow(std::max(from.x(), x - 16), from.y());
    painter.setPen(QPen(palette_.accent, 0.9));
    painter.drawPolyline(QPolygonF{from, elbow, QPointF(x, y), QPointF(x + 8, y)});
  }
}

void Table::paintRule(QPainter& painter) {
  const QRect area = ruleArea();
  int from = area.left();
  for (const Hanging& hanging : hanging_)
    if (hanging.panel == nullptr) from = std::max(from, hanging.tag->geometry().right() + 16);
  const QTransform& scale = panels_.back().toTable;
  paintGraduatedRule(painter,
                     QRectF(QPointF(from, area.top()), QPointF(area.right() - 8, area.bottom())),
                     scale.m11(), document_.plan().units, palette_);
}

// --- the view
// ---------------------------------------------------------------------------------------

void Table::resizeEvent(QResizeEvent*) { refresh(); }

void Table::resetView() {
  zoom_ = 1.0;
  pan_ = {};
}

void Table::zoomBy(double factor, QPointF about) {
  const double before = zoom_;
  zoom_ = std::clamp(zoom_ * factor, kSmallestZoom, kLargestZoom);
  const double scale = zoom_ / before;
  const QPointF middle = QRectF(drawingArea()).center() + pan_;
  pan_ += (about - middle) * (1 - scale);
  if (std::abs(zoom_ - 1.0) < 0.02) resetView();
  refresh();
}

void Table::panBy(QPointF by) {
  pan_ += by;
  refresh();
}

void Table::wheelEvent(QWheelEvent* event) {
  if (!drawingArea().contains(event->position().toPoint())) return QWidget::wheelEvent(event);
  zoomBy(std::pow(1.0015, event->angleDelta().y()), event->position());
  event->accept();
}

void Table::mousePressEvent(QMouseEvent* event) {
  if (isSpaceDown_ || event->button() == Qt::MiddleButton) {
    dragFrom_ = event->position();
    setCursor(Qt::ClosedHandCursor);
    return;
  }
  setFocus();
  for (auto placed = panels_.rbegin(); placed != panels_.rend(); ++placed) {
    const QPointF at = placed->toTable.inverted().map(event->position());
    const auto& shapes = placed->panel.drawing.shapes;
    for (auto shape = shapes.rbegin(); shape != shapes.rend(); ++shape) {
      if (!shape->isClosed || shape->subject.empty()) continue;
      QPolygonF polygon;
      for (const Point& p : shape->points) polygon << QPointF(p.x, p.y);
      if (polygon.containsPoint(at, Qt::OddEvenFill))
        return select(QString::fromStdString(shape->subject));
    }
  }
  select({});
}

void Table::mouseMoveEvent(QMouseEvent* event) {
  if (!dragFrom_) return;
  const QPointF by = event->position() - *dragFrom_;
  dragFrom_ = event->position();
  panBy(by);
}

void Table::mouseReleaseEvent(QMouseEvent*) {
  dragFrom_.reset();
  unsetCursor();
}

void Table::keyPressEvent(QKeyEvent* event) {
  const QPointF middle = QRectF(drawingArea()).center();
  const bool isControl = (event->modifiers() & Qt::ControlModifier) != 0;
  constexpr double kPan = 40.0;
  switch (event->key()) {
    case Qt::Key_Space:
      isSpaceDown_ = true;
      return;
    case Qt::Key_Plus:
    case Qt::Key_Equal:
      return zoomBy(1.25, middle);
    case Qt::Key_Minus:
      return zoomBy(0.8, middle);
    case Qt::Key_0:
      resetView();
      return refresh();
    case Qt::Key_Escape:
      return select({});
    case Qt::Key_Left:
      if (isControl) return panBy({kPan, 0});
      break;
    case Qt::Key_Right:
      if (isControl) return panBy({-kPan, 0});
      break;
    case Qt::Key_Up:
      if (isControl) return panBy({0, kPan});
      break;
    case Qt::Key_Down:
      if (isControl) return panBy({0, -kPan});
      break;
    default:
      break;
  }
  QWidget::keyPressEvent(event);
}

void Table::keyReleaseEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Space && !event->isAutoRepeat()) isSpaceDown_ = false;
  QWidget::keyReleaseEvent(event);
}

}  // namespace drapery
