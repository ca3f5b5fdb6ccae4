#include "app/words/caliper_words.h"

#include <QCoreApplication>

namespace drapery {

namespace {
struct Words {
  Q_DECLARE_TR_FUNCTIONS(Caliper)
};
}  // namespace

QString caliperWords(CaliperTrouble trouble, const QString& detail) {
  switch (trouble) {
    case CaliperTrouble::Garbled:
      return Words::tr("The caliper sent \"%1\", which is no whole reading. Send it again.")
          .arg(detail);
    case CaliperTrouble::NoUnit:
      return Words::tr(
                 "The caliper sent \"%1\" without mm or in. Set it to send its unit, or type "
                 "the figure.")
          .arg(detail);
    case CaliperTrouble::WrongRate:
      return Words::tr(
                 "What the caliper sends cannot be read; now listening at %1 bits a second. "
                 "Send it again.")
          .arg(detail);
    case CaliperTrouble::TooFast:
      return Words::tr("%1 came within a quarter of a second of the one before and was left out.")
          .arg(detail);
    case CaliperTrouble::Unplugged:
      return Words::tr("The caliper is unplugged; nothing was lost. It goes on when it is back.");
    case CaliperTrouble::Refused:
      return Words::tr("There is no caliper to listen to at %1: not plugged in, or not allowed.")
          .arg(detail);
  }
  return {};
}

QString caliperStatus(const CaliperPort& caliper) {
  if (caliper.path().isEmpty()) return Words::tr("none");
  if (!caliper.isOpen()) return Words::tr("unplugged");
  return caliper.path().section(QLatin1Char('/'), -1);
}

}  // namespace drapery
