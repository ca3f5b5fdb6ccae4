// What is printed is measured as other programs paint it: poppler, librsvg, ezdxf.
#include <gmock/gmock.h>

#include <cmath>
#include <regex>

#include "core/plan/artwork.h"
#include "exchange/art_files.h"
#include "exchange/print_page.h"
#include "exchange/template_pdf.h"
#include "exchange/true_size_files.h"
#include "tests/exchange/page_picture.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

using ::testing::HasSubstr;

constexpr double kEdge = 8.0, kFoot = 27.0;  // as PrintLayout has them

class TrueSizeTest : public ::testing::Test {
 protected:
  static std::shared_ptr<const Plan> plan(const Job& job) {
    return std::make_shared<const Plan>(planOf(job).plan);
  }
  static Job jacketed() {
    Job job = plainJob();
    job.allowances["with_jacket"] = {std::string("with"), {}};
    return job;
  }
  std::string write(const QByteArray& bytes, const std::string& name) {
    return folder_.write(name, bytes.toStdString());
  }
  static PrintJob printed(const Job& job, const PrintChoice& choice,
                          const std::string& paper = "a4", const PrinterError& error = {}) {
    auto made = makePrintJob(job, plan(job), choice, *paperNamed(paper), {"hall", error});
    EXPECT_TRUE(std::holds_alternative<PrintJob>(made));
    return std::get<PrintJob>(std::move(made));
  }
  static ArtPage artPage(const Job& job) {
    const auto of = plan(job);
    return makeArtPage(job, of, artworksOn(*of).at(0), {});
  }

  const TemporaryFolder folder_;
};

// 100 mm and 4 in along the foot and up the side, from the page's top left.
TEST_F(TrueSizeTest, barsMeasureWhatTheySay) {
  const std::string pdf = write(templatePdf(printed(plainJob(), {{"gap-spacer"}})), "t.pdf");
  for (const auto& [dpi, within] : {std::pair{254, 0.1}, std::pair{1200, 0.05}}) {
    const PagePicture page = PagePicture::ofPdf(pdf, 1, dpi);
    // The row crosses the long ticks and no others: they reach 2.2 mm up, the short ones 1.2.
    const double mm = 297.0 - kEdge - 9.5, inch = mm + 7.5;
    const std::vector<double> ends = page.across(mm - 1.7, 4.0, 112.0);
    ASSERT_EQ(ends.size(), 2U);
    EXPECT_NEAR(ends[0], kEdge, within);
    EXPECT_NEAR(ends[1], kEdge + 100.0, within);
    const std::vector<double> inches = page.across(inch - 1.7, 4.0, 112.0);
    ASSERT_EQ(inches.size(), 2U);
    EXPECT_NEAR(inches[1] - inches[0], 101.6, within);
    const double up = 210.0 - kEdge - 9.0 + 3.2;
    const std::vector<double> high = page.down(up - 1.7, 140.0, 264.0);
    ASSERT_EQ(high.size(), 2U);
    EXPECT_NEAR(high[1], 297.0 - kEdge - kFoot, within);
    EXPECT_NEAR(high[1] - high[0], 100.0, within);
  }
}

// A printer that makes 99.2 of 100 across and 100.5 along is given bars that come out true.
TEST_F(TrueSizeTest, aPrintersErrorIsPutRightEachWay) {
  const PrinterError error{0.992, 1.005};
  const std::string pdf =
      write(templatePdf(printed(plainJob(), {{"gap-spacer"}}, "a4", error)), "t.pdf");
  const PagePicture page = PagePicture::ofPdf(pdf, 1, 1200);
  const double foot = 297.0 - kEdge;
  const std::vector<double> ends = page.across(foot - (9.5 + 1.7) / 1.005, 4.0, 113.0);
  ASSERT_EQ(ends.size(), 2U);
  EXPECT_NEAR((ends[1] - ends[0]) * error.across, 100.0, 0.05);
  const double up = kEdge + (194.0 * 0.992 - 9.0 + 3.2 - 1.7) / 0.992;
  const std::vector<double> high = page.down(up, 140.0, foot - 26.0);
  ASSERT_EQ(high.size(), 2U);
  EXPECT_NEAR((high[1] - high[0]) * error.along, 100.0, 0.05);
}

