// Typing at the sizes of a sewing: the book's own go to the book, the others to what its job says
// of the sewing.
#pragma once

#include <memory>
#include <optional>
#include <string>
#include <utility>

#include "app/sewing/sew_desk.h"
#include "app/table/margin_notes.h"
#include "app/table/tag_editor.h"

namespace drapery {

class SewTagEditor : public TagEditor {
  Q_OBJECT

 public:
  SewTagEditor(Document& document, const SewDesk& desk, QObject* parent)
      : TagEditor(document, parent), document_(document), desk_(desk) {}

  /// What the tags show from now on; it has a plan.
  void setSewn(std::shared_ptr<const SewnBook> sewn) { sewn_ = std::move(sewn); }
  /// Of the tag of a size of the sewing: "hole_end" where the book itself says it, else
  /// "sewing/near".
  [[nodiscard]] std::string tagOf(const std::string& value) const;
  /// What stands at such a tag; none for what is not there.
  [[nodiscard]] std::optional<std::pair<Tag::Kind, TagContent>> contentOf(
      const std::string& tag) const;
  /// Why it is what it is; empty heading when there is nothing to say.
  [[nodiscard]] NoteContent noteOf(const std::string& tag) const;

 protected:
  [[nodiscard]] const Plan& planOf(const Tag& tag) const override;
  [[nodiscard]] std::string nameOf(const Tag& tag) const override;
  [[nodiscard]] std::string fieldOfTag(const Tag& tag) const override;
  [[nodiscard]] std::optional<Issue> foundWrong(const std::string& field,
                                                const FieldValue& value) const override {
    return desk_.foundWrong(field, value);
  }

 private:
  Document& document_;
  const SewDesk& desk_;
  std::shared_ptr<const SewnBook> sewn_;
};

}  // namespace drapery
