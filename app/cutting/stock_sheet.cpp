#include "app/cutting/stock_sheet.h"

#include <QApplication>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QScrollBar>
#include <algorithm>
#include <cmath>

#include "app/cutting/stock_fields.h"
#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/table/flat_choice.h"
#include "app/words/cut_words.h"
#include "app/words/window_words.h"
#include "app/workspace/stock_room.h"
#include "app/workspace/workspace.h"
#include "core/cutting/thread_stock.h"
#include "core/drawing/sheet_drawing.h"
#include "paint/drawing_painter.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kFont = 13.5;
constexpr double kWidestChoice = 6.2;  // em
constexpr const char* kKept = "kept";  // what an entry says while nothing is typed
// Columns: a picture, the name, three choices, then what else is typed, and the way off the shelf.
constexpr int kPicture = 0, kName = 1, kFor = 2, kForm = 3, kGrain = 4, kSecondField = 5;

int columnOf(std::size_t field) {
  return field == 0 ? kName : kSecondField + static_cast<int>(field) - 1;
}

/// The sheet in its proportion, with its grain.
class Miniature : public QWidget {
 public:
  Miniature(const StockItem& item, const Palette& palette, QWidget* parent)
      : QWidget(parent), drawing_(stockDrawing(item.lies)), palette_(palette) {
    setFixedSize(static_cast<int>(2.6 * em()), static_cast<int>(2.6 * em()));
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter painter(this);
    PaintStyle style;
    style.palette = &palette_;
    paintDrawing(painter, drawing_,
                 fitted(boundsOf(drawing_), QRectF(rect()).adjusted(2, 2, -2, -2)), style);
  }

 private:
  const Drawing drawing_;
  const Palette& palette_;
};

}  // namespace

StockSheet::StockSheet(Workspace& workspace, const Palette& palette, QWidget* parent)
    : QScrollArea(parent), workspace_(workspace), palette_(palette) {
  setObjectName("cut.stock");
  setFrameShape(QFrame::NoFrame);
  setFocusPolicy(Qt::NoFocus);
  setWidgetResizable(true);
  viewport()->setAutoFillBackground(false);
  thin(verticalScrollBar(), palette);
  thin(horizontalScrollBar(), palette);
}

void StockSheet::renew() {
  const QWidget* focus = QApplication::focusWidget();
  const QString focused = focus != nullptr && sheet_ != nullptr && sheet_->isAncestorOf(focus)
                              ? focus->objectName()
                              : QString();
  const int scrolled = verticalScrollBar()->value();
  if (sheet_ != nullptr) {
    // One of them may be on its way out of its own change.
    QWidget* old = takeWidget();
    old->hide();
    for (QWidget* child : old->findChildren<QWidget*>()) child->setObjectName({});
    old->deleteLater();
  }
  sheet_ = new QWidget;
  sheet_->setAutoFillBackground(false);
  grid_ = new QGridLayout(sheet_);
  grid_->setContentsMargins(16, 12, 8, 12);
  grid_->setHorizontalSpacing(5);
  grid_->setVerticalSpacing(2);
  addHeadings();
  for (const StockItem& item : workspace_.stock().stock().items) addRow(item);
  addFoot();
  grid_->setRowStretch(grid_->rowCount(), 1);
  grid_->setColumnStretch(kName, 2);
  grid_->setColumnStretch(columnOf(stockFields().size() - 1), 1);
  setWidget(sheet_);
  sheet_->show();
  verticalScrollBar()->setValue(scrolled);
  if (focused.isEmpty()) return;
  auto* again = sheet_->findChild<QWidget*>(focused);
  (again != nullptr ? again : parentWidget())->setFocus();
}

void StockSheet::keepTyped() {
  if (sheet_ == nullptr) return;
  for (QLineEdit* entry : sheet_->findChildren<QLineEdit*>())
    if (entry->isModified()) emit entry->editingFinished();
}

