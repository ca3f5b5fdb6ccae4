#include <QLabel>
#include <QLocale>
#include <algorithm>
#include <cmath>
#include <numeric>

#include "app/ink_button.h"
#include "app/margin_column.h"
#include "app/sewing/pattern_button.h"
#include "app/sewing/sew_desk.h"
#include "app/sewing/sew_page.h"
#include "app/sewing/sew_tags.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/stock_room.h"
#include "app/workspace/workspace.h"
#include "core/cutting/thread_stock.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {

void SewPage::keep(const std::function<void(JobSewing&)>& change) {
  JobSewing said = document_.job().sewing.value_or(JobSewing());
  if (said.kind.empty()) said.kind = nameOf(book_->job.kind);
  change(said);
  document_.keepSewing(said);
}

void SewPage::lookFrom(bool back) {
  isFromBack_ = back;
  isPictured_ = false;
  writeMargin();
  showMove();
}

void SewPage::writeMargin() {
  margin_->begin();
  if (const NoteContent note = tags_->note(); !note.heading.isEmpty()) {
    margin_->heading(note.heading);
    if (!note.figure.isEmpty()) margin_->figure(note.figure);
    for (const QString& paragraph : note.paragraphs) margin_->text(paragraph);
    margin_->small(note.small);
    margin_->space();
  }
  if (const Plan* sewn = book_->plan()) {
    margin_->heading(localText(sewn->rules->title));
    if (!sewn->rules->about.text.empty()) margin_->text(localText(sewn->rules->about));
    writeChoices();
    writeShelf();
    margin_->space();
    writeFindings(false);
  }
  for (const Issue& issue : book_->missing.empty() ? book_->issues : Issues())
    margin_->finding(Severity::Stop, QString::fromStdString(issueWords(issue, notation())));
  if (stab() != nullptr || (!book_->issues.empty() && book_->job.kind == SewingKind::Stab))
    writePatterns();
  if (book_->plan() != nullptr) {
    writeSizes();
    margin_->space();
    writeFindings(true);
  }
  margin_->end();
}

void SewPage::writeFindings(bool areNotes) {
  for (const PlannedFinding& finding : book_->plan()->findings)
    if ((finding.rule->severity == Severity::Note) == areNotes)
      margin_->finding(finding.rule->severity,
                       QString::fromStdString(findingSays(finding, notation()) + " " +
                                              findingRemedy(finding, notation())));
}

/// What a learner is asked.
void SewPage::writeDrills() {
  const auto kind = practice_.kind();
  const QString titles[]{tr("go on from half-way"), tr("find the slip"), tr("the missing wrap"),
                         tr("how much thread")};
  std::vector<MarginColumn::Way> ways{
      {"sew.drill.whole", tr("all of it"), !kind, [this] { setDrill(std::nullopt); }}};
  for (std::size_t i = 0; i < std::size(kDrills); ++i)
    ways.push_back({QString("sew.") + QString(kDrills[i].first).replace('/', '.'), titles[i],
                    kind == kDrills[i].second,
                    [this, drill = kDrills[i].second] { setDrill(drill); }});
  margin_->ways(ways);
  if (kind)
    margin_->command("sew.drill.another", tr("another"), [this] {
      practice_.another();
      isPictured_ = false;
      showMove();
    });
}

/// Where thread lies on the shelf, what is left of it.
void SewPage::writeShelf() {
  constexpr std::size_t kMostTold = 3;
  const Plan& plan = document_.plan();
  const auto sum = threadByKind(threadParts(*book_));
  const double needed = plan.copies * std::accumulate(sum.begin(), sum.end(), 0.0);
  const auto there = threadThere(workspace_.stock().stock(),
                                 book_->plan()->number("thread_diameter").value_or(0.0), needed);
  for (std::size_t i = 0; i < std::min(there.size(), kMostTold); ++i) {
    const StockItem& roll = there[i].item;
    const QString name = QString::fromStdString(roll.lies.id);
    const QString length = QString::fromStdString(threadWords(needed, notation()));
    const double left = static_cast<double>(roll.lies.along) / 1000 - needed;
    const QString rest =
        notation().units == Units::Inches
            ? cutLength(static_cast<Micrometres>(left * 1000), notation())
            : tr("%1 m").arg(QLocale().toString(std::floor(left / 10) / 100, 'f', 2));
    if (!there[i].isEnough) {
      margin_->finding(Severity::Mind,
                       tr("%1: too little for this, which takes %2.").arg(name, length));
      continue;
    }
    margin_->text(tr("%1: %2 left after this.").arg(name, rest));
    margin_->command(QString("sew.take.%1").arg(i), tr("take %1 off it").arg(length),
                     [this, change = threadTaken(workspace_.stock().stock(), roll, needed), name] {
                       takeThread(change, name);
                     });
  }
}

