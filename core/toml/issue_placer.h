// Places an issue in the file that a node stands in.
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "core/diag/node.h"

namespace drapery {

class IssuePlacer {
 public:
  /// A file with more mistakes than these is told of them only, and that there are more.
  static constexpr std::size_t kMostTold = 100;

  /// Files' names and texts by the nodes' `source`; the texts outlive the placer.
  IssuePlacer(const std::vector<std::pair<std::string, std::string_view>>& filesAndTexts,
              Issues& issues);

  [[nodiscard]] SourcePosition at(int source, int line, int column) const;
  /// The place of a byte of a text as it was read: `first` is that of its first character behind
  /// one quote. Minds long texts, escapes and letters of several bytes.
  [[nodiscard]] SourcePosition inText(const SourcePosition& first, std::size_t offset) const;
  void add(IssueId id, IssueArguments arguments, const SourcePosition& where);
  void addAt(const Node& node, IssueId id, IssueArguments arguments);
  /// Whether no more are told, so that nothing need be looked up for them.
  [[nodiscard]] bool isFull() const { return told_ > kMostTold; }

 private:
  struct File {
    std::string name;
    std::string_view text;
    mutable std::vector<std::size_t> lines;  // where each begins; found when first asked for
  };
  [[nodiscard]] const File* fileNamed(std::string_view name) const;
  static std::string_view lineOf(const File& file, int line);

  std::vector<File> files_;
  Issues& issues_;
  std::size_t told_ = 0;
};

}  // namespace drapery