bool StockSheet::eventFilter(QObject* watched, QEvent* event) {
  auto* entry = qobject_cast<QLineEdit*>(watched);
  if (entry == nullptr) return QScrollArea::eventFilter(watched, event);
  const bool isKey = event->type() == QEvent::ShortcutOverride || event->type() == QEvent::KeyPress;
  if (!isKey) return QScrollArea::eventFilter(watched, event);
  const auto* key = static_cast<QKeyEvent*>(event);
  if (event->type() == QEvent::ShortcutOverride && !entry->isModified() &&
      (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo))) {
    event->ignore();
    return true;
  }
  if (event->type() == QEvent::KeyPress && key->key() == Qt::Key_Escape &&
      entry->text() != entry->property(kKept).toString()) {
    entry->setText(entry->property(kKept).toString());
    entry->setModified(false);
    inkEntry(entry, palette_.ink);
    emit told({});
    return true;
  }
  return QScrollArea::eventFilter(watched, event);
}

void StockSheet::addHeadings() {
  const auto add = [this](int column, const QString& title) {
    grid_->addWidget(inkLabel(title, 12.5, palette_.secondInk, sheet_, column == kName), 0, column);
  };
  add(kFor, tr("for"));
  add(kForm, tr("form"));
  add(kGrain, tr("grain"));
  const auto& fields = stockFields();
  for (std::size_t i = 0; i < fields.size(); ++i) add(columnOf(i), fields[i].title);
}

QLineEdit* StockSheet::addEntry(int row, int column, const QString& name, const QString& words,
                                const QString& text, double widthEm) {
  auto* entry = new QLineEdit(text, sheet_);
  entry->setObjectName(name);
  entry->setAccessibleName(words);
  entry->setFont(textFont(kFont, column == kName));
  entry->setMinimumWidth(static_cast<int>(widthEm * em()));
  entry->setCursorPosition(0);
  entry->setProperty(kKept, text);
  entry->installEventFilter(this);
  dressEntry(entry, palette_, palette_.ink, palette_.secondInk);
  grid_->addWidget(entry, row, column);
  return entry;
}

/// Once, with Enter or when the focus goes, where something was typed.
void StockSheet::onKept(QLineEdit* entry, const std::function<void(const QString&)>& keep) {
  connect(entry, &QLineEdit::editingFinished, this, [entry, keep] {
    if (!entry->isModified()) return;
    entry->setModified(false);
    keep(entry->text().trimmed());
  });
}

QComboBox* StockSheet::addChoice(int row, int column, const QString& name, const QString& words,
                                 const QStringList& options, int chosen) {
  auto* choice = new FlatChoice(palette_, sheet_);
  choice->setObjectName(name);
  choice->setAccessibleName(words);
  choice->setFont(textFont(kFont));
  choice->addItems(options);
  choice->setCurrentIndex(chosen);
  const int whole = choice->sizeHint().width(), widest = static_cast<int>(kWidestChoice * em());
  choice->setMinimumWidth(std::min(whole, widest));
  if (whole > widest) choice->setToolTip(options[chosen]);
  grid_->addWidget(choice, row, column);
  return choice;
}

void StockSheet::addRow(const StockItem& item) {
  const int row = grid_->rowCount();
  const std::string id = item.lies.id;
  grid_->addWidget(new Miniature(item, palette_, sheet_), row, kPicture);
  const auto& fields = stockFields();
  for (std::size_t i = 0; i < fields.size(); ++i) {
    const StockField& field = fields[i];
    QLineEdit* entry =
        addEntry(row, columnOf(i), nameIn(row, field.id),
                 QString::fromStdString(id) + ": " + field.title, field.told(item), field.wideEm);
    entry->setPlaceholderText(field.nothing);
    if (field.id == std::string_view("trim")) entry->setToolTip(tr("left, right, bottom, top"));
    onKept(entry, [this, id, entry, read = field.read](const QString& text) {
      change(
          id, [&](StockItem& of) { return read(text, of); }, entry);
    });
  }
  addChoices(row, item);
  auto* take = new InkButton(tr("take off"), palette_, sheet_);
  take->setObjectName(nameIn(row, "take"));
  take->setAccessibleName(tr("%1: take off the shelf").arg(QString::fromStdString(id)));
  connect(take, &QAbstractButton::clicked, this, [this, id] { remove(id); });
  grid_->addWidget(take, row, columnOf(fields.size()));
}

QString StockSheet::nameIn(int row, const char* what) {
  return QString("stock.%1.%2").arg(row - 1).arg(QLatin1String(what));
}

