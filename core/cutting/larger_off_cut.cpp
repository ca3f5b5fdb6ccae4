#include "core/cutting/larger_off_cut.h"

#include <algorithm>
#include <cmath>

#include "core/cutting/edge_cuts.h"
#include "core/cutting/exact_lay_out.h"
#include "core/cutting/one_rest.h"

namespace drapery {

namespace {

CutProblem withOneMore(const MaterialJob& job) {
  CutProblem problem = *job.problem;
  CutPiece& more = problem.pieces.emplace_back();
  more.material = job.stock(0).material;
  more.grain = PieceGrain::Free;
  return problem;
}

MaterialJob withOneMore(const MaterialJob& job, const CutProblem& problem) {
  MaterialJob more = job;
  more.problem = &problem;
  more.kinds.push_back(problem.pieces.size() - 1);
  more.counts.push_back(0);
  for (auto& ofStock : more.sizes) ofStock.emplace_back();
  return more;
}

}  // namespace

LargerOffCut::LargerOffCut(const MaterialJob& job, std::mt19937_64& random,
                           std::function<bool()> isEnough)
    : problem_(withOneMore(job)),
      job_(withOneMore(job, problem_)),
      random_(random),
      isEnough_(std::move(isEnough)),
      offCut_(job.kinds.size()),
      filler_(job_, random, isEnough_),
      search_(job_, random, isEnough_, false) {
  job_.roomLosses.reset();  // those know nothing of one piece more
}

void LargerOffCut::begin(const std::vector<Bin>& bins) {
  const auto isSheet = [this](const Bin& bin) {
    return job_.stock(bin.stock).form == StockForm::Sheet;
  };
  sheets_ = bins;
  const auto other = std::stable_partition(sheets_.begin(), sheets_.end(), isSheet);
  others_.assign(other, sheets_.end());
  sheets_.erase(other, sheets_.end());
  restart(std::move(sheets_));
}

void LargerOffCut::restart(std::vector<Bin> sheets) {
  sheets_ = std::move(sheets);
  area_ = 0.0;
  for (const Bin& bin : sheets_)
    if (!bin.pinned) area_ = std::max(area_, oneRest(bin.parts, job_.stock(bin.stock).kerf));
  leaveOne(true);
}

std::vector<Bin> LargerOffCut::bins() const {
  std::vector<Bin> all = sheets_;
  all.insert(all.end(), others_.begin(), others_.end());
  return all;
}

/// As much as what lies on a sheet leaves, laid as well as can be: what leaves no more is no
/// better, and many sheets that are alike stay so.
double LargerOffCut::leftOf(const Bin& bin) const {
  const double left = oneRest(bin.parts, job_.stock(bin.stock).kerf);
  const auto laid = withLargestOffCut(job_, bin.stock, heldIn(job_, bin), left, isEnough_);
  return laid ? largestLeft(problem_, {{*laid}, {}, {}, {}}) : left;
}

/// That with most room.
void LargerOffCut::leaveOne(bool isNew) {
  std::vector<Bin> bins = sheets_;
  const auto out = std::max_element(bins.begin(), bins.end(), [this](const Bin& a, const Bin& b) {
    const auto room = [this](const Bin& bin) {
      return bin.pinned ? 0.0 : roomOf(job_.stock(bin.stock)) - bin.area;
    };
    return room(a) < room(b);
  });
  tried_ = inVain_ = 0;
  if (out == bins.end() || out->pinned) return search_.beginWith({}, {});
  if (isNew) area_ = std::max(area_, leftOf(*out));
  last_ = out->stock;
  const std::vector<std::size_t> loose = out->holds;
  bins.erase(out);
  search_.beginWith(bins, loose);
  leastLoose_ = roomOf(job_.stock(last_));
}

bool LargerOffCut::step() {
  constexpr std::size_t kOften = 2'000, kInVain = 10'000;  // tries
  if (search_.loose().empty()) return false;
  if (tried_ > 0 && search_.step()) {  // even without that one
    restart(search_.bins());
    return true;
  }
  const double loose = search_.looseArea();
  const bool isLess = loose < leastLoose_;
  leastLoose_ = std::min(loose, leastLoose_);
  const bool isLarger = (isLess || tried_ % kOften == 0) && layLast();
  ++tried_;
  inVain_ = isLess || isLarger ? 0 : inVain_ + 1;
  if (inVain_ > kInVain) leaveOne(false);
  return isLarger;
}

/// What is loose on the one, with as much left as some tries find; true where that is more than
/// ever.
bool LargerOffCut::layLast() {
  constexpr int kShapes = 6;
  constexpr double kFirst = 0.5, kLeast = 0.02;  // of what might be left beyond that
  const double most = roomOf(job_.stock(last_)) - search_.looseArea();
  bool isLarger = false;
  for (double reach = kFirst; reach > kLeast && most > area_;) {
    bool isLaid = false;
    for (int i = 0; i < kShapes && !isLaid; ++i) {
      if (isEnough_()) return isLarger;
      isLaid = layBeside(area_ + reach * (most - area_));
    }
    isLarger = isLarger || isLaid;
    if (!isLaid) reach /= 2;
  }
  return isLarger;
}

/// A rectangle of such an area: as wide or as long as the sheet, or as chance has it. False where
/// it is larger than that.
bool LargerOffCut::shape(double area) {
  constexpr double kWide = 1.0 / 3, kLong = 2.0 / 3;
  const CutStock& stock = job_.stock(last_);
  const UsableSize usable = usableOf(stock);
  const auto widest = double(usable.across - stock.kerf);
  const double narrowest = area / double(usable.along - stock.kerf);
  if (narrowest > widest) return false;
  const double chance = part();
  const double across = chance < kWide   ? widest
                        : chance < kLong ? narrowest
                                         : narrowest * std::pow(widest / narrowest, part());
  CutPiece& piece = problem_.pieces.back();
  piece.width = std::max<Micrometres>(1, static_cast<Micrometres>(across));
  piece.height = static_cast<Micrometres>(std::ceil(area / double(piece.width)));
  const LyingSize way{piece.width + stock.kerf, piece.height + stock.kerf, false};
  if (way.across > usable.across || way.along > usable.along) return false;
  job_.sizes[last_].back() = {way};
  return true;
}

bool LargerOffCut::layBeside(double area) {
  constexpr int kFills = 100, kAgain = 600;
  if (!shape(area)) return false;
  std::vector<std::size_t> pieces = search_.loose();
  pieces.push_back(offCut_);
  Pool pool = poolOf(std::move(pieces));
  Bin bin = emptyBin(job_, last_);
  filler_.begin(last_, pool.kinds, areasOf(job_, pool.kinds));
  auto [filling, got] = filler_.best(bin.parts[0], kFills, pool.counts);
  if (got <= 0) return false;
  if (!piecesOf(pool).empty()) filler_.better(filling, kAgain, pool.counts);
  if (!piecesOf(pool).empty()) return false;
  for (SheetPart& each : filling.parts)
    if (each.kind == SheetPart::Kind::Piece && each.piece == offCut_)
      each.kind = SheetPart::Kind::Free;
  pushTogether(filling.parts, job_.stock(last_).kerf);
  area_ = oneRest(filling.parts, job_.stock(last_).kerf);
  takeFilling(job_, bin, filling, 0);
  sheets_ = search_.bins();
  sheets_.push_back(std::move(bin));
  return true;
}

}  // namespace drapery
