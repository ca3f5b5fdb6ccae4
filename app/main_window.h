// The window: docket, table, slips.
#pragma once

#include <QWidget>
#include <functional>
#include <map>

#include "app/banner.h"
#include "app/docket.h"
#include "app/document/document.h"
#include "app/slip_tray.h"
#include "app/stage/stage_page.h"
#include "app/stage/stages.h"
#include "app/workspace/workspace.h"

class QStackedWidget;

namespace drapery {

/// Asks the binder for a file; empty when they turn back. Tests put their own answers in.
struct FileQuestions {
  std::function<QString(QWidget*, const QString& folder)> open;
  std::function<QString(QWidget*, const QString& suggested)> saveJob;
  std::function<QString(QWidget*, const QString& suggested)> savePages;
  std::function<QString(QWidget*, const QString& folder)> openPicture = {};
};
FileQuestions fileDialogs();

class MainWindow : public QWidget {
  Q_OBJECT

 public:
  /// @param stages those that there are; other ones in tests. They outlive the window.
  explicit MainWindow(Workspace& workspace, const std::vector<Stage>& stages = allStages(),
                      QWidget* parent = nullptr);
  ~MainWindow() override;

  Document& document() { return document_; }
  [[nodiscard]] const Stage& stage() const { return *stage_; }
  /// The page that the present stage is worked on.
  StagePage& page() { return pageBy(stage_->makePage); }
  Banner& banner() { return *banner_; }
  void setQuestions(FileQuestions questions) { ask_ = std::move(questions); }
  void setStage(const Stage& stage);
  /// Whether this kind of book has it.
  [[nodiscard]] bool canTurnTo(const Stage& stage) const;
  /// Opens a job; what is wrong with it stands in the banner, and the present book stays.
  bool openFile(const QString& path);
  void startNew();
  /// Rule files of the house that are not offered and settings that are not taken, and why.
  void tellLeftOut();
  /// Every part anew, in the theme and size of letters that the settings say; the work stays.
  void dressAnew();

 protected:
  void resizeEvent(QResizeEvent* event) override;
  void closeEvent(QCloseEvent* event) override;

 private:
  void build();
  void connectParts();
  /// The page of that maker, made when it is first asked for.
  StagePage& pageBy(PageMaker maker);
  void turnToFirst();
  [[nodiscard]] bool hasNarrowTable() const;
  void removeParts();
  void chooseTheme();
  void scaleLetters(double factor);
  void showPlan();
  void takeReading(const QString& reading);
  void chooseCaliper(const QPoint& at);
  void tryAsCut(const QString& part, const QString& text, bool isKept);
  /// Every way out of the present book: what is typed is kept, and what could not be saved is not
  /// left behind without a word.
  void leave(const std::function<void()>& then);
  void keepTyped();
  void begin();
  void addShortcuts();
  void turnToNth(int number);
  void onSaveFailed(const Issue& issue);
  [[nodiscard]] std::vector<Banner::Way> waysOutOf(const Issue& issue);
  void openAnother();
  void copy(const std::function<void()>& then = {});
  void exportSlip();
  void writePages(const StagePage::Pages& pages);
  void refreshTitle();
  [[nodiscard]] QString suggestedName(const QString& suffix) const;

  Workspace& workspace_;
  const std::vector<Stage>& stages_;
  Document& document_;
  FileQuestions ask_;
  Docket* docket_ = nullptr;
  Banner* banner_ = nullptr;
  QStackedWidget* stack_ = nullptr;
  std::map<PageMaker, StagePage*> pages_;
  const Stage* stage_;
  SlipTray* slips_ = nullptr;
  bool isClosing_ = false;
};

}  // namespace drapery
