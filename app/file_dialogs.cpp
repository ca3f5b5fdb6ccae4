#include <QCoreApplication>
#include <QFileDialog>
#include <QFileInfo>

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
  questions.savePages = [](QWidget* parent, const QString& suggested) {
    const QString kind = QFileInfo(suggested).suffix();
    return QFileDialog::getSaveFileName(parent, Words::tr("Write the pages to"), suggested,
                                        QString("%1 (*.%2)").arg(kind.toUpper(), kind));
  };
  questions.openPicture = [](QWidget* parent, const QString& folder) {
    return QFileDialog::getOpenFileName(
        parent, Words::tr("Choose a picture"), folder,
        Words::tr("Pictures (*.png *.jpg *.jpeg *.svg *.webp *.bmp *.gif);;All files (*)"));
  };
  return questions;
}

}  // namespace drapery
