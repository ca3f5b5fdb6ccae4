#include "exchange/cut_pdf.h"

#include <QBuffer>
#include <QCoreApplication>
#include <QDate>
#include <algorithm>
#include <functional>
#include <map>
#include <set>

#include "core/cutting/bench_work.h"
#include "core/drawing/sheet_drawing.h"
#include "exchange/cut_labels.h"
#include "exchange/page_column.h"
#include "exchange/page_pictures.h"
#include "exchange/whole_bytes.h"
#include "paint/set_words.h"
#include "paint/sheet_painter.h"
#include "words/cut_moments.h"
#include "words/cut_words.h"
#include "words/shopping_words.h"

namespace drapery {

namespace {

// mm on the paper.
constexpr double kEdge = PageColumn::kEdge;
constexpr double kTitle = 6.4;
constexpr double kHeading = 4.4;
constexpr double kText = 3.8;
constexpr double kSmall = 3.2;
constexpr double kStep = 4.4;           // a setting of the gauge
constexpr double kSheetHeight = 128.0;  // of a drawing
constexpr double kPlainHeight = 72.0;   // of one with few pieces: two of them on a page
constexpr double kMostHeight = 185.0;   // where its page has room for more
constexpr std::size_t kFewPieces = 12;
constexpr std::ptrdiff_t kTogether = 12;  // settings, with their sheet on a page
constexpr double kTicked = 6.0;           // words beside a box to tick

struct Words {
  Q_DECLARE_TR_FUNCTIONS(CutPdf)
};

QString text(const std::string& from) { return QString::fromStdString(from); }
std::string translated(const char* english) {
  return QCoreApplication::translate(kCutContext, english).toStdString();
}
std::string translatedMoment(const char* english) {
  return QCoreApplication::translate("Moment", english).toStdString();
}
QString money(double amount) { return QString::number(amount, 'f', 2); }

class CutPainter {
 public:
  CutPainter(QPdfWriter& writer, const CutPages& pages)
      : pages_(pages),
        found_(pages.found),
        problem_(pages.found.work.problem),
        plan_(*pages.found.books.front().plan),
        notation_{plan_.units, plan_.resolution, '.'},
        bench_(benchWork(problem_, found_.layout, pages.stock.usable, pages.longest)),
        layout_(bench_.layout),
        parts_(found_.parts()),
        column_(writer, title()) {
    for (std::size_t i = 0; i < layout_.sheets.size(); ++i) order_.push_back(i);
    std::stable_sort(order_.begin(), order_.end(), [&](std::size_t a, std::size_t b) {
      return momentOf(layout_.sheets[a]) < momentOf(layout_.sheets[b]);
    });
  }

  /// Drawings take the room that is left of their pages: what is written there is known first.
  void paint() {
    write();
    growPictures(column_, pictures_);
    column_.clear();
    write();
    column_.finish(column_.bottom());
  }

 private:
  void write() {
    marks_.clear();
    heading();
    shelf();
    toBuy();
    numbering();
    for (const std::size_t sheet : order_) sheetLines(sheet);
    labels();
  }
  [[nodiscard]] QString title(std::size_t book = 0) const {
    const Job& job = *found_.books[book].job;
    if (book == 0 && job.title.empty()) return Words::tr("Untitled book");
    return text(bookName(job));
  }
  [[nodiscard]] const CutStock& stockOf(const CutSheet& sheet) const {
    return problem_.stocks[sheet.stock];
  }
  [[nodiscard]] int momentOf(const CutSheet& sheet) const {
    int moment = static_cast<int>(CutWhen::Last);
    for (const CutPlacement& at : sheet.placements)
      moment = std::min(moment, problem_.pieces[at.piece].moment);
    return moment;
  }
  [[nodiscard]] QString pieceName(std::size_t piece) const {
    const CutWork::Piece& of = found_.work.pieces[piece];
    return nameOf(of.book, *of.part);
  }
  [[nodiscard]] QString nameOf(std::size_t book, const PlannedPart& part) const {
    const QString name = text(part.rule->title.text);
    return book == 0 ? name : name + " · " + text(bookName(*found_.books[book].job));
  }
  /// So many rectangles' pieces.
  [[nodiscard]] QString pieces(std::size_t piece, int rectangles) const {
    return counted(rectangles * found_.work.pieces[piece].each, pieceName(piece));
  }
  [[nodiscard]] QString pieceSize(std::size_t piece) const {
    const CutPiece& of = problem_.pieces[piece];
    return text(cutSizeWords(of.width, of.height, notation_));
  }

