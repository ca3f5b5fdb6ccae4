#include "app/document/document.h"

#include <QFileInfo>
#include <QUuid>
#include <algorithm>

#include "app/document/edit_command.h"
#include "core/plan/former_names.h"
#include "core/plan/job_files.h"
#include "core/plan/job_inputs.h"
#include "core/plan/job_overrides.h"
#include "core/plan/same_leaves.h"
#include "core/plan/solve.h"
#include "store/job_file.h"
#include "store/open_job.h"

namespace drapery {

namespace {

constexpr int kWriteAfter = 400;  // ms after the last step

Job emptyJob(Units units) {
  Job job;
  job.id = newJobId();
  job.method = kUsualMethod;
  job.units = units;
  return job;
}

Issue unknownKey(const std::string& key, const std::string& section) {
  return {
      "key-unknown", {{"key", shortened(key)}, {"section", section}}, section + "/" + key, {}, {}};
}

}  // namespace

std::string newJobId() { return QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString(); }

Document::Document(LibraryPtr library, JobRepository& jobs, Units units, QObject* parent)
    : QObject(parent),
      library_(std::move(library)),
      jobs_(jobs),
      job_(emptyJob(units)),
      writer_(jobs.fresh()) {
  usePlanner(job_.method);
  replan(job_);
  writing_.setSingleShot(true);
  writing_.setInterval(kWriteAfter);
  connect(&writing_, &QTimer::timeout, this, &Document::writeSoon);
  connect(&writer_, &BookWriter::written, this, [this] {
    isSaved_ = !writing_.isActive();
    emit saved();
  });
  connect(&writer_, &BookWriter::failed, this, [this](const Issue& issue) {
    isSaved_ = false;
    emit saveFailed(issue);
  });
}

/// What is still to be written is, while all that listens to it is there.
Document::~Document() {
  if (writing_.isActive()) save();
  writer_.settle();
  writer_.disconnect(this);
}

Issues Document::useLibrary(LibraryPtr library) {
  LoadedRules loaded = library->load(job_.method);
  library_ = std::move(library);
  if (loaded.rules != nullptr) takePresentNames(job_, *loaded.rules);
  replan(job_);
  emit planChanged();  // what is being typed stays
  if (loaded.rules != nullptr) return {};
  if (loaded.issues.empty()) loaded.issues.push_back(unknownMethod(job_.method, library_->ids()));
  return std::move(loaded.issues);
}

QString Document::methodTitle(const std::string& id) const {
  return QString::fromStdString(library_->title(id));
}

std::vector<Influence> Document::influences(std::size_t node) {
  return planner_ ? planner_->influences(plan_, node) : std::vector<Influence>();
}

std::vector<PartMove> Document::partMoves() {
  return planner_ ? planner_->partMoves(plan_) : std::vector<PartMove>();
}

std::vector<GivingWay> Document::whatCouldGiveWay(const std::string& value, double figure) {
  if (!planner_) return {};
  return drapery::whatCouldGiveWay(job_, *planner_, value, figure);
}

std::variant<double, Issue> Document::solveFor(const std::string& input, const std::string& value,
                                               double figure) {
  if (!planner_) return issueOfMethod(job_.method).value_or(Issue{});
  auto solved = solve(job_, *planner_, {{input, value, figure}});
  if (auto* issue = std::get_if<Issue>(&solved)) return std::move(*issue);
  return std::get<SolvedJob>(solved).solved.front().value;
}

std::optional<Plan> Document::planWith(const std::string& field, const FieldValue& value) {
  const auto draft = edited({{field, value}});
  const Job* job = std::get_if<Job>(&draft);
  if (job == nullptr || !planner_) return std::nullopt;
  return planner_->plan(*job).plan;
}

bool Document::usePlanner(const std::string& method) {
  const LoadedRules loaded = library_->load(method);
  // A rule file that broke while the book is open: the rules that it was planned by still hold.
  if (loaded.rules == nullptr) return planner_ && planner_->rules()->id == method;
  planner_.emplace(loaded.rules, library_->catalogue());
  return true;
}

void Document::replan(const Job& job) {
  former_.reset();
  shown_ = job;
  if (!usePlanner(job.method)) return;
  PlanOutcome outcome = planner_->plan(job);
  plan_ = std::move(outcome.plan);
  missing_.clear();
  for (const Issue& issue : outcome.issues)
    if (issue.id == "given-missing")
      missing_.push_back(issue.field.substr(issue.field.find('/') + 1));
}

void Document::adopt(Job job) {
  job_ = std::move(job);
  writing_.stop();
  isSaved_ = true;
  undo_.clear();
  replan(job_);
  emit bookChanged();
  emit jobChanged();
}

Issues Document::open(const QString& path) {
  const std::string name = QFile::encodeName(QFileInfo(path).absoluteFilePath()).toStdString();
  writer_.settle();
  auto kept = jobs_.open(name);
  if (auto* issue = std::get_if<Issue>(&kept)) return {std::move(*issue)};
  auto& found = std::get<JobRepository::Found>(kept);
  OpenedJob opened = openJob(std::move(found.document), *library_);
  // A book whose measuring is not finished is a sound one to open.
  std::erase_if(opened.issues, [](const Issue& issue) { return issue.id == "given-missing"; });
  if (!opened.issues.empty()) return std::move(opened.issues);
  writer_.setPlace(std::move(found.place));
  if (opened.document.job->id.empty()) opened.document.job->id = newJobId();
  adopt(std::move(*opened.document.job));
  return {};
}

void Document::startNew(Units units) {
  writer_.setPlace(jobs_.fresh());
  adopt(emptyJob(units));
}

std::optional<Issue> Document::copyTo(const QString& path) {
  Job copy = job_;
  copy.id = newJobId();
  copy.cutting.done.clear();  // of this one nothing was cut yet
  const auto folderOf = [](const QString& file) {
    return QFile::encodeName(QFileInfo(file).absolutePath()).toStdString();
  };
  tellFilesFrom(copy, folderOf(this->path()), folderOf(path));
  const std::string name = QFile::encodeName(QFileInfo(path).absoluteFilePath()).toStdString();
  if (auto issue = writer_.writeTo(name, copy)) return issue;
  adopt(std::move(copy));
  return std::nullopt;
}

std::optional<Issue> Document::issueOfAllowance(const RuleSet& rules, const std::string& key,
                                                const Entry& entry) const {
  const InputRule* rule = rules.input(key);
  if (rule == nullptr || rule->role != InputRole::Allowance) return unknownKey(key, "allowances");
  auto read = readEntry(entry, *rule, *library_->catalogue());
  if (auto* issue = std::get_if<Issue>(&read)) return std::move(*issue);
  return std::nullopt;
}

/// Sound figures that the other method had are taken; the others wait on, and are told.
void Document::changeMethod(Job& draft, const std::string& method) {
  const RuleSetPtr rules = library_->load(method).rules;
  Issues told;
  const bool hasWaiting = draft.otherAllowances.contains(method);
  if (rules != nullptr && hasWaiting)
    takePresentNames(draft.otherAllowances[method], InputRole::Allowance, *rules);
  setMethod(draft, method, [&](const std::string& key, const Entry& entry) {
    if (rules == nullptr) return false;
    auto issue = issueOfAllowance(*rules, key, entry);
    if (issue && hasWaiting) told.push_back(std::move(*issue));
    return !issue.has_value();
  });
  if (!told.empty()) emit leftWaiting(told);
}

std::optional<Issue> Document::issueOf(const std::string& field, const Job& job) {
  if (field == "round") {
    auto resolution = readResolution(job);
    if (auto* issue = std::get_if<Issue>(&resolution)) return std::move(*issue);
    return std::nullopt;
  }
  if (field == "copies") {
    auto copies = readCopies(job);
    if (auto* issue = std::get_if<Issue>(&copies)) return std::move(*issue);
    return std::nullopt;
  }
  const FieldValue value = fieldValue(job, field);
  const std::size_t slash = field.find('/');
  if (!value || !planner_ || slash == std::string::npos) return std::nullopt;
  if (field.starts_with("sewing/")) return std::nullopt;  // its patterns are not known here
  if (field.starts_with("fixed/") || field.starts_with("as_cut/")) {
    auto read = readSaid(field, value->value, *planner_->rules());
    if (auto* issue = std::get_if<Issue>(&read)) return std::move(*issue);
    return std::nullopt;
  }
  const std::string key(splitReading(field.substr(slash + 1)).first);
  const InputRule* rule = planner_->rules()->input(key);
  // Such a file could not be opened again.
  if (rule == nullptr || fieldOf(*rule) != splitReading(field).first)
    return unknownKey(key, field.substr(0, slash));
  auto read = readEntry(*value, *rule, *library_->catalogue());
  if (auto* issue = std::get_if<Issue>(&read)) return std::move(*issue);
  return std::nullopt;
}

/// A rule file with a mistake in it is not taken up: the book could not be planned any more. Nor is
/// one for another kind of book, which would refuse what was measured.
std::optional<Issue> Document::issueOfMethod(const std::string& id) const {
  LoadedRules loaded = library_->load(id);
  if (loaded.rules == nullptr && !loaded.issues.empty()) return std::move(loaded.issues.front());
  if (loaded.rules == nullptr)
    return Issue{"method-unknown", {{"value", shortened(id)}, {"allowed", "-"}}, "method", {}, {}};
  const RuleSet& rules = *loaded.rules;
  const auto lacks = [&](const std::string& key) {
    return Issue{
        "method-lacks", {{"method", rules.title.text}, {"key", shortened(key)}}, "method", {}, {}};
  };
  for (const auto& [key, entry] : job_.given)
    if (rules.input(key) == nullptr) return lacks(key);
  for (const auto& [key, entry] : job_.fixed)
    if (!rules.find(key)) return lacks(key);
  for (const auto& [part, sides] : job_.asCut)
    if (std::none_of(rules.parts.begin(), rules.parts.end(),
                     [&, &id = part](const PartRule& each) { return each.id == id; }))
      return lacks(part);
  return std::nullopt;
}

std::variant<Job, Issue> Document::edited(const FieldEdits& edits) {
  Job draft = job_;
  for (const auto& [field, value] : edits) {
    const auto* text = value ? std::get_if<std::string>(&value->value) : nullptr;
    if (field == "method") {
      const std::string method = text != nullptr ? *text : std::string();
      if (auto issue = issueOfMethod(method)) return std::move(*issue);
      changeMethod(draft, method);
      restateFixed(draft, *library_->load(method).rules);
    } else if (field == "units" && text != nullptr) {
      draft = withUnits(*text);
    } else {
      setField(draft, field, value);
    }
  }
  // What is said of the sewing is of the kind that the method names.
  if (draft.sewing && draft.sewing->kind.empty() && planner_)
    draft.sewing->kind = planner_->rules()->sewing.kind;
  for (const auto& [field, value] : edits)
    if (auto issue = issueOf(field, draft)) return std::move(*issue);
  return draft;
}

std::optional<Issue> Document::preview(const FieldEdits& edits) {
  auto draft = edited(edits);
  if (auto* issue = std::get_if<Issue>(&draft)) return std::move(*issue);
  replan(std::get<Job>(draft));
  emit planChanged();
  return std::nullopt;
}

std::optional<Issue> Document::preview(const std::string& field, const FieldValue& value) {
  return preview(FieldEdits{{field, value}});
}

void Document::previewRules(const RuleSetPtr& rules) {
  Plan plan = Planner(rules, library_->catalogue()).plan(shown_).plan;
  if (!former_) former_ = std::move(plan_);
  plan_ = std::move(plan);
  emit planChanged();
}

void Document::endPreview() {
  replan(job_);
  emit planChanged();
}

std::optional<Issue> Document::keep(const std::string& field, const FieldValue& value) {
  return keep(FieldEdits{{field, value}});
}

std::optional<Issue> Document::keep(const FieldEdits& edits) {
  endSteps();
  return commit(edits, 0);
}

void Document::keepCutting(JobCutting cutting) {
  if (cutting == job_.cutting) return;
  Job draft = job_;
  draft.cutting = std::move(cutting);
  keepDraft(std::move(draft), "cutting");
}

void Document::keepSewing(const JobSewing& sewing) {
  if (job_.sewing && sewing == *job_.sewing) return;
  Job draft = job_;
  draft.sewing = sewing;
  keepDraft(std::move(draft), "sewing");
}

std::optional<Issue> Document::makeKind(const std::string& method) {
  const LoadedRules loaded = library_->load(method);
  if (loaded.rules == nullptr)
    return loaded.issues.empty() ? issueOfMethod(method) : loaded.issues.front();
  const RuleSetPtr& rules = loaded.rules;
  Job draft = job_;
  if (planner_) draft.given = leavesSaid(job_.given, *planner_->rules(), *rules);
  changeMethod(draft, method);
  draft.fixed.clear();
  draft.asCut.clear();
  draft.cutting = {};
  draft.art.clear();
  draft.sewing.reset();
  keepDraft(std::move(draft), "method");
  return std::nullopt;
}

void Document::keepArt(const std::string& piece, const std::string& panel, const PanelArt& art) {
  Job draft = job_;
  if (art == PanelArt())
    draft.art[piece].erase(panel);
  else
    draft.art[piece][panel] = art;
  if (draft.art[piece].empty()) draft.art.erase(piece);
  if (draft.art != job_.art) keepDraft(std::move(draft), "art");
}

void Document::keepDraft(Job draft, const char* field) {
  endSteps();
  takeRules(draft);
  undo_.push(new EditCommand(*this, std::move(draft), {field, 0}));
}

std::optional<Issue> Document::step(const std::string& field, const FieldValue& value) {
  return commit({{field, value}}, run_);
}

std::optional<Issue> Document::commit(const FieldEdits& edits, int run) {
  const bool isSame = std::all_of(edits.begin(), edits.end(), [&](const auto& edit) {
    return fieldValue(job_, edit.first) == edit.second;
  });
  if (isSame) {
    endPreview();
    return std::nullopt;
  }
  auto draft = edited(edits);
  if (auto* issue = std::get_if<Issue>(&draft)) return std::move(*issue);
  takeRules(std::get<Job>(draft));
  undo_.push(new EditCommand(*this, std::move(std::get<Job>(draft)), {edits.front().first, run}));
  return std::nullopt;
}

/// What was supposed in the one unit stays that figure in the other; its rule in hand is the usual
/// one.
Job Document::withUnits(const std::string& units) const {
  Job draft = job_;
  if (fieldValue(job_, "units") == FieldValue(Entry{units, {}}) || !planner_) return draft;
  const Plan plan = planner_->plan(job_).plan;
  if (!plan.parts.empty())  // a book that has sizes yet
    for (const auto& [field, value] : supposedWithTwins(plan))
      setField(draft, field, Entry{value, {}});
  setField(draft, "units", Entry{units, {}});
  draft.round.reset();
  return draft;
}

void Document::keepUnits(const std::string& units) {
  if (fieldValue(job_, "units") == FieldValue(Entry{units, {}})) return;
  keep("units", Entry{units, {}});
  emit unitsChosen(job_.units);
}

Job Document::exchange(Job job, Write write) {
  std::swap(job_, job);
  // The rules may have been read anew since this one was put away.
  if (usePlanner(job_.method)) takePresentNames(job_, *planner_->rules());
  replan(job_);
  if (write == Write::Soon) {
    isSaved_ = false;
    writing_.start();
  } else {
    writeSoon();
  }
  emit jobChanged();
  return job;
}

/// The job is kept under the method's present rules, by their present names.
void Document::takeRules(Job& job) const {
  const bool isOpen = planner_ && planner_->rules()->id == job.method;
  const RuleSetPtr rules = isOpen ? planner_->rules() : library_->load(job.method).rules;
  if (rules == nullptr) return;
  takePresentNames(job, *rules);
  job.rules = rules->version();
}

bool Document::hasOtherRules() const {
  return planner_ && !job_.rules.empty() && job_.rules != planner_->rules()->version();
}

void Document::writeSoon() {
  writing_.stop();
  isSaved_ = false;
  writer_.write(job_);
}

std::optional<Issue> Document::told(std::optional<Issue> issue) {
  writing_.stop();
  isSaved_ = !issue.has_value();
  return issue;
}

std::optional<Issue> Document::save() {
  const bool isToWrite = writing_.isActive();
  writer_.settle();
  return isToWrite || !isSaved_ ? told(writer_.writeNow(job_)) : std::nullopt;
}

std::optional<Issue> Document::saveOver() { return told(writer_.writeOver(job_)); }

}  // namespace drapery
