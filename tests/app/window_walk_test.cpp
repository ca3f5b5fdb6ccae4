// The whole window as chance has it: any stage of any kind of book, anything that can be pressed,
// typed, chosen or dragged. Nothing of it ends the program, what is kept is in the file, and all of
// it can be taken back.
#include <QPointer>

#include "tests/app/random_walk.h"

namespace drapery::test {
namespace {

class WindowWalk : public RandomWalk {
 protected:
  template <class Widget>
  std::vector<Widget*> shown() {
    std::vector<Widget*> all;
    for (auto* widget : window_->findChildren<Widget*>())
      if (widget->isVisible() && widget->isEnabled()) all.push_back(widget);
    return all;
  }

  std::string act() {
    switch (below(12)) {
      case 0:
      case 1:
        return turn();
      case 2:
      case 3:
        return type();
      case 4:
        return choose();
      case 5:
        return drag();
      case 6:
        return key();
      case 7:
        press(Qt::Key_Z, Qt::ControlModifier);
        return "undo";
      case 8:
        press(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        return "redo";
      case 9:
        window_->resize(900 + static_cast<int>(below(700)), 600 + static_cast<int>(below(500)));
        return "size";
      default:
        return push();
    }
  }

  std::string turn() {
    const Stage& stage = any(allStages());
    if (window_->canTurnTo(stage)) window_->setStage(stage);
    return stage.id;
  }
  /// Any that leads to no other book and to no other program.
  std::string push() {
    std::vector<QAbstractButton*> all = shown<QAbstractButton>();
    std::erase_if(all, [](QAbstractButton* button) {
      const QString name = button->objectName();
      for (const char* other :
           {"docket.new", "docket.open", "docket.copy", "docket.caliper", "templates.print"})
        if (name == other) return true;
      return false;
    });
    if (all.empty()) return {};
    QAbstractButton* button = any(all);
    const std::string name = button->objectName().toStdString();
    QTest::mouseClick(button, Qt::LeftButton);
    return name;
  }
  std::string type() {
    const std::vector<QLineEdit*> all = shown<QLineEdit>();
    if (all.empty()) return {};
    static const std::vector<std::string> kTexts{
        "",    "12",  "3.5", "0",       "-4",         "1e9",    "210 mm", "8 1/4 in", "5 3/16",
        "abc", "2 2", "|",   "12 | 13", "material x", "[1, 2]", "2/3",    "500 x 700"};
    QLineEdit* field = any(all);
    const std::string& text = any(kTexts);
    const std::string name = field->objectName().toStdString();
    field->setFocus();
    field->selectAll();
    QTest::keyClick(field, Qt::Key_Delete);
    QTest::keyClicks(field, QString::fromStdString(text));
    if (below(4) > 0) QTest::keyClick(field, Qt::Key_Return);
    return name + " = " + text;
  }
  std::string choose() {
    const std::vector<QComboBox*> all = shown<QComboBox>();
    if (all.empty()) return {};
    QComboBox* choice = any(all);
    if (choice->count() == 0) return {};
    const auto option = static_cast<int>(below(static_cast<std::size_t>(choice->count())));
    const std::string name = choice->objectName().toStdString();
    if (qEnvironmentVariableIsSet("DRAPERY_WALKS"))
      qInfo("choose %s %d of %d, %s", name.c_str(), option, choice->count(), window_->stage().id);
    choice->setCurrentIndex(option);
    emit choice->activated(option);
    return name + " : " + std::to_string(option);
  }
  /// Anywhere on the page.
  std::string drag() {
    QWidget* page = &window_->page();
    const auto at = [&] {
      return QPoint(static_cast<int>(below(static_cast<std::size_t>(page->width()))),
                    static_cast<int>(below(static_cast<std::size_t>(page->height()))));
    };
    const QPoint from = at(), to = at();
    QWidget* child = page->childAt(from);
    const bool isPage = child == nullptr || qobject_cast<QAbstractButton*>(child) != nullptr;
    const QPointer<QWidget> on = isPage ? page : child;  // a press may take it away
    const QPoint here = on->mapFrom(page, from), there = on->mapFrom(page, to);
    if (on) QTest::mousePress(on, Qt::LeftButton, {}, here);
    if (on) QTest::mouseMove(on, (here + there) / 2);
    if (on) QTest::mouseMove(on, there);
    if (on) QTest::mouseRelease(on, Qt::LeftButton, {}, there);
    return "dragged";
  }
  std::string key() {
    static const std::vector<Qt::Key> kKeys{
        Qt::Key_Escape, Qt::Key_Tab,  Qt::Key_Return, Qt::Key_Space,   Qt::Key_Up,
        Qt::Key_Down,   Qt::Key_Left, Qt::Key_Right,  Qt::Key_Home,    Qt::Key_End,
        Qt::Key_P,      Qt::Key_T,    Qt::Key_PageUp, Qt::Key_PageDown};
    const Qt::Key key = any(kKeys);
    press(key);
    return "key " + std::to_string(key);
  }
};

TEST_F(WindowWalk, endsNothingAndLosesNothing) {
  constexpr int kWalks = 4, kSteps = 60;
  FileQuestions ask;  // every other question is turned back from
  ask.saveJob = ask.savePages =
      ask.openPicture = [](QWidget*, const QString&) { return QString(); };
  ask.open = [this](QWidget*, const QString&) { return QString::fromStdString(path_); };
  window_->setQuestions(ask);
  walk(kWalks, [&](int number) {
    const Job job = plainJob(any(kMethods));
    path_ = folder_.write("job-" + std::to_string(number) + ".json", writeJob(job));
    click("docket.open");
    settle();
    ASSERT_EQ(document().path().toStdString(), path_) << banner().toStdString();
    EXPECT_FALSE(document().undoStack()->canUndo()) << writeJob(document().job());
    const auto state = [this] { return writeJob(document().job()); };
    const std::string begun = state(), path = path_;
    std::string trail = "walk " + std::to_string(number) + " " + job.method + ":";
    for (int i = 0; i < kSteps && !HasFailure(); ++i) {
      step(trail, [this] { return act(); });
      const bool isHere = document().path().toStdString() == path;
      if (isHere && document().isSaved()) {
        EXPECT_EQ(writeJob(saved()), state()) << trail;
      }
    }
    takeBack(trail, begun, state);
  });
}

}  // namespace
}  // namespace drapery::test