  static QString counted(int count, const QString& name) {
    return count > 1 ? QString("%1 × %2").arg(count).arg(name) : name;
  }

  void heading() {
    column_.write(kEdge, {kTitle, true}, title(), true);
    double cost = 0.0;
    for (const MaterialCost& each : layout_.materials)
      cost += found_.work.costOf(layout_, each.material);
    column_.write(kEdge, {kText, false, lightPalette().secondInk},
                  Words::tr("To cut, %1. Material for %2.")
                      .arg(QDate::currentDate().toString(Qt::ISODate), money(cost)),
                  true);
    for (std::size_t book = 0; book < found_.books.size(); ++book)
      if (found_.books[book].plan->has(Severity::Stop))
        column_.write(kEdge, {kHeading, true, lightPalette().stop},
                      book == 0 ? Words::tr("The book has a stop: it must not be cut yet.")
                                : Words::tr("%1 has a stop: it must not be cut yet.")
                                      .arg(text(bookName(*found_.books[book].job))),
                      true);
    column_.write(kEdge, {kSmall, false, lightPalette().secondInk}, careWords(), true);
    column_.leave(2);
    column_.rule();
    column_.leave(3);
  }

  void ticked(const QString& words, const QColor& colour = lightPalette().ink) {
    column_.tick(kEdge);
    column_.write(kEdge + kTicked, {kText, false, colour}, words);
    column_.leave(0.8);
  }

  /// What is taken from where, and what of it is not as the plan has it.
  void shelf() {
    column_.write(kEdge, {kHeading, true}, Words::tr("From the shelf"), true);
    column_.leave(1);
    std::map<std::size_t, std::pair<int, Micrometres>> taken;
    for (const CutSheet& sheet : layout_.sheets) {
      auto& [sheets, length] = taken[sheet.stock];
      sheets += sheet.repeat;
      length += lengthUsed(stockOf(sheet), sheet) * sheet.repeat;
    }
    const StockItem* untested = nullptr;
    for (const auto& [stock, much] : taken) {
      const CutStock& of = problem_.stocks[stock];
      const StockItem* item = pages_.stock.named(of.id);
      QString line =
          of.form == StockForm::Roll
              ? Words::tr("%1 of %2").arg(text(cutLengthWords(much.second, notation_)), text(of.id))
              : QString("%1 × %2").arg(much.first).arg(text(of.id));
      if (item != nullptr)
        line += ", " + withWholeSizes(text(stockSizeWords(*item, notation_, translated)));
      if (item != nullptr && !item->place.empty()) line += " (" + text(item->place) + ")";
      const bool isUntested = item != nullptr && !item->grainTest;
      if (isUntested) untested = item;
      ticked(isUntested ? line + "; " + Words::tr("grain not tested") : line);
      if (const std::string pattern = patternWords(of, translated); !pattern.empty())
        column_.write(kEdge + kTicked, {kSmall, false, lightPalette().secondInk}, text(pattern));
    }
    if (untested != nullptr)
      column_.write(kEdge + kTicked, {kSmall, false, lightPalette().secondInk},
                    text(grainTestWords(*untested, translated)));
    const std::vector<OtherMake> others = found_.otherMakes(pages_.stock);
    for (const OtherMake& each : others)
      column_.write(
          kEdge + kTicked, {kText, false, lightPalette().mind},
          text(otherMakeWords(each, pieceName(each.piece).toStdString(), notation_, translated)));
    if (const std::string layers = layersWords(others, translated); !layers.empty())
      column_.write(kEdge + kTicked, {kText, false, lightPalette().mind}, text(layers));
    for (const CutOtherwise& each : found_.work.otherwise)
      column_.write(kEdge + kTicked, {kText, false, lightPalette().mind},
                    text(cutOtherwiseWords(each.was, each.is, each.isTooSmall,
                                           nameOf(each.book, *each.part).toStdString(), notation_,
                                           translated)));
  }

