// What was cut, what of it was spoilt, and what that takes from the stock.
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
  const PlannedPart* part = book_.plan().part(piece);
  const QString title =
      part != nullptr ? localText(part->rule->title) : QString::fromStdString(piece);
  const int often = count * (part != nullptr ? piecesOfRectangle(*part, pattern) : 1);
  return often > 1 ? QString("%1 × %2").arg(often).arg(title) : title;
}

/// What was cut already, and what of it has to be cut again.
void CutPage::writeDone() {
  const std::vector<CutDone>& all = book_.job().cutting.done;
  if (all.empty()) return;
  margin_->space();
  margin_->heading(tr("Cut already"));
  for (std::size_t i = 0; i < all.size(); ++i) {
    const CutDone& done = all[i];
    const auto listed = [&](const std::map<std::string, int>& pieces) {
      QStringList words;
      for (const auto& [piece, count] : pieces)
        if (count > 0) words << cutPieces(done, piece, count);
      return words;
    };
    QStringList spoilt = listed(done.spoilt);
    if (done.sheetsSpoilt > 0)
      spoilt.prepend(takenWords(done.sheetsSpoilt, 0, windowNotation(book_.plan())));
    const QStringList good = listed(done.pieces);
    const QString stock = QString::fromStdString(done.stock);
    const QString from = done.isMockUp ? tr("%1, for a mock-up").arg(stock) : stock;
    margin_->text(good.isEmpty() ? from : from + ": " + good.join(", "));
    if (!spoilt.isEmpty()) margin_->small(tr("spoilt: %1").arg(spoilt.join(", ")));
    for (const CutOtherwise& each : found_->work.otherwise)
      if (each.done == i)
        margin_->finding(Severity::Mind,
                         cutOtherwiseText(each, pieceTitle(*found_, each.book, *each.part),
                                          windowNotation(book_.plan())));
    std::vector<MarginColumn::Way> ways;
    int total = 0;
    for (const auto& [piece, count] : done.pieces) {
      if (count <= 0) continue;
      total += count;
      ways.push_back({QString("cut.spoilt.%1.%2").arg(i).arg(QString::fromStdString(piece)),
                      tr("%1 spoilt").arg(cutPieces(done, piece, 1)), false, [this, i, id = piece] {
                        spoil(i, {{id, 1}});
                      }});
    }
    if (total > 1)
      ways.push_back({QString("cut.again.%1").arg(i), tr("all of it spoilt"), false,
                      [this, i, pieces = done.pieces] { spoil(i, pieces); }});
    if (!ways.empty()) margin_->ways(ways);
  }
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
    if (!found_->plans[book]->has(Severity::Stop)) continue;
    if (book == 0) return tr("The book has a stop: it must not be cut yet.");
    return tr("%1 has a stop: it must not be cut yet.")
        .arg(QString::fromStdString(bookName(*found_->jobs[book])));
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
  CutDone done;
  done.stock = stock.id;
  done.isMockUp = !cutting.mockUp.empty();
  for (const CutPlacement& at : of.placements) {
    const CutPiece& piece = problem().pieces[at.piece];
    done.pieces[piece.id] += times;
    done.sizes[piece.id] = {double(piece.width) / 1000, double(piece.height) / 1000};
  }
  // Sheet after sheet of the same pieces is told once.
  const auto same =
      std::find_if(cutting.done.begin(), cutting.done.end(), [&](const CutDone& each) {
        return each.stock == done.stock && each.isMockUp == done.isMockUp &&
               each.sizes == done.sizes && each.sheetsSpoilt == 0;
      });
  if (same == cutting.done.end())
    cutting.done.push_back(std::move(done));
  else
    for (const auto& [piece, count] : done.pieces) same->pieces[piece] += count;
  if (of.pinned)
    std::erase_if(cutting.pins, [&](const JobPin& pin) {
      return pin.stock == stock.id && pin.sheet == *of.pinned;
    });
  keepCut(tr("cut %1").arg(QString::fromStdString(stock.id)), std::get<StockChange>(change),
          std::move(cutting));
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
