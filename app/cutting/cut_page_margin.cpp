// What stands in the margin beside the sheets.
#include <QCoreApplication>
#include <QFileInfo>

#include "app/cutting/cut_page.h"
#include "app/cutting/sheet_view.h"
#include "app/ink_button.h"
#include "app/margin_column.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "core/cutting/shortfall.h"
#include "exchange/cut_pdf.h"
#include "paint/set_words.h"
#include "store/shopping_list.h"
#include "words/cut_moments.h"
#include "words/cut_words.h"
#include "words/issue_words.h"

namespace drapery {

namespace {

std::string translated(const char* english) {
  return QCoreApplication::translate("Moment", english).toStdString();
}

}  // namespace

void CutPage::writeMargin() {
  margin_->begin();
  if (!told_.isEmpty()) {
    margin_->finding(Severity::Mind, told_);
    margin_->space();
  }
  if (sheet() != nullptr)
    writeSheet();
  else
    writeOverview();
  margin_->end();
}

void CutPage::writeOverview() {
  const CutDesk::Found& found = *found_;
  const Notation notation = windowNotation(book_.plan());
  for (const Issue& issue : workspace_.stock().issues())
    margin_->finding(Severity::Stop, QString::fromStdString(placedWords(issue, notation)));
  for (const Issue& issue : desk_.issues())
    margin_->finding(Severity::Mind, QString::fromStdString(placedWords(issue, notation)));
  if (!book_.missing().empty()) {
    margin_->heading(tr("The book is not measured yet"));
    return margin_->text(tr("Its pieces are laid out as soon as their sizes are known."));
  }
  if (workspace_.stock().stock().items.empty()) {
    margin_->heading(tr("Nothing lies there yet"));
    margin_->text(layOut().sheets.empty()
                      ? tr("Say what sheets and rolls lie on your shelf.")
                      : tr("So the book would lie on sheets as they are sold. Say what sheets and "
                           "rolls lie on your shelf."));
    margin_->command("cut.shelf", tr("what lies there"), [this] { lookAtStock(true); });
    if (desk_.isSearching())
      margin_->small(found.shopping.isRough
                         ? tr("At a glance. Whether less will do is being reckoned.")
                         : tr("What has to be bought is being reckoned."));
    writeShopping();
    return writeDone();
  }
  margin_->figure(cutStatusWords(found, notation));
  margin_->command("cut.shelf", tr("what lies there"), [this] { lookAtStock(true); });
  writeEnough();
  if (desk_.isSearching()) {
    const auto& materials = found.layout.materials;
    const bool isCheapest =
        !materials.empty() && std::all_of(materials.begin(), materials.end(),
                                          [](const MaterialCost& cost) { return cost.isProven; });
    margin_->text(isCheapest ? tr("More is to be left over in one piece: that is being looked for.")
                             : tr("A better lay-out is being looked for."));
    margin_->command("cut.stop", tr("this one will do"), [this] { desk_.stop(); });
  } else if (desk_.canLookOn()) {
    margin_->command("cut.on", tr("look for a better one"), [this] { desk_.lookOn(); });
    if (desk_.isInVain()) margin_->small(tr("Looked for once more: none was found."));
  }
  writeFaults();
  for (const MaterialCost& cost : found.layout.materials) writeMaterial(cost);
  writeShopping();
  writeWishes();
  writeDone();
  writeKept();
}

/// What finds no room, or lies on what is not quite it, or not where it was put.
void CutPage::writeFaults() {
  const CutDesk::Found& found = *found_;
  const Notation notation = windowNotation(book_.plan());
  QStringList elsewhere;
  for (const Unplaced& each : found.layout.unplaced) {
    if (!shortfallOf(problem(), each.piece))
      elsewhere << pieceTitle(found, each.piece);
    else
      margin_->finding(Severity::Stop, piecesTitle(found, each.piece, each.count) + ": " +
                                           whyNowhere(found, each.piece, notation));
  }
  if (!elsewhere.isEmpty())
    margin_->finding(Severity::Note,
                     tr("Nothing lies there to cut these from: %1.").arg(elsewhere.join(", ")));
  writeOtherMakes();
  for (const UntakenPin& each : found.layout.untaken)
    margin_->finding(Severity::Mind,
                     tr("%1 does not lie where it was put.")
                             .arg(pieceTitle(found, problem().pins[each.pin].piece)) +
                         " " + pinFaultWords(each.fault));
  QStringList lost;
  for (const std::size_t pin : found.work.lost) {
    const JobPin& of = found.books.front().job->cutting.pins[pin];
    lost << QString::fromStdString(of.piece + " (" + of.stock + ")");
  }
  lost.removeDuplicates();
  if (!lost.isEmpty())
    margin_->finding(
        Severity::Mind,
        tr("Put somewhere, but piece or stock is not there now: %1.").arg(lost.join(", ")));
}

/// What it takes, what it costs beside what it could, and what becomes of the rest.
void CutPage::writeMaterial(const MaterialCost& cost) {
  const CutDesk::Found& found = *found_;
  double whole = 0.0, used = 0.0, kept = 0.0;
  CutPlacement largest;
  const auto areaOf = [](const CutPlacement& at) { return double(at.across) * double(at.along); };
  for (const CutSheet& of : shown().sheets) {
    const CutStock& stock = stockOf(of);
    if (stock.material != cost.material) continue;
    whole += double(stock.across) * double(lengthUsed(stock, of)) * of.repeat;
    for (const CutPlacement& at : of.placements) used += areaOf(at) * of.repeat;
    for (const CutPlacement& left : usableLeft(stock, of, workspace_.stock().stock().usable)) {
      kept += areaOf(left) * of.repeat;
      if (areaOf(left) > areaOf(largest)) largest = left;
    }
  }
  if (whole <= 0) return;
  margin_->space();
  margin_->heading(materialTitle(cost.material) + ": " +
                   takenWords(cost.sheets, cost.length, windowNotation(book_.plan())));
  margin_->text(costWords(found, cost, book_.job().cutting.first));
  const double lost = 1 - (used + kept) / whole;
  std::vector<double> shares{used / whole};
  if (kept > 0) shares.push_back(kept / whole);
  if (lost > 0.0005) shares.push_back(lost);
  const QStringList said = percents(shares);
  QStringList becomes{tr("%1 % used").arg(said.first())};
  if (kept > 0) {
    const QString size = cutSize(largest.across, largest.along, windowNotation(book_.plan()));
    becomes << tr("%1 % kept as off-cuts (the largest %2)").arg(said.at(1), withWholeSizes(size));
  }
  if (lost > 0.0005) becomes << tr("%1 % lost").arg(said.last());
  margin_->small(becomes.join(", "));
  writeSpare(cost.material);
}

void CutPage::writeWishes() {
  const JobCutting& wish = book_.job().cutting;
  margin_->space();
  margin_->heading(tr("Taken first"));
  const auto way = [&](const char* name, const QString& words, StockFirst first) {
    return MarginColumn::Way{name, words, wish.first == first, [this, first] {
                               change([first](JobCutting& cutting) { cutting.first = first; });
                             }};
  };
  margin_->ways({way("cut.first.cost", tr("what costs least"), StockFirst::LeastCost),
                 way("cut.first.off-cuts", tr("off-cuts"), StockFirst::OffCuts),
                 way("cut.first.sheets", tr("whole sheets"), StockFirst::WholeSheets)});
  if (!wish.pins.empty())
    margin_->command("cut.let-all-go", tr("let all pieces go that were put somewhere"),
                     [this] { change([](JobCutting& cutting) { cutting.pins.clear(); }); });
  margin_->space();
  margin_->heading(tr("Cut together with"));
  for (std::size_t i = 0; i < wish.with.size(); ++i)
    margin_->command(
        QString("cut.without.%1").arg(i),
        tr("leave out %1").arg(QFileInfo(QString::fromStdString(wish.with[i])).completeBaseName()),
        [this, i] {
          change([i](JobCutting& cutting) {
            cutting.with.erase(cutting.with.begin() + static_cast<std::ptrdiff_t>(i));
          });
        });
  margin_->command("cut.with", tr("another book …"), [this] {
    emit bookWanted([this](const QString& path) { cutTogetherWith(path); });
  });
  margin_->space();
  margin_->heading(tr("A mock-up first"));
  for (const StockItem& item : workspace_.stock().stock().items) {
    const bool holds = item.lies.id == wish.mockUp;
    const bool isCheap = item.lies.material == "paper" || item.lies.material == "kraft";
    if (!holds && (!isCheap || item.isOffCut)) continue;
    auto* button = margin_->command(
        QString("cut.mock-up.%1").arg(QString::fromStdString(item.lies.id)),
        holds
            ? tr("all pieces from %1: back to their own").arg(QString::fromStdString(item.lies.id))
            : tr("all pieces from %1").arg(QString::fromStdString(item.lies.id)),
        [this, holds, id = item.lies.id] {
          change([&](JobCutting& cutting) { cutting.mockUp = holds ? std::string() : id; });
        });
    button->setCheckable(true);
    button->setChecked(holds);
  }
}

void CutPage::writeKept() {
  margin_->space();
  margin_->heading(tr("Lay-outs kept"));
  const JobCutting& wish = book_.job().cutting;
  for (std::size_t i = 0; i < wish.kept.size(); ++i) {
    margin_->text(QString::fromStdString(wish.kept[i].name) + ": " + keptWords(wish.kept[i]));
    margin_->ways(
        {{QString("cut.take.%1").arg(i), tr("take it up"), false, [this, i] { takeUp(i); }},
         {QString("cut.forget.%1").arg(i), tr("forget it"), false, [this, i] {
            change([i](JobCutting& cutting) {
              cutting.kept.erase(cutting.kept.begin() + static_cast<std::ptrdiff_t>(i));
            });
          }}});
  }
  margin_->command("cut.keep", tr("keep this one"), [this] { keepLayOut(); });
  margin_->space();
  margin_->command("cut.pages", tr("sheets, cut list and labels as PDF"), [this] {
    CutPages pages{*found_, workspace_.stock().stock(), desk_.shear()};
    const CataloguePtr catalogue = book_.library().catalogue();
    emit pagesWanted(
        {"-cut.pdf", tr("The cut list is being written."), tr("The cut list is in %1."),
         tr("The cut list is in %1 and says that the book must not be cut yet."),
         [pages, catalogue](const std::string& path,
                            const std::function<bool()>& isCancelled) mutable {
           if (pages.found.shopping.isEmpty() || pages.found.shopping.isRough)
             pages.found.shopping =
                 shoppingList(pages.found, pages.stock, *catalogue, {false, isCancelled});
           return writeCutPdf(pages, path, isCancelled);
         }});
  });
}

void CutPage::writeSheet() {
  const CutSheet& of = *sheet();
  const Notation notation = windowNotation(book_.plan());
  const StockItem* item = workspace_.stock().stock().named(stockOf(of).id);
  if (chosen_) {
    writePiece();
    margin_->space();
  }
  margin_->heading(titleOf(of));
  if (item != nullptr) {
    margin_->text(withWholeSizes(stockSize(*item, notation)) +
                  (item->place.empty() ? "" : ", " + QString::fromStdString(item->place)));
    if (!item->note.empty()) margin_->text(QString::fromStdString(item->note));
    if (item->lies.pattern != StockPattern::None) margin_->text(patternText(item->lies));
    margin_->small(grainTestText(*item));
    writeGrainTest(*item);
  }
  writeSteps();
  const auto left = usableLeft(stockOf(of), of, workspace_.stock().stock().usable);
  margin_->space();
  margin_->heading(left.empty() ? tr("Nothing is left that is worth keeping")
                                : tr("Off-cuts to keep"));
  for (const CutPlacement& each : left) margin_->text(cutSize(each.across, each.along, notation));
  margin_->space();
  if (const QString why = whyNotYet(); !why.isEmpty()) {
    margin_->finding(Severity::Stop, why);
  } else if (item != nullptr) {
    margin_->command("cut.done",
                     stockOf(of).form == StockForm::Roll ? tr("this length is cut")
                     : of.repeat > 1 ? tr("these %1 sheets are cut").arg(of.repeat)
                                     : tr("this sheet is cut"),
                     [this, often = of.repeat] { cutSheetDone(often); });
    if (of.repeat > 1)
      margin_->command("cut.one-done", tr("one of these sheets is cut"),
                       [this] { cutSheetDone(1); });
  }
  if (stockOf(of).form == StockForm::Sheet && item != nullptr)
    margin_->command(
        "cut.sheet-spoilt",
        of.repeat > 1 ? tr("one of these sheets is spoilt") : tr("this sheet is spoilt"),
        [this] { spoilSheet(); });
}

/// The settings that this sheet is cut at, by the moments of the work.
void CutPage::writeSteps() {
  const std::string& material = stockOf(*sheet()).material;
  const auto& steps = bench_->stepsOf(material);
  if (bench_->areSeveralSheets(material)) {
    margin_->space();
    margin_->small(QString::fromStdString(numberingWords(translated)));
  }
  const Notation notation = windowNotation(book_.plan());
  const std::vector<CutGroup> groups = cutGroups(book_.plan(), notation, translated);
  int moment = -1;
  for (std::size_t i = 0; i < steps.size(); ++i) {
    GaugeStep here = steps[i];
    std::erase_if(here.cuts, [&](const OrderedCut& cut) { return cut.sheet != *open_; });
    if (here.cuts.empty()) continue;
    if (here.moment != moment) {
      margin_->space();
      moment = here.moment;
      margin_->heading(
          QString::fromStdString(momentTitle(static_cast<CutWhen>(moment), translated)));
      // What is to be measured or tried before it is too late.
      for (const CutGroup& group : groups)
        if (static_cast<int>(group.when) == moment)
          for (const std::string& line : group.first) margin_->small(QString::fromStdString(line));
    }
    auto* button = margin_->command(
        QString("cut.step.%1").arg(i + 1),
        QString("%1  %2").arg(i + 1).arg(settingText(here, notation, desk_.shear())),
        [this, i] { takeStep(i); });
    button->setCheckable(true);
    button->setChecked(isStepping_ && made_ == i);
  }
  for (const auto& [piece, rectangles] : found_->work.inTwoOn(*sheet()))
    margin_->small(inTwoText(rectangles, piecesTitle(*found_, piece, rectangles)));
}

void CutPage::writePiece() {
  const CutSheet& of = *sheet();
  const CutPlacement& at = of.placements[*chosen_];
  const CutPiece& piece = problem().pieces[at.piece];
  const Notation notation = windowNotation(book_.plan());
  margin_->heading(piecesTitle(*found_, at.piece, 1));
  margin_->figure(cutSize(piece.width, piece.height, notation));
  margin_->small(grainWords(piece));
  if (const int layers = found_->work.pieces[at.piece].layers; layers > 1)
    margin_->small(tr("One of %1 layers that are pasted together.").arg(layers));
  if (stockOf(of).form == StockForm::Sheet)
    margin_->small(
        tr("One such sheet gives %1 of them.")
            .arg(yieldOf(problem(), at.piece, of.stock) * found_->work.pieces[at.piece].each));
  if (found_->isSupposed) return;
  if (pinOf(of, at))
    margin_->command(
        "cut.let-go", tr("let it go"), [this] { letGo(); }, tr("P"));
  else
    margin_->command(
        "cut.pin", tr("it stays where it lies"), [this] { pinChosen(); }, tr("P"));
  if (piece.grain == PieceGrain::Free)
    margin_->command(
        "cut.turn", tr("turn it"), [this] { turnChosen(); }, tr("T"));
  std::vector<std::size_t> others;
  std::map<QString, int> titles;
  for (const std::size_t other : order_) {
    if (other == *open_ || stockOf(shown().sheets[other]).material != piece.material) continue;
    others.push_back(other);
    ++titles[titleOf(shown().sheets[other])];
  }
  for (const std::size_t other : others) {
    const CutSheet& to = shown().sheets[other];
    const QString title = titleOf(to);
    margin_->command(
        QString("cut.to.%1").arg(other + 1),
        titles[title] > 1 ? tr("to %1, %2").arg(title, belowOf(to).last()) : tr("to %1").arg(title),
        [this, other] {
          const CutSheet& sheet = shown().sheets[other];
          moveTo(sheet.stock, pinNumber(sheet));
        });
  }
  margin_->command("cut.to.new", tr("to a fresh sheet"), [this, stock = of.stock] {
    CutSheet fresh;
    fresh.stock = stock;
    moveTo(stock, pinNumber(fresh));
  });
}

}  // namespace drapery
