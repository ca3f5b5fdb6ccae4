#include "store/job_file.h"

#include <filesystem>

#include "core/diag/nearest_name.h"
#include "store/job_art.h"
#include "store/job_cutting.h"
#include "store/job_sewing.h"
#include "store/json_node.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

class JobReader {
 public:
  JobReader(const Node& root, const std::string& file, JobDocument& document)
      : root_(root), file_(file), document_(document) {}

  void run() {
    if (root_.kind != Node::Kind::Table) return complain(root_, "", "job-not-object", {});
    remember("", root_);
    readSchema();
    Job job;
    job.id = text("id");
    job.title = root_.find("title") != nullptr ? text("title") : stemOf(file_);
    job.method = root_.find("method") != nullptr ? text("method") : kUsualMethod;
    job.why = text("why");
    job.rules = text("rules");
    job.units = readUnits();
    if (const Node* round = root_.find("round")) {
      remember("round", *round);
      job.round = written(*round, "round");
    }
    if (const Node* copies = root_.find("copies")) {
      remember("copies", *copies);
      job.copies = written(*copies, "copies");
    }
    job.given = readEntries("given", true);
    job.allowances = readEntries("allowances", false);
    job.fixed = readEntries("fixed", false);
    job.asCut = readByName("as_cut");
    job.otherAllowances = readByName("other_allowances");
    if (const Node* cutting = root_.find("cutting"))
      job.cutting = readCutting(*cutting, file_, document_.issues);
    if (const Node* art = root_.find("art")) job.art = readArt(*art, file_, document_.issues);
    if (const Node* sewing = root_.find("sewing")) {
      SewingPlaces places;
      job.sewing = readJobSewing(*sewing, file_, document_.issues, places);
    }
    readOthers();
    document_.job = std::move(job);
  }

 private:
  [[nodiscard]] SourcePosition at(const Node& node) const {
    return {file_, node.line, node.column};
  }
  void remember(const std::string& field, const Node& node) { document_.places[field] = at(node); }

  /// "given/text_height", with names of the file's own not longer than they can be read.
  static std::string shownField(std::string_view field) {
    std::string shown;
    for (;;) {
      const std::size_t slash = field.find('/');
      shown += shortened(field.substr(0, slash));
      if (slash == std::string_view::npos) return shown;
      shown += '/';
      field.remove_prefix(slash + 1);
    }
  }

  void complain(const Node& node, const std::string& field, IssueId id, IssueArguments arguments) {
    document_.issues.push_back({id, std::move(arguments), field, at(node), {}});
  }
  void complainType(const Node& node, const std::string& field, const char* expected) {
    const std::string value = node.kind == Node::Kind::Text
                                  ? '"' + described(node) + '"'  // it may be empty
                                  : described(node);
    complain(node, field, "job-type-wrong",
             {{"key", shownField(field)}, {"value", value}, {"expected", std::string(expected)}});
  }
  void readSchema() {
    const Node* schema = root_.find("schema");
    if (schema == nullptr)
      return complain(root_, "schema", "job-key-missing", {{"key", std::string("schema")}});
    if (schema->text == kJobSchema) return;
    complain(*schema, "schema", "value-not-allowed",
             {{"key", std::string("schema")},
              {"value", described(*schema)},
              {"allowed", std::string(kJobSchema)}});
  }

  /// "tide" of "jobs/tide.json"; a book that comes from no file has no name.
  static std::string stemOf(const std::string& file) {
    if (file.empty() || file.front() == '<') return "untitled";
    return shownBytes(std::filesystem::path(file).stem().string());
  }

  std::string text(const char* key) {
    const Node* node = root_.find(key);
    if (node == nullptr) return {};
    remember(key, *node);
    if (node->kind != Node::Kind::Text) complainType(*node, key, "text");
    return node->text;
  }

  Units readUnits() {
    const Node* node = root_.find("units");
    if (node == nullptr || node->text == "mm") return Units::Millimetres;
    if (node->kind == Node::Kind::Text && node->text == "in") return Units::Inches;
    complain(*node, "units", "value-not-allowed",
             {{"key", std::string("units")},
              {"value", described(*node)},
              {"allowed", std::string("mm, in")}});
    return Units::Millimetres;
  }

  Written written(const Node& node, const std::string& field) {
    if (node.kind == Node::Kind::Number) return node.number;
    if (node.kind != Node::Kind::Text) complainType(node, field, "number or text");
    return node.text;
  }

  Reading readReading(const Node& node, const std::string& field) {
    Reading reading;
    if (node.kind != Node::Kind::Table || node.find("value") == nullptr) {
      complainType(node, field, "reading with a value");
      return reading;
    }
    reading.value = written(*node.find("value"), field);
    for (const Node::Member& member : node.members) {
      if (member.key == "value") continue;
      if (member.key == "at" && member.value.kind == Node::Kind::Text) {
        reading.at = member.value.text;
      } else if (member.key == "by" && member.value.kind == Node::Kind::Text) {
        reading.by = member.value.text;
      } else {
        complainKey(member, "reading", {"value", "at", "by"});
      }
    }
    return reading;
  }

