// The house's rule files in their folder, changed from the window.
#pragma once

#include <functional>

#include "app/document/document.h"
#include "app/document/rule_desk.h"

namespace drapery {

class HouseDesk : public RuleDesk {
 public:
  /// @param reload reads all rule files anew.
  HouseDesk(Document& book, std::string folder, std::function<void()> reload)
      : book_(book), folder_(std::move(folder)), reload_(std::move(reload)) {}

  Issues begin() override;
  [[nodiscard]] bool isHouse() const override;
  [[nodiscard]] std::string file() const override {
    return isHouse() ? pathOf(book_.job().method) : std::string();
  }
  [[nodiscard]] std::optional<std::string> said(const RulePlace& place) const override;
  [[nodiscard]] Trial tryOut(const RuleEdit& edit) const override;
  Issues keep(const RuleEdit& edit) override;

  /// Writes an edit to a method's file and takes it up.
  Issues write(const std::string& method, const RuleEdit& edit);

 private:
  [[nodiscard]] std::string pathOf(const std::string& method) const;

  Document& book_;
  std::string folder_;
  std::function<void()> reload_;
};

}  // namespace drapery
