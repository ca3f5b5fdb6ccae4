// Where the stock is kept, whatever that is: a file of JSON today.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <variant>

#include "core/cutting/stock.h"

namespace drapery {

class StockShelf {
 public:
  StockShelf() = default;
  StockShelf(const StockShelf&) = delete;
  StockShelf& operator=(const StockShelf&) = delete;
  virtual ~StockShelf() = default;

  /// As the binder is told.
  [[nodiscard]] virtual std::string name() const = 0;
  /// What lies there now; nothing at all where nobody wrote it yet. Every mistake, placed.
  virtual std::variant<Stock, Issues> read() = 0;
  /// Writes it whole. Refused, and nothing written, when somebody else wrote since it was read:
  /// "file-changed" and what else `JobKeeper` tells.
  virtual std::optional<Issue> write(const Stock& stock) = 0;
};

/// A file, whose folder is made if need be.
std::unique_ptr<StockShelf> makeJsonShelf(std::string path);

}  // namespace drapery
