#include "exchange/art_page.h"

#include <QCoreApplication>
#include <QDate>
#include <QFontMetricsF>
#include <QPainter>
#include <algorithm>
#include <cmath>
#include <filesystem>

#include "core/diag/nearest_name.h"
#include "core/quantity/length.h"
#include "core/toml/table_reader.h"
#include "paint/dashes.h"
#include "paint/lettering.h"
#include "paint/palette.h"

namespace drapery {

namespace {

constexpr double kFewDots = 200.0;                       // an inch
constexpr double kUsualTitle = 11.0, kUsualSpine = 7.0;  // letters, mm
constexpr double kOfPanel = 0.86;                        // what of it a title may take
constexpr double kLegible = 1.5, kLeastLetters = 0.6;    // mm
constexpr double kUpper = 0.30;  // a title's middle on a panel, from the head
constexpr double kLine = 0.2, kNoteLine = 0.26;
const std::vector<double> kMarkDashes{1.2, 0.8}, kFoldDashes{3.0, 1.5};
constexpr double kMark = 6.0, kMarkOff = 3.0;  // crop marks: length, from the bleed
constexpr double kSmall = 2.6, kName = 4.0;
constexpr double kPerMm = 20.0;  // how finely letters are measured

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Artwork)
};

QString text(const std::string& from) { return QString::fromStdString(from); }

class PageMaker {
 public:
  PageMaker(ArtPage& page, const JobArt& all, const std::string& folder, const ReadPicture& read)
      : page_(page),
        folder_(folder),
        read_(read),
        medium_(1, 1, QImage::Format_ARGB32_Premultiplied),
        painter_(&medium_),
        letters_(painter_, kPerMm) {
    if (const auto found = all.find(page.art.rule->id); found != all.end())
      panels_ = &found->second;
  }

  void make() {
    if (panels_ == nullptr) return;
    if (const auto whole = panels_->find(ArtPage::kWhole); whole != panels_->end()) {
      const double bleed = whole->second.fit == PictureFit::Fill ? page_.art.bleed : 0.0;
      picture(whole->second, Words::tr("whole sheet"),
              QRectF(-bleed, -bleed, page_.art.width() + 2 * bleed, page_.art.height + 2 * bleed));
    }
    checkNames();
    for (const Artwork::Panel& panel : page_.art.panels) {
      const auto found = panels_->find(panel.rule->id);
      if (found == panels_->end()) continue;
      picture(found->second, nameOf(panel), placeOf(panel, found->second.fit));
      title(found->second, panel);
    }
  }

 private:
  [[nodiscard]] QString nameOf(const Artwork::Panel& panel) const {
    return text(panel.rule->title.in(page_.notation.language));
  }

  void checkNames() {
    std::vector<std::string> known{ArtPage::kWhole};
    for (const ArtworkPanel& panel : page_.art.rule->panels) known.push_back(panel.id);
    for (const auto& [id, art] : *panels_)
      if (std::find(known.begin(), known.end(), id) == known.end())
        page_.notes.push_back({"art-panel-unknown",
                               {{"value", shortened(id)},
                                {"name", page_.art.rule->title.text},
                                {"nearest", nearestName(id, known)},
                                {"allowed", joined(known)}},
                               {},
                               {},
                               {}});
  }

  /// With the bleed where the panel ends at the sheet's edge; what is to be seen whole keeps off
  /// it.
  [[nodiscard]] QRectF placeOf(const Artwork::Panel& panel, PictureFit fit) const {
    const double bleed = fit == PictureFit::Fill ? page_.art.bleed : 0.0;
    const bool isFirst = &panel == &page_.art.panels.front();
    const bool isLast = &panel == &page_.art.panels.back();
    const double left = panel.left - (isFirst ? bleed : 0.0);
    const double right = panel.right() + (isLast ? bleed : 0.0);
    return {left, -bleed, right - left, page_.art.height + 2 * bleed};
  }

