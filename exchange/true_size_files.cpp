#include "exchange/true_size_files.h"

#include <dxflib/dl_dxf.h>

#include <QCoreApplication>
#include <QDate>
#include <QFile>
#include <QPainter>
#include <QTemporaryDir>
#include <algorithm>
#include <cmath>

#include "exchange/layered_svg.h"
#include "exchange/print_job.h"
#include "exchange/print_page.h"
#include "paint/lettering.h"
#include "paint/true_size_painter.h"

namespace drapery {

namespace {

constexpr double kBetween = 20.0;   // mm, also for the words over a thing
constexpr double kWidest = 1000.0;  // before a new row is begun
constexpr double kTitle = 4.0, kLetters = 3.2;

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Templates)
};

/// Where a thing's lower left corner lies, y up from the lower left of all.
struct Arranged {
  std::vector<const TrueSize*> things;
  std::vector<Point> at;
  double width = 0.0, height = 0.0;
};

Arranged arranged(const std::vector<TrueSize>& things) {
  Arranged all;
  for (const TrueSize& thing : things)
    if (!thing.isSticker) all.things.push_back(&thing);
  double x = kBetween, top = kBetween, row = 0.0;
  std::vector<double> tops;
  for (const TrueSize* thing : all.things) {
    if (x > kBetween && x + thing->width.mm() > kWidest) {
      x = kBetween;
      top += row + kBetween;
      row = 0.0;
    }
    all.at.push_back({x, 0.0});
    tops.push_back(top);
    x += thing->width.mm() + kBetween;
    row = std::max(row, thing->height.mm());
    all.width = std::max(all.width, x);
  }
  all.height = top + row + kBetween;
  for (std::size_t i = 0; i < all.at.size(); ++i)
    all.at[i].y = all.height - tops[i] - all.things[i]->height.mm();
  return all;
}

QString headline(const TrueSize& thing, const Plan& plan, const Notation& notation) {
  const TrueSizeWords words = trueSizeWords(thing, plan, notation);
  return words.title + "  " + words.figures;
}

/// Labels alone are nothing for a machine.
Issue nothing() {
  return {"print-nothing", {{"name", Words::tr("outline").toStdString()}}, {}, {}, {}};
}

/// "Tide ledger, 2026-11-27"
QString footOf(const QString& book) {
  return (book.isEmpty() ? Words::tr("Untitled book") : book) + ", " +
         QDate::currentDate().toString(Qt::ISODate);
}

Notation notationOf(const Plan& plan) { return {plan.units, plan.resolution, '.'}; }

/// One drawing by dxflib.
class DxfWriter {
 public:
  explicit DxfWriter(DL_WriterA& out) : out_(out) {}

  void write(const Arranged& all, const Plan& plan, const QString& foot) {
    header();
    out_.sectionEntities();
    for (std::size_t i = 0; i < all.things.size(); ++i) {
      for (const Shape& shape : all.things[i]->drawing.shapes) shapeAt(shape, all.at[i]);
      words(*all.things[i], all.at[i], plan);
    }
    text(foot, kBetween, kTitle, kLetters, 0.0);
    out_.sectionEnd();
    dxf_.writeObjects(out_);
    dxf_.writeObjectsEnd(out_);
    out_.dxfEOF();
    out_.close();
  }

 private:
  static constexpr const char *kCut = "CUT", *kFold = "FOLD", *kEngrave = "ENGRAVE",
                              *kNote = "NOTE";

  /// Everything that a reader wants before the first line; after dxflib's own way of doing it.
  void header() {
    dxf_.writeHeader(out_);
    out_.dxfString(9, "$INSUNITS");
    out_.dxfInt(70, 4);
    out_.dxfString(9, "$DWGCODEPAGE");
    out_.dxfString(3, "ANSI_1252");
    out_.sectionEnd();
    out_.sectionTables();
    dxf_.writeVPort(out_);
    out_.tableLinetypes(3);
    for (const char* type : {"BYBLOCK", "BYLAYER", "CONTINUOUS"})
      dxf_.writeLinetype(out_, DL_LinetypeData(type, type, 0, 0, 0.0));
    out_.tableEnd();
    const std::pair<const char*, int> layers[]{
        {"0", 7}, {kCut, 1}, {kFold, 5}, {kEngrave, 3}, {kNote, 8}};
    out_.tableLayers(5);
    for (const auto& [name, colour] : layers)
      dxf_.writeLayer(out_, DL_LayerData(name, 0),
                      DL_Attributes(name, colour, 25, "CONTINUOUS", 1.0));
    out_.tableEnd();
    out_.tableStyle(1);
    dxf_.writeStyle(out_, DL_StyleData("Standard", 0, 0.0, 1.0, 0.0, 0, 2.5, "txt", ""));
    out_.tableEnd();
    dxf_.writeView(out_);
    dxf_.writeUcs(out_);
    out_.tableAppid(1);
    dxf_.writeAppid(out_, "ACAD");
    out_.tableEnd();
    dxf_.writeDimStyle(out_, 1, 1, 1, 1, 1);
    dxf_.writeBlockRecord(out_);
    out_.tableEnd();
    out_.sectionEnd();
    out_.sectionBlocks();
    for (const char* block : {"*Model_Space", "*Paper_Space", "*Paper_Space0"}) {
      dxf_.writeBlock(out_, DL_BlockData(block, 0, 0.0, 0.0, 0.0));
      dxf_.writeEndBlock(out_, block);
    }
    out_.sectionEnd();
  }

