#include "core/rules/section/part.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/outline.h"
#include "core/quantity/format_length.h"
#include "core/rules/evaluation.h"
#include "core/rules/linker.h"
#include "core/rules/planned_entries.h"
#include "core/rules/section/common.h"
#include "core/rules/section/described.h"

namespace drapery {

namespace {

constexpr double kNoCut = 1e-9;  // mm
const Choices<Grain> kGrains{
    {"height", Grain::Height}, {"width", Grain::Width}, {"any", Grain::Any}};

class PartReading {
 public:
  PartReading(const Node& entry, IssuePlacer& placer)
      : entry_(entry), placer_(placer), in_(entry, "part", placer) {}

  PartRule run() {
    rule_.at = in_.at(entry_);
    rule_.id = in_.name();
    rule_.title = in_.words("title", Needed::Yes);
    rule_.note = in_.words("note", Needed::No);
    rule_.isApart = in_.flag("apart");
    readGrammage();
    rule_.materials = readWordsWhere(in_, "material");
    rule_.materialOf = in_.text("material_of", Needed::No);
    readCutWhen();
    rule_.top = in_.formula("top", Needed::No);
    rule_.grain = in_.choice("grain", kGrains, Grain::Height);
    rule_.rounding = readRounding(in_);
    rule_.count = in_.countOrFormula("count", Needed::No);
    rule_.when = in_.formula("when", Needed::No);
    readSize();
    in_.eachItem("outline", [&](const Node& item) { readOutline(item); });
    in_.eachItem("slits", [&](const Node& item) { readSlit(item); });
    rule_.labels = readLabels(in_, placer_);
    in_.eachItem("places", [&](const Node& item) { readPlace(item); });
    readFormerPlaces();
    in_.finish();
    return std::move(rule_);
  }

 private:
  /// `[120, 160]`
  void readGrammage() {
    const Node* pair = in_.list("grammage", Needed::No);
    if (pair == nullptr) return;
    const auto number = [&](std::size_t i) {
      return pair->items[i].kind == Node::Kind::Number ? pair->items[i].number : 0.0;
    };
    GrammageBand band;
    if (pair->items.size() == 2) band = {number(0), number(1)};
    if (!(band.least > 0.0 && band.least <= band.most && band.most <= kHeaviest))
      return in_.complainType(*pair, "grammage", "pair of g/m2, the least and the most");
    rule_.grammage = band;
  }

  void readCutWhen() {
    const Node* node = in_.find("cut_when");
    if (node == nullptr) {
      rule_.cutWhen = {{std::string(nameOf(CutWhen::AfterTrimming)), {}}};
      return;
    }
    rule_.cutWhen = readWordsWhere(in_, "cut_when");
    for (const WordWhere& each : rule_.cutWhen) {
      if (std::find(kCutWhenNames.begin(), kCutWhenNames.end(), each.word) != kCutWhenNames.end())
        continue;
      std::vector<std::string> names(kCutWhenNames.begin(), kCutWhenNames.end());
      in_.complain(*node, "value-not-allowed",
                   {{"key", std::string("cut_when")},
                    {"value", shortened(each.word)},
                    {"allowed", joined(names)}});
    }
  }

  void readSize() {
    const Node* size = in_.list("size", Needed::Yes);
    if (size == nullptr) return;
    auto pair = in_.tuple(*size, "size", 2, "pair of formulas, width and height");
    if (pair.size() != 2) return;
    rule_.width = std::move(pair[0]);
    rule_.height = std::move(pair[1]);
  }

  /// `["x", "y"]`, or `{ each = "hole", at = ["hole.x", "hole.y"] }`
  void readOutline(const Node& item) {
    OutlineRule rule;
    std::optional<RulePoint> at;
    if (item.kind == Node::Kind::List) {
      at = in_.point(item, "outline");
    } else {
      EntryReader in(item, "outline", placer_);
      readEach(in, rule);
      at = in.pointAt("at", Needed::Yes);
      in.finish();
    }
    if (!at) return;
    rule.at = std::move(*at);
    rule_.outline.push_back(std::move(rule));
  }

