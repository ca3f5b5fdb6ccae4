#pragma once

#include <fmt/format.h>

#include <string>

#include "words/translate.h"

namespace drapery {

/// A sentence in the reader's language with what stands in it.
template <typename... Things>
std::string said(const Translate& translate, const char* english, const Things&... things) {
  const std::string sentence = translate ? translate(english) : english;
  return fmt::format(fmt::runtime(sentence), things...);
}

}  // namespace drapery
