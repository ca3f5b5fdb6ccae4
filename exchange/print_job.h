// Templates of a book on sheets of paper, ready to be painted: on a PDF, a printer or the screen.
#pragma once

#include <QSizeF>
#include <QStringList>
#include <memory>
#include <string>
#include <variant>
#include <vector>

#include "core/drawing/true_size.h"
#include "core/plan/job.h"
#include "core/printing/paper.h"
#include "core/printing/print_sheets.h"
#include "core/printing/shop.h"
#include "core/quantity/format_length.h"

namespace drapery {

/// Which of a book's things are printed.
struct PrintChoice {
  std::vector<std::string> ids = {};  // empty: templates and labels, not the pieces themselves
};

/// What is said of one, in the window's language.
struct TrueSizeWords {
  QString title;    // "Corner guide"
  QString figures;  // "88 × 88 mm"
  QString says;     // what it is laid on
  QString block;    // how it is built of scraps; may be empty
  QStringList sticker;
};

struct PrintJob {
  std::shared_ptr<const Plan> plan;  // the things point into it
  std::vector<TrueSize> things;
  std::vector<TrueSizeWords> words;  // of each
  Paper paper;
  PrinterError error;
  QString printer;  // whose error that is; empty while it is none
  PrintLayout layout;
  std::vector<PrintSheet> sheets;
  Notation notation;
  QString book, date;  // "Tide ledger", "2026-11-27"

  /// Of a sheet's paper, mm as the printer counts.
  [[nodiscard]] QSizeF paperSize(std::size_t sheet) const;
};

TrueSizeWords trueSizeWords(const TrueSize& thing, const Plan& plan, const Notation& notation);
QString labelWords(const TrueSizeLabel& label, const Notation& notation);

/// Which of them are to be printed; an issue for an id that is none of theirs, and where there is
/// nothing.
std::variant<std::vector<TrueSize>, Issue> chosenThings(const Plan& plan,
                                                        const PrintChoice& choice);

/// Laid out; an issue where there is nothing to print or the paper has no room.
std::variant<PrintJob, Issue> makePrintJob(const Job& job, std::shared_ptr<const Plan> plan,
                                           const PrintChoice& choice, const Paper& paper,
                                           const ShopPrinter& printer = {});

}  // namespace drapery
