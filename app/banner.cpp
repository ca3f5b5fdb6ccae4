#include "app/banner.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/words/window_words.h"
#include "paint/fonts.h"

namespace drapery {

Banner::Banner(const Palette& palette, QWidget* parent)
    : QWidget(parent), palette_(palette), label_(new QLabel(this)), row_(new QHBoxLayout(this)) {
  setObjectName("banner");
  row_->setContentsMargins(18, 8, 14, 8);
  row_->setSpacing(18);
  label_->setObjectName("banner.text");
  label_->setWordWrap(true);
  label_->setTextFormat(Qt::PlainText);
  label_->setFont(textFont(13.5));
  row_->addWidget(label_, 1);
  hide();
}

QString Banner::text() const { return isHidden() ? QString() : label_->text(); }

std::optional<Banner::Message> Banner::told() const {
  return isHidden() ? std::nullopt : std::optional(message_);
}

void Banner::addWay(const Way& way, int index) {
  auto* button = new InkButton(way.first, palette_, this);
  button->setObjectName(QString("banner.way%1").arg(index));
  connect(button, &QAbstractButton::clicked, this, [this, act = way.second] {
    hide();
    if (act) act();
  });
  row_->addWidget(button);
}

void Banner::say(Severity severity, const QString& text, const std::vector<Way>& ways) {
  while (row_->count() > 1) {
    QLayoutItem* item = row_->takeAt(1);
    item->widget()->setObjectName({});  // the next one has its name
    item->widget()->hide();
    item->widget()->deleteLater();
    delete item;
  }
  // Only now: a text that can be selected is a whole document, too dear for a start without a
  // message.
  label_->setTextInteractionFlags(Qt::TextSelectableByMouse);
  message_ = {severity, text, ways};
  label_->setText(severityMark(severity) + "  " + text);
  QPalette colours = label_->palette();
  colours.setColor(QPalette::WindowText, palette_.of(severity));
  label_->setPalette(colours);
  int index = 0;
  for (const Way& way : ways) addWay(way, index++);
  addWay({tr("Close"), {}}, index);
  show();
}

void Banner::paintEvent(QPaintEvent*) {
  QPainter painter(this);
  painter.fillRect(rect(), palette_.paper);
  painter.fillRect(mirrored(*this, {0, 0, 4, height()}), palette_.of(message_.severity));
  painter.setPen(palette_.hairline);
  painter.drawLine(0, height() - 1, width(), height() - 1);
}

}  // namespace drapery