  /// `["x", "y", "x", "y"]`, or `{ each = "tape", at = ["x", "y"], to = ["x", "y"] }`
  void readSlit(const Node& item) {
    SlitRule rule;
    if (item.kind == Node::Kind::List) {
      auto four = in_.tuple(item, "slits", 4, "list of four formulas, x, y to x, y");
      if (four.size() != 4) return;
      rule.from = {std::move(four[0]), std::move(four[1])};
      rule.to = {std::move(four[2]), std::move(four[3])};
    } else {
      EntryReader in(item, "slits", placer_);
      readEach(in, rule);
      auto from = in.pointAt("at", Needed::Yes);
      auto to = in.pointAt("to", Needed::Yes);
      in.finish();
      if (!from || !to) return;
      rule.from = std::move(*from);
      rule.to = std::move(*to);
    }
    rule_.slits.push_back(std::move(rule));
  }

  /// `["x", "y"]`, or a table that also says `turn`, `mirrored`, `when` and `each`.
  void readPlace(const Node& item) {
    PlaceRule rule;
    std::optional<RulePoint> at;
    if (item.kind == Node::Kind::List) {
      at = in_.point(item, "places");
    } else {
      EntryReader in(item, "places", placer_);
      readEach(in, rule);
      at = in.pointAt("at", Needed::Yes);
      rule.turn = turnOf(in);
      const Node* mirrored = in.find("mirrored");
      if (mirrored != nullptr && mirrored->kind == Node::Kind::Text)
        rule.mirrored = in.formulaIn(*mirrored, "mirrored");
      else
        rule.isMirrored = in.flag("mirrored");
      rule.when = in.formula("when", Needed::No);
      in.finish();
    }
    if (!at) return;
    rule.at = std::move(*at);
    rule_.places.push_back(std::move(rule));
  }

  static RuleFormula turnOf(EntryReader& in) {
    const Node* turn = in.find("turn");
    if (turn == nullptr) return {};
    if (turn->kind == Node::Kind::Number)
      return {Formula::literal(turn->number, Dimension::angle()), in.at(*turn)};
    return in.formulaIn(*turn, "turn", "degrees or formula");
  }

  /// As rule files said it before places told their own turn: `at`, every second one mirrored, the
  /// second half mirrored head to tail.
  void readFormerPlaces() {
    const bool isMirrored = in_.flag("mirrored"), isTurned = in_.flag("turned");
    const Node* list = in_.list("at", Needed::No);
    if (list == nullptr) return;
    constexpr double kHalfTurn = 180.0;
    for (std::size_t i = 0; i < list->items.size(); ++i) {
      auto at = in_.point(list->items[i], "at");
      if (!at) continue;
      PlaceRule rule;
      rule.at = std::move(*at);
      const bool isOver = isTurned && i >= list->items.size() / 2;
      rule.isMirrored = (isMirrored && i % 2 == 1) != isOver;
      if (isOver) rule.turn = {Formula::literal(kHalfTurn, Dimension::angle()), {}};
      rule_.places.push_back(std::move(rule));
    }
  }

  const Node& entry_;
  IssuePlacer& placer_;
  EntryReader in_;
  PartRule rule_;
};

void linkShape(PartRule& part, Linker& linker) {
  linkLabels(part.labels, linker);
  for (OutlineRule& each : part.outline) linker.linkPoint(linker.seriesOf(each), each.at);
  for (SlitRule& each : part.slits) {
    const SeriesRule* series = linker.seriesOf(each);
    linker.linkPoint(series, each.from);
    linker.linkPoint(series, each.to);
  }
  for (PlaceRule& each : part.places) {
    const SeriesRule* series = linker.seriesOf(each);
    linker.linkPoint(series, each.at);
    linker.linkIn(series, each.turn, Dimension::angle());
    linker.linkIn(series, each.mirrored, Dimension::number());
    linker.linkIn(series, each.when, Dimension::number());
  }
}

void linkMaterial(PartRule& part, const RuleSet& rules, Linker& linker) {
  if (part.materialOf.empty()) return;
  for (std::size_t i = 0; i < rules.inputs.size(); ++i)
    if (rules.inputs[i].id == part.materialOf) part.materialInput = i;
  if (!part.materialInput && !rules.isBase)
    linker.placer().add("formula-unknown-name",
                        {{"name", shortened(part.materialOf)}, {"nearest", std::string()}},
                        part.at);
}

bool isFinite(const Point& point) { return std::isfinite(point.x) && std::isfinite(point.y); }

/// One part on one book.
class PartPlan {
 public:
  PartPlan(const PartRule& rule, const RuleSet& rules, const Evaluation& evaluation)
      : rule_(rule), rules_(rules), evaluation_(evaluation) {}

