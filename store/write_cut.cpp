#include <cmath>

#include "core/rules/cut_when.h"
#include "store/cut_json.h"
#include "store/json_out.h"

namespace drapery {

namespace {

template <typename Json>
void mm(Json& json, const char* key, Micrometres length) {
  json.key(key).number(static_cast<double>(length) / 1000);
}

class ProblemWriter {
 public:
  explicit ProblemWriter(const CutProblem& problem) : problem_(problem) {}

  std::string write() {
    json_.beginObject();
    json_.key("schema").text("drapery-cut/1");
    json_.key("name").text(problem_.name);
    json_.key("units").text("mm");
    json_.key("objective").text(problem_.isForValue ? "max_value" : "min_cost");
    json_.key("stocks").beginList();
    for (const CutStock& stock : problem_.stocks) write(stock);
    json_.endList();
    json_.key("parts").beginList();
    for (const CutPiece& piece : problem_.pieces) write(piece);
    json_.endList();
    if (!problem_.pins.empty()) {
      json_.key("pins").beginList();
      for (const CutPin& pin : problem_.pins) write(pin);
      json_.endList();
    }
    json_.endObject();
    return json_.str();
  }

 private:
  void write(const CutStock& stock) {
    json_.beginObject();
    json_.key("id").text(stock.id);
    json_.key("material").text(stock.material);
    json_.key("form").text(stock.form == StockForm::Roll ? "roll" : "sheet");
    mm(json_, "W", stock.across);
    mm(json_, "L", stock.along);
    json_.key("grain").text(stock.grain == StockGrain::Along ? "L" : "W");
    if (stock.pattern != StockPattern::None)
      json_.key("pattern").text(stock.pattern == StockPattern::Along ? "L" : "W");
    json_.key("count");
    if (stock.count)
      json_.number(*stock.count);
    else
      json_.raw("null");
    json_.key("trim").beginObject();
    mm(json_, "left", stock.left);
    mm(json_, "right", stock.right);
    mm(json_, "bottom", stock.bottom);
    mm(json_, "top", stock.top);
    json_.endObject();
    mm(json_, "kerf", stock.kerf);
    json_.key("cost").number(stock.cost);
    json_.endObject();
  }
  void write(const CutPin& pin) {
    json_.beginObject();
    json_.key("part").text(problem_.pieces[pin.piece].id);
    json_.key("stock").text(problem_.stocks[pin.stock].id);
    json_.key("sheet").number(pin.sheet);
    mm(json_, "x", pin.x);
    mm(json_, "y", pin.y);
    json_.key("rotated").flag(pin.isTurned);
    json_.endObject();
  }
  void write(const CutPiece& piece) {
    json_.beginObject();
    json_.key("id").text(piece.id);
    json_.key("material").text(piece.material);
    mm(json_, "w", piece.width);
    mm(json_, "h", piece.height);
    json_.key("qty").number(piece.count);
    json_.key("grain").text(piece.grain == PieceGrain::Height  ? "h"
                            : piece.grain == PieceGrain::Width ? "w"
                                                               : "free");
    if (problem_.isForValue) json_.key("value").number(piece.value);
    if (piece.moment > 0) json_.key("when").text(nameOf(static_cast<CutWhen>(piece.moment)));
    json_.endObject();
  }

  const CutProblem& problem_;
  PrettyJson json_{1};
};

class LayoutWriter {
 public:
  LayoutWriter(const CutProblem& problem, const CutLayout& layout)
      : problem_(problem), layout_(layout) {}

  std::string write(double seconds) {
    json_.beginObject();
    json_.key("instance").text(problem_.name);
    json_.key("solver").text("drapery");
    json_.key("time_s").number(std::round(seconds * 1000) / 1000);
    json_.key("bounds").beginObject();
    for (const MaterialCost& cost : layout_.materials) {
      json_.key(cost.material).beginObject();
      json_.key(problem_.isForValue ? "value" : "cost").number(cost.cost);
      json_.key("bound").number(cost.bound);
      json_.key("proven").flag(cost.isProven);
      json_.endObject();
    }
    json_.endObject();
    json_.key("unplaced").beginList();
    for (const Unplaced& each : layout_.unplaced) {
      json_.beginObject();
      json_.key("part").text(problem_.pieces[each.piece].id);
      json_.key("qty").number(each.count);
      json_.endObject();
    }
    json_.endList();
    json_.key("sheets").beginList();
    for (const CutSheet& sheet : layout_.sheets) write(sheet);
    json_.endList();
    json_.endObject();
    return json_.str();
  }

 private:
  void write(const CutSheet& sheet) {
    json_.beginObject();
    json_.key("stock").text(problem_.stocks[sheet.stock].id);
    json_.key("repeat").number(sheet.repeat);
    json_.key("placements").beginList();
    for (const CutPlacement& placement : sheet.placements) {
      json_.beginObject();
      json_.key("part").text(problem_.pieces[placement.piece].id);
      mm(json_, "x", placement.x);
      mm(json_, "y", placement.y);
      mm(json_, "width_on_sheet", placement.across);
      mm(json_, "height_on_sheet", placement.along);
      json_.key("rotated").flag(placement.isTurned);
      json_.endObject();
    }
    json_.endList();
    if (!sheet.cuts.empty()) {
      LineJson cuts;
      write(cuts, sheet, 0);
      json_.key("cuts").raw(cuts.line());
    }
    json_.endObject();
  }

  /// In one line: a tree may be as deep as a roll has rows, and would be indented as far.
  static void write(LineJson& json, const CutSheet& sheet, int which) {
    if (which < 0) return json.raw("null");
    const CutNode& node = sheet.cuts[static_cast<std::size_t>(which)];
    json.beginObject();
    switch (node.kind) {
      case CutNode::Kind::Piece:
        json.key("part").number(static_cast<double>(node.placement));
        break;
      case CutNode::Kind::Left:
        json.key("waste").flag(true);
        break;
      default:
        json.key("dir").text(node.kind == CutNode::Kind::CutAcross ? "x" : "y");
        mm(json, "at", node.at);
        json.key("a");
        write(json, sheet, node.low);
        json.key("b");
        write(json, sheet, node.high);
    }
    json.endObject();
  }

  const CutProblem& problem_;
  const CutLayout& layout_;
  PrettyJson json_{1};
};

}  // namespace

std::string writeCutProblem(const CutProblem& problem) { return ProblemWriter(problem).write(); }

std::string writeCutLayout(const CutProblem& problem, const CutLayout& layout, double seconds) {
  return LayoutWriter(problem, layout).write(seconds);
}

}  // namespace drapery
