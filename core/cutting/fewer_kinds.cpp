#include "core/cutting/fewer_kinds.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <numeric>

#include "core/cutting/bin.h"
#include "core/cutting/count_index.h"
#include "core/cutting/exact_cheaper.h"

namespace drapery {

namespace {

constexpr double kSame = 1e-9;
constexpr std::array kSteps{2e6, 2e7, 2e8, 2e9};  // pairs to be joined: moments to some seconds
constexpr int kMostPieces = 40;
constexpr double kMostLost = 0.06;  // of the area: of more nothing is learnt

double areaOf(const std::vector<CutPiece>& pieces) {
  double area = 0.0;
  for (const CutPiece& piece : pieces)
    area += piece.count * double(piece.width) * double(piece.height);
  return area;
}

double pairsOf(const std::vector<CutPiece>& pieces) {
  Counts counts;
  for (const CutPiece& piece : pieces) counts.push_back(piece.count);
  return CountIndex::pairsOf(counts);
}

CutPiece smallestOf(const CutPiece& a, const CutPiece& b) {
  CutPiece both = a;
  both.width = std::min(a.width, b.width);
  both.height = std::min(a.height, b.height);
  both.count += b.count;
  return both;
}

/// The two of which least is lost for how many fewer pairs there are then; false where no two can
/// be taken as one.
bool joinTwo(std::vector<CutPiece>& pieces) {
  double least = std::numeric_limits<double>::infinity();
  std::size_t low = 0, high = 0;
  for (std::size_t b = 0; b < pieces.size(); ++b)
    for (std::size_t a = 0; a < b; ++a) {
      if (pieces[a].grain != pieces[b].grain) continue;
      const CutPiece both = smallestOf(pieces[a], pieces[b]);
      const double lost = areaOf({pieces[a], pieces[b]}) - areaOf({both});
      const double fewer = std::log(pairsOf({pieces[a], pieces[b]}) / pairsOf({both}));
      if (lost / fewer >= least) continue;
      least = lost / fewer;
      low = a;
      high = b;
    }
  if (high == 0) return false;
  pieces[low] = smallestOf(pieces[low], pieces[high]);
  pieces.erase(pieces.begin() + static_cast<std::ptrdiff_t>(high));
  return true;
}

std::size_t kindsOf(const MaterialJob& job) {
  return job.counts.size() -
         static_cast<std::size_t>(std::count(job.counts.begin(), job.counts.end(), 0));
}

/// Whether it says anything more.
bool saysMore(const MaterialJob& job, const CutProblem& fewer, double most) {
  return pairsOf(fewer.pieces) <= most && fewer.pieces.size() < kindsOf(job) &&
         areaOf(fewer.pieces) >= (1 - kMostLost) * areaOf(job, job.counts);
}

}  // namespace

CutProblem withFewerKinds(const MaterialJob& job, double most) {
  CutProblem fewer;
  for (std::size_t s = 0; s < job.stocks.size(); ++s) fewer.stocks.push_back(job.stock(s));
  for (std::size_t kind = 0; kind < job.kinds.size(); ++kind) {
    if (job.counts[kind] == 0) continue;
    fewer.pieces.push_back(job.kind(kind));
    fewer.pieces.back().count = job.counts[kind];
  }
  while (pairsOf(fewer.pieces) > most && joinTwo(fewer.pieces)) {
  }
  return fewer;
}

bool canTryFewerKinds(const MaterialJob& job) {
  return job.pinned.empty() &&
         std::accumulate(job.counts.begin(), job.counts.end(), 0) <= kMostPieces &&
         std::any_of(kSteps.begin(), kSteps.end(),
                     [&](double most) { return saysMore(job, withFewerKinds(job, most), most); });
}

double boundOfFewerKinds(const MaterialJob& job, std::uint64_t& work, double least,
                         const std::function<double()>& known,
                         const std::function<bool()>& isEnough) {
  std::size_t tried = 0;
  for (const double most : kSteps) {
    if (least >= known() - kSame || isEnough()) break;
    const CutProblem fewer = withFewerKinds(job, most);
    if (fewer.pieces.size() == tried || !saysMore(job, fewer, most)) continue;
    tried = fewer.pieces.size();
    CutLayout told;
    const std::vector<MaterialJob> jobs = materialJobs(fewer, told);
    if (jobs.size() != 1) break;
    const ExactCheaper found = exactCheaper(jobs.front(), work, least, known, isEnough);
    least = std::max(least, found.bound);
    if (!found.isAll) break;
  }
  return least;
}

}  // namespace drapery
