#include "exchange/print_job.h"

#include <QCoreApplication>
#include <QDate>
#include <QImage>
#include <QPainter>
#include <QSizeF>
#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/toml/table_reader.h"
#include "exchange/print_look.h"
#include "paint/lettering.h"
#include "words/finding_words.h"
#include "words/plan_text.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Templates)
};

QString text(const std::string& from) { return QString::fromStdString(from); }

QString filled(const RuleWords& words, const std::vector<Amount>& figures,
               const Notation& notation) {
  return text(filledWords(words, figures, notation)).trimmed();
}

/// Of a piece: how many, of what, which way its grain.
QString pieceSays(const PlannedPart& part, const Plan& plan) {
  const int count = part.count * plan.copies;
  QString says =
      Words::tr("%1 of %2").arg(count).arg(text(part.named.empty() ? part.material : part.named));
  if (part.rule->grain == Grain::Height) says += ", " + Words::tr("grain head to tail");
  if (part.rule->grain == Grain::Width) says += ", " + Words::tr("grain across");
  says += ".";
  if (part.hasTop) says += " " + Words::tr("Mark its top.");
  return says;
}

QString foldsSay(const Artwork& art, const Notation& notation) {
  QStringList at;
  for (const double fold : art.folds()) at << text(formatBare(Length::fromMm(fold), notation));
  return Words::tr("Outside up. Folds from the left edge: %1 of %2.")
      .arg(at.join(", "), text(formatLength(Length::fromMm(art.width()), notation)));
}

}  // namespace

QSizeF PrintJob::paperSize(std::size_t sheet) const {
  return {paper.width, paper.isRoll ? sheets[sheet].length : paper.height};
}

TrueSizeWords trueSizeWords(const TrueSize& thing, const Plan& plan, const Notation& notation) {
  TrueSizeWords words;
  words.title = text(thing.title.in(notation.language));
  const Length width = thing.part != nullptr ? thing.part->cutWidth : thing.width;
  const Length height = thing.part != nullptr ? thing.part->cutHeight : thing.height;
  words.figures = text(sizeWords(width, height, notation));
  if (thing.rule != nullptr) {
    words.says = filled(thing.rule->says, thing.says, notation);
    words.block = filled(thing.rule->block, thing.block, notation);
    // A gauge is told by what it gives.
    if (thing.gives) words.figures = text(formatLength(*thing.gives, notation));
  }
  if (thing.part != nullptr) words.says = pieceSays(*thing.part, plan);
  if (thing.artwork) words.says = foldsSay(*thing.artwork, notation);
  if (thing.isSticker) words.sticker << words.title << words.figures << words.says;
  return words;
}

QString labelWords(const TrueSizeLabel& label, const Notation& notation) {
  if (label.isHead) return Words::tr("head");
  return label.says != nullptr ? filled(*label.says, label.figures, notation)
                               : text(label.title.in(notation.language));
}

std::variant<std::vector<TrueSize>, Issue> chosenThings(const Plan& plan,
                                                        const PrintChoice& choice) {
  std::vector<TrueSize> all = trueSizes(plan);
  std::vector<std::string> known;
  known.reserve(all.size());
  for (const TrueSize& thing : all) known.push_back(thing.id);
  for (const std::string& id : choice.ids)
    if (std::find(known.begin(), known.end(), id) == known.end())
      return Issue{"template-unknown",
                   {{"value", shortened(id)},
                    {"nearest", nearestName(id, known)},
                    {"allowed", joined(known)}},
                   {},
                   {},
                   {}};
  std::erase_if(all, [&](const TrueSize& thing) {
    if (choice.ids.empty()) return thing.part != nullptr && !thing.isSticker;
    return std::find(choice.ids.begin(), choice.ids.end(), thing.id) == choice.ids.end();
  });
  if (all.empty())
    return Issue{"print-nothing", {{"name", Words::tr("template").toStdString()}}, {}, {}, {}};
  return all;
}

namespace {

/// The room over a thing for its title and what is said of it.
PrintThing thingOf(const TrueSize& thing, const TrueSizeWords& words, double room) {
  if (thing.isSticker) return {thing.width.mm(), thing.height.mm(), 0.0, 0.0, true};
  QImage medium(1, 1, QImage::Format_ARGB32_Premultiplied);
  QPainter painter(&medium);
  const Lettering letters(painter, kCaptionPerMm);
  const double wide = std::min(room, kCaptionWide);
  const auto lines = letters.broken(words.says, kCaptionLetters, wide).size();
  return {thing.width.mm(), thing.height.mm(),
          Lettering::lineHeight(kCaptionTitle) +
              Lettering::lineHeight(kCaptionLetters) * static_cast<double>(lines) + kBelowCaption,
          wide, false};
}

}  // namespace

std::variant<PrintJob, Issue> makePrintJob(const Job& job, std::shared_ptr<const Plan> plan,
                                           const PrintChoice& choice, const Paper& paper,
                                           const ShopPrinter& printer) {
  auto chosen = chosenThings(*plan, choice);
  if (auto* issue = std::get_if<Issue>(&chosen)) return std::move(*issue);
  PrintJob print;
  print.plan = std::move(plan);
  print.things = std::move(std::get<std::vector<TrueSize>>(chosen));
  print.paper = paper;
  print.error = printer.error;
  if (!(printer.error == PrinterError())) print.printer = text(printer.name);
  print.notation = {print.plan->units, print.plan->resolution, '.'};
  print.book = job.title.empty() ? Words::tr("Untitled book") : text(job.title);
  print.date = QDate::currentDate().toString(Qt::ISODate);
  const double room = printRoom(paper, print.layout, print.error).width();
  std::vector<PrintThing> things;
  for (const TrueSize& thing : print.things) {
    print.words.push_back(trueSizeWords(thing, *print.plan, print.notation));
    things.push_back(thingOf(thing, print.words.back(), room));
  }
  print.sheets = printSheets(things, paper, print.layout, print.error);
  if (print.sheets.empty())
    return Issue{"print-no-room",
                 {{"name", print.words.front().title.toStdString()}, {"value", paper.title}},
                 {},
                 {},
                 {}};
  return print;
}

}  // namespace drapery