  static DL_Attributes on(const char* layer) {
    return DL_Attributes(layer, 256, -1, "BYLAYER", 1.0);
  }
  static const char* layerName(TrueSizeLayer layer) {
    switch (layer) {
      case TrueSizeLayer::Cut:
        return kCut;
      case TrueSizeLayer::Fold:
        return kFold;
      default:
        return kEngrave;
    }
  }

  void shapeAt(const Shape& shape, const Point& to) {
    if (shape.line == LineKind::Grain) return grain(shape, to);
    const DL_Attributes layer = on(layerName(layerOf(shape)));
    dxf_.writePolyline(
        out_, DL_PolylineData(static_cast<int>(shape.points.size()), 0, 0, shape.isClosed ? 1 : 0),
        layer);
    for (const Point& point : shape.points)
      dxf_.writeVertex(out_, DL_VertexData(point.x + to.x, point.y + to.y, 0.0, 0.0));
    dxf_.writePolylineEnd(out_);
  }
  void grain(const Shape& shape, const Point& to) {
    const Point &a = shape.points.front(), &b = shape.points.back();
    dxf_.writeLine(out_, DL_LineData(a.x + to.x, a.y + to.y, 0, b.x + to.x, b.y + to.y, 0),
                   on(kNote));
  }

  void words(const TrueSize& thing, const Point& to, const Plan& plan) {
    const Notation notation = notationOf(plan);
    text(headline(thing, plan, notation), to.x, to.y + thing.height.mm() + kTitle, kTitle, 0.0);
    for (const TrueSizeLabel& label : thing.labels)
      text(labelWords(label, notation), to.x + label.at.x, to.y + label.at.y, kLetters,
           label.isUpright ? M_PI / 2 : 0.0);
  }
  void text(const QString& words, double x, double y, double high, double angle) {
    std::string ascii;
    for (const QChar letter : words)
      ascii +=
          letter.unicode() < 128 && letter.isPrint()
              ? std::string(1, static_cast<char>(letter.unicode()))
              : QString("\\U+%1").arg(letter.unicode(), 4, 16, QChar('0')).toUpper().toStdString();
    dxf_.writeText(out_,
                   DL_TextData(x, y, 0, x, y, 0, high, 1.0, 0, 0, 0, ascii, "Standard", angle),
                   on(kNote));
  }

  DL_WriterA& out_;
  DL_Dxf dxf_;
};

}  // namespace

Painted trueSizeSvg(const std::vector<TrueSize>& things, const Plan& plan, const QString& book) {
  const Arranged all = arranged(things);
  if (all.things.empty()) return nothing();
  const Notation notation = notationOf(plan);
  const auto layer = [&](TrueSizeLayer which) {
    return [&, which](QPainter& painter) {
      const TrueSizeLook look{
          trueSizeStyle(), [&](const TrueSizeLabel& label) { return labelWords(label, notation); },
          turnWords, which};
      Lettering letters(painter, 1.0);
      if (which == TrueSizeLayer::Words)
        letters.write(QPointF(kBetween, all.height - 2 * kTitle), footOf(book), kLetters,
                      printPalette().ink);
      for (std::size_t i = 0; i < all.things.size(); ++i) {
        QTransform to;
        to.translate(all.at[i].x, all.height - all.at[i].y);
        to.scale(1, -1);
        paintTrueSize(painter, *all.things[i], to, look);
        if (which == TrueSizeLayer::Words)
          letters.write(QPointF(all.at[i].x,
                                all.height - all.at[i].y - all.things[i]->height.mm() - 2 * kTitle),
                        headline(*all.things[i], plan, notation), kTitle, printPalette().ink, true);
      }
    };
  };
  return layeredSvg({all.width, all.height}, book,
                    {{"cut", Words::tr("Cut"), layer(TrueSizeLayer::Cut)},
                     {"fold", Words::tr("Fold"), layer(TrueSizeLayer::Fold)},
                     {"engrave", Words::tr("Marks"), layer(TrueSizeLayer::Mark)},
                     {"note", Words::tr("Words"), layer(TrueSizeLayer::Words)}});
}

Painted trueSizeDxf(const std::vector<TrueSize>& things, const Plan& plan, const QString& book) {
  const Arranged all = arranged(things);
  if (all.things.empty()) return nothing();
  const QTemporaryDir folder;  // dxflib writes to files alone
  const QString path = folder.filePath("templates.dxf");
  const auto fail = [&] {
    return Issue{"file-unwritable",
                 {{"path", path.toStdString()}, {"reason", folder.errorString().toStdString()}},
                 {},
                 {},
                 {}};
  };
  if (!folder.isValid()) return fail();
  DL_Dxf dxf;
  const std::unique_ptr<DL_WriterA> out(dxf.out(path.toLocal8Bit().constData(), DL_VERSION_2000));
  if (!out) return fail();
  DxfWriter(*out).write(all, plan, footOf(book));
  QFile file(path);
  if (!file.open(QIODevice::ReadOnly)) return fail();
  return file.readAll();
}

}  // namespace drapery
