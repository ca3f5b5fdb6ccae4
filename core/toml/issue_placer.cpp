#include "core/toml/issue_placer.h"

#include <algorithm>

#include "core/diag/utf8.h"
#include "core/toml/written_text.h"

namespace drapery {

IssuePlacer::IssuePlacer(const std::vector<std::pair<std::string, std::string_view>>& filesAndTexts,
                         Issues& issues)
    : issues_(issues) {
  files_.reserve(filesAndTexts.size());
  for (const auto& [name, text] : filesAndTexts) files_.push_back({name, text, {}});
}

SourcePosition IssuePlacer::at(int source, int line, int column) const {
  const auto index = static_cast<std::size_t>(source);
  return {index < files_.size() ? files_[index].name : std::string(), line, column};
}

const IssuePlacer::File* IssuePlacer::fileNamed(std::string_view name) const {
  const auto found = std::find_if(files_.begin(), files_.end(),
                                  [&](const File& file) { return file.name == name; });
  return found == files_.end() ? nullptr : &*found;
}

/// From the line on to the end of the file.
std::string_view IssuePlacer::lineOf(const File& file, int line) {
  if (file.lines.empty()) {
    file.lines.push_back(0);
    for (std::size_t i = 0; i < file.text.size(); ++i)
      if (file.text[i] == '\n') file.lines.push_back(i + 1);
  }
  const auto index = static_cast<std::size_t>(line) - 1;
  return line < 1 || index >= file.lines.size() ? std::string_view()
                                                : file.text.substr(file.lines[index]);
}

SourcePosition IssuePlacer::inText(const SourcePosition& first, std::size_t offset) const {
  const File* file = fileNamed(first.file);
  const std::string_view from = file != nullptr ? lineOf(*file, first.line) : std::string_view();
  const auto before = static_cast<std::size_t>(std::max(first.column - 2, 0));
  const std::size_t quote = bytesOf(from, before);
  if (quote >= from.size())
    return {first.file, first.line, first.column + static_cast<int>(offset)};
  const TextPlace moved = placeInText(from.substr(quote), offset);
  if (moved.lines > 0) return {first.file, first.line + moved.lines, moved.characters + 1};
  return {first.file, first.line, first.column - 1 + moved.characters};
}

void IssuePlacer::add(IssueId id, IssueArguments arguments, const SourcePosition& where) {
  if (++told_ == kMostTold + 1)
    issues_.push_back(
        {"mistakes-more", {{"count", std::to_string(kMostTold)}}, {}, {where.file, 0, 0}, {}});
  if (isFull()) return;
  Issue issue{id, std::move(arguments), {}, where, {}};
  if (const File* file = fileNamed(where.file))
    issue.excerpt = sourceLine(lineOf(*file, where.line), 1);
  issues_.push_back(std::move(issue));
}

void IssuePlacer::addAt(const Node& node, IssueId id, IssueArguments arguments) {
  add(id, std::move(arguments), at(node.source, node.line, node.column));
}

}  // namespace drapery
