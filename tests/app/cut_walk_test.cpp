// The stage Cut as chance has it: whatever is pressed in whatever order, no piece is lost or laid
// wrongly, and all of it can be taken back.
#include "store/cut_work.h"
#include "tests/app/random_walk.h"
#include "tests/support/judge.h"

namespace drapery::test {
namespace {

class CutWalk : public RandomWalk {
 protected:
  std::string stepAnywhere() {
    switch (below(9)) {
      case 0:
        if (layout().sheets.empty()) return {};
        page().select(Subject::field("sheet/" + std::to_string(1 + below(layout().sheets.size()))));
        return "sheet";
      case 1:
        return onPiece(QPoint());
      case 2:
        return onPiece(
            QPoint(static_cast<int>(below(400)) - 200, static_cast<int>(below(400)) - 200));
      case 3: {
        constexpr std::array kKeys{Qt::Key_P,    Qt::Key_T,     Qt::Key_Down,  Qt::Key_Up,
                                   Qt::Key_Left, Qt::Key_Right, Qt::Key_Escape};
        const Qt::Key key = kKeys[below(kKeys.size())];
        page().setFocus();
        press(key);
        return "key " + std::to_string(key);
      }
      case 4:
        press(Qt::Key_Z, Qt::ControlModifier);
        return "undo";
      case 5:
        press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        return "redo";
      case 6:
        return below(2) == 0 ? measure() : count();
      default:
        return command();
    }
  }

  std::string onPiece(QPoint by) {
    const Subject open = page().closerLook();
    if (open.id.rfind("sheet/", 0) != 0) return {};
    const CutSheet& sheet = layout().sheets.at(std::stoul(open.id.substr(6)) - 1);
    const std::size_t which = below(sheet.placements.size());
    if (!view().isVisible() || !view().rectOf(which)) return {};
    if (by.isNull())
      QTest::mouseClick(&view(), Qt::LeftButton, {}, view().rectOf(which)->center().toPoint());
    else
      dragPiece(which, by);
    return by.isNull() ? "piece" : "dragged";
  }

  /// Any that opens no file.
  std::string command() {
    QList<QAbstractButton*> all;
    for (auto* button : find("cut.margin")->findChildren<QAbstractButton*>())
      if (button->isVisible() && button->isEnabled() && button->objectName() != "cut.with" &&
          button->objectName() != "cut.pages" && button->objectName() != "cut.shelf")
        all << button;
    if (all.isEmpty()) return {};
    auto* button = all[static_cast<int>(below(static_cast<std::size_t>(all.size())))];
    const std::string name = button->objectName().toStdString();
    QTest::mouseClick(button, Qt::LeftButton);
    return name;
  }

  std::string measure() {
    document().keep("given/text_width", Entry{120.0 + 10.0 * double(below(8)), {}});
    return "measured";
  }

  std::string count() {
    const Stock& shelf = workspace_->stock().stock();
    if (shelf.items.empty()) return {};
    const StockItem before = shelf.items[below(shelf.items.size())];
    StockItem after = before;
    if (before.lies.form == StockForm::Sheet) after.lies.count = static_cast<int>(below(4));
    workspace_->stock().keepItem(*document().undoStack(), before, after);
    return "counted " + before.lies.id;
  }

  void expectSound() {
    EXPECT_EQ(faultIn(problem(), layout()), "");
    EXPECT_EQ(writeJob(saved()), writeJob(document().job()));
    const Stock shelf = std::filesystem::exists(stock()) ? stockNow() : Stock();
    EXPECT_EQ(writeStock(shelf), writeStock(workspace_->stock().stock()));
    // All that is wanted is laid, or is told to find no room, or was cut already.
    const JobCutting& cutting = document().job().cutting;
    for (const PlannedPart& part : document().plan().parts) {
      const int each = piecesOfRectangle(part, StockPattern::None);
      int there = 0;
      for (const CutPiece& piece : problem().pieces)
        if (piece.id == part.rule->id) there += piece.count;
      for (const CutDone& done : cutting.done)
        if (const auto found = done.pieces.find(part.rule->id);
            done.book.empty() && done.isMockUp != cutting.mockUp.empty() &&
            found != done.pieces.end())
          there += found->second;
      EXPECT_GE(there, (part.count + each - 1) / each) << part.rule->id;
    }
  }
};

TEST_F(CutWalk, losesNothing) {
  constexpr int kWalks = 5, kSteps = 40;
  walk(kWalks, [&](int number) {
    folder_.write("drapery/stock.json", below(4) == 0
                                            ? R"({"schema": "drapery-stock/1", "stocks": []})"
                                            : projectFile("demo/stock/shelf.json"));
    workspace_->stock().reload();
    Job job = plainJob();
    job.copies = double(1 + below(3));
    if (below(2) == 0) job.allowances["covering_style"] = {std::string("half"), {}};
    if (below(3) == 0) {
      Job other = plainJob();
      other.title = "Other";
      other.given["text_height"] = {180.0, {}};
      folder_.write("other.json", writeJob(other));
      job.cutting.with = {"other.json"};
    }
    open(job);
    showCut();
    const auto state = [this] { return writeJob(document().job()) + writeStock(stockNow()); };
    const std::string begun = state();
    std::string trail = "walk " + std::to_string(number) + ":";
    for (int i = 0; i < kSteps && !HasFailure(); ++i) {
      step(trail, [this] { return stepAnywhere(); });
      SCOPED_TRACE(trail);
      expectSound();
    }
    takeBack(trail, begun, state);
  });
}

}  // namespace
}  // namespace drapery::test
