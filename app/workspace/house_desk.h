// The house's rule files in their folder, changed from the window.
#pragma once

#include <functional>

#include "app/document/document.h"
#include "app/document/rule_desk.h"

namespace drapery {

class HouseDesk : public RuleDesk {
 public:
  /// What the desk asks of the workspace.
  struct Calls {
    std::function<void()> reload;               // all rule files are to be read anew
    std::function<void(const Issues&)> refuse;  // a step back or forth that could not be written
  };
  HouseDesk(Document& book, std::string folder, Calls calls)
      : book_(book), folder_(std::move(folder)), calls_(std::move(calls)) {}

  [[nodiscard]] bool isHouse() const override;
  [[nodiscard]] std::string file() const override {
    return isHouse() ? pathOf(book_.job().method) : std::string();
  }
  [[nodiscard]] std::optional<std::string> said(const RulePlace& place) const override;
  [[nodiscard]] Trial tryOut(const RuleEdits& edits) const override;
  Issues keep(const RuleEdits& edits) override;

 private:
  class Step;
  /// Writes edits to a file and takes it up.
  Issues write(const std::string& house, const RuleEdits& edits);
  [[nodiscard]] std::string pathOf(const std::string& house) const;
  /// The house's file for the open book: the one that it goes by, or the one on its method.
  [[nodiscard]] std::string houseId() const;
  /// What that file says, or would when it is begun.
  [[nodiscard]] std::string textOf(const std::string& house) const;
  Issues begin(const std::string& house);

  Document& book_;
  std::string folder_;
  Calls calls_;
};

}  // namespace drapery
