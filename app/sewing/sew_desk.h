// The open book's sewing, found once for all that show it, and the patterns to choose from.
#pragma once

#include <QObject>
#include <memory>
#include <string>
#include <vector>

#include "app/document/document.h"
#include "core/sewing/sew_book.h"

namespace drapery {

class SewDesk : public QObject {
  Q_OBJECT

 public:
  /// `patterns`: the folder of the house's own; an empty one: none.
  SewDesk(Document& document, std::string patterns);

  [[nodiscard]] const PatternLibrary& patterns() const { return *patterns_; }
  /// Empty while the book waits for its measures. What was given out stays as it was.
  [[nodiscard]] std::shared_ptr<const SewnBook> sewn() const;
  /// Why the book could not be sewn with a field said so.
  [[nodiscard]] std::optional<Issue> foundWrong(const std::string& field,
                                                const FieldValue& value) const;
  /// Reads the house's patterns anew.
  void reload();

 signals:
  void changed();

 private:
  void setStale();

  Document& document_;
  std::string folder_;
  std::unique_ptr<const PatternLibrary> patterns_;
  mutable std::shared_ptr<const SewnBook> sewn_;  // null: to be found
  /// What was tried last, since a moment later it is most often what is shown.
  struct Tried {
    std::optional<JobSewing> sewing;
    RuleSetPtr rules;            // of the plan
    std::vector<double> values;  // of the plan
    std::shared_ptr<const SewnBook> sewn;
  };
  mutable Tried tried_;
  [[nodiscard]] std::shared_ptr<const SewnBook> sew(const Job& job, const Plan& plan) const;
};

}  // namespace drapery
