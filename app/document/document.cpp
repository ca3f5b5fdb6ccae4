#include "app/document/document.h"

#include <QDir>
#include <QFileInfo>
#include <QUuid>
#include <algorithm>

#include "app/document/edit_command.h"
#include "core/diag/nearest_name.h"
#include "core/plan/job_inputs.h"
#include "store/job_file.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

constexpr const char* kFirstMethod = "case-sunk-joint";

/// The folder's first free name: new-book.json, new-book-2.json ...
QString freeName(const QString& folder) {
  const QDir dir(folder);
  for (int i = 1;; ++i) {
    const QString name = i == 1 ? QString("new-book.json") : QString("new-book-%1.json").arg(i);
    if (!dir.exists(name)) return dir.filePath(name);
  }
}

Issue changedIssue(const QString& path) {
  return {"file-changed", {{"path", path.toStdString()}}, {}, {path.toStdString(), 0, 0}, {}};
}

}  // namespace

std::string newJobId() { return QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString(); }

Document::Document(RuleLibrary library, QObject* parent)
    : QObject(parent), library_(std::move(library)) {
  job_.id = newJobId();
  job_.method = kFirstMethod;
  usePlanner(job_.method);
  replan(job_);
}

QString Document::methodTitle(const std::string& id) const {
  return QString::fromStdString(library_.title(id));
}

std::vector<Influence> Document::influences(std::size_t node) {
  return planner_ ? planner_->influences(plan_, node) : std::vector<Influence>();
}

std::vector<PartMove> Document::partMoves() {
  return planner_ ? planner_->partMoves(plan_) : std::vector<PartMove>();
}

bool Document::usePlanner(const std::string& method) {
  const LoadedRules loaded = library_.load(method);
  if (loaded.rules == nullptr) return false;
  planner_.emplace(loaded.rules, library_.shelf());
  return true;
}

void Document::replan(const Job& job) {
  if (!usePlanner(job.method)) return;
  PlanOutcome outcome = planner_->plan(job);
  plan_ = std::move(outcome.plan);
  missing_.clear();
  for (const Issue& issue : outcome.issues)
    if (issue.id == "given-missing")
      missing_.push_back(issue.field.substr(issue.field.find('/') + 1));
}

void Document::adopt(Job job, QString path) {
  job_ = std::move(job);
  path_ = std::move(path);
  isSaved_ = true;
  undo_.clear();
  replan(job_);
  emit jobChanged();
}

Issues Document::open(const QString& path) {
  const std::string name = path.toStdString();
  auto text = readWhole(name, kLargestJsonFile);
  if (auto* issue = std::get_if<Issue>(&text)) return {std::move(*issue)};
  OpenedJob opened = openJob(std::get<std::string>(text), name, library_);
  // A book whose measuring is not finished is a sound one to open.
  std::erase_if(opened.issues, [](const Issue& issue) { return issue.id == "given-missing"; });
  if (!opened.issues.empty()) return std::move(opened.issues);
  textInFile_ = std::move(std::get<std::string>(text));
  adopt(std::move(*opened.document.job), QFileInfo(path).absoluteFilePath());
  return {};
}

void Document::startNew(const QString& folder) {
  Job job;
  job.id = newJobId();
  job.method = kFirstMethod;
  job.units = job_.units;
  textInFile_.clear();
  adopt(std::move(job), freeName(folder));
}

std::optional<Issue> Document::copyTo(const QString& path) {
  Job copy = job_;
  copy.id = newJobId();
  const std::string text = writeJob(copy);
  if (auto issue = writeWhole(path.toStdString(), text)) return issue;
  textInFile_ = text;
  adopt(std::move(copy), QFileInfo(path).absoluteFilePath());
  return std::nullopt;
}

std::vector<std::string> Document::allowancesOf(const std::string& method) const {
  std::vector<std::string> known;
  const LoadedRules loaded = library_.load(method);
  if (loaded.rules == nullptr) return known;
  for (const InputRule& rule : loaded.rules->inputs)
    if (rule.role == InputRole::Allowance) known.push_back(rule.id);
  return known;
}

std::optional<Issue> Document::issueOf(const std::string& field, const Job& job) {
  if (field == "round") {
    auto mark = readMark(job);
    if (auto* issue = std::get_if<Issue>(&mark)) return std::move(*issue);
    return std::nullopt;
  }
  const FieldValue value = fieldValue(job, field);
  const InputRule* rule =
      planner_ ? planner_->rules()->input(field.substr(field.find('/') + 1)) : nullptr;
  if (!value || rule == nullptr || fieldOf(*rule) != field) return std::nullopt;
  auto read = readEntry(*value, *rule, *library_.shelf());
  if (auto* issue = std::get_if<Issue>(&read)) return std::move(*issue);
  return std::nullopt;
}

/// A rule file with a mistake in it is not taken up: the book could not be planned any more.
std::optional<Issue> Document::issueOfMethod(const std::string& id) const {
  LoadedRules loaded = library_.load(id);
  if (loaded.rules != nullptr) return std::nullopt;
  if (!loaded.issues.empty()) return std::move(loaded.issues.front());
  return Issue{"method-unknown", {{"value", shortened(id)}, {"allowed", "-"}}, "method", {}, {}};
}

std::optional<Issue> Document::preview(const std::string& field, const FieldValue& value) {
  Job draft = job_;
  setField(draft, field, value);
  if (field == "units") draft.round.reset();
  if (auto issue = issueOf(field, draft)) return issue;
  replan(draft);
  emit planChanged();
  return std::nullopt;
}

void Document::endPreview() {
  replan(job_);
  emit planChanged();
}

std::optional<Issue> Document::keep(const std::string& field, const FieldValue& value) {
  if (fieldValue(job_, field) == value) {
    endPreview();
    return std::nullopt;
  }
  std::vector<std::string> known;  // allowances that another method takes over
  if (field == "method" && value)
    if (const auto* id = std::get_if<std::string>(&value->value)) known = allowancesOf(*id);
  Job draft = job_;
  setField(draft, field, value, known);
  if (auto issue = field == "method" ? issueOfMethod(draft.method) : issueOf(field, draft))
    return issue;
  undo_.push(new EditCommand(*this, std::move(draft)));
  return std::nullopt;
}

void Document::keepUnits(const std::string& units) {
  if (fieldValue(job_, "units") == FieldValue(Entry{units, {}})) return;
  undo_.beginMacro({});
  keep("units", Entry{units, {}});
  keep("round", std::nullopt);
  undo_.endMacro();
}

Job Document::exchange(Job job) {
  std::swap(job_, job);
  replan(job_);
  saveAndTell();
  emit jobChanged();
  return job;
}

void Document::saveAndTell() {
  if (path_.isEmpty()) return;
  if (auto issue = save()) {
    emit saveFailed(*issue);
  } else {
    emit saved();
  }
}

std::optional<Issue> Document::save() {
  isSaved_ = false;
  const auto present = readWhole(path_.toStdString(), kLargestJsonFile);
  const auto* text = std::get_if<std::string>(&present);
  if (text != nullptr && *text != textInFile_) return changedIssue(path_);
  return saveOverForeignChange();
}

std::optional<Issue> Document::saveOverForeignChange() {
  QDir().mkpath(QFileInfo(path_).absolutePath());
  std::string text = writeJob(job_);
  if (auto issue = writeWhole(path_.toStdString(), text)) {
    isSaved_ = false;
    return issue;
  }
  textInFile_ = std::move(text);
  isSaved_ = true;
  return std::nullopt;
}

}  // namespace drapery
