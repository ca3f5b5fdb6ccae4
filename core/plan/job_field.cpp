#include "core/plan/job_field.h"

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

void setMethod(Job& job, const std::string& method, const TakesAllowance& takes) {
  if (method == job.method) return;
  Entries old = std::move(job.allowances);
  job.allowances.clear();
  if (const auto waiting = job.otherAllowances.find(method); waiting != job.otherAllowances.end()) {
    Entries left;
    for (auto& [key, entry] : waiting->second)
      (takes(key, entry) ? job.allowances : left)[key] = std::move(entry);
    if (left.empty())
      job.otherAllowances.erase(waiting);
    else
      waiting->second = std::move(left);
  } else {
    for (const auto& [key, entry] : old)
      if (takes(key, entry)) job.allowances[key] = entry;
  }
  // What waits there already was not sound; what is said now goes before it.
  if (!old.empty()) {
    old.merge(job.otherAllowances[job.method]);
    job.otherAllowances[job.method] = std::move(old);
  }
  job.method = method;
}

void setField(Job& job, std::string_view field, const FieldValue& value) {
  if (field == "title") {
    job.title = textOf(value);
  } else if (field == "method") {
    setMethod(job, textOf(value), [](const std::string&, const Entry&) { return true; });
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
