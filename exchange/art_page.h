// What is printed on a jacket or a wrapper, laid out on its panels: mm, y down, from the upper left
// corner of the trimmed sheet.
#pragma once

#include <QFont>
#include <QStringList>
#include <functional>
#include <memory>
#include <string>
#include <variant>
#include <vector>

#include "core/plan/artwork.h"
#include "core/plan/job.h"
#include "core/quantity/format_length.h"
#include "exchange/art_picture.h"

class QPainter;

namespace drapery {

struct ArtPage {
  static constexpr double kMargin = 16.0;  // paper beyond the bleed, for marks and bars
  /// In place of a panel's id: a picture over all of them.
  static constexpr const char* kWhole = "whole";

  struct Picture {
    ArtPicture picture;
    QRectF into, seen;
  };
  struct Title {
    std::string panel;
    QStringList lines;
    double letters = 0.0;  // mm
    QPointF middle;
    double turn = 0.0;  // degrees clockwise
    TitleInk ink = TitleInk::Dark;
  };

  std::shared_ptr<const Plan> plan;  // the artwork points into it
  Artwork art;
  std::vector<Picture> pictures;
  std::vector<Title> titles;
  Issues faults;  // pictures that cannot be printed: left out
  Issues notes;   // what is worth knowing before it is printed
  Notation notation;
  QString book, date;

  /// Of the trimmed sheet.
  [[nodiscard]] QSizeF trim() const { return {art.width(), art.height}; }
  /// From the paper's edge to the trimmed sheet's, and the whole paper.
  [[nodiscard]] double offset() const { return art.bleed + kMargin; }
  [[nodiscard]] QSizeF paper() const { return trim() + QSizeF(2 * offset(), 2 * offset()); }
};

using ReadPicture = std::function<std::variant<ArtPicture, Issue>(const std::string& path)>;

/// @param folder that the job's pictures are named from
ArtPage makeArtPage(const Job& job, std::shared_ptr<const Plan> plan, const Artwork& art,
                    const std::string& folder, const ReadPicture& read = ArtPicture::read);

/// Pictures and titles. The painter counts in mm from the trimmed sheet's corner.
void paintArt(QPainter& painter, const ArtPage& page, bool canClip = true);
/// Outside the bleed: where it is trimmed and folded, bars to hold a rule against, what it is.
void paintArtMarks(QPainter& painter, const ArtPage& page);
/// Folds over the panels, their names and widths: never to be printed with it.
void paintArtNotes(QPainter& painter, const ArtPage& page);

}  // namespace drapery
