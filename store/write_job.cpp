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

void writeByName(PrettyJson& json, const char* section,
                 const std::map<std::string, Entries, std::less<>>& all) {
  if (all.empty()) return;
  json.key(section).beginObject();
  for (const auto& [name, entries] : all) write(json.key(name), entries);
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
  if (!job.why.empty()) json.key("why").text(job.why);
  if (!job.rules.empty()) json.key("rules").text(job.rules);
  json.key("units").text(job.units == Units::Inches ? "in" : "mm");
  if (job.round) write(json.key("round"), *job.round);
  if (job.copies) write(json.key("copies"), *job.copies);
  write(json.key("given"), job.given);
  write(json.key("allowances"), job.allowances);
  writeByName(json, "other_allowances", job.otherAllowances);
  if (!job.fixed.empty()) write(json.key("fixed"), job.fixed);
  writeByName(json, "as_cut", job.asCut);
  for (const auto& [key, value] : job.kept) json.key(key).raw(value);
  json.endObject();
  return json.str();
}

}  // namespace drapery