TEST_F(TrueSizeTest, aJacketsFoldsAndBoxesLieWhereTheyShould) {
  const ArtPage page = artPage(jacketed());
  const Painted painted = artPdf(page);
  ASSERT_TRUE(std::holds_alternative<QByteArray>(painted));
  const std::string pdf = write(std::get<QByteArray>(painted), "j.pdf");
  for (const auto& [dpi, within] : {std::pair{254, 0.1}, std::pair{1200, 0.05}}) {
    const PagePicture picture = PagePicture::ofPdf(pdf, 1, dpi, 5.0, 20.0);
    std::vector<double> wanted{page.offset()};
    for (const double fold : page.art.folds()) wanted.push_back(page.offset() + fold);
    wanted.push_back(page.offset() + page.art.width());
    // Across the marks over the sheet, in the first dash of each.
    const std::vector<double> found =
        picture.across(page.offset() - page.art.bleed - 3.1, 2.0, page.paper().width() - 2.0);
    ASSERT_EQ(found.size(), wanted.size());
    for (std::size_t i = 0; i < wanted.size(); ++i) EXPECT_NEAR(found[i], wanted[i], within);
  }
  const std::string info = run({"pdfinfo", "-box", pdf}).out;
  const auto box = [&](const char* name) {
    std::smatch found;
    EXPECT_TRUE(std::regex_search(
        info, found,
        std::regex(std::string(name) + R"(:\s+([\d.]+)\s+([\d.]+)\s+([\d.]+)\s+([\d.]+))")));
    return std::pair(std::stod(found[3]) - std::stod(found[1]),
                     std::stod(found[4]) - std::stod(found[2]));
  };
  constexpr double kPoint = 72.0 / 25.4;
  EXPECT_NEAR(box("TrimBox").first, page.art.width() * kPoint, 0.02);
  EXPECT_NEAR(box("TrimBox").second, page.art.height * kPoint, 0.02);
  EXPECT_NEAR(box("BleedBox").first, (page.art.width() + 6.0) * kPoint, 0.02);
  EXPECT_NEAR(box("BleedBox").second, (page.art.height + 6.0) * kPoint, 0.02);
  // One page, and the notes in a layer that is not printed.
  EXPECT_THAT(info, HasSubstr("Pages:           1"));
  const QByteArray& bytes = std::get<QByteArray>(painted);
  EXPECT_TRUE(bytes.contains("/OCProperties"));
  EXPECT_TRUE(bytes.contains("/PrintState /OFF"));
}

// Every dark point of the one has a dark one of the other within a pixel, where lines are drawn.
TEST_F(TrueSizeTest, svgAgreesWithPdf) {
  const ArtPage page = artPage(jacketed());
  const PagePicture pdf =
      PagePicture::ofPdf(write(std::get<QByteArray>(artPdf(page)), "j.pdf"), 1, 254);
  const QByteArray text = artSvg(page);
  const PagePicture svg = PagePicture::ofSvg(write(text, "j.svg"), 254);
  for (const char* group : {"<g id=\"art\">", "<g id=\"marks\">", "<g id=\"notes\">"})
    EXPECT_TRUE(text.contains(group)) << group;
  EXPECT_NEAR(svg.size().width(), page.paper().width() * 10, 1);
  const auto near = [](const PagePicture& in, int x, int y) {
    for (int dx = -1; dx <= 1; ++dx)
      for (int dy = -1; dy <= 1; ++dy)
        if (in.isDark(x + dx, y + dy)) return true;
    return false;
  };
  // Over the sheet stand trim and fold marks alone.
  int dark = 0, lost = 0;
  std::string firstLost;
  for (int y = 0; y < static_cast<int>(10 * (page.offset() - 1)); ++y)
    for (int x = 0; x < svg.size().width(); ++x) {
      dark += pdf.isDark(x, y) ? 1 : 0;
      const bool isLost =
          (pdf.isDark(x, y) && !near(svg, x, y)) || (svg.isDark(x, y) && !near(pdf, x, y));
      if (isLost && firstLost.size() < 200)
        firstLost += " " + std::to_string(x) + "," + std::to_string(y);
      lost += isLost ? 1 : 0;
    }
  EXPECT_GT(dark, 500);
  EXPECT_EQ(lost, 0) << firstLost;
}

