// Any bytes are a sequence of what can happen to an open book: edits, steps, undo, another method,
// a change by another program, saving. The plan always follows from the job, what was saved is in
// the file and can be opened, and nobody else's text is written over unasked.
#include <unistd.h>

#include <QCoreApplication>
#include <array>
#include <cstdint>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <string>

#include "app/document/document.h"
#include "store/job_file.h"
#include "store/open_job.h"
#include "words/issue_words.h"

namespace {

using namespace drapery;
namespace fs = std::filesystem;

constexpr std::array kFields{"given/text_height",
                             "given/text_width",
                             "given/text_thickness",
                             "given/spine_shape",
                             "given/board_thickness",
                             "allowances/margin",
                             "allowances/setback",
                             "allowances/joint_gap",
                             "allowances/square_head",
                             "allowances/nonsense",
                             "title",
                             "round",
                             "units",
                             "allowances/stiffener_school",
                             "fixed/board_width",
                             "fixed/joint_gap",
                             "fixed/nonsense",
                             "as_cut/board/height",
                             "copies"};
constexpr std::array kValues{"210 mm", "8 1/4 in", "25",    "2.4", "backed", "",   "0.5 mm",
                             "in",     "flush",    "99999", "1/3", "-4",     "mm", "none"};
constexpr std::array kMethods{"case-sunk-joint", "case-fixed-gap", "case-strip-set",
                              "case-board-gap",  "case-card",      "nobodys"};

void check(bool holds, int line = __builtin_LINE()) {
  if (holds) return;
  std::fprintf(stderr, "fuzz_edits.cpp:%d does not hold\n", line);
  std::abort();
}

std::string read(const std::string& path) {
  std::ifstream in(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(in), std::istreambuf_iterator<char>()};
}
void write(const std::string& path, const std::string& text) {
  std::ofstream(path, std::ios::binary) << text;
}

Job begun(const char* method) {
  Job job;
  job.id = "fuzz";
  job.method = method;
  job.given = {{"text_height", {210.0, {}}}, {"text_width", {144.0, {}}}};
  job.otherAllowances["case-fixed-gap"] = {{"joint_gap", {77.0, {}}}, {"margin", {15.0, {}}}};
  return job;
}

/// Each run writes a few files: TMPDIR may name a place in memory.
const std::string& folder() {
  static const std::string kFolder = [] {
    std::string path = (fs::temp_directory_path() / "drapery-fuzz-XXXXXX").string();
    check(::mkdtemp(path.data()) != nullptr);
    static std::string toRemove;
    toRemove = path;
    std::atexit([] { fs::remove_all(toRemove); });
    return path;
  }();
  return kFolder;
}

class Bytes {
 public:
  Bytes(const std::uint8_t* data, std::size_t size) : data_(data), left_(size) {}
  [[nodiscard]] bool empty() const { return left_ == 0; }
  std::uint8_t next() {
    if (left_ == 0) return 0;
    --left_;
    return *data_++;
  }
  template <class Array>
  auto among(const Array& all) {
    return all[next() % all.size()];
  }

 private:
  const std::uint8_t* data_;
  std::size_t left_;
};

class Bench {
 public:
  Bench(Bytes& bytes, const std::shared_ptr<const RuleLibrary>& library)
      : bytes_(bytes),
        library_(library),
        jobs_(makeJsonJobs(folder())),
        document_(library, *jobs_, Units::Millimetres) {}

  void run() {
    constexpr int kMost = 60, kEach = 7;
    for (int i = 0; i < kMost && !bytes_.empty(); ++i) {
      happen();
      if (i % kEach == 0) checkPlan();
      checkForeign();
    }
    settle();
    const std::string job = writeJob(document_.job());
    const int edits = document_.undoStack()->index();
    document_.undoStack()->setIndex(0);
    document_.undoStack()->setIndex(edits);
    check(writeJob(document_.job()) == job);
    settle();
    checkForeign();
  }

