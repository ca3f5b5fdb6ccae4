#include "core/plan/job_field.h"

#include <algorithm>
#include <unordered_set>

namespace drapery {

namespace {

const Reading* readingNamed(const Entry& entry, std::string_view name) {
  const std::vector<std::string> names = readingNames(entry);
  const auto found = std::find(names.begin(), names.end(), name);
  return found != names.end() ? &entry.readings[static_cast<std::size_t>(found - names.begin())]
                              : nullptr;
}

bool isNumber(std::string_view name) {
  return !name.empty() &&
         std::all_of(name.begin(), name.end(), [](char c) { return c >= '0' && c <= '9'; });
}

/// A plain figure that stands there becomes a reading of no place.
Entry withReading(const FieldValue& measure, std::string_view name, const Entry& value) {
  Entry entry = measure.value_or(Entry{});
  if (measure && entry.readings.empty() && entry.material.empty())
    entry.readings.push_back({entry.value, {}, {}});
  entry.material.clear();
  Reading reading = value.readings.empty() ? Reading{value.value, {}, {}} : value.readings.front();
  if (const Reading* present = readingNamed(entry, name)) {
    Reading& there = entry.readings[static_cast<std::size_t>(present - entry.readings.data())];
    reading.at = there.at;
    there = std::move(reading);
    return entry;
  }
  if (!isNumber(name)) reading.at = std::string(name);
  entry.readings.push_back(std::move(reading));
  return entry;
}

/// Nothing for a measure of which no reading is left.
FieldValue withoutReading(Entry entry, std::string_view name) {
  const Reading* present = readingNamed(entry, name);
  if (present == nullptr) return entry;
  entry.readings.erase(entry.readings.begin() + (present - entry.readings.data()));
  return entry.readings.empty() ? std::nullopt : FieldValue(std::move(entry));
}

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

/// "given/text_height", "allowances/setback", "fixed/board_width", "as_cut/board/width",
/// "sewing/allowances/near".
std::optional<Place> placeOf(const Job& job, std::string_view field) {
  const std::size_t slash = field.find('/');
  if (slash == std::string_view::npos) return std::nullopt;
  const std::string_view section = field.substr(0, slash), key = field.substr(slash + 1);
  if (section == "given") return Place{&job.given, key};
  if (section == "allowances") return Place{&job.allowances, key};
  if (section == "fixed") return Place{&job.fixed, key};
  const std::size_t side = key.find('/');
  if (section == "sewing" && side != std::string_view::npos) {
    const bool isGiven = key.substr(0, side) == "given";
    if (!isGiven && key.substr(0, side) != "allowances") return std::nullopt;
    if (!job.sewing) return Place{nullptr, key.substr(side + 1)};
    return Place{isGiven ? &job.sewing->given : &job.sewing->allowances, key.substr(side + 1)};
  }
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

void setSewing(Job& job, std::string_view field, const FieldValue& value) {
  if (!job.sewing && !value) return;
  JobSewing sewing = job.sewing.value_or(JobSewing());
  const std::string_view rest = field.substr(field.find('/') + 1);
  Entries& entries = rest.starts_with("given/") ? sewing.given : sewing.allowances;
  const std::string key(rest.substr(rest.find('/') + 1));
  if (value)
    entries[key] = *value;
  else
    entries.erase(key);
  job.sewing = std::move(sewing);
}

}  // namespace

std::vector<std::string> readingNames(const Entry& entry) {
  std::vector<std::string> names;
  std::unordered_set<std::string_view> taken;
  for (const Reading& reading : entry.readings) {
    const bool isPlace = !reading.at.empty() && !isNumber(reading.at);
    const bool isFirst = isPlace && taken.insert(reading.at).second;
    names.push_back(isFirst ? reading.at : std::to_string(names.size() + 1));
  }
  return names;
}

std::pair<std::string_view, std::string_view> splitReading(std::string_view field) {
  const std::size_t mark = field.find('@');
  if (mark == std::string_view::npos) return {field, {}};
  return {field.substr(0, mark), field.substr(mark + 1)};
}

Entry readingEntry(Written value, std::string by) {
  Entry entry{value, {}};
  entry.readings.push_back({std::move(value), {}, std::move(by)});
  return entry;
}

FieldValue fieldValue(const Job& job, std::string_view field) {
  if (const auto [measure, name] = splitReading(field); !name.empty()) {
    const FieldValue all = fieldValue(job, measure);
    const Reading* reading = all ? readingNamed(*all, name) : nullptr;
    return reading != nullptr ? FieldValue(readingEntry(reading->value, reading->by))
                              : std::nullopt;
  }
  if (field == "title") return entryOf(job.title);
  if (field == "why") return job.why.empty() ? std::nullopt : FieldValue(entryOf(job.why));
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
  job.why.clear();  // it was said of the other
}

void setField(Job& job, std::string_view field, const FieldValue& value) {
  if (const auto [measure, name] = splitReading(field); !name.empty()) {
    const FieldValue all = fieldValue(job, measure);
    if (value)
      setField(job, measure, withReading(all, name, *value));
    else if (all)
      setField(job, measure, withoutReading(*all, name));
  } else if (field == "title") {
    job.title = textOf(value);
  } else if (field == "why") {
    job.why = textOf(value);
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
    if (field.starts_with("sewing/")) return setSewing(job, field, value);
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
