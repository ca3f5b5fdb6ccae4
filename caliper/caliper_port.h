// A caliper on a serial port: readings as they come, and what is in their way. Opens the port again
// when it comes back, and tries the next rate when nothing can be read.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QSerialPort>
#include <QStringList>
#include <QTimer>

#include "caliper/caliper_lines.h"

namespace drapery {

enum class CaliperTrouble { Garbled, NoUnit, WrongRate, TooFast, Unplugged, Refused };

class CaliperPort : public QObject {
  Q_OBJECT

 public:
  explicit CaliperPort(QObject* parent = nullptr);

  /// "/dev/ttyUSB0", or the end of a pseudo-terminal. An empty path: no caliper.
  void use(const QString& path);
  [[nodiscard]] const QString& path() const { return path_; }
  [[nodiscard]] bool isOpen() const { return port_.isOpen(); }
  /// Bits a second.
  [[nodiscard]] int rate() const;
  /// Paths of the ports that are there now.
  static QStringList ports();

 signals:
  /// A reading with its own unit: "23.46 mm".
  void read(const QString& reading);
  /// @param detail what came, the port's name or the next rate.
  void troubled(drapery::CaliperTrouble trouble, const QString& detail);
  void changed();

 private:
  void open();
  void takeBytes();
  void take(const CaliperLine& line);
  void onError(QSerialPort::SerialPortError error);
  void nextRate();

  QString path_;
  QSerialPort port_;
  QTimer again_;  // while it is not there
  CaliperLines lines_;
  QElapsedTimer sinceLast_;
  std::size_t rate_ = 0;
  int unreadable_ = 0;  // lines in a row
  bool wasTold_ = false;
};

}  // namespace drapery
