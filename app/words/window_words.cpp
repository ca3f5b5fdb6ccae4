#include "app/words/window_words.h"

#include <QCoreApplication>
#include <QLocale>
#include <cmath>

#include "words/finding_words.h"
#include "words/issue_words.h"

namespace drapery {

namespace {
struct Words {
  Q_DECLARE_TR_FUNCTIONS(WindowWords)
};

/// "de" of "de_AT"
std::string windowLanguage() { return QLocale().name().section('_', 0, 0).toStdString(); }
}  // namespace

Notation windowNotation(const Plan& plan) {
  const QString sign = QLocale().decimalPoint();
  const char decimal = sign == "," ? ',' : '.';
  return {plan.units, plan.resolution, decimal, windowLanguage()};
}

QString localText(const LocalText& text) {
  return QString::fromStdString(text.in(windowLanguage()));
}

QString bareWords(Length length, const Notation& notation) {
  return QString::fromStdString(formatBare(length, notation));
}

QString lengthWords(Length length, const Notation& notation) {
  return QString::fromStdString(formatLength(length, notation));
}

QString issueText(const Issue& issue, const Notation& notation) {
  return QString::fromStdString(issueWords(issue, notation, [](const char* english) {
    return QCoreApplication::translate("Issue", english).toStdString();
  }));
}

QString findingText(const PlannedFinding& finding, const Notation& notation) {
  return QString::fromStdString(findingSays(finding, notation));
}

QString remedyText(const PlannedFinding& finding, const Notation& notation) {
  return QString::fromStdString(findingRemedy(finding, notation));
}

QString severityWords(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return Words::tr("stop");
    case Severity::Mind:
      return Words::tr("mind");
    case Severity::Note:
      break;
  }
  return Words::tr("note");
}

QString severityMark(Severity severity) {
  switch (severity) {
    case Severity::Stop:
      return "■";
    case Severity::Mind:
      return "▲";
    case Severity::Note:
      break;
  }
  return "●";
}

QString valueWords(const Plan& plan, std::size_t node) {
  return figureWords(plan, node, plan.values[node]);
}

QString figureWords(const Plan& plan, std::size_t node, double value) {
  if (std::isnan(value)) return {};
  const Notation notation = windowNotation(plan);
  switch (plan.rules->nodes[node].unit) {
    case Unit::Millimetre:
      return bareWords(Length::fromMm(value), notation);
    case Unit::Degree:
      return QString::fromStdString(formatNumber(value, 1, notation.decimal));
    case Unit::One:
      break;
  }
  return QString::fromStdString(formatNumber(value, 3, notation.decimal));
}

QString unitWords(const Plan& plan, std::size_t node) {
  switch (plan.rules->nodes[node].unit) {
    case Unit::Millimetre:
      return plan.units == Units::Inches ? "in" : "mm";
    case Unit::Degree:
      return "°";
    case Unit::One:
      break;
  }
  if (!plan.rules->isInput(node)) return {};
  switch (plan.rules->inputs[plan.rules->nodes[node].rule].kind) {
    case InputKind::Grammage:
      return QStringLiteral("g/m²");
    case InputKind::Bulk:
      return QStringLiteral("cm³/g");
    case InputKind::Time:
      return Words::tr("min");
    default:
      return {};
  }
}

}  // namespace drapery
