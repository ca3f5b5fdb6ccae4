#include "store/shop_json.h"

#include <filesystem>

#include "core/file/read_file.h"
#include "store/json_out.h"
#include "store/section_reader.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

class ShopReader : SectionReader {
 public:
  ShopReader(const std::string& file, Issues& issues) : SectionReader("shop", file, issues) {}

  Shop read(const Node& root) {
    Shop shop;
    if (!isTable(root, "shop")) return shop;
    know(root, "shop", {"schema", "gauges", "printers"});
    if (text(root, "shop", "schema", true) != kShopSchema)
      if (const Node* schema = root.find("schema"))
        complain(*schema, "value-not-allowed",
                 {{"key", std::string("schema")},
                  {"value", shortened(described(*schema))},
                  {"allowed", std::string(kShopSchema)}});
    each(root, "gauges", [&](const Node& item, const std::string& at) {
      if (!isTable(item, at)) return;
      know(item, at, {"name", "wide"});
      const std::string name = text(item, at, "name", true);
      shop.keep(ShopGauge{
          name, Length::fromMm(figure(item, at, "wide", Shop::kThinnest, Shop::kWidest))});
    });
    each(root, "printers", [&](const Node& item, const std::string& at) {
      if (!isTable(item, at)) return;
      know(item, at, {"name", "across", "along"});
      const std::string name = text(item, at, "name", true);
      const auto error = [&](const char* key) {
        return figure(item, at, key, PrinterError::kLeast, PrinterError::kMost);
      };
      shop.keep(ShopPrinter{name, {error("across"), error("along")}});
    });
    return shop;
  }

 private:
  double figure(const Node& item, const std::string& at, const char* key, double least,
                double most) {
    if (const Node* node = item.find(key)) return number(*node, at + "." + key, least, most, false);
    complain(item, "job-key-missing", {{"key", at + "." + key}});
    return least;
  }
};

}  // namespace

std::variant<Shop, Issues> readShop(std::string_view text, const std::string& file) {
  auto parsed = parseJson(text);
  if (auto* issues = std::get_if<Issues>(&parsed)) {
    for (Issue& issue : *issues) issue.where.file = file;
    return std::move(*issues);
  }
  Issues issues;
  Shop shop = ShopReader(file, issues).read(std::get<Node>(parsed));
  if (!issues.empty()) return issues;
  return shop;
}

std::string writeShop(const Shop& shop) {
  constexpr unsigned kIndent = 2;
  PrettyJson json(kIndent);
  json.beginObject();
  json.key("schema").text(kShopSchema);
  json.key("gauges").beginList();
  for (const ShopGauge& gauge : shop.gauges) {
    json.beginObject();
    json.key("name").text(gauge.name);
    json.key("wide").number(gauge.wide.mm());
    json.endObject();
  }
  json.endList();
  json.key("printers").beginList();
  for (const ShopPrinter& printer : shop.printers) {
    json.beginObject();
    json.key("name").text(printer.name);
    json.key("across").number(printer.error.across);
    json.key("along").number(printer.error.along);
    json.endObject();
  }
  json.endList();
  json.endObject();
  return json.str();
}

std::variant<Shop, Issues> shopIn(const std::string& path) {
  std::error_code ignored;
  if (!std::filesystem::exists(path, ignored)) return Shop();
  const auto text = readWhole(path, kLargestJsonFile);
  if (const auto* issue = std::get_if<Issue>(&text)) return Issues{*issue};
  return readShop(std::get<std::string>(text), path);
}

std::optional<Issue> keepShop(const Shop& shop, const std::string& path) {
  std::error_code ignored;
  std::filesystem::create_directories(std::filesystem::path(path).parent_path(), ignored);
  return writeWhole(path, writeShop(shop));
}

}  // namespace drapery
