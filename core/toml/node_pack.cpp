#include "core/toml/node_pack.h"

#include <cstdint>
#include <cstring>

namespace drapery {

namespace {

constexpr unsigned kMore = 0x80U;
constexpr unsigned kBits = 7U;
constexpr int kDeepest = 64;

void putCount(std::string& out, std::size_t count) {
  while (count >= kMore) {
    out += static_cast<char>((count & (kMore - 1)) | kMore);
    count >>= kBits;
  }
  out += static_cast<char>(count);
}

void putText(std::string& out, std::string_view text) {
  putCount(out, text.size());
  out += text;
}

void putPlace(std::string& out, int line, int column) {
  putCount(out, static_cast<std::size_t>(line));
  putCount(out, static_cast<std::size_t>(column));
}

void put(std::string& out, const Node& node) {
  out += static_cast<char>(node.kind);
  putPlace(out, node.line, node.column);
  putText(out, node.text);
  char number[sizeof(double)];
  std::memcpy(number, &node.number, sizeof number);
  if (node.kind == Node::Kind::Number || node.kind == Node::Kind::Boolean)
    out.append(number, sizeof number);
  putCount(out, node.items.size());
  for (const Node& item : node.items) put(out, item);
  putCount(out, node.members.size());
  for (const Node::Member& member : node.members) {
    putText(out, member.key);
    putPlace(out, member.line, member.column);
    put(out, member.value);
  }
}

class Unpacking {
 public:
  Unpacking(std::string_view packed, int source) : left_(packed), source_(source) {}

  bool node(Node& node, int depth) {
    if (left_.empty() || depth > kDeepest) return false;
    const auto kind = static_cast<unsigned char>(left_.front());
    if (kind > static_cast<unsigned char>(Node::Kind::Table)) return false;
    left_.remove_prefix(1);
    node.kind = static_cast<Node::Kind>(kind);
    node.source = source_;
    if (!place(node.line, node.column) || !text(node.text)) return false;
    if (node.kind == Node::Kind::Number || node.kind == Node::Kind::Boolean)
      if (!number(node.number)) return false;
    return items(node, depth) && members(node, depth);
  }
  [[nodiscard]] bool isDone() const { return left_.empty(); }

 private:
  bool items(Node& node, int depth) {
    std::size_t size = 0;
    if (!count(size) || size > left_.size()) return false;
    node.items.resize(size);
    for (Node& item : node.items)
      if (!this->node(item, depth + 1)) return false;
    return true;
  }
  bool members(Node& node, int depth) {
    std::size_t size = 0;
    if (!count(size) || size > left_.size()) return false;
    node.members.resize(size);
    for (Node::Member& member : node.members) {
      member.source = source_;
      if (!text(member.key) || !place(member.line, member.column)) return false;
      if (!this->node(member.value, depth + 1)) return false;
    }
    return true;
  }
  bool count(std::size_t& value) {
    value = 0;
    for (unsigned shift = 0; shift < 35 && !left_.empty(); shift += kBits) {
      const auto byte = static_cast<unsigned char>(left_.front());
      left_.remove_prefix(1);
      value |= static_cast<std::size_t>(byte & (kMore - 1)) << shift;
      if ((byte & kMore) == 0) return true;
    }
    return false;
  }
  bool text(std::string& out) {
    std::size_t size = 0;
    if (!count(size) || size > left_.size()) return false;
    out.assign(left_.substr(0, size));
    left_.remove_prefix(size);
    return true;
  }
  bool place(int& line, int& column) {
    std::size_t l = 0, c = 0;
    if (!count(l) || !count(c)) return false;
    line = static_cast<int>(l);
    column = static_cast<int>(c);
    return true;
  }
  bool number(double& value) {
    if (left_.size() < sizeof value) return false;
    std::memcpy(&value, left_.data(), sizeof value);
    left_.remove_prefix(sizeof value);
    return true;
  }

  std::string_view left_;
  int source_;
};

}  // namespace

std::string packNode(const Node& node) {
  std::string out;
  put(out, node);
  return out;
}

std::variant<Node, Issue> unpackNode(std::string_view packed, int source) {
  Node node;
  Unpacking unpacking(packed, source);
  if (unpacking.node(node, 0) && unpacking.isDone()) return node;
  return Issue{"pack-broken", {}, {}, {}, {}};
}

}  // namespace drapery
