// Text from files and paths is never read as rich text, wherever Qt itself shows it.
#pragma once

#include <QObject>

class QApplication;

namespace drapery {

/// Labels, tool tips and message boxes of the whole application show their text as it is: a folder
/// whose name looks like HTML would otherwise bring pictures from the disk with it.
void keepLabelsPlain(QApplication& application);

}  // namespace drapery
