// What the window asks of the page that a stage is worked on.
#pragma once

#include <QWidget>
#include <functional>
#include <optional>
#include <utility>
#include <vector>

#include "core/diag/issue.h"
#include "core/rules/subject.h"

namespace drapery {

struct Stage;

class StagePage : public QWidget {
  Q_OBJECT

 public:
  using QWidget::QWidget;

  /// Turns to a stage that is worked here.
  virtual void setStage(const Stage& stage) = 0;
  /// Lights it and says why, or turns to a closer look of that name. None for nothing.
  virtual void select(const Subject& subject) = 0;
  [[nodiscard]] virtual const Subject& selected() const = 0;
  /// The closer look that is taken; none for none.
  [[nodiscard]] virtual Subject closerLook() const { return {}; }
  /// The notes fold away in a narrow window and come when something is selected.
  virtual void setNotesFolded(bool folded) = 0;
  /// Focus on the first thing that is still to be said.
  virtual void startTyping() = 0;
  /// Keeps what is being typed somewhere, as when the stage is left.
  virtual void keepTyped() = 0;
  /// Texts that are being typed, by what they are typed for: after `keepTyped` those that could not
  /// be kept.
  using TypedTexts = std::vector<std::pair<std::string, QString>>;
  [[nodiscard]] virtual TypedTexts typed() const = 0;
  /// Puts them back, with what is wrong with them.
  virtual void typeAgain(const TypedTexts& texts) = 0;
  /// As if it were typed at the value's place, with Enter behind it.
  virtual void typeAndKeep(const std::string& /*value*/, const QString& /*text*/) {}
  /// As if the rule behind what is selected were being made that.
  virtual void changeRule(const QString& /*formula*/) {}
  /// Puts a figure that was measured where the work is, and goes on; false where there is no such
  /// place.
  virtual bool takeReading(const QString& /*reading*/) { return false; }
  /// Tells there what is in its way; false likewise.
  virtual bool tellOfReading(const QString& /*words*/) { return false; }

  using TakeBook = std::function<void(const QString& path)>;
  struct Pages {
    QString suffix;         // of the name that is suggested: "-cut.pdf"; tells the kind of file
    QString begun;          // "The cut list is being written."
    QString done, stopped;  // "The cut list is in %1."; and for a book that must not be cut yet
    /// In a thread of its own; must touch nothing that others change.
    std::function<std::optional<Issue>(const std::string& path,
                                       const std::function<bool()>& isCancelled)>
        write;
  };

 signals:
  void selectionChanged(const drapery::Subject& subject);
  /// A choice that cannot be taken up, such as a rule file with a mistake in it.
  void refused(const drapery::Issue& issue);
  /// The binder is to be asked for a book's file.
  void bookWanted(const drapery::StagePage::TakeBook& then);
  /// The same for a picture's file.
  void pictureWanted(const drapery::StagePage::TakeBook& then);
  /// Pages are to be written to a PDF that the binder chooses, beside the window.
  void pagesWanted(const drapery::StagePage::Pages& pages);
};

}  // namespace drapery