  void toBuy() {
    if (layout_.unplaced.empty()) return;
    column_.leave(2);
    column_.write(kEdge, {kHeading, true, lightPalette().mind}, Words::tr("To buy"), true);
    column_.leave(1);
    for (const ToBuy& each : found_.shopping.more) {
      const CutStock& of = problem_.stocks[each.stock];
      ticked(of.form == StockForm::Roll
                 ? Words::tr("%1 more of %2")
                       .arg(text(rollLengthWords(each.length, notation_)), text(of.id))
                 : Words::tr("%1 more of %2").arg(each.sheets).arg(text(of.id)));
    }
    for (const ToGet& each : found_.shopping.missing) missing(each);
    if (!found_.shopping.missing.empty())
      column_.write(kEdge + kTicked, {kSmall, false, lightPalette().secondInk},
                    Words::tr("The grain is long where it is not said."));
    for (const Unplaced& each : layout_.unplaced)
      ticked(Words::tr("for %1, %2: %3")
                 .arg(pieces(each.piece, each.count), pieceSize(each.piece),
                      text(whyUnplaced(problem_, each.piece, notation_, translated))),
             lightPalette().mind);
  }

  /// What to ask for, in which sizes it is sold, and what else does.
  void missing(const ToGet& wanted) {
    const QString name = text(wanted.named.empty() ? wanted.kind : wanted.named);
    QStringList sizes;
    for (const SoldSize& size : wanted.sold) sizes << text(soldWords(size, notation_, translated));
    if (wanted.isTooLarge) sizes << Words::tr("no size that is known to be sold holds them");
    ticked(name + text(askFor(wanted, notation_, translated)) +
           (sizes.isEmpty() ? QString() : ": " + sizes.join(Words::tr("; or "))));
    if (!wanted.instead.empty())
      column_.write(kEdge + kTicked, {kSmall, false, lightPalette().secondInk},
                    Words::tr("Where there is none: %1").arg(text(wanted.instead)));
  }

  void numbering() {
    const auto& all = layout_.materials;
    if (std::none_of(all.begin(), all.end(), [&](const MaterialCost& each) {
          return bench_.areSeveralSheets(each.material);
        }))
      return;
    column_.leave(2);
    column_.write(kEdge, {kSmall, false, lightPalette().secondInk},
                  text(numberingWords(translated)));
  }

