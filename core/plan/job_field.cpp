#include "core/plan/job_field.h"

namespace drapery {

namespace {

Entry entryOf(std::string text) { return {std::move(text), {}}; }

std::string textOf(const FieldValue& value) {
  if (!value) return {};
  const auto* text = std::get_if<std::string>(&value->value);
  return text != nullptr ? *text : std::string();
}

/// The entries that the field is one of, and its key in them.
struct Place {
  const Entries* entries = nullptr;  // none when the job has none yet
  std::string_view key;
};

/// "given/text_height", "allowances/setback", "fixed/board_width", "as_cut/board/width".
std::optional<Place> placeOf(const Job& job, std::string_view field) {
  const std::size_t slash = field.find('/');
  if (slash == std::string_view::npos) return std::nullopt;
  const std::string_view section = field.substr(0, slash), key = field.substr(slash + 1);
  if (section == "given") return Place{&job.given, key};
  if (section == "allowances") return Place{&job.allowances, key};
  if (section == "fixed") return Place{&job.fixed, key};
  const std::size_t side = key.find('/');
  if (section != "as_cut" || side == std::string_view::npos) return std::nullopt;
  const auto part = job.asCut.find(key.substr(0, side));
  return Place{part != job.asCut.end() ? &part->second : nullptr, key.substr(side + 1)};
}

/// A part of which nothing is said any more is taken out.
void setAsCut(Job& job, std::string_view field, const FieldValue& value) {
  const std::string_view rest = field.substr(field.find('/') + 1);
  const std::string part(rest.substr(0, rest.find('/'))), side(rest.substr(part.size() + 1));
  if (value) {
    job.asCut[part][side] = *value;
    return;
  }
  job.asCut[part].erase(side);
  if (job.asCut[part].empty()) job.asCut.erase(part);
}

}  // namespace

FieldValue fieldValue(const Job& job, std::string_view field) {
  if (field == "title") return entryOf(job.title);
  if (field == "method") return entryOf(job.method);
  if (field == "units") return entryOf(job.units == Units::Inches ? "in" : "mm");
  if (field == "round") return job.round ? FieldValue(Entry{*job.round, {}}) : std::nullopt;
  if (field == "copies") return job.copies ? FieldValue(Entry{*job.copies, {}}) : std::nullopt;
  const auto place = placeOf(job, field);
  if (!place || place->entries == nullptr) return std::nullopt;
  const auto found = place->entries->find(place->key);
  return found != place->entries->end() ? FieldValue(found->second) : std::nullopt;
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
  } else if (field == "copies") {
    job.copies = value ? std::optional(value->value) : std::nullopt;
  } else if (const auto place = placeOf(job, field)) {
    if (field.starts_with("as_cut/")) return setAsCut(job, field, value);
    Entries& target = place->entries == &job.given        ? job.given
                      : place->entries == &job.allowances ? job.allowances
                                                          : job.fixed;
    if (value) {
      target[std::string(place->key)] = *value;
    } else {
      target.erase(std::string(place->key));
    }
  }
}

}  // namespace drapery
