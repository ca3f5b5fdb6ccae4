// A measure where it stands in the drawing: typed over in place, chosen, or, when it is computed,
// asked.
#pragma once

#include <QStringList>
#include <QWidget>
#include <optional>
#include <string>

#include "paint/palette.h"

class QComboBox;
class QCompleter;
class QLineEdit;

namespace drapery {

struct TagContent {
  QString caption;
  QString text;  // the figure, or the option chosen
  QString unit;
  QString placeholder;               // what an empty entry asks for
  QString message;                   // what is wrong with what is being typed
  QStringList options;               // Choice
  QStringList names;                 // Entry: what may be named in place of a figure
  bool isSupposed = false;           // nobody said or measured it: supposed, or planned
  bool hasReadings = false;          // it opens to the places where it is read
  bool isFixed = false;              // Computed: said in place of its rule
  std::optional<Severity> severity;  // of a finding that touches it
  friend bool operator==(const TagContent&, const TagContent&) = default;
};

class Tag : public QWidget {
  Q_OBJECT

 public:
  /// A computed figure can be said over, and then something gives way; a plain figure cannot.
  enum class Kind { Entry, Choice, Computed, Figure };

  Tag(std::string value, Kind kind, const Palette& palette, QWidget* parent);

  [[nodiscard]] const std::string& value() const { return value_; }
  [[nodiscard]] Kind kind() const { return kind_; }
  /// It is the binder's to say, not computed.
  [[nodiscard]] bool isToBeSaid() const { return kind_ == Kind::Entry || kind_ == Kind::Choice; }
  /// While a text is being typed the text stays; everything else is shown anew.
  void setContent(const TagContent& content);
  void setSelected(bool selected);
  /// The text being typed, if any.
  [[nodiscard]] bool isTyping() const { return isTyping_; }
  [[nodiscard]] QString typedText() const;  // empty when none is
  /// As if the text were being typed now.
  void typeAgain(const QString& text);
  /// Gives up what is being typed.
  void stopTyping();
  /// As if the text were typed and kept.
  void fill(const QString& text);
  void takeFocus();
  /// Keeps what is being typed, as Enter does but without going on.
  void keepTyped();
  [[nodiscard]] QSize sizeHint() const override;
  /// Without a message and with room for a usual figure, so that the drawing keeps still while
  /// typing.
  [[nodiscard]] QSize restingSize() const;
  [[nodiscard]] QWidget* focusTarget() const;

 signals:
  void selected(drapery::Tag* tag);
  void typed(drapery::Tag* tag, const QString& text);
  void kept(drapery::Tag* tag, const QString& text, bool goOn);
  void abandoned(drapery::Tag* tag);
  void stepped(drapery::Tag* tag, int marks);
  void chosen(drapery::Tag* tag, int option);
  /// The measure is to be opened to its readings.
  void opened(drapery::Tag* tag);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  void makeEntry();
  void makeChoice();
  void makeNames();
  void offerNames(const QString& text);
  void placeInside();
  [[nodiscard]] QRect listMark() const;
  [[nodiscard]] bool hasListMark() const {
    return !content_.names.isEmpty() || content_.hasReadings;
  }
  void openList();
  [[nodiscard]] QColor figureInk() const;
  void forgetSizes() const {
    resting_.reset();
    hinted_.reset();
  }
  bool entryKey(int key);
  [[nodiscard]] QString captionWithMark() const;
  [[nodiscard]] QRect figureRect() const;
  [[nodiscard]] QString shownFigure() const;
  [[nodiscard]] QSize sizeFor(const QString& figure) const;
  [[nodiscard]] QSize reckonedSize() const;
  [[nodiscard]] bool hasFocusInside() const;

  std::string value_;
  Kind kind_;
  const Palette& palette_;
  TagContent content_;
  mutable std::optional<QSize> resting_, hinted_;  // sizes as last reckoned: setting text costs
  QLineEdit* entry_ = nullptr;
  QComboBox* choice_ = nullptr;
  QCompleter* names_ = nullptr;  // once something may be named
  bool isTyping_ = false;
  bool isShown_ = false;  // the content, as it is
  bool isSelected_ = false;
};

}  // namespace drapery
