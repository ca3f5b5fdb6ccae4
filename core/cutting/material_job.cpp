#include "core/cutting/material_job.h"

#include <algorithm>
#include <limits>
#include <numeric>

#include "core/cutting/room_losses.h"

namespace drapery {

namespace {

template <typename Act>
void eachPinned(const PinnedSheet& sheet, Act act) {
  for (const SheetPart& part : sheet.parts)
    if (part.kind == SheetPart::Kind::Piece) act(part.piece);
}

/// Whether the sheet is of this job's material; it is then told in the job's terms and its pieces
/// are no longer to be laid.
bool takePinned(MaterialJob& job, PinnedSheet sheet) {
  const auto stock = std::find(job.stocks.begin(), job.stocks.end(), sheet.stock);
  if (stock == job.stocks.end()) return false;
  sheet.stock = static_cast<std::size_t>(stock - job.stocks.begin());
  for (SheetPart& part : sheet.parts) {
    if (part.kind != SheetPart::Kind::Piece) continue;
    const auto kind = std::find(job.kinds.begin(), job.kinds.end(), part.piece);
    part.piece = static_cast<std::size_t>(kind - job.kinds.begin());
    --job.counts[part.piece];
  }
  job.pinned.push_back(std::move(sheet));
  return true;
}

}  // namespace

double leastAreaOf(const MaterialJob& job, std::size_t kind) {
  double least = std::numeric_limits<double>::infinity();
  for (const auto& ofStock : job.sizes)
    for (const LyingSize& size : ofStock[kind])
      least = std::min(least, double(size.across) * double(size.along));
  return least;
}

bool isOneRoll(const MaterialJob& job) {
  return job.stocks.size() == 1 && job.stock(0).form == StockForm::Roll && job.stock(0).count == 1;
}

MaterialJob onStockAlone(MaterialJob job, std::size_t stock) {
  job.stocks = {job.stocks[stock]};
  job.sizes = {std::vector(job.sizes[stock])};
  job.pinned.clear();
  return job;
}

MaterialJob withoutPins(const MaterialJob& job) {
  MaterialJob all = job;
  for (const PinnedSheet& sheet : all.pinned)
    eachPinned(sheet, [&](std::size_t kind) { ++all.counts[kind]; });
  all.pinned.clear();
  return all;
}

void dropGone(Pool& pool) {
  std::size_t kept = 0;
  for (std::size_t i = 0; i < pool.counts.size(); ++i) {
    if (pool.counts[i] == 0) continue;
    pool.kinds[kept] = pool.kinds[i];
    pool.counts[kept++] = pool.counts[i];
  }
  pool.kinds.resize(kept);
  pool.counts.resize(kept);
}

Micrometres shortestFor(const MaterialJob& job, std::size_t stock,
                        const std::vector<std::size_t>& kinds) {
  Micrometres least = 0;
  for (const std::size_t kind : kinds) {
    Micrometres lowest = std::numeric_limits<Micrometres>::max();
    for (const LyingSize& size : job.sizes[stock][kind]) lowest = std::min(lowest, size.along);
    least = std::max(least, lowest);
  }
  return least;
}

Counts countsOf(const std::vector<std::size_t>& pieces, std::size_t kinds) {
  Counts counts(kinds, 0);
  for (const std::size_t kind : pieces) ++counts[kind];
  return counts;
}

std::vector<MaterialJob> materialJobs(const CutProblem& problem, CutLayout& told) {
  std::vector<MaterialJob> jobs;
  for (std::size_t s = 0; s < problem.stocks.size(); ++s) {
    const auto same = std::find_if(jobs.begin(), jobs.end(), [&](const MaterialJob& job) {
      return job.stock(0).material == problem.stocks[s].material;
    });
    if (same != jobs.end())
      same->stocks.push_back(s);
    else
      jobs.push_back({&problem, {s}, {}, {}, {}, {}, std::make_shared<StockRoomLosses>()});
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
    if (!fits[p] && problem.pieces[p].count > 0)
      told.unplaced.push_back({p, problem.pieces[p].count});
  for (PinnedSheet& sheet : pinnedSheets(problem, told.untaken))
    for (MaterialJob& job : jobs)
      if (takePinned(job, sheet)) break;
  return jobs;
}

Pool poolOf(std::vector<std::size_t> pieces) {
  std::sort(pieces.begin(), pieces.end());
  Pool pool;
  for (const std::size_t kind : pieces) {
    if (pool.kinds.empty() || pool.kinds.back() != kind) {
      pool.kinds.push_back(kind);
      pool.counts.push_back(0);
    }
    ++pool.counts.back();
  }
  return pool;
}

std::vector<std::size_t> piecesOf(const Pool& pool) {
  std::vector<std::size_t> pieces;
  for (std::size_t i = 0; i < pool.kinds.size(); ++i)
    pieces.insert(pieces.end(), static_cast<std::size_t>(pool.counts[i]), pool.kinds[i]);
  return pieces;
}

std::vector<std::size_t> piecesOf(const Counts& wanted) {
  std::vector<std::size_t> kinds(wanted.size());
  std::iota(kinds.begin(), kinds.end(), std::size_t{0});
  return piecesOf(Pool{std::move(kinds), wanted});
}

MaterialJob onlyWanted(const MaterialJob& job, const Counts& wanted,
                       std::vector<std::size_t>& kinds) {
  MaterialJob left{job.problem, job.stocks, {}, {}, {}, {}, job.roomLosses};
  left.sizes.resize(job.sizes.size());
  kinds.clear();
  for (std::size_t kind = 0; kind < wanted.size(); ++kind) {
    if (wanted[kind] <= 0) continue;
    kinds.push_back(kind);
    left.kinds.push_back(job.kinds[kind]);
    left.counts.push_back(wanted[kind]);
    for (std::size_t s = 0; s < job.sizes.size(); ++s) left.sizes[s].push_back(job.sizes[s][kind]);
  }
  return left;
}

}  // namespace drapery
