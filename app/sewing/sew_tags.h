// The sizes of a strip as tags around its picture, typed over in place; and those that lie nowhere
// on it, in a list.
#pragma once

#include <QObject>
#include <QPointer>
#include <string>
#include <vector>

#include "app/sewing/sew_tag_editor.h"
#include "app/table/panels.h"
#include "app/table/tag_rack.h"
#include "paint/stitch_painter.h"

namespace drapery {

class StripView;

class SewTags : public QObject {
  Q_OBJECT

 public:
  /// The tags stand on `strip`.
  SewTags(Document& document, const SewDesk& desk, const Palette& palette, StripView* strip);

  /// Of a book that is sewn.
  void setSewn(std::shared_ptr<const SewnBook> sewn);
  /// Around this picture, which gets what it shows of the measures; none without one. What hangs
  /// there already is left as it is: see `isHung`.
  void hang(StitchPicture* picture);
  /// Whether all hangs as it would around such a picture.
  [[nodiscard]] bool isHung(bool isFromBack) const;
  /// The sizes that may be said and hang nowhere: their tags, in a column of a new widget.
  [[nodiscard]] QWidget* list(QWidget* parent);
  /// Whether something is being typed.
  [[nodiscard]] bool isTyping() const;
  /// What was typed and not kept is let go.
  void stopTyping();
  void keepTyped();
  /// Every tag there is, around the picture and in the list.
  [[nodiscard]] std::vector<Tag*> all() const;
  /// Of the tag around the picture that was taken up last; empty heading for none.
  [[nodiscard]] NoteContent note() const;
  /// Of a size of the sewing, "near"; null where it is not shown.
  [[nodiscard]] Tag* tagFor(const std::string& value) const;

 signals:
  /// What stands at a tag is to be shown anew.
  void stale();
  /// Another tag around the picture was taken up, or all went into the list or out of it.
  void noteChanged();
  /// The work goes on.
  void done();
  void refused(const drapery::Issue& issue);

 private:
  struct Listed {
    std::string tag;
    QPointer<Tag> widget;
  };
  void select(const std::string& tag);
  void renewList();
  [[nodiscard]] std::vector<TagSpot> spots(const StitchPicture& picture) const;
  [[nodiscard]] std::optional<std::pair<Tag::Kind, TagContent>> contentOf(
      const std::string& tag) const;

  const Palette& palette_;
  StripView* strip_;
  TagRack* rack_;
  SewTagEditor* editor_;
  std::shared_ptr<const SewnBook> sewn_;
  std::vector<PlacedPanel> panels_;  // the strip alone
  std::vector<StripMeasure> measures_;
  std::vector<Listed> listed_;
  std::string selected_;  // a tag around the picture
  bool hangs_ = true;     // whether there is room for tags around it
  struct Hung {
    bool isThere = false, isFromBack = false;
    QSize size;
    friend bool operator==(const Hung&, const Hung&) = default;
  } hung_;
  bool isStale_ = true;
};

}  // namespace drapery
