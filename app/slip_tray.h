// The pieces lying on the table's edge, in their true proportions to each other.
#pragma once

#include <QAbstractButton>
#include <QScrollArea>
#include <QWidget>
#include <functional>
#include <vector>

#include "core/drawing/drawing.h"
#include "core/plan/plan.h"
#include "paint/palette.h"

class QLineEdit;

namespace drapery {

class InkButton;

/// One kind of piece: its shape with the grain arrow, lettered as a binder would.
class Slip : public QAbstractButton {
  Q_OBJECT

 public:
  Slip(QString partId, const Palette& palette, QWidget* parent);
  void setPart(const PlannedPart& part, const Plan& plan);
  /// The piece's size at a scale of 1 pixel to the mm.
  [[nodiscard]] QSizeF pieceSize() const;
  void setScale(double pixelsPerMm);
  /// In pixels.
  [[nodiscard]] QSizeF shownSize() const { return pieceSize() * scale_; }
  void setLetteringSize(double size) { size_ = size; }
  /// At the full size of the lettering.
  [[nodiscard]] int letteringWidth() const { return lettering_; }
  [[nodiscard]] QString partId() const { return partId_; }
  [[nodiscard]] QSize sizeHint() const override;
  /// What was said of its real size; not while something else is being typed there.
  void setAsCut(const QString& words);
  void stopTyping();
  void keepTyped();

 signals:
  void asCutTyped(const QString& text);
  void asCutKept(const QString& text);
  void asCutLeft();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  [[nodiscard]] QRect lineRect(int line) const;
  void makeEntry();

  const Palette& palette_;
  QString partId_, name_, figures_, below_, asCut_;
  QLineEdit* entry_ = nullptr;  // of the size as cut, seen while the slip is selected
  bool isTyping_ = false;
  Drawing drawing_;  // the piece alone, as it is cut
  double scale_ = 0.2;
  double size_ = 1.0;  // of the lettering
  int lettering_ = 0;
};

/// Few pieces lie in a row, many in two. More than eight fold by the moment at which they are cut,
/// one moment open at a time; what finds no room is reached by moving the tray.
class SlipTray : public QWidget {
  Q_OBJECT

 public:
  SlipTray(const Palette& palette, QWidget* parent = nullptr);
  /// What a slip says of its piece's real size.
  using AsCutWords = std::function<QString(const std::string& part)>;
  void setPlan(const Plan& plan, const AsCutWords& asCut);
  void setSelected(const Subject& subject);
  /// What is wrong with what is being typed; empty for nothing.
  void tell(const QString& message);
  [[nodiscard]] const QString& told() const { return message_; }
  void stopTyping();
  /// Keeps sizes that are being typed, as Enter does.
  void keepTyped();

 signals:
  /// At a slip's "as cut".
  void asCutTyped(const QString& part, const QString& text);
  void asCutKept(const QString& part, const QString& text);
  void asCutLeft();
  void selected(const drapery::Subject& part);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;

 private:
  /// How the slips lie: in how many rows, how large lettered.
  struct Lay {
    int rows = 1;
    double lettering = 1.0;
  };
  void fold(const Plan& plan);
  void open(std::size_t moment);
  void placeMoments();
  [[nodiscard]] int momentsHeight() const;
  [[nodiscard]] std::size_t fullest() const;
  /// Those of the open moment, or all.
  [[nodiscard]] const std::vector<Slip*>& lying() const { return lying_; }
  void layOut();
  [[nodiscard]] std::size_t columnsOf(const Lay& lay) const;
  [[nodiscard]] double letteringWidth(const Lay& lay) const;
  /// Of the slips in a column, one a row.
  [[nodiscard]] std::vector<Slip*> column(const Lay& lay, std::size_t which) const;
  void replaceSlip(std::size_t i, const QString& id);

  const Palette& palette_;
  QScrollArea* window_;  // onto the pieces
  QWidget* pieces_;
  std::vector<Slip*> slips_, lying_;
  /// While the pieces are folded: a moment's button and its pieces.
  struct Moment {
    InkButton* button = nullptr;
    QStringList parts;
  };
  std::vector<Moment> moments_;  // as many as were ever needed
  std::size_t folds_ = 0;        // of them in use; 0: all lie open
  std::size_t opened_ = 0;
  Subject selected_;
  bool isStopped_ = false;
  QString message_;
};

}  // namespace drapery
