#include "store/job_sewing.h"

#include <vector>

#include "core/diag/nearest_name.h"
#include "core/sewing/sewing_job.h"
#include "store/section_reader.h"

namespace drapery {

namespace {

class JobSewingReader : SectionReader {
 public:
  JobSewingReader(const std::string& file, Issues& issues, SewingPlaces& places)
      : SectionReader("sewing", file, issues), file_(file), issues_(issues), places_(places) {}

  JobSewing read(const Node& node) {
    JobSewing job;
    places_[""] = at(node);
    if (!isTable(node, "sewing")) return job;
    know(node, "sewing", {"kind", "pattern", "given", "allowances", "start", "finish", "hand"});
    if (const Node* kind = node.find("kind"))
      job.kind = word(*kind, "kind", {"stab", "link", "tapes"});
    else
      complain(node, "job-key-missing", {{"key", std::string("sewing.kind")}});
    if (const Node* hand = node.find("hand")) job.hand = word(*hand, "hand", {"right", "left"});
    job.given = entries(node, "given");
    job.allowances = entries(node, "allowances");
    for (const char* key : {"pattern", "start", "finish"})
      if (const Node* said = node.find(key); said != nullptr && job.kind != "stab")
        complain(*said, "sewing-only-stab", {{"name", std::string(key)}});
    if (job.kind != "stab") return job;
    if (const Node* pattern = node.find("pattern")) {
      places_["pattern"] = at(*pattern);
      job.pattern = text(node, "sewing", "pattern", false);
    }
    if (const Node* start = node.find("start")) {
      places_["start"] = at(*start);
      constexpr double kMost = 1e6;  // the pattern tells how many there are
      job.start = static_cast<int>(number(*start, "sewing.start", 1, kMost, true));
    }
    if (const Node* finish = node.find("finish")) {
      places_["finish"] = at(*finish);
      job.finish = word(*finish, "finish", {"buried", "glued", "ornament"});
    }
    return job;
  }

  /// The one that is named, or the first after a complaint with the nearest.
  std::string word(const Node& node, const char* key, const std::vector<std::string>& known) {
    std::string allowed;
    for (const std::string& name : known) {
      if (node.kind == Node::Kind::Text && node.text == name) return name;
      allowed += (allowed.empty() ? "" : ", ") + name;
    }
    const std::string value = described(node);
    complain(node, "sewing-word",
             {{"name", "sewing." + std::string(key)},
              {"value", shortened(value)},
              {"nearest", nearestName(value, known)},
              {"allowed", allowed}});
    return known.front();
  }

  Entries entries(const Node& sewing, const char* section) {
    Entries all;
    const Node* table = sewing.find(section);
    if (table == nullptr) return all;
    places_[section] = at(*table);
    if (!isTable(*table, "sewing." + std::string(section))) return all;
    for (const Node::Member& member : table->members) {
      const std::string field = std::string(section) + "/" + member.key;
      places_[field] = at(member.value);
      places_["key:" + field] = {file_, member.line, member.column};
      if (isFoundBySewing(member.key)) {
        complainKey(member, section);
        continue;
      }
      all[member.key] = Entry{written(member.value, field), {}};
    }
    return all;
  }

  void complainKey(const Node::Member& member, const char* section) {
    issues_.push_back({"key-unknown",
                       {{"key", shortened(member.key)},
                        {"section", std::string(section)},
                        {"nearest", std::string()}},
                       std::string(section) + "/" + member.key,
                       {file_, member.line, member.column},
                       {}});
  }

  [[nodiscard]] SourcePosition at(const Node& node) const {
    return {file_, node.line, node.column};
  }

  const std::string& file_;
  Issues& issues_;
  SewingPlaces& places_;
};

}  // namespace

JobSewing readJobSewing(const Node& node, const std::string& file, Issues& issues,
                        SewingPlaces& places) {
  return JobSewingReader(file, issues, places).read(node);
}

}  // namespace drapery
