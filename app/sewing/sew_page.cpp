#include "app/sewing/sew_page.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <algorithm>
#include <utility>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/sewing/move_slider.h"
#include "app/sewing/sew_desk.h"
#include "app/sewing/strip_view.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "paint/fonts.h"
#include "paint/section_painter.h"
#include "words/issue_words.h"
#include "words/sewing_text.h"

namespace drapery {

namespace {

constexpr double kMarginEm = 24.0, kNarrowMarginEm = 19.0;
constexpr int kEdge = 18;
constexpr double kWordsPixels = 22.0;  // readable from where the hands are

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
      thread_(new ThreadBar(palette, this)),
      words_(inkLabel({}, kWordsPixels, palette.ink, this, true)),
      aside_(inkLabel({}, kCaptionPixels, palette.secondInk, this)),
      slider_(new MoveSlider(palette, this)),
      entry_(new QLineEdit(this)) {
  dress();
  makeCommands();
  connect(slider_, &QSlider::valueChanged, this,
          [this](int value) { goTo(static_cast<std::size_t>(value)); });
  connect(entry_, &QLineEdit::returnPressed, this, &SewPage::readTokens);
  connect(strip_, &StripView::holePressed, this,
          [this](int hole) { pressHole(static_cast<std::size_t>(hole)); });
  connect(strip_, &StripView::edgePressed, this, [this](Round round) {
    SewToken token;
    token.kind = SewToken::Kind::Wrap;
    token.round = round;
    if (isPractice_) press(token);
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
  entry_->setPlaceholderText(tr("6+  5-  spine  head  tail  knot"));
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
  command("back", tr("back"), tr("Left"), [this] { goTo(move_ > 0 ? move_ - 1 : 0); });
  command("next", tr("next"), tr("Space"), [this] { goTo(move_ + 1); });
  command("last", tr("end"), tr("End"), [this] { goTo(moves_.size()); });
}

Notation SewPage::notation() const { return windowNotation(document_.plan()); }

void SewPage::renew() {
  isStale_ = false;
  const auto before = std::exchange(book_, workspace_.sewing().sewn());
  moves_ = sewMoves(*book_, notation(), translated);
  recallPlace();
  move_ = std::min(move_, moves_.size());
  if (stab() == nullptr) isPractice_ = false;
  // Another finish or a thicker book takes nothing away from what is practised.
  const auto* old = std::get_if<SewnStab>(&before->sewn);
  const bool isSame = old != nullptr && stab() != nullptr &&
                      old->graph.stretches == stab()->graph.stretches &&
                      old->graph.wraps == stab()->graph.wraps;
  practiseAnew(isSame ? made_ : std::vector<SewToken>());
  {
    const QSignalBlocker quiet(slider_);
    slider_->setRange(0, static_cast<int>(moves_.size()));
  }
  markTurnings();
  writeMargin();
  place();
  showMove();
}

void SewPage::markTurnings() {
  std::vector<int> marks;
  if (const SewnStab* sewn = stab())
    for (const std::size_t step : turnings(sewn->graph, sewn->trail.steps))
      for (std::size_t i = 0; i < moves_.size(); ++i)
        if (moves_[i].step == step) marks.push_back(static_cast<int>(i + 1));
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

/// From the beginning, then these steps, each of which was right before.
void SewPage::practiseAnew(std::vector<SewToken> made) {
  made_.clear();
  madeSteps_.clear();
  judged_.clear();
  learner_.reset();
  if (stab() == nullptr) return;
  learner_.emplace(stab()->graph);
  for (const SewToken& token : made) learner_->take(token);
  made_ = std::move(made);
  madeSteps_ = stepsOf(stab()->graph, made_);
}

QString SewPage::words() const { return words_->text(); }

void SewPage::goTo(std::size_t move) {
  if (isPractice_) return;
  move_ = std::min(move, moves_.size());
  showMove();
}

void SewPage::showMove() {
  if (isPractice_) return showPractice();
  const bool hasMoves = !moves_.empty();
  {
    const QSignalBlocker quiet(slider_);
    slider_->setValue(static_cast<int>(move_));
  }
  for (InkButton* each : commands_) each->setVisible(hasMoves);
  slider_->setVisible(hasMoves);
  entry_->setVisible(false);
  if (!hasMoves) {
    words_->setText(whyNot());
    aside_->clear();
    strip_->clear();
    thread_->show({});
    return;
  }
  words_->setText(move_ == 0 ? tr("Ready to sew, in %1 moves.").arg(moves_.size())
                             : QString::fromStdString(moves_[move_ - 1].says));
  QString aside = move_ == 0 ? QString() : tr("Move %1 of %2.").arg(move_).arg(moves_.size());
  const SewnStab* sewn = stab();
  if (sewn != nullptr) {
    const std::size_t present = move_ == 0 ? 0 : moves_[move_ - 1].step;
    const std::size_t done = stepsDone();
    if (move_ == 0) {
      QStringList holes;
      for (const Tie& tie : sewn->ties) holes << QString::number(tie.hole + 1);
      aside = tr("First tie the stack at holes %1.").arg(holes.join(", "));
    }
    for (const Tie& tie : sewn->ties)
      if (move_ > 0 && tie.offBefore > present && tie.offBefore <= done)
        aside += " " + tr("The tie at hole %1 comes off before.").arg(tie.hole + 1);
    StitchPicture picture = pictureOf(sewn->trail.steps);
    picture.done = done;
    picture.present = present;
    strip_->show(picture);
    strip_->setAccessibleDescription(words_->text());
  } else {
    showSections();
  }
  aside_->setText(aside.trimmed());
  fitWords();
  writeThread();
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

/// Of all moves so far.
std::size_t SewPage::stepsDone() const {
  if (move_ == 0) return 0;
  if (move_ < moves_.size()) return moves_[move_].step;
  return stab() != nullptr ? stab()->trail.steps.size() : moves_.size();
}

/// Linked or over tapes: a move is a step.
void SewPage::showSections() {
  const SewnSoFar far{move_, move_ > 0 ? move_ - 1 : 0};
  strip_->show([this, far](QPainter& painter, const QRectF& room) {
    if (const auto* link = std::get_if<SewnLink>(&book_->sewn))
      paintLink(painter, *link, far, room, palette_);
    if (const auto* tapes = std::get_if<SewnTapes>(&book_->sewn))
      paintTapes(painter, *tapes, far, room, palette_);
  });
  strip_->setAccessibleDescription(words_->text());
}

void SewPage::writeThread() {
  ThreadBar::Lengths lengths;
  const Plan* sewn = book_->plan();
  if (sewn == nullptr) return thread_->show(lengths);
  const auto words = [&](double mm) { return QString::fromStdString(threadWords(mm, notation())); };
  if (const auto* stitched = stab()) {
    for (const ThreadPiece& piece : stitched->pieces) lengths.pieces.push_back(piece.length);
    lengths.byRule = sewn->number("thread_rule").value_or(0.0);
    lengths.ruleWords = tr("by the rule of thumb %1").arg(words(lengths.byRule));
  } else if (const auto* tapes = std::get_if<SewnTapes>(&book_->sewn)) {
    for (const ThreadPiece& piece : tapes->pieces) lengths.pieces.push_back(piece.length);
  } else {
    for (const char* row : {"thread_head", "thread_tail"})
      lengths.pieces.push_back(sewn->number(row).value_or(0.0));
  }
  double needed = 0.0;
  for (const double piece : lengths.pieces) needed += piece;
  lengths.words =
      lengths.pieces.size() > 1
          ? tr("%1 of thread in %2 pieces").arg(words(needed)).arg(lengths.pieces.size())
          : tr("%1 of thread").arg(words(needed));
  lengths.drawn = needed * drawnPart(*book_, stepsDone());
  thread_->show(lengths);
}

void SewPage::setPractice(bool isOn) {
  isPractice_ = isOn && stab() != nullptr;
  practiseAnew({});
  writeMargin();
  place();
  showMove();
  if (isPractice_) entry_->setFocus();
}

void SewPage::pressHole(std::size_t hole) {
  if (!isPractice_ || !learner_) return;
  SewToken token;
  token.hole = hole;
  token.to = learner_->hasBegun() ? otherFace(learner_->face()) : Face::Front;
  press(token);
  entry_->setFocus();
}

bool SewPage::press(const SewToken& token) {
  if (!learner_) return false;
  const bool isRight = !learner_->slipOf(token);
  if (isRight) {
    learner_->take(token);
    made_.push_back(token);
    madeSteps_ = stepsOf(stab()->graph, made_);
    judged_ = learner_->isDone() ? tr("All is sewn.") : QString();
  } else {
    std::vector<SewToken> tried = made_;
    tried.push_back(token);
    const Judged judged = judge(stab()->graph, tried);
    judged_ = QString::fromStdString(slipSays(judged, token, translated) + " " +
                                     slipRemedy(judged, translated));
  }
  showPractice();
  return isRight;
}

void SewPage::drawBack() {
  if (made_.empty() || !learner_) return;
  made_.pop_back();
  practiseAnew(made_);
  showPractice();
}

/// What stands after a step that is wrong waits in the entry.
void SewPage::readTokens() {
  if (stab() == nullptr) return;
  QStringList words = entry_->text().split(' ', Qt::SkipEmptyParts);
  entry_->clear();
  bool isWrong = false;
  while (!words.empty() && !isWrong) {
    const std::string word = words.takeFirst().toStdString();
    const auto token = sewToken(word);
    if (token && token->hole < stab()->graph.holes.size()) {
      isWrong = !press(*token);
      continue;
    }
    isWrong = true;
    judged_ = tr("\"%1\" is no step here: write 6+ for through hole 6 to the front, 6- to the "
                 "back, spine, head, tail or knot.")
                  .arg(QString::fromStdString(shortened(word)));
    showPractice();
  }
  entry_->setText(words.join(' '));
}

void SewPage::showPractice() {
  for (InkButton* each : commands_) each->setVisible(false);
  slider_->setVisible(false);
  entry_->setVisible(true);
  QString made;
  for (const SewToken& token : made_) made += QString::fromStdString(textOf(token)) + " ";
  words_->setText(!judged_.isEmpty() ? judged_
                  : made_.empty()    ? tr("Sew it yourself: click a hole, or type a step.")
                                     : tr("Right so far."));
  aside_->setText(made.trimmed());
  fitWords();
  StitchPicture picture = pictureOf(madeSteps_);
  picture.done = madeSteps_.size();
  picture.present = madeSteps_.size() > 2 ? madeSteps_.size() - 2 : 0;
  picture.showsWay = false;
  strip_->show(picture);
  strip_->setAccessibleDescription(words_->text());
}

void SewPage::select(const Subject& subject) {
  const QString id = QString::fromStdString(subject.id);
  if (id == "practice") setPractice(true);
  if (id.startsWith("step/")) goTo(id.mid(5).toULong());
  if (!(subject == selected_)) {
    selected_ = subject;
    emit selectionChanged(subject);
  }
}

Subject SewPage::closerLook() const {
  return Subject::field(isPractice_ ? "practice" : "step/" + std::to_string(move_));
}

void SewPage::typeAndKeep(const std::string&, const QString& text) {
  setPractice(true);
  entry_->setText(text);
  readTokens();
}

void SewPage::setNotesFolded(bool folded) {
  isFolded_ = folded;
  place();
}

void SewPage::resizeEvent(QResizeEvent* event) {
  StagePage::resizeEvent(event);
  place();
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
      return goTo(move_ + 1);
    case Qt::Key_Left:
      return goTo(move_ > 0 ? move_ - 1 : 0);
    case Qt::Key_Home:
      return goTo(0);
    case Qt::Key_End:
      return goTo(moves_.size());
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
    for (InkButton* each : commands_) all += each->sizeHint().width() + between;
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
    x += buttonWide + between;
  }
  if (!hasOwnRow) slider_->setGeometry(mirrored(*this, {x, y, kEdge + inner - x, row}));
  entry_->setGeometry(mirrored(*this, {kEdge, y, inner, row}));
  const int asideHigh = static_cast<int>(1.7 * letters);
  y -= asideHigh;
  aside_->setGeometry(mirrored(*this, {kEdge, y, inner, asideHigh}));
  const int wordsHigh = std::min(static_cast<int>(5.4 * letters), height() / 4);
  y -= wordsHigh;
  words_->setGeometry(mirrored(*this, {kEdge, y, inner, wordsHigh}));
  strip_->setGeometry(mirrored(*this, {kEdge, kEdge / 2, inner, std::max(80, y - kEdge)}));
  fitWords();
}

/// As large as their room takes.
void SewPage::fitWords() {
  constexpr double kLeast = 13.0, kStep = 1.5;
  double pixels = kWordsPixels;
  for (; pixels > kLeast; pixels -= kStep) {
    const QFontMetrics metrics(textFont(pixels, true));
    const QRect needed =
        metrics.boundingRect(QRect(0, 0, words_->width(), 10000), Qt::TextWordWrap, words_->text());
    if (needed.height() <= words_->height()) break;
  }
  words_->setFont(textFont(pixels, true));
}

}  // namespace drapery
