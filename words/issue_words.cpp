#include "words/issue_words.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <string_view>

#include "core/diag/utf8.h"
#include "words/fill_phrase.h"
#include "words/shown_text.h"

namespace drapery {

namespace {

struct Phrase {
  IssueId id;
  const char* english;
};

// [ ... ] is left out when an argument inside it is empty.
constexpr std::array kPhrases{
    // lengths
    Phrase{"length-empty",
           QT_TRANSLATE_NOOP("Issue", "{name}: empty; give a length from {least} to {most}")},
    Phrase{
        "length-not-one",
        QT_TRANSLATE_NOOP(
            "Issue",
            "{name}: \"{value}\" is not a length; write it like 210, 143.5 mm or 5 7/16 in, from "
            "{least} to {most}")},
    Phrase{
        "length-too-long",
        QT_TRANSLATE_NOOP(
            "Issue",
            "{name}: \"{value}\" is too long for a length; at most 40 characters, from {least} to "
            "{most}")},
    Phrase{"length-two-units",
           QT_TRANSLATE_NOOP("Issue", "{name}: \"{value}\" names two units; one of mm, cm, in")},
    Phrase{"length-unknown-unit",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{name}: \"{value}\" ends in something that is not a unit; allowed are mm, cm, in")},
    Phrase{
        "length-exponent",
        QT_TRANSLATE_NOOP(
            "Issue",
            "{name}: \"{value}\" has an exponent; write the figure out, from {least} to {most}")},
    Phrase{"length-thousands",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{name}: \"{value}\" has two decimal signs; one point or one comma is allowed")},
    Phrase{
        "length-zero-denominator",
        QT_TRANSLATE_NOOP(
            "Issue",
            "{name}: \"{value}\" divides by 0; the lower figure of a fraction must be 1 or more")},
    Phrase{"length-improper-fraction",
           QT_TRANSLATE_NOOP("Issue",
                             "{name}: \"{value}\" has a fraction of 1 or more after a whole "
                             "number; write it below 1")},
    Phrase{"value-out-of-range",
           QT_TRANSLATE_NOOP("Issue", "{name}: {value} is not allowed; from {least} to {most}")},
    Phrase{"choice-unknown",
           QT_TRANSLATE_NOOP("Issue", "{name}: \"{value}\" is not among the choices: {allowed}")},
    Phrase{"readings-of-choice",
           QT_TRANSLATE_NOOP("Issue", "{name}: {value} are not allowed for a choice; name one")},
    Phrase{"number-not-one",
           QT_TRANSLATE_NOOP(
               "Issue", "{name}: \"{value}\" is not a number; give one from {least} to {most}")},
    Phrase{"count-not-whole",
           QT_TRANSLATE_NOOP("Issue", "{name}: {value} is not allowed; a whole number is needed")},
    Phrase{
        "as-cut-sides",
        QT_TRANSLATE_NOOP("Issue",
                          "\"{value}\" is no size as cut; write width × height, as 141 × 218, or "
                          "one of them alone, as 141 × or × 218")},
    Phrase{"material-not-here",
           QT_TRANSLATE_NOOP("Issue",
                             "{name}: no material (\"{value}\") can stand here; give a figure")},
    Phrase{"material-unknown",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{name}: the material \"{value}\" is not known[; did you mean {nearest}?]; allowed: "
               "{allowed}")},
    Phrase{"material-wrong-kind",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{name}: \"{value}\" is a {kind}, which cannot stand here; allowed: {allowed}")},
    Phrase{"material-lacks",
           QT_TRANSLATE_NOOP("Issue", "{name}: nothing is known of the {property} of \"{value}\"")},
    Phrase{"given-missing", QT_TRANSLATE_NOOP("Issue", "{name} is missing; it must be measured")},
    Phrase{"default-out-of-its-range",
           QT_TRANSLATE_NOOP("Issue",
                             "{name}: not said, and {formula} comes to {value}, which is not "
                             "allowed; from {least} to {most}")},
    Phrase{"value-not-above",
           QT_TRANSLATE_NOOP("Issue", "{name}: {value} is not allowed; more than 0, up to {most}")},
    Phrase{
        "fixed-is-input",
        QT_TRANSLATE_NOOP("Issue", "{name} is not computed by this method; say it in {section}")},
    Phrase{"solve-input-steps",
           QT_TRANSLATE_NOOP(
               "Issue", "{change} goes in whole steps; a length or a ratio can be solved for")},
    Phrase{"solve-steps",
           QT_TRANSLATE_NOOP("Issue",
                             "{name} is cut, marked or tried, and goes in steps; name what it is "
                             "before it is rounded")},
    Phrase{"solve-no-effect",
           QT_TRANSLATE_NOOP("Issue", "{change} does not move {name} on this book")},
    Phrase{"solve-none",
           QT_TRANSLATE_NOOP("Issue",
                             "{name}: no {change} from {least} to {most} gives {value}[; nearest "
                             "is {nearest}, which gives {gives}]")},
    // cutting
    Phrase{"cut-no-stock", QT_TRANSLATE_NOOP("Issue", "stocks is empty; name one to cut from")},
    Phrase{"cut-pins-for-value",
           QT_TRANSLATE_NOOP("Issue",
                             "pins are not kept where the greatest value is sought; leave "
                             "them out, or let objective be min_cost")},
    Phrase{"cut-too-many",
           QT_TRANSLATE_NOOP("Issue", "{count} pieces are not allowed; at most {most}")},
    Phrase{"cut-kerf",
           QT_TRANSLATE_NOOP("Issue", "{name}: a kerf of {value} is wider than the stock")},
    Phrase{"cut-edges",
           QT_TRANSLATE_NOOP("Issue", "{name}: nothing is left of it between its trimmed edges")},
    Phrase{"stock-unknown", QT_TRANSLATE_NOOP("Issue", "{name} is not on the shelf any more")},
    Phrase{"stock-short",
           QT_TRANSLATE_NOOP("Issue", "of {name} there is {there}, and {needed} is needed")},
    Phrase{"stock-used",
           QT_TRANSLATE_NOOP("Issue", "{name} is not there any more: it was used meanwhile")},
    Phrase{"stock-name",
           QT_TRANSLATE_NOOP("Issue", "something else on the shelf is called {name}")},
    Phrase{"book-unplanned",
           QT_TRANSLATE_NOOP("Issue", "{path} has no sizes yet: it is not all measured")},
    // printing
    Phrase{"print-nothing", QT_TRANSLATE_NOOP("Issue", "this book has no {name} to print")},
    Phrase{"print-no-panel",
           QT_TRANSLATE_NOOP("Issue",
                             "the {name} cannot be printed: its {value} has no size above 0")},
    Phrase{"print-no-room",
           QT_TRANSLATE_NOOP("Issue",
                             "{name} does not go onto {value}: it would take more than 400 sheets, "
                             "or they are too small; take larger ones or a roll")},
    Phrase{"template-unknown",
           QT_TRANSLATE_NOOP("Issue",
                             "\"{value}\" is not among this book's templates[; did you mean "
                             "\"{nearest}\"?]; there are {allowed}")},
    Phrase{"art-panel-unknown",
           QT_TRANSLATE_NOOP("Issue",
                             "\"{value}\" is no panel of this book's {name}[; did you mean "
                             "\"{nearest}\"?]; there are {allowed}. What stands there is not "
                             "printed")},
    Phrase{"picture-unreadable",
           QT_TRANSLATE_NOOP("Issue", "{path} is no picture that can be read[: {reason}]")},
    Phrase{"picture-too-large",
           QT_TRANSLATE_NOOP("Issue", "{path} has {value} points; at most {most} are printed")},
    Phrase{
        "picture-names-files",
        QT_TRANSLATE_NOOP("Issue",
                          "{path} draws on another file, {value}; a picture must hold all that it "
                          "shows")},
    Phrase{"picture-coarse",
           QT_TRANSLATE_NOOP("Issue",
                             "{path} on the {name} comes to {value} dots an inch; under {least} it "
                             "looks coarse in print")},
    Phrase{
        "title-near-fold",
        QT_TRANSLATE_NOOP("Issue",
                          "the title on the {name} comes within {value} of a fold; {least} is "
                          "the least, for a spine that lies a little off. Take smaller letters")},
    Phrase{"title-too-long",
           QT_TRANSLATE_NOOP("Issue",
                             "the title on the {name} is {value} long, and the panel {most}: it is "
                             "set smaller")},
    Phrase{"title-no-letters",
           QT_TRANSLATE_NOOP("Issue",
                             "the typeface has no letters for {value} in the title on the {name}; "
                             "others may look different in print")},
    Phrase{"printer-off",
           QT_TRANSLATE_NOOP("Issue",
                             "the bar read {value} on \"{name}\"; from {least} to {most} it can be "
                             "put right here. Further off, the printer is set to fit pages to the "
                             "paper: set it to print at 100 %")},
    // jobs
    Phrase{"job-not-object",
           QT_TRANSLATE_NOOP("Issue", "not a job: the file must hold one object, {{...}}")},
    Phrase{"settings-not-object",
           QT_TRANSLATE_NOOP("Issue", "no settings: the file must hold one object, {{...}}")},
    Phrase{"job-key-missing", QT_TRANSLATE_NOOP("Issue", "\"{key}\" is missing")},
    Phrase{"job-type-wrong",
           QT_TRANSLATE_NOOP("Issue", "{key}: {value} is not allowed; expected {expected}")},
    Phrase{"method-unknown",
           QT_TRANSLATE_NOOP("Issue",
                             "method: \"{value}\" is not known[; did you mean {nearest}?]; "
                             "allowed: {allowed}")},
    Phrase{"method-lacks",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{method} does not know \"{key}\", which this book has; begin a new book for it")},
    Phrase{
        "key-unknown",
        QT_TRANSLATE_NOOP("Issue",
                          "\"{key}\" is not known in {section}[; did you mean \"{nearest}\"?][; it "
                          "belongs in {elsewhere}]")},
    Phrase{"keys-unknown",
           QT_TRANSLATE_NOOP("Issue", "{count} more keys in {section} are not known")},
    Phrase{"key-twice", QT_TRANSLATE_NOOP("Issue", "\"{key}\" stands twice in the same object")},
    Phrase{"text-not-utf8",
           QT_TRANSLATE_NOOP("Issue", "not UTF-8: the byte {byte} cannot stand here")},
    Phrase{"json-empty", QT_TRANSLATE_NOOP("Issue", "not JSON: there is nothing in it")},
    Phrase{"json-more",
           QT_TRANSLATE_NOOP("Issue", "not JSON: something follows the end[: {token}]")},
    Phrase{
        "json-name-missing",
        QT_TRANSLATE_NOOP(
            "Issue",
            "not JSON: a name in double quotes is expected[, not {token}]; after the last entry no "
            "comma")},
    Phrase{
        "json-colon-missing",
        QT_TRANSLATE_NOOP("Issue", "not JSON: a colon is expected after the name[, not {token}]")},
    Phrase{"json-object-open",
           QT_TRANSLATE_NOOP("Issue", "not JSON: a comma or }} is expected[, not {token}]")},
    Phrase{"json-list-open",
           QT_TRANSLATE_NOOP("Issue", "not JSON: a comma or ] is expected[, not {token}]")},
    Phrase{"json-value-missing",
           QT_TRANSLATE_NOOP(
               "Issue",
               "not JSON: a value is expected[, not {token}]; a text stands in double quotes")},
    Phrase{"json-not-finite", QT_TRANSLATE_NOOP("Issue", "not JSON: {token} is no number in it")},
    Phrase{"json-number",
           QT_TRANSLATE_NOOP("Issue", "not JSON: the number {token} is not finished")},
    Phrase{"json-escape", QT_TRANSLATE_NOOP("Issue",
                                            "not JSON: {token} is no escape; allowed after \\ are "
                                            "\" \\ / b f n r t and u with four "
                                            "hexadecimal digits, in pairs above FFFF")},
    Phrase{"json-text-open",
           QT_TRANSLATE_NOOP("Issue", "not JSON: this text has no closing quote")},
    Phrase{"json-control", QT_TRANSLATE_NOOP("Issue",
                                             "not JSON: the control character {byte} cannot stand "
                                             "in a text; write it as an escape")},
    Phrase{"too-deep",
           QT_TRANSLATE_NOOP("Issue", "nested deeper than {limit}, the most that is allowed")},
    Phrase{"number-too-large",
           QT_TRANSLATE_NOOP("Issue", "{value} is too large for a number; at most about 1.8e308")},
    Phrase{"file-too-large",
           QT_TRANSLATE_NOOP("Issue", "the file is larger than {limit}, the most that is allowed")},
    Phrase{"file-unreadable", QT_TRANSLATE_NOOP("Issue", "cannot be read: {reason}")},
    Phrase{"folder-unreadable", QT_TRANSLATE_NOOP("Issue", "the folder cannot be read: {reason}")},
    Phrase{"file-unwritable",
           QT_TRANSLATE_NOOP("Issue", "{path} cannot be written: {reason}; nothing was changed")},
    Phrase{
        "file-there",
        QT_TRANSLATE_NOOP(
            "Issue", "{path} is there already; it is not written over, rename or remove it first")},
    Phrase{"file-gone", QT_TRANSLATE_NOOP("Issue", "{path} is no longer where it was read from")},
    Phrase{
        "file-unsure",
        QT_TRANSLATE_NOOP(
            "Issue", "{path} cannot be read ({reason}), so that nobody knows what is in it now")},
    Phrase{"file-read-only",
           QT_TRANSLATE_NOOP("Issue", "{path} is write-protected; it is not written over")},
    Phrase{"file-changed",
           QT_TRANSLATE_NOOP("Issue", "{path} was changed by another program since it was read")},
    // rule files
    Phrase{"toml-syntax", QT_TRANSLATE_NOOP("Issue", "not TOML: {detail}")},
    Phrase{
        "toml-key-deep",
        QT_TRANSLATE_NOOP("Issue", "not TOML that is read here: a key of more than {limit} parts")},
    Phrase{"mistakes-more",
           QT_TRANSLATE_NOOP("Issue", "more than {count} mistakes; mend these first")},
    Phrase{"key-missing", QT_TRANSLATE_NOOP("Issue", "\"{key}\" is missing in this {section}")},
    Phrase{"type-wrong",
           QT_TRANSLATE_NOOP("Issue", "{key}: a {found} is not allowed; expected {expected}")},
    Phrase{"value-not-allowed",
           QT_TRANSLATE_NOOP("Issue", "{key}: \"{value}\" is not allowed; allowed: {allowed}")},
    Phrase{"text-empty", QT_TRANSLATE_NOOP("Issue", "{key} is empty; it must say something")},
    Phrase{
        "id-malformed",
        QT_TRANSLATE_NOOP(
            "Issue",
            "\"{id}\" is not an id; allowed are small letters, digits, _ and -, beginning with a "
            "letter, at most 64")},
    Phrase{"id-duplicate",
           QT_TRANSLATE_NOOP("Issue", "\"{id}\" is used twice[; the first is in line {line}]")},
    Phrase{"id-with-minus",
           QT_TRANSLATE_NOOP(
               "Issue", "\"{id}\" would be read as a subtraction in a formula; write _ for -")},
    Phrase{"id-reserved",
           QT_TRANSLATE_NOOP(
               "Issue", "\"{id}\" is a word that formulas or jobs have already; take another")},
    Phrase{
        "id-not-name",
        QT_TRANSLATE_NOOP(
            "Issue", "the id \"{id}\" is not the file's name, \"{name}\"; both must be the same")},
    Phrase{
        "id-ships",
        QT_TRANSLATE_NOOP(
            "Issue",
            "left out: rules with the id \"{id}\" ship with the program; give the file and its id "
            "another name")},
    Phrase{"range-malformed",
           QT_TRANSLATE_NOOP("Issue",
                             "{key}: two figures are needed, least and most, like \"1 mm\", "
                             "\"80 mm\"")},
    Phrase{"range-wrong",
           QT_TRANSLATE_NOOP("Issue", "the range begins at {least}, above its end at {most}")},
    Phrase{"default-out-of-range",
           QT_TRANSLATE_NOOP("Issue",
                             "{id}: the default {value} is outside its range, {least} to "
                             "{most}")},
    Phrase{"column-uneven",
           QT_TRANSLATE_NOOP(
               "Issue", "{key}: {found} figures for {options} options; each option needs one")},
    Phrase{"pack-broken",
           QT_TRANSLATE_NOOP("Issue",
                             "the program's own copy of this file is broken; install it again")},
    Phrase{"words-brace",
           QT_TRANSLATE_NOOP("Issue",
                             "{key}: a brace without its partner; write {{{{ for a brace itself")},
    Phrase{"base-unknown", QT_TRANSLATE_NOOP("Issue", "the base \"{base}\" is not known")},
    Phrase{
        "base-circle",
        QT_TRANSLATE_NOOP(
            "Issue", "the base \"{base}\" leads in a circle, over more than 8 levels or 64 files")},
    Phrase{"want-missing",
           QT_TRANSLATE_NOOP("Issue", "\"{name}\" is missing; methods on {base} must supply it")},
    Phrase{"touches-unknown",
           QT_TRANSLATE_NOOP("Issue", "{id} touches \"{name}\", which is not known")},
    Phrase{"formula-unknown-name",
           QT_TRANSLATE_NOOP("Issue", "\"{name}\" is not known[; did you mean \"{nearest}\"?]")},
    Phrase{"formula-unknown-function",
           QT_TRANSLATE_NOOP("Issue",
                             "there is no function \"{name}\"[; did you mean \"{nearest}\"?]")},
    Phrase{"formula-syntax",
           QT_TRANSLATE_NOOP("Issue", "the formula breaks off here[, at \"{what}\"]: {formula}")},
    Phrase{"formula-assigns",
           QT_TRANSLATE_NOOP("Issue",
                             "a formula compares with ==; a single = is not allowed: {formula}")},
    Phrase{
        "formula-two-results",
        QT_TRANSLATE_NOOP(
            "Issue", "the formula has two results; a decimal is written with a point: {formula}")},
    Phrase{
        "formula-too-long",
        QT_TRANSLATE_NOOP(
            "Issue",
            "the formula has {found} characters; at most {limit} are allowed, give parts of it a "
            "name of their own")},
    Phrase{"formula-too-deep",
           QT_TRANSLATE_NOOP(
               "Issue",
               "the formula is nested deeper than {limit}, the most that is allowed: {formula}")},
    Phrase{"formula-arguments",
           QT_TRANSLATE_NOOP("Issue", "{count} arguments are not allowed; it is {written}")},
    Phrase{"formula-bare-number",
           QT_TRANSLATE_NOOP(
               "Issue",
               "a bare {number} cannot stand for {wanted_dimension}; write its unit, like {like}: "
               "{formula}")},
    Phrase{"formula-dimension",
           QT_TRANSLATE_NOOP(
               "Issue", "\"{text}\" is {dimension}; {wanted_dimension} is needed here: {formula}")},
    Phrase{"formula-choice",
           QT_TRANSLATE_NOOP("Issue", "\"{text}\" is no option of \"{other}\": {formula}")},
    Phrase{"view-input-missing",
           QT_TRANSLATE_NOOP("Issue", "{figure} also needs {name}; bind it to a formula")},
    Phrase{"view-spot-unknown", QT_TRANSLATE_NOOP("Issue", "{figure} has no spot \"{name}\"")},
    Phrase{
        "series-unknown",
        QT_TRANSLATE_NOOP("Issue", "there is no series \"{name}\"[; did you mean \"{nearest}\"?]")},
    Phrase{"series-columns",
           QT_TRANSLATE_NOOP("Issue",
                             "{id}: from 1 to 16 formulas are needed, x, y or others in also")},
    Phrase{"series-too-many",
           QT_TRANSLATE_NOOP("Issue", "{name}: {value} is not allowed; at most {limit}")},
    Phrase{"case-none",
           QT_TRANSLATE_NOOP(
               "Issue", "no worked example in it; one begins with its name in square brackets")},
    Phrase{"case-malformed",
           QT_TRANSLATE_NOOP(
               "Issue",
               "\"{line}\" is neither an input (id = value) nor an expectation (=> id = value)")},
    Phrase{"case-method",
           QT_TRANSLATE_NOOP("Issue", "there are no sound rules \"{value}\" for this example")},
    Phrase{"case-expects-nothing",
           QT_TRANSLATE_NOOP("Issue", "\"{name}\" expects nothing; give it a line with =>")},
    Phrase{"case-differs", QT_TRANSLATE_NOOP("Issue", "expected \"{expected}\", found {found}")},
    Phrase{"formula-circle", QT_TRANSLATE_NOOP("Issue", "these formulas go in a circle: {chain}")},
    Phrase{"stitch-end-not-one",
           QT_TRANSLATE_NOOP("Issue",
                             "\"{value}\" names no hole; write its id, and for one of a row its "
                             "number after it in square brackets")},
    Phrase{"stitch-hole-unknown",
           QT_TRANSLATE_NOOP("Issue",
                             "\"{name}\" is no hole of this pattern[; did you mean {nearest}?]")},
    Phrase{"stitch-row-or-one",
           QT_TRANSLATE_NOOP("Issue", "\"{name}\" must be written as {value}")},
    Phrase{"stitch-index",
           QT_TRANSLATE_NOOP("Issue",
                             "{name}: {value} is none of the row; k runs from {least} to {most}")},
    Phrase{"stitch-run",
           QT_TRANSLATE_NOOP(
               "Issue", "{name}: {value} is not allowed in for; whole numbers from 0 to {most}")},
    Phrase{"pattern-no-hole",
           QT_TRANSLATE_NOOP("Issue",
                             "{name} has no hole on this book; a pattern needs one at the least")},
    Phrase{"pattern-holes-many",
           QT_TRANSLATE_NOOP("Issue", "{value} holes are too many; at most {limit}")},
    Phrase{"pattern-place",
           QT_TRANSLATE_NOOP(
               "Issue", "{name}[: {value}] is no place for a hole; a number from 0 is needed")},
    Phrase{"pattern-holes-near",
           QT_TRANSLATE_NOOP("Issue", "{name} are {value} apart; at least {limit} is needed")},
    Phrase{"pattern-stretch-self",
           QT_TRANSLATE_NOOP("Issue", "a stretch leads from {name} to itself")},
    Phrase{"pattern-stretch-twice",
           QT_TRANSLATE_NOOP("Issue", "the stretch {name} is there twice")},
    Phrase{"pattern-wrap-twice",
           QT_TRANSLATE_NOOP("Issue", "{name} is wrapped round the {value} twice")},
    Phrase{"pattern-hole-bare",
           QT_TRANSLATE_NOOP("Issue", "no stretch and no wrap comes to {name}")},
    Phrase{"pattern-parts",
           QT_TRANSLATE_NOOP("Issue", "the pattern is in parts: {value} are not joined")},
    Phrase{"pattern-start-row", QT_TRANSLATE_NOOP("Issue",
                                                  "start: \"{value}\" is no row of this pattern[; "
                                                  "did you mean {nearest}?]; there are {allowed}")},
    Phrase{"pattern-unknown", QT_TRANSLATE_NOOP("Issue",
                                                "the pattern \"{value}\" is not known[; did you "
                                                "mean {nearest}?]; there are {allowed}")},
    Phrase{"sewing-missing",
           QT_TRANSLATE_NOOP("Issue",
                             "[a book by \"{method}\" tells of no sewing; ]{name} is missing; "
                             "it says what is sewn, and how: its kind is one of {allowed}")},
    Phrase{
        "sewing-word",
        QT_TRANSLATE_NOOP(
            "Issue",
            "{name}: \"{value}\" is not allowed[; did you mean {nearest}?]; there are {allowed}")},
    Phrase{"sewing-only-stab",
           QT_TRANSLATE_NOOP("Issue", "{name} can be said of stab sewing only")},
    Phrase{"sewing-hole-none", QT_TRANSLATE_NOOP("Issue", "hole {value}: this pattern has {most}")},
    Phrase{"sewing-ends",
           QT_TRANSLATE_NOOP(
               "Issue",
               "{name}: twice {value} is not allowed; less than the spine, {limit}, is needed")},
    Phrase{"sewing-few", QT_TRANSLATE_NOOP("Issue",
                                           "{name}: {value} is not allowed; at least {least}, or 0 "
                                           "for as many as the pitch gives")},
    Phrase{"sewing-no-spine-wrap",
           QT_TRANSLATE_NOOP("Issue",
                             "finish: an ornament needs a start hole that is wrapped round the "
                             "spine, and hole {value} is not")},
    Phrase{
        "sewing-token",
        QT_TRANSLATE_NOOP("Issue",
                          "\"{value}\" is no step[; did you mean {nearest}?]; write 6+ for through "
                          "hole 6 to the front, 6- to the back, spine, head, tail or knot")},
    Phrase{"sewing-tokens-many",
           QT_TRANSLATE_NOOP("Issue", "{value} steps are too many; at most {limit}")},
};