  /// Drawn as wide as the column.
  [[nodiscard]] double fullHeight(const SheetDrawing& drawing) const {
    const Box box = boundsOf(drawing.drawing);
    return (column_.right() - kEdge) * box.height() / box.width();
  }
  [[nodiscard]] SheetDrawing drawn(std::size_t which) const {
    const CutSheet& sheet = layout_.sheets[which];
    return sheetDrawing({problem_, layout_, parts_}, which,
                        {&bench_.stepsOf(stockOf(sheet).material), 0},
                        usableLeft(stockOf(sheet), sheet, pages_.stock.usable));
  }
  /// The sheet as it lies, what is not written on it, and the settings that it is cut at.
  void sheetLines(std::size_t which) {
    const CutSheet& sheet = layout_.sheets[which];
    column_.leave(6);
    column_.write(kEdge, {kHeading, true}, counted(sheet.repeat, text(stockOf(sheet).id)), true);
    column_.leave(1);
    SheetDrawing drawing = drawn(which);
    const auto [known, isNew] = pictures_.try_emplace(which);
    if (isNew) {
      const bool isOfMany = sheet.placements.size() > kFewPieces;
      known->second.most = std::min(kMostHeight, fullHeight(drawing));
      known->second.high = std::min(isOfMany ? kSheetHeight : kPlainHeight, known->second.most);
    }
    PagePicture& picture = known->second;
    picture.block = column_.count();
    const QRectF room(kEdge, 0, column_.right() - kEdge, picture.high);
    const auto told = linesTold(column_.painter(), drawing, fitted(boundsOf(drawing.drawing), room),
                                lookOn(which, {}));
    std::set<std::size_t> marked;            // placements
    std::map<std::size_t, qsizetype> least;  // lines, by piece
    for (std::size_t i = 0; i < told.size(); ++i) {
      const std::size_t placement = drawing.pieces[i].placement;
      const std::size_t piece = sheet.placements[placement].piece;
      if (told[i] == 0) marked.insert(placement);
      const auto [fewest, isFirst] = least.try_emplace(piece, told[i]);
      fewest->second = std::min(fewest->second, told[i]);
    }
    column_.add({picture.high, 0.0, true,
                 [this, which, drawing = std::move(drawing), room, marked](double top) {
                   paintSheet(column_.painter(), drawing,
                              fitted(boundsOf(drawing.drawing), room.translated(0, top)),
                              lookOn(which, marked));
                 }});
    column_.leave(2);
    key(least);
    stepLines(which, bench_.stepsOf(stockOf(sheet).material));
  }
  /// @param marked placements on which a mark stands.
  [[nodiscard]] SheetLook lookOn(std::size_t which, const std::set<std::size_t>& marked) const {
    SheetLook look;
    look.style = pageStyle(lightPalette());
    look.words = [this, which, marked](std::size_t placement) {
      SheetWords words = wordsOn(which, placement);
      if (marked.count(placement) > 0)
        words.mark = marks_.at(layout_.sheets[which].placements[placement].piece);
      return words;
    };
    return look;
  }
  [[nodiscard]] SheetWords wordsOn(std::size_t which, std::size_t placement) const {
    const CutSheet& sheet = layout_.sheets[which];
    const std::size_t piece = sheet.placements[placement].piece;
    SheetWords words;
    words.lines = QStringList{pieces(piece, 1), pieceSize(piece)};
    words.waits = problem_.pieces[piece].moment > momentOf(sheet);
    return words;
  }
  /// What found no room on its pieces: the name behind a mark, the size behind the name.
  void key(const std::map<std::size_t, qsizetype>& told) {
    constexpr qsizetype kAll = 2;
    QStringList lines;
    for (const auto& [piece, least] : told) {
      if (least == kAll) continue;
      const QString size = pieceSize(piece).replace(' ', QChar::Nbsp);
      const QString whole = QString("%1, %2").arg(pieces(piece, 1), size);
      if (least > 0) {
        lines << whole;
        continue;
      }
      const auto mark = marks_.try_emplace(piece, markOf(marks_.size())).first;
      lines << QString("%1: %2").arg(mark->second, whole);
    }
    if (!lines.isEmpty())
      column_.write(kEdge, {kSmall, false, lightPalette().ink}, lines.join(";  "), true);
  }
  /// a, b ... z, aa, ab ...
  static QString markOf(std::size_t which) {
    constexpr std::size_t kLetters = 26;
    const QString last(QChar('a' + static_cast<char>(which % kLetters)));
    return which < kLetters ? last : markOf(which / kLetters - 1) + last;
  }

