// The tags of the table: which hang on the drawings, and where each stands.
#pragma once

#include <QObject>
#include <map>
#include <string>
#include <vector>

#include "app/table/panels.h"
#include "app/table/tag.h"
#include "core/drawing/tag_layout.h"

class QWidget;

namespace drapery {

/// A tag and the spot that it hangs on.
struct HangingTag {
  Tag* tag = nullptr;
  TagSpot spot;
  const PlacedPanel* panel = nullptr;  // none: it belongs to the graduated rule
  /// The spot on the table.
  [[nodiscard]] QPointF anchor() const { return panel->onTable(spot.anchor); }
  [[nodiscard]] QLineF leader() const;
};

class TagRack : public QObject {
  Q_OBJECT

 public:
  /// The tags are children of `table`.
  TagRack(QWidget* table, const Palette& palette);

  /// Hangs a tag at each spot that has a kind, and those of the graduated rule. `contents` says
  /// what each shows, nothing where there is none to hang.
  using Contents = std::function<std::optional<std::pair<Tag::Kind, TagContent>>(const Subject&)>;
  void hang(const std::vector<PlacedPanel>& panels, const Contents& contents);
  void setSelected(const Subject& subject);
  /// The room that a panel's tags want around the drawing.
  [[nodiscard]] QMarginsF roomAround(const PlacedPanel& panel) const;
  /// Stands them in rows and columns around their drawings; `taken` is not theirs.
  void place(const std::vector<PlacedPanel>& panels, const QRect& rule,
             const std::vector<TagBox>& taken);

  [[nodiscard]] const std::vector<HangingTag>& hanging() const { return hanging_; }
  /// Of a value or job field, where it hangs or has hung.
  [[nodiscard]] Tag* find(const std::string& id) const;
  [[nodiscard]] const HangingTag* hangingOf(const std::string& id) const;
  /// Gives up what is typed anywhere but at those that `keeps`.
  void stopTyping(const std::function<bool(const std::string&)>& keeps);
  void keepTyped();

 signals:
  /// A new tag, for whoever listens to it.
  void made(drapery::Tag* tag);

 private:
  Tag* tagFor(const std::string& id, Tag::Kind kind);
  void orderTabs();
  void placeOnRule(const QRect& rule);

  QWidget* table_;
  const Palette& palette_;
  std::map<std::string, Tag*> tags_;  // all that were ever needed, by value
  std::vector<HangingTag> hanging_;   // those of this stage, in the order of the work
};

}  // namespace drapery
