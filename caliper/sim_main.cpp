// drapery-caliper-sim: a caliper of no metal. Opens a pseudo-terminal, tells its path, and sends
// the readings of a made-up book, so that everything about a caliper can be tried without one.
#include <fcntl.h>
#include <poll.h>
#include <stdlib.h>
#include <termios.h>
#include <unistd.h>

#include <CLI/CLI.hpp>
#include <array>
#include <cstdio>
#include <iostream>
#include <string>
#include <vector>

#include "core/quantity/length.h"

namespace {

// The ferry's account book of the Saltmarsh Bindery: height, width, thickness, each in three
// places.
constexpr std::array kBook{246.2, 246.4, 246.1, 188.6, 188.9, 188.7, 31.42, 31.86, 31.55};

struct Wishes {
  std::vector<double> readings{kBook.begin(), kBook.end()};
  int every = 1000;  // ms
  bool inches = false, onEnter = false, noUnit = false, noise = false, keepsOpen = false;
  int garbled = 0;  // each so many-th line
};

std::string line(double mm, const Wishes& wishes, std::size_t number) {
  if (wishes.noise) return "\xf8\x80\x98\xff\xe6\r\n";
  std::array<char, 32> text{};
  const double shown = wishes.inches ? mm / drapery::kMmPerInch : mm;
  std::snprintf(text.data(), text.size(), wishes.inches ? "%+08.4f" : "%+07.2f", shown);
  std::string out = text.data();
  if (wishes.garbled > 0 && (number + 1) % static_cast<std::size_t>(wishes.garbled) == 0)
    out[out.size() / 2] = '#';
  if (!wishes.noUnit) out += wishes.inches ? " in" : " mm";
  return out + "\r\n";
}

/// Waits for the moment of the next reading; false when there is none to come.
bool waitForNext(const Wishes& wishes) {
  if (!wishes.onEnter) {
    usleep(static_cast<useconds_t>(wishes.every) * 1000);
    return true;
  }
  std::string ignored;
  return static_cast<bool>(std::getline(std::cin, ignored));
}

/// The terminal's own end, raw: nothing is echoed or changed on the way. -1 when there is none.
int openTerminal() {
  const int terminal = posix_openpt(O_RDWR | O_NOCTTY);
  if (terminal < 0 || grantpt(terminal) != 0 || unlockpt(terminal) != 0) return -1;
  termios how{};
  if (tcgetattr(terminal, &how) != 0) return -1;
  cfmakeraw(&how);
  return tcsetattr(terminal, TCSANOW, &how) == 0 ? terminal : -1;
}

}  // namespace

int main(int argc, char** argv) {
  Wishes wishes;
  CLI::App app{"A caliper of no metal: tells the path of a port and sends readings to it.",
               "drapery-caliper-sim"};
  app.add_option("--readings", wishes.readings, "What it measures, in mm")->delimiter(',');
  app.add_option("--every", wishes.every, "Milliseconds from one to the next")
      ->check(CLI::Range(1, 60000));
  app.add_flag("--inches", wishes.inches, "It is set to inches");
  app.add_flag("--on-enter", wishes.onEnter, "One for each Enter, as its button would");
  app.add_flag("--no-unit", wishes.noUnit, "It sends no unit");
  app.add_flag("--noise", wishes.noise, "What comes at a wrong rate");
  app.add_option("--garbled", wishes.garbled, "Each so many-th line has a wrong letter");
  app.add_flag("--stay", wishes.keepsOpen, "Stays plugged in after the last");
  CLI11_PARSE(app, argc, argv);

  const int terminal = openTerminal();
  if (terminal < 0) {
    std::cerr << "drapery-caliper-sim: no pseudo-terminal can be had here\n";
    return 1;
  }
  std::cout << ptsname(terminal) << std::endl;
  // Held open, so that it does not count as hung up before somebody listens.
  const int other = open(ptsname(terminal), O_RDWR | O_NOCTTY);
  for (std::size_t i = 0; i < wishes.readings.size() && waitForNext(wishes); ++i) {
    const std::string text = line(wishes.readings[i], wishes, i);
    if (write(terminal, text.data(), text.size()) < 0) break;
  }
  if (!wishes.keepsOpen) usleep(300'000);  // for the last of it to be taken
  while (wishes.keepsOpen) pause();
  close(other);
  close(terminal);
  return 0;
}
