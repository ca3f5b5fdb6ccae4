#include "store/sewing_job.h"

#include <algorithm>
#include <filesystem>

#include "core/diag/nearest_name.h"
#include "store/job_file.h"
#include "store/section_reader.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

class SewingReader : SectionReader {
 public:
  SewingReader(const std::string& file, SewingDocument& document)
      : SectionReader("sewing", file, document.issues), file_(file), document_(document) {}

  void read(const Node& root) {
    if (root.kind != Node::Kind::Table) return complain(root, "job-not-object", {});
    document_.places[""] = at(root);
    readSchema(root);
    document_.job.title = titleOf(root);
    const Node* units = root.find("units");
    if (units != nullptr)
      document_.job.units =
          oneOf<Units>(*units, "units", {{"mm", Units::Millimetres}, {"in", Units::Inches}});
    if (const Node* round = root.find("round")) document_.job.round = written(*round, "round");
    if (const Node* sewing = root.find("sewing")) readSewing(*sewing);
  }

 private:
  [[nodiscard]] SourcePosition at(const Node& node) const {
    return {file_, node.line, node.column};
  }

  void readSchema(const Node& root) {
    const Node* schema = root.find("schema");
    if (schema == nullptr)
      return complain(root, "job-key-missing", {{"key", std::string("schema")}});
    if (schema->kind != Node::Kind::Text || schema->text != kJobSchema)
      complain(*schema, "value-not-allowed",
               {{"key", std::string("schema")},
                {"value", shortened(described(*schema))},
                {"allowed", std::string(kJobSchema)}});
  }

  [[nodiscard]] std::string titleOf(const Node& root) const {
    const Node* title = root.find("title");
    if (title != nullptr && title->kind == Node::Kind::Text) return title->text;
    if (file_.empty() || file_.front() == '<') return "untitled";
    return shownBytes(std::filesystem::path(file_).stem().string());
  }

  void readSewing(const Node& node) {
    document_.isThere = true;
    document_.places[""] = at(node);
    if (!isTable(node, "sewing")) return;
    know(node, "sewing", {"kind", "pattern", "given", "allowances", "start", "finish", "hand"});
    SewingJob& job = document_.job;
    if (const Node* kind = node.find("kind"))
      job.kind = word<SewingKind>(
          *kind, "kind",
          {{"stab", SewingKind::Stab}, {"link", SewingKind::Link}, {"tapes", SewingKind::Tapes}});
    else
      complain(node, "job-key-missing", {{"key", std::string("sewing.kind")}});
    if (const Node* hand = node.find("hand"))
      job.hand = word<Hand>(*hand, "hand", {{"right", Hand::Right}, {"left", Hand::Left}});
    job.given = entries(node, "given");
    job.allowances = entries(node, "allowances");
    for (const char* key : {"pattern", "start", "finish"})
      if (const Node* said = node.find(key); said != nullptr && job.kind != SewingKind::Stab)
        complain(*said, "sewing-only-stab", {{"name", std::string(key)}});
    if (job.kind != SewingKind::Stab) return;
    if (const Node* pattern = node.find("pattern")) {
      document_.places["pattern"] = at(*pattern);
      document_.saysPattern = true;
      job.pattern = text(node, "sewing", "pattern", false);
    }
    if (const Node* start = node.find("start")) {
      document_.places["start"] = at(*start);
      constexpr double kMost = 1e6;  // the pattern tells how many there are
      job.start = static_cast<std::size_t>(number(*start, "sewing.start", 1, kMost, true)) - 1;
    }
    if (const Node* finish = node.find("finish")) {
      document_.places["finish"] = at(*finish);
      job.finish = word<Finish>(
          *finish, "finish",
          {{"buried", Finish::Buried}, {"glued", Finish::Glued}, {"ornament", Finish::Ornament}});
    }
  }

  /// The one that is named, or the first after a complaint with the nearest.
  template <typename Of>
  Of word(const Node& node, const char* key,
          const std::vector<std::pair<std::string, Of>>& choices) {
    std::vector<std::string> known;
    std::string allowed;
    for (const auto& [name, of] : choices) {
      if (node.kind == Node::Kind::Text && node.text == name) return of;
      known.push_back(name);
      allowed += (allowed.empty() ? "" : ", ") + name;
    }
    const std::string value = described(node);
    complain(node, "sewing-word",
             {{"name", "sewing." + std::string(key)},
              {"value", shortened(value)},
              {"nearest", nearestName(value, known)},
              {"allowed", allowed}});
    return choices.front().second;
  }

  Written written(const Node& node, const std::string& name) {
    if (node.kind == Node::Kind::Number) return node.number;
    if (node.kind != Node::Kind::Text) complainType(node, name, "number or text");
    return node.text;
  }

  Entries entries(const Node& sewing, const char* section) {
    Entries all;
    const Node* table = sewing.find(section);
    if (table == nullptr) return all;
    document_.places[section] = at(*table);
    if (!isTable(*table, "sewing." + std::string(section))) return all;
    for (const Node::Member& member : table->members) {
      const std::string field = std::string(section) + "/" + member.key;
      document_.places[field] = at(member.value);
      document_.places["key:" + field] = {file_, member.line, member.column};
      if (isFoundBySewing(member.key)) {
        complainKey(member, section);
        continue;
      }
      all[member.key] = Entry{written(member.value, field), {}};
    }
    return all;
  }

  void complainKey(const Node::Member& member, const char* section) {
    document_.issues.push_back({"key-unknown",
                                {{"key", shortened(member.key)},
                                 {"section", std::string(section)},
                                 {"nearest", std::string()}},
                                std::string(section) + "/" + member.key,
                                {file_, member.line, member.column},
                                {}});
  }

  const std::string& file_;
  SewingDocument& document_;
};

}  // namespace

void SewingDocument::place(Issues& found) const {
  for (Issue& issue : found) {
    if (issue.where.line > 0) continue;
    const bool isKey = issue.id == "key-unknown";
    auto at = places.find(isKey ? "key:" + issue.field : issue.field);
    if (at == places.end()) at = places.find(issue.field.substr(0, issue.field.find('/')));
    if (at == places.end()) at = places.find("");
    if (at != places.end()) issue.where = at->second;
  }
}

SewingDocument readSewingJob(std::string_view text, const std::string& file) {
  SewingDocument document;
  auto parsed = parseJson(text);
  if (auto* issues = std::get_if<Issues>(&parsed)) {
    for (Issue& issue : *issues) issue.where.file = file;
    document.issues = std::move(*issues);
    return document;
  }
  SewingReader(file, document).read(std::get<Node>(parsed));
  return document;
}

}  // namespace drapery
