#include "paint/palette.h"

namespace drapery {

QColor Palette::of(Severity severity) const {
  switch (severity) {
    case Severity::Stop:
      return stop;
    case Severity::Mind:
      return mind;
    case Severity::Note:
      break;
  }
  return note;
}

const Palette& lightPalette() {
  static const Palette kLight{QColor("#F6F4EF"), QColor("#FDFCF9"), QColor("#1F2933"),
                              QColor("#52606D"), QColor("#D5D0C6"), QColor("#1F5F8B"),
                              QColor("#E3EDF3"), QColor("#A4262C"), QColor("#8A5A00"),
                              QColor("#3B6E4F"), QColor("#FFFEFA"), QColor("#DDD0B4"),
                              QColor("#CFC0B0"), QColor("#C9D3CF"), QColor("#E9D9A8")};
  return kLight;
}

const Palette& printPalette() {
  static const QColor kWhite("#FFFFFF"), kBlack("#000000"), kGrey("#3A3A3A"), kLine("#8A8A8A");
  static const Palette kPrint{kWhite, kWhite, kBlack, kGrey,  kLine,  kBlack, kWhite, kBlack,
                              kBlack, kBlack, kWhite, kWhite, kWhite, kWhite, kWhite};
  return kPrint;
}

const Palette& benchPalette() {
  static const Palette kBench{QColor("#1B2127"), QColor("#242C34"), QColor("#F1EEE6"),
                              QColor("#B4BEC8"), QColor("#46525E"), QColor("#7FB9E0"),
                              QColor("#2B3D4B"), QColor("#F09A9E"), QColor("#E3B45C"),
                              QColor("#8CC7A1"), QColor("#39424B"), QColor("#5A513F"),
                              QColor("#4C443B"), QColor("#3D4B48"), QColor("#7A6B3A")};
  return kBench;
}

}  // namespace drapery