void StockSheet::addChoices(int row, const StockItem& item) {
  const QString title = QString::fromStdString(item.lies.id);
  const auto add = [&](int column, const char* what, const QString& words,
                       const QStringList& options, int chosen,
                       const std::function<void(StockItem&, int)>& take) {
    auto* choice = addChoice(row, column, nameIn(row, what), words, options, chosen);
    connect(choice, &QComboBox::activated, this, [this, take, id = item.lies.id](int option) {
      change(id, [&](StockItem& of) {
        take(of, option);
        return WhyNot();
      });
    });
  };
  QStringList kinds = materials();
  const QString kind = QString::fromStdString(item.lies.material);
  if (!kinds.contains(kind)) kinds << kind;
  QStringList shown;
  for (const QString& each : kinds) shown << materialTitle(each.toStdString());
  add(kFor, "for", tr("%1: for").arg(title), shown, static_cast<int>(kinds.indexOf(kind)),
      [kinds](StockItem& of, int option) { of.lies.material = kinds[option].toStdString(); });
  add(kForm, "form", tr("%1: sheet or roll").arg(title), {tr("sheet"), tr("roll")},
      item.lies.form == StockForm::Roll ? 1 : 0, [](StockItem& of, int option) {
        of.lies.form = option == 1 ? StockForm::Roll : StockForm::Sheet;
      });
  // Few have a pattern, whose top is told with the grain.
  const int top = 2 * static_cast<int>(item.lies.pattern);
  add(kGrain, "grain", tr("%1: grain").arg(title),
      {tr("along"), tr("across"), tr("along, top up"), tr("across, top up"), tr("along, top right"),
       tr("across, top right")},
      top + (item.lies.grain == StockGrain::Across ? 1 : 0), [](StockItem& of, int option) {
        of.lies.grain = option % 2 == 1 ? StockGrain::Across : StockGrain::Along;
        of.lies.pattern = static_cast<StockPattern>(option / 2);
      });
}

/// Another one, and what is worth keeping.
void StockSheet::addFoot() {
  int row = grid_->rowCount();
  auto* another = new InkButton(tr("another sheet or roll"), palette_, sheet_);
  another->setObjectName("stock.add");
  connect(another, &QAbstractButton::clicked, this, &StockSheet::add);
  grid_->addWidget(another, row, kName, 1, 3, Qt::AlignLeft);
  ++row;
  const Units units = workspace_.book().plan().units;
  Notation notation;
  notation.units = units;
  const UsableLeft usable = workspace_.stock().stock().usable;
  grid_->addWidget(inkLabel(tr("off-cuts are kept from"), 13.5, palette_.ink, sheet_), row, kName);
  auto* kept = addEntry(row, kSecondField, "stock.usable", tr("off-cuts are kept from"),
                        cutSize(usable.narrow, usable.wide, notation), 8);
  onKept(kept, [this, units](const QString& text) {
    const auto sides = sizeIn(text, units);
    if (!sides) return emit told(tr("\"%1\" is no size; one like 50 x 150 is.").arg(text));
    const UsableLeft before = workspace_.stock().stock().usable;
    const UsableLeft after{std::min(sides->first, sides->second),
                           std::max(sides->first, sides->second)};
    const auto with = [](const UsableLeft& left) {
      return [left](const Stock& shelf) {
        Stock changed = shelf;
        changed.usable = left;
        return changed;
      };
    };
    keep(tr("off-cuts"), with(after), with(before));
  });
  ++row;
  grid_->addWidget(inkLabel(tr("longest cut of shear or mat"), 13.5, palette_.ink, sheet_), row,
                   kName);
  const double shear = workspace_.settings().number("shear_mm");
  auto* longest =
      addEntry(row, kSecondField, "stock.shear", tr("longest cut of shear or mat"),
               shear > 0 ? cutLength(std::llround(shear * 1000), notation) : QString(), 8);
  longest->setPlaceholderText(tr("any"));
  onKept(longest, [this, units](const QString& text) {
    const auto length = text.isEmpty() ? std::optional<Micrometres>(0) : lengthIn(text, units);
    if (!length || workspace_.settings().set("shear_mm", double(*length) / 1000))
      return emit told(
          tr("\"%1\" is no length of a cut; one up to 5000 mm is, or nothing for any.").arg(text));
    workspace_.settings().save();
    emit told({});
    emit workspace_.stock().changed();
  });
}