  void stepLines(std::size_t which, const std::vector<GaugeStep>& steps) {
    const auto left =
        usableLeft(stockOf(layout_.sheets[which]), layout_.sheets[which], pages_.stock.usable);
    QStringList kept;
    for (const CutPlacement& each : left)
      kept << text(cutSizeWords(each.across, each.along, notation_));
    const auto inTwo = found_.work.inTwoOn(layout_.sheets[which]);
    const bool isMore = !kept.isEmpty() || !inTwo.empty();
    const std::vector<CutGroup> groups = cutGroups(plan_, notation_, translatedMoment);
    int moment = -1;
    const auto isHere = [&](const OrderedCut& cut) { return cut.sheet == which; };
    const auto last = std::find_if(steps.rbegin(), steps.rend(), [&](const GaugeStep& step) {
      return std::any_of(step.cuts.begin(), step.cuts.end(), isHere);
    });
    const auto count = std::count_if(steps.begin(), steps.end(), [&](const GaugeStep& step) {
      return std::any_of(step.cuts.begin(), step.cuts.end(), isHere);
    });
    for (std::size_t i = 0; i < steps.size(); ++i) {
      GaugeStep here = steps[i];
      std::erase_if(here.cuts, std::not_fn(isHere));
      if (here.cuts.empty()) continue;
      if (here.moment != moment) {
        moment = here.moment;
        column_.leave(1);
        column_.write(kEdge, {kText, true},
                      text(momentTitle(static_cast<CutWhen>(moment), translatedMoment)), true);
        for (const CutGroup& group : groups)
          if (static_cast<int>(group.when) == moment)
            for (const std::string& line : group.first)
              column_.write(kEdge, {kSmall, false, lightPalette().secondInk}, text(line), true);
      }
      column_.tick(kEdge);
      column_.write(kEdge + kTicked, {kStep, true},
                    QString("%1   %2").arg(i + 1).arg(
                        text(settingWords(here, notation_, pages_.longest, translated))),
                    &steps[i] == &*last ? isMore : count <= kTogether);
    }
    for (const auto& [piece, rectangles] : inTwo)
      column_.write(
          kEdge, {kSmall, false, lightPalette().ink},
          text(inTwoWords(rectangles, pieces(piece, rectangles).toStdString(), translated)),
          !kept.isEmpty());
    if (!kept.isEmpty())
      column_.write(kEdge, {kSmall, false, lightPalette().note},
                    Words::tr("Off-cuts to keep: %1").arg(kept.join("; ")));
  }

  void labels() {
    std::vector<CutLabel> all;
    for (std::size_t piece = 0; piece < problem_.pieces.size(); ++piece) {
      const CutPiece& of = problem_.pieces[piece];
      const CutWork::Piece& planned = found_.work.pieces[piece];
      const QString name = counted(of.count * planned.each, text(planned.part->rule->title.text));
      all.push_back(
          {planned.layers > 1 ? Words::tr("%1, %2 make one").arg(name).arg(planned.layers) : name,
           pieceSize(piece), title(planned.book), of.grain != PieceGrain::Width,
           of.grain != PieceGrain::Free});
    }
    Stock shelf = pages_.stock;
    for (const std::size_t which : order_) {
      const CutSheet& sheet = layout_.sheets[which];
      const auto change = stockChangeOf(shelf, stockOf(sheet), sheet, sheet.repeat);
      const auto* made = std::get_if<StockChange>(&change);
      if (made == nullptr) continue;
      for (const StockItem& given : made->given) {
        all.push_back({counted(given.lies.count.value_or(1), text(given.lies.id)),
                       text(stockSizeWords(given, notation_, translated)), text(given.place),
                       given.lies.grain == StockGrain::Along, true});
        shelf.items.push_back(given);
      }
    }
    if (all.empty()) return;
    column_.pageBreak();
    column_.write(kEdge, {kHeading, true}, Words::tr("Labels for pieces and off-cuts"), true);
    column_.leave(2);
    writeLabels(column_, all);
  }

  const CutPages& pages_;
  const BooksLaidOut& found_;
  const CutProblem& problem_;
  const Plan& plan_;
  Notation notation_;
  const BenchWork bench_;
  const CutLayout& layout_;  // cut as the bench does
  std::vector<const PlannedPart*> parts_;
  PageColumn column_;
  std::vector<std::size_t> order_;               // of sheets
  std::map<std::size_t, PagePicture> pictures_;  // by sheet
  std::map<std::size_t, QString> marks_;         // of pieces
};

}  // namespace

QByteArray cutPdf(const CutPages& pages) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  QPdfWriter writer(&buffer);
  setUpPages(writer, text(pages.found.books.front().job->title),
             pages.found.books.front().plan->units == Units::Inches);
  CutPainter(writer, pages).paint();
  return buffer.data();
}

std::optional<Issue> writeCutPdf(const CutPages& pages, const std::string& path,
                                 const std::function<bool()>& isCancelled) {
  return writePainted(cutPdf(pages), path, isCancelled);
}

}  // namespace drapery
