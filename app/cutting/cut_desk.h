// The open book's pieces laid out on what lies there, anew whenever either changes: the first
// lay-out at once, better ones while it is being looked at.
#pragma once

#include <QDateTime>
#include <QObject>
#include <QThreadPool>
#include <atomic>
#include <map>
#include <memory>
#include <vector>

#include "app/document/document.h"
#include "app/workspace/stock_room.h"
#include "store/cut_books.h"

namespace drapery {

class CutDesk : public QObject {
  Q_OBJECT

 public:
  CutDesk(Document& book, StockRoom& room, QObject* parent = nullptr);
  /// Ends what is under way and waits for it.
  ~CutDesk() override;

  using Found = BooksLaidOut;
  [[nodiscard]] const Found& found() const { return *found_; }
  /// The same for longer than until the next change.
  [[nodiscard]] std::shared_ptr<const Found> share() const { return found_; }
  /// Whether the book can be cut at all: it is measured, and something lies there.
  [[nodiscard]] bool isReady() const { return isReady_; }
  [[nodiscard]] bool isSearching() const { return isSearching_; }
  /// What is wrong with books that are to be cut together with this one.
  [[nodiscard]] const Issues& issues() const { return issues_; }

  /// It takes its time for a good lay-out while somebody looks at it.
  void setWatched(bool isWatched);
  /// The best so far is good enough.
  void stop();
  /// Waits until the search has ended: for pictures, pages and tests.
  void settle();

 signals:
  /// Another lay-out, or no longer searching.
  void changed();

 private:
  void renew();
  void search();
  struct Told {
    CutLayout layout;
    bool isLast = false;
    ShoppingList shopping = {};
    std::vector<SpareSheet> spare = {};
    std::shared_ptr<Found> supposed = {};  // in place of all that
  };
  void take(int generation, Told told);
  void gather(Found& found);
  struct Other {
    QDateTime written;
    BookRead book;
  };
  /// As it was read last, while its file is still the same.
  const BookRead& otherBook(const std::string& path);
  [[nodiscard]] bool isBetter(const CutLayout& layout) const;

  Document& book_;
  StockRoom& room_;
  std::shared_ptr<Found> found_;
  std::shared_ptr<Found> next_;  // once there is a lay-out of it; null: none is awaited
  Issues issues_;
  std::map<std::string, Other> others_;
  std::atomic<int> generation_ = 0;
  bool isReady_ = false, isSearching_ = false, isWatched_ = false, isShort_ = false;
  bool isEmpty_ = false;  // that nothing lies there was told
  QThreadPool pool_;
};

}  // namespace drapery
