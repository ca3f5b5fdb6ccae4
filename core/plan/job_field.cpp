#include "core/plan/job_field.h"

#include <algorithm>

namespace drapery {

namespace {

Entry entryOf(std::string text) { return {std::move(text), {}}; }

std::string textOf(const FieldValue& value) {
  if (!value) return {};
  const auto* text = std::get_if<std::string>(&value->value);
  return text != nullptr ? *text : std::string();
}

const Entries* entriesFor(const Job& job, std::string_view& field) {
  constexpr std::string_view kGiven = "given/";
  constexpr std::string_view kAllowances = "allowances/";
  if (field.starts_with(kGiven)) {
    field.remove_prefix(kGiven.size());
    return &job.given;
  }
  if (field.starts_with(kAllowances)) {
    field.remove_prefix(kAllowances.size());
    return &job.allowances;
  }
  return nullptr;
}

void setMethod(Job& job, const std::string& method, const std::vector<std::string>& known) {
  if (method == job.method) return;
  Entries old = std::move(job.allowances);
  job.allowances.clear();
  if (const auto waiting = job.otherAllowances.find(method); waiting != job.otherAllowances.end()) {
    job.allowances = std::move(waiting->second);
    job.otherAllowances.erase(waiting);
  } else {
    for (const auto& [key, entry] : old)
      if (std::find(known.begin(), known.end(), key) != known.end()) job.allowances[key] = entry;
  }
  if (!old.empty()) job.otherAllowances[job.method] = std::move(old);
  job.method = method;
}

}  // namespace

FieldValue fieldValue(const Job& job, std::string_view field) {
  if (field == "title") return entryOf(job.title);
  if (field == "method") return entryOf(job.method);
  if (field == "units") return entryOf(job.units == Units::Inches ? "in" : "mm");
  if (field == "round") return job.round ? FieldValue(Entry{*job.round, {}}) : std::nullopt;
  const Entries* entries = entriesFor(job, field);
  if (entries == nullptr) return std::nullopt;
  const auto found = entries->find(field);
  return found != entries->end() ? FieldValue(found->second) : std::nullopt;
}

void setField(Job& job, std::string_view field, const FieldValue& value,
              const std::vector<std::string>& known) {
  if (field == "title") {
    job.title = textOf(value);
  } else if (field == "method") {
    setMethod(job, textOf(value), known);
  } else if (field == "units") {
    job.units = textOf(value) == "in" ? Units::Inches : Units::Millimetres;
  } else if (field == "round") {
    job.round = value ? std::optional(value->value) : std::nullopt;
  } else if (const Entries* entries = entriesFor(job, field)) {
    Entries& target = entries == &job.given ? job.given : job.allowances;
    if (value) {
      target[std::string(field)] = *value;
    } else {
      target.erase(std::string(field));
    }
  }
}

}  // namespace drapery