  void complainKey(const Node::Member& member, const std::string& section,
                   const std::vector<std::string>& known) {
    document_.issues.push_back({"key-unknown",
                                {{"key", shortened(member.key)},
                                 {"section", shownField(section)},
                                 {"nearest", nearestName(member.key, known)}},
                                section,
                                {file_, member.line, member.column},
                                {}});
  }

  Entry readEntry(const Node& node, const std::string& field) {
    if (node.kind != Node::Kind::Table) return {written(node, field), {}};
    Entry entry;
    const Node* readings = node.find("readings");
    const Node* material = node.find("material");
    for (const Node::Member& member : node.members)
      if (member.key != "readings" && member.key != "material")
        complainKey(member, field, {"readings", "material"});
    const bool namesMaterial =
        material != nullptr && material->kind == Node::Kind::Text && !material->text.empty();
    if (namesMaterial && readings == nullptr) {
      entry.material = material->text;
      return entry;
    }
    if (material != nullptr) {
      complainType(*material, field, "the name of a material, and no readings beside it");
      return entry;
    }
    if (readings == nullptr || readings->kind != Node::Kind::List || readings->items.empty()) {
      complainType(node, field, "number, text, a list of readings or a material");
      return entry;
    }
    for (const Node& reading : readings->items)
      entry.readings.push_back(readReading(reading, field));
    return entry;
  }

  Entries entriesOf(const Node& table, const std::string& section) {
    Entries entries;
    if (table.kind != Node::Kind::Table) complainType(table, section, "object");
    for (const Node::Member& member : table.members) {
      const std::string field = section + "/" + member.key;
      remember(field, member.value);
      document_.places["key:" + field] = {file_, member.line, member.column};
      entries[member.key] = readEntry(member.value, field);
    }
    return entries;
  }

  Entries readEntries(const char* section, bool needed) {
    const Node* node = root_.find(section);
    if (node == nullptr && needed)
      complain(root_, section, "job-key-missing", {{"key", std::string(section)}});
    if (node == nullptr) return {};
    remember(section, *node);
    return entriesOf(*node, section);
  }

  /// Entries by the name of a method or a piece.
  std::map<std::string, Entries, std::less<>> readByName(const char* section) {
    std::map<std::string, Entries, std::less<>> all;
    const Node* node = root_.find(section);
    if (node == nullptr) return all;
    remember(section, *node);
    if (node->kind != Node::Kind::Table) complainType(*node, section, "object");
    for (const Node::Member& member : node->members) {
      const std::string field = std::string(section) + "/" + member.key;
      document_.places["key:" + field] = {file_, member.line, member.column};
      all[member.key] = entriesOf(member.value, field);
    }
    return all;
  }

  void readOthers() {
    for (const Node::Member& member : root_.members)
      if (!isKnown(member.key))
        rawKept_.emplace_back(member.key, std::pair(member.value.begin, member.value.end));
  }

 public:
  /// Byte ranges of the keys that a newer version may have written.
  [[nodiscard]] const auto& kept() const { return rawKept_; }

 private:
  static bool isKnown(const std::string& key) {
    for (const char* known :
         {"schema", "id", "title", "method", "why", "rules", "units", "round", "copies", "given",
          "allowances", "other_allowances", "fixed", "as_cut", "cutting", "art", "sewing"})
      if (key == known) return true;
    return false;
  }

  const Node& root_;
  const std::string& file_;
  JobDocument& document_;
  std::vector<std::pair<std::string, std::pair<std::size_t, std::size_t>>> rawKept_;
};

}  // namespace

JobDocument readJob(std::string_view text, const std::string& file) {
  JobDocument document;
  auto parsed = parseJson(text);
  if (auto* issues = std::get_if<Issues>(&parsed)) {
    document.issues = std::move(*issues);
    for (Issue& issue : document.issues) issue.where.file = file;
    return document;
  }
  JobReader reader(std::get<Node>(parsed), file, document);
  reader.run();
  if (document.job)
    for (const auto& [key, range] : reader.kept())
      document.job->kept.emplace_back(
          key, std::string(text.substr(range.first, range.second - range.first)));
  return document;
}

void placeIssues(Issues& issues, const JobDocument& document) {
  for (Issue& issue : issues) {
    if (issue.where.line != 0) continue;
    auto found = issue.id == "key-unknown" ? document.places.find("key:" + issue.field)
                                           : document.places.find(issue.field);
    std::string field = issue.field;
    while (found == document.places.end() && !field.empty()) {
      const std::size_t slash = field.rfind('/');
      field = slash == std::string::npos ? std::string() : field.substr(0, slash);
      found = document.places.find(field);
    }
    if (found != document.places.end()) issue.where = found->second;
  }
}

}  // namespace drapery
