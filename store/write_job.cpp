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

void write(PrettyJson& json, const std::vector<JobPin>& pins) {
  json.beginList();
  for (const JobPin& pin : pins) {
    json.beginObject();
    json.key("piece").text(pin.piece);
    json.key("stock").text(pin.stock);
    json.key("sheet").number(pin.sheet);
    json.key("x").number(pin.x);
    json.key("y").number(pin.y);
    if (pin.isTurned) json.key("turned").flag(true);
    json.endObject();
  }
  json.endList();
}

void write(PrettyJson& json, const std::map<std::string, int>& counts) {
  json.beginObject();
  for (const auto& [piece, count] : counts) json.key(piece).number(count);
  json.endObject();
}

void write(PrettyJson& json, const std::map<std::string, CutSize>& sizes) {
  json.beginObject();
  for (const auto& [piece, size] : sizes) {
    json.key(piece).beginList();
    json.number(size.width);
    json.number(size.height);
    json.endList();
  }
  json.endObject();
}

void write(PrettyJson& json, const JobCutting& cutting) {
  json.beginObject();
  if (cutting.first != StockFirst::LeastCost)
    json.key("first").text(cutting.first == StockFirst::OffCuts ? "off-cuts" : "whole-sheets");
  if (!cutting.mockUp.empty()) json.key("mock_up").text(cutting.mockUp);
  if (!cutting.with.empty()) {
    json.key("with").beginList();
    for (const std::string& path : cutting.with) json.text(path);
    json.endList();
  }
  if (!cutting.pins.empty()) write(json.key("pins"), cutting.pins);
  if (!cutting.kept.empty()) {
    json.key("kept").beginList();
    for (const KeptLayOut& kept : cutting.kept) {
      json.beginObject();
      json.key("name").text(kept.name);
      write(json.key("pins"), kept.pins);
      json.endObject();
    }
    json.endList();
  }
  if (!cutting.done.empty()) {
    json.key("done").beginList();
    for (const CutDone& done : cutting.done) {
      json.beginObject();
      json.key("stock").text(done.stock);
      if (!done.book.empty()) json.key("book").text(done.book);
      write(json.key("pieces"), done.pieces);
      if (!done.spoilt.empty()) write(json.key("spoilt"), done.spoilt);
      if (done.sheetsSpoilt > 0) json.key("sheets_spoilt").number(done.sheetsSpoilt);
      if (done.isMockUp) json.key("mock_up").flag(true);
      if (!done.sizes.empty()) write(json.key("sizes"), done.sizes);
      if (!done.layers.empty()) write(json.key("layers"), done.layers);
      json.endObject();
    }
    json.endList();
  }
  json.endObject();
}

void write(PrettyJson& json, const PanelArt& art) {
  json.beginObject();
  if (!art.picture.empty()) json.key("picture").text(art.picture);
  if (art.fit == PictureFit::Whole) json.key("fit").text("whole");
  if (!art.title.empty()) json.key("title").text(art.title);
  if (art.letters > 0.0) json.key("letters").number(art.letters);
  if (art.runs != TitleRuns::Across)
    json.key("runs").text(art.runs == TitleRuns::Down ? "down" : "up");
  if (art.ink == TitleInk::Light) json.key("ink").text("light");
  json.endObject();
}

void write(PrettyJson& json, const JobArt& art) {
  json.beginObject();
  for (const auto& [piece, panels] : art) {
    json.key(piece).beginObject();
    for (const auto& [panel, of] : panels) write(json.key(panel), of);
    json.endObject();
  }
  json.endObject();
}

void write(PrettyJson& json, const JobSewing& sewing) {
  json.beginObject();
  json.key("kind").text(sewing.kind);
  if (!sewing.pattern.empty()) json.key("pattern").text(sewing.pattern);
  if (!sewing.given.empty()) write(json.key("given"), sewing.given);
  if (!sewing.allowances.empty()) write(json.key("allowances"), sewing.allowances);
  if (sewing.start) json.key("start").number(*sewing.start);
  if (!sewing.finish.empty()) json.key("finish").text(sewing.finish);
  if (!sewing.hand.empty()) json.key("hand").text(sewing.hand);
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
  if (!job.cutting.isEmpty()) write(json.key("cutting"), job.cutting);
  if (!job.art.empty()) write(json.key("art"), job.art);
  if (job.sewing) write(json.key("sewing"), *job.sewing);
  for (const auto& [key, value] : job.kept) json.key(key).raw(value);
  json.endObject();
  return json.str();
}

}  // namespace drapery
