// What the binder wants printed on a jacket or a wrapper, panel by panel.
#pragma once

#include <map>
#include <string>

namespace drapery {

/// How a picture lies on its panel, at its own proportion: over all of it and cut off at the edges,
/// or wholly on it.
enum class PictureFit { Fill, Whole };
/// How a title runs: across; from head to tail, as spines are read in English (ISO 6357 calls it
/// descending); from tail to head.
enum class TitleRuns { Across, Down, Up };
/// Dark letters, or light ones for a dark picture.
enum class TitleInk { Dark, Light };

struct PanelArt {
  static constexpr double kSmallest = 1.0, kLargest = 200.0;  // of letters, mm

  std::string picture;  // a file, from the job's folder; empty: none
  PictureFit fit = PictureFit::Fill;
  std::string title;     // may be empty
  double letters = 0.0;  // their height, mm; 0: as suits the panel
  TitleRuns runs = TitleRuns::Across;
  TitleInk ink = TitleInk::Dark;

  friend bool operator==(const PanelArt& a, const PanelArt& b) {
    return a.picture == b.picture && a.fit == b.fit && a.title == b.title &&
           a.letters == b.letters && a.runs == b.runs && a.ink == b.ink;
  }
};

/// By what is printed on ("jacket") and its panel ("front").
using JobArt = std::map<std::string, std::map<std::string, PanelArt, std::less<>>, std::less<>>;

}  // namespace drapery
