// When in the work a value settles: what is done by then stays as it was made, whatever is measured
// later.
#pragma once

namespace drapery {

/// In the order of the work.
enum class Moment { Sewn, Trimmed, Cut, Cased, Never };

}  // namespace drapery
