#include "app/words/length_typed.h"

#include <QLineEdit>

#include "core/plan/job_inputs.h"
#include "core/quantity/parse_length.h"

namespace drapery {

std::variant<double, Issue> lengthTyped(const QLineEdit& entry, const LengthRange& range) {
  InputRule rule;
  rule.id = entry.accessibleName().toStdString();
  rule.least = range.least;
  rule.most = range.most;
  return readFigure(lengthWithUnit(entry.text().trimmed().toStdString(), range.units), rule);
}

}  // namespace drapery