  std::optional<PlannedPart> run() {
    if (!evaluation_.holds(rule_.when.formula)) return std::nullopt;
    const auto size = [&](std::size_t side) {
      return Length::fromMm(evaluation_.table()[rule_.firstNode + side]);
    };
    part_.rule = &rule_;
    part_.width = size(0);
    part_.height = size(1);
    part_.cutWidth = size(2);
    part_.cutHeight = size(3);
    for (const Length side : {part_.width, part_.height})
      if (!(side > Length() && side.mm() <= PartRule::kLongest)) return std::nullopt;
    const double count = evaluation_.evaluate(rule_.count.formula);
    if (!(count >= 1.0) || count > PartRule::kMostPieces) return std::nullopt;
    part_.count = static_cast<int>(count);
    findMaterial();
    const auto moment =
        std::find(kCutWhenNames.begin(), kCutWhenNames.end(), wordOf(rule_.cutWhen, evaluation_));
    part_.cutWhen = static_cast<CutWhen>(moment - kCutWhenNames.begin());
    part_.hasTop = !rule_.top.empty() && evaluation_.holds(rule_.top.formula);
    shape();
    place();
    return std::move(part_);
  }

 private:
  void findMaterial() {
    part_.material = wordOf(rule_.materials, evaluation_);
    const Material* named =
        rule_.materialInput ? evaluation_.material(*rule_.materialInput) : nullptr;
    if (named == nullptr) return;
    part_.material = named->kind;
    part_.named = named->title;
  }
  [[nodiscard]] Point at(const RulePoint& point, const double* locals) const {
    return {evaluation_.evaluate(point.first.formula, locals),
            evaluation_.evaluate(point.second.formula, locals)};
  }

  void shape() {
    for (const OutlineRule& each : rule_.outline)
      evaluation_.each(each, rules_,
                       [&](const double* locals) { part_.outline.push_back(at(each.at, locals)); });
    const bool isBounded = part_.outline.size() <= PartRule::kMostCorners;
    if (isBounded && std::all_of(part_.outline.begin(), part_.outline.end(), isFinite))
      part_.outline = tidied(std::move(part_.outline));
    else
      part_.outline.clear();
    // Where cuts would cross or leave the piece it is given uncut.
    const Box box{0.0, 0.0, part_.width.mm(), part_.height.mm()};
    part_.isUncut = part_.outline.size() >= 3 && !rule_.outline.empty() &&
                    (!isWithin(part_.outline, box) || crossesItself(part_.outline));
    if (part_.outline.size() < 3 || part_.isUncut)
      part_.outline = rectangle(box.left, box.bottom, box.right, box.top);
    for (const SlitRule& slit : rule_.slits)
      evaluation_.each(slit, rules_, [&](const double* locals) {
        const Point from = at(slit.from, locals), to = at(slit.to, locals);
        const bool isCut =
            isFinite(from) && isFinite(to) && std::hypot(to.x - from.x, to.y - from.y) > kNoCut;
        if (isCut) part_.slits.emplace_back(from, to);
      });
  }

  void place() {
    for (const PlaceRule& each : rule_.places)
      evaluation_.each(each, rules_, [&](const double* locals) {
        // Each piece lies once.
        if (part_.places.size() == static_cast<std::size_t>(part_.count)) return;
        if (!evaluation_.holds(each.when.formula, locals)) return;
        Placement placement{at(each.at, locals), 0.0, each.isMirrored};
        if (!each.turn.empty()) placement.turn = evaluation_.evaluate(each.turn.formula, locals);
        if (!each.mirrored.empty())
          placement.isMirrored = evaluation_.holds(each.mirrored.formula, locals);
        if (isFinite(placement.at) && std::isfinite(placement.turn))
          part_.places.push_back(placement);
      });
  }

