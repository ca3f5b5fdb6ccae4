#include "core/material/material_catalogue.h"

#include <algorithm>

#include "core/quantity/format_length.h"
#include "core/quantity/grammage_band.h"
#include "core/quantity/parse_length.h"
#include "core/toml/node_pack.h"
#include "core/toml/table_reader.h"
#include "core/toml/toml_node.h"

namespace drapery {

namespace {

constexpr const char* kSchema = "drapery-materials/1";
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
  material.grammage = figure(in, "grammage", kHeaviest);
  material.bulk = figure(in, "bulk", kLargestBulk);
  if (const Node* thickness = in.find("thickness")) {
    material.thickness = lengthOf(*thickness);
    if (!material.thickness) refuse(in, *thickness, "thickness", "lengths above 0");
  }
  material.sheets = sheets(in);
  in.finish();
  return material;
}

std::optional<MaterialKind::Sheet> soldSheet(const Node& item) {
  const auto& of = item.items;
  const bool isNamed = of.size() == 3 && of[2].kind == Node::Kind::Text;
  if (of.size() != 2 && !isNamed) return std::nullopt;
  const auto width = lengthOf(of[0]), height = lengthOf(of[1]);
  if (!width || !height) return std::nullopt;
  return MaterialKind::Sheet{{*width, *height},
                             isNamed ? of[2].text : std::string(),
                             unitsOf(of[0].text, Units::Millimetres)};
}

MaterialKind readKind(const Node& node, IssuePlacer& placer) {
  TableReader in(node, "kind", placer);
  MaterialKind kind;
  kind.id = in.id();
  kind.instead = in.text("instead", Needed::No);
  kind.isByLength = in.flag("by_length");
  kind.layers = in.count("layers");
  kind.practice = in.text("practice", Needed::No);
  const auto each = [&](const char* key, const char* expected, const auto& take) {
    const Node* list = in.list(key, Needed::No);
    if (list == nullptr) return;
    for (const Node& item : list->items)
      if (!take(item)) in.complainType(item, key, expected);
  };
  each("sheets", "list of lengths, across and along the grain, with a name or without",
       [&](const Node& item) {
         const auto sheet = soldSheet(item);
         if (sheet) kind.sheets.push_back(*sheet);
         return sheet.has_value();
       });
  each("rolls", "list of lengths above 0", [&](const Node& item) {
    const auto width = lengthOf(item);
    if (width) kind.rolls.push_back({*width, unitsOf(item.text, Units::Millimetres)});
    return width.has_value();
  });
  in.finish();
  return kind;
}

struct Read {
  std::vector<Material> materials;
  std::vector<MaterialKind> kinds;
};

void readFile(const TomlFile& file, Read& read, Issues& issues) {
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
    if (issues.size() == before) read.materials.push_back(std::move(material));
  });
  in.eachTable("kind", [&](const Node& node) {
    const std::size_t before = issues.size();
    MaterialKind kind = readKind(node, placer);
    if (issues.size() == before) read.kinds.push_back(std::move(kind));
  });
  in.finish();
}

}  // namespace

MaterialCatalogue::MaterialCatalogue(std::vector<TomlFile> sources, Issues leftOut)
    : sources_(std::move(sources)), leftOut_(std::move(leftOut)) {}

void MaterialCatalogue::read() const {
  std::call_once(isRead_, [this] { readAll(); });
}

void MaterialCatalogue::readAll() const {
  Read found;
  for (const TomlFile& file : sources_) readFile(file, found, issues_);
  for (MaterialKind& kind : found.kinds) {
    std::erase_if(kinds_, [&](const MaterialKind& known) { return known.id == kind.id; });
    kinds_.push_back(std::move(kind));
  }
  for (Material& material : found.materials) {
    const auto [known, isNew] = index_.emplace(material.id, materials_.size());
    if (isNew)
      materials_.push_back(std::move(material));
    else
      materials_[known->second] = std::move(material);
  }
}

const Material* MaterialCatalogue::find(std::string_view id) const {
  read();
  const auto known = index_.find(id);
  return known == index_.end() ? nullptr : &materials_[known->second];
}

const std::vector<Material>& MaterialCatalogue::all() const {
  read();
  return materials_;
}

const std::vector<MaterialKind>& MaterialCatalogue::kinds() const {
  read();
  return kinds_;
}

const MaterialKind* MaterialCatalogue::kind(std::string_view id) const {
  const auto known = std::find_if(kinds().begin(), kinds().end(),
                                  [&](const MaterialKind& each) { return each.id == id; });
  return known == kinds_.end() ? nullptr : &*known;
}

const Issues& MaterialCatalogue::issues() const {
  read();
  return issues_;
}

CataloguePtr makeCatalogue(const std::string& folder) {
  std::vector<TomlFile> sources;
  Issues leftOut;
  if (!folder.empty()) sources = tomlFilesIn(folder, leftOut);
  sources.insert(sources.begin(), shippedMaterials().begin(), shippedMaterials().end());
  return std::make_shared<const MaterialCatalogue>(std::move(sources), std::move(leftOut));
}

}  // namespace drapery
