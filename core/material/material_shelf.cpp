#include "core/material/material_shelf.h"

#include <algorithm>

#include "core/quantity/format_length.h"
#include "core/quantity/parse_length.h"
#include "core/toml/node_pack.h"
#include "core/toml/table_reader.h"
#include "core/toml/toml_node.h"

namespace drapery {

namespace {

constexpr const char* kSchema = "drapery-materials/1";
constexpr double kLargestGrammage = 5000.0;
constexpr double kLargestBulk = 20.0;

std::optional<Length> lengthOf(const Node& node) {
  std::optional<Length> length;
  if (node.kind == Node::Kind::Number) length = Length::fromMm(node.number);
  if (node.kind == Node::Kind::Text) {
    const auto parsed = parseLength(node.text, Units::Millimetres);
    if (const auto* found = std::get_if<Length>(&parsed)) length = *found;
  }
  return length && *length > Length() ? length : std::nullopt;
}

/// With the value where it can be shown in a word.
void refuse(TableReader& in, const Node& node, const char* key, const std::string& allowed) {
  const bool isWord = node.kind == Node::Kind::Number || node.kind == Node::Kind::Text;
  if (!isWord) return in.complainType(node, key, allowed.c_str());
  in.complain(node, "value-not-allowed",
              {{"key", std::string(key)}, {"value", shortened(node.text)}, {"allowed", allowed}});
}

std::optional<double> figure(TableReader& in, const char* key, double most) {
  const Node* node = in.find(key);
  if (node == nullptr) return std::nullopt;
  if (node->kind == Node::Kind::Number && node->number > 0.0 && node->number <= most)
    return node->number;
  refuse(in, *node, key, "numbers above 0, to " + formatNumber(most, 0));
  return std::nullopt;
}

std::vector<SheetSize> sheets(TableReader& in) {
  std::vector<SheetSize> all;
  const Node* list = in.list("sheets", Needed::No);
  if (list == nullptr) return all;
  for (const Node& item : list->items) {
    const auto width = item.items.size() == 2 ? lengthOf(item.items[0]) : std::nullopt;
    const auto height = item.items.size() == 2 ? lengthOf(item.items[1]) : std::nullopt;
    if (width && height) {
      all.push_back({*width, *height});
    } else {
      in.complainType(item, "sheets", "list of pairs of lengths, across and along the grain");
    }
  }
  return all;
}

Material readMaterial(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "material", placer);
  Material material;
  material.id = in.id();
  material.kind =
      in.choice("kind",
                Choices<std::string>{
                    {"board", "board"}, {"card", "card"}, {"cloth", "cloth"}, {"paper", "paper"}},
                std::string("paper"));
  material.title = in.text("title", Needed::Yes);
  material.practice = in.text("practice", Needed::No);
  material.grammage = figure(in, "grammage", kLargestGrammage);
  material.bulk = figure(in, "bulk", kLargestBulk);
  if (const Node* thickness = in.find("thickness")) {
    material.thickness = lengthOf(*thickness);
    if (!material.thickness) refuse(in, *thickness, "thickness", "lengths above 0");
  }
  material.sheets = sheets(in);
  in.finish();
  return material;
}

void readFile(const TomlFile& file, std::vector<Material>& materials, Issues& issues) {
  auto parsed = file.packed.empty() ? parseToml(file.text, 0) : unpackNode(file.packed, 0);
  if (auto* issue = std::get_if<Issue>(&parsed)) {
    issue->where.file = file.file;
    issue->excerpt = sourceLine(file.text, issue->where.line);
    issues.push_back(std::move(*issue));
    return;
  }
  IssuePlacer placer({{file.file, file.text}}, issues);
  TableReader in(std::get<Node>(parsed), "file", placer);
  in.exactly("schema", kSchema);
  in.eachTable("material", [&](const Node& node) {
    const std::size_t before = issues.size();
    Material material = readMaterial(node, placer);
    if (issues.size() == before) materials.push_back(std::move(material));
  });
  in.finish();
}

}  // namespace

MaterialShelf::MaterialShelf(std::vector<TomlFile> sources, Issues leftOut)
    : sources_(std::move(sources)), leftOut_(std::move(leftOut)) {}

void MaterialShelf::read() const {
  std::call_once(isRead_, [this] { readAll(); });
}

void MaterialShelf::readAll() const {
  std::vector<Material> found;
  for (const TomlFile& file : sources_) readFile(file, found, issues_);
  for (Material& material : found) {
    const auto [known, isNew] = index_.emplace(material.id, materials_.size());
    if (isNew)
      materials_.push_back(std::move(material));
    else
      materials_[known->second] = std::move(material);
  }
}

const Material* MaterialShelf::find(std::string_view id) const {
  read();
  const auto known = index_.find(id);
  return known == index_.end() ? nullptr : &materials_[known->second];
}

const std::vector<Material>& MaterialShelf::all() const {
  read();
  return materials_;
}

const Issues& MaterialShelf::issues() const {
  read();
  return issues_;
}

ShelfPtr makeShelf(const std::string& folder) {
  std::vector<TomlFile> sources;
  Issues leftOut;
  if (!folder.empty()) sources = tomlFilesIn(folder, leftOut);
  sources.insert(sources.begin(), shippedMaterials().begin(), shippedMaterials().end());
  return std::make_shared<const MaterialShelf>(std::move(sources), std::move(leftOut));
}

}  // namespace drapery
