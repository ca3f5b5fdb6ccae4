// How sentences of the program itself get into another language. Nothing of Qt's, so that the
// command line needs none.
#pragma once

#include <functional>
#include <string>

// As Qt has it, so that lupdate finds the sentences; here it is only the sentence.
#ifndef QT_TRANSLATE_NOOP
#define QT_TRANSLATE_NOOP(context, text) text
#endif

namespace drapery {

/// Turns a template of the catalogue into another language before its figures are filled in.
using Translate = std::function<std::string(const char* english)>;

}  // namespace drapery
