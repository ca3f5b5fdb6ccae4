// A rectangle filled quickly, one piece in the corner after the other, as chance has it: of many
// such one is good.
#pragma once

#include <cstdint>
#include <functional>
#include <optional>
#include <random>
#include <utility>

#include "core/cutting/region_filler.h"
#include "core/cutting/room_losses.h"

namespace drapery {

class ChanceFiller {
 public:
  /// @param isEnough asked every few milliseconds; then what has been found is all.
  ChanceFiller(const MaterialJob& job, std::mt19937_64& random, std::function<bool()> isEnough)
      : job_(job), state_(random() | 1), isEnough_(std::move(isEnough)) {}

  /// From now on of these kinds, worth so much each; what there is none of only takes time.
  /// @param losses where there is much to choose from: what must be lost is then known before, and
  ///   each fill takes two or three times as long. Else none.
  void begin(std::size_t stock, const std::vector<std::size_t>& kinds,
             const std::vector<double>& worth, const RoomLosses* losses = nullptr);
  /// The fullest of so many fills that are worth more than `least`, and its worth: what it places
  /// is taken out of `pool`.
  std::pair<Filling, double> best(const SheetPart& region, int fills, Counts& pool,
                                  double least = 0.0);
  /// Parts of it that leave room emptied and filled anew, so often; a little less is taken too,
  /// ever less of that. What the best of it is worth more.
  double better(Filling& filling, int times, Counts& pool);

 private:
  struct Lying {
    Micrometres across = 0, along = 0;
    double worth = 0.0;
    double lacks = 0.0;     // of its area, as if it were worth as much as the dearest kind
    std::size_t which = 0;  // of the kinds
    bool isTurned = false;
    RoomLosses::Length wide, high;  // where losses are told
    [[nodiscard]] double area() const { return double(across) * double(along); }
  };
  /// What becomes of a room: a piece in its corner, or none. Then of what is left: first the part
  /// beside or above it that does not reach as far as the room, then the other.
  struct Laid {
    const Lying* piece = nullptr;
    bool isBesideWhole = false;  // what is left beside it reaches as far as the room
  };
  using Fill = std::vector<Laid>;

  /// The fullest of so many that are worth more than `least`, which is in `best_` then; its worth,
  /// 0 where there is none.
  /// @param changes so often in each, where more is lost than may be, one piece is another and what
  ///   followed is laid anew.
  double fillBest(const SheetPart& region, int fills, int changes, double least,
                  const Counts& pool);
  /// False where more is lost than may be.
  /// @param known what must be lost in it; `mayLose_` is beyond that.
  bool fill(Micrometres across, Micrometres along, double known, int changes);
  /// What must be lost with a piece in a room's corner, um2.
  struct Lost {
    double within = 0.0, rest = 0.0;  // in the part that reaches no farther than the piece; beyond
    double more = 0.0;                // than was known before
  };
  /// By which of the two parts of what is left reaches as far as the room.
  struct LostEither {
    Lost besideWhole, aboveWhole;
    [[nodiscard]] double least() const { return std::min(besideWhole.more, aboveWhole.more); }
  };
  /// What is laid in a room's corner.
  struct Choice {
    Laid laid;
    Lost lost;
  };
  /// A room, and what must be lost in it.
  struct Room {
    Micrometres across = 0, along = 0;
    double known = 0.0;
    std::size_t next = 0;  // of the rooms, that which is filled after it
    [[nodiscard]] double area() const { return double(across) * double(along); }
  };
  /// What a room's losses are found by, where they are told.
  struct InLosses {
    RoomLosses::Length across, along;
  };
  /// How it was before a choice, and what else might have been chosen.
  struct Step {
    std::size_t room = 0;
    double mayLose = 0.0, got = 0.0;
    Choice other;
  };
  /// Back to some step at which another piece may be laid, as if it were chosen now.
  std::optional<Choice> goBack();
  /// The room that is filled next.
  std::size_t lay(const Choice& choice, std::size_t at);
  void sortByArea();
  /// Of the ways, the first one that may be no larger.
  [[nodiscard]] std::size_t firstIn(double area) const;
  /// Which of some ways fit in a room, as bits.
  [[nodiscard]] unsigned fitting(std::size_t from, Micrometres across, Micrometres along) const;
  /// The best, and the next best.
  std::pair<Choice, Choice> chosen(const Room& room);
  /// What must be lost in a room; as if nothing were where that is not told.
  [[nodiscard]] double knownIn(Micrometres across, Micrometres along) const;
  /// Beside and above a piece, where nothing is so narrow as to fit in.
  [[nodiscard]] double lostInStrips(const Lying& way, Micrometres across, Micrometres along) const;
  [[nodiscard]] LostEither lostWith(const Lying& way, const Room& room, const InLosses& in) const;
  bool isCutBeside(const Lying& way, const LostEither& either, Micrometres across,
                   Micrometres along);
  bool isBesideWhole(Micrometres across, Micrometres along, const Lying& piece);
  void takeBest(Counts& pool) const;
  [[nodiscard]] Filling bestOn(const SheetPart& region) const;
  void layBest(Fill::const_iterator& next, std::size_t at, std::vector<SheetPart>& parts) const;
  /// 0 to 1, quickly: one is drawn for each way that is looked at (Marsaglia 2003, "Xorshift RNGs",
  /// Journal of Statistical Software 8).
  double part() {
    state_ ^= state_ << 13;
    state_ ^= state_ >> 7;
    state_ ^= state_ << 17;
    return static_cast<double>(state_ >> 11) / 9007199254740992.0;
  }

  /// Asked again once much has been looked at.
  bool isEnded();

  const MaterialJob& job_;
  std::uint64_t state_;
  std::function<bool()> isEnough_;
  std::size_t looked_ = 0;  // since that was asked
  bool isEnded_ = false;
  std::vector<Lying> ways_;  // by falling worth; in the end some that fit nowhere
  /// Where larger ones are over, by parts of the largest's area; none where all may be looked at.
  std::vector<std::uint32_t> firstByArea_;
  double partsPerArea_ = 0.0;
  std::vector<std::size_t> kinds_;
  std::vector<std::size_t> which_;                // by kind of the job
  std::vector<double> worth_, areas_;             // of the kinds
  double dearest_ = 0.0;                          // for its area
  Micrometres leastAcross_ = 0, leastAlong_ = 0;  // of what there is: less is lost
  const RoomLosses* losses_ = nullptr;

  std::vector<Room> rooms_;
  std::vector<Step> steps_;
  Fill fill_, best_;                  // a step's laid piece each
  Counts left_;                       // while it is being filled
  double got_ = 0.0, mayLose_ = 0.0;  // of the area, beyond what is known
  double blur_ = 0.0;
};

}  // namespace drapery
