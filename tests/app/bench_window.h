// The real window on a job file of its own, driven offscreen as a binder would.
#pragma once

#include <gtest/gtest.h>

#include <QAbstractButton>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QTest>
#include <functional>

#include "app/main_window.h"
#include "app/table/table.h"
#include "paint/fonts.h"
#include "store/job_file.h"
#include "tests/support/books.h"
#include "tests/support/command.h"

namespace drapery::test {

/// ms that something may take to come, on a busy machine.
inline constexpr int kLong = 60'000;

class BenchWindow : public ::testing::Test {
 protected:
  BenchWindow() {
    qputenv("XDG_DATA_HOME", folder_.path().c_str());
    begin();
  }

  /// A window on a workspace of its own; of the house's files those in the folders that are named.
  void begin(const std::string& methods = {}, const std::string& settings = {},
             const std::vector<Stage>& stages = allStages(), const std::string& materials = {}) {
    window_.reset();
    workspace_ = std::make_unique<Workspace>(
        Workspace::Places{methods, materials, folder_.path() + "/drapery/jobs", settings, stock(),
                          folder_.path() + "/drapery/shop.json", patterns()});
    window_ = std::make_unique<MainWindow>(*workspace_, stages);
    window_->show();
    window_->activateWindow();
    QApplication::processEvents();
  }

  /// The house's own, of which there are none until a test writes them.
  std::string patterns() { return folder_.path() + "/drapery/patterns"; }

  /// What lies there to be cut: nothing, until a test writes it.
  std::string stock() { return folder_.path() + "/drapery/stock.json"; }

  /// Writes the job and opens it.
  void open(const Job& job) {
    path_ = folder_.write("job.json", writeJob(job));
    ASSERT_TRUE(window_->openFile(QString::fromStdString(path_))) << banner().toStdString();
    settle();
  }
  void openPlain() { open(plainJob()); }
  void showCase() { click("docket.case"); }

  template <class Widget = QWidget>
  Widget* find(const char* name) {
    auto* widget = window_->findChild<Widget*>(name);
    EXPECT_NE(widget, nullptr) << name;
    return widget;
  }
  QLineEdit* entry(const std::string& value) { return find<QLineEdit>(("tag." + value).c_str()); }
  bool isShown(const char* name) {
    auto* widget = window_->findChild<QWidget*>(name);
    return widget != nullptr && widget->isVisible();
  }

  void click(const char* name) {
    QTest::mouseClick(find(name), Qt::LeftButton);
    settle();
  }
  /// Focus, all selected, and the keys of the text; nothing kept yet.
  void type(const std::string& value, const char* text) {
    QLineEdit* field = entry(value);
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, text);
    settle();
  }
  void keep(const std::string& value, const char* text) {
    type(value, text);
    QTest::keyClick(entry(value), Qt::Key_Return);
    settle();
  }
  void choose(const std::string& value, int option) {
    auto* choice = find<QComboBox>(("tag." + value).c_str());
    choice->setCurrentIndex(option);
    emit choice->activated(option);
    settle();
  }
  void press(Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
    QTest::keyClick(
        QApplication::focusWidget() != nullptr ? QApplication::focusWidget() : window_.get(), key,
        modifiers);
    settle();
  }

  Document& document() { return window_->document(); }
  double value(const char* name) { return valueOf(document().plan(), name); }
  /// Those that are worked on the table of drawings.
  static std::vector<std::reference_wrapper<const Stage>> tableStages() {
    std::vector<std::reference_wrapper<const Stage>> stages;
    for (const Stage& stage : allStages())
      if (stage.makePage == allStages().front().makePage) stages.emplace_back(stage);
    return stages;
  }
  Table& table() { return dynamic_cast<Table&>(window_->page()); }
  QString banner() { return window_->banner().text(); }
  /// All words in the margin.
  QString notes() {
    QStringList words;
    for (const QLabel* label : find("notes")->findChildren<QLabel*>()) words << label->text();
    return words.join("\n");
  }
  QString message(const std::string& value) { return entry(value)->accessibleDescription(); }

  /// What the file holds now, read anew.
  Job saved() {
    settle();
    return saved(path_);
  }
  /// Until what is under way is written and told.
  void settle() {
    QApplication::processEvents();
    EXPECT_TRUE(QTest::qWaitFor([this] { return !document().isWriting(); }));
    workspace_->tasks().settle();
    QApplication::processEvents();
  }
  static Job saved(const std::string& path) {
    const JobDocument document = readJob(readFile(path), path);
    EXPECT_TRUE(document.job.has_value()) << path;
    return document.job.value_or(Job{});
  }

  TemporaryFolder folder_;
  std::string path_;
  std::unique_ptr<Workspace> workspace_;
  std::unique_ptr<MainWindow> window_;
};

}  // namespace drapery::test
