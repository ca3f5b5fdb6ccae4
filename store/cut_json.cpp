#include "store/cut_json.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/rules/cut_when.h"
#include "store/cut_reader.h"

namespace drapery {

namespace {

class ProblemReader : public CutReader {
 public:
  using CutReader::CutReader;

  std::variant<CutProblem, Issues> read() {
    if (!isObject()) return std::move(issues_);
    beware(root_, "the file",
           {"name", "schema", "class", "units", "note", "source", "part_count", "objective",
            "stocks", "parts", "pins"});
    CutProblem problem;
    problem.name = text(root_, "", "name", false);
    choice<int>(root_, "", "units", {{"mm", 0}}, 0);
    problem.isForValue =
        choice<bool>(root_, "", "objective", {{"min_cost", false}, {"max_value", true}}, false);
    each("stocks", [&](const Node& node, const std::string& at) {
      beware(node, at.substr(0, at.size() - 1),
             {"id", "material", "form", "grain", "pattern", "count", "trim", "kerf", "cost"});
      problem.stocks.push_back(stock(node, at));
    });
    each("parts", [&](const Node& node, const std::string& at) { piece(problem, node, at); });
    if (root_.find("pins") != nullptr)
      each("pins", [&](const Node& node, const std::string& at) { pin(problem, node, at); });
    if (problem.isForValue && !problem.pins.empty())
      complain(*root_.find("pins"), "cut-pins-for-value", {});
    if (problem.stocks.empty() && issues_.empty()) complain(root_, "cut-no-stock", {});
    long long count = 0;
    for (const CutPiece& each : problem.pieces) count += each.count;
    if (count > kMostPiecesToCut)
      complain(root_, "cut-too-many",
               {{"count", std::to_string(count)}, {"most", std::to_string(kMostPiecesToCut)}});
    if (!issues_.empty()) return std::move(issues_);
    return problem;
  }

 private:
  void piece(CutProblem& problem, const Node& node, const std::string& at) {
    beware(node, at.substr(0, at.size() - 1), {"id", "material", "qty", "grain", "value", "when"});
    CutPiece piece;
    piece.id = id(node, at, pieceIds_);
    piece.material = text(node, at, "material");
    piece.width = length(node, at, "w", 0.001);
    piece.height = length(node, at, "h", 0.001);
    piece.count = node.find("qty") == nullptr ? 1 : count(node, at, "qty", 1e6, true).value_or(0);
    piece.grain = choice<PieceGrain>(
        node, at, "grain",
        {{"h", PieceGrain::Height}, {"w", PieceGrain::Width}, {"free", PieceGrain::Free}},
        PieceGrain::Height);
    piece.value = number(node, at, "value", 0, kDearest, false).value_or(0.0);
    piece.moment = static_cast<int>(choice<CutWhen>(node, at, "when",
                                                    {{"at-once", CutWhen::AtOnce},
                                                     {"before-sewing", CutWhen::BeforeSewing},
                                                     {"before-trimming", CutWhen::BeforeTrimming},
                                                     {"after-trimming", CutWhen::AfterTrimming},
                                                     {"after-backing", CutWhen::AfterBacking},
                                                     {"after-lining", CutWhen::AfterLining},
                                                     {"last", CutWhen::Last}},
                                                    CutWhen::BeforeSewing));
    problem.pieces.push_back(std::move(piece));
  }

  /// The index of what a pin names.
  template <typename Thing>
  std::size_t named(const Node& in, const std::string& at, const char* key,
                    const std::vector<Thing>& things) {
    const std::string name = text(in, at, key);
    for (std::size_t i = 0; i < things.size(); ++i)
      if (things[i].id == name) return i;
    if (in.find(key) == nullptr || in.find(key)->kind != Node::Kind::Text) return 0;
    std::vector<std::string> known;
    known.reserve(things.size());
    for (const Thing& thing : things) known.push_back(thing.id);
    complain(*in.find(key), "value-not-allowed",
             {{"key", at + key},
              {"value", shortened(name)},
              {"allowed", shortened(nearestName(name, known))}});
    return 0;
  }
  void pin(CutProblem& problem, const Node& node, const std::string& at) {
    beware(node, at.substr(0, at.size() - 1), {"part", "stock", "sheet", "rotated"});
    CutPin pin;
    pin.piece = named(node, at, "part", problem.pieces);
    pin.stock = named(node, at, "stock", problem.stocks);
    pin.sheet = count(node, at, "sheet", 1e6, false).value_or(0);
    pin.x = length(node, at, "x", 0);
    pin.y = length(node, at, "y", 0);
    if (const Node* turned = node.find("rotated")) {
      if (turned->kind != Node::Kind::Boolean)
        complainType(*turned, at + "rotated", "true or false");
      pin.isTurned = turned->number != 0;
    }
    problem.pins.push_back(pin);
  }

  std::set<std::string> pieceIds_;
};

}  // namespace

std::variant<CutProblem, Issues> readCutProblem(std::string_view text, const std::string& file) {
  return readPlaced<CutProblem>(
      text, file, [&](const Node& root) { return ProblemReader(root, file, false).read(); });
}

}  // namespace drapery
