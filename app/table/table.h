// The drawing table: the stage's drawings to scale, their tags, the notes in the margin, and the
// graduated rule along its lower edge. Where the drawings stand is `Panels`' to say, where the tags
// hang `TagRack`'s, what typing does `TagEditor`'s.
#pragma once

#include <QPixmap>
#include <functional>
#include <map>
#include <optional>
#include <vector>

#include "app/document/document.h"
#include "app/stage/stage_page.h"
#include "app/table/margin_notes.h"
#include "app/table/panels.h"
#include "app/table/tag.h"
#include "app/table/tag_rack.h"
#include "app/table/value_drag.h"

namespace drapery {

class GivingList;
class InkButton;
class RuleEditor;
class TableSheet;
class TagEditor;
class TurnHandle;
class WayIn;

class Table : public StagePage {
  Q_OBJECT

 public:
  Table(Document& document, const Palette& palette, QWidget* parent = nullptr);

  void setStage(const Stage& stage) override;
  void select(const Subject& subject) override;
  [[nodiscard]] const Subject& selected() const override { return selected_; }
  [[nodiscard]] Subject closerLook() const override {
    return detail_.empty() ? Subject() : Subject::field(detail_);
  }
  void setNotesFolded(bool folded) override;
  /// Focus on the first measure that is still missing, else on the first tag.
  void startTyping() override;
  [[nodiscard]] std::vector<const Tag*> tags() const;
  [[nodiscard]] const Panels& panels() const { return panels_; }
  /// Where words of the drawings stand: captions and labels.
  [[nodiscard]] std::vector<QRectF> words() const;
  /// Where a value on the table is taken hold of; none where it cannot be dragged.
  [[nodiscard]] std::optional<DragHandle> handleOf(const std::string& value) const {
    return drag_.handleOf(value, pose_);
  }
  [[nodiscard]] TypedTexts typed() const override;
  void typeAgain(const TypedTexts& texts) override;
  void keepTyped() override;
  void typeAndKeep(const std::string& value, const QString& text) override;
  void changeRule(const QString& formula) override;
  /// Pixels of this screen to the mm, as they were measured; 0 or less: not known.
  void setTrueScale(std::function<double()> scale) { trueScale_ = std::move(scale); }
  bool takeReading(const QString& reading) override;
  bool tellOfReading(const QString& words) override;

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
  /// What must be made anew: each takes in those after it.
  enum class Renewal {
    Plan,   // drawings, tags and notes
    Notes,  // what is selected
    Room,   // the drawings' places, as after a resize
    View,   // where the drawings lie
    Pan     // the same drawings, moved
  };
  void renew(Renewal from);
  void takeDrawings();
  void writeNotes();
  void placeNotes();
  void placeTags();
  void placeGiving();
  void turn(double degrees);
  bool takePose(const std::string& id);
  void placeHandle();
  void placeWayIn();
  void placeSwitch();
  void placeLinks();
  InkButton* linkTo(const StageLink& link, std::size_t number);
  void open(const std::string& view);
  void openReadings(const std::string& measure);
  [[nodiscard]] Tag* measuredNow() const;
  void reveal(const std::string& value);
  void bringNextToFront();
  void goOnFrom(Tag* tag);
  void onJobChanged();
  [[nodiscard]] std::optional<std::pair<Tag::Kind, TagContent>> contentOf(
      const Subject& subject) const;
  [[nodiscard]] bool hasMargin() const;
  [[nodiscard]] QRect drawingArea() const;
  [[nodiscard]] QRect ruleArea() const;
  void zoomBy(double factor, QPointF about);
  void panBy(QPointF by);

  void paintLabels(QPainter& painter);
  void paintDrawings(QPainter& painter, const QRegion& seen);
  [[nodiscard]] bool crossesALeader(const QRectF& words) const;
  void paintTies(QPainter& painter);
  void paintRule(QPainter& painter);
  void paintHandle(QPainter& painter);
  void redraw(const std::function<bool(const Drawing&)>& which);
  void redrawWhereTheyStand();
  void paintAnew(bool isPanned = false);
  void hover(QPointF at);

  Document& document_;
  const Palette& palette_;
  MarginNotes* notes_;
  /// What stands in the drawings' place, made when it is first asked for; null for the drawings.
  TableSheet* sheetNow();
  [[nodiscard]] bool showsSheet() const;
  void placeSheet();
  void makeSo(const std::string& method);
  void takeUp(const std::string& method);

  std::map<std::string, TableSheet*> sheets_;  // by the link that turns to them
  std::function<double()> trueScale_;
  TurnHandle* handle_ = nullptr;  // once it was asked for
  Pose pose_;
  InkButton* switch_;              // to the other drawing, while there is room for one only
  std::vector<InkButton*> links_;  // to details and back, as many as were ever needed
  TagRack* rack_;
  TagEditor* editor_;
  GivingList* giving_;
  RuleEditor* rules_;
  WayIn* wayIn_ = nullptr;  // once a book is empty
  Panels panels_;
  ValueDrag drag_;
  std::optional<DragHandle> handleHere_;  // under the pointer
  QPointF pointer_;
  QString dragTold_;
  QPixmap picture_;               // of the drawings, while they are only moved
  QPoint pictured_;               // and where they had been moved to then
  bool isPanned_ = false;         // the last thing that was done
  std::string detail_;            // the closer look that is taken; empty: none
  const Stage* stage_ = nullptr;  // none until the window turns to one
  Subject selected_;
  bool startsTyping_ = false;  // asked for before the window was seen
  bool isFolded_ = false;
  bool isSpaceDown_ = false;
  std::optional<QPointF> dragFrom_;
};

}  // namespace drapery
