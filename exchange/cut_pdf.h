// What to cut by: what to take from the shelf and to buy, each sheet with its pieces and its cuts
// in their order, labels for pieces and off-cuts.
#pragma once

#include <QByteArray>
#include <functional>
#include <optional>
#include <string>

#include "core/cutting/stock.h"
#include "store/cut_work.h"

namespace drapery {

struct CutPages {
  BooksLaidOut found;
  Stock stock;
  Micrometres longest = 0;  // cut of the shear or the mat; 0: any
};

QByteArray cutPdf(const CutPages& pages);

/// Written whole or not at all.
std::optional<Issue> writeCutPdf(const CutPages& pages, const std::string& path,
                                 const std::function<bool()>& isCancelled = {});

}  // namespace drapery
