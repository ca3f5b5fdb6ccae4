#include "caliper/caliper_port.h"

#include <QSerialPortInfo>
#include <algorithm>
#include <array>
#include <utility>

#include "core/quantity/format_length.h"

namespace drapery {

namespace {

constexpr std::array<int, 6> kRates{9600, 4800, 19200, 38400, 115200, 2400};
constexpr int kAgainAfter = 1000;     // ms
constexpr qint64 kLeastApart = 250;   // ms: no hand measures faster
constexpr int kUnreadableAtMost = 2;  // lines, before the next rate is tried

}  // namespace

CaliperPort::CaliperPort(QObject* parent) : QObject(parent) {
  again_.setInterval(kAgainAfter);
  connect(&again_, &QTimer::timeout, this, &CaliperPort::open);
  connect(&port_, &QSerialPort::readyRead, this, &CaliperPort::takeBytes);
  connect(&port_, &QSerialPort::errorOccurred, this, &CaliperPort::onError);
}

int CaliperPort::rate() const { return kRates[rate_]; }

QStringList CaliperPort::ports() {
  QStringList paths;
  for (const QSerialPortInfo& port : QSerialPortInfo::availablePorts())
    paths << port.systemLocation();
  return paths;
}

void CaliperPort::use(const QString& path) {
  again_.stop();
  if (port_.isOpen()) port_.close();
  path_ = path;
  rate_ = 0;
  wasTold_ = false;
  if (!path_.isEmpty()) open();
  emit changed();
}

void CaliperPort::open() {
  port_.setPortName(path_);
  port_.setBaudRate(rate());
  lines_ = {};
  unreadable_ = 0;
  if (!port_.open(QIODevice::ReadOnly)) {
    again_.start();
    if (!std::exchange(wasTold_, true)) emit troubled(CaliperTrouble::Refused, path_);
    return;
  }
  again_.stop();
  wasTold_ = false;
  sinceLast_.invalidate();
  emit changed();
}

/// A port that is gone tells so without end until it is closed.
void CaliperPort::onError(QSerialPort::SerialPortError error) {
  if (error != QSerialPort::ReadError && error != QSerialPort::ResourceError) return;
  if (!port_.isOpen()) return;
  port_.close();
  wasTold_ = true;
  again_.start();
  emit troubled(CaliperTrouble::Unplugged, path_);
  emit changed();
}

void CaliperPort::takeBytes() {
  const QByteArray bytes = port_.readAll();
  for (const CaliperLine& line :
       lines_.take({bytes.constData(), static_cast<std::size_t>(bytes.size())}))
    take(line);
}

void CaliperPort::take(const CaliperLine& line) {
  const auto* length = std::get_if<Length>(&line.reading);
  const QString came = QString::fromStdString(line.text);
  if (length == nullptr) {
    const auto fault = std::get<CaliperFault>(line.reading);
    if (fault == CaliperFault::Unreadable && ++unreadable_ >= kUnreadableAtMost) return nextRate();
    emit troubled(fault == CaliperFault::NoUnit ? CaliperTrouble::NoUnit : CaliperTrouble::Garbled,
                  came);
    return;
  }
  unreadable_ = 0;
  const bool isTooFast = sinceLast_.isValid() && sinceLast_.elapsed() < kLeastApart;
  sinceLast_.start();
  if (isTooFast) {
    emit troubled(CaliperTrouble::TooFast, came);
    return;
  }
  const bool isInches = came.endsWith(QStringLiteral("in"), Qt::CaseInsensitive);
  emit read(
      QString::fromStdString(formatExact(*length, isInches ? Units::Inches : Units::Millimetres)));
}

void CaliperPort::nextRate() {
  rate_ = (rate_ + 1) % kRates.size();
  unreadable_ = 0;
  lines_ = {};
  port_.setBaudRate(rate());
  emit troubled(CaliperTrouble::WrongRate, QString::number(rate()));
}

}  // namespace drapery
