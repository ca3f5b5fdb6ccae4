// The commands of drapery-cli. Each returns the exit code: 0 done, 1 done with a stop finding,
// 2 refused.
#pragma once

#include <optional>
#include <string>

#include "core/quantity/units.h"

namespace drapery::cli {

enum class PlanFormat { Json, Text };

inline constexpr int kDone = 0;
inline constexpr int kDoneWithStop = 1;
inline constexpr int kRefused = 2;

int planCommand(const std::string& path, PlanFormat format, std::optional<Units> units);
int methodsCommand();
int checkMethodCommand(const std::string& path);

struct ExportRequest {
  std::string job;
  std::string what;
  std::string as;
  std::string output;
};
/// `self`: argv[0]'s real path, beside which the helper program drapery-export stands.
int exportCommand(const ExportRequest& request);

}  // namespace drapery::cli
