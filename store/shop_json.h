// What the shop has as JSON, "drapery-shop/1": gauges by name, printers by name and how they are
// off.
#pragma once

#include <string>
#include <string_view>
#include <variant>

#include "core/diag/issue.h"
#include "core/printing/shop.h"

namespace drapery {

inline constexpr const char* kShopSchema = "drapery-shop/1";

/// Every mistake, with its place in `file`.
std::variant<Shop, Issues> readShop(std::string_view text, const std::string& file);
std::string writeShop(const Shop& shop);

/// The file's; an empty shop where there is none.
std::variant<Shop, Issues> shopIn(const std::string& path);
/// Written whole or not at all; its folder is made if need be.
std::optional<Issue> keepShop(const Shop& shop, const std::string& path);

}  // namespace drapery