/// Whether every {name} of the sentence is told by its kind.
constexpr bool isTold(const Phrase& phrase) {
  std::string_view rest = phrase.english;
  for (std::size_t at = rest.find('{'); at != std::string_view::npos; at = rest.find('{')) {
    if (rest.substr(at, 2) == "{{") {
      rest.remove_prefix(at + 2);
      continue;
    }
    const std::size_t end = rest.find('}', at);
    if (!phrase.id.tells(rest.substr(at + 1, end - at - 1))) return false;
    rest.remove_prefix(end);
  }
  return true;
}

/// Words for each kind, in their order, and no names that it does not tell.
constexpr bool areWhole() {
  if (kPhrases.size() != std::size(kIssueKinds)) return false;
  for (std::size_t i = 0; i < kPhrases.size(); ++i)
    if (kPhrases[i].id.text() != kIssueKinds[i].id || !isTold(kPhrases[i])) return false;
  return true;
}
static_assert(areWhole());

/// What was left open on purpose.
[[maybe_unused]] bool isBlank(const IssueArgument& argument) {
  const auto* text = std::get_if<std::string>(&argument.value);
  return text != nullptr && text->empty();
}

}  // namespace

namespace {

/// A tab is a blank there, so that the caret stands where it should.
std::string excerptText(std::string_view excerpt) {
  std::string text(excerpt);
  std::replace(text.begin(), text.end(), '\t', ' ');
  return shownText(text);
}

}  // namespace

