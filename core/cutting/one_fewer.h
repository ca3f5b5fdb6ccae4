// A lay-out that is to do without one of its sheets, or to find room for what found none: sheets
// are filled anew, one or two at a time, of what lies on them and what lies nowhere.
#pragma once

#include <array>
#include <functional>
#include <optional>
#include <random>

#include "core/cutting/bin.h"
#include "core/cutting/chance_filler.h"
#include "core/cutting/sheet_boxes.h"

namespace drapery {

class OneFewer {
 public:
  /// @param isEnough asked now and then, also within a try: what that has found by then counts.
  /// @param isByBoxes few pieces are joined anew as boxes too; else each try is over in a moment.
  OneFewer(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough,
           bool isByBoxes = true);

  /// Only sheets are left out, not lengths of a roll.
  [[nodiscard]] bool isApt() const { return isApt_; }
  [[nodiscard]] bool hasBegun() const { return !now_.bins.empty(); }
  /// From a lay-out and what it leaves unplaced. If that is nothing, a sheet goes, or cheaper ones
  /// come in the place of one or two; of several sheets one more is emptied, for what is loose in
  /// the end.
  void begin(const std::vector<Bin>& bins, const std::vector<std::size_t>& lost);
  /// The same, but nothing is left out.
  void beginWith(const std::vector<Bin>& bins, const std::vector<std::size_t>& loose);
  /// One more sheet is emptied, for what is loose in the end: which that is, is free to choose.
  void keepForLast();
  /// Goes on from another lay-out of as many sheets, where that leaves less loose.
  void offer(const std::vector<Bin>& bins);
  /// One try; true once all lies somewhere.
  bool step();
  [[nodiscard]] const std::vector<Bin>& bins() const { return now_.bins; }
  /// Kinds, each as often as one of it is.
  [[nodiscard]] const std::vector<std::size_t>& loose() const { return now_.loose; }
  [[nodiscard]] double looseArea() const;

 private:
  /// A sheet or two, or cheaper ones in their place; mostly so that much room is left. False where
  /// nothing that costs less has the room: then nothing is loose.
  bool leaveOut();
  [[nodiscard]] std::size_t emptiestOf(std::size_t stock) const;
  void measureAnew();
  bool layLast();
  [[nodiscard]] double worthOf(const std::vector<std::size_t>& kinds) const;
  /// Some pieces of one sheet or two laid anew there, with what is loose.
  void exchange();
  /// The same in the best of all ways to join a few boxes of them.
  void joinAnew();
  /// All of one sheet, or of it and another, around their pins.
  void refill(std::size_t first);
  /// One sheet made fuller, with what is loose: where losses are told and all are nearly full, that
  /// gets further than many quick tries.
  void fillUp(Bin& bin);
  /// What is laid, if no more is loose than now or some tries ago.
  [[nodiscard]] bool isTaken(double worth);
  void takeInto(Bin& bin, const std::vector<std::size_t>& kinds, Counts& pool);
  void makeDearer();
  std::size_t below(std::size_t most) { return static_cast<std::size_t>(random_() % most); }

  const MaterialJob& job_;
  std::mt19937_64& random_;
  std::function<bool()> isEnough_;
  ChanceFiller filler_;
  SheetBoxes boxes_;
  bool isApt_ = true;
  bool isByBoxes_ = false;
  bool isTold_ = false;  // what must be lost
  /// How far it has come.
  struct State {
    std::vector<Bin> bins;
    std::vector<std::size_t> loose;   // kinds
    std::optional<std::size_t> last;  // the stock of the sheet that is kept for them
    std::vector<double> worth;        // by kind; more of what is hard to place
    double looseWorth = 0.0, least = 0.0;
    /// What was loose some tries ago: no more than that is taken too, as in the packer.
    std::array<double, 50> before{};
  };
  State now_;
  std::size_t tried_ = 0, bettered_ = 0;
};

}  // namespace drapery
