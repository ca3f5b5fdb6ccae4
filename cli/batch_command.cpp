#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <condition_variable>
#include <csignal>
#include <cstdio>
#include <filesystem>
#include <mutex>
#include <thread>
#include <vector>

#include "cli/commands.h"
#include "cli/console.h"
#include "core/file/read_file.h"
#include "store/folders.h"
#include "store/json_node.h"
#include "store/open_job.h"
#include "store/plan_json.h"
#include "words/issue_words.h"
#include "words/plan_csv.h"
#include "words/shown_text.h"

namespace drapery::cli {

namespace {

namespace fs = std::filesystem;

struct Result {
  std::string out, err;
  int code = kDone;
  bool isDone = false;
};

constexpr int kSignalled = 128;  // the exit code of a program that a signal ended, less its number
volatile std::sig_atomic_t signalled = 0;
volatile std::sig_atomic_t signals = 0;

/// A signal ends the batch in good order (some senders send it twice), a third one at once: nobody
/// may be reading the output.
void onSignal(int signal) {
  constexpr int kPatience = 2;
  signalled = signal;
  signals = signals + 1;
  if (signals > kPatience) ::_exit(kSignalled + signal);
}

void stopOnSignals() {
  struct sigaction action {};
  action.sa_handler = onSignal;
  action.sa_flags = SA_RESTART;
  ::sigaction(SIGINT, &action, nullptr);
  ::sigaction(SIGTERM, &action, nullptr);
}

/// How many finished plans may wait for an earlier one: they are kept in memory.
constexpr std::size_t kAhead = 256;
constexpr std::size_t kSteps = 10;  // of the progress that is told to a file

class Batch {
 public:
  Batch(std::vector<fs::path> jobs, const BatchRequest& request)
      : jobs_(std::move(jobs)), request_(request), results_(jobs_.size()) {}

  int run() {
    tell(library_.leftOut());
    tell(library_.catalogue()->leftOut());
    stopOnSignals();
    std::vector<std::thread> workers;
    for (unsigned i = 0; i < request_.threads; ++i) workers.emplace_back([this] { work(); });
    const int code = tellInOrder();
    for (std::thread& worker : workers) worker.join();
    return code;
  }

 private:
  void work() {
    for (std::size_t i = next_++; i < jobs_.size(); i = next_++) {
      {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [&] { return i < told_ + kAhead; });
      }
      Result result = plan(jobs_[i]);
      const std::lock_guard lock(mutex_);
      results_[i] = std::move(result);
      results_[i].isDone = true;
      changed_.notify_all();
    }
  }

  Result plan(const fs::path& path) const {
    Result result;
    const auto text = readWhole(path.string(), kLargestJsonFile);
    if (const auto* issue = std::get_if<Issue>(&text)) return refused({*issue}, {});
    OpenedJob opened = openJob(std::get<std::string>(text), path.string(), library_);
    const Job* job = opened.document.job ? &*opened.document.job : nullptr;
    Notation notation;
    notation.units = request_.units.value_or(job != nullptr ? job->units : Units::Millimetres);
    if (!opened.issues.empty()) return refused(opened.issues, notation);
    opened.plan.units = notation.units;
    if (opened.plan.has(Severity::Stop)) result.code = kDoneWithStop;
    const std::string name = shownBytes(path.filename().string());
    if (request_.format == PlanFormat::Csv) {
      result.out = partsCsv(*job, opened.plan);
    } else {
      const Planner::Detail detail = opened.planner->detail(*job, opened.plan);
      result.out = writePlanLine(name, *job, opened.plan, detail);
      if (showsOutput_) result.out = shownJson(result.out);
    }
    return result;
  }

  static Result refused(const Issues& issues, const Notation& notation) {
    Result result;
    result.code = kRefused;
    for (const Issue& issue : issues) result.err += placedWords(issue, notation) + "\n";
    return result;
  }

  int tellInOrder() {
    int code = kDone;
    if (request_.format == PlanFormat::Csv) write(partsCsvHeader());
    for (std::size_t i = 0; i < jobs_.size(); ++i) {
      Result result;
      {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [&] { return results_[i].isDone; });
        result = std::move(results_[i]);
        told_ = i + 1;
        changed_.notify_all();
      }
      if (signalled != 0) return stopped(i);
      write(result.out);
      if (!result.err.empty()) {
        if (isTerminal_) std::fputs("\r\033[K", stderr);
        std::fputs(result.err.c_str(), stderr);
      }
      code = std::max(code, result.code);
      tellProgress(i + 1);
    }
    if (std::fflush(stdout) != 0) isBroken_ = true;
    if (isBroken_) complain("standard output cannot be written");
    return isBroken_ ? kRefused : code;
  }

  /// Ends at a whole line; what is under way is given up.
  int stopped(std::size_t done) {
    {
      const std::lock_guard lock(mutex_);
      next_ = jobs_.size();
      told_ = jobs_.size();
      changed_.notify_all();
    }
    std::fflush(stdout);
    complain(std::to_string(done) + " of " + std::to_string(jobs_.size()) + ", then stopped");
    return kSignalled + signalled;
  }

  void write(const std::string& text) {
    if (std::fwrite(text.data(), 1, text.size(), stdout) != text.size()) isBroken_ = true;
  }

  /// On a terminal the line is drawn over; a file gets a line for each tenth.
  void tellProgress(std::size_t done) const {
    const std::size_t all = jobs_.size();
    const bool isStep = done == all || (done * kSteps) / all != ((done - 1) * kSteps) / all;
    if (isTerminal_ && (isStep || done % 16 == 0))
      std::fprintf(stderr, "\r%zu of %zu%s", done, all, done == all ? "\n" : "");
    else if (!isTerminal_ && isStep)
      std::fprintf(stderr, "%zu of %zu\n", done, all);
  }

  const RuleLibrary library_{houseMethodsFolder(), makeCatalogue(houseMaterialsFolder())};
  std::vector<fs::path> jobs_;
  BatchRequest request_;
  std::atomic<std::size_t> next_ = 0;
  std::mutex mutex_;
  std::condition_variable changed_;
  std::vector<Result> results_;  // behind the mutex, as is told_
  std::size_t told_ = 0;
  bool isTerminal_ = ::isatty(STDERR_FILENO) == 1;
  bool showsOutput_ = ::isatty(STDOUT_FILENO) == 1;
  bool isBroken_ = false;
};

}  // namespace

int batchCommand(BatchRequest request) {
  std::vector<fs::path> jobs;
  std::error_code error;
  for (fs::directory_iterator at(request.folder, error), end; !error && at != end;
       at.increment(error))
    if (at->path().extension() == ".json") jobs.push_back(at->path());
  if (error) {
    return complain(request.folder + ": the folder cannot be read: " + error.message());
  }
  if (jobs.empty()) {
    return complain(request.folder + ": no job in it; a job's name ends in .json");
  }
  std::sort(jobs.begin(), jobs.end());
  if (request.threads == 0) request.threads = std::max(1U, std::thread::hardware_concurrency());
  return Batch(std::move(jobs), request).run();
}

}  // namespace drapery::cli
