// A document as a tree that remembers where each thing stood: what both the job reader (JSON) and
// the rule reader (TOML) hand on, so that every mistake can be placed.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/diag/issue.h"

namespace drapery {

struct Node {
  enum class Kind { Null, Boolean, Number, Text, List, Table };

  struct Member;

  Kind kind = Kind::Null;
  std::string text;     // Text: its value. Number: as written, shortened
  double number = 0.0;  // Number; Boolean: 0 or 1
  int line = 0;         // where the value begins
  int column = 0;
  int source = 0;         // which of several merged files it stands in
  std::size_t begin = 0;  // byte range in the source, where the reader knows it
  std::size_t end = 0;
  std::vector<Node> items;      // List
  std::vector<Member> members;  // Table, in the order written

  [[nodiscard]] const Node* find(std::string_view key) const;
};

struct Node::Member {
  std::string key;
  int line = 0;
  int column = 0;
  int source = 0;
  Node value;
};

inline const Node* Node::find(std::string_view key) const {
  for (const Member& member : members)
    if (member.key == key) return &member.value;
  return nullptr;
}

/// Line `line` (from 1) of `source` without its end; empty when there is none. Long lines are
/// cut, since they are only shown.
std::string sourceLine(std::string_view source, int line);

}  // namespace drapery
