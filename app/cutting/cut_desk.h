// The open book's pieces laid out on what lies there, anew whenever either changes: the first
// lay-out at once, better ones while it is being looked at.
#pragma once

#include <QDateTime>
#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <tuple>
#include <vector>

#include "app/document/document.h"
#include "app/workspace/stock_room.h"
#include "core/cutting/bench_work.h"
#include "store/cut_books.h"
#include "store/settings.h"

namespace drapery {

class CutDesk : public QObject {
  Q_OBJECT

 public:
  CutDesk(Document& book, StockRoom& room, const Settings& settings, QObject* parent = nullptr);
  /// Ends what is under way and waits for it.
  ~CutDesk() override;

  using Found = BooksLaidOut;
  [[nodiscard]] const Found& found() const { return *found_; }
  /// The same for longer than until the next change.
  [[nodiscard]] std::shared_ptr<const Found> share() const { return found_; }
  /// The same as it is cut at the bench; another as soon as any of it is.
  [[nodiscard]] std::shared_ptr<const BenchWork> bench();
  /// The longest cut of the shear or mat; 0: any.
  [[nodiscard]] Micrometres shear() const;
  /// Whether the book can be cut at all: it is measured, and something lies there.
  [[nodiscard]] bool isReady() const { return isReady_; }
  [[nodiscard]] bool isSearching() const { return isSearching_; }
  /// What is wrong with books that are to be cut together with this one.
  [[nodiscard]] const Issues& issues() const { return issues_; }

  /// It takes its time for a good lay-out while somebody looks at it.
  void setWatched(bool isWatched);
  /// The best so far is good enough.
  void stop();
  /// Whether one may be found that costs less, and none is looked for.
  [[nodiscard]] bool canLookOn() const;
  /// Looks for a better one as long again, by other chances; what was found stays until then.
  void lookOn();
  /// Whether the last time that was in vain.
  [[nodiscard]] bool isInVain() const { return isInVain_; }
  /// Waits until the search has ended: for pictures, pages and tests.
  void settle();

 signals:
  /// Another lay-out, or no longer searching.
  void changed();

 private:
  void renew();
  void search();
  /// What, beside the lay-out, says how it is cut.
  struct Bench {
    UsableLeft usable;
    Micrometres longest = 0;
    bool operator==(const Bench& other) const = default;
  };
  [[nodiscard]] Bench benchNow() const { return {room_.stock().usable, shear()}; }
  static std::shared_ptr<const BenchWork> benched(const Found& found, const Bench& on);
  /// What is worked on beside the window, all of it its own.
  struct Search {
    int generation = 0;
    Found of;
    Stock shelf;
    CataloguePtr catalogue;
    Bench on;
    std::uint64_t seed = 1;
    std::shared_ptr<const BenchWork> bench = {};  // of its lay-out
  };
  /// The one that was under way is over.
  Search searchFor(const Found& of);
  [[nodiscard]] bool isOver(const Search& search) const { return search.generation != generation_; }
  void layOutPieces(Search& search, double seconds);
  void reckon(Search& search);
  [[nodiscard]] std::vector<SpareSheet> spareOf(const Search& search) const;
  struct Told : Search {
    bool isReckoned = false, isLast = false;
  };
  /// From beside the window: what is newer stands in for what was not taken yet.
  void tell(Told told);
  void take();
  void setBench(const Search& of);
  void gather(Found& found);
  struct Other {
    QDateTime written;
    BookRead book;
  };
  /// As it was read last, while its file is still the same.
  const BookRead& otherBook(const std::string& path);
  /// How many pieces lie nowhere, what it costs, and what it leaves in one piece, negative.
  using Merit = std::tuple<int, double, double>;
  [[nodiscard]] Merit meritFound() const;

  Document& book_;
  StockRoom& room_;
  const Settings& settings_;
  std::shared_ptr<Found> found_;
  std::shared_ptr<const BenchWork> bench_;  // of `found_`; null: not worked out yet
  Bench benchOn_;
  std::shared_ptr<Found> next_;  // once there is a lay-out of it; null: none is awaited
  Issues issues_;
  std::map<std::string, Other> others_;
  CutElsewhere elsewhere_;
  std::atomic<int> generation_ = 0;
  std::mutex telling_;
  std::optional<Told> told_;
  bool isReady_ = false, isSearching_ = false, isWatched_ = false, isShort_ = false;
  std::uint64_t looks_ = 0;  // for a better one
  Merit before_;             // the last of them
  bool isInVain_ = false;
  bool isEmpty_ = false;  // that nothing lies there was told
  QThreadPool pool_;
};

}  // namespace drapery
