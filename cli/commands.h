// The commands of drapery-cli. Each returns the exit code: 0 done, 1 done with a stop finding,
// 2 refused.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

#include "core/quantity/units.h"

namespace drapery::cli {

enum class PlanFormat { Json, Text, Csv };

inline constexpr int kDone = 0;
inline constexpr int kDoneWithStop = 1;
inline constexpr int kRefused = 2;

int planCommand(const std::string& path, PlanFormat format, std::optional<Units> units);
/// The plan's pieces and the stock as a problem for `cut`, as JSON.
int planToCutCommand(const std::string& path, const std::string& stock);

/// The job by every method, side by side, as JSON or text.
int compareCommand(const std::string& path, PlanFormat format);

struct SolveRequest {
  std::string job;
  std::vector<std::string> change;  // "setback"
  std::vector<std::string> soThat;  // "board_width=140", one to each
};
/// The job run backwards, as JSON.
int solveCommand(const SolveRequest& request);

struct CutRequest {
  std::string problem;
  double seconds = 5.0;
  std::optional<std::uint64_t> steps;  // in place of the clock
  std::uint64_t seed = 1;
  PlanFormat format = PlanFormat::Json;  // or Text
  std::optional<Units> units;            // of the text
};
/// Pieces laid out on stock: kDoneWithStop where one lies nowhere.
int cutCommand(const CutRequest& request);

struct BatchRequest {
  std::string folder;
  PlanFormat format = PlanFormat::Json;  // or Csv
  std::optional<Units> units;
  unsigned threads = 0;  // 0: one for each core
};
/// Every job in the folder, in the order of their names: one line of JSON each, or one table.
/// Progress and mistakes on standard error; a job that is refused does not keep the others back.
int batchCommand(BatchRequest request);

struct SewRequest {
  std::string job;
  PlanFormat format = PlanFormat::Json;  // or Text
  std::optional<Units> units;
  std::string pattern;               // a file that stands for the job's pattern; may be empty
  std::optional<std::string> tried;  // a learner's steps, to be judged
};
/// How a job is sewn: kDoneWithStop where a finding stops it, or a learner's steps have a slip.
int sewCommand(const SewRequest& request);
int patternsCommand();
/// Lays a pattern on a small, a middling and a large book.
int checkPatternCommand(const std::string& path);

int methodsCommand();
/// All methods in full, as Markdown on standard output.
int referenceCommand();
/// A house's own rule file, begun as a copy of the method.
int copyMethodCommand(const std::string& id);
struct CheckRequest {
  std::string file;
  std::string cases;      // worked examples to try; may be empty
  bool explains = false;  // shows the source line of each mistake
};
int checkMethodCommand(const CheckRequest& request);

struct ExportRequest {
  std::string job;
  std::string what;
  std::string as;  // empty with "all": every format
  std::string output;
  std::string stock = {};              // of what is cut; empty: the binder's own
  std::string paper = {};              // of templates: "A4"; empty: by the book's units
  std::string printer = {};            // whose error is put right; empty: none
  std::vector<std::string> only = {};  // templates, by id; empty: all
  bool replaces = false;               // what is there already
};
/// By the helper program drapery-export, which stands beside this one.
int exportCommand(const ExportRequest& request);

}  // namespace drapery::cli
