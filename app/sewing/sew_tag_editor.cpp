#include "app/sewing/sew_tag_editor.h"

#include "app/table/tag_content.h"
#include "app/words/notes_text.h"
#include "core/plan/job_inputs.h"

namespace drapery {

namespace {

constexpr std::string_view kOwn = "sewing/";

bool isOwn(std::string_view tag) { return tag.starts_with(kOwn); }
std::string bare(const std::string& tag) { return tag.substr(kOwn.size()); }

}  // namespace

std::string SewTagEditor::tagOf(const std::string& value) const {
  const Plan& plan = *sewn_->plan();
  std::string own = std::string(kOwn) + value;
  const auto& said = document_.shownJob().sewing;
  if (said && (said->given.contains(value) || said->allowances.contains(value))) return own;
  const auto ofBook = bookValuesFor(sewn_->job, document_.plan(), *plan.rules, value);
  if (ofBook.size() != 1 || document_.plan().rules->input(*ofBook.begin()) == nullptr) return own;
  return tagKind(document_.plan(), *ofBook.begin()) ? *ofBook.begin() : own;
}

std::optional<std::pair<Tag::Kind, TagContent>> SewTagEditor::contentOf(
    const std::string& tag) const {
  if (!isOwn(tag)) {
    const auto kind = tagKind(document_.plan(), tag);
    if (!kind) return std::nullopt;
    return std::pair(*kind, tagContent(document_, tag));
  }
  if (sewn_ == nullptr || sewn_->plan() == nullptr) return std::nullopt;
  const Plan& plan = *sewn_->plan();
  const std::string name = bare(tag);
  auto kind = tagKind(plan, name);
  if (!kind) return std::nullopt;
  // What the book comes to is its own affair, and what follows is reckoned.
  const auto& said = document_.shownJob().sewing;
  const InputRule* input = plan.rules->input(name);
  const bool isOfBook = input != nullptr && input->role == InputRole::Given &&
                        !(said && said->given.contains(name)) &&
                        !bookValuesFor(sewn_->job, document_.plan(), *plan.rules, name).empty();
  if (input == nullptr || isOfBook) kind = Tag::Kind::Figure;
  TagContent content = tagContent(plan, name);
  // What the book's rules fill in nobody said.
  content.isSupposed = input != nullptr && input->role == InputRole::Allowance &&
                       !(said && said->allowances.contains(name));
  return std::pair(*kind, std::move(content));
}

NoteContent SewTagEditor::noteOf(const std::string& tag) const {
  if (!isOwn(tag)) return whyNote(document_, tag);
  if (sewn_ == nullptr || sewn_->plan() == nullptr) return {};
  return whyNote(*sewn_->plan(), bare(tag));
}

const Plan& SewTagEditor::planOf(const Tag& tag) const {
  const bool isSewn = isOwn(tag.value()) && sewn_ != nullptr && sewn_->plan() != nullptr;
  return isSewn ? *sewn_->plan() : TagEditor::planOf(tag);
}

std::string SewTagEditor::nameOf(const Tag& tag) const {
  return isOwn(tag.value()) ? bare(tag.value()) : tag.value();
}

std::string SewTagEditor::fieldOfTag(const Tag& tag) const {
  if (!isOwn(tag.value())) return TagEditor::fieldOfTag(tag);
  const InputRule* input = planOf(tag).rules->input(nameOf(tag));
  return input != nullptr ? "sewing/" + fieldOf(*input) : std::string();
}

}  // namespace drapery