std::string issueWords(const Issue& issue, const Notation& notation, const Translate& translate) {
  for (const Phrase& phrase : kPhrases) {
    if (phrase.id != issue.id) continue;
    assert(std::all_of(issue.arguments.begin(), issue.arguments.end(),
                       [&](const IssueArgument& argument) {
                         return issue.id.tells(argument.name.text()) || isBlank(argument);
                       }));
    const std::string text = translate ? translate(phrase.english) : phrase.english;
    return filledPhrase(text, issue, notation);
  }
  return {};
}

std::string placedWords(const Issue& issue, const Notation& notation) {
  std::string words = issueWords(issue, notation);
  std::string out = shownText(issue.where.file);
  if (issue.where.line == 0 && words.starts_with(out)) return words;  // a path is told once
  if (issue.where.line > 0) out += ":" + std::to_string(issue.where.line);
  if (issue.where.line > 0 && issue.where.column > 0)
    out += ":" + std::to_string(issue.where.column);
  if (!out.empty()) out += ": ";
  return out + words;
}

std::string placedWordsWithCaret(const Issue& issue, const Notation& notation) {
  std::string out = placedWords(issue, notation) + "\n";
  if (issue.excerpt.empty()) return out;
  out += "  " + excerptText(issue.excerpt) + "\n";
  const std::size_t before =
      bytesOf(issue.excerpt, static_cast<std::size_t>(std::max(issue.where.column, 1)) - 1);
  if (before > issue.excerpt.size()) return out;
  const std::string shown = excerptText(std::string_view(issue.excerpt).substr(0, before));
  return out + "  " + std::string(charactersOf(shown), ' ') + "^\n";
}

std::vector<std::string> issueIds() {
  std::vector<std::string> ids;
  ids.reserve(kPhrases.size());
  for (const Phrase& phrase : kPhrases) ids.emplace_back(phrase.id.text());
  return ids;
}

}  // namespace drapery
