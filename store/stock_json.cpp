#include "store/stock_json.h"

#include "core/quantity/format_length.h"
#include "core/quantity/grammage_band.h"
#include "core/quantity/parse_length.h"
#include "store/cut_reader.h"
#include "store/json_out.h"

namespace drapery {

namespace {

const char* nameOf(GrainSign sign) {
  switch (sign) {
    case GrainSign::Damp:
      return "damp";
    case GrainSign::Tear:
      return "tear";
    case GrainSign::Bend:
      break;
  }
  return "bend";
}

class StockReader : public CutReader {
 public:
  using CutReader::CutReader;

  std::variant<Stock, Issues> read() {
    if (!isObject()) return std::move(issues_);
    know(root_, "the file", {"schema", "usable", "stocks"});
    const std::string schema = text(root_, "", "schema");
    if (!schema.empty() && schema != kStockSchema)
      complain(*root_.find("schema"), "value-not-allowed",
               {{"key", std::string("schema")},
                {"value", shortened(schema)},
                {"allowed", std::string(kStockSchema)}});
    Stock stock;
    if (const Node* usable = root_.find("usable")) readUsable(*usable, stock.usable);
    each("stocks",
         [&](const Node& node, const std::string& at) { stock.items.push_back(item(node, at)); });
    if (!issues_.empty()) return std::move(issues_);
    return stock;
  }

 private:
  void readUsable(const Node& node, UsableLeft& usable) {
    if (node.kind != Node::Kind::Table) return complainType(node, "usable", "an object");
    know(node, "usable", {"narrow", "wide"});
    if (node.find("narrow") != nullptr) usable.narrow = length(node, "usable.", "narrow", 0.001);
    if (node.find("wide") != nullptr) usable.wide = length(node, "usable.", "wide", 0.001);
  }

  StockItem item(const Node& node, const std::string& at) {
    know(node, at.substr(0, at.size() - 1),
         {"id", "material", "form", "W", "L", "grain", "pattern", "count", "trim", "kerf", "cost",
          "thickness", "grammage", "place", "note", "off_cut", "grain_test"});
    StockItem item;
    item.lies = stock(node, at);
    for (const char* side : {"W", "L"})
      if (const Node* written = node.find(side)) item.units = unitsOf(written->text, item.units);
    item.thickness = length(node, at, "thickness", 0, false);
    item.grammage = number(node, at, "grammage", 0, kHeaviest, false).value_or(0.0);
    item.place = text(node, at, "place", false);
    item.note = text(node, at, "note", false);
    if (const Node* offCut = node.find("off_cut")) {
      if (offCut->kind != Node::Kind::Boolean)
        complainType(*offCut, at + "off_cut", "true or false");
      item.isOffCut = offCut->number != 0;
    }
    if (const Node* test = node.find("grain_test")) item.grainTest = grainTest(*test, at);
    return item;
  }
  std::optional<GrainTest> grainTest(const Node& node, const std::string& at) {
    if (node.kind != Node::Kind::Table) {
      complainType(node, at + "grain_test", "an object");
      return std::nullopt;
    }
    know(node, at + "grain_test", {"by", "on"});
    GrainTest test;
    test.sign = choice<GrainSign>(
        node, at + "grain_test.", "by",
        {{"bend", GrainSign::Bend}, {"damp", GrainSign::Damp}, {"tear", GrainSign::Tear}},
        GrainSign::Bend);
    test.on = text(node, at + "grain_test.", "on", false);
    return test;
  }
};

class StockWriter {
 public:
  std::string write(const Stock& stock) {
    json_.beginObject();
    json_.key("schema").text(kStockSchema);
    json_.key("usable").beginObject();
    mm("narrow", stock.usable.narrow);
    mm("wide", stock.usable.wide);
    json_.endObject();
    json_.key("stocks").beginList();
    for (const StockItem& item : stock.items) write(item);
    json_.endList();
    json_.endObject();
    return json_.str();
  }

 private:
  void mm(const char* key, Micrometres length) {
    json_.key(key).number(static_cast<double>(length) / 1000);
  }
  void side(const char* key, Micrometres length, Units units) {
    if (units == Units::Millimetres) return mm(key, length);
    json_.key(key).text(
        formatExact(Length::fromMm(static_cast<double>(length) / 1000), Units::Inches));
  }
  void write(const StockItem& item) {
    const CutStock& of = item.lies;
    json_.beginObject();
    json_.key("id").text(of.id);
    json_.key("material").text(of.material);
    json_.key("form").text(of.form == StockForm::Roll ? "roll" : "sheet");
    side("W", of.across, item.units);
    side("L", of.along, item.units);
    json_.key("grain").text(of.grain == StockGrain::Along ? "L" : "W");
    if (of.pattern != StockPattern::None)
      json_.key("pattern").text(of.pattern == StockPattern::Along ? "L" : "W");
    json_.key("count");
    if (of.count)
      json_.number(*of.count);
    else
      json_.raw("null");
    if (of.left + of.right + of.bottom + of.top > 0) {
      json_.key("trim").beginObject();
      mm("left", of.left);
      mm("right", of.right);
      mm("bottom", of.bottom);
      mm("top", of.top);
      json_.endObject();
    }
    mm("kerf", of.kerf);
    json_.key("cost").number(of.cost);
    if (item.thickness > 0) mm("thickness", item.thickness);
    if (item.grammage > 0) json_.key("grammage").number(item.grammage);
    if (!item.place.empty()) json_.key("place").text(item.place);
    if (!item.note.empty()) json_.key("note").text(item.note);
    if (item.isOffCut) json_.key("off_cut").flag(true);
    if (item.grainTest) {
      json_.key("grain_test").beginObject();
      json_.key("by").text(nameOf(item.grainTest->sign));
      if (!item.grainTest->on.empty()) json_.key("on").text(item.grainTest->on);
      json_.endObject();
    }
    json_.endObject();
  }

  PrettyJson json_{1};
};

}  // namespace

std::variant<Stock, Issues> readStock(std::string_view text, const std::string& file) {
  return readPlaced<Stock>(text, file,
                           [&](const Node& root) { return StockReader(root, file, true).read(); });
}

std::string writeStock(const Stock& stock) { return StockWriter().write(stock); }

}  // namespace drapery
