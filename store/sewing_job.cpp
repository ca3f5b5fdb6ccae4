#include "store/sewing_job.h"

#include <algorithm>
#include <filesystem>

#include "store/job_file.h"
#include "store/job_sewing.h"
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
    Job of;
    of.title = document_.job.title;
    of.units = document_.job.units;
    of.round = document_.job.round;
    const JobSewing said = readJobSewing(node, file_, document_.issues, document_.places);
    document_.saysPattern = !said.pattern.empty();
    document_.job = sewingOf(said, of);
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
