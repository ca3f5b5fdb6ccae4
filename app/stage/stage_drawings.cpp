#include "app/stage/stage_drawings.h"

#include <QCoreApplication>
#include <algorithm>
#include <array>

#include "app/words/window_words.h"
#include "core/drawing/draw_view.h"
#include "core/plan/artwork.h"
#include "core/plan/job_field.h"
#include "words/finding_words.h"

namespace drapery {

namespace {

struct Words {
  Q_DECLARE_TR_FUNCTIONS(StageLink)
};

bool hasTag(const ViewRule& view, const std::string& value) {
  return std::any_of(view.tags.begin(), view.tags.end(),
                     [&](const ViewTag& tag) { return tag.subject.id == value; });
}

/// Shut, half way and over, as a binder says it.
std::array<QString, 3> poseWords(Turning turning) {
  switch (turning) {
    case Turning::Cover:
      break;
    case Turning::RightRound:
      return {Words::tr("closed"), Words::tr("flat"), Words::tr("right round")};
    case Turning::Folds:
      return {Words::tr("shut"), Words::tr("half open"), Words::tr("pulled out")};
    case Turning::Spring:
      return {Words::tr("on its levers"), Words::tr("half sprung"), Words::tr("sprung open")};
    case Turning::Round:
      return {Words::tr("laid flat"), Words::tr("round the leaves"), Words::tr("lifted")};
  }
  return {Words::tr("closed"), Words::tr("half open"), Words::tr("turned over")};
}

/// What is taken hold of in the drawing, without dragging it.
void addPoses(StagePanel& panel, const Pose& pose) {
  if (!panel.drawing.grip) return;
  const auto [shut, half, over] = poseWords(panel.drawing.grip->turning);
  panel.links.push_back({kPoseClosed, shut});
  panel.links.push_back({kPoseHalf, half});
  panel.links.push_back({kPoseOver, over});
  panel.links.push_back({kPosePlay, panel.drawing.grip->turning == Turning::Round
                                        ? Words::tr("fold it")
                                        : Words::tr("open it")});
  if (panel.drawing.grip->hasOther)
    panel.links.push_back({kPoseBoth, pose.isBoth ? Words::tr("the front alone")
                                                  : Words::tr("with the other cover")});
}

}  // namespace

bool isSheet(std::string_view id) {
  return id == kAllMethods || id == kAllKinds || id == kPageToPrint;
}

Drawing worded(Drawing drawing, const Plan& plan) {
  for (DrawingLabel& label : drawing.labels)
    if (label.says != nullptr)
      label.words = {filledWords(*label.says, label.figures, windowNotation(plan)), {}};
  return drawing;
}

std::vector<StagePanel> stagePanels(const Stage& stage, const Plan& plan, const std::string& open,
                                    const Pose& pose) {
  std::vector<StagePanel> panels;
  for (const ViewRule* view : viewsOf(plan, stage.id)) {
    const auto details = detailsOf(plan, view->id);
    const auto asked = std::find_if(details.begin(), details.end(),
                                    [&](const ViewRule* detail) { return detail->id == open; });
    const ViewRule& shown = asked == details.end() ? *view : **asked;
    StagePanel panel{worded(drawView(shown, plan, pose), plan), view->share,
                     localText(shown.caption)};
    if (&shown != view) panel.links.push_back({view->id, Words::tr("back")});
    addPoses(panel, pose);
    for (const ViewRule* detail : details)
      if (detail != &shown && detail->readingsOf.empty())
        panel.links.push_back({detail->id, localText(detail->asks)});
    if (hasTag(*view, "method")) panel.links.push_back({kAllMethods, Words::tr("by every method")});
    if (stage.id == std::string("measure") && panels.empty())
      panel.links.push_back({kAllKinds, Words::tr("another kind of book")});
    if (panels.empty() && artworkOf(stage, plan) != nullptr)
      panel.links.push_back({kPageToPrint, Words::tr("the page to print")});
    if (&shown != view) {
      panel.share = 1.0;
      return {std::move(panel)};
    }
    panels.push_back(std::move(panel));
  }
  return panels;
}

std::vector<StagePanel> triedPanels(const Stage& stage, const Plan& tried, const Plan& former,
                                    const std::string& open, const std::string& value,
                                    const Pose& pose) {
  std::vector<StagePanel> now = stagePanels(stage, tried, open, pose);
  std::vector<StagePanel> before = stagePanels(stage, former, open, pose);
  const auto hangs = [&](const StagePanel& panel) {
    return std::any_of(panel.drawing.tags.begin(), panel.drawing.tags.end(),
                       [&](const TagSpot& tag) { return tag.subject.id == value; });
  };
  std::optional<std::pair<std::size_t, std::size_t>> pair;
  for (std::size_t i = 0; i < now.size(); ++i)
    for (std::size_t j = 0; j < before.size(); ++j) {
      const Drawing &a = now[i].drawing, &b = before[j].drawing;
      if (a.id == b.id && a.shapes != b.shapes && (!pair || hangs(now[i]))) pair = {i, j};
    }
  if (!pair) return now;
  StagePanel changed = std::move(now[pair->first]), present = std::move(before[pair->second]);
  changed.caption = Words::tr("By the changed rule");
  present.caption = Words::tr("By the rule as it is");
  changed.share = 0.6;  // it has the tags
  present.share = 0.4;
  present.links.clear();
  present.drawing.tags.clear();
  present.isFormer = true;
  return {std::move(changed), std::move(present)};
}

bool isCloserLook(const Stage& stage, const Plan& plan, const std::string& id) {
  if (isSheet(id)) return !sheetView(stage, plan, id).empty();
  for (const ViewRule* view : viewsOf(plan, stage.id))
    for (const ViewRule* detail : detailsOf(plan, view->id))
      if (detail->id == id) return true;
  return false;
}

std::string readingsView(const Stage& stage, const Plan& plan, const std::string& measure) {
  for (const ViewRule* view : viewsOf(plan, stage.id))
    for (const ViewRule* detail : detailsOf(plan, view->id))
      if (!measure.empty() && detail->readingsOf == measure) return detail->id;
  return {};
}

std::string sheetView(const Stage& stage, const Plan& plan, const std::string& sheet) {
  if (sheet == kPageToPrint && artworkOf(stage, plan) == nullptr) return {};
  for (const ViewRule* view : viewsOf(plan, stage.id))
    if (sheet == kPageToPrint || sheet == kAllKinds || hasTag(*view, "method")) return view->id;
  return {};
}

const ArtworkRule* artworkOf(const Stage& stage, const Plan& plan) {
  for (const ArtworkRule& rule : plan.rules->artworks)
    if (rule.stage == stage.id && artworkOn(rule, plan)) return &rule;
  return nullptr;
}

std::optional<std::string> detailWith(const Stage& stage, const Plan& plan,
                                      const std::string& value) {
  const auto views = viewsOf(plan, stage.id);
  if (const auto [measure, name] = splitReading(value); !name.empty()) {
    const std::string view = readingsView(stage, plan, std::string(measure));
    return view.empty() ? std::nullopt : std::optional(view);
  }
  if (std::any_of(views.begin(), views.end(),
                  [&](const ViewRule* view) { return hasTag(*view, value); }))
    return std::string();
  for (const ViewRule* view : views)
    for (const ViewRule* detail : detailsOf(plan, view->id))
      if (hasTag(*detail, value)) return detail->id;
  return std::nullopt;
}

}  // namespace drapery
