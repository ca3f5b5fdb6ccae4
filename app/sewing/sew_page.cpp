#include "app/sewing/sew_page.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/sewing/move_slider.h"
#include "app/sewing/sew_desk.h"
#include "app/sewing/sew_tags.h"
#include "app/sewing/strip_view.h"
#include "app/sewing/thread_bar.h"
#include "app/words/window_words.h"
#include "app/workspace/stock_room.h"
#include "app/workspace/workspace.h"
#include "paint/fonts.h"
#include "paint/link_painter.h"
#include "paint/tapes_painter.h"
#include "words/issue_words.h"
#include "words/sewing_text.h"

namespace drapery {

namespace {

constexpr double kMarginEm = 24.0, kNarrowMarginEm = 19.0;
constexpr int kEdge = 18;
constexpr double kWordsPixels = 22.0;  // readable from where the hands are
/// On the bench's ground from two metres too: capitals of some 7 mm (common practice, an inch for
/// 25 feet).
constexpr double kWordsPixelsAfar = 38.0;

std::string translated(const char* english) {
  return QCoreApplication::translate("Sewing", english).toStdString();
}

}  // namespace

SewPage::SewPage(Workspace& workspace, const Palette& palette, QWidget* parent)
    : StagePage(parent),
      workspace_(workspace),
      document_(workspace.book()),
      palette_(palette),
      margin_(new MarginColumn("sew.margin", palette, this)),
      strip_(new StripView(palette, this)),
      tags_(new SewTags(document_, workspace.sewing(), palette, strip_)),
      thread_(new ThreadBar(palette, this)),
      words_(inkLabel({}, kWordsPixels, palette.ink, this, true)),
      aside_(inkLabel({}, kCaptionPixels, palette.secondInk, this)),
      slider_(new MoveSlider(palette, this)),
      entry_(new QLineEdit(this)) {
  dress();
  makeCommands();
  connect(slider_, &QSlider::valueChanged, this,
          [this](int value) { goTo(static_cast<std::size_t>(value)); });
  connect(entry_, &QLineEdit::returnPressed, this, &SewPage::readEntry);
  connect(strip_, &StripView::holePressed, this,
          [this](int hole) { pressHole(static_cast<std::size_t>(hole)); });
  connect(strip_, &StripView::edgePressed, this, &SewPage::pressEdge);
  connect(tags_, &SewTags::stale, this, [this] {
    tags_->setSewn(book_);
    showMove();
  });
  connect(tags_, &SewTags::noteChanged, this, &SewPage::writeMargin);
  connect(tags_, &SewTags::done, this, qOverload<>(&QWidget::setFocus));
  connect(tags_, &SewTags::refused, this, &SewPage::refused);
  connect(&workspace_.stock(), &StockRoom::changed, this, [this] {
    if (isVisible() && !tags_->isTyping()) writeMargin();
  });
  connect(&workspace_.sewing(), &SewDesk::changed, this, [this] {
    isStale_ = true;
    if (isVisible()) renew();
  });
}

void SewPage::dress() {
  setObjectName("sew");
  setFocusPolicy(Qt::StrongFocus);
  setAccessibleName(tr("How it is sewn"));
  words_->setObjectName("sew.words");
  words_->setWordWrap(true);
  words_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  aside_->setObjectName("sew.aside");
  aside_->setWordWrap(true);
  slider_->setObjectName("sew.slider");
  slider_->setAccessibleName(tr("Moves"));
  slider_->setFocusPolicy(Qt::StrongFocus);
  entry_->setObjectName("sew.entry");
  entry_->setAccessibleName(tr("The next step"));
  entry_->setFont(textFont(15.0, true));
  entry_->installEventFilter(this);
  dressEntry(entry_, palette_, palette_.ink, palette_.secondInk);
}

void SewPage::makeCommands() {
  const auto command = [this](const char* name, const QString& words, const QString& keys,
                              auto act) {
    auto* button = new InkButton(words, palette_, this);
    button->setObjectName(QString("sew.") + name);
    button->setHint(keys);
    hints_.push_back(keys);
    connect(button, &QAbstractButton::clicked, this, act);
    commands_.push_back(button);
  };
  command("first", tr("begin"), tr("Home"), [this] { goTo(0); });
  command("back", tr("back"), tr("Left"), [this] { goTo(at() > 0 ? at() - 1 : 0); });
  command("next", tr("next"), tr("Space"), [this] { goTo(at() + 1); });
  command("last", tr("end"), tr("End"), [this] { goTo(last()); });
  command("here", tr("here"), tr("Return"), [this] { sayHere(); });
  commands_.back()->setAccessibleName(tr("Here it went wrong"));
}

Notation SewPage::notation() const { return windowNotation(document_.plan()); }

void SewPage::renew() {
  isStale_ = isPictured_ = false;
  const auto before = std::exchange(book_, workspace_.sewing().sewn());
  moves_ = sewMoves(*book_);
  recallPlace();
  move_ = std::min(move_, moves_.size());
  if (stab() == nullptr) isPractice_ = false;
  // Another finish or a thicker book takes nothing away from what is practised.
  const auto* old = std::get_if<SewnStab>(&before->sewn);
  const bool isSame = old != nullptr && stab() != nullptr &&
                      old->graph.stretches == stab()->graph.stretches &&
                      old->graph.wraps == stab()->graph.wraps;
  if (stab() != nullptr)
    practice_.begin(*book_, isSame ? practice_.made() : std::vector<SewToken>());
  else
    practice_.end();
  tags_->setSewn(book_);
  writeThread();
  if (!tags_->isTyping()) writeMargin();
  place();
  showMove();
}

void SewPage::keepTyped() {
  if (!tags_->isTyping()) return;
  if (isStale_) renew();  // the book may be of another kind by now
  tags_->keepTyped();
}

SewPage::TypedTexts SewPage::typed() const {
  TypedTexts texts;
  for (const Tag* tag : tags_->all())
    if (const QString text = tag->typedText(); !text.isEmpty())
      texts.emplace_back(tag->value(), text);
  return texts;
}

void SewPage::typeAgain(const TypedTexts& texts) {
  for (const auto& [value, text] : texts)
    for (Tag* tag : tags_->all())
      if (tag->value() == value) tag->typeAgain(text);
}

/// The slider and its commands over what is gone through.
void SewPage::showPlayer(bool isShown) {
  const QSignalBlocker quiet(slider_);
  slider_->setRange(0, static_cast<int>(last()));
  slider_->setValue(static_cast<int>(at()));
  slider_->setVisible(isShown);
  for (InkButton* each : commands_) each->setVisible(isShown);
  const bool isAsked = isShown && isPractice_;
  const bool isOther = commands_.back()->isHidden() == isAsked;
  commands_.back()->setVisible(isAsked);
  if (isOther) place();
  markTurnings();
}

void SewPage::markTurnings() {
  std::vector<int> marks;
  if (const SewnStab* sewn = isPractice_ ? nullptr : stab())
    for (const std::size_t step : turnings(sewn->graph, sewn->trail.steps))
      for (std::size_t i = 0; i < moves_.size(); ++i)
        if (moves_[i] == step) marks.push_back(static_cast<int>(i + 1));
  slider_->setMarks(std::move(marks));
}

/// Where one was when the window was shut: "ID 12". Of the book that was sewn last.
void SewPage::recallPlace() {
  const std::string& id = document_.job().id;
  if (id == placeOf_) return;
  placeOf_ = id;
  move_ = 0;
  const QStringList kept =
      QString::fromStdString(workspace_.settings().text("sewing_at")).split(' ');
  if (kept.size() == 2 && kept[0].toStdString() == id) move_ = kept[1].toULong();
}

QString SewPage::words() const { return words_->text(); }

/// What is gone through: the moves, or what somebody has sewn.
std::size_t SewPage::at() const { return isPractice_ ? practice_.lookedAt() : move_; }
std::size_t SewPage::last() const { return isPractice_ ? practice_.toLookAt() : moves_.size(); }

void SewPage::goTo(std::size_t move) {
  if (isPractice_)
    practice_.lookAt(move);
  else
    move_ = std::min(move, moves_.size());
  showMove();
}

QString SewPage::moveAside(std::size_t move) const {
  return tr("Move %1 of %2.").arg(move).arg(moves_.size());
}
QString SewPage::tieComesOff(std::size_t hole) {
  return tr("The tie at hole %1 comes off before.").arg(hole);
}

void SewPage::showMove() {
  if (isPractice_) return showPractice();
  strip_->offerHoles({}, Face::Front);
  thread_->show();
  const bool hasMoves = !moves_.empty();
  showPlayer(hasMoves);
  entry_->setVisible(false);
  if (!hasMoves) {
    words_->setText(whyNot());
    aside_->clear();
    strip_->clear();
    tags_->hang(nullptr);
    return;
  }
  words_->setText(move_ == 0 ? tr("Ready to sew, in %1 moves.").arg(moves_.size())
                             : QString::fromStdString(
                                   moveWords(*book_, moves_[move_ - 1], notation(), translated)));
  QString aside = move_ == 0 ? QString() : moveAside(move_);
  const SewnStab* sewn = stab();
  if (sewn != nullptr) {
    const std::size_t present = move_ == 0 ? 0 : moves_[move_ - 1];
    const std::size_t done = stepsDone();
    if (move_ == 0)
      aside = tr("First tie the stack at holes %1.").arg(QString::fromStdString(tiedHoles(*sewn)));
    for (const Tie& tie : sewn->ties)
      if (move_ > 0 && tie.offBefore > present && tie.offBefore <= done)
        aside += " " + tieComesOff(tie.hole + 1);
    if (tags_->isHung(isFromBack_)) {
      strip_->goTo(done, present);
    } else {
      StitchPicture picture = pictureOf(sewn->trail.steps);
      picture.done = done;
      picture.present = present;
      addLands(picture);
      tags_->hang(&picture);
      strip_->show(picture);
    }
    strip_->setAccessibleDescription(words_->text());
  } else {
    tags_->hang(nullptr);
    showSections();
  }
  aside_->setText(aside.trimmed());
  fitWords();
  thread_->setDone(stepsDone());
  workspace_.settings().set("sewing_at", document_.job().id + " " + std::to_string(move_));
}

/// There is nothing to be shown.
QString SewPage::whyNot() const {
  if (!document_.missing().empty()) return tr("The sewing waits for the measures.");
  if (!book_->missing.empty())
    return QString::fromStdString(sewingWaits(*book_, notation(), translated));
  const Issues& issues = book_->issues;
  return issues.empty() ? QString()
                        : QString::fromStdString(issueWords(issues.front(), notation()));
}

/// Before its steps are shown as done; this book's sizes, and from which side.
StitchPicture SewPage::pictureOf(const std::vector<SewStep>& steps) const {
  StitchPicture picture;
  picture.graph = &stab()->graph;
  picture.steps = &steps;
  picture.thickness = stab()->plan.number("sewn_thickness").value_or(1.0);
  picture.hole = stab()->plan.number("hole_diameter").value_or(1.0);
  picture.passes = stab()->passes;
  picture.isFromBack = isFromBack_;
  return picture;
}

/// Where there is plenty nobody looks for it.
void SewPage::addLands(StitchPicture& picture) const {
  constexpr double kPlenty = 3.0;  // punches
  const double punch = stab()->plan.number("punch_diameter").value_or(0.0);
  for (StripLand& land : stripLands(*stab())) {
    if (!land.severity && land.left > kPlenty * punch) continue;
    const Length left = Length::fromMm(land.left);
    picture.lands.push_back({std::move(land), bareWords(left, notation())});
  }
}

/// Of all moves so far.
std::size_t SewPage::stepsDone() const {
  if (move_ == 0) return 0;
  if (move_ < moves_.size()) return moves_[move_];
  return stab() != nullptr ? stab()->trail.steps.size() : moves_.size();
}

/// Linked or over tapes: a move is a step.
void SewPage::showSections() {
  const auto* sewn = std::get_if<SewnTapes>(&book_->sewn);
  const int top = sewn != nullptr ? topSection(*sewn, move_, strip_->pictureRoom()) : 1;
  if (std::exchange(topSection_, top) != top) isPictured_ = false;
  if (!std::exchange(isPictured_, true))
    strip_->show([this](QPainter& painter, const SewnPart& part, const QRectF& room) {
      if (const auto* link = std::get_if<SewnLink>(&book_->sewn))
        paintLink(painter, *link, part, room, palette_);
      if (const auto* tapes = std::get_if<SewnTapes>(&book_->sewn))
        paintTapes(painter, *tapes, part, topSection(*tapes, move_, room), room, palette_);
    });
  strip_->goTo(move_, move_ > 0 ? move_ - 1 : 0);
  strip_->setAccessibleDescription(words_->text());
}

void SewPage::writeThread() {
  ThreadBar::Lengths lengths;
  const Plan* sewn = book_->plan();
  if (sewn == nullptr) return thread_->setLengths(lengths);
  const auto words = [&](double mm) { return QString::fromStdString(threadWords(mm, notation())); };
  lengths.byRule = sewn->number("thread_rule").value_or(0.0);
  if (lengths.byRule > 0.0) lengths.ruleWords = tr("rule of thumb %1").arg(words(lengths.byRule));
  lengths.pieces = threadParts(*book_);
  const auto kinds = threadByKind(lengths.pieces);
  double needed = 0.0;
  for (const double kind : kinds) needed += kind;
  lengths.words =
      lengths.pieces.size() > 1
          ? tr("%1 of thread in %2 pieces").arg(words(needed)).arg(lengths.pieces.size())
          : tr("%1 of thread").arg(words(needed));
  const double step = notation().units == Units::Inches ? kMmPerInch / 4.0 : 1.0;
  const auto about = [&](double mm) {
    return lengthWords(Length::fromMm(std::max(1.0, std::round(mm / step)) * step), notation());
  };
  const QString told[ThreadPart::kKinds]{tr("tails %1"), tr("along %1"), tr("round edges %1"),
                                         tr("through %1"), tr("knots %1")};
  for (std::size_t i = 0; i < kinds.size(); ++i)
    lengths.kinds << (kinds[i] > 0.0 ? told[i].arg(about(kinds[i])) : QString());
  thread_->setLengths(lengths);
}

void SewPage::select(const Subject& subject) {
  const QString id = QString::fromStdString(subject.id);
  if (id == "practice") setPractice(true);
  for (const auto& [name, kind] : kDrills)
    if (id == name) {
      setPractice(true);
      setDrill(kind);
    }
  if (id.startsWith("step/")) goTo(id.mid(5).toULong());
  if (Tag* tag = tags_->tagFor(subject.id)) tag->takeFocus();
  if (!(subject == selected_)) {
    selected_ = subject;
    emit selectionChanged(subject);
  }
}

Subject SewPage::closerLook() const {
  return Subject::field(isPractice_ ? "practice" : "step/" + std::to_string(move_));
}

void SewPage::typeAndKeep(const std::string& value, const QString& text) {
  if (Tag* tag = tags_->tagFor(value)) return tag->fill(text);
  if (!isPractice_) setPractice(true);
  entry_->setText(text);
  readEntry();
}

void SewPage::setNotesFolded(bool folded) {
  isFolded_ = folded;
  place();
  if (!isStale_) showMove();
}

void SewPage::resizeEvent(QResizeEvent* event) {
  StagePage::resizeEvent(event);
  place();
  if (!isStale_) showMove();  // the tags stand where the room is
}

void SewPage::showEvent(QShowEvent* event) {
  StagePage::showEvent(event);
  if (isStale_) renew();
  setFocus();  // the keys go through the moves
}

/// In an empty entry it draws the thread out of one hole.
bool SewPage::eventFilter(QObject* watched, QEvent* event) {
  if (watched == entry_ && event->type() == QEvent::KeyPress && entry_->text().isEmpty() &&
      static_cast<QKeyEvent*>(event)->key() == Qt::Key_Backspace) {
    drawBack();
    return true;
  }
  return StagePage::eventFilter(watched, event);
}

void SewPage::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), palette_.ground); }

