#include "app/workspace/house_desk.h"

#include <QUndoCommand>
#include <filesystem>
#include <utility>

#include "core/file/read_file.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

/// A change of a rule file in the book's own row of steps.
class RuleCommand : public QUndoCommand {
 public:
  RuleCommand(HouseDesk& desk, std::string method, RuleEdit edit, RuleEdit inverse)
      : desk_(desk),
        method_(std::move(method)),
        edit_(std::move(edit)),
        inverse_(std::move(inverse)) {}
  void undo() override { desk_.write(method_, inverse_); }
  /// Pushed once it is written.
  void redo() override {
    if (!std::exchange(isNew_, false)) desk_.write(method_, edit_);
  }

 private:
  HouseDesk& desk_;
  std::string method_;
  RuleEdit edit_, inverse_;
  bool isNew_ = true;
};

}  // namespace

std::string HouseDesk::pathOf(const std::string& method) const {
  return folder_ + "/" + method + ".toml";
}

bool HouseDesk::isHouse() const { return book_.library().isHouse(book_.job().method); }

Issues HouseDesk::begin() {
  const std::string method = book_.job().method;
  if (isHouse()) return {};
  if (folder_.empty()) return {Issue{"folder-unreadable", {{"path", folder_}}, {}, {}, {}}};
  const std::string house = method + "-house";
  if (!book_.library().knows(house)) {
    std::error_code error;
    std::filesystem::create_directories(folder_, error);
    if (std::filesystem::exists(pathOf(house), error))
      return {Issue{"file-there", {{"path", pathOf(house)}}, {}, {}, {}}};
    if (auto issue = writeWhole(pathOf(house), houseBegun(book_.library(), method, house)))
      return {*issue};
    reload_();
  }
  if (auto issue = book_.keep("method", Entry{house, {}})) return {*issue};
  return {};
}

std::optional<std::string> HouseDesk::said(const RulePlace& place) const {
  const auto source = book_.library().source(book_.job().method);
  return source && isHouse() ? ruleText(std::string(std::string_view(source->text)), place)
                             : std::nullopt;
}

RuleDesk::Trial HouseDesk::tryOut(const RuleEdit& edit) const {
  const RuleLibrary& library = book_.library();
  const std::string& method = book_.job().method;
  const auto source = library.source(method);
  if (!source || !isHouse()) return {};
  const std::string text = withRuleEdit(std::string(std::string_view(source->text)), edit);
  Trial trial{loadRules({method + ".toml", text},
                        [&](std::string_view base) { return library.source(base); }),
              std::nullopt};
  if (!trial.loaded.issues.empty()) {
    const SourcePosition& where = trial.loaded.issues.front().where;
    trial.wrongAt = offsetIn(text, edit.place, where.line, where.column);
  }
  return trial;
}

/// On what the file says now, whoever wrote it.
Issues HouseDesk::write(const std::string& method, const RuleEdit& edit) {
  constexpr std::size_t kLargest = std::size_t{4} << 20;
  const auto read = readWhole(pathOf(method), kLargest);
  if (const auto* issue = std::get_if<Issue>(&read)) return {*issue};
  const std::string text = withRuleEdit(std::get<std::string>(read), edit);
  if (auto issue = writeWhole(pathOf(method), text)) return {*issue};
  reload_();
  return {};
}

Issues HouseDesk::keep(const RuleEdit& edit) {
  const std::string method = book_.job().method;
  const Trial trial = tryOut(edit);
  if (trial.loaded.rules == nullptr) return trial.loaded.issues;
  const RuleEdit inverse{edit.place, said(edit.place)};
  if (inverse.text == edit.text) return {};
  if (Issues issues = write(method, edit); !issues.empty()) return issues;
  book_.undoStack()->push(new RuleCommand(*this, method, edit, inverse));
  return {};
}

}  // namespace drapery
