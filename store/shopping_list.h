// The shopping list of books that are laid out.
#pragma once

#include <functional>

#include "core/cutting/shopping.h"
#include "core/material/material_shelf.h"
#include "store/cut_work.h"

namespace drapery {

/// For all that finds no room. How what is missing is sold is what `catalogue` says of its kind.
/// @param isCancelled may be empty; what was found by then is given
ShoppingList shoppingList(const BooksLaidOut& found, const Stock& shelf,
                          const MaterialShelf& catalogue,
                          const std::function<bool()>& isCancelled = {});

/// All books laid out on the first size of each thing on their list, as if it had been bought.
BooksLaidOut laidOnShopping(const BooksLaidOut& found,
                            const std::function<bool()>& isCancelled = {});

}  // namespace drapery
