#include <nlohmann/json.hpp>

#include "store/job_file.h"

namespace drapery {

namespace {

using Json = nlohmann::ordered_json;

Json toJson(const Written& written) {
  if (const double* number = std::get_if<double>(&written)) return *number;
  return std::get<std::string>(written);
}

Json toJson(const Reading& reading) {
  Json json{{"value", toJson(reading.value)}};
  if (!reading.at.empty()) json["at"] = reading.at;
  if (!reading.by.empty()) json["by"] = reading.by;
  return json;
}

Json toJson(const Entry& entry) {
  if (!entry.material.empty()) return Json{{"material", entry.material}};
  if (entry.readings.empty()) return toJson(entry.value);
  Json readings = Json::array();
  for (const Reading& reading : entry.readings) readings.push_back(toJson(reading));
  return Json{{"readings", std::move(readings)}};
}

Json toJson(const Entries& entries) {
  Json json = Json::object();
  for (const auto& [key, entry] : entries) json[key] = toJson(entry);
  return json;
}

}  // namespace

std::string writeJob(const Job& job) {
  Json json{{"schema", kJobSchema}, {"id", job.id}, {"title", job.title}, {"method", job.method}};
  json["units"] = job.units == Units::Inches ? "in" : "mm";
  if (job.round) json["round"] = toJson(*job.round);
  json["given"] = toJson(job.given);
  json["allowances"] = toJson(job.allowances);
  if (!job.otherAllowances.empty()) {
    Json& others = json["other_allowances"] = Json::object();
    for (const auto& [method, entries] : job.otherAllowances) others[method] = toJson(entries);
  }
  for (const auto& [key, value] : job.kept) json[key] = Json::parse(value);
  return json.dump(2) + "\n";
}

}  // namespace drapery