  const PartRule& rule_;
  const RuleSet& rules_;
  const Evaluation& evaluation_;
  PlannedPart part_;
};

}  // namespace

void PartSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  rules.parts.push_back(PartReading(entry, placer).run());
}

void PartSection::declare(RuleSet& rules, Linker& linker) const {
  using Source = ValueNode::Source;
  for (std::size_t i = 0; i < rules.parts.size(); ++i) {
    PartRule& part = rules.parts[i];
    part.findings = partFindings(part);
    part.firstNode = rules.nodes.size();
    const auto add = [&](const char* side, Source source, const RuleFormula* formula) {
      ValueNode node = Linker::nodeOf(part.id + side, source, i, Dimension::length());
      if (formula != nullptr) node.formula = formulaOf(*formula);
      if (source == Source::CutSize) {
        node.uses = {rules.nodes.size() - 2};  // the exact size
        node.rounding = part.rounding;
      }
      linker.declare(std::move(node), part.at);
    };
    add(".width", Source::PartSize, &part.width);
    add(".height", Source::PartSize, &part.height);
    add(".cut_width", Source::CutSize, nullptr);
    add(".cut_height", Source::CutSize, nullptr);
  }
}

void PartSection::link(RuleSet& rules, Linker& linker) const {
  for (PartRule& part : rules.parts) {
    linker.linkNode(part.id + ".width", {{&part.width, Dimension::length()}});
    linker.linkNode(part.id + ".height", {{&part.height, Dimension::length()}});
  }
  for (PartRule& part : rules.parts) {
    linker.link(part.count, Dimension::number());
    linker.link(part.when, Dimension::number());
    for (WordWhere& material : part.materials) linker.link(material.when, Dimension::number());
    for (WordWhere& moment : part.cutWhen) linker.link(moment.when, Dimension::number());
    linker.link(part.top, Dimension::number());
    linkMaterial(part, rules, linker);
    linkShape(part, linker);
  }
}

void PartSection::plan(const RuleSet& rules, const Evaluation& evaluation,
                       PlannedEntries& planned) const {
  for (const PartRule& rule : rules.parts) {
    auto part = PartPlan(rule, rules, evaluation).run();
    if (!part) continue;
    for (PlannedFinding& finding : findingsOf(*part, evaluation.resolution()))
      planned.findings.push_back(std::move(finding));
    if (std::min(part->cutWidth, part->cutHeight) > Length())
      planned.parts.push_back(std::move(*part));
  }
}

namespace {

std::string told(const PartRule& rule) {
  const char* grain = rule.grain == Grain::Height  ? "grain head to tail"
                      : rule.grain == Grain::Width ? "grain across"
                                                   : "any grain";
  std::string out = "- **" + rule.title.text + "** " + asCode(rule.id) + ": " + asCode(rule.count) +
                    " of " + asCode(rule.width) + " × " + asCode(rule.height) + ", " +
                    wordsWhereAsCode(rule.materials) + ", " + grain + ", " +
                    roundingWords(rule.rounding) + ". Cut " + wordsWhereAsCode(rule.cutWhen) + ".";
  if (!rule.outline.empty())
    out += " Not a rectangle: " + std::to_string(rule.outline.size()) + " corners.";
  if (!rule.slits.empty()) out += " " + std::to_string(rule.slits.size()) + " slits.";
  if (std::any_of(rule.places.begin(), rule.places.end(),
                  [](const PlaceRule& place) { return place.isMirrored; }))
    out += " Some mirrored.";
  if (rule.grammage)
    out += " Of " + formatNumber(rule.grammage->least, 1) + " to " +
           formatNumber(rule.grammage->most, 1) + " g/m².";
  return out + onlyWhere(rule.when) + andSays(rule.note.text) + "\n";
}

}  // namespace

std::vector<Described> PartSection::describe(const RuleSet& rules) const {
  std::vector<Described> all;
  for (const auto& rule : rules.parts) all.push_back({"Pieces", told(rule)});
  return all;
}

}  // namespace drapery
