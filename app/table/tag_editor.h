// What typing, stepping and choosing at a tag does to the open book, and what is told there when it
// cannot be.
#pragma once

#include <QObject>
#include <map>
#include <string>

#include "app/document/document.h"
#include "app/table/tag.h"

namespace drapery {

class TagEditor : public QObject {
  Q_OBJECT

 public:
  TagEditor(Document& document, QObject* parent);

  /// Listens to a tag from now on.
  void serve(Tag* tag);
  /// What is wrong with the text at a tag; empty when nothing is. It stays until it is mended,
  /// taken back, or the book goes.
  [[nodiscard]] QString message(const std::string& id) const;
  /// Tells something there, until it is typed at.
  void tell(Tag* tag, const QString& words);
  [[nodiscard]] bool hasMessage(const std::string& id) const { return messages_.contains(id); }

 signals:
  /// A message came or went.
  void messagesChanged();
  /// The text was kept, or was no other: the work goes on at the next tag.
  void done(drapery::Tag* tag);
  /// A computed figure was said over: something must give way.
  void saidOver(drapery::Tag* tag, double figure);
  /// A choice that cannot be taken up, such as a rule file with a mistake in it.
  void refused(const drapery::Issue& issue);

 protected:
  /// The plan that has what a tag shows, and its name there.
  [[nodiscard]] virtual const Plan& planOf(const Tag& tag) const;
  [[nodiscard]] virtual std::string nameOf(const Tag& tag) const { return tag.value(); }
  /// The job's field that is typed at it; empty for none.
  [[nodiscard]] virtual std::string fieldOfTag(const Tag& tag) const;
  /// What only the tags' own stage can tell of an edit that is about to be made.
  [[nodiscard]] virtual std::optional<Issue> foundWrong(const std::string& /*field*/,
                                                        const FieldValue& /*value*/) const {
    return std::nullopt;
  }

 private:
  void onTyped(Tag* tag, const QString& text);
  void onKept(Tag* tag, const QString& text, bool goOn);
  void onStepped(Tag* tag, int marks);
  void onChosen(Tag* tag, int option);
  void onSaidOver(Tag* tag, const QString& text, bool goOn);
  void onAbandoned(Tag* tag);
  [[nodiscard]] const InputRule* inputOf(const Tag& tag) const;
  [[nodiscard]] FieldValue valueOf(const Tag& tag, const QString& text) const;
  void tell(Tag* tag, const Issue& issue);

  Document& document_;
  std::map<std::string, QString> messages_;  // by value
};

}  // namespace drapery