void SewPage::takeThread(const StockChange& change, const QString& name) {
  const Issues issues = workspace_.stock().keep(
      *document_.undoStack(), name,
      [change](const Stock& shelf) { return afterCutting(shelf, change); },
      [change](const Stock& shelf) { return cutTakenBack(shelf, change); });
  if (!issues.empty()) emit refused(issues.front());
}

/// What may be said besides what hangs on the strip.
void SewPage::writeSizes() {
  margin_->space();
  margin_->command("sew.sizes", hasSizes_ ? tr("put the other sizes away") : tr("other sizes"),
                   [this] {
                     hasSizes_ = !hasSizes_;
                     writeMargin();
                   });
  if (hasSizes_) margin_->add(tags_->list(margin_->sheet()));
}

/// How it is shown, and how the job says that it is sewn.
void SewPage::writeChoices() {
  if (const SewnStab* sewn = stab()) {
    margin_->space();
    if (const auto hole = sewn->plan.number("hole_diameter"))
      margin_->text(
          tr("Holes of %1; the fullest is passed %2 times.")
              .arg(QString::fromStdString(formatLength(Length::fromMm(*hole), notation())))
              .arg(sewn->plan.number("most_passes").value_or(0.0)));
    margin_->ways({{"sew.shown", tr("shown"), !isPractice_, [this] { setPractice(false); }},
                   {"sew.practice", tr("practise"), isPractice_, [this] { setPractice(true); }}});
    if (isPractice_) writeDrills();
    margin_->ways(
        {{"sew.from.front", tr("from the front"), !isFromBack_, [this] { lookFrom(false); }},
         {"sew.from.back", tr("from the back"), isFromBack_, [this] { lookFrom(true); }}});
    const Finish finish = book_->job.finish;
    const auto finished = [this](const char* word) {
      return [this, word] { keep([word](JobSewing& said) { said.finish = word; }); };
    };
    margin_->ways(
        {{"sew.finish.buried", tr("knot drawn in"), finish == Finish::Buried, finished("buried")},
         {"sew.finish.glued", tr("glued"), finish == Finish::Glued, finished("glued")},
         {"sew.finish.ornament", tr("a second thread"), finish == Finish::Ornament,
          finished("ornament")}});
  }
  const bool isLeft = book_->job.hand == Hand::Left;
  const auto handed = [this](const char* word) {
    return [this, word] { keep([word](JobSewing& said) { said.hand = word; }); };
  };
  margin_->ways({{"sew.hand.right", tr("right hand"), !isLeft, handed("right")},
                 {"sew.hand.left", tr("left hand"), isLeft, handed("left")}});
}

/// Each drawn at this book's sizes.
void SewPage::writePatterns() {
  margin_->heading(tr("Patterns"));
  const PatternLibrary& patterns = workspace_.sewing().patterns();
  for (const Issue& issue : patterns.leftOut())
    margin_->finding(Severity::Mind, QString::fromStdString(placedWords(issue, notation())));
  for (const std::string& id : patterns.ids()) {
    const LoadedRules loaded = patterns.load(id);
    if (loaded.rules == nullptr) {  // one of the house's, with a mistake
      for (const Issue& issue : loaded.issues)
        margin_->finding(Severity::Mind, QString::fromStdString(placedWords(issue, notation())));
      continue;
    }
    if (loaded.rules->isBase) continue;
    Job job = document_.job();
    job.sewing = byPattern(job.sewing.value_or(JobSewing()), *loaded.rules);
    const auto sewing = sewingOfBook(job, document_.plan(), patterns);
    auto laid = holesOf(loaded.rules, *sewing);
    std::optional<StitchGraph> graph;
    if (auto* found = std::get_if<StitchGraph>(&laid)) graph = std::move(*found);
    const double thickness = document_.plan().number("text_thickness").value_or(10.0);
    auto* button = new PatternButton(localText(loaded.rules->title), std::move(graph), thickness,
                                     palette_, margin_->sheet());
    button->setObjectName(QString::fromStdString("sew.pattern." + id));
    button->setAccessibleDescription(localText(loaded.rules->about));
    button->setToolTip(localText(loaded.rules->about));
    button->setChecked(book_->job.pattern == id);
    connect(button, &QAbstractButton::clicked, this, [this, rules = loaded.rules] {
      keep([&](JobSewing& now) { now = byPattern(std::move(now), *rules); });
    });
    margin_->add(button);
  }
}

}  // namespace drapery
