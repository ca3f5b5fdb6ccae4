#include "core/rules/section/view.h"

#include <algorithm>

#include "core/diag/nearest_name.h"
#include "core/rules/linker.h"
#include "core/rules/rule_set.h"
#include "core/rules/section/common.h"

namespace drapery {

namespace {

const Choices<Side> kSides{
    {"left", Side::Left}, {"right", Side::Right}, {"above", Side::Above}, {"below", Side::Below}};
std::vector<std::string> namesOf(std::span<const std::string_view> names) {
  return {names.begin(), names.end()};
}

class ViewReading {
 public:
  ViewReading(const Node& entry, IssuePlacer& placer)
      : entry_(entry), placer_(placer), in_(entry, "view", placer) {}

  ViewRule run() {
    rule_.at = in_.at(entry_);
    rule_.id = in_.id();
    rule_.stage = in_.text("stage", Needed::Yes);
    rule_.caption = in_.words("caption", Needed::No);
    rule_.when = in_.formula("when", Needed::No);
    rule_.detailOf = in_.text("detail_of", Needed::No);
    rule_.readingsOf = in_.text("readings_of", Needed::No);
    const bool isAskedFor = !rule_.detailOf.empty() && rule_.readingsOf.empty();
    rule_.asks = in_.words("asks", isAskedFor ? Needed::Yes : Needed::No);
    readWindow();
    if (const Node* share = in_.find("share"); share != nullptr) {
      const bool isShare =
          share->kind == Node::Kind::Number && share->number > 0.0 && share->number <= 1.0;
      if (!isShare) in_.complainType(*share, "share", "number over 0, to 1");
      rule_.share = isShare ? share->number : 1.0;
    }
    readFigure();
    if (rule_.spec != nullptr) {
      readBound();
      readShown();
    }
    in_.eachItem("layers", [&](const Node& item) {
      if (item.kind != Node::Kind::Text) in_.complainType(item, "layers", "ids of parts");
      rule_.layers.push_back(item.text);
    });
    in_.eachItem("tags", [&](const Node& item) { readTag(item); });
    rule_.lines = readLines(in_, placer_);
    rule_.labels = readLabels(in_, placer_);
    in_.finish();
    return std::move(rule_);
  }

 private:
  void readFigure() {
    const Sourced figure = in_.sourced("figure", Needed::Yes);
    rule_.figure = figure.text;
    rule_.spec = findFigure(figure.text);
    if (rule_.spec != nullptr || figure.empty()) return;
    std::vector<std::string> known;
    for (const FigureSpec& spec : allFigures()) known.emplace_back(spec.id);
    in_.complainAt(figure.at, "value-not-allowed",
                   {{"key", std::string("figure")},
                    {"value", shortened(figure.text)},
                    {"allowed", joined(known)}});
  }

  /// `window = [["x", "y"], ["x", "y"]]`
  void readWindow() {
    const Node* window = in_.list("window", Needed::No);
    if (window == nullptr) return;
    if (window->items.size() != 2) return in_.complainType(*window, "window", "two points");
    auto from = in_.point(window->items[0], "window"), to = in_.point(window->items[1], "window");
    if (from && to) rule_.window.emplace(std::move(*from), std::move(*to));
  }

  /// `bind = { height = "text_height" }`: each input, and no others.
  void readBound() {
    rule_.bound.resize(rule_.spec->inputs.size());
    const Node* bind = tableAt("bind");
    std::vector<std::string> known;
    for (std::size_t i = 0; i < rule_.spec->inputs.size(); ++i) {
      known.emplace_back(rule_.spec->inputs[i].id);
      const Node* formula = bind != nullptr ? bind->find(known.back()) : nullptr;
      if (formula != nullptr)
        rule_.bound[i] = in_.formulaIn(*formula, "bind");
      else
        in_.complain(entry_, "view-input-missing",
                     {{"name", known.back()}, {"figure", rule_.figure}});
    }
    checkKeys(bind, known);
  }

  /// `show = { board = "board" }`: which part or value a thing of the figure is.
  void readShown() {
    const Node* show = tableAt("show");
    if (show == nullptr) return;
    checkKeys(show, namesOf(rule_.spec->things));
    for (const Node::Member& thing : show->members) {
      if (thing.value.kind != Node::Kind::Text)
        in_.complainType(thing.value, thing.key.c_str(), "the id of a part or value");
      rule_.show.emplace_back(thing.key, Subject{Subject::Kind::None, thing.value.text});
    }
  }

  const Node* tableAt(const char* key) {
    const Node* node = in_.find(key);
    if (node == nullptr || node->kind == Node::Kind::Table) return node;
    in_.complainType(*node, key, "table");
    return nullptr;
  }

  void checkKeys(const Node* table, const std::vector<std::string>& known) {
    if (table == nullptr) return;
    for (const Node::Member& member : table->members)
      if (std::find(known.begin(), known.end(), member.key) == known.end())
        in_.complain(member.value, "key-unknown",
                     {{"key", shortened(member.key)},
                      {"section", rule_.figure},
                      {"nearest", nearestName(member.key, known)}});
  }

