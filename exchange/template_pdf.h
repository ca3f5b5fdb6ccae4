// Templates at their true size as a PDF.
#pragma once

#include "exchange/print_job.h"
#include "exchange/whole_bytes.h"

namespace drapery {

QByteArray templatePdf(const PrintJob& print);

}  // namespace drapery
