// A stage's drawings: the views that name it in the rule file, and the closer looks that they
// offer.
#pragma once

#include <QString>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "app/stage/stage.h"
#include "core/drawing/drawing.h"

namespace drapery {

/// In place of a view's id: the book by all methods, beside one another.
inline constexpr const char* kAllMethods = "all-methods";
/// The same: the kinds of books, to choose another.
inline constexpr const char* kAllKinds = "all-kinds";
/// The same: what is printed on, as a page.
inline constexpr const char* kPageToPrint = "page-to-print";

/// Whether it is one of these, which take the drawings' place.
bool isSheet(std::string_view id);

/// In place of a view's id: how what the drawing shows is turned.
inline constexpr const char *kPoseClosed = "pose-closed", *kPoseHalf = "pose-half",
                            *kPoseOver = "pose-over", *kPoseBoth = "pose-both",
                            *kPosePlay = "pose-play";

/// Words beside a drawing that turn to another in its place, or turn what it shows.
struct StageLink {
  std::string view;  // a detail; the drawing itself to go back from one; or one of the above
  QString words;
};

/// One drawing of a stage and its share of the height.
struct StagePanel {
  Drawing drawing;
  double share = 1.0;
  QString caption;  // may be empty
  std::vector<StageLink> links = {};
  bool isFormer = false;  // by the rules as they are, beside those that are tried; has no tags
  /// Apart from all others of the stage.
  [[nodiscard]] std::string key() const { return drawing.id + (isFormer ? "/former" : ""); }
};

/// Its labels' figures written as this book has them.
Drawing worded(Drawing drawing, const Plan& plan);

/// The detail `open` alone, where the stage has it; else its views.
std::vector<StagePanel> stagePanels(const Stage& stage, const Plan& plan, const std::string& open,
                                    const Pose& pose = {});

/// The same while changed rules are tried, of which one value's is typed: the drawing that comes
/// out otherwise and, under it, as it is by the present rules. All drawings where none does.
std::vector<StagePanel> triedPanels(const Stage& stage, const Plan& tried, const Plan& former,
                                    const std::string& open, const std::string& value,
                                    const Pose& pose);

/// Whether the id is one that a link of the stage's turns to.
bool isCloserLook(const Stage& stage, const Plan& plan, const std::string& id);

/// The closer look at the places where a measure is read; empty where the stage has none.
std::string readingsView(const Stage& stage, const Plan& plan, const std::string& measure);

/// The view of the stage in whose place such a sheet stands: where the method is chosen, or the
/// first of what is printed on; empty when the stage has none.
std::string sheetView(const Stage& stage, const Plan& plan, const std::string& sheet);
/// What of the stage is printed on and has a place on this book; null for nothing.
const ArtworkRule* artworkOf(const Stage& stage, const Plan& plan);

/// The detail of the stage in which a value, or a reading of it, has its tag; an empty id when it
/// has one without, none when it has none.
std::optional<std::string> detailWith(const Stage& stage, const Plan& plan,
                                      const std::string& value);

}  // namespace drapery
