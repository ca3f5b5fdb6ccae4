// Templates for other programs and machines: true sizes, layers, letters of any language.
#include <gmock/gmock.h>

#include <QPainter>
#include <QXmlStreamReader>

#include "exchange/art_picture.h"
#include "exchange/print_job.h"
#include "exchange/true_size_files.h"
#include "tests/exchange/page_picture.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

using ::testing::AllOf;
using ::testing::HasSubstr;
using ::testing::Not;

std::vector<TrueSize> chosen(const Plan& plan, const std::string& id) {
  auto things = chosenThings(plan, {{id}});
  EXPECT_TRUE(std::holds_alternative<std::vector<TrueSize>>(things)) << id;
  return std::get<std::vector<TrueSize>>(std::move(things));
}

QByteArray svgOf(const std::vector<TrueSize>& things, const Plan& plan, const QString& book) {
  return std::get<QByteArray>(trueSizeSvg(things, plan, book));
}

// By librsvg at 254 dots an inch, ten to the mm: the strip stands 20 mm from the edges.
TEST(VectorFiles, anSvgIsOfTrueSize) {
  const TemporaryFolder folder;
  const Plan plan = planOf(plainJob()).plan;
  const QByteArray svg = svgOf(chosen(plan, "gap-spacer"), plan, "Tide ledger");
  const PagePicture page = PagePicture::ofSvg(folder.write("t.svg", svg.toStdString()), 254);
  EXPECT_NEAR(page.size().width(), 10 * (80 + 2 * 20), 1);
  EXPECT_NEAR(page.size().height(), 10 * (10 + 2 * 20), 1);
  const std::vector<double> sides = page.across(25.0, 15.0, 105.0);
  ASSERT_EQ(sides.size(), 2U);
  EXPECT_NEAR(sides[0], 20.0, 0.1);
  EXPECT_NEAR(sides[1] - sides[0], 80.0, 0.1);
  const std::vector<double> edges = page.down(30.0, 15.0, 35.0);
  ASSERT_EQ(edges.size(), 2U);
  EXPECT_NEAR(edges[1] - edges[0], 10.0, 0.1);
  for (const char* group : {"id=\"cut\"", "id=\"fold\"", "id=\"engrave\"", "id=\"note\""})
    EXPECT_TRUE(svg.contains(group)) << group;
  EXPECT_TRUE(svg.contains("Gap spacer  10 mm"));
  EXPECT_TRUE(svg.contains(">Tide ledger, 20"));
}

// A book's own words in a file are words, whatever they are made of.
TEST(VectorFiles, titlesCannotBreakAFile) {
  const Plan plan = planOf(plainJob()).plan;
  const QByteArray svg =
      svgOf(chosen(plan, "gap-spacer"), plan, "</title><script>alert(1)</script> & \"x\"");
  EXPECT_FALSE(svg.contains("<script>"));
  QXmlStreamReader xml(svg);
  while (!xml.atEnd()) xml.readNext();
  EXPECT_FALSE(xml.hasError()) << xml.errorString().toStdString();
}

// DXF letters are ASCII: others are written by their number, and come back as they were.
TEST(VectorFiles, dxfKeepsLettersOfOtherLanguages) {
  const TemporaryFolder folder;
  const Plan plan = planOf(plainJob()).plan;
  std::vector<TrueSize> things = chosen(plan, "gap-spacer");
  things.front().title.text = "Abstandhalter für Stege – ✂";
  const Painted painted = trueSizeDxf(things, plan, "Gezeitenbuch");
  const QByteArray& dxf = std::get<QByteArray>(painted);
  EXPECT_TRUE(dxf.contains("\\U+00FC"));
  for (const char letter : dxf) ASSERT_GE(static_cast<signed char>(letter), 0);
  const std::string path = folder.write("t.dxf", dxf.toStdString());
  const std::string script = folder.write("read.py", R"(
import sys, ezdxf
from ezdxf.lldxf.encoding import decode_dxf_unicode
for text in ezdxf.readfile(sys.argv[1]).modelspace().query("TEXT"):
    print(decode_dxf_unicode(text.dxf.text), text.dxf.layer)
)");
  const Finished read = run({"env", "PYTHONIOENCODING=utf-8", "/usr/bin/python3", script, path});
  ASSERT_EQ(read.code, 0) << read.err;
  EXPECT_THAT(read.out, AllOf(HasSubstr("Abstandhalter für Stege – ✂  10 mm NOTE"),
                              HasSubstr("Gezeitenbuch, 20")));
}

TEST(VectorFiles, labelsAreForPrintersAlone) {
  const Plan plan = planOf(plainJob()).plan;
  const QByteArray svg = svgOf(trueSizes(plan), plan, {});
  EXPECT_TRUE(svg.contains("Board  140 × 216 mm"));
  EXPECT_FALSE(svg.contains("2 of board, grain head to tail."));
}

