// What is to be bought, as a binder asks for it in the shop.
#pragma once

#include <string>

#include "core/cutting/shopping.h"
#include "core/cutting/stock_makes.h"
#include "core/quantity/format_length.h"
#include "words/translate.h"

namespace drapery {

/// What to ask for behind its name: ", 2.4 mm thick, 120 to 160 g/m²"; empty where nothing is said.
std::string askFor(const ToGet& wanted, const Notation& notation, const Translate& translate = {});

/// "3 of A3 (420 × 297 mm, grain short), 64 % used", "2.64 m of 1300 mm roll, 99 % used"; in the
/// unit that the size is sold in. That the grain is long is not said of each.
std::string soldWords(const SoldSize& size, const Notation& notation,
                      const Translate& translate = {});

/// What the plan reckons with, and what it lies on: "Board is reckoned 2.4 mm thick; grey board is
/// 3 mm."
/// @param title of the piece
std::string otherMakeWords(const OtherMake& other, const std::string& title,
                           const Notation& notation, const Translate& translate = {});

/// How several layers become one, where any are; else empty. Once for all (common practice).
std::string layersWords(const std::vector<OtherMake>& others, const Translate& translate = {});

/// "120 to 160 g/m²"
std::string bandWords(const GrammageBand& band, const Notation& notation,
                      const Translate& translate = {});

}  // namespace drapery