void StockSheet::keep(const QString& step, const std::function<Stock(const Stock&)>& to,
                      const std::function<Stock(const Stock&)>& back) {
  const auto sound = [](const std::function<Stock(const Stock&)>& make) {
    return [make](const Stock& shelf) -> std::variant<Stock, Issue> { return make(shelf); };
  };
  const Issues issues =
      workspace_.stock().keep(*workspace_.book().undoStack(), step, sound(to), sound(back));
  emit told(issues.empty() ? QString()
                           : issueText(issues.front(), windowNotation(workspace_.book().plan())));
}

void StockSheet::change(const std::string& id, const Edit& edit, QLineEdit* from) {
  const StockItem* item = workspace_.stock().stock().named(id);
  if (item == nullptr) return;
  const StockItem before = *item;
  StockItem after = before;
  WhyNot wrong = edit(after);
  if (!wrong) wrong = whyNotCut(after);
  if (!wrong) {
    const Issues issues =
        workspace_.stock().keepItem(*workspace_.book().undoStack(), before, after);
    if (issues.empty()) return emit told({});
    wrong = issueText(issues.front(), windowNotation(workspace_.book().plan()));
  }
  if (from != nullptr) inkEntry(from, palette_.stop);
  emit told(*wrong);
}

void StockSheet::add() {
  StockItem item;
  item.lies.across = 700'000;
  item.lies.along = 1'000'000;
  item.lies.count = 1;
  item.lies.cost = 1.0;
  item.lies.material = "board";
  const QString name = tr("new sheet");
  item.lies.id = name.toStdString();
  for (int number = 2; workspace_.stock().stock().named(item.lies.id) != nullptr; ++number)
    item.lies.id = (name + " " + QString::number(number)).toStdString();
  keep(
      name,
      [item](const Stock& shelf) {
        Stock changed = shelf;
        changed.items.push_back(item);
        return changed;
      },
      [id = item.lies.id](const Stock& shelf) {
        Stock changed = shelf;
        std::erase_if(changed.items, [&](const StockItem& each) { return each.lies.id == id; });
        return changed;
      });
  const auto count = static_cast<int>(workspace_.stock().stock().items.size());
  if (auto* entry = sheet_->findChild<QLineEdit*>(QString("stock.%1.name").arg(count - 1))) {
    entry->setFocus();
    entry->selectAll();
    ensureWidgetVisible(entry);
  }
}

void StockSheet::remove(const std::string& id) {
  const auto& items = workspace_.stock().stock().items;
  const auto at = std::find_if(items.begin(), items.end(),
                               [&](const StockItem& each) { return each.lies.id == id; });
  if (at == items.end()) return;
  keep(
      QString::fromStdString(id),
      [id](const Stock& shelf) {
        Stock changed = shelf;
        std::erase_if(changed.items, [&](const StockItem& each) { return each.lies.id == id; });
        return changed;
      },
      [item = *at, index = at - items.begin()](const Stock& shelf) {
        Stock changed = shelf;
        changed.items.insert(
            changed.items.begin() +
                std::min<std::ptrdiff_t>(index, static_cast<std::ptrdiff_t>(changed.items.size())),
            item);
        return changed;
      });
}

/// Kinds that the book's pieces are cut from, and the pieces themselves where they want their own.
QStringList StockSheet::materials() const {
  QStringList all;
  const auto add = [&](const std::string& name) {
    const QString text = QString::fromStdString(name);
    if (!text.isEmpty() && !all.contains(text)) all << text;
  };
  for (const PlannedPart& part : workspace_.book().plan().parts) add(part.material);
  if (workspace_.book().plan().rules->sewing.isSewn()) add(kThreadMaterial);
  for (const StockItem& item : workspace_.stock().stock().items) add(item.lies.material);
  for (const PlannedPart& part : workspace_.book().plan().parts) {
    add(part.named);
    add(part.rule->id);
  }
  return all;
}

}  // namespace drapery
