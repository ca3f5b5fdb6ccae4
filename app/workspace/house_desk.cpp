#include "app/workspace/house_desk.h"

#include <QUndoCommand>
#include <filesystem>
#include <utility>

#include "core/file/read_file.h"
#include "store/whole_file.h"

namespace drapery {

namespace {

constexpr std::size_t kLargest = std::size_t{4} << 20;

}  // namespace

/// A change of a rule file in the book's own row of steps.
class HouseDesk::Step : public QUndoCommand {
 public:
  Step(HouseDesk& desk, std::string house, RuleEdits edits, RuleEdits inverse)
      : desk_(desk),
        house_(std::move(house)),
        edits_(std::move(edits)),
        inverse_(std::move(inverse)) {}
  void undo() override { write(inverse_); }
  /// Pushed once it is written.
  void redo() override {
    if (!std::exchange(isNew_, false)) write(edits_);
  }

 private:
  void write(const RuleEdits& edits) {
    if (const Issues issues = desk_.write(house_, edits); !issues.empty())
      desk_.calls_.refuse(issues);
  }
  HouseDesk& desk_;
  std::string house_;
  RuleEdits edits_, inverse_;
  bool isNew_ = true;
};

std::string HouseDesk::pathOf(const std::string& house) const {
  return folder_ + "/" + house + ".toml";
}

bool HouseDesk::isHouse() const { return book_.library().isHouse(book_.job().method); }

std::string HouseDesk::houseId() const {
  return isHouse() ? book_.job().method : book_.job().method + "-house";
}

std::string HouseDesk::textOf(const std::string& house) const {
  if (const auto source = book_.library().source(house))
    return std::string(std::string_view(source->text));
  return houseBegun(book_.library(), book_.job().method, house);
}

std::optional<std::string> HouseDesk::said(const RulePlace& place) const {
  return isHouse() ? ruleText(textOf(houseId()), place) : std::nullopt;
}

RuleDesk::Trial HouseDesk::tryOut(const RuleEdits& edits) const {
  const RuleLibrary& library = book_.library();
  const std::string house = houseId();
  const std::string text = withRuleEdits(textOf(house), edits);
  Trial trial{loadRules({house + ".toml", text},
                        [&](std::string_view base) { return library.source(base); }),
              0, std::nullopt};
  if (trial.loaded.issues.empty()) return trial;
  const SourcePosition& where = trial.loaded.issues.front().where;
  for (std::size_t i = 0; i < edits.size() && !trial.wrongAt; ++i) {
    trial.wrong = i;
    trial.wrongAt = offsetIn(text, edits[i].place, where.line, where.column);
  }
  return trial;
}

/// On what the file says now, whoever wrote it.
Issues HouseDesk::write(const std::string& house, const RuleEdits& edits) {
  const auto read = readWhole(pathOf(house), kLargest);
  if (const auto* issue = std::get_if<Issue>(&read)) return {*issue};
  const std::string text = withRuleEdits(std::get<std::string>(read), edits);
  if (auto issue = writeWhole(pathOf(house), text)) return {*issue};
  calls_.reload();
  return {};
}

/// Nothing where there is one already.
Issues HouseDesk::begin(const std::string& house) {
  if (book_.library().source(house)) return {};
  std::error_code error;
  std::filesystem::create_directories(folder_, error);
  if (std::filesystem::exists(pathOf(house), error))
    return {Issue{"file-there", {{"path", pathOf(house)}}, {}, {}, {}}};
  if (auto issue = writeWhole(pathOf(house), textOf(house))) return {*issue};
  calls_.reload();
  return {};
}

Issues HouseDesk::keep(const RuleEdits& edits) {
  const Trial trial = tryOut(edits);
  if (trial.loaded.rules == nullptr) return trial.loaded.issues;
  const std::string house = houseId();
  const std::string before = textOf(house);
  RuleEdits inverse;
  for (const RuleEdit& edit : edits) inverse.push_back({edit.place, ruleText(before, edit.place)});
  if (isHouse() && withRuleEdits(before, edits) == before) return {};
  if (Issues issues = begin(house); !issues.empty()) return issues;
  if (Issues issues = write(house, edits); !issues.empty()) return issues;
  QUndoStack& steps = *book_.undoStack();
  steps.beginMacro(QString::fromStdString(edits.front().place.id));
  steps.push(new Step(*this, house, edits, std::move(inverse)));
  const auto issue = book_.keep("method", Entry{house, {}});
  steps.endMacro();
  return issue ? Issues{*issue} : Issues{};
}

}  // namespace drapery
