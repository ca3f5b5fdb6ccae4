#include "store/job_file.h"
#include "store/json_out.h"

namespace drapery {

namespace {

void write(PrettyJson& json, const Written& written) {
  if (const double* number = std::get_if<double>(&written)) return json.number(*number);
  json.text(std::get<std::string>(written));
}

void write(PrettyJson& json, const Reading& reading) {
  json.beginObject();
  write(json.key("value"), reading.value);
  if (!reading.at.empty()) json.key("at").text(reading.at);
  if (!reading.by.empty()) json.key("by").text(reading.by);
  json.endObject();
}

void write(PrettyJson& json, const Entry& entry) {
  if (entry.material.empty() && entry.readings.empty()) return write(json, entry.value);
  json.beginObject();
  if (!entry.material.empty()) {
    json.key("material").text(entry.material);
  } else {
    json.key("readings").beginList();
    for (const Reading& reading : entry.readings) write(json, reading);
    json.endList();
  }
  json.endObject();
}

void write(PrettyJson& json, const Entries& entries) {
  json.beginObject();
  for (const auto& [key, entry] : entries) write(json.key(key), entry);
  json.endObject();
}

}  // namespace

std::string writeJob(const Job& job) {
  constexpr unsigned kIndent = 2;
  PrettyJson json(kIndent);
  json.beginObject();
  json.key("schema").text(kJobSchema);
  json.key("id").text(job.id);
  json.key("title").text(job.title);
  json.key("method").text(job.method);
  if (!job.rules.empty()) json.key("rules").text(job.rules);
  json.key("units").text(job.units == Units::Inches ? "in" : "mm");
  if (job.round) write(json.key("round"), *job.round);
  write(json.key("given"), job.given);
  write(json.key("allowances"), job.allowances);
  if (!job.otherAllowances.empty()) {
    json.key("other_allowances").beginObject();
    for (const auto& [method, entries] : job.otherAllowances) write(json.key(method), entries);
    json.endObject();
  }
  for (const auto& [key, value] : job.kept) json.key(key).raw(value);
  json.endObject();
  return json.str();
}

}  // namespace drapery
