// The shopping list of books that are laid out.
#pragma once

#include "core/cutting/reckoning.h"
#include "core/cutting/shopping.h"
#include "core/material/material_catalogue.h"
#include "store/cut_work.h"

namespace drapery {

/// For all that finds no room. How what is missing is sold is what `catalogue` says of its kind.
ShoppingList shoppingList(const BooksLaidOut& found, const Stock& shelf,
                          const MaterialCatalogue& catalogue, const Reckoning& how = {});

/// All books laid out on the first size of each thing on their list, as if it had been bought.
/// @param how as the list was reckoned
BooksLaidOut laidOnShopping(const BooksLaidOut& found, const MaterialCatalogue& catalogue,
                            const Reckoning& how = {});

}  // namespace drapery
