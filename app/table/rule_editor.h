// A rule of the house's changed in its note: each of its texts, checked as it is typed, the book
// drawn by it meanwhile.
#pragma once

#include <QPlainTextEdit>
#include <QWidget>
#include <optional>
#include <string>
#include <vector>

#include "app/document/document.h"
#include "app/document/rule_desk.h"
#include "paint/palette.h"

class QLabel;

namespace drapery {

/// One text of a rule; Enter keeps it, Escape leaves it.
class RuleEntry : public QPlainTextEdit {
  Q_OBJECT

 public:
  RuleEntry(const QString& text, const Palette& palette, QWidget* parent);
  /// Underlines what is wrong, from a byte of the text on; none: nothing is.
  void setWrong(std::optional<std::size_t> at);

 signals:
  void kept();
  void left();

 protected:
  void keyPressEvent(QKeyEvent* event) override;

 private:
  const Palette& palette_;
};

class RuleEditor : public QWidget {
  Q_OBJECT

 public:
  RuleEditor(Document& document, const Palette& palette, QWidget* parent);
  /// Of an entry of the rules: "derive", "board_width".
  void open(const std::string& list, const std::string& id);
  [[nodiscard]] bool isOpen() const { return !id_.empty(); }
  /// What is being changed; empty while nothing is.
  [[nodiscard]] const std::string& rule() const { return id_; }
  /// Whether something is typed that is not kept.
  [[nodiscard]] bool isTyped() const { return !typed().empty(); }
  /// Gives up what is typed.
  void leave();
  /// As if one of its texts were being typed; the first where no other is named.
  void write(const std::string& key, const QString& text);
  /// Those of its texts that were changed.
  [[nodiscard]] RuleEdits typed() const;

 signals:
  void closed();
  void refused(const drapery::Issue& issue);

 private:
  void addText(const char* key, const QString& label, const std::string& text);
  void tryOut();
  void keep();
  void restore();
  void close();
  void tell(const QString& words, const QColor& ink);

  Document& document_;
  const Palette& palette_;
  std::string list_, id_;
  struct Text {
    std::string key;
    RuleEntry* entry;
  };
  std::vector<Text> texts_;
  QLabel* told_ = nullptr;  // while it is open
};

}  // namespace drapery