 private:
  void happen() {
    switch (bytes_.next() % 14) {
      case 0:
      case 1:
        document_.keep(bytes_.among(kFields), value());
        break;
      case 2:
        document_.step(bytes_.among(kFields), value());
        break;
      case 3:
        document_.endSteps();
        break;
      case 4:
        document_.undoStack()->undo();
        break;
      case 5:
        document_.undoStack()->redo();
        break;
      case 6:
        document_.keep("method", Entry{std::string(bytes_.among(kMethods)), {}});
        break;
      case 7:
        document_.keepUnits(bytes_.next() % 2 == 0 ? "mm" : "in");
        break;
      case 8:
        foreignChange();
        break;
      case 9:
        save();
        break;
      case 10:
        if (!document_.saveOver()) {
          foreign_.clear();
          check(read(path()) == writeJob(document_.job()));
        }
        break;
      case 11:
        openOther();
        break;
      case 12:
        document_.preview(bytes_.among(kFields), value());
        break;
      default:
        QCoreApplication::processEvents();
        break;
    }
  }

  FieldValue value() {
    const std::uint8_t which = bytes_.next();
    if (which == 255) return std::nullopt;
    return Entry{std::string(kValues[which % kValues.size()]), {}};
  }

  [[nodiscard]] std::string path() const { return document_.path().toStdString(); }

  void settle() {
    document_.save();
    QCoreApplication::processEvents();
  }

  void save() {
    if (document_.save()) return;
    check(document_.isSaved());
    if (!fs::exists(path())) return;  // a new book of which nothing was kept
    if (!foreign_.empty()) return;
    const std::string text = read(path());
    const JobDocument saved = readJob(text, path());  // an unedited one keeps its blanks
    check(saved.job && writeJob(*saved.job) == writeJob(document_.job()));
    OpenedJob again = openJob(text, path(), *library_);
    std::erase_if(again.issues, [](const Issue& issue) { return issue.id == "given-missing"; });
    for (const Issue& issue : again.issues)
      std::fprintf(stderr, "%s\n", placedWords(issue, {}).c_str());
    check(again.issues.empty());
  }

  /// Somebody else's text stays until the binder says otherwise.
  void checkForeign() const {
    if (!foreign_.empty()) check(read(foreignPath_) == foreign_);
  }

  void foreignChange() {
    settle();
    if (!fs::exists(path())) return;
    foreignPath_ = path();
    Job theirs = begun("case-card");
    theirs.title = "theirs, " + std::to_string(++changes_);  // never what was read before
    foreign_ = bytes_.next() % 2 == 0 ? writeJob(theirs) + "\n" : "{ " + theirs.title;
    write(foreignPath_, foreign_);
  }

  void openOther() {
    const std::string other = folder() + "/job" + std::to_string(bytes_.next() % 3) + ".json";
    settle();
    const std::string before = writeJob(document_.job());
    const bool isForeign = !foreign_.empty() && other == foreignPath_;
    const Issues issues = document_.open(QString::fromStdString(other));
    if (!issues.empty()) {
      check(writeJob(document_.job()) == before);
    } else if (isForeign) {
      foreign_.clear();  // it is the book now
    }
  }

  void checkPlan() {
    document_.endPreview();
    const LoadedRules loaded = library_->load(document_.job().method);
    check(loaded.rules != nullptr);
    const Plan plan = Planner(loaded.rules, library_->catalogue()).plan(document_.job()).plan;
    const auto& now = document_.plan();
    check(now.values.size() == plan.values.size());
    for (std::size_t i = 0; i < plan.values.size(); ++i)
      check(plan.values[i] == now.values[i] ||
            (plan.values[i] != plan.values[i] && now.values[i] != now.values[i]));
    check(now.parts.size() == plan.parts.size() && now.findings.size() == plan.findings.size());
  }

  Bytes& bytes_;
  std::shared_ptr<const RuleLibrary> library_;
  std::unique_ptr<JobRepository> jobs_;
  Document document_;
  std::string foreign_, foreignPath_;
  int changes_ = 0;
};

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  static int count = 1;
  static char name[] = "fuzz_edits";
  static char* arguments[] = {name, nullptr};
  static const QCoreApplication kApplication(count, arguments);
  static const auto kLibrary = std::make_shared<const RuleLibrary>();
  for (const auto& entry : fs::directory_iterator(folder())) fs::remove_all(entry.path());
  write(folder() + "/job0.json", writeJob(begun("case-sunk-joint")));
  write(folder() + "/job1.json", writeJob(begun("case-fixed-gap")));
  write(folder() + "/job2.json", "{ \"schema\": 3");
  Bytes bytes(data, size);
  Bench(bytes, kLibrary).run();
  return 0;
}
