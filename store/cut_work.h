// Books and what lies on the shelf as one problem: what is to be cut, and from what.
#pragma once

#include <map>
#include <memory>
#include <string>
#include <vector>

#include "core/cutting/enough_for.h"
#include "core/cutting/shopping.h"
#include "core/cutting/spare_sheet.h"
#include "core/cutting/stock.h"
#include "core/cutting/stock_makes.h"
#include "core/material/material_catalogue.h"
#include "core/plan/job.h"
#include "core/plan/plan.h"

namespace drapery {

/// How many of a piece come from one rectangle: two where it stays on one side of a diagonal and
/// the other may lie with its head down.
int piecesOfRectangle(const PlannedPart& part, StockPattern pattern);
/// Of whatever of a material has one: all pieces of it are laid alike.
StockPattern patternOf(const Stock& shelf, const std::string& material);

/// What a book is called among others: by its title, or else as its file is.
const std::string& bookName(const Job& job);

/// How thick and how heavy a piece is to be, and what there is.
/// @param layers so many make one
WantedMake wantedMake(const std::string& material, const PlannedPart& part, const Plan& plan,
                      int layers = 1);
/// Sides, coverings, jackets of paper: seldom of the one that endpapers are.
bool isPaperApart(const PlannedPart& part);
StockMake makeOf(const StockItem& item);

/// What was cut of a book while neither it nor the one that is open now was.
struct CutBeside {
  std::string name;  // of that other book
  CutDone done;
};

struct BookToCut {
  std::shared_ptr<const Job> job;
  std::shared_ptr<const Plan> plan;
  std::string file = {};  // as the first book's job names it; its own is empty
  std::vector<CutBeside> beside = {};
};

/// A piece that was cut in another size than the plan has now, by half a mark of its rule or more.
struct CutOtherwise {
  std::size_t done = 0;  // of the first book's job, and then of what was cut of it beside
  std::size_t book = 0;
  const PlannedPart* part = nullptr;
  CutSize was = {}, is = {};
  bool isTooSmall = false;  // else it can be trimmed
};

struct CutWork {
  /// Costs weigh off-cuts and whole sheets as the job wants them taken first.
  CutProblem problem;
  struct Piece {
    std::size_t book = 0;
    const PlannedPart* part = nullptr;  // of that book's plan
    int each = 1;                       // so many come from one rectangle
    int layers = 1;  // so many, pasted together, make one as thick as it is to be
  };
  std::vector<Piece> pieces;      // of the problem's
  std::vector<double> costs;      // of the problem's stocks, as they are
  std::vector<std::size_t> pins;  // of the problem's, as the job numbers them
  std::vector<std::size_t> lost;  // the job's pins of which piece or stock is no longer there
  std::vector<CutOtherwise> otherwise;

  /// What the sheets of a lay-out really cost, from one material.
  [[nodiscard]] double costOf(const CutLayout& layout, const std::string& material) const;
  /// Whether it is certain, where off-cuts are taken first, that no lay-out of a material takes
  /// less from what is whole, even if off-cuts may be spared yet.
  [[nodiscard]] bool isLeastOfWhole(const CutLayout& layout, const MaterialCost& cost) const;
  /// Rectangles of a sheet, and of those that are laid like it, from which two of a piece come:
  /// how many, by piece.
  [[nodiscard]] std::map<std::size_t, int> inTwoOn(const CutSheet& sheet) const;
};

/// Books laid out on what lies there, and all that it rests on.
struct BooksLaidOut {
  std::vector<BookToCut> books;  // the first is the open one
  CutWork work;
  CutLayout layout;
  ShoppingList shopping;  // for what finds no room, once it was asked for
  std::vector<SpareSheet> spare;
  std::vector<EnoughFor> enough;  // for copies of the open one
  bool isSupposed = false;        // on what is to be bought, since nothing lies there

  /// Of the problem's pieces.
  [[nodiscard]] std::vector<const PlannedPart*> parts() const;
  /// Each piece that is laid on what is thicker, thinner, heavier or lighter than it is to be.
  [[nodiscard]] std::vector<OtherMake> otherMakes(const Stock& shelf) const;
  /// The same before anything is laid out: on whatever it can lie it would lie so.
  [[nodiscard]] std::vector<OtherMake> onlyOtherMakes(const Stock& shelf) const;

 private:
  /// Of a piece of the problem on one of its stocks.
  [[nodiscard]] std::vector<OtherMake> otherMakesOn(const Stock& shelf, std::size_t piece,
                                                    std::size_t stock) const;
};

/// Each piece by its rectangle as it is cut, as often as the book's copies want it and were not cut
/// yet; from the stock that is called like the piece, the material named for it, or that one's
/// kind, whichever is first there, and of several of these the one as thick and as heavy as it is
/// to be; where there is none that it fits, in layers of what comes to it. What the first book's
/// job decided about the cutting holds for all. What was cut of a book is told by its own job, by
/// the first one's and by what lies beside it. A mock-up counts what was cut for it. The plans
/// outlive it.
CutWork cutWorkOf(const std::vector<BookToCut>& books, const Stock& shelf,
                  const MaterialCatalogue& catalogue);

/// One copy of a book by itself, of which nothing was cut yet and nothing was put anywhere.
/// The plan outlives it.
CutWork cutWorkOfOne(const BookToCut& book, const Stock& shelf, const MaterialCatalogue& catalogue);

}  // namespace drapery
