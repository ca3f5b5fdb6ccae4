#include "core/plan/job_files.h"

namespace drapery {

void tellFilesFrom(Job& job, const std::filesystem::path& before,
                   const std::filesystem::path& now) {
  if (before.lexically_normal() == now.lexically_normal()) return;
  const auto tell = [&](std::string& file) {
    if (file.empty() || std::filesystem::path(file).is_absolute()) return;
    file = (before / file).lexically_normal().lexically_relative(now.lexically_normal()).string();
  };
  for (std::string& book : job.cutting.with) tell(book);
  for (auto& [artwork, panels] : job.art)
    for (auto& [panel, art] : panels) tell(art.picture);
}

}  // namespace drapery
