#include <QLabel>

#include "app/ink_button.h"
#include "app/margin_column.h"
#include "app/sewing/pattern_button.h"
#include "app/sewing/sew_page.h"
#include "app/words/window_words.h"
#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {

void SewPage::keep(const std::function<void(JobSewing&)>& change) {
  JobSewing said = document_.job().sewing.value_or(JobSewing());
  if (said.kind.empty()) said.kind = nameOf(book_->job.kind);
  change(said);
  document_.keepSewing(said);
}

void SewPage::writeMargin() {
  margin_->begin();
  if (const Plan* sewn = plan()) {
    const Notation notation = windowNotation(document_.plan());
    margin_->heading(localText(sewn->rules->title));
    if (!sewn->rules->about.text.empty()) margin_->text(localText(sewn->rules->about));
    const auto length = [&](const char* id) {
      return QString::fromStdString(
          formatLength(Length::fromMm(sewn->number(id).value_or(0.0)), notation));
    };
    if (stab() != nullptr) {
      margin_->space();
      if (sewn->number("hole_diameter"))
        margin_->text(tr("Holes of %1; the fullest is passed %2 times.")
                          .arg(length("hole_diameter"))
                          .arg(sewn->number("most_passes").value_or(0.0)));
      margin_->ways({{"sew.shown", tr("shown"), !isPractice_, [this] { setPractice(false); }},
                     {"sew.practice", tr("practise"), isPractice_, [this] { setPractice(true); }}});
      margin_->ways({{"sew.from.front", tr("from the front"), !isFromBack_,
                      [this] {
                        isFromBack_ = false;
                        writeMargin();
                        showMove();
                      }},
                     {"sew.from.back", tr("from the back"), isFromBack_, [this] {
                        isFromBack_ = true;
                        writeMargin();
                        showMove();
                      }}});
      const Finish finish = book_->job.finish;
      margin_->ways({{"sew.finish.buried", tr("knot drawn in"), finish == Finish::Buried,
                      [this] { keep([](JobSewing& said) { said.finish = "buried"; }); }},
                     {"sew.finish.glued", tr("glued"), finish == Finish::Glued,
                      [this] { keep([](JobSewing& said) { said.finish = "glued"; }); }},
                     {"sew.finish.ornament", tr("a second thread"), finish == Finish::Ornament,
                      [this] { keep([](JobSewing& said) { said.finish = "ornament"; }); }}});
    }
    const bool isLeft = book_->job.hand == Hand::Left;
    margin_->ways({{"sew.hand.right", tr("right hand"), !isLeft,
                    [this] { keep([](JobSewing& said) { said.hand = "right"; }); }},
                   {"sew.hand.left", tr("left hand"), isLeft,
                    [this] { keep([](JobSewing& said) { said.hand = "left"; }); }}});
    margin_->space();
    for (const PlannedFinding& finding : sewn->findings)
      if (finding.rule->severity != Severity::Note)
        margin_->finding(finding.rule->severity,
                         QString::fromStdString(findingSays(finding, notation) + " " +
                                                findingRemedy(finding, notation)));
  }
  for (const Issue& issue : book_->issues)
    margin_->finding(Severity::Stop,
                     QString::fromStdString(issueWords(issue, windowNotation(document_.plan()))));
  const bool isStab = !document_.missing().empty() ? false : book_->job.kind == SewingKind::Stab;
  if (isStab && (stab() != nullptr || !book_->issues.empty())) writePatterns();
  if (const Plan* sewn = plan()) {
    const Notation notation = windowNotation(document_.plan());
    margin_->space();
    for (const PlannedFinding& finding : sewn->findings)
      if (finding.rule->severity == Severity::Note)
        margin_->finding(Severity::Note,
                         QString::fromStdString(findingSays(finding, notation) + " " +
                                                findingRemedy(finding, notation)));
  }
  margin_->end();
}

/// Each drawn at this book's sizes.
void SewPage::writePatterns() {
  margin_->heading(tr("Patterns"));
  for (const std::string& id : patterns_->ids()) {
    const LoadedRules loaded = patterns_->load(id);
    if (loaded.rules == nullptr) continue;
    Job job = document_.job();
    JobSewing said = job.sewing.value_or(JobSewing());
    said.kind = "stab";
    said.pattern = id;
    job.sewing = said;
    const auto sewing = sewingOfBook(job, document_.plan(), *patterns_);
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
    connect(button, &QAbstractButton::clicked, this, [this, id] {
      keep([&](JobSewing& now) {
        now.pattern = id;
        now.start.reset();
      });
    });
    margin_->add(button);
  }
}

}  // namespace drapery
