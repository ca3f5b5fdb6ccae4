#include "words/fill_phrase.h"

#include <array>
#include <utility>
#include <variant>

#include "words/amount_words.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

const Argument* argumentOf(const Issue& issue, std::string_view name) {
  for (const IssueArgument& argument : issue.arguments)
    if (argument.name.text() == name) return &argument.value;
  return nullptr;
}

/// What a formula comes to, as a binder would say it.
std::string dimensionWords(const std::string& name) {
  static constexpr std::array<std::pair<std::string_view, std::string_view>, 8> kNames{
      {{"mm", "a length"},
       {"deg", "an angle"},
       {"1", "a plain number"},
       {"g/m2", "a paper's weight"},
       {"cm3/g", "a paper's bulk"},
       {"min", "a time"},
       {"money", "money"},
       {"choice", "a choice"}}};
  for (const auto& [dimension, words] : kNames)
    if (dimension == name) return std::string(words);
  return "in " + name;
}

std::string shown(const Issue& issue, std::string_view name, const Notation& notation) {
  const Argument* argument = argumentOf(issue, name);
  if (argument == nullptr) return {};
  if (name.ends_with("dimension")) return dimensionWords(std::get<std::string>(*argument));
  if (const auto* text = std::get_if<std::string>(argument)) return shownText(*text);
  return amountWords(std::get<Amount>(*argument), notation);
}

/// Fills {name}; `complete` turns false when one of them is empty.
std::string fill(std::string_view phrase, const Issue& issue, const Notation& notation,
                 bool& complete) {
  std::string out;
  for (std::size_t i = 0; i < phrase.size(); ++i) {
    const bool doubled = i + 1 < phrase.size() && phrase[i + 1] == phrase[i];
    if ((phrase[i] == '{' || phrase[i] == '}') && doubled) {
      out += phrase[i++];
    } else if (phrase[i] == '{') {
      const std::size_t end = phrase.find('}', i);
      const std::string value = shown(issue, phrase.substr(i + 1, end - i - 1), notation);
      complete = complete && !value.empty();
      out += value;
      i = end;
    } else {
      out += phrase[i];
    }
  }
  return out;
}

}  // namespace

std::string filledPhrase(std::string_view phrase, const Issue& issue, const Notation& notation) {
  std::string out;
  bool complete = true;
  while (!phrase.empty()) {
    const std::size_t open = phrase.find('[');
    out += fill(phrase.substr(0, open), issue, notation, complete);
    if (open == std::string_view::npos) break;
    const std::size_t close = phrase.find(']', open);
    bool whole = true;
    const std::string part =
        fill(phrase.substr(open + 1, close - open - 1), issue, notation, whole);
    if (whole) out += part;
    phrase.remove_prefix(close + 1);
  }
  return out;
}

}  // namespace drapery