TEST(VectorFiles, ofLabelsAloneAreNone) {
  const Plan plan = planOf(plainJob()).plan;
  const auto labels = chosen(plan, "label/board/1");
  for (const Painted& painted : {trueSizeSvg(labels, plan, {}), trueSizeDxf(labels, plan, {})})
    EXPECT_EQ(std::get<Issue>(painted).id, IssueId("print-nothing"));
}

class Pictures : public ::testing::Test {
 protected:
  std::variant<ArtPicture, Issue> read(const std::string& name, const std::string& text) {
    return ArtPicture::read(folder_.write(name, text));
  }
  const TemporaryFolder folder_;
};

// What an SVG has in itself is its own to use.
TEST_F(Pictures, anSvgMayUseWhatItHolds) {
  const std::string head =
      "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' ";
  for (const char* inside :
       {"<rect id='a' width='5' height='5'/><use href='#a'/>", "<use xlink:href='#b'/>",
        "<linearGradient id='g'/><rect fill='url(#g)' width='5' height='5'/>",
        "<a href='http://example.invalid/'><rect width='5' height='5'/></a>",
        "<style>rect { fill: red }</style>",
        "<image href='data:image/png;base64,iVBORw0KGgo=' width='1' height='1'/>"}) {
    const auto picture =
        read("own.svg", head + "width='30' height='20'>" + std::string(inside) + "</svg>");
    ASSERT_TRUE(std::holds_alternative<ArtPicture>(picture)) << inside;
    EXPECT_TRUE(std::get<ArtPicture>(picture).isVector());
    EXPECT_EQ(std::get<ArtPicture>(picture).size(), QSizeF(30, 20));
  }
  // One that uses itself is painted as far as it goes.
  for (const char* round :
       {"<g id='a'><use href='#a'/></g><use href='#a'/>",
        "<g id='a'><use xlink:href='#b'/></g><g id='b'><use xlink:href='#a'/></g>"}) {
    const auto picture =
        read("round.svg", head + "width='30' height='20'>" + std::string(round) + "</svg>");
    if (!std::holds_alternative<ArtPicture>(picture)) continue;
    QImage image(30, 20, QImage::Format_RGB32);
    QPainter painter(&image);
    std::get<ArtPicture>(picture).paint(painter, image.rect(), image.rect(), true);
  }
  for (const char* outside :
       {"<use href='other.svg#a'/>", "<style>@import 'a.css';</style>",
        "<rect fill='URL( \"file.svg#g\" )'/>", "<image xlink:href='../secret.png'/>",
        "<style>rect { fill: url(/etc/a) }</style>"}) {
    const auto picture =
        read("other.svg", head + "width='30' height='20'>" + std::string(outside) + "</svg>");
    ASSERT_TRUE(std::holds_alternative<Issue>(picture)) << outside;
    EXPECT_EQ(std::get<Issue>(picture).id, IssueId("picture-names-files")) << outside;
  }
}

// Of a drawing that is made points as of one that is not, only what is seen is painted.
TEST_F(Pictures, areCutOffAtTheirPanel) {
  const auto read = this->read("red.svg",
                               "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 10'><rect "
                               "width='10' height='10' fill='#c00000'/></svg>");
  const ArtPicture& picture = std::get<ArtPicture>(read);
  for (const bool canClip : {true, false}) {
    QImage image(100, 100, QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    picture.paint(painter, QRectF(10, 10, 80, 80), QRectF(30, 20, 40, 60), canClip);
    painter.end();
    EXPECT_EQ(qRed(image.pixel(50, 50)), 0xC0) << canClip;
    for (const QPoint& bare : {QPoint(20, 50), QPoint(80, 50), QPoint(50, 12), QPoint(50, 88)})
      EXPECT_EQ(image.pixel(bare), qRgb(255, 255, 255)) << canClip << bare.x() << ',' << bare.y();
  }
}

TEST_F(Pictures, whatIsNoneIsToldWithItsPath) {
  // Sparse, so that no disk is filled: a quarter of a gigabyte and more is not read.
  const std::string large = folder_.write("large.png", "");
  std::filesystem::resize_file(large, 300'000'000);
  EXPECT_EQ(std::get<Issue>(ArtPicture::read(large)).id, IssueId("file-too-large"));
  for (const auto& [name, text] : {std::pair{"empty.png", ""},
                                   {"half.svg", "<svg xmlns='http://www.w3.org/2000/svg'"},
                                   {"none.svg", "<svg xmlns='http://www.w3.org/2000/svg'></svg>"},
                                   {"text.jpg", "Tide ledger"}}) {
    const auto picture = read(name, text);
    ASSERT_TRUE(std::holds_alternative<Issue>(picture)) << name;
    EXPECT_EQ(std::get<Issue>(picture).id, IssueId("picture-unreadable")) << name;
    EXPECT_THAT(std::get<Issue>(picture).where.file, HasSubstr(name));
  }
}

}  // namespace
}  // namespace drapery::test
