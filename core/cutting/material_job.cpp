#include "core/cutting/material_job.h"

#include <algorithm>

namespace drapery {

std::vector<MaterialJob> materialJobs(const CutProblem& problem, std::vector<Unplaced>& unplaced) {
  std::vector<MaterialJob> jobs;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const auto same = std::find_if(jobs.begin(), jobs.end(), [&](const MaterialJob& job) {
      return job.stock(0).material == problem.stocks[s].material;
    });
    if (same != jobs.end())
      same->stocks.push_back(s);
    else
      jobs.push_back({&problem, {s}, {}, {}, {}});
  }
  std::vector<bool> fits(problem.pieces.size(), false);
  for (MaterialJob& job : jobs) {
    job.sizes.resize(job.stocks.size());
    for (std::size_t p = 0; p < problem.pieces.size(); ++p) {
      if (problem.pieces[p].count <= 0) continue;
      std::vector<std::vector<LyingSize>> ways;
      for (std::size_t s = 0; s < job.stocks.size(); ++s)
        ways.push_back(job.stock(s).count == 0 ? std::vector<LyingSize>()
                                               : lyingSizes(job.stock(s), problem.pieces[p]));
      if (std::all_of(ways.begin(), ways.end(), [](const auto& way) { return way.empty(); }))
        continue;
      fits[p] = true;
      job.kinds.push_back(p);
      job.counts.push_back(problem.pieces[p].count);
      for (std::size_t s = 0; s < job.stocks.size(); ++s)
        job.sizes[s].push_back(std::move(ways[s]));
    }
  }
  for (std::size_t p = 0; p < problem.pieces.size(); ++p)
    if (!fits[p] && problem.pieces[p].count > 0) unplaced.push_back({p, problem.pieces[p].count});
  return jobs;
}

}  // namespace drapery
