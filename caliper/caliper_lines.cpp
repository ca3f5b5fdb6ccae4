#include "caliper/caliper_lines.h"

#include <algorithm>
#include <utility>

#include "core/quantity/parse_length.h"

namespace drapery {

namespace {

constexpr std::size_t kLongestLine = 32;

bool isDigit(char c) { return c >= '0' && c <= '9'; }
bool isBlank(char c) { return c == ' ' || c == '\t'; }
bool isText(char c) { return (c >= ' ' && c <= '~') || c == '\t'; }

std::string trimmed(std::string_view line) {
  while (!line.empty() && isBlank(line.front())) line.remove_prefix(1);
  while (!line.empty() && isBlank(line.back())) line.remove_suffix(1);
  return std::string(line);
}

std::string textOf(std::string_view line) {
  std::string text;
  for (const char c : line)
    if (isText(c)) text += c;
  return trimmed(text);
}

/// Sign, figure and unit of a line: "+", "023.46", "mm".
struct Parts {
  bool hasSign = false;
  std::string figure, unit;
};

Parts partsOf(const std::string& line) {
  Parts parts;
  std::size_t at = 0;
  parts.hasSign = line[0] == '+' || line[0] == '-';
  if (parts.hasSign) ++at;
  while (at < line.size() && isBlank(line[at])) ++at;
  while (at < line.size() && (isDigit(line[at]) || line[at] == '.')) parts.figure += line[at++];
  while (at < line.size() && isBlank(line[at])) ++at;
  for (; at < line.size(); ++at)
    parts.unit += line[at] >= 'A' && line[at] <= 'Z' ? char(line[at] - 'A' + 'a') : line[at];
  return parts;
}

bool isFigure(const std::string& figure) {
  return !figure.empty() && isDigit(figure.front()) && isDigit(figure.back()) &&
         std::count(figure.begin(), figure.end(), '.') == 1;
}

}  // namespace

CaliperLine CaliperLines::read(const std::string& line) {
  CaliperLine read{CaliperFault::Garbled, textOf(line)};
  const bool isFirst = std::exchange(isFirst_, false);
  if (!std::all_of(line.begin(), line.end(), isText)) {
    read.reading = CaliperFault::Unreadable;
    return read;
  }
  const Parts parts = partsOf(read.text);
  if (!isFigure(parts.figure) || (isFirst && !parts.hasSign)) return read;
  if (parts.unit.empty()) read.reading = CaliperFault::NoUnit;
  if (parts.unit != "mm" && parts.unit != "in") return read;
  // A figure that was padded before and is shorter now has lost some of its letters.
  std::size_t& padded = padded_[parts.unit == "in" ? 1 : 0];
  if (parts.figure.size() < padded) return read;
  if (parts.figure.front() == '0' && parts.figure[1] != '.') padded = parts.figure.size();
  const auto length = parseLength(
      (read.text.front() == '-' ? "-" : "") + parts.figure + " " + parts.unit, Units::Millimetres);
  if (const auto* value = std::get_if<Length>(&length)) read.reading = *value;
  return read;
}

std::vector<CaliperLine> CaliperLines::take(std::string_view bytes) {
  std::vector<CaliperLine> lines;
  for (const char c : bytes) {
    if (c == '\n' || c == '\r') {
      if (!trimmed(begun_).empty()) lines.push_back(read(begun_));
      begun_.clear();
      continue;
    }
    begun_ += c;
    if (begun_.size() <= kLongestLine) continue;
    lines.push_back({CaliperFault::Unreadable, textOf(begun_)});
    begun_.clear();
  }
  return lines;
}

}  // namespace drapery
