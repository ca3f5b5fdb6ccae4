// What lies there to be cut, as a hand-written list: each line is changed where it stands.
#pragma once

#include <QScrollArea>
#include <functional>

#include "app/cutting/stock_fields.h"
#include "paint/palette.h"

class QComboBox;
class QGridLayout;
class QLineEdit;

namespace drapery {

class Workspace;

class StockSheet : public QScrollArea {
  Q_OBJECT

 public:
  StockSheet(Workspace& workspace, const Palette& palette, QWidget* parent);
  /// Anew, as the stock is now; what has the focus keeps it.
  void renew();
  /// Keeps what is being typed, as Enter does.
  void keepTyped();

 signals:
  /// What is wrong with what was typed; empty for nothing.
  void told(const QString& words);

 protected:
  /// With nothing typed, undo is the book's; what was typed is taken back with Escape.
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  /// Changes an item, or says why not.
  using Edit = std::function<WhyNot(StockItem& item)>;
  void addHeadings();
  void addRow(const StockItem& item);
  void addChoices(int row, const StockItem& item);
  static QString nameIn(int row, const char* what);
  void addFoot();
  QLineEdit* addEntry(int row, int column, const QString& name, const QString& words,
                      const QString& text, double widthEm);
  void onKept(QLineEdit* entry, const std::function<void(const QString&)>& keep);
  QComboBox* addChoice(int row, int column, const QString& name, const QString& words,
                       const QStringList& options, int chosen);
  void change(const std::string& id, const Edit& edit, QLineEdit* from = nullptr);
  void add();
  void remove(const std::string& id);
  void keep(const QString& step, const std::function<Stock(const Stock&)>& to,
            const std::function<Stock(const Stock&)>& back);
  [[nodiscard]] QStringList materials() const;

  Workspace& workspace_;
  const Palette& palette_;
  QWidget* sheet_ = nullptr;
  QGridLayout* grid_ = nullptr;
};

}  // namespace drapery
