#include "app/words/material_words.h"

#include <QCoreApplication>
#include <algorithm>
#include <cmath>

#include "app/words/window_words.h"
#include "core/plan/job_inputs.h"
#include "core/quantity/format_length.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(Material)
};

const Entry* entryOf(const Job& job, const InputRule& rule) {
  const Entries& entries = rule.role == InputRole::Given ? job.given : job.allowances;
  const auto found = entries.find(rule.id);
  return found == entries.end() ? nullptr : &found->second;
}

bool hasDigit(const std::string& text) {
  return std::any_of(text.begin(), text.end(), [](char c) { return c >= '0' && c <= '9'; });
}

/// The figure only where the title does not say it.
QString nameOf(const Material& material, const InputRule& rule, const Plan& plan) {
  QString name = QString::fromStdString(material.title) + QStringLiteral(" · ") +
                 QString::fromStdString(material.kind);
  const auto value = material.property(rule.property);
  if (value && rule.kind == InputKind::Length && !hasDigit(material.title))
    name += ", " + lengthWords(Length::fromMm(*value), windowNotation(plan));
  return name;
}

QString asMeasured() { return Words::tr("as measured"); }

/// The figure of the material that the job names, whatever is being typed; none when it names none.
std::optional<Entry> figureOfNamed(const Document& document, const InputRule& rule) {
  const Entry* entry = entryOf(document.job(), rule);
  const Material* material =
      entry == nullptr ? nullptr : document.library().catalogue()->find(entry->material);
  const auto value = material == nullptr ? std::nullopt : material->property(rule.property);
  if (!value) return std::nullopt;
  if (rule.kind != InputKind::Length) return Entry{*value, {}};
  return Entry{formatExact(Length::fromMm(*value), document.job().units), {}};
}

/// Words that a name is searched by; a figure is none.
bool isName(const QString& text) { return !text.isEmpty() && text.front().isLetter(); }

}  // namespace

QStringList materialNames(const Document& document, const InputRule& rule) {
  QStringList names;
  if (rule.materials.empty()) return names;
  for (const Material* material : materialsFor(rule, *document.library().catalogue()))
    names << nameOf(*material, rule, document.plan());
  const Entry* entry = entryOf(document.job(), rule);
  if (entry != nullptr && !entry->material.empty()) names << asMeasured();
  return names;
}

QString namedMaterial(const Document& document, const InputRule& rule) {
  const Entry* entry = entryOf(document.job(), rule);
  if (entry == nullptr || entry->material.empty()) return {};
  const Material* material = document.library().catalogue()->find(entry->material);
  return QString::fromStdString(material != nullptr ? material->title : entry->material);
}

std::optional<Entry> entryNamed(const Document& document, const InputRule& rule,
                                const QString& text) {
  const QString wanted = text.trimmed();
  if (rule.materials.empty() || wanted.isEmpty()) return std::nullopt;
  if (wanted.compare(asMeasured(), Qt::CaseInsensitive) == 0) return figureOfNamed(document, rule);
  std::vector<const Material*> within;
  for (const Material* material : materialsFor(rule, *document.library().catalogue())) {
    const QString name = nameOf(*material, rule, document.plan());
    const bool isWhole = name.compare(wanted, Qt::CaseInsensitive) == 0 ||
                         QString::fromStdString(material->id) == wanted;
    if (isWhole) return Entry{{}, {}, material->id};
    if (name.contains(wanted, Qt::CaseInsensitive)) within.push_back(material);
  }
  if (!isName(wanted)) return std::nullopt;
  return Entry{{}, {}, within.size() == 1 ? within.front()->id : wanted.toStdString()};
}

bool couldBecomeName(const Document& document, const InputRule& rule, const QString& text) {
  const QStringList names = materialNames(document, rule);
  return isName(text) && std::any_of(names.begin(), names.end(), [&](const QString& name) {
           return name.contains(text.trimmed(), Qt::CaseInsensitive);
         });
}

}  // namespace drapery
