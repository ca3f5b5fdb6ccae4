#include "store/job_cutting.h"

#include "store/section_reader.h"

namespace drapery {

namespace {

constexpr double kFarthest = 1e6;  // mm
constexpr double kMost = 1e6;      // of sheets and pieces

class CuttingReader : SectionReader {
 public:
  CuttingReader(const std::string& file, Issues& issues) : SectionReader("cutting", file, issues) {}

  JobCutting read(const Node& node) {
    JobCutting cutting;
    if (!isTable(node, "cutting")) return cutting;
    know(node, "cutting", {"first", "mock_up", "with", "pins", "kept", "done"});
    if (const Node* first = node.find("first"))
      cutting.first = oneOf<StockFirst>(*first, "cutting.first",
                                        {{"least-cost", StockFirst::LeastCost},
                                         {"off-cuts", StockFirst::OffCuts},
                                         {"whole-sheets", StockFirst::WholeSheets}});
    cutting.mockUp = text(node, "cutting", "mock_up", false);
    each(node, "with", [&](const Node& item, const std::string& at) {
      if (item.kind == Node::Kind::Text)
        cutting.with.push_back(item.text);
      else
        complainType(item, at, "text");
    });
    cutting.pins = pins(node, "cutting");
    each(node, "kept", [&](const Node& item, const std::string& at) {
      if (!isTable(item, at)) return;
      know(item, at, {"name", "pins"});
      cutting.kept.push_back({text(item, at, "name", true), pins(item, at)});
    });
    each(node, "done", [&](const Node& item, const std::string& at) {
      if (isTable(item, at)) cutting.done.push_back(done(item, at));
    });
    return cutting;
  }

 private:
  std::vector<JobPin> pins(const Node& in, const std::string& section) {
    std::vector<JobPin> all;
    each(in, "pins", [&](const Node& item, const std::string& here) {
      const std::string at = section == "cutting" ? here : section + "." + here;
      if (!isTable(item, at)) return;
      know(item, at, {"piece", "stock", "sheet", "x", "y", "turned"});
      JobPin pin;
      pin.piece = text(item, at, "piece", true);
      pin.stock = text(item, at, "stock", true);
      for (const auto& [key, value] : {std::pair{"x", &pin.x}, std::pair{"y", &pin.y}}) {
        if (const Node* node = item.find(key))
          *value = number(*node, at + "." + key, 0.0, kFarthest, false);
        else
          complain(item, "job-key-missing", {{"key", at + "." + key}});
      }
      if (const Node* node = item.find("sheet"))
        pin.sheet = static_cast<int>(whole(*node, at + ".sheet", kMost));
      if (const Node* node = item.find("turned")) pin.isTurned = flag(*node, at + ".turned");
      all.push_back(std::move(pin));
    });
    return all;
  }
  CutDone done(const Node& item, const std::string& at) {
    know(item, at,
         {"stock", "book", "pieces", "spoilt", "sheets_spoilt", "mock_up", "sizes", "layers"});
    CutDone done;
    done.stock = text(item, at, "stock", true);
    done.book = text(item, at, "book", false);
    if (item.find("pieces") == nullptr)
      complain(item, "job-key-missing", {{"key", at + ".pieces"}});
    done.pieces = counts(item, at, "pieces");
    done.spoilt = counts(item, at, "spoilt");
    if (const Node* sheets = item.find("sheets_spoilt"))
      done.sheetsSpoilt = static_cast<int>(whole(*sheets, at + ".sheets_spoilt", kMost));
    if (const Node* mockUp = item.find("mock_up")) done.isMockUp = flag(*mockUp, at + ".mock_up");
    done.sizes = sizes(item, at);
    done.layers = counts(item, at, "layers");
    return done;
  }
  bool flag(const Node& node, const std::string& at) {
    if (node.kind != Node::Kind::Boolean) complainType(node, at, "true or false");
    return node.number != 0;
  }
  std::map<std::string, CutSize> sizes(const Node& item, const std::string& at) {
    std::map<std::string, CutSize> all;
    const Node* pieces = item.find("sizes");
    if (pieces == nullptr || !isTable(*pieces, at + ".sizes")) return all;
    for (const Node::Member& member : pieces->members) {
      const Node& size = member.value;
      const std::string here = at + ".sizes." + shortened(member.key);
      if (size.kind != Node::Kind::List || size.items.size() != 2)
        complainType(size, here, "a width and a height");
      else
        all[member.key] = {number(size.items[0], here + "[0]", 0.0, kFarthest, false),
                           number(size.items[1], here + "[1]", 0.0, kFarthest, false)};
    }
    return all;
  }
  std::map<std::string, int> counts(const Node& item, const std::string& at, const char* key) {
    std::map<std::string, int> all;
    const Node* pieces = item.find(key);
    const std::string here = at + "." + key;
    if (pieces == nullptr || !isTable(*pieces, here)) return all;
    for (const Node::Member& member : pieces->members)
      all[member.key] =
          static_cast<int>(whole(member.value, here + "." + shortened(member.key), kMost));
    return all;
  }
};

}  // namespace

JobCutting readCutting(const Node& node, const std::string& file, Issues& issues) {
  return CuttingReader(file, issues).read(node);
}

}  // namespace drapery
