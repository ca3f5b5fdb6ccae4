// What the program does with its arguments.
#pragma once

class QApplication;

namespace drapery {

/// Opens the window and runs, or writes a picture. 0 done, 2 refused.
int launch(QApplication& application);

}  // namespace drapery
