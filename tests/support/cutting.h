// Problems to cut, one piece at a time or any at all.
#pragma once

#include <rapidcheck.h>

#include <string>
#include <vector>

#include "core/cutting/lay_out.h"
#include "core/cutting/material_job.h"
#include "core/cutting/slab.h"

namespace drapery::test {

inline constexpr Micrometres kMm = 1000;

inline CutStock sheetOf(Micrometres across, Micrometres along) {
  CutStock stock;
  stock.id = "sheet";
  stock.material = "board";
  stock.across = across * kMm;
  stock.along = along * kMm;
  stock.cost = 1;
  return stock;
}

/// A roll a metre wide, and so many off-cuts that cost a tenth of it for their room.
inline CutProblem rollAndOffCuts(int offCuts) {
  CutProblem problem;
  problem.stocks = {sheetOf(1000, 90'000), sheetOf(300, 400)};
  problem.stocks[0].id = "roll";
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  problem.stocks[1].id = "off-cut";
  problem.stocks[1].count = offCuts;
  problem.stocks[1].cost = 0.012;
  return problem;
}

/// Of the first material.
inline MaterialJob jobOf(const CutProblem& problem) {
  CutLayout told;
  return materialJobs(problem, told).front();
}

inline CutPiece pieceOf(const std::string& id, Micrometres width, Micrometres height, int count,
                        PieceGrain grain = PieceGrain::Height) {
  return {id, "board", width * kMm, height * kMm, count, grain, 0.0};
}

inline CutLayout laidOut(const CutProblem& problem, std::uint64_t steps = 200,
                         std::uint64_t seed = 1) {
  LayOutLimits limits;
  limits.steps = steps;
  limits.seed = seed;
  return layOut(problem, limits);
}

/// A half-bound book's spine, and the square of which two corners come, mm.
struct HalfBound {
  double across = 0, along = 0, corner = 0;
};
/// Their cloth, from a roll: spines, and two squares each.
inline CutProblem halfBoundOnARoll(const std::vector<HalfBound>& books) {
  CutProblem problem;
  problem.stocks = {sheetOf(984, 40'000)};
  problem.stocks[0].form = StockForm::Roll;
  problem.stocks[0].count = 1;
  const auto um = [](double mm) { return static_cast<Micrometres>(mm * kMm); };
  for (const HalfBound& book : books) {
    CutPiece spine = pieceOf("spine", 1, 1, 1), square = pieceOf("corner", 1, 1, 2);
    spine.width = um(book.across);
    spine.height = um(book.along);
    square.width = square.height = um(book.corner);
    problem.pieces.push_back(spine);
    problem.pieces.push_back(square);
  }
  return problem;
}

/// Each piece across the job's first stock, a roll, by itself.
inline std::vector<Slab> eachAlone(const MaterialJob& job) {
  std::vector<Slab> slabs;
  for (const std::size_t kind : piecesOf(job.counts)) slabs.push_back(aloneSlab(job, kind));
  return slabs;
}

/// As many kinds, counts and stocks as are asked for; sizes in tenths.
inline CutProblem anyProblem(int kinds, int most, int stocks) {
  CutProblem problem;
  problem.name = "any";
  const auto from = [](int least, int upTo) { return *rc::gen::inRange(least, upTo + 1); };
  for (int s = 0; s < stocks; ++s) {
    CutStock stock = sheetOf(from(200, 700), from(200, 1000));
    stock.id = "stock" + std::to_string(s);
    stock.grain = from(0, 1) == 0 ? StockGrain::Along : StockGrain::Across;
    stock.kerf = from(0, 2) == 0 ? from(1, 40) * (kMm / 10) : 0;
    stock.left = from(0, 8) * kMm;
    stock.top = from(0, 8) * kMm;
    stock.bottom = from(0, 8) * kMm;
    stock.cost = from(1, 4);
    if (from(0, 3) == 0) stock.count = from(0, 3);
    if (from(0, 4) == 0) {
      stock.form = StockForm::Roll;
      stock.along = 20000 * kMm;
    }
    problem.stocks.push_back(stock);
  }
  for (int k = 0; k < kinds; ++k) {
    CutPiece piece = pieceOf("piece" + std::to_string(k), 1, 1, from(1, most));
    piece.width = from(100, 4000) * (kMm / 10);
    piece.height = from(100, 5000) * (kMm / 10);
    piece.grain = static_cast<PieceGrain>(from(0, 2));
    problem.pieces.push_back(piece);
  }
  return problem;
}

/// The first of its stocks there is enough of, and every piece fits it.
inline CutProblem anyThatFits(CutProblem problem, StockForm form) {
  CutStock& first = problem.stocks[0];
  first.form = form;
  if (form == StockForm::Roll) first.along = 40'000 * kMm;
  first.count = form == StockForm::Roll ? std::optional(1) : std::nullopt;
  std::erase_if(problem.pieces,
                [&](const CutPiece& piece) { return lyingSizes(first, piece).empty(); });
  RC_PRE(!problem.pieces.empty());
  return problem;
}

}  // namespace drapery::test
