// The drawing table: the stage's drawings to scale, their tags, the notes in the margin, and the
// graduated rule along its lower edge.
#pragma once

#include <QTransform>
#include <QWidget>
#include <map>
#include <memory>

#include "app/document/document.h"
#include "app/stage/stage.h"
#include "app/table/margin_notes.h"
#include "app/table/tag.h"

namespace drapery {

inline constexpr double kPanelWordsPixels = 13.0;
inline constexpr double kLabelPixels = 12.0;  // of the words in a drawing

class InkButton;

class Table : public QWidget {
  Q_OBJECT

 public:
  Table(Document& document, const Palette& palette, QWidget* parent = nullptr);

  void setStage(Stage stage);
  [[nodiscard]] Stage stage() const { return stage_; }
  /// A value ("board_width") or a part ("board"); lights it and says why. Empty for nothing.
  void select(const QString& subject);
  [[nodiscard]] QString selected() const { return selected_; }
  /// The notes fold away in a narrow window and come when something is selected.
  void setNotesFolded(bool folded);
  /// Focus on the first measure that is still missing, else on the first tag.
  void startTyping();
  [[nodiscard]] std::vector<const Tag*> tags() const;
  /// Keeps what is being typed somewhere, as when the stage is left.
  void keepTyped();

 signals:
  void selectionChanged(const QString& subject);
  /// A choice that cannot be taken up, such as a rule file with a mistake in it.
  void refused(const drapery::Issue& issue);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void showEvent(QShowEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;

 private:
  struct Placed {
    StagePanel panel;
    QRectF area;  // the panel's share of the table
    QTransform toTable;
  };
  struct Hanging {
    Tag* tag = nullptr;
    TagSpot spot;
    const Placed* panel = nullptr;  // none: it belongs to the graduated rule
    QPointF anchor;                 // the spot on the table
  };

  void refresh();  // after any change of the plan
  void takePanels();
  void fitPanels();
  [[nodiscard]] double roomFor(const Placed& placed, Side side) const;
  [[nodiscard]] QString panelInFront(const std::vector<StagePanel>& all) const;
  void placeSwitch();
  void bringOtherToFront();
  void hangTags();
  void placeTags();
  void placeRuleTags();
  static QRectF captionRect(const Placed& placed);
  static QRectF labelRect(const Placed& placed, const DrawingLabel& label);
  static QString labelWords(const std::string& id);
  void orderTabs();
  Tag* tagFor(const std::string& value, Tag::Kind kind);
  void connectTag(Tag* tag);
  [[nodiscard]] TagContent contentOf(const std::string& value) const;
  void writeNotes();
  void placeNotes();
  [[nodiscard]] bool hasMargin() const;
  void paintWords(QPainter& painter);
  [[nodiscard]] bool crossesALeader(const QRectF& words) const;
  void paintTies(QPainter& painter);
  void paintRule(QPainter& painter);
  [[nodiscard]] QRect drawingArea() const;
  [[nodiscard]] QRect ruleArea() const;
  void zoomBy(double factor, QPointF about);
  void panBy(QPointF by);
  void resetView();

  void onTyped(Tag* tag, const QString& text);
  void onKept(Tag* tag, const QString& text, bool goOn);
  void onStepped(Tag* tag, int marks);
  void onChosen(Tag* tag, int option);
  void goOnFrom(Tag* tag);
  [[nodiscard]] std::string fieldOfTag(const Tag& tag) const;
  [[nodiscard]] FieldValue valueOf(const std::string& field, const QString& text) const;
  void showMessage(Tag* tag, const Issue& issue);

  Document& document_;
  const Palette& palette_;
  MarginNotes* notes_;
  InkButton* switch_;  // to the other drawing, while there is room for one only
  bool isOneAtATime_ = false;
  bool startsTyping_ = false;   // asked for before the window was seen
  QString inFront_;             // the drawing to show then
  QString nextId_, nextPanel_;  // the one after it, and its caption
  bool isLastPanel_ = true;
  Stage stage_ = Stage::Measure;
  QString selected_;
  bool isFolded_ = false;
  std::vector<Placed> panels_;
  std::map<std::string, Tag*> tags_;  // all that were ever needed, by value
  std::vector<Hanging> hanging_;      // those of this stage, in the order of the work
  std::map<std::string, QString> messages_;
  double zoom_ = 1.0;
  QPointF pan_;
  bool isSpaceDown_ = false;
  std::optional<QPointF> dragFrom_;
};

}  // namespace drapery
