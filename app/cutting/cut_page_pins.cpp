// What the binder decides about a lay-out: pieces put somewhere, lay-outs kept.
#include <QDate>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QLocale>
#include <algorithm>
#include <cmath>
#include <set>

#include "app/cutting/cut_page.h"
#include "app/cutting/sheet_card.h"
#include "app/cutting/sheet_view.h"
#include "app/margin_column.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "core/cutting/pinned_sheet.h"

namespace drapery {

namespace {

constexpr double kSnap = 9.0;  // pixels

double mm(Micrometres length) { return static_cast<double>(length) / 1000; }
Micrometres um(double mm) { return std::llround(mm * 1000); }

}  // namespace

void CutPage::change(const std::function<void(JobCutting&)>& edit) {
  told_.clear();
  JobCutting cutting = book_.job().cutting;
  edit(cutting);
  book_.keepCutting(std::move(cutting));
}

/// The number of its pins; of a sheet without any the next that is free.
int CutPage::pinNumber(const CutSheet& sheet) const {
  if (sheet.pinned) return *sheet.pinned;
  int number = 0;
  for (const JobPin& pin : book_.job().cutting.pins)
    if (pin.stock == stockOf(sheet).id) number = std::max(number, pin.sheet + 1);
  return number;
}

std::optional<std::size_t> CutPage::pinOf(const CutSheet& sheet, const CutPlacement& at) const {
  if (!sheet.pinned) return std::nullopt;
  const auto& pins = book_.job().cutting.pins;
  for (std::size_t i = 0; i < pins.size(); ++i)
    if (pins[i].stock == stockOf(sheet).id && pins[i].sheet == *sheet.pinned &&
        pins[i].piece == problem().pieces[at.piece].id && um(pins[i].x) == at.x &&
        um(pins[i].y) == at.y)
      return i;
  return std::nullopt;
}

/// Puts a piece there, in the place of one of its pins where it has one; tells why it cannot lie so
/// and leaves all as it is.
void CutPage::tryPin(JobPin pin, std::size_t instead) {
  told_.clear();
  if (found_->isSupposed) return;  // on nothing that is there
  JobCutting cutting = book_.job().cutting;
  if (instead < cutting.pins.size())
    cutting.pins.erase(cutting.pins.begin() + static_cast<std::ptrdiff_t>(instead));
  cutting.pins.push_back(std::move(pin));
  auto job = std::make_shared<Job>(book_.job());
  job->cutting = cutting;
  CutDesk::Found draft = *found_;
  draft.books.front().job = job;
  const CutWork work =
      cutWorkOf(draft.books, workspace_.stock().stock(), *book_.library().catalogue());
  std::vector<UntakenPin> untaken;
  pinnedSheets(work.problem, untaken);
  for (const UntakenPin& each : untaken)
    if (work.pins[each.pin] == cutting.pins.size() - 1) {
      tell(pinFaultWords(each.fault));
      showSheet();
      return writeMargin();
    }
  chosen_.reset();
  book_.keepCutting(std::move(cutting));
}

void CutPage::pinChosen() {
  const CutSheet& of = *sheet();
  const CutPlacement& at = of.placements[*chosen_];
  tryPin({problem().pieces[at.piece].id, stockOf(of).id, pinNumber(of), mm(at.x), mm(at.y),
          at.isTurned},
         pinOf(of, at).value_or(SIZE_MAX));
}

void CutPage::letGo() {
  const auto pin = pinOf(*sheet(), sheet()->placements[*chosen_]);
  if (!pin) return;
  change([&](JobCutting& cutting) {
    cutting.pins.erase(cutting.pins.begin() + static_cast<std::ptrdiff_t>(*pin));
  });
}

void CutPage::turnChosen() {
  const CutSheet& of = *sheet();
  const CutPlacement& at = of.placements[*chosen_];
  const CutPiece& piece = problem().pieces[at.piece];
  if (piece.grain != PieceGrain::Free) {
    tell(grainWords(piece));
    return writeMargin();
  }
  tryPin({piece.id, stockOf(of).id, pinNumber(of), mm(at.x), mm(at.y), !at.isTurned},
         pinOf(of, at).value_or(SIZE_MAX));
}

/// To the edges of others and of what can be used, where they are near; else to the rule in hand.
void CutPage::moveChosen(double x, double y) {
  const CutSheet& of = *sheet();
  if (!chosen_ || isStepping_) return;
  const CutPlacement& at = of.placements[*chosen_];
  const CutStock& stock = stockOf(of);
  const double reach = kSnap / view_->pixelsPerMm();
  const auto snapped = [&](double to, bool isAcross) {
    const Micrometres size = isAcross ? at.across : at.along;
    const Micrometres first = isAcross ? stock.left : stock.bottom;
    const Micrometres last =
        isAcross ? stock.across - stock.right - size
                 : lengthUsed(stock, of) - (stock.form == StockForm::Sheet ? stock.top : 0) - size;
    std::vector<Micrometres> lines{first, last};
    for (const CutPlacement& other : of.placements) {
      if (&other == &at) continue;
      const Micrometres begins = isAcross ? other.x : other.y;
      const Micrometres ends = begins + (isAcross ? other.across : other.along);
      for (const Micrometres line :
           {begins, ends + stock.kerf, begins - stock.kerf - size, ends - size})
        lines.push_back(line);
    }
    Micrometres best = um(std::round(to * 2) / 2);
    double nearest = reach;
    for (const Micrometres line : lines)
      if (std::abs(mm(line) - to) < nearest) {
        nearest = std::abs(mm(line) - to);
        best = line;
      }
    return mm(best);
  };
  tryPin({problem().pieces[at.piece].id, stock.id, pinNumber(of), snapped(x, true),
          snapped(y, false), at.isTurned},
         pinOf(of, at).value_or(SIZE_MAX));
}

/// What is carried from one sheet to another follows the pointer.
void CutPage::carry(const QPoint& at, const QSize& size) {
  carried_->setGeometry(QRect(mapFromGlobal(at) - QPoint(size.width(), size.height()) / 2, size));
  carried_->setStyleSheet(QString("border: 2px dashed %1").arg(palette_.accent.name()));
  carried_->raise();
  carried_->show();
}

/// A piece of one card let go on another one, or beside all of them, where it stays as it was.
void CutPage::putDown(std::size_t card, std::size_t placement, const QPoint& at) {
  carried_->hide();
  const CutSheet& of = shown().sheets[order_[card]];
  for (std::size_t i = 0; i < cards_.size(); ++i) {
    if (i == card || !cards_[i]->rect().contains(cards_[i]->mapFromGlobal(at))) continue;
    const CutSheet& to = shown().sheets[order_[i]];
    return movePiece(of, of.placements[placement], to.stock, pinNumber(to));
  }
}

void CutPage::moveTo(std::size_t stock, int number) {
  movePiece(*sheet(), sheet()->placements[*chosen_], stock, number);
}

void CutPage::movePiece(const CutSheet& of, const CutPlacement& at, std::size_t stock, int number) {
  if (problem().stocks[stock].material != problem().pieces[at.piece].material) {
    tell(pinFaultWords(PinFault::Elsewhere));
    return writeMargin();
  }
  const auto room = roomFor(problem(), at.piece, stock, number);
  if (!room) {
    tell(tr("There is no room for it beside the pieces that were put there."));
    return writeMargin();
  }
  tryPin({problem().pieces[at.piece].id, problem().stocks[stock].id, number, mm(room->x),
          mm(room->y), room->isTurned},
         pinOf(of, at).value_or(SIZE_MAX));
}

/// Told from the folder of this one, so that they can be moved together.
void CutPage::cutTogetherWith(const QString& path) {
  const QDir folder = QFileInfo(book_.path()).absoluteDir();
  if (QFileInfo(path) == QFileInfo(book_.path())) {
    tell(tr("That is this book itself; say how many copies of it are made on the docket."));
    return writeMargin();
  }
  change([&](JobCutting& cutting) {
    const std::string name = QFile::encodeName(folder.relativeFilePath(path)).toStdString();
    if (std::find(cutting.with.begin(), cutting.with.end(), name) == cutting.with.end())
      cutting.with.push_back(name);
  });
}

/// Every piece where it lies.
void CutPage::keepLayOut() {
  KeptLayOut kept;
  std::map<std::size_t, int> numbers;
  for (const CutSheet& of : shown().sheets)
    for (int i = 0; i < of.repeat; ++i) {
      const int number = numbers[of.stock]++;
      for (const CutPlacement& at : of.placements)
        kept.pins.push_back({problem().pieces[at.piece].id, stockOf(of).id, number, mm(at.x),
                             mm(at.y), at.isTurned});
    }
  change([&](JobCutting& cutting) {
    // A, B ... the first letter that is free.
    for (char letter = 'A'; kept.name.empty(); ++letter) {
      const std::string name(1, letter);
      if (letter > 'Z' || std::none_of(cutting.kept.begin(), cutting.kept.end(),
                                       [&](const KeptLayOut& each) { return each.name == name; }))
        kept.name = name;
    }
    cutting.kept.push_back(std::move(kept));
  });
}

void CutPage::takeUp(std::size_t which) {
  change([which](JobCutting& cutting) { cutting.pins = cutting.kept[which].pins; });
}

/// What it takes and costs, from the stock as it lies there.
QString CutPage::keptWords(const KeptLayOut& kept) const {
  std::map<std::pair<std::string, int>, double> ends;  // by stock and sheet: of a roll, mm
  std::map<std::string, int> counts;
  for (const JobPin& pin : kept.pins) {
    ++counts[pin.piece];
    double& end = ends[{pin.stock, pin.sheet}];
    for (const CutPiece& piece : problem().pieces)
      if (piece.id == pin.piece)
        end = std::max(end, pin.y + mm(pin.isTurned ? piece.width : piece.height));
  }
  for (const CutPiece& piece : problem().pieces)
    if (counts[piece.id] != piece.count) return tr("was for other pieces than these");
  int sheets = 0;
  Micrometres length = 0;
  double cost = 0.0;
  for (const auto& [where, end] : ends) {
    const StockItem* item = workspace_.stock().stock().named(where.first);
    if (item == nullptr) return tr("from stock that is no longer there");
    const bool isRoll = item->lies.form == StockForm::Roll;
    sheets += isRoll ? 0 : 1;
    length += isRoll ? um(end) : 0;
    cost += item->lies.cost * (isRoll ? end / 1000 : 1.0);
  }
  QStringList words{takenWords(sheets, length, windowNotation(book_.plan())),
                    QLocale().toString(cost, 'f', 2)};
  words.removeAll({});  // where nothing is taken
  return words.join(", ");
}

/// The result of the test is kept with the sheet.
void CutPage::writeGrainTest(const StockItem& item) {
  const auto way = [&](const char* name, const QString& words, GrainSign sign) {
    const bool holds = item.grainTest && item.grainTest->sign == sign;
    return MarginColumn::Way{name, words, holds, [this, sign, before = item] {
                               StockItem after = before;
                               after.grainTest = GrainTest{
                                   sign, QDate::currentDate().toString(Qt::ISODate).toStdString()};
                               const Issues issues =
                                   workspace_.stock().keepItem(*book_.undoStack(), before, after);
                               if (issues.empty()) return;
                               tell(issueText(issues.front(), windowNotation(book_.plan())));
                               writeMargin();
                             }};
  };
  margin_->ways({way("cut.grain.bend", tr("bent"), GrainSign::Bend),
                 way("cut.grain.damp", tr("damped"), GrainSign::Damp),
                 way("cut.grain.tear", tr("torn"), GrainSign::Tear)});
}

}  // namespace drapery