  void picture(const PanelArt& art, const QString& name, const QRectF& place) {
    if (art.picture.empty()) return;
    const std::filesystem::path path =
        std::filesystem::path(folder_) / std::filesystem::path(art.picture);
    auto read = read_(path.lexically_normal().string());
    if (auto* issue = std::get_if<Issue>(&read)) return page_.faults.push_back(std::move(*issue));
    ArtPage::Picture put{std::move(std::get<ArtPicture>(read)), {}, {}};
    QSizeF size = put.picture.size();
    size.scale(place.size(),
               art.fit == PictureFit::Fill ? Qt::KeepAspectRatioByExpanding : Qt::KeepAspectRatio);
    put.into = QRectF(QPointF(), size);
    put.into.moveCenter(place.center());
    put.seen = put.into.intersected(place);
    const double dots = put.picture.size().width() / (size.width() / kMmPerInch);
    if (!put.picture.isVector() && dots < kFewDots)
      page_.notes.push_back({"picture-coarse",
                             {{"path", art.picture},
                              {"name", name.toStdString()},
                              {"value", std::to_string(std::lround(dots))},
                              {"least", std::to_string(std::lround(kFewDots))}},
                             {},
                             {},
                             {}});
    page_.pictures.push_back(std::move(put));
  }

  /// Lines, and how large the letters can be so that all of them find room.
  void title(const PanelArt& art, const Artwork::Panel& panel) {
    const QString words = text(art.title).simplified();
    if (words.isEmpty()) return;
    const bool isTurned = art.runs != TitleRuns::Across;
    const double clear = panel.rule->isSpine ? page_.art.clear : 0.0;
    const double wide = panel.width - 2 * clear;
    const double along =
        isTurned ? kOfPanel * page_.art.height : std::min(kOfPanel * panel.width, wide);
    const double over = isTurned ? wide : kOfPanel * page_.art.height;
    ArtPage::Title title;
    title.panel = panel.rule->id;
    title.ink = art.ink;
    title.turn = art.runs == TitleRuns::Down ? 90.0 : art.runs == TitleRuns::Up ? -90.0 : 0.0;
    title.middle = {panel.left + panel.width / 2,
                    page_.art.height * (isTurned || panel.rule->isSpine ? 0.5 : kUpper)};
    const double usual = panel.rule->isSpine ? kUsualSpine : kUsualTitle;
    const double wanted = art.letters > 0.0 ? art.letters : usual;
    double size = wanted;
    const auto set = [&] {
      title.lines = panel.rule->isSpine && isTurned ? QStringList{words}
                                                    : letters_.broken(words, size, along);
      double longest = 0.0;
      for (const QString& line : title.lines)
        longest = std::max(longest, letters_.widthOf(line, size));
      const double high = Lettering::lineHeight(size) * static_cast<double>(title.lines.size());
      return std::pair(longest, high);
    };
    // What was said of the letters holds across the spine; a line that is too long holds nowhere.
    const auto [longest, first] = set();
    const auto fits = [&] {
      const auto [length, high] = set();
      return length <= along && (art.letters > 0.0 && isTurned ? true : high <= over);
    };
    while (size > kLeastLetters && !fits()) size *= 0.96;
    title.letters = size;
    set();
    const bool isSmaller = art.letters > 0.0 && size < wanted;
    if (isSmaller || size < kLegible)
      page_.notes.push_back({"title-too-long",
                             {{"name", nameOf(panel).toStdString()},
                              {"value", Amount{longest, Unit::Millimetre}},
                              {"most", Amount{along, Unit::Millimetre}}},
                             {},
                             {},
                             {}});
    checkFolds(panel, title, isTurned);
    checkLetters(panel, words);
    page_.titles.push_back(std::move(title));
  }

