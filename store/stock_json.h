// The shelf as JSON, "drapery-stock/1". See docs/cutting.md.
#pragma once

#include <string>
#include <string_view>
#include <variant>

#include "core/cutting/stock.h"

namespace drapery {

inline constexpr const char* kStockSchema = "drapery-stock/1";

/// What lies there, or every mistake, placed in `file`.
std::variant<Stock, Issues> readStock(std::string_view text, const std::string& file);

/// As it can be read again.
std::string writeStock(const Stock& stock);

}  // namespace drapery
