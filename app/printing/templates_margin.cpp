// What stands in the margin beside the templates.
#include <QLineEdit>
#include <QLocale>
#include <QPainter>
#include <QPrintDialog>
#include <QPrinter>
#include <QPrinterInfo>
#include <algorithm>
#include <cmath>

#include "app/ink_button.h"
#include "app/ink_parts.h"
#include "app/margin_column.h"
#include "app/printing/screen_card.h"
#include "app/printing/templates_page.h"
#include "app/words/length_typed.h"
#include "app/words/window_words.h"
#include "app/workspace/shop_room.h"
#include "app/workspace/workspace.h"
#include "exchange/print_page.h"
#include "exchange/template_pdf.h"
#include "exchange/true_size_files.h"
#include "paint/fonts.h"

namespace drapery {

namespace {

constexpr double kBar = 100.0, kLongestRead = 10'000.0;  // mm

QString text(const std::string& from) { return QString::fromStdString(from); }

bool askWithDialog(QPrinter& printer, QWidget* parent) {
  QPrintDialog dialog(&printer, parent);
  dialog.setOptions(QAbstractPrintDialog::PrintToFile);
  return dialog.exec() == QDialog::Accepted;
}

/// Every sheet on a printer, from the paper's own corner.
void printSheets(const PrintJob& print, QPrinter& printer) {
  QPainter painter;
  for (std::size_t sheet = 0; sheet < print.sheets.size(); ++sheet) {
    printer.setFullPage(true);
    printer.setPageSize(
        QPageSize(print.paperSize(sheet), QPageSize::Millimeter, {}, QPageSize::FuzzyMatch));
    printer.setPageMargins(QMarginsF(0, 0, 0, 0));
    if (sheet == 0 ? !painter.begin(&printer) : !printer.newPage()) return;
    const double scale = printer.resolution() / kMmPerInch;
    painter.save();
    painter.scale(scale, scale);
    paintPrintSheet(painter, print, sheet, {}, trueSizeStyle());
    painter.restore();
  }
}

}  // namespace

void TemplatesPage::tell(const Issues& issues) {
  told_.clear();
  toldAs_ = Severity::Stop;
  for (const Issue& issue : issues)
    told_ += (told_.isEmpty() ? "" : "\n") + issueText(issue, windowNotation(book_.plan()));
  writeMargin();
}

void TemplatesPage::writeMargin() {
  holdTyped();
  margin_->begin();
  if (!told_.isEmpty()) {
    margin_->finding(toldAs_, told_);
    margin_->space();
  }
  for (const Issue& issue : workspace_.shop().issues())
    margin_->finding(Severity::Mind, issueText(issue, windowNotation(book_.plan())));
  if (showsCard_) {
    margin_->heading(tr("How large a mm is here"));
    margin_->text(tr("Once it is known, sheets can be seen on this screen at their true size."));
    std::vector<MarginColumn::Way> ways;
    for (const ScreenCard::Thing& thing : ScreenCard::things())
      ways.push_back({QString("templates.card.") + thing.id, ScreenCard::tr(thing.title),
                      &card_->thing() == &thing, [this, &thing] {
                        card_->lay(thing);
                        writeMargin();
                      }});
    margin_->ways(ways);
    margin_->command("templates.card.done", tr("it fits"), [this] {
      workspace_.settings().set("screen_dots_per_mm", card_->scale() * devicePixelRatioF());
      lookAtCard(false);
    });
  } else if (!book_.missing().empty()) {
    margin_->heading(tr("The book is not measured yet"));
    margin_->text(tr("Its templates are drawn as soon as their sizes are known."));
  } else {
    writePaper();
    if (const TrueSize* thing = chosen()) writeThing(*thing);
    writeList();
    writePrinter();
    writeScreen();
  }
  margin_->end();
  for (const auto& [name, words] : held_)
    if (auto* entry = margin_->findChild<QLineEdit*>(text(name))) entry->setText(words);
}

/// What stands in the entries now, beside what stood in others.
void TemplatesPage::holdTyped() {
  for (const QLineEdit* entry : margin_->findChildren<QLineEdit*>()) {
    const std::string name = entry->objectName().toStdString();
    if (name.empty()) continue;
    std::erase_if(held_, [&](const auto& each) { return each.first == name; });
    if (!entry->text().isEmpty()) held_.emplace_back(name, entry->text());
  }
}

void TemplatesPage::writePaper() {
  if (why_)
    margin_->finding(Severity::Stop, issueText(*why_, windowNotation(book_.plan())));
  else if (print_)
    margin_->figure(
        print_->sheets.size() == 1
            ? tr("1 sheet of %1").arg(text(paper().title))
            : tr("%1 sheets of %2").arg(print_->sheets.size()).arg(text(paper().title)));
  if (book_.plan().has(Severity::Stop))
    margin_->finding(Severity::Stop, tr("The book has a stop: do not cut by these yet."));
  std::vector<MarginColumn::Way> ways;
  for (const Paper& each : allPapers())
    ways.push_back({text("templates.paper." + each.id), text(each.title), paper().id == each.id,
                    [this, id = each.id] { setPaper(id); }});
  ways.push_back(
      {"templates.paper.roll", tr("roll"), paper().isRoll, [this] { setPaper("roll"); }});
  margin_->ways(ways);
  if (paper().isRoll) {
    QLineEdit* wide = field("templates.roll", tr("Roll's width, mm"),
                            QLocale().toString(workspace_.settings().number("roll_mm")));
    connect(wide, &QLineEdit::returnPressed, this, [this, wide] {
      const auto length = lengthTyped(*wide, {Units::Millimetres, kNarrowestRoll, kWidestRoll});
      if (const auto* issue = std::get_if<Issue>(&length)) return tell({*issue});
      workspace_.settings().set("roll_mm", std::round(std::get<double>(length)));
      wide->clear();
      told_.clear();
      renew();
    });
  }
  if (!print_) return;
  margin_->space();
  margin_->command("templates.print", tr("print"), [this] { printOut(); });
  margin_->ways({{"templates.pdf", tr("PDF"), false, [this] { writeFile("pdf"); }},
                 {"templates.svg", tr("SVG"), false, [this] { writeFile("svg"); }},
                 {"templates.dxf", tr("DXF"), false, [this] { writeFile("dxf"); }}});
}

void TemplatesPage::writeThing(const TrueSize& thing) {
  const TrueSizeWords words = trueSizeWords(thing, *plan_, windowNotation(*plan_));
  margin_->space();
  margin_->heading(words.title + "  " + words.figures);
  margin_->text(words.says);
  if (thing.gives) writeGauges(thing);
  if (alone_ == thing.id) {
    margin_->command("templates.alone", tr("all of them again"), [this] { printAlone({}); });
    return;
  }
  margin_->command("templates.alone", tr("print this alone"),
                   [this, id = thing.id] { printAlone(id); });
  const PrintChoice choice = printedNow();
  const bool isPrinted =
      std::find(choice.ids.begin(), choice.ids.end(), thing.id) != choice.ids.end();
  margin_->command("templates.toggle", isPrinted ? tr("do not print it") : tr("print it too"),
                   [this, id = thing.isSticker ? std::string("labels") : thing.id] { toggle(id); });
}

/// Which rule, block or dowel gives it.
void TemplatesPage::writeGauges(const TrueSize& thing) {
  const Notation notation = windowNotation(*plan_);
  const TrueSizeWords words = trueSizeWords(thing, *plan_, notation);
  if (!words.block.isEmpty()) margin_->text(words.block);
  const Shop& shop = workspace_.shop().shop();
  for (const GaugeMatch& match : gaugesFor(*thing.gives, plan_->resolution, shop)) {
    QString name = text(match.first->name);
    if (match.second != nullptr) name += tr(" and ") + text(match.second->name);
    const double off = match.offBy(*thing.gives);
    const QString size = lengthWords(Length::fromMm(std::abs(off)), notation);
    constexpr double kAlike = 0.005;
    margin_->text(std::abs(off) < kAlike ? tr("Your %1: just this.").arg(name)
                  : off > 0              ? tr("Your %1: %2 wider.").arg(name, size)
                                         : tr("Your %1: %2 narrower.").arg(name, size));
  }
  if (shop.gauges.empty())
    margin_->small(
        tr("Name the rules, blocks and dowels that lie in your shop, and they are told "
           "here where they give the figure."));
  QLineEdit* name =
      field("templates.gauge.name", tr("A gauge of yours"), tr("such as: steel rule"));
  QLineEdit* wide = field("templates.gauge.wide", tr("Its width"), tr("such as: 30 mm"));
  for (QLineEdit* each : {name, wide})
    connect(each, &QLineEdit::returnPressed, this, [this] { keepGauge(); });
  for (const ShopGauge& gauge : shop.gauges)
    margin_->command(text("templates.gauge.drop." + gauge.name),
                     tr("forget %1, %2").arg(text(gauge.name), lengthWords(gauge.wide, notation)),
                     [this, name = gauge.name] {
                       if (const Issues issues = workspace_.shop().drop(name); !issues.empty())
                         tell(issues);
                     });
}

void TemplatesPage::writeList() {
  const Notation notation = windowNotation(*plan_);
  const PrintChoice choice = printedNow();
  const auto isPrinted = [&](const TrueSize& thing) {
    return std::find(choice.ids.begin(), choice.ids.end(), thing.id) != choice.ids.end();
  };
  for (const bool printed : {true, false}) {
    bool hasHeading = false, hasLabels = false;
    for (const TrueSize& thing : all_) {
      if (isPrinted(thing) != printed || (thing.isSticker && hasLabels)) continue;
      if (!hasHeading) {
        margin_->space();
        margin_->heading(printed ? tr("Printed") : tr("Not printed"));
        hasHeading = true;
      }
      hasLabels = hasLabels || thing.isSticker;
      const TrueSizeWords words = trueSizeWords(thing, *plan_, notation);
      const QString title =
          thing.isSticker ? tr("labels for the pieces") : words.title + "  " + words.figures;
      InkButton* row = margin_->command(
          text(thing.isSticker ? "templates.thing.labels" : "templates.thing." + thing.id), title,
          [this, id = thing.id] { choose(thing_ == id ? std::string() : id); });
      row->setCheckable(true);
      row->setChecked(thing.id == thing_);
    }
  }
}

void TemplatesPage::writePrinter() {
  const std::string& name = workspace_.settings().text("printer");
  const PrinterError known = error();
  margin_->space();
  margin_->heading(tr("Does your printer keep to 100 %?"));
  if (known == PrinterError())
    margin_->small(
        tr("Print a sheet, hold a rule against its bars of 100 mm, and say what you "
           "read. It is put right from then on."));
  else
    margin_->text(tr("%1 is off by %2 % across and %3 % up; it is put right.")
                      .arg(text(name))
                      .arg(QLocale().toString(100 * (known.across - 1), 'f', 2))
                      .arg(QLocale().toString(100 * (known.along - 1), 'f', 2)));
  field("templates.printer.name", tr("Printer"),
        name.empty() ? QPrinterInfo::defaultPrinterName() : text(name));
  QLineEdit* across =
      field("templates.printer.across", tr("Bar along the foot"), tr("what you read"));
  QLineEdit* along = field("templates.printer.along", tr("Bar up the side"), tr("what you read"));
  for (QLineEdit* each : {across, along})
    connect(each, &QLineEdit::returnPressed, this, [this] { keepPrinter(); });
}

void TemplatesPage::writeScreen() {
  if (!print_) return;
  margin_->space();
  const bool isKnown = workspace_.settings().number("screen_dots_per_mm") > 0.0;
  if (isTrueSize_)
    margin_->command("templates.fit", tr("the whole sheet"), [this] { setTrueSize(false); });
  else
    margin_->command("templates.true", tr("at its true size here"), [this] { setTrueSize(true); });
  if (isKnown)
    margin_->command("templates.card", tr("measure this screen again"),
                     [this] { lookAtCard(true); });
}

/// A name for what is typed, over an entry that asks for it.
QLineEdit* TemplatesPage::field(const QString& name, const QString& label, const QString& asking) {
  margin_->small(label);
  auto* entry = new QLineEdit(margin_->sheet());
  entry->setObjectName(name);
  entry->setAccessibleName(label);
  entry->setPlaceholderText(asking);
  entry->setFont(textFont(14.0));
  dressEntry(entry, palette_, palette_.ink, palette_.secondInk);
  margin_->add(entry);
  return entry;
}

StagePage::TypedTexts TemplatesPage::typed() const {
  TypedTexts texts;
  for (const QLineEdit* entry : margin_->findChildren<QLineEdit*>())
    if (!entry->text().isEmpty() && !entry->objectName().isEmpty())
      texts.emplace_back(entry->objectName().toStdString(), entry->text());
  for (const auto& held : held_)
    if (margin_->findChild<QLineEdit*>(text(held.first)) == nullptr) texts.push_back(held);
  return texts;
}

void TemplatesPage::typeAgain(const TypedTexts& texts) {
  held_ = texts;
  if (isStale_) return renew();
  for (const auto& [name, words] : texts)
    if (auto* entry = margin_->findChild<QLineEdit*>(text(name))) entry->setText(words);
}

/// Half a gauge, or one bar of two, is nothing to keep: it stays as it is typed.
void TemplatesPage::keepTyped() {}

void TemplatesPage::keepGauge() {
  auto* name = margin_->findChild<QLineEdit*>("templates.gauge.name");
  auto* wide = margin_->findChild<QLineEdit*>("templates.gauge.wide");
  if (name == nullptr || wide == nullptr) return;
  if (name->text().trimmed().isEmpty()) return name->setFocus();
  if (wide->text().trimmed().isEmpty()) return wide->setFocus();
  const auto length = lengthTyped(*wide, {book_.plan().units, Shop::kThinnest, Shop::kWidest});
  if (const auto* issue = std::get_if<Issue>(&length)) return tell({*issue});
  const ShopGauge gauge{name->text().simplified().toStdString(),
                        Length::fromMm(std::get<double>(length))};
  keepInShop({name, wide}, [&] { return workspace_.shop().keep(gauge); });
}

/// What was typed is gone once it is kept, and stays where it could not be.
void TemplatesPage::keepInShop(const std::vector<QLineEdit*>& entries,
                               const std::function<Issues()>& keep) {
  std::vector<QString> texts;
  for (QLineEdit* entry : entries) {
    texts.push_back(entry->text());
    entry->clear();
  }
  told_.clear();
  const Issues issues = keep();
  if (issues.empty()) return;
  for (std::size_t i = 0; i < entries.size(); ++i) entries[i]->setText(texts[i]);
  tell(issues);
}

/// Both bars as they were read, kept under the printer's name.
void TemplatesPage::keepPrinter() {
  auto* name = margin_->findChild<QLineEdit*>("templates.printer.name");
  auto* across = margin_->findChild<QLineEdit*>("templates.printer.across");
  auto* along = margin_->findChild<QLineEdit*>("templates.printer.along");
  if (across->text().trimmed().isEmpty()) return across->setFocus();
  if (along->text().trimmed().isEmpty()) return along->setFocus();
  QString called = name->text().simplified();
  if (called.isEmpty()) called = name->placeholderText();
  if (called.isEmpty()) return name->setFocus();
  // What was read came out of a sheet that was put right already.
  const PrinterError before =
      called.toStdString() == workspace_.settings().text("printer") ? error() : PrinterError();
  PrinterError found;
  for (const auto& [entry, of, was] : {std::tuple{across, &found.across, before.across},
                                       std::tuple{along, &found.along, before.along}}) {
    const auto read = lengthTyped(*entry, {Units::Millimetres, 0.0, kLongestRead});
    if (const auto* issue = std::get_if<Issue>(&read)) return tell({*issue});
    *of = std::get<double>(read) / kBar * was;
    if (!(*of >= PrinterError::kLeast && *of <= PrinterError::kMost))
      return tell({{"printer-off",
                    {{"name", called.toStdString()},
                     {"value", entry->text().toStdString()},
                     {"least", Amount{kBar * PrinterError::kLeast, Unit::Millimetre}},
                     {"most", Amount{kBar * PrinterError::kMost, Unit::Millimetre}}},
                    {},
                    {},
                    {}}});
  }
  workspace_.settings().set("printer", called.toStdString());
  keepInShop({name, across, along}, [&] {
    return workspace_.shop().keep(ShopPrinter{called.toStdString(), found});
  });
}

void TemplatesPage::setPaper(const std::string& id) {
  workspace_.settings().set("paper", id);
  renew();
}

void TemplatesPage::printAlone(const std::string& thing) {
  alone_ = thing;
  renew();
}

void TemplatesPage::toggle(const std::string& thing) {
  alone_.clear();
  if (turned_.erase(thing) == 0) turned_.insert(thing);
  renew();
}

void TemplatesPage::printOut() {
  QPrinter printer(QPrinter::HighResolution);
  printer.setDocName(print_->book);
  const QString kept = text(workspace_.settings().text("printer"));
  if (QPrinterInfo::availablePrinterNames().contains(kept)) printer.setPrinterName(kept);
  if (!(askPrinter_ ? askPrinter_(printer, this) : askWithDialog(printer, this))) return;
  const ShopPrinter of = printerFor(printer.printerName());
  PrintJob print = *print_;
  if (!(of.error == print.error)) {
    auto made = makePrintJob(book_.job(), plan_, printedNow(), paper(), of);
    if (auto* issue = std::get_if<Issue>(&made)) return tell({*issue});
    print = std::move(std::get<PrintJob>(made));
  }
  if (!of.name.empty()) workspace_.settings().set("printer", of.name);
  printSheets(print, printer);
  toldAs_ = printer.printerState() == QPrinter::Error ? Severity::Stop : Severity::Note;
  const QString sent = print.sheets.size() == 1
                           ? tr("1 sheet is with the printer.")
                           : tr("%1 sheets are with the printer.").arg(print.sheets.size());
  told_ = toldAs_ == Severity::Stop
              ? tr("The printer does not take them.")
              : sent + " " + tr("Hold a rule against the bars before you cut by them.");
  writeMargin();
}

/// As the shop knows the one that was chosen; one that it knows by a name of its own stays that.
ShopPrinter TemplatesPage::printerFor(const QString& chosen) const {
  const Shop& shop = workspace_.shop().shop();
  const std::string& kept = workspace_.settings().text("printer");
  const bool isKnown =
      std::any_of(shop.printers.begin(), shop.printers.end(),
                  [&](const ShopPrinter& each) { return each.name == chosen.toStdString(); });
  const bool isOwnName =
      !kept.empty() && !QPrinterInfo::availablePrinterNames().contains(text(kept));
  const std::string name = !isKnown && isOwnName ? kept : chosen.toStdString();
  return {name, shop.errorOf(name)};
}

void TemplatesPage::writeFile(const char* as) {
  const QString kind = as;
  Pages pages;
  pages.suffix = "-templates." + kind;
  pages.begun = tr("The templates are being written.");
  pages.done = tr("The templates are in %1.");
  pages.stopped = tr("The templates are in %1; the book has a stop and must not be cut yet.");
  if (kind == "pdf")
    pages.write = [print = print_](const std::string& path, const auto& isCancelled) {
      return writePainted(templatePdf(*print), path, isCancelled);
    };
  else
    pages.write = [plan = plan_, choice = printedNow(), kind, book = print_->book](
                      const std::string& path, const auto& isCancelled) -> std::optional<Issue> {
      auto things = chosenThings(*plan, choice);
      if (auto* issue = std::get_if<Issue>(&things)) return std::move(*issue);
      const auto& chosen = std::get<std::vector<TrueSize>>(things);
      return writePainted(
          kind == "svg" ? trueSizeSvg(chosen, *plan, book) : trueSizeDxf(chosen, *plan, book), path,
          isCancelled);
    };
  emit pagesWanted(pages);
}

}  // namespace drapery
