// What was cut, what of it was spoilt, and what that takes from the stock.
#include <QFile>
#include <QFileInfo>
#include <algorithm>

#include "app/cutting/cut_page.h"
#include "app/margin_column.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"

namespace drapery {

/// As many as a rectangle holds: a corner is cut two at a time.
QString CutPage::cutPieces(const CutDone& done, const std::string& piece, int count) const {
  const Stock& shelf = workspace_.stock().stock();
  const StockItem* from = shelf.named(done.stock);
  const StockPattern pattern =
      from != nullptr ? patternOf(shelf, from->lies.material) : StockPattern::None;
  const PlannedPart* part = done.book.empty() ? book_.plan().part(piece) : nullptr;
  if (const BookToCut* of = bookOf(done); part == nullptr && of != nullptr)
    part = of->plan->part(piece);
  const QString title =
      part != nullptr ? localText(part->rule->title) : QString::fromStdString(piece);
  const int often = count * (part != nullptr ? piecesOfRectangle(*part, pattern) : 1);
  return often > 1 ? QString("%1 × %2").arg(often).arg(title) : title;
}

QStringList CutPage::cutPieces(const CutDone& done, const std::map<std::string, int>& of) const {
  QStringList words;
  for (const auto& [piece, count] : of)
    if (count > 0) words << cutPieces(done, piece, count);
  return words;
}

/// What was cut already, and what of it has to be cut again.
void CutPage::writeDone() {
  const std::vector<CutDone>& all = book_.job().cutting.done;
  // Before anything was laid out there is no book.
  const std::vector<CutBeside> beside =
      found_->books.empty() ? std::vector<CutBeside>() : found_->books.front().beside;
  if (all.empty() && beside.empty()) return;
  margin_->space();
  margin_->heading(tr("Cut already"));
  for (std::size_t i = 0; i < all.size(); ++i) {
    writeDone(all[i], i);
    writeSpoiling(all[i], i);
  }
  for (std::size_t i = 0; i < beside.size(); ++i) {
    CutDone done = beside[i].done;
    done.book.clear();  // this one
    writeDone(done, all.size() + i);
    margin_->small(tr("together with %1, where it is told what of it is spoilt")
                       .arg(QString::fromStdString(beside[i].name)));
  }
}

void CutPage::writeDone(const CutDone& done, std::size_t which) {
  const QString stock = QString::fromStdString(done.stock);
  const QString from = done.isMockUp ? tr("%1, for a mock-up").arg(stock) : stock;
  const QString good = cutPieces(done, done.pieces).join(", ");
  const QString whose = done.book.empty() ? good : tr("%1, for %2").arg(good, bookTitle(done));
  margin_->text(good.isEmpty() ? from : from + ": " + whose);
  QStringList spoilt = cutPieces(done, done.spoilt);
  if (done.sheetsSpoilt > 0)
    spoilt.prepend(takenWords(done.sheetsSpoilt, 0, windowNotation(book_.plan())));
  if (!spoilt.isEmpty()) margin_->small(tr("spoilt: %1").arg(spoilt.join(", ")));
  for (const CutOtherwise& each : found_->work.otherwise)
    if (each.done == which)
      margin_->finding(Severity::Mind,
                       cutOtherwiseText(each, pieceTitle(*found_, each.book, *each.part),
                                        windowNotation(book_.plan())));
}

/// Whose its pieces are; none where that is not cut together with this one any more.
const BookToCut* CutPage::bookOf(const CutDone& done) const {
  for (const BookToCut& book : found_->books)
    if (book.file == done.book) return &book;
  return nullptr;
}

QString CutPage::bookTitle(const CutDone& done) const {
  if (const BookToCut* book = bookOf(done)) return QString::fromStdString(bookName(*book->job));
  return QFileInfo(QFile::decodeName(done.book.c_str())).completeBaseName();
}

void CutPage::writeSpoiling(const CutDone& done, std::size_t which) {
  std::vector<MarginColumn::Way> ways;
  int total = 0;
  for (const auto& [piece, count] : done.pieces) {
    if (count <= 0) continue;
    total += count;
    ways.push_back({QString("cut.spoilt.%1.%2").arg(which).arg(QString::fromStdString(piece)),
                    tr("%1 spoilt").arg(cutPieces(done, piece, 1)), false,
                    [this, which, id = piece] {
                      spoil(which, {{id, 1}});
                    }});
  }
  if (total > 1)
    ways.push_back({QString("cut.again.%1").arg(which), tr("all of it spoilt"), false,
                    [this, which, pieces = done.pieces] { spoil(which, pieces); }});
  if (!ways.empty()) margin_->ways(ways);
}

/// They are to be cut again; the sheet that they came from stays taken.
void CutPage::spoil(std::size_t which, const std::map<std::string, int>& pieces) {
  change([&](JobCutting& cutting) {
    CutDone& done = cutting.done[which];
    for (const auto& [piece, count] : pieces) {
      done.spoilt[piece] += count;
      if ((done.pieces[piece] -= count) <= 0) done.pieces.erase(piece);
    }
  });
}

/// One of these sheets is taken from the stock, and nothing comes of it.
void CutPage::spoilSheet() {
  const StockItem* item = workspace_.stock().stock().named(stockOf(*sheet()).id);
  if (item == nullptr) return;
  JobCutting cutting = book_.job().cutting;
  const auto same = std::find_if(
      cutting.done.begin(), cutting.done.end(),
      [&](const CutDone& done) { return done.stock == item->lies.id && done.sheetsSpoilt > 0; });
  CutDone& done = same != cutting.done.end() ? *same : cutting.done.emplace_back();
  done.stock = item->lies.id;
  ++done.sheetsSpoilt;
  keepCut(tr("spoilt %1").arg(QString::fromStdString(item->lies.id)),
          takenOf(workspace_.stock().stock(), *item, 1), std::move(cutting));
}

/// Which of the books that it is cut for has a stop; empty where all may be cut.
QString CutPage::whyNotYet() const {
  for (const CutPlacement& at : sheet()->placements) {
    const std::size_t book = found_->work.pieces[at.piece].book;
    if (!found_->books[book].plan->has(Severity::Stop)) continue;
    if (book == 0) return tr("The book has a stop: it must not be cut yet.");
    return tr("%1 has a stop: it must not be cut yet.")
        .arg(QString::fromStdString(bookName(*found_->books[book].job)));
  }
  return {};
}

/// Takes so many of them from the stock and puts what is left over there; their pieces need not be
/// cut any more.
void CutPage::cutSheetDone(int times) {
  const CutSheet of = *sheet();
  const CutStock stock = stockOf(of);
  const auto change = stockChangeOf(workspace_.stock().stock(), stock, of, times);
  if (const auto* issue = std::get_if<Issue>(&change)) return refuse(*issue);
  JobCutting cutting = book_.job().cutting;
  for (const CutDone& done : doneOf(of, times)) {
    // Sheet after sheet of the same pieces is told once.
    const auto same =
        std::find_if(cutting.done.begin(), cutting.done.end(), [&](const CutDone& each) {
          return each.stock == done.stock && each.book == done.book &&
                 each.isMockUp == done.isMockUp && each.sizes == done.sizes &&
                 each.layers == done.layers && each.sheetsSpoilt == 0;
        });
    if (same == cutting.done.end())
      cutting.done.push_back(done);
    else
      for (const auto& [piece, count] : done.pieces) same->pieces[piece] += count;
  }
  if (of.pinned)
    std::erase_if(cutting.pins, [&](const JobPin& pin) {
      return pin.stock == stock.id && pin.sheet == *of.pinned;
    });
  keepCut(tr("cut %1").arg(QString::fromStdString(stock.id)), std::get<StockChange>(change),
          std::move(cutting));
}

/// For each book apart: what is of it is told to it, too, when it is open itself.
std::vector<CutDone> CutPage::doneOf(const CutSheet& sheet, int times) const {
  std::map<std::size_t, CutDone> all;  // by book
  for (const CutPlacement& at : sheet.placements) {
    const CutPiece& piece = problem().pieces[at.piece];
    const CutWork::Piece& of = found_->work.pieces[at.piece];
    CutDone& done = all[of.book];
    done.stock = stockOf(sheet).id;
    done.book = found_->books[of.book].file;
    done.isMockUp = !found_->books.front().job->cutting.mockUp.empty();
    const std::string& id = of.part->rule->id;
    done.pieces[id] += times;
    done.sizes[id] = {double(piece.width) / 1000, double(piece.height) / 1000};
    if (of.layers > 1) done.layers[id] = of.layers;
  }
  std::vector<CutDone> done;
  done.reserve(all.size());
  for (auto& [book, each] : all) done.push_back(std::move(each));
  return done;
}

/// In one step, that can be undone.
void CutPage::keepCut(const QString& step, const StockChange& made, JobCutting cutting) {
  told_.clear();
  open_.reset();
  chosen_.reset();
  const Issues issues = workspace_.stock().keep(
      *book_.undoStack(), step, [made](const Stock& shelf) { return afterCutting(shelf, made); },
      [made](const Stock& shelf) { return cutTakenBack(shelf, made); },
      [&] { book_.keepCutting(std::move(cutting)); });
  if (!issues.empty()) refuse(issues.front());
}

void CutPage::refuse(const Issue& issue) {
  tell(issueText(issue, windowNotation(book_.plan())));
  writeMargin();
}

}  // namespace drapery