  /// From the letters' outermost to the nearest fold.
  void checkFolds(const Artwork::Panel& panel, const ArtPage::Title& title, bool isTurned) {
    if (!panel.rule->isSpine) return;
    double wide = 0.0;
    if (isTurned)
      wide = Lettering::lineHeight(title.letters) * static_cast<double>(title.lines.size() - 1) +
             title.letters;
    else
      for (const QString& line : title.lines)
        wide = std::max(wide, letters_.widthOf(line, title.letters));
    const double rest = (panel.width - wide) / 2;
    if (rest >= page_.art.clear - 1e-9) return;
    page_.notes.push_back({"title-near-fold",
                           {{"name", nameOf(panel).toStdString()},
                            {"value", Amount{std::max(0.0, rest), Unit::Millimetre}},
                            {"least", Amount{page_.art.clear, Unit::Millimetre}}},
                           {},
                           {},
                           {}});
  }

  void checkLetters(const Artwork::Panel& panel, const QString& words) {
    const QFontMetricsF metrics{QFont("IBM Plex Sans")};
    QString missing;
    for (const uint letter : words.toUcs4()) {
      const QString one = QString::fromUcs4(reinterpret_cast<const char32_t*>(&letter), 1);
      if (!metrics.inFontUcs4(letter) && QChar::isPrint(letter) && !missing.contains(one) &&
          missing.size() < 12)
        missing += one;
    }
    if (missing.isEmpty()) return;
    page_.notes.push_back(
        {"title-no-letters",
         {{"name", nameOf(panel).toStdString()}, {"value", missing.toStdString()}},
         {},
         {},
         {}});
  }

  ArtPage& page_;
  const std::string& folder_;
  const ReadPicture& read_;
  const std::map<std::string, PanelArt, std::less<>>* panels_ = nullptr;
  QImage medium_;
  QPainter painter_;
  Lettering letters_;
};

QPen pen(double mm, const QColor& colour = printPalette().ink) {
  return {colour, mm, Qt::SolidLine, Qt::FlatCap};
}

}  // namespace

ArtPage makeArtPage(const Job& job, std::shared_ptr<const Plan> plan, const Artwork& art,
                    const std::string& folder, const ReadPicture& read) {
  ArtPage page;
  page.plan = std::move(plan);
  page.art = art;
  page.notation = {page.plan->units, page.plan->resolution, '.'};
  page.book = job.title.empty() ? Words::tr("Untitled book") : text(job.title);
  page.date = QDate::currentDate().toString(Qt::ISODate);
  PageMaker(page, job.art, folder, read).make();
  return page;
}

void paintArt(QPainter& painter, const ArtPage& page, bool canClip) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  for (const ArtPage::Picture& picture : page.pictures)
    picture.picture.paint(painter, picture.into, picture.seen, canClip);
  // Another program may not have the face: what cannot clip is given outlines.
  Lettering letters(painter, 1.0, !canClip);
  for (const ArtPage::Title& title : page.titles) {
    painter.save();
    painter.translate(title.middle);
    painter.rotate(title.turn);
    const double line = Lettering::lineHeight(title.letters);
    double y = -line * static_cast<double>(title.lines.size() - 1) / 2;
    for (const QString& words : title.lines) {
      letters.writeMiddle({0.0, y}, words, title.letters,
                          title.ink == TitleInk::Light ? printPalette().paper : printPalette().ink);
      y += line;
    }
    painter.restore();
  }
  painter.restore();
}