  /// `["text_height", "height", "right"]`, or a table with `at`, or with `at` and `to`.
  void readTag(const Node& item) {
    ViewTag tag;
    tag.where = in_.at(item);
    if (item.kind == Node::Kind::List) {
      const bool isTriple = item.items.size() == 3;
      const auto side = isTriple ? sideOf(item.items[2].text) : std::nullopt;
      if (!side)
        return in_.complainType(item, "tags", "value, spot, side (left, right, above, below)");
      tag.subject.id = item.items[0].text;
      tag.spot = item.items[1].text;
      tag.side = *side;
    } else {
      EntryReader in(item, "tags", placer_);
      tag.subject.id = in.text("value", Needed::Yes);
      tag.spot = in.text("spot", Needed::No);
      tag.side = in.choice("side", kSides, Side::Above);
      tag.when = in.formula("when", Needed::No);
      tag.at = in.pointAt("at", Needed::No);
      tag.to = in.pointAt("to", Needed::No);
      in.finish();
    }
    rule_.tags.push_back(std::move(tag));
  }
  static std::optional<Side> sideOf(const std::string& name) {
    for (const auto& [known, side] : kSides)
      if (known == name) return side;
    return std::nullopt;
  }
  const Node& entry_;
  IssuePlacer& placer_;
  EntryReader in_;
  ViewRule rule_;
};

bool isPart(const RuleSet& rules, const std::string& id) {
  return std::any_of(rules.parts.begin(), rules.parts.end(),
                     [&](const PartRule& part) { return part.id == id; });
}

bool isSpot(const ViewRule& view, const RuleSet& rules, const std::string& spot) {
  const auto has = [](std::span<const std::string_view> names, std::string_view name) {
    return std::find(names.begin(), names.end(), name) != names.end();
  };
  if (has(view.spec->spots, spot)) return true;
  const std::size_t dot = spot.find('.');
  if (dot == std::string::npos ||
      !has(view.spec->pieceSpots, std::string_view(spot).substr(dot + 1)))
    return false;
  return isPart(rules, spot.substr(0, dot));
}

void linkTag(const ViewRule& view, ViewTag& tag, const RuleSet& rules, Linker& linker) {
  const bool isField = tag.subject.id == "method";
  tag.subject.kind = isField ? Subject::Kind::JobField : Subject::Kind::Value;
  if (rules.isBase || view.spec == nullptr) return;
  if (!isField && !rules.find(tag.subject.id))
    linker.placer().add("touches-unknown", {{"name", shortened(tag.subject.id)}, {"id", view.id}},
                        tag.where);
  if (!tag.at && !isSpot(view, rules, tag.spot))
    linker.placer().add("view-spot-unknown",
                        {{"name", shortened(tag.spot)}, {"figure", view.figure}}, tag.where);
}

/// The view that it is a detail of, and the parts that it lists.
void checkNames(const ViewRule& view, const RuleSet& rules, Linker& linker) {
  const auto complain = [&](const std::string& name) {
    linker.placer().add("touches-unknown", {{"name", shortened(name)}, {"id", view.id}}, view.at);
  };
  const bool isThere =
      view.detailOf.empty() ||
      std::any_of(rules.views.begin(), rules.views.end(), [&](const ViewRule& other) {
        return other.id == view.detailOf && other.detailOf.empty() && other.stage == view.stage;
      });
  if (!isThere) complain(view.detailOf);
  for (const std::string& part : view.layers)
    if (!isPart(rules, part)) complain(part);
  const InputRule* measure = rules.input(view.readingsOf);
  if (!view.readingsOf.empty() && (measure == nullptr || measure->places.empty()))
    complain(view.readingsOf);
}

}  // namespace

Subject ViewRule::subject(std::string_view thing) const {
  for (const auto& [shown, subject] : show)
    if (shown == thing) return subject;
  return {};
}

void ViewSection::read(const Node& entry, RuleSet& rules, IssuePlacer& placer) const {
  rules.views.push_back(ViewReading(entry, placer).run());
}

void ViewSection::link(RuleSet& rules, Linker& linker) const {
  linker.numbersAreLinked();
  for (ViewRule& view : rules.views) {
    for (std::size_t i = 0; i < view.bound.size(); ++i)
      linker.link(view.bound[i], view.spec->inputs[i].dimension);
    linker.link(view.when, Dimension::number());
    for (ViewTag& tag : view.tags) {
      linker.link(tag.when, Dimension::number());
      if (tag.at) linker.linkPoint(nullptr, *tag.at);
      if (tag.to) linker.linkPoint(nullptr, *tag.to);
      linkTag(view, tag, rules, linker);
    }
    for (auto& [thing, subject] : view.show)
      findSubject(subject, {view.id, view.at}, rules, linker);
    if (view.window)
      for (RulePoint* corner : {&view.window->first, &view.window->second})
        linker.linkPoint(nullptr, *corner);
    if (!rules.isBase) checkNames(view, rules, linker);
    linkLines(view.lines, {view.id, view.at}, rules, linker);
    linkLabels(view.labels, linker);
  }
}

}  // namespace drapery
