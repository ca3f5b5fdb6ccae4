// The known name nearest to a misspelt one.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace drapery {

/// By edit distance (insert, delete, replace, swap of neighbours); empty when none is within a
/// third of the word's length, or `most` where that is less. Never the word itself. Names over 64
/// bytes have no nearest.
std::string nearestName(std::string_view wrong, const std::vector<std::string>& known,
                        std::size_t most = std::string::npos);

}  // namespace drapery
