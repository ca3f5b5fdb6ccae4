// What `drapery-cli export` writes: files made in memory from one job.
#pragma once

#include <QByteArray>
#include <QString>
#include <string>
#include <variant>
#include <vector>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/printing/paper.h"
#include "core/printing/shop.h"
#include "core/sewing/sew_book.h"
#include "exchange/whole_bytes.h"

namespace drapery {

struct ExportBook {
  Job job;
  std::shared_ptr<const Plan> plan;
  std::string path;  // of the job's file
  SewnBook sewn;     // for the slip
};

struct ExportWishes {
  std::string what;  // "slip", "templates", "jacket", "all"
  std::string as;    // "pdf", "svg", "dxf", "csv"; empty with "all": every one
  Paper paper;
  ShopPrinter printer;            // whose error is put right
  std::vector<std::string> only;  // templates, by id
};

struct ExportedFile {
  std::string what, as;  // "templates", "jacket" (the artwork's id), "pdf"
  QByteArray bytes;
};
struct Exported {
  std::vector<ExportedFile> files;
  Issues notes;  // worth knowing; the files are as they should be
};

/// All of them, or every mistake and none.
std::variant<Exported, Issues> exportFiles(const ExportBook& book, const ExportWishes& wishes);

/// "tide-ledger-2026-11-27-templates.pdf"
std::string exportName(const std::string& jobPath, const ExportedFile& file);

/// Each in the folder by its name; none where one of them is there already and is not to be
/// replaced, or cannot be written.
std::optional<Issue> writeAll(const std::vector<ExportedFile>& files, const std::string& jobPath,
                              const std::string& folder, bool replaces);

}  // namespace drapery
