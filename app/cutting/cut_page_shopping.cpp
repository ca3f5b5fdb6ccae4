// What is to be got, what lies there that is not quite it, and what could be used up.
#include <QCoreApplication>
#include <QLocale>
#include <algorithm>

#include "app/cutting/cut_page.h"
#include "app/ink_button.h"
#include "app/margin_column.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/workspace.h"
#include "words/cut_words.h"
#include "words/shopping_words.h"

namespace drapery {

namespace {

std::string translated(const char* english) {
  return QCoreApplication::translate(kCutContext, english).toStdString();
}

QString nameOf(const ToGet& wanted) {
  return wanted.named.empty() ? materialTitle(wanted.kind) : QString::fromStdString(wanted.named);
}

}  // namespace

/// What finds no room: what to ask for in the shop, and in which of the sizes that it is sold in.
/// One that was bought is put on the shelf from here.
void CutPage::writeShopping() {
  const CutDesk::Found& found = *found_;
  const Notation notation = windowNotation(book_.plan());
  if (found.shopping.isEmpty()) return;
  margin_->space();
  margin_->heading(tr("To buy"));
  if (!found.shopping.missing.empty())
    margin_->small(tr(
        "The grain is long where it is not said. Press what was bought: it is put on the shelf."));
  for (const ToBuy& each : found.shopping.more) {
    const CutStock& of = problem().stocks[each.stock];
    margin_->text(tr("%1 more of %2")
                      .arg(of.form == StockForm::Roll ? rollLength(each.length, notation)
                                                      : QString::number(each.sheets),
                           QString::fromStdString(of.id)));
  }
  for (std::size_t i = 0; i < found.shopping.missing.size(); ++i) {
    const ToGet& each = found.shopping.missing[i];
    margin_->space();
    margin_->text(nameOf(each) + QString::fromStdString(askFor(each, notation, translated)));
    QStringList pieces;
    for (const Unplaced& of : each.pieces) pieces << piecesTitle(found, of.piece, of.count);
    margin_->small(tr("for %1").arg(pieces.join(", ")));
    for (std::size_t k = 0; k < each.sold.size(); ++k) {
      const SoldSize& size = each.sold[k];
      margin_->command(QString("cut.bought.%1.%2").arg(i).arg(k),
                       QString::fromStdString(soldWords(size, notation, translated)),
                       [this, each, size] { putOnShelf(each, size); });
    }
    if (each.isTooLarge) margin_->small(tr("No size that is known to be sold holds them."));
    if (!each.instead.empty())
      margin_->small(tr("Where there is none: %1").arg(QString::fromStdString(each.instead)));
  }
}

void CutPage::putOnShelf(const ToGet& wanted, const SoldSize& size) {
  StockItem item = stockBought(wanted, size);
  const std::string stem = item.lies.id;
  for (int number = 2; workspace_.stock().stock().named(item.lies.id) != nullptr; ++number)
    item.lies.id = stem + " " + std::to_string(number);
  const auto sound = [](Stock shelf) -> std::variant<Stock, Issue> { return shelf; };
  const Issues issues = workspace_.stock().keep(
      *book_.undoStack(), QString::fromStdString(item.lies.id),
      [item, sound](Stock shelf) {
        shelf.items.push_back(item);
        return sound(std::move(shelf));
      },
      [id = item.lies.id, sound](Stock shelf) {
        std::erase_if(shelf.items, [&](const StockItem& each) { return each.lies.id == id; });
        return sound(std::move(shelf));
      });
  if (!issues.empty()) refuse(issues.front());
}

/// For how many copies of the book, and what ends that.
void CutPage::writeEnough() {
  const auto& all = found_->enough;
  if (all.empty() || all.front().times == 0) return;
  const auto& [material, times, isMore] = all.front();
  QString copies = times == 1 ? tr("one copy") : tr("at least %1 copies").arg(times);
  if (found_->books.size() > 1) copies = tr("%1 of this book alone").arg(copies);
  if (isMore) return margin_->small(tr("Enough for %1.").arg(copies));
  QStringList scarce;
  for (const EnoughFor& each : all)
    if (each.times == times) scarce << materialTitle(each.material);
  const QString names = scarce.join(", ");
  margin_->small(scarce.size() == 1 ? tr("Enough for %1; then %2 runs out.").arg(copies, names)
                                    : tr("Enough for %1; then %2 run out.").arg(copies, names));
}

/// What lies on stock that is thicker or heavier than the plan has it.
void CutPage::writeOtherMakes() {
  const CutDesk::Found& found = *found_;
  if (found.books.empty()) return;
  const std::vector<OtherMake> others = found.otherMakes(workspace_.stock().stock());
  for (const OtherMake& each : others)
    margin_->finding(
        each.what == OtherMake::What::Thickness || each.what == OtherMake::What::Weight
            ? Severity::Mind
            : Severity::Note,
        QString::fromStdString(otherMakeWords(each, pieceTitle(found, each.piece).toStdString(),
                                              windowNotation(book_.plan()), translated)));
  if (const std::string layers = layersWords(others, translated); !layers.empty())
    margin_->small(QString::fromStdString(layers));
}

/// A whole sheet that could be spared, were off-cuts taken first.
void CutPage::writeSpare(const std::string& material) {
  if (book_.job().cutting.first == StockFirst::OffCuts) return;
  for (const SpareSheet& each : found_->spare) {
    if (each.material != material) continue;
    QStringList offCuts;
    for (const std::size_t stock : each.offCuts)
      offCuts << QString::fromStdString(problem().stocks[stock].id);
    margin_->small(
        tr("What lies on one %1 would find room on %2: take off-cuts first?")
            .arg(QString::fromStdString(problem().stocks[each.stock].id), offCuts.join(", ")));
  }
}

}  // namespace drapery
