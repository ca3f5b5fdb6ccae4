// What hangs on the table beside tags and notes: words that turn to other drawings, the question
// what gives way, the way in, the handle of a cover.
#include <QSignalBlocker>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/table/giving_list.h"
#include "app/table/table.h"
#include "app/table/turn_handle.h"
#include "app/table/way_in.h"
#include "paint/fonts.h"

namespace drapery {

/// The button with that number, made when it is first needed.
InkButton* Table::linkTo(const StageLink& link, std::size_t number) {
  if (number == links_.size()) {
    links_.push_back(new InkButton({}, palette_, this));
    connect(links_.back(), &QAbstractButton::clicked, this, [this, button = links_.back()] {
      if (takePose(button->objectName().section(QLatin1Char('.'), 1).toStdString())) return;
      selected_ = {};
      open(button->objectName().section(QLatin1Char('.'), 1).toStdString());
      emit selectionChanged(selected_);
    });
  }
  InkButton* button = links_[number];
  button->setObjectName("link." + QString::fromStdString(link.view));
  button->setText(link.words);
  button->setAccessibleName(link.words);
  return button;
}

/// Behind the captions; in further lines where one is too short.
void Table::placeLinks() {
  std::size_t used = 0;
  for (const PlacedPanel& placed : panels_.shown()) {
    const QRectF caption = placed.captionRect();
    const double gap = 1.4 * em(), left = caption.left();
    const double right = switch_->isVisibleTo(this) ? switch_->geometry().left() - gap
                                                    : drawingArea().right() - 12.0;
    double x = placed.panel.caption.isEmpty() ? left : caption.right() + gap;
    double y = caption.top() - 3;
    for (const StageLink& link : placed.panel.links) {
      InkButton* button = linkTo(link, used++);
      const QSize size = button->sizeHint();
      if (x > left && x + size.width() > right) {
        x = left;
        y += size.height();
      }
      button->setGeometry(static_cast<int>(x), static_cast<int>(y), size.width(), size.height());
      button->show();
      x += size.width() + gap;
    }
  }
  for (; used < links_.size(); ++used) links_[used]->hide();
}

/// The command that brings the other drawing to the front.
void Table::placeSwitch() {
  switch_->setVisible(panels_.isOneAtATime());
  if (!panels_.isOneAtATime()) return;
  switch_->setText(tr("show: %1").arg(panels_.nextCaption()));
  switch_->setAccessibleName(switch_->text());
  const QSize size = switch_->sizeHint();
  const int left = drawingArea().right() - size.width() - 12;
  // Beside the caption, or below it where the line is too short for both.
  const QRectF caption = panels_.shown().empty() ? QRectF() : panels_.shown().front().captionRect();
  const int top = caption.right() + em() > left ? static_cast<int>(caption.bottom()) : 6;
  switch_->setGeometry(left, top, size.width(), size.height());
}

/// Beside the tag that was said over, within the table.
void Table::placeGiving() {
  if (!giving_->isAsking()) return;
  const HangingTag* hanging = rack_->hangingOf(giving_->value());
  if (hanging == nullptr) return giving_->leave();
  const QRect tag = hanging->tag->geometry();
  const QSize size = giving_->sizeHint();
  int y = tag.bottom() + 6;
  if (y + size.height() > drawingArea().bottom()) y = tag.top() - size.height() - 6;
  const int x = std::clamp(tag.left(), 8, std::max(8, drawingArea().right() - size.width() - 8));
  giving_->setGeometry(x, std::max(4, y), size.width(), size.height());
  giving_->raise();
}

/// On the face of a block of which nothing is said yet.
void Table::placeWayIn() {
  const auto& shown = panels_.shown();
  const DrawingLabel* face = nullptr;
  const PlacedPanel* on = nullptr;
  for (const PlacedPanel& placed : shown)
    for (const DrawingLabel& label : placed.panel.drawing.labels)
      if (label.id == kFaceLabel) {
        face = &label;
        on = &placed;
      }
  const bool isNew = document_.job().given.empty();
  if (wayIn_ == nullptr && face != nullptr && isNew) {
    wayIn_ = new WayIn(document_, palette_, this);
    connect(wayIn_, &WayIn::kindsWanted, this, [this] { open(kAllKinds); });
    connect(wayIn_, &WayIn::refused, this, &Table::refused);
    connect(wayIn_, &WayIn::changed, this, [this] { renew(Renewal::Plan); });
    connect(wayIn_, &WayIn::goOnAt, this, [this](const std::string& value) {
      if (value.empty()) return startTyping();
      reveal(value);
      if (Tag* tag = rack_->find(value)) tag->takeFocus();
    });
  }
  if (wayIn_ == nullptr) return;
  wayIn_->setVisible(face != nullptr && wayIn_->isAsking());
  if (face == nullptr || !wayIn_->isAsking()) return;
  const QSize size(wayIn_->width(), wayIn_->heightForWidth(wayIn_->width()));
  const QPointF middle = on->onTable(face->at);
  const QRect area = drawingArea();
  const int x = std::clamp(static_cast<int>(middle.x()) - size.width() / 2, 8,
                           std::max(8, area.right() - size.width() - 8));
  const int y = std::clamp(static_cast<int>(middle.y()) - size.height() / 2, 30,
                           std::max(30, area.bottom() - size.height()));
  wayIn_->setGeometry(x, y, size.width(), size.height());
  wayIn_->raise();
}

/// At the edge of the cover that can be turned, where there is one.
void Table::placeHandle() {
  const auto& shown = panels_.shown();
  const auto posed = std::find_if(shown.begin(), shown.end(), [](const PlacedPanel& placed) {
    return placed.panel.drawing.grip.has_value();
  });
  if (posed == shown.end()) {
    if (handle_ == nullptr) return;
    handle_->hide();
    return handle_->stop();
  }
  if (handle_ == nullptr) {
    handle_ = new TurnHandle(palette_, this);
    connect(handle_, &TurnHandle::turned, this, &Table::turn);
  }
  const Grip& grip = *posed->panel.drawing.grip;
  const QSignalBlocker silent(handle_);
  handle_->hang(grip, posed->onTable(grip.hinge), posed->onTable(grip.at));
}

/// Only what turns is drawn anew: no tag and no note hangs on it.
void Table::turn(double degrees) {
  pose_.turn = std::max(degrees, 0.0);  // no further than it goes is the figure's to say
  isPanned_ = false;
  picture_ = {};
  redraw([](const Drawing& drawing) { return drawing.grip.has_value(); });
  placeHandle();
  update(drawingArea());
}

bool Table::takePose(const std::string& id) {
  if (id == kPosePlay) {
    for (const PlacedPanel& placed : panels_.shown())
      if (placed.panel.drawing.grip) handle_->play(placed.panel.drawing.grip->most);
    return true;
  }
  if (id == kPoseBoth) {
    pose_.isBoth = !pose_.isBoth;
    renew(Renewal::Plan);
    return true;
  }
  const bool isPose = id == kPoseClosed || id == kPoseHalf || id == kPoseOver;
  if (!isPose) return false;
  handle_->stop();
  const double whole = handle_->maximum();
  turn(id == kPoseClosed ? 0.0 : id == kPoseHalf ? whole / 2 : whole);
  return true;
}

}  // namespace drapery
