// The window driven as chance has it: so many walks of so many steps, the same each time.
#pragma once

#include <random>
#include <vector>

#include "app/cutting/cut_desk.h"
#include "tests/app/cut_bench.h"

namespace drapery::test {

/// DRAPERY_WALKS=200 walks longer, DRAPERY_WALK=100 begins behind the hundredth; each step is then
/// told, so that the last of them is known where the program ends.
class RandomWalk : public Cutting {
 protected:
  /// Does them until one fails.
  template <typename Walk>
  void walk(int usual, Walk walk) {
    const int first = 1 + qEnvironmentVariableIntValue("DRAPERY_WALK");
    const int walks = isTold() ? qEnvironmentVariableIntValue("DRAPERY_WALKS") : usual;
    for (int number = first; number < first + walks && !HasFailure(); ++number) {
      chance_.seed(static_cast<unsigned>(number));
      walk(number);
    }
  }
  /// One step of it, whose words are put behind the trail.
  template <typename Step>
  void step(std::string& trail, Step step) {
    trail += " [" + step() + "]";
    settleSoon();
    if (isTold()) qInfo("%s", trail.c_str());
  }
  /// All of it taken back and done again, to where it began and where it ended.
  template <typename State>
  void takeBack(const std::string& trail, const std::string& begun, State state) {
    const std::string ended = state();
    QUndoStack& steps = *document().undoStack();
    int back = 0;
    for (; steps.canUndo(); ++back) steps.undo();
    settle();
    EXPECT_EQ(state(), begun) << trail;
    for (; back > 0; --back) steps.redo();
    settle();
    EXPECT_EQ(state(), ended) << trail;
    settleSoon();
  }

  std::size_t below(std::size_t most) { return chance_() % most; }
  template <class Of>
  const Of& any(const std::vector<Of>& of) {
    return of[below(of.size())];
  }

 private:
  static bool isTold() { return qEnvironmentVariableIsSet("DRAPERY_WALKS"); }
  /// The first lay-out will do.
  void settleSoon() {
    settle();
    CutDesk& desk = workspace_->cutting();
    while (desk.isSearching()) {
      QTest::qWait(5);
      desk.stop();
    }
    settle();
  }

  std::mt19937 chance_;
};

}  // namespace drapery::test