// Parts put together again trace the board, and equal what a roll prints in one. It lies on its
// side, where two sheets are enough.
TEST_F(TrueSizeTest, tilesTraceABoardOf240By320) {
  Job job = plainJob();
  job.fixed["board_width"] = {240.0, {}};
  job.fixed["board_height"] = {320.0, {}};
  constexpr double kWide = 320.0, kHigh = 240.0, kBottom = 297.0 - kEdge - kFoot;
  const PrintJob tiled = printed(job, {{"piece/board"}});
  ASSERT_EQ(tiled.sheets.size(), 2U);
  ASSERT_TRUE(tiled.sheets[0].tile->isTurned);
  const std::string pdf = write(templatePdf(tiled), "tiles.pdf");
  const std::vector<PagePicture> pages{PagePicture::ofPdf(pdf, 1, 254),
                                       PagePicture::ofPdf(pdf, 2, 254)};
  const auto only = [](const std::vector<double>& found) {
    EXPECT_EQ(found.size(), 1U);
    return found.empty() ? 0.0 : found.front();
  };
  // Where the second part lies over the first is told by its own first column.
  const double second = tiled.sheets[1].tile->part.left;
  for (const double high : {30.0, 50.0, 200.0}) {  // beside rings and words
    const double left = only(pages[0].across(kBottom - high, 5.0, 12.0)) - kEdge;
    const double right = only(pages[1].across(kBottom - high, 100.0, 190.0)) - kEdge + second;
    EXPECT_NEAR(right - left, kWide, 0.1);
  }
  for (const PagePicture& page : pages)
    for (const double x : {25.0, 60.0, 110.0})
      EXPECT_NEAR(only(page.down(x, kBottom - 2, kBottom + 2)) -
                      only(page.down(x, kBottom - kHigh - 2, kBottom - kHigh + 2)),
                  kHigh, 0.1);

  // The untiled drawing's dark points are dark on every part that shows them.
  const PagePicture roll = PagePicture::ofPdf(
      write(templatePdf(printed(job, {{"piece/board"}}, "roll:420")), "whole.pdf"), 1, 254);
  const int rollBottom = roll.size().height() - static_cast<int>(10 * (kEdge + kFoot));
  const auto isNear = [](const PagePicture& page, int x, int y) {
    for (int dx = -1; dx <= 1; ++dx)
      for (int dy = -1; dy <= 1; ++dy)
        if (page.isDark(x + dx, y + dy)) return true;
    return false;
  };
  int dark = 0, lost = 0;
  for (int y = 2; y < static_cast<int>(10 * kHigh) - 2; ++y)
    for (int x = 0; x < static_cast<int>(10 * kWide); ++x) {
      if (!roll.isDark(static_cast<int>(10 * kEdge) + x, rollBottom - y)) continue;
      ++dark;
      for (std::size_t i = 0; i < pages.size(); ++i) {
        const Box& part = tiled.sheets[i].tile->part;
        if (x / 10.0 < part.left + 0.3 || x / 10.0 > part.right - 0.3) continue;
        lost += isNear(pages[i], static_cast<int>(10 * (kEdge - part.left)) + x,
                       static_cast<int>(10 * kBottom) - y)
                    ? 0
                    : 1;
      }
    }
  EXPECT_GT(dark, 8000);
  EXPECT_EQ(lost, 0);
}

// As ezdxf reads it: nothing to complain of, and closed lines on CUT whose areas are the pieces'.
TEST_F(TrueSizeTest, dxfHoldsThePiecesAreas) {
  const auto of = plan(jacketed());
  const Painted painted = trueSizeDxf(trueSizes(*of), *of, "Tide ledger");
  const std::string path = write(std::get<QByteArray>(painted), "t.dxf");
  const std::string script = folder_.write("read.py", R"(
import sys, ezdxf
from ezdxf import recover
from shapely.geometry import Polygon
doc, auditor = recover.readfile(sys.argv[1])
auditor = doc.audit()
print("errors", len(auditor.errors), "units", doc.units, "layers", sorted(l.dxf.name for l in doc.layers))
for line in doc.modelspace().query('LWPOLYLINE POLYLINE[layer=="CUT"]'):
    points = [(p[0], p[1]) for p in line.get_points()] if line.dxftype() == "LWPOLYLINE" else [(v.dxf.location.x, v.dxf.location.y) for v in line.vertices]
    if line.closed if line.dxftype() == "LWPOLYLINE" else line.is_closed:
        print("area", Polygon(points).area)
)");
  const Finished read = run({"/usr/bin/python3", script, path});
  ASSERT_EQ(read.code, 0) << read.err;
  EXPECT_THAT(read.out, HasSubstr("errors 0 units 4"));
  for (const char* layer : {"CUT", "FOLD", "ENGRAVE", "NOTE"})
    EXPECT_THAT(read.out, HasSubstr(layer));
  std::vector<double> areas;
  const std::regex area(R"(area ([\d.]+))");
  for (std::sregex_iterator at(read.out.begin(), read.out.end(), area), end; at != end; ++at)
    areas.push_back(std::stod((*at)[1]));
  for (const PlannedPart& part : of->parts) {
    double twice = 0.0;
    for (std::size_t i = 0; i < part.outline.size(); ++i) {
      const Point &a = part.outline[i], &b = part.outline[(i + 1) % part.outline.size()];
      twice += a.x * b.y - b.x * a.y;
    }
    const bool isPrinted = part.rule->id == "jacket";  // as computed, not as the rule marks it
    const double wanted =
        twice / 2 *
        (isPrinted ? 1.0 : (part.cutWidth / part.width) * (part.cutHeight / part.height));
    EXPECT_TRUE(std::any_of(areas.begin(), areas.end(),
                            [&](double found) { return std::abs(found - wanted) < 0.01; }))
        << part.rule->id << ' ' << wanted;
  }
}

}  // namespace
}  // namespace drapery::test
