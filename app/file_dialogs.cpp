#include <QCoreApplication>
#include <QFileDialog>

#include "app/main_window.h"

namespace drapery {

namespace {
struct Words {
  Q_DECLARE_TR_FUNCTIONS(FileDialogs)
};
}  // namespace

FileQuestions fileDialogs() {
  FileQuestions questions;
  questions.open = [](QWidget* parent, const QString& folder) {
    return QFileDialog::getOpenFileName(parent, Words::tr("Open a book"), folder,
                                        Words::tr("Books (*.json);;All files (*)"));
  };
  questions.saveJob = [](QWidget* parent, const QString& suggested) {
    return QFileDialog::getSaveFileName(parent, Words::tr("Copy this book to"), suggested,
                                        Words::tr("Books (*.json)"));
  };
  questions.savePdf = [](QWidget* parent, const QString& suggested) {
    return QFileDialog::getSaveFileName(parent, Words::tr("Write the cut slip to"), suggested,
                                        Words::tr("PDF (*.pdf)"));
  };
  return questions;
}

}  // namespace drapery
