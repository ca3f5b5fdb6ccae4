#include "app/sewing/sew_page.h"

#include <QCoreApplication>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QSlider>
#include <algorithm>
#include <sstream>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/sewing/strip_view.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "paint/fonts.h"
#include "paint/section_painter.h"
#include "store/folders.h"
#include "words/issue_words.h"
#include "words/sewing_words.h"

namespace drapery {

namespace {

constexpr double kMarginEm = 24.0, kNarrowMarginEm = 19.0;
constexpr int kEdge = 18;
constexpr double kWordsPixels = 22.0;  // readable from where the hands are

std::string translated(const char* english) {
  return QCoreApplication::translate("Sewing", english).toStdString();
}

/// The steps that a learner's tokens stand for.
std::vector<SewStep> stepsOf(const StitchGraph& graph, const std::vector<SewToken>& tokens) {
  std::vector<SewStep> steps;
  const auto at = graph.atHoles();
  std::size_t hole = 0, start = 0;
  Face face = Face::Back;
  bool isOut = false, hasBegun = false;
  const auto stretch = [&](std::size_t to) {
    for (const std::size_t each : at[hole])
      if (graph.farEnd(each, hole) == to) {
        SewStep step;
        step.what = SewStep::Do::Stretch;
        step.from = hole;
        step.hole = to;
        step.stretch = each;
        step.to = face;
        steps.push_back(step);
        hole = to;
        return;
      }
  };
  for (const SewToken& token : tokens) {
    SewStep step;
    switch (token.kind) {
      case SewToken::Kind::Pass:
        if (hasBegun && isOut) stretch(token.hole);
        if (!hasBegun) start = token.hole;
        hasBegun = true;
        hole = token.hole;
        step.hole = hole;
        step.to = token.to;
        face = token.to;
        isOut = true;
        break;
      case SewToken::Kind::Wrap:
        step.what = SewStep::Do::Wrap;
        step.hole = hole;
        step.round = token.round;
        face = otherFace(face);
        step.to = face;
        isOut = false;
        break;
      case SewToken::Kind::Knot:
        if (isOut) stretch(start);
        step.what = SewStep::Do::Knot;
        step.hole = start;
        step.to = Face::Back;
        break;
    }
    steps.push_back(step);
  }
  return steps;
}

}  // namespace

SewPage::SewPage(Workspace& workspace, const Palette& palette, QWidget* parent)
    : StagePage(parent),
      workspace_(workspace),
      document_(workspace.book()),
      palette_(palette),
      patterns_(std::make_unique<PatternLibrary>(housePatternsFolder())),
      book_(std::make_unique<SewnBook>()),
      margin_(new MarginColumn("sew.margin", palette, this)),
      strip_(new StripView(palette, this)),
      thread_(new ThreadBar(palette, this)),
      words_(inkLabel({}, kWordsPixels, palette.ink, this, true)),
      aside_(inkLabel({}, kCaptionPixels, palette.secondInk, this)),
      slider_(new QSlider(Qt::Horizontal, this)),
      entry_(new QLineEdit(this)) {
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
  command("last", tr("end"), tr("End"), [this] { goTo(starts_.size()); });
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
  const auto stale = [this] {
    isStale_ = true;
    if (isVisible()) renew();
  };
  connect(&document_, &Document::planChanged, this, stale);
  connect(&document_, &Document::jobChanged, this, stale);
}

const Plan* SewPage::plan() const {
  if (const auto* sewn = std::get_if<SewnStab>(&book_->sewn)) return &sewn->plan;
  if (const auto* sewn = std::get_if<SewnLink>(&book_->sewn)) return &sewn->plan;
  if (const auto* sewn = std::get_if<SewnTapes>(&book_->sewn)) return &sewn->plan;
  return nullptr;
}

/// One for each move, and where it begins among the steps.
std::vector<QString> SewPage::sentences() const {
  std::vector<QString> all;
  if (const auto* sewn = std::get_if<SewnLink>(&book_->sewn))
    for (const LinkRow& row : sewn->rows)
      for (std::size_t i = 0; i < row.steps.size(); ++i)
        all.push_back(QString::fromStdString(linkStepWords(row.steps[i], row, i == 0, translated)));
  if (const auto* sewn = std::get_if<SewnTapes>(&book_->sewn))
    for (std::size_t i = 0; i < sewn->steps.size(); ++i)
      all.push_back(QString::fromStdString(tapeStepWords(
          sewn->steps[i], static_cast<int>(sewn->stations.size() / 2) - 1, i == 0, translated)));
  return all;
}

void SewPage::renew() {
  isStale_ = false;
  *book_ = {};
  if (document_.missing().empty()) *book_ = sewBook(document_.job(), document_.plan(), *patterns_);
  sentences_ = sentences();
  starts_.clear();
  for (std::size_t i = 0; i < sentences_.size(); ++i) starts_.push_back(i);
  if (const SewnStab* sewn = stab()) {
    const SewingNotes notes{book_->job.finish, sewn->plan.number("start_tail").value_or(0.0)};
    const auto all =
        stepWords(sewn->trail.steps, notes, windowNotation(document_.plan()), translated);
    for (std::size_t i = 0; i < all.size(); ++i)
      if (!isToldBefore(sewn->trail.steps, i)) {
        starts_.push_back(i);
        sentences_.push_back(QString::fromStdString(all[i]));
      }
  }
  move_ = std::min(move_, starts_.size());
  if (stab() == nullptr) isPractice_ = false;
  made_.clear();
  madeSteps_.clear();
  judged_.clear();
  learner_.reset();
  if (stab() != nullptr) learner_.emplace(stab()->graph);
  {
    const QSignalBlocker quiet(slider_);
    slider_->setRange(0, static_cast<int>(starts_.size()));
  }
  writeMargin();
  place();
  showMove();
}

QString SewPage::words() const { return words_->text(); }

void SewPage::goTo(std::size_t move) {
  if (isPractice_) return;
  move_ = std::min(move, starts_.size());
  showMove();
}

void SewPage::showMove() {
  if (isPractice_) return showPractice();
  const bool hasMoves = !starts_.empty();
  {
    const QSignalBlocker quiet(slider_);
    slider_->setValue(static_cast<int>(move_));
  }
  for (InkButton* each : commands_) each->setVisible(hasMoves);
  slider_->setVisible(hasMoves);
  entry_->setVisible(false);
  if (!hasMoves) {
    const Issues& issues = book_->issues;
    words_->setText(!document_.missing().empty() ? tr("The sewing waits for the measures.")
                    : issues.empty()             ? QString()
                                                 : QString::fromStdString(issueWords(
                                                       issues.front(), windowNotation(document_.plan()))));
    aside_->clear();
    strip_->clear();
    thread_->show({});
    return;
  }
  words_->setText(move_ == 0 ? tr("Ready to sew, in %1 moves.").arg(starts_.size())
                             : sentences_[move_ - 1]);
  QString aside = move_ == 0 ? QString() : tr("Move %1 of %2.").arg(move_).arg(starts_.size());
  const SewnStab* sewn = stab();
  if (sewn != nullptr) {
    const std::size_t present = move_ == 0 ? 0 : starts_[move_ - 1];
    const std::size_t done = move_ == starts_.size() ? sewn->trail.steps.size() : starts_[move_];
    if (move_ == 0) {
      QStringList holes;
      for (const Tie& tie : sewn->ties) holes << QString::number(tie.hole + 1);
      aside = tr("First tie the stack at holes %1.").arg(holes.join(", "));
    }
    for (const Tie& tie : sewn->ties)
      if (move_ > 0 && tie.offBefore > present && tie.offBefore <= done)
        aside += " " + tr("The tie at hole %1 comes off before.").arg(tie.hole + 1);
    StitchPicture picture;
    picture.graph = &sewn->graph;
    picture.steps = &sewn->trail.steps;
    picture.done = move_ == 0 ? 0 : done;
    picture.present = present;
    picture.thickness = sewn->plan.number("sewn_thickness").value_or(1.0);
    picture.hole = sewn->plan.number("hole_diameter").value_or(1.0);
    picture.passes = sewn->passes;
    picture.isFromBack = isFromBack_;
    strip_->show(picture);
    strip_->setAccessibleDescription(words_->text());
  } else {
    showSections();
  }
  aside_->setText(aside.trimmed());
  fitWords();
  writeThread();
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
  const Plan* sewn = plan();
  if (sewn == nullptr) return thread_->show(lengths);
  const auto words = [&](double mm) {
    return QString::fromStdString(
        formatLength(Length::fromMm(mm), windowNotation(document_.plan())));
  };
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
  if (!starts_.empty())
    lengths.drawn = needed * static_cast<double>(move_) / static_cast<double>(starts_.size());
  thread_->show(lengths);
}

void SewPage::setPractice(bool isOn) {
  isPractice_ = isOn && stab() != nullptr;
  made_.clear();
  madeSteps_.clear();
  judged_.clear();
  if (stab() != nullptr) learner_.emplace(stab()->graph);
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

void SewPage::press(const SewToken& token) {
  if (!learner_) return;
  if (!learner_->slipOf(token)) {
    learner_->take(token);
    made_.push_back(token);
    madeSteps_ = stepsOf(stab()->graph, made_);
    judged_ = learner_->isDone() ? tr("All is sewn.") : QString();
    judgedAs_ = Severity::Note;
  } else {
    std::vector<SewToken> tried = made_;
    tried.push_back(token);
    const Judged judged = judge(stab()->graph, tried);
    judged_ = QString::fromStdString(slipSays(judged, token, translated) + " " +
                                     slipRemedy(judged, translated));
    judgedAs_ = Severity::Mind;
  }
  showPractice();
}

void SewPage::drawBack() {
  if (made_.empty() || !learner_) return;
  made_.pop_back();
  learner_.emplace(stab()->graph);
  for (const SewToken& token : made_) learner_->take(token);
  madeSteps_ = stepsOf(stab()->graph, made_);
  judged_.clear();
  showPractice();
}

void SewPage::readTokens() {
  std::istringstream words(entry_->text().toStdString());
  entry_->clear();
  for (std::string word; words >> word;) {
    const auto token = sewToken(word);
    const bool isThere = token && stab() != nullptr && token->hole < stab()->graph.holes.size();
    if (!isThere) {
      judged_ = tr("\"%1\" is no step here: write 6+ for through hole 6 to the front, 6- to the "
                   "back, spine, head, tail or knot.")
                    .arg(QString::fromStdString(shortened(word)));
      judgedAs_ = Severity::Mind;
      return showPractice();
    }
    press(*token);
    if (judgedAs_ == Severity::Mind && !judged_.isEmpty()) return;
  }
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
  const SewnStab* sewn = stab();
  StitchPicture picture;
  picture.graph = &sewn->graph;
  picture.steps = &madeSteps_;
  picture.done = madeSteps_.size();
  picture.present = madeSteps_.size() > 2 ? madeSteps_.size() - 2 : 0;
  picture.thickness = sewn->plan.number("sewn_thickness").value_or(1.0);
  picture.hole = sewn->plan.number("hole_diameter").value_or(1.0);
  picture.passes = sewn->passes;
  picture.isFromBack = isFromBack_;
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
      return goTo(starts_.size());
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
