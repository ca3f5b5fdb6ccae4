// A message across the top of the table, with the ways out of it.
#pragma once

#include <QWidget>
#include <functional>
#include <optional>
#include <utility>
#include <vector>

#include "paint/palette.h"

class QHBoxLayout;
class QLabel;

namespace drapery {

class Banner : public QWidget {
  Q_OBJECT

 public:
  using Way = std::pair<QString, std::function<void()>>;

  Banner(const Palette& palette, QWidget* parent = nullptr);
  /// Replaces what was said before. "Close" is always the last way.
  void say(Severity severity, const QString& text, const std::vector<Way>& ways = {});
  [[nodiscard]] QString text() const;
  struct Message {
    Severity severity = Severity::Note;
    QString text;
    std::vector<Way> ways;
  };
  /// What it says at the moment.
  [[nodiscard]] std::optional<Message> told() const;

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  void addWay(const Way& way, int index);

  const Palette& palette_;
  Message message_;
  QLabel* label_;
  QHBoxLayout* row_;
};

}  // namespace drapery
