// One application for all window tests.
#include <gtest/gtest.h>

#include <QApplication>
#include <clocale>

#include "app/plain_labels.h"
#include "paint/fonts.h"

int main(int argc, char** argv) {
  if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  ::testing::InitGoogleTest(&argc, argv);
  QApplication application(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  drapery::keepLabelsPlain(application);
  drapery::loadFonts();
  return RUN_ALL_TESTS();
}
