// The stage Cut on the demo's shelf, driven offscreen as a binder would.
#pragma once

#include <filesystem>

#include "app/cutting/cut_page.h"
#include "app/cutting/sheet_view.h"
#include "app/workspace/stock_room.h"
#include "store/stock_json.h"
#include "tests/app/bench_window.h"

namespace drapery::test {

class Cutting : public BenchWindow {
 protected:
  Cutting() {
    std::filesystem::create_directories(folder_.path() + "/drapery");
    folder_.write("drapery/stock.json", projectFile("demo/stock/shelf.json"));
    workspace_->stock().reload();
  }
  CutPage& page() { return dynamic_cast<CutPage&>(window_->page()); }
  /// Until no better lay-out is looked for.
  void settleCut() {
    settle();
    workspace_->cutting().settle();
    settle();
  }
  void showCut() {
    click("docket.cut");
    settleCut();
  }
  void clickCut(const char* name) {
    click(name);
    settleCut();
  }
  void openWithNothingThere() {
    std::filesystem::remove(stock());
    workspace_->stock().reload();
    openPlain();
    showCut();
  }
  const CutLayout& layout() { return workspace_->cutting().found().layout; }
  const CutProblem& problem() { return workspace_->cutting().found().work.problem; }
  Stock stockNow() { return std::get<Stock>(readStock(readFile(stock()), stock())); }
  /// All words of the margin.
  std::string margin() {
    QStringList words;
    for (QLabel* label : find("cut.margin")->findChildren<QLabel*>()) words << label->text();
    for (auto* button : find("cut.margin")->findChildren<QAbstractButton*>())
      words << button->text();
    return words.join("\n").toStdString();
  }
  /// Opens the sheet of that material and gives its number in the lay-out.
  std::size_t look(const std::string& material) {
    for (std::size_t i = 0; i < layout().sheets.size(); ++i)
      if (problem().stocks[layout().sheets[i].stock].material == material) {
        page().select(Subject::field("sheet/" + std::to_string(i + 1)));
        settle();
        return i;
      }
    ADD_FAILURE() << material;
    return 0;
  }
  SheetView& view() { return *find<SheetView>("cut.sheet"); }
  void clickPiece(std::size_t placement) {
    QTest::mouseClick(&view(), Qt::LeftButton, {}, view().rectOf(placement)->center().toPoint());
    settle();
  }
  void dragPiece(std::size_t placement, QPoint by) {
    const QPoint from = view().rectOf(placement)->center().toPoint();
    QTest::mousePress(&view(), Qt::LeftButton, {}, from);
    QTest::mouseMove(&view(), from + by / 2);
    QTest::mouseMove(&view(), from + by);
    QTest::mouseRelease(&view(), Qt::LeftButton, {}, from + by);
    settleCut();
  }
};

}  // namespace drapery::test
