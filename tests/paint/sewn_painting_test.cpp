// The pictures of what is sewn: no move is made out of sight, however many sections there are.
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <QImage>
#include <QPainter>

#include "core/sewing/sew_book.h"
#include "paint/link_painter.h"
#include "paint/stitch_painter.h"
#include "paint/tapes_painter.h"
#include "tests/support/books.h"

namespace drapery::test {
namespace {

const QRectF kRoom(20, 20, 420, 260);

/// Pixels in the colour of the present move, within the room and beyond it.
struct Accent {
  int within = 0, beyond = 0;
};

template <typename Paint>
Accent accentOf(const Palette& palette, const Paint& paint) {
  QImage image(460, 300, QImage::Format_RGB32);
  image.fill(palette.ground);
  {
    QPainter painter(&image);
    paint(painter);
  }
  Accent found;
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x) {
      if (image.pixel(x, y) != palette.accent.rgb()) continue;
      // A heavy line's own width may lie on the edge.
      (kRoom.adjusted(-4, -4, 4, 4).contains(x, y) ? found.within : found.beyond) += 1;
    }
  return found;
}

SewnBook slotted(int sections, double height, double slotEnd) {
  Job job = plainJob("soft-slotted");
  job.given["sections_wanted"] = {double(sections), {}};
  job.given["text_height"] = {height, {}};
  job.given["leaf_caliper"] = {0.1, {}};
  job.allowances["slot_end"] = {slotEnd, {}};
  return sewBook(job, planOf(job).plan, PatternLibrary());
}

SewnBook overTapes(int sections, double height, int tapes) {
  Job job = plainJob("spring-back");
  job.given["text_height"] = {height, {}};
  job.given["pages_wanted"] = {8.0 * sections, {}};
  job.given["folios_per_section"] = {2.0, {}};
  job.given["leaf_caliper"] = {0.12, {}};
  job.given["tape_count"] = {double(tapes), {}};
  return sewBook(job, planOf(job).plan, PatternLibrary());
}

RC_GTEST_PROP(SewnPicture, showsEveryMoveOfLinkedSections, ()) {
  const SewnBook book =
      slotted(*rc::gen::inRange(2, 61), *rc::gen::inRange(100, 500), *rc::gen::inRange(20, 48));
  const auto* link = std::get_if<SewnLink>(&book.sewn);
  const bool isSewn = link != nullptr;
  RC_PRE(isSewn);
  const Palette palette = lightPalette();
  std::size_t steps = 0;
  for (const LinkRow& row : link->rows) steps += row.steps.size();
  const std::size_t step = *rc::gen::inRange<std::size_t>(0, steps);
  const Accent accent = accentOf(palette, [&](QPainter& painter) {
    paintLink(painter, *link, {SewnPart::How::Present, step, step + 1}, kRoom, palette);
  });
  RC_ASSERT(accent.within > 4);
  RC_ASSERT(accent.beyond == 0);
}

RC_GTEST_PROP(SewnPicture, showsEveryMoveOverTapes, ()) {
  const SewnBook book =
      overTapes(*rc::gen::inRange(2, 201), *rc::gen::inRange(150, 400), *rc::gen::inRange(2, 6));
  const auto* tapes = std::get_if<SewnTapes>(&book.sewn);
  const bool isSewn = tapes != nullptr && !tapes->plan.has(Severity::Stop);
  RC_PRE(isSewn);
  const Palette palette = lightPalette();
  const std::size_t step = *rc::gen::inRange<std::size_t>(0, tapes->steps.size());
  const Accent accent = accentOf(palette, [&](QPainter& painter) {
    paintTapes(painter, *tapes, {SewnPart::How::Present, step, step + 1},
               topSection(*tapes, step + 1, kRoom), kRoom, palette);
  });
  RC_ASSERT(accent.within > 4);
  RC_ASSERT(accent.beyond == 0);
}

RC_GTEST_PROP(SewnPicture, showsEveryStepOfAStabBook, ()) {
  Job job = plainJob("stab-boarded");
  job.given["text_height"] = {double(*rc::gen::inRange(60, 500)), {}};
  const SewnBook book = sewBook(job, planOf(job).plan, PatternLibrary());
  const auto* stab = std::get_if<SewnStab>(&book.sewn);
  const bool isSewn = stab != nullptr;
  RC_PRE(isSewn);
  const Palette palette = lightPalette();
  StitchPicture picture;
  picture.graph = &stab->graph;
  picture.steps = &stab->trail.steps;
  picture.thickness = stab->plan.number("sewn_thickness").value_or(10.0);
  std::size_t step = *rc::gen::inRange<std::size_t>(0, stab->trail.steps.size());
  // A pass fills a part of its ring; a stretch and a wrap are lines.
  while (stab->trail.steps[step].what == SewStep::Do::Pass ||
         stab->trail.steps[step].what == SewStep::Do::Knot)
    step = step == 0 ? 1 : step - 1;
  picture.present = step;
  picture.done = step + 1;
  const Accent accent = accentOf(palette, [&](QPainter& painter) {
    paintStitchThread(painter, picture, step, step + 1, kRoom, palette);
  });
  RC_ASSERT(accent.within > 4);
  RC_ASSERT(accent.beyond == 0);
}

// The first section of a standing book lies beside its front, at the right.
TEST(SewnPicture, beginsBesideTheFront) {
  const SewnBook book = slotted(6, 180, 38);
  const auto& link = std::get<SewnLink>(book.sewn);
  const Palette palette = lightPalette();
  QImage image(460, 300, QImage::Format_RGB32);
  image.fill(palette.ground);
  {
    QPainter painter(&image);
    paintLink(painter, link, {SewnPart::How::Present, 0, 1}, kRoom, palette);
  }
  double sum = 0.0;
  int marked = 0;
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x)
      if (image.pixel(x, y) == palette.accent.rgb()) sum += x, marked += 1;
  ASSERT_GT(marked, 4);
  EXPECT_GT(sum / marked, kRoom.center().x());
}

}  // namespace
}  // namespace drapery::test
