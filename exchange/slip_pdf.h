// The cut slip: what a binder takes to the board shear, as a PDF page.
#pragma once

#include <QByteArray>
#include <functional>
#include <string>

#include "core/plan/job.h"
#include "core/plan/plan.h"
#include "core/sewing/sew_book.h"

namespace drapery {

/// Its pages as a file's bytes.
QByteArray slipPdf(const Job& job, const Plan& plan, const SewnBook& sewn = {});

/// One A4 page, or letter size when the job is in inches; more pages only when the pieces and
/// findings need them. Written whole or not at all. The issue says what was in the way. Nothing is
/// written, and no issue told, once `isCancelled` holds.
std::optional<Issue> writeSlipPdf(const Job& job, const Plan& plan, const std::string& path,
                                  const std::function<bool()>& isCancelled = {},
                                  const SewnBook& sewn = {});

}  // namespace drapery
