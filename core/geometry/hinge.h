// Two boards side by side, held by cloth across the gap between them.
//
// The cloths of both faces meet in the gap at some depth: there they are a strap as long as the gap
// is wide, stiff in neither of its ends. Turned by an angle a, the strap stands at a/2 between the
// boards, since nothing favours one end. The faces that come together lie symmetrically about its
// middle; each face's corner stands h off the strap's end (h the depth to that face and what lies
// on it), and the two corners meet where h sin(a/2) is half the gap. With the faces right together
// (a = 180) that is a gap of 2h: what the rules call the gap to fold, or to close.
#pragma once

namespace drapery {

struct Hinge {
  double gap = 0.0;     // mm, flat
  double fold = 0.0;    // mm, gap with which the outer faces come right together; 0: any
  double close = 0.0;   // mm, gap with which the inner faces close on what lies between them
  bool isPair = false;  // shut on its inner faces; else shut flat on what is under both boards
};

struct TurnedHinge {
  double turn = 0.0;       // degrees from shut that it stands at
  double angle = 0.0;      // degrees from flat; below 0 toward the inner faces
  double most = 180.0;     // degrees from shut, as far as it goes
  double least = 0.0;      // as near to shut as it goes
  bool isStopped = false;  // at `most`, and that is not right over
  bool isShort = false;    // at `least`, and that is not shut
};

/// Degrees from flat at which the corners meet; 180 where they never do.
double hingeAngle(double gap, double needed);
/// Turned as far as wished, or as it goes: `turn` is 0 to 180 degrees, of a pair to 360.
TurnedHinge turnedHinge(const Hinge& hinge, double turn);

}  // namespace drapery
