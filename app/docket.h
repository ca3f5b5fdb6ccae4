// The docket: the paper slip that travels with the book. The way about, and how the work stands.
#pragma once

#include <QWidget>
#include <vector>

#include "app/document/document.h"
#include "app/stage/stage.h"
#include "paint/palette.h"

class QLineEdit;
class QVBoxLayout;

namespace drapery {

class InkButton;
class StageLine;
class TitleEntry;

class Docket : public QWidget {
  Q_OBJECT

 public:
  Docket(Workspace& workspace, const std::vector<Stage>& stages, const Palette& palette,
         QWidget* parent = nullptr);
  void setStage(const Stage& stage);
  /// Keeps a title that is being typed.
  void keepTyped();
  /// How the caliper stands, in a word.
  void setCaliper(const QString& status);

 signals:
  void stageChosen(const drapery::Stage& stage);
  void newWanted();
  void openWanted();
  void copyWanted();
  void slipWanted();
  void themeWanted();
  /// A figure that cannot be.
  void refused(const drapery::Issue& issue);
  void caliperWanted(const QPoint& at);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void refresh();
  void addCommands(QVBoxLayout* column);
  void addCopies(QVBoxLayout* column);
  void keepCopies();
  void tellOfCopies(const QString& words);

  Workspace& workspace_;
  Document& document_;
  const Palette& palette_;
  TitleEntry* title_;
  QLineEdit* copies_ = nullptr;
  InkButton* caliper_ = nullptr;
  std::vector<StageLine*> lines_;
};

}  // namespace drapery
