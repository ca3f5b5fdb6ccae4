#include <QCoreApplication>
#include <QFileDialog>

#include "app/main_window.h"

namespace drapery {

namespace {
QString tr(const char* text) { return QCoreApplication::translate("FileDialogs", text); }
}  // namespace

FileQuestions fileDialogs() {
  FileQuestions questions;
  questions.open = [](QWidget* parent, const QString& folder) {
    return QFileDialog::getOpenFileName(parent, tr("Open a book"), folder,
                                        tr("Books (*.json);;All files (*)"));
  };
  questions.saveJob = [](QWidget* parent, const QString& suggested) {
    return QFileDialog::getSaveFileName(parent, tr("Copy this book to"), suggested,
                                        tr("Books (*.json)"));
  };
  questions.savePdf = [](QWidget* parent, const QString& suggested) {
    return QFileDialog::getSaveFileName(parent, tr("Write the cut slip to"), suggested,
                                        tr("PDF (*.pdf)"));
  };
  return questions;
}

}  // namespace drapery
