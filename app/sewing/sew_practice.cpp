#include "app/sewing/sew_practice.h"

#include <QStringList>
#include <algorithm>
#include <cmath>

#include "core/quantity/parse_length.h"
#include "words/sewing_words.h"

namespace drapery {

namespace {

std::string translated(const char* english) {
  return QCoreApplication::translate("Sewing", english).toStdString();
}

QString text(const std::string& words) { return QString::fromStdString(words); }

/// What the thread of a book would do with so much of it: the step at which it gives out; none
/// where it is enough.
std::optional<std::size_t> givesOutAt(const SewnBook& book, double length) {
  double used = 0.0;
  for (const auto& piece : threadParts(book))
    for (const ThreadPart& part : piece) {
      used += part.length;
      if (used > length + 1e-6) return part.from;
    }
  return std::nullopt;
}

}  // namespace

void SewPractice::begin(const SewnBook& book, std::vector<SewToken> made) {
  book_ = &book;
  sewn_ = std::get_if<SewnStab>(&book.sewn);
  answer_.clear();
  made_.clear();
  learner_.reset();
  if (sewn_ == nullptr) return end();
  if (!made.empty() || !kind_) {
    learner_.emplace(sewn_->graph);
    for (const SewToken& token : made) learner_->take(token);
    made_ = std::move(made);
    redraw();
  } else {
    make();
  }
}

void SewPractice::end() {
  book_ = nullptr;
  sewn_ = nullptr;
  learner_.reset();
  made_.clear();
  drawn_.clear();
  answer_.clear();
  kind_.reset();
  drill_.reset();
}

void SewPractice::drill(std::optional<Drill::Kind> kind) {
  kind_ = kind;
  make();
}

void SewPractice::another() {
  ++seed_;
  make();
}

void SewPractice::make() {
  drill_.reset();
  made_.clear();
  answer_.clear();
  shown_ = 0;
  learner_.reset();
  if (sewn_ == nullptr) return;
  const Trail plain = sewAll(sewn_->graph, sewn_->trail.start, book_->job.hand, Finish::Buried);
  if (kind_) drill_ = makeDrill(sewn_->graph, plain, *kind_, seed_);
  if (kind_ == Drill::Kind::HowMuch) askThread();
  learner_.emplace(sewn_->graph);
  if (drill_ && isSewing()) {
    made_ = drill_->tokens;
    for (const SewToken& token : made_) learner_->take(token);
  }
  redraw();
}

/// Of leaves that are not this book's: what those take stands in the window.
void SewPractice::askThread() {
  constexpr double kTimes[]{0.5, 2.0, 0.75, 1.5, 3.0};
  const double leaves = sewn_->plan.number("text_thickness").value_or(10.0);
  const double mark = book_->job.units == Units::Inches ? kMmPerInch / 8 : 1.0;
  for (std::size_t i = 0; i < std::size(kTimes); ++i) {
    const double wished = leaves * kTimes[(seed_ + i) % std::size(kTimes)];
    thickness_ = mark * std::max(1.0, std::round(wished / mark));
    other_ = {};
    other_.job = book_->job;
    other_.job.given.insert_or_assign("text_thickness", Entry{thickness_, {}});
    auto sewn = sewStab(sewn_->plan.rules, other_.job);
    if (auto* stab = std::get_if<SewnStab>(&sewn)) {
      other_.sewn = std::move(*stab);
      return;
    }
  }
  drill_.reset();
}

void SewPractice::redraw() {
  if (isSewing()) {
    drawn_ = stepsOf(sewn_->graph, made_);
  } else if (drill_) {
    const auto end = isLookingOn() ? drill_->tokens.begin() + static_cast<std::ptrdiff_t>(shown_)
                                   : drill_->tokens.end();
    drawn_ = writtenSteps({drill_->tokens.begin(), end});
  } else {
    drawn_.clear();
  }
}

std::size_t SewPractice::present() const {
  const bool hasPresent = isSewing() || isLookingOn();
  if (!hasPresent) return drawn_.size();
  return drawn_.size() > 2 ? drawn_.size() - 2 : 0;
}

void SewPractice::lookAt(std::size_t tokens) {
  if (!isLookingOn() || !drill_) return;
  shown_ = std::min(tokens, drill_->tokens.size());
  answer_.clear();
  redraw();
}

bool SewPractice::press(const SewToken& token) {
  if (!learner_ || !isSewing()) return false;
  const bool isRight = !learner_->slipOf(token);
  if (isRight) {
    learner_->take(token);
    made_.push_back(token);
    redraw();
    answer_ = learner_->isDone() ? tr("All is sewn.") : QString();
  } else {
    std::vector<SewToken> tried = made_;
    tried.push_back(token);
    const Judged judged = judge(sewn_->graph, tried);
    answer_ = text(slipSays(judged, token, translated) + " " + slipRemedy(judged, translated));
  }
  return isRight;
}

void SewPractice::pressHole(std::size_t hole) {
  if (!learner_) return;
  if (kind_ == Drill::Kind::MissingWrap) return answerWrap(QString::number(hole + 1));
  SewToken token;
  token.hole = hole;
  token.to = learner_->hasBegun() ? otherFace(learner_->face()) : Face::Front;
  press(token);
}

void SewPractice::drawBack() {
  if (made_.empty() || !learner_ || !isSewing()) return;
  std::vector<SewToken> left(made_.begin(), made_.end() - 1);
  learner_.emplace(sewn_->graph);
  for (const SewToken& token : left) learner_->take(token);
  made_ = std::move(left);
  answer_.clear();
  redraw();
}

QString SewPractice::read(const QString& typed, const Notation& notation) {
  if (sewn_ == nullptr) return {};
  if (kind_ == Drill::Kind::HowMuch && drill_) {
    answerThread(typed, notation);
    return typed;
  }
  if (kind_ == Drill::Kind::MissingWrap) {
    answerWrap(typed);
    return {};
  }
  return readSteps(typed);
}

/// What stands after a step that is wrong waits.
QString SewPractice::readSteps(const QString& typed) {
  QStringList words = typed.split(' ', Qt::SkipEmptyParts);
  bool isWrong = false;
  while (!words.empty() && !isWrong) {
    const std::string word = words.takeFirst().toStdString();
    const auto token = sewToken(word);
    if (token && token->hole < sewn_->graph.holes.size()) {
      isWrong = !press(*token);
      continue;
    }
    isWrong = true;
    answer_ = tr("\"%1\" is no step here: write 6+ for through hole 6 to the front, 6- to the "
                 "back, spine, head, tail or knot.")
                  .arg(text(shortened(word)));
  }
  return words.join(' ');
}

void SewPractice::sayHere() {
  if (!isLookingOn() || !drill_ || shown_ == 0) return;
  const Judged judged = judge(sewn_->graph, drill_->tokens);
  const std::size_t slip = drill_->slip + 1;
  if (shown_ == slip)
    answer_ = tr("That is the slip.") + " " +
              text(slipSays(judged, drill_->tokens[drill_->slip], translated));
  else
    answer_ = shown_ < slip ? tr("Up to there all is right: look on.")
                            : tr("It went wrong before: look back.");
}

/// "5", "5 spine", "5s"
void SewPractice::answerWrap(const QString& typed) {
  if (!drill_) return;
  qsizetype digits = 0;
  const QString said = typed.trimmed().toLower();
  while (digits < said.size() && said[digits].isDigit()) ++digits;
  const QString edge = said.mid(digits).trimmed();
  const auto round = edge.isEmpty() ? std::nullopt : sewToken(edge.toStdString());
  const bool isRound = round && round->kind == SewToken::Kind::Wrap;
  if (digits == 0 || (!edge.isEmpty() && !isRound)) {
    answer_ = tr("\"%1\" is no wrap: write the hole and the edge, as in 5 spine.")
                  .arg(text(shortened(typed.toStdString())));
    return;
  }
  const StitchWrap& missing = drill_->missing;
  const std::size_t hole = said.left(digits).toULong();
  const QString where = tr("The thread does not go round the %1 at hole %2.")
                            .arg(text(translated(nameOf(missing.round))))
                            .arg(missing.hole + 1);
  if (hole == missing.hole + 1 && (!isRound || round->round == missing.round))
    answer_ = tr("Right.") + " " + where;
  else
    answer_ = hole == missing.hole + 1 ? tr("At that hole, but round another edge.")
                                       : tr("At hole %1 every wrap is there.").arg(hole);
}

void SewPractice::answerThread(const QString& typed, const Notation& notation) {
  const auto read = parseLength(typed.trimmed().toStdString(), notation.units);
  const auto* length = std::get_if<Length>(&read);
  if (length == nullptr || !(length->mm() > 0.0)) {
    answer_ = tr("\"%1\" is no length of thread.").arg(text(shortened(typed.toStdString())));
    return;
  }
  const double said = length->mm();
  const double needed = other_.plan()->number("thread_needed").value_or(0.0);
  const auto words = [&](double mm) { return text(threadWords(mm, notation)); };
  if (const auto step = givesOutAt(other_, said)) {
    const std::vector<std::size_t> moves = sewMoves(other_);
    const auto after = std::upper_bound(moves.begin(), moves.end(), *step);
    const std::string at = moveWords(other_, *std::prev(after), notation, translated);
    answer_ = tr("Too short: it takes %1. With %2 the thread gives out at the move \"%3\"")
                  .arg(words(needed), words(said), text(at));
    return;
  }
  constexpr double kWasteful = 1.25;
  answer_ = said > kWasteful * needed ? tr("Enough, and %1 of it is left over: it takes %2.")
                                            .arg(words(said - needed), words(needed))
                                      : tr("Right: it takes %1.").arg(words(needed));
}

QString SewPractice::words(const Notation& notation) const {
  if (!answer_.isEmpty()) return answer_;
  if (kind_ && !drill_) return tr("This pattern is too small for that.");
  if (!kind_)
    return made_.empty() ? tr("Sew it yourself: click a hole, or type a step.")
                         : tr("Right so far.");
  switch (*kind_) {
    case Drill::Kind::GoOn:
      return made_.size() > drill_->tokens.size() ? tr("Right so far.")
                                                  : tr("Somebody sewed so far. Go on.");
    case Drill::Kind::FindSlip:
      return tr("Somebody went wrong here. Go through it, and say where.");
    case Drill::Kind::MissingWrap:
      return tr("All is sewn but one wrap. Which is missing? Click its hole, or type 5 spine.");
    case Drill::Kind::HowMuch:
      break;
  }
  return tr("How much thread would this book take with leaves of %1, knot and tails with it?")
      .arg(text(formatLength(Length::fromMm(thickness_), notation)));
}

StepLine SewPractice::steps() const {
  StepLine line;
  if (isSewing())
    for (const SewToken& token : made_) line.steps << text(textOf(token));
  else if (isLookingOn() && drill_)
    for (const SewToken& token : drill_->tokens) line.steps << text(textOf(token));
  line.isMarked = !isSewing() && shown_ > 0;
  line.about = isSewing() ? line.steps.size() - 1 : static_cast<qsizetype>(shown_) - 1;
  return line;
}

QStringList SewPractice::holeNames() const {
  const bool isPressed = isSewing() || kind_ == Drill::Kind::MissingWrap;
  if (sewn_ == nullptr || !isPressed) return {};
  const auto ways = oneWays(sewn_->graph, sewn_->trail.steps);
  std::vector<int> passed(ways.size(), 0);
  for (const SewStep& step : drawn_)
    if (step.what == SewStep::Do::Pass) ++passed[step.hole];
  QStringList names;
  for (std::size_t i = 0; i < ways.size(); ++i) {
    QString name = tr("hole %1, %2 row, %3 of %4 passes")
                       .arg(i + 1)
                       .arg(text(sewn_->graph.holes[i].row))
                       .arg(passed[i])
                       .arg(sewn_->passes[i]);
    if (ways[i]) name += *ways[i] == Face::Front ? tr(", to the front") : tr(", to the back");
    names << name;
  }
  return names;
}

QString SewPractice::entryAsks() const {
  if (kind_ == Drill::Kind::HowMuch)
    return book_ != nullptr && book_->job.units == Units::Inches ? tr("a length, as in 60")
                                                                 : tr("a length, as in 1500");
  if (kind_ == Drill::Kind::MissingWrap) return tr("5 spine");
  return tr("6+  5-  spine  head  tail  knot");
}

}  // namespace drapery
