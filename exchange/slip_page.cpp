#include "exchange/slip_page.h"

#include <QCoreApplication>

#include "core/quantity/format_length.h"
#include "words/figure_words.h"
#include "words/finding_words.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

std::string tr(const char* text) {
  return QCoreApplication::translate("SlipPage", text).toStdString();
}

/// Fills %1, %2 ... in a translated sentence.
std::string filled(const char* text, std::initializer_list<std::string> figures) {
  QString sentence = QCoreApplication::translate("SlipPage", text);
  for (const std::string& figure : figures) sentence = sentence.arg(QString::fromStdString(figure));
  return sentence.toStdString();
}

class Writer {
 public:
  Writer(const Job& job, const Plan& plan)
      : job_(job), plan_(plan), notation_{plan.units, plan.mark, '.'} {}

  SlipPage write() {
    SlipPage page;
    page.title = job_.title.empty() ? tr("Untitled book") : job_.title;
    page.method = plan_.rules->title.text;
    page.book = filled("Leaves %1 high, %2 wide, %3 thick; spine %4; board %5.",
                       {bare("text_height"), bare("text_width"), bare("text_thickness"),
                        bare("spine_thickness"), full("board_thickness")});
    page.rule = filled("Cut to %1. Width stands before height; height runs head to tail.",
                       {formatLength(plan_.mark, notation_)});
    for (const PlannedPart& part : plan_.parts) page.pieces.push_back(piece(part));
    for (const PlannedMark& mark : plan_.marks) page.marks.push_back(markSays(mark, notation_));
    addTried(page);
    for (const PlannedFinding& finding : plan_.findings)
      page.findings.push_back({finding.rule->severity, findingSays(finding, notation_),
                               findingRemedy(finding, notation_)});
    return page;
  }

 private:
  [[nodiscard]] std::string bare(const char* name) const {
    const auto length = plan_.length(name);
    return length ? formatBare(*length, notation_) : "–";
  }
  [[nodiscard]] std::string full(const char* name) const {
    const auto length = plan_.length(name);
    return length ? formatLength(*length, notation_) : "–";
  }
  [[nodiscard]] SlipPiece piece(const PlannedPart& part) const {
    SlipPiece piece;
    piece.count = std::to_string(part.count);
    piece.name = part.rule->title.text;
    piece.figures = sizeWords(part.cutWidth, part.cutHeight, notation_);
    piece.material = part.material;
    piece.grain = part.rule->grain == Grain::Height  ? tr("grain head to tail")
                  : part.rule->grain == Grain::Width ? tr("grain across")
                                                     : std::string();
    piece.note = part.rule->note.text;
    piece.width = part.cutWidth.mm();
    piece.height = part.cutHeight.mm();
    for (const Point& p : part.outline)
      piece.outline.push_back({p.x / part.width.mm(), p.y / part.height.mm()});
    piece.direction = part.rule->grain;
    return piece;
  }

  void addTried(SlipPage& page) const {
    if (!plan_.length("square_fore_edge_tried")) return;
    page.tried.push_back(filled(
        "Squares on the book: head %1, tail %2, fore-edge %3.",
        {bare("square_head_tried"), bare("square_tail_tried"), full("square_fore_edge_tried")}));
    page.tried.push_back(filled(
        "The boards stand %1 back from the spine; the cover opens to %2.",
        {full("setback_tried"),
         figureWords({plan_.number("opening_angle_tried").value_or(0), Unit::Degree}, notation_)}));
  }

  const Job& job_;
  const Plan& plan_;
  Notation notation_;
};

}  // namespace

SlipPage slipPage(const Job& job, const Plan& plan) { return Writer(job, plan).write(); }

}  // namespace drapery