void SewPage::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Space:
    case Qt::Key_Right:
      return goTo(at() + 1);
    case Qt::Key_Left:
      return goTo(at() > 0 ? at() - 1 : 0);
    case Qt::Key_Home:
      return goTo(0);
    case Qt::Key_End:
      return goTo(last());
    case Qt::Key_Return:
    case Qt::Key_Enter:
      if (isPractice_ && practice_.isLookingOn()) return sayHere();
      break;
    case Qt::Key_Backspace:
      if (isPractice_) return drawBack();
      break;
    default:
      break;
  }
  StagePage::keyPressEvent(event);
}

/// The margin at the right, the words and commands below the strip. With large letters the keys'
/// hints go, then the slider takes a row of its own.
void SewPage::place() {
  constexpr double kMostMargin = 0.42;  // of the width
  const double letters = em();
  const double margin =
      std::min((isFolded_ ? kNarrowMarginEm : kMarginEm) * letters, kMostMargin * width());
  const int wide = width() - static_cast<int>(margin);
  margin_->setGeometry(mirrored(*this, {wide, 0, width() - wide, height()}));
  const int inner = wide - 2 * kEdge, between = static_cast<int>(1.2 * letters);
  const int threadHigh = thread_->sizeHint().height();
  const int row = static_cast<int>(2.0 * letters);
  const auto commandsWide = [&] {
    int all = 0;
    for (InkButton* each : commands_)
      if (each != commands_.back() || isPractice_) all += each->sizeHint().width() + between;
    return all;
  };
  const int leastSlider = static_cast<int>(8 * letters);
  for (std::size_t i = 0; i < commands_.size(); ++i) commands_[i]->setHint(hints_[i]);
  if (commandsWide() + leastSlider > inner)
    for (InkButton* each : commands_) each->setHint({});
  const bool hasOwnRow = commandsWide() + leastSlider > inner;
  int y = height() - kEdge / 2 - threadHigh;
  thread_->setGeometry(mirrored(*this, {kEdge, y, inner, threadHigh}));
  if (hasOwnRow) {
    y -= row;
    slider_->setGeometry(mirrored(*this, {kEdge, y, inner, row}));
  }
  y -= row;
  int x = kEdge;
  for (InkButton* each : commands_) {
    const int buttonWide = each->sizeHint().width();
    each->setGeometry(mirrored(*this, {x, y, buttonWide, row}));
    if (each != commands_.back() || isPractice_) x += buttonWide + between;
  }
  if (!hasOwnRow) slider_->setGeometry(mirrored(*this, {x, y, kEdge + inner - x, row}));
  entry_->setGeometry(mirrored(*this, {kEdge, y, inner, row}));
  const int asideHigh = static_cast<int>((asideLines(inner) == 1 ? 1.7 : 3.2) * letters);
  y -= asideHigh;
  aside_->setGeometry(mirrored(*this, {kEdge, y, inner, asideHigh}));
  const double wordsRows = isFromAfar() ? 10.2 : 5.4;
  const int wordsHigh = std::min(static_cast<int>(wordsRows * letters), height() / 4);
  y -= wordsHigh;
  words_->setGeometry(mirrored(*this, {kEdge, y, inner, wordsHigh}));
  strip_->setGeometry(mirrored(*this, {kEdge, kEdge / 2, inner, std::max(80, y - kEdge)}));
  fitWords();
  if (isPractice_) writeSteps();
}

/// The longest that is told beside a move may need a second line.
int SewPage::asideLines(int width) const {
  if (isPractice_) return 1;
  const QString longest =
      moveAside(moves_.size()) + " " + tieComesOff(stab() != nullptr ? stab()->passes.size() : 0);
  return QFontMetricsF(aside_->font()).horizontalAdvance(longest) <= width ? 1 : 2;
}

bool SewPage::isFromAfar() const { return &palette_ == &benchPalette(); }

/// As large as their room takes.
void SewPage::fitWords() {
  constexpr double kLeast = 13.0, kStep = 1.5;
  double pixels = isFromAfar() ? kWordsPixelsAfar : kWordsPixels;
  for (; pixels > kLeast; pixels -= kStep) {
    const QFontMetrics metrics(textFont(pixels, true));
    const QRect needed =
        metrics.boundingRect(QRect(0, 0, words_->width(), 10000), Qt::TextWordWrap, words_->text());
    if (needed.height() <= words_->height()) break;
  }
  words_->setFont(textFont(pixels, true));
}

}  // namespace drapery
