// How large a hole must be for several threads, and for a needle that follows them.
#pragma once

#include "core/quantity/length.h"

namespace drapery {

/// The smallest circle around n equal circles that do not overlap, in diameters of one of them; NaN
/// for n over 10, which is proven nowhere. Kravitz, Math. Mag. 40 (1967) 65; proofs: Graham, Am.
/// Math. Monthly 75 (1968) 192 to 7, Pirl, Math. Nachr. 40 (1969) 111 to 10.
double bundleRatio(int n);

/// A hole through which a needle `needle` wide still passes beside `threads` threads of thickness
/// `thread`: the least of three arrangements that exist, a bundle beside the needle, a ring of
/// threads round it, and threads along the wall with the needle at the wall across. Always enough;
/// by search never more than 13 % over the best. NaN for more than 10 threads.
Length needleHole(int threads, Length thread, Length needle);

}  // namespace drapery
