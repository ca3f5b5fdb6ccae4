#include "exchange/slip_page.h"

#include <QCoreApplication>
#include <QDate>

#include "core/drawing/piece_shapes.h"
#include "core/quantity/format_length.h"
#include "words/amount_words.h"
#include "words/cut_moments.h"
#include "words/finding_words.h"
#include "words/plan_text.h"
#include "words/sewing_text.h"
#include "words/shopping_words.h"
#include "words/summary_words.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(SlipPage)
};

constexpr char kStep[] = "Step", kMoment[] = "Moment", kSewing[] = "Sewing", kCut[] = "Cut";

/// A sentence of the catalogue's in the window's language.
template <const char* Context>
std::string translated(const char* english) {
  return QCoreApplication::translate(Context, english).toStdString();
}

class Writer {
 public:
  Writer(const Job& job, const Plan& plan, const SewnBook& sewn)
      : job_(job), plan_(plan), sewn_(sewn), notation_{plan.units, plan.resolution, '.'} {}

  SlipPage write() {
    SlipPage page;
    page.title = job_.title.empty() ? Words::tr("Untitled book").toStdString() : job_.title;
    page.method = plan_.rules->title.text;
    page.date = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const std::string& line : summaryLines(plan_, "slip", notation_))
      page.book += (page.book.empty() ? "" : " ") + line;
    if (!job_.why.empty())
      page.book +=
          (page.book.empty() ? "" : " ") +
          Words::tr("Why this method: %1").arg(QString::fromStdString(job_.why)).toStdString();
    page.rule = Words::tr("Cut to %1. Width stands before height; height runs head to tail.")
                    .arg(QString::fromStdString(formatLength(plan_.resolution, notation_)))
                    .toStdString();
    if (plan_.copies > 1)
      page.rule += " " + Words::tr("All counts are for %1 books.").arg(plan_.copies).toStdString();
    page.card = summaryLines(plan_, "slip-card", notation_);
    for (const CutGroup& group : cutGroups(plan_, notation_, translated<kMoment>)) {
      page.groups.push_back({group.title, group.first, {}});
      for (const PlannedPart* part : group.pieces)
        page.groups.back().pieces.push_back(piece(*part));
    }
    for (const PlannedMark& mark : plan_.marks)
      (mark.rule->isAside ? page.asides : page.marks).push_back(markSays(mark, notation_));
    page.sewing = sewingLines(sewn_, notation_, translated<kSewing>);
    for (const PlannedStep& step : plan_.steps)
      page.steps.push_back(stepLine(step, notation_, translated<kStep>));
    page.tried = triedLines(plan_, notation_);
    for (const PlannedFinding& finding : plan_.findings)
      page.findings.push_back({finding.rule->severity, findingSays(finding, notation_),
                               findingRemedy(finding, notation_)});
    return page;
  }

 private:
  [[nodiscard]] SlipPiece piece(const PlannedPart& part) const {
    SlipPiece piece;
    piece.count = std::to_string(part.count * plan_.copies);
    piece.name = part.rule->title.text;
    piece.figures = sizeWords(part.cutWidth, part.cutHeight, notation_);
    piece.material = part.named.empty() ? part.material : part.named;
    if (const auto& band = part.rule->grammage)
      piece.material += ", " + bandWords(*band, notation_, translated<kCut>);
    piece.grain = part.rule->grain == Grain::Height  ? Words::tr("grain head to tail").toStdString()
                  : part.rule->grain == Grain::Width ? Words::tr("grain across").toStdString()
                                                     : std::string();
    const auto note = [&](const std::string& more) {
      piece.note += (piece.note.empty() || more.empty() ? "" : " ") + more;
    };
    if (plan_.isThere(part)) note(Words::tr("Already cut.").toStdString());
    if (part.hasTop) note(Words::tr("Mark its top.").toStdString());
    note(part.rule->note.text);
    piece.drawing = pieceDrawing(part);
    return piece;
  }

  const Job& job_;
  const Plan& plan_;
  const SewnBook& sewn_;
  Notation notation_;
};

}  // namespace

SlipPage slipPage(const Job& job, const Plan& plan, const SewnBook& sewn) {
  return Writer(job, plan, sewn).write();
}

}  // namespace drapery
