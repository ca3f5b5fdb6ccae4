// The open book: its job, the plan that follows, undo, and the file that every kept edit is written
// to.
#pragma once

#include <QFile>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>
#include <optional>

#include "app/document/book_writer.h"
#include "core/plan/give_way.h"
#include "core/plan/job_field.h"
#include "core/plan/planner.h"
#include "core/rules/rule_library.h"

namespace drapery {

/// Fields and what they are to say; nothing to forget one.
using FieldEdits = std::vector<std::pair<std::string, FieldValue>>;

class RuleDesk;

class Document : public QObject {
  Q_OBJECT

 public:
  using LibraryPtr = std::shared_ptr<const RuleLibrary>;
  /// Begins with a new book. The repository outlives the document.
  Document(LibraryPtr library, JobRepository& jobs, Units units, QObject* parent = nullptr);
  /// Writes what is still to be written.
  ~Document() override;

  [[nodiscard]] const Job& job() const { return job_; }
  /// With the text being typed in it, while that is sound.
  [[nodiscard]] const Plan& plan() const { return plan_; }
  /// The same, as a job.
  [[nodiscard]] const Job& shownJob() const { return shown_; }
  /// While other rules are looked at: the plan by the present ones. Else null.
  [[nodiscard]] const Plan* formerPlan() const { return former_ ? &*former_ : nullptr; }
  [[nodiscard]] QString path() const { return QFile::decodeName(writer_.name().c_str()); }
  [[nodiscard]] const RuleLibrary& library() const { return *library_; }
  /// Plans by these rules from now on. What is wrong with those of the open book; it is then
  /// planned by the former ones.
  Issues useLibrary(LibraryPtr library);
  [[nodiscard]] QString methodTitle(const std::string& id) const;
  /// Whether the book was last kept under other rules of the same name: its figures may differ.
  [[nodiscard]] bool hasOtherRules() const;
  QUndoStack* undoStack() { return &undo_; }
  /// Where the house's rules are changed; null where there is no such place.
  [[nodiscard]] RuleDesk* ruleDesk() const { return desk_; }
  void setRuleDesk(RuleDesk* desk) { desk_ = desk; }
  std::vector<Influence> influences(std::size_t node);
  std::vector<PartMove> partMoves();
  /// What an input must be so that a value comes to a figure, mm for a length; or why nothing does.
  [[nodiscard]] std::variant<double, Issue> solveFor(const std::string& input,
                                                     const std::string& value, double figure);
  /// The plan with a field said; none where that is not sound.
  [[nodiscard]] std::optional<Plan> planWith(const std::string& field, const FieldValue& value);
  /// What could give way so that a computed value becomes a figure; see core/plan/give_way.h.
  std::vector<GivingWay> whatCouldGiveWay(const std::string& value, double figure);
  /// Measures that the method needs and nobody took yet: their ids, in the order of the work.
  [[nodiscard]] const std::vector<std::string>& missing() const { return missing_; }

  /// Refuses a file that is not a sound job (issues, placed) and then keeps the present book. The
  /// present one's edits must be safe: see isSaved.
  Issues open(const QString& path);
  /// A new empty book, written at its first kept edit. The same holds.
  void startNew(Units units);
  /// Writes the present book to another file under a new id and goes on with that one.
  std::optional<Issue> copyTo(const QString& path);

  /// Shows what would follow from a value while it is typed. A wrong one is told and shows nothing.
  std::optional<Issue> preview(const std::string& field, const FieldValue& value);
  /// The same for several at once.
  std::optional<Issue> preview(const FieldEdits& edits);
  /// Shows the book as other rules would have it.
  void previewRules(const RuleSetPtr& rules);
  void endPreview();
  /// Keeps a value: one undo step, written to the file. A wrong one is told and changes nothing.
  std::optional<Issue> keep(const std::string& field, const FieldValue& value);
  /// Keeps several as one undo step; when one is wrong, none.
  std::optional<Issue> keep(const FieldEdits& edits);

  /// Keeps what was decided about the cutting: one undo step.
  void keepCutting(JobCutting cutting);
  /// Keeps how the book is sewn: one undo step.
  void keepSewing(const JobSewing& sewing);
  /// Another kind of book of the same leaves: what was said of them stays, what belongs to the
  /// former kind alone is let go. One undo step.
  std::optional<Issue> makeKind(const std::string& method);
  /// Keeps what is to be printed on a panel ("jacket", "front"); nothing at all takes it away.
  void keepArt(const std::string& piece, const std::string& panel, const PanelArt& art);

  /// Keeps a value that is stepped up or down: the steps of one field, until another edit or
  /// endSteps, are one undo step and one write, a moment after the last of them.
  std::optional<Issue> step(const std::string& field, const FieldValue& value);
  void endSteps() { ++run_; }

  /// Another unit, and with it that unit's usual rule in hand: half millimetres are no use on an
  /// inch rule. Usual values that are others in that unit are said as they were, so that no size
  /// changes. One undo step.
  void keepUnits(const std::string& units);

  /// Whether every kept edit is in the file: not while one is being written, nor after one failed.
  [[nodiscard]] bool isSaved() const { return isSaved_; }
  /// Whether an edit is on its way to the file at this moment.
  [[nodiscard]] bool isWriting() const { return writer_.isWriting(); }
  /// Waits for what is being written, and writes what is not.
  std::optional<Issue> save();
  /// Writes over whatever is in the file now. Only after the binder said so.
  std::optional<Issue> saveOver();

 signals:
  void planChanged();
  /// The job was kept, undone, opened: everything may be different.
  void jobChanged();
  /// Another book lies on the table: what was being typed for the former one is gone.
  void bookChanged();
  /// The binder chose a unit.
  void unitsChosen(drapery::Units units);
  /// What of another method's own figures is not sound: it stays in the file and is not used.
  void leftWaiting(const drapery::Issues& issues);
  void saveFailed(const drapery::Issue& issue);
  void saved();

 private:
  friend class EditCommand;
  enum class Write { Now, Soon };
  /// Puts the job in the place of the present one, which is given back.
  Job exchange(Job job, Write write);
  /// The job with them in it, or what is wrong.
  [[nodiscard]] std::variant<Job, Issue> edited(const FieldEdits& edits);
  std::optional<Issue> commit(const FieldEdits& edits, int run);
  void writeSoon();
  void keepDraft(Job draft, const char* field);
  void takeRules(Job& job) const;
  [[nodiscard]] Job withUnits(const std::string& units) const;
  bool usePlanner(const std::string& method);
  void adopt(Job job);
  void replan(const Job& job);
  std::optional<Issue> told(std::optional<Issue> issue);
  /// What is wrong with an allowance under the method that the book changes to.
  [[nodiscard]] std::optional<Issue> issueOfAllowance(const RuleSet& rules, const std::string& key,
                                                      const Entry& entry) const;
  void changeMethod(Job& draft, const std::string& method);
  [[nodiscard]] std::optional<Issue> issueOfMethod(const std::string& id) const;
  [[nodiscard]] std::optional<Issue> issueOf(const std::string& field, const Job& job);

  LibraryPtr library_;
  JobRepository& jobs_;
  std::optional<Planner> planner_;
  Job job_;
  Job shown_;
  Plan plan_;
  std::optional<Plan> former_;
  std::vector<std::string> missing_;
  BookWriter writer_;
  bool isSaved_ = true;
  QUndoStack undo_;
  RuleDesk* desk_ = nullptr;
  QTimer writing_;  // runs while steps are still to be written
  int run_ = 1;     // of steps
};

/// A random UUID for a new job.
std::string newJobId();

}  // namespace drapery