namespace {

/// Bars under the sheet to hold a rule against, as long as the paper has room for, and what it is.
void bars(QPainter& painter, const ArtPage& page) {
  constexpr double kEdge = 4.0, kInside = 8.0, kTick = 2.2, kShortTick = 1.2;
  constexpr double kBeside = 120.0;  // the words' room
  Lettering letters(painter, 1.0);
  const double wide = page.art.width(), left = -page.offset() + kEdge;
  const double y = page.art.height + page.art.bleed + ArtPage::kMargin - 3.0;
  const double right = wide + page.offset() - kEdge;
  const auto bar = [&](double from, double length, int parts, const QString& words) {
    painter.setPen(pen(kLine));
    painter.drawLine(QPointF(from, y), QPointF(from + length, y));
    for (int i = 0; i <= parts; ++i) {
      const double x = from + length * i / parts;
      painter.drawLine(QPointF(x, y), QPointF(x, y - (i % parts == 0 ? kTick : kShortTick)));
    }
    letters.write({from + 2.0, y - kTick - Lettering::lineHeight(kSmall)}, words, kSmall,
                  printPalette().ink);
  };
  // Of small books both halved; a bar that the paper cuts off would measure false.
  const bool isWhole = right - left >= 100.0;
  const double metric = isWhole ? 100.0 : 50.0, inches = isWhole ? 4.0 : 2.0;
  double from = right - kInside >= metric + kInside ? kInside : left;
  bar(from, metric, 10, isWhole ? Words::tr("100 mm") : Words::tr("50 mm"));
  from += metric + kInside;
  if (from + inches * kMmPerInch <= right) {
    bar(from, inches * kMmPerInch, 16, isWhole ? Words::tr("4 in") : Words::tr("2 in"));
    from += inches * kMmPerInch + kInside;
  }
  const QString what =
      Words::tr("%1: %2, %3. Print at 100 %. Trim at the corner marks, fold at the dashed ones.")
          .arg(page.book, text(page.art.rule->title.in(page.notation.language)), page.date);
  // Beside the bars where that leaves room, else over the sheet.
  const bool isBeside = wide - from > kBeside;
  letters.write(isBeside ? QPointF(from, y - Lettering::lineHeight(kSmall))
                         : QPointF(left, -page.offset() + 1.0),
                letters.shortened(what, kSmall, isBeside ? wide - from : right - left), kSmall,
                printPalette().ink);
}

}  // namespace

void paintArtMarks(QPainter& painter, const ArtPage& page) {
  painter.save();
  painter.setPen(pen(kLine));
  const double bleed = page.art.bleed, off = bleed + kMarkOff, end = off + kMark;
  const double wide = page.art.width(), high = page.art.height;
  for (const double x : {0.0, wide})
    for (const double y : {0.0, high}) {
      const double outX = x == 0.0 ? -1.0 : 1.0, outY = y == 0.0 ? -1.0 : 1.0;
      painter.drawLine(QPointF(x + outX * off, y), QPointF(x + outX * end, y));
      painter.drawLine(QPointF(x, y + outY * off), QPointF(x, y + outY * end));
    }
  for (const double fold : page.art.folds())
    for (const auto& [y, out] : {std::pair{0.0, -1.0}, std::pair{high, 1.0}})
      drawDashed(painter, QList<QPointF>{{fold, y + out * off}, {fold, y + out * end}},
                 kMarkDashes);
  bars(painter, page);
  painter.restore();
}

void paintArtNotes(QPainter& painter, const ArtPage& page) {
  painter.save();
  const QColor blue("#1B63B8");  // as drafts are marked: to be told from the print
  Lettering letters(painter, 1.0);
  painter.setPen(pen(kNoteLine, blue));
  for (const double fold : page.art.folds())
    drawDashed(painter, QList<QPointF>{{fold, 0.0}, {fold, page.art.height}}, kFoldDashes);
  painter.setBrush(Qt::NoBrush);
  painter.drawRect(QRectF(QPointF(), page.trim()));
  for (const Artwork::Panel& panel : page.art.panels) {
    const QString name = text(panel.rule->title.in(page.notation.language)) + ", " +
                         text(formatLength(Length::fromMm(panel.width), page.notation));
    const double x = panel.left + panel.width / 2;
    const bool isUpright = letters.widthOf(name, kName) > panel.width - 4.0;
    const double size = isUpright ? std::min(kName, 0.6 * panel.width) : kName;
    const QPointF middle(x, page.art.height - (isUpright ? 30.0 : 8.0));
    // On paper of its own: it may lie on a dark picture.
    const double along = letters.widthOf(name, size) + 2.0, across = Lettering::lineHeight(size);
    QRectF ground(0, 0, isUpright ? across : along, isUpright ? along : across);
    ground.moveCenter(middle);
    painter.fillRect(ground, QColor(255, 255, 255, 225));
    letters.writeMiddle(middle, name, size, blue, false, isUpright ? -90.0 : 0.0);
    painter.setPen(pen(kNoteLine, blue));
  }
  painter.restore();
}

}  // namespace drapery
