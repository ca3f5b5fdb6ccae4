// No tag over another or over a word, whatever the book.
#include <rapidcheck.h>

#include "core/drawing/draw_view.h"
#include "tests/app/bench_window.h"

namespace drapery::test {
namespace {

constexpr int kBooks = 500;

class Layout : public BenchWindow {
 protected:
  /// What lies on what; empty when nothing does.
  std::string overlaps() {
    const auto tags = table().tags();
    const auto words = table().words();
    for (std::size_t i = 0; i < tags.size(); ++i) {
      const QRect here = tags[i]->geometry();
      if (!table().rect().contains(here)) return tags[i]->value() + " leaves the table";
      for (std::size_t k = i + 1; k < tags.size(); ++k)
        if (here.intersects(tags[k]->geometry()))
          return tags[i]->value() + " and " + tags[k]->value();
      for (const QRectF& word : words)
        if (word.toAlignedRect().adjusted(1, 1, -1, -1).intersects(here))
          return tags[i]->value() + " and a word";
      for (const auto* link : table().findChildren<QAbstractButton*>())
        if (link->isVisible() && link->objectName().startsWith("link.") &&
            link->geometry().intersects(here))
          return tags[i]->value() + " and " + link->text().toStdString();
    }
    return {};
  }
  /// One of the stage's closer looks, or none.
  std::string lookOf(const Stage& stage, int number) {
    std::vector<std::string> looks{""};
    for (const ViewRule* view : viewsOf(document().plan(), stage.id))
      for (const ViewRule* detail : detailsOf(document().plan(), view->id))
        looks.push_back(detail->id);
    return looks[static_cast<std::size_t>(number) % looks.size()];
  }
};

class AnyLayout : public Layout, public ::testing::WithParamInterface<bool> {};

TEST_P(AnyLayout, noTagLiesOnAnotherOrOnAWordInFiveHundredRandomBooks) {
  int looked = 0;
  const auto& schools = GetParam() ? kSchools : kStructures;
  for (int i = 0; i < kBooks; ++i) {
    const std::string& school = schools[static_cast<std::size_t>(i) % schools.size()];
    Job job = anyJob(school)(rc::Random(static_cast<std::uint64_t>(i)), 80).value();
    job.units = i % 2 == 0 ? Units::Millimetres : Units::Inches;
    job.round.reset();
    path_ = folder_.write("job.json", writeJob(job));
    if (!window_->openFile(QString::fromStdString(path_))) continue;
    const bool isLarge = i % 3 == 0;
    if (window_->size() != (isLarge ? QSize(1280, 800) : QSize(1024, 700)))
      window_->resize(isLarge ? QSize(1280, 800) : QSize(1024, 700));
    auto stages = tableStages();
    std::erase_if(stages, [&](const Stage& each) { return !window_->canTurnTo(each); });
    const Stage& stage = stages[static_cast<std::size_t>(i / 2) % stages.size()];
    window_->setStage(stage);
    const std::string look = lookOf(stage, i / 8);
    if (!look.empty()) table().select(Subject::field(look));
    QApplication::processEvents();
    ++looked;
    EXPECT_EQ(overlaps(), "") << "book " << i << ", " << school << ", " << stage.id << ", "
                              << (look.empty() ? "as it stands" : look);
  }
  EXPECT_GT(looked, kBooks * 9 / 10);
}

INSTANTIATE_TEST_SUITE_P(Of, AnyLayout, ::testing::Bool(), [](const auto& each) {
  return each.param ? std::string("cases") : std::string("otherStructures");
});

// What a drawing is called is not cut off, in large letters in a small window either.
TEST_F(Layout, captionsHaveRoomInLargeLetters) {
  setFontScale(1.5);
  begin();
  window_->resize(1024, 700);
  for (const std::string& method : kMethods) {
    open(plainJob(method));
    for (const Stage& stage : tableStages()) {
      if (!window_->canTurnTo(stage)) continue;
      window_->setStage(stage);
      for (int look = 0; look < 10; ++look) {
        const std::string id = lookOf(stage, look);
        if (look > 0 && id.empty()) break;
        if (look > 0) table().select(Subject::field(id));
        QApplication::processEvents();
        for (const QRectF& word : table().words())
          EXPECT_LE(word.right(), table().width()) << method << " " << stage.id << " " << id;
      }
    }
  }
  setFontScale(1.0);
}

}  // namespace
}  // namespace drapery::test
