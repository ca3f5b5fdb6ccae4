#include "core/rules/section.h"
#include "core/rules/section/artwork.h"
#include "core/rules/section/derive.h"
#include "core/rules/section/finding.h"
#include "core/rules/section/input.h"
#include "core/rules/section/mark.h"
#include "core/rules/section/part.h"
#include "core/rules/section/series.h"
#include "core/rules/section/start.h"
#include "core/rules/section/step.h"
#include "core/rules/section/stitches.h"
#include "core/rules/section/summary.h"
#include "core/rules/section/template.h"
#include "core/rules/section/verdict.h"
#include "core/rules/section/view.h"
#include "core/rules/section/way.h"

namespace drapery {

void Section::declare(RuleSet&, Linker&) const {}
std::vector<Described> Section::describe(const RuleSet&) const { return {}; }
void Section::plan(const RuleSet&, const Evaluation&, PlannedEntries&) const {}

const std::vector<const Section*>& ruleSections() {
  static const InputSection kGiven(InputRole::Given), kAllowance(InputRole::Allowance);
  static const DeriveSection kDerive;
  static const PartSection kPart;
  static const SeriesSection kSeries;
  static const MarkSection kMark;
  static const FindingSection kFinding;
  static const StepSection kStep;
  static const VerdictSection kVerdict;
  static const ViewSection kView;
  static const SummarySection kSummary;
  static const WaySection kWay;
  static const StartSection kStart;
  static const TemplateSection kTemplate;
  static const ArtworkSection kArtwork;
  static const HoleSection kHole;
  static const StretchSection kStretch;
  static const WrapSection kWrap;
  static const std::vector<const Section*> kSections{
      &kGiven,   &kAllowance, &kDerive,  &kPart, &kSeries,  &kMark,
      &kFinding, &kStep,      &kVerdict, &kView, &kSummary, &kWay,
      &kStart,   &kTemplate,  &kArtwork, &kHole, &kStretch, &kWrap};
  return kSections;
}

}  // namespace drapery
