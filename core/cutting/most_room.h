// How much room stock can have that together costs less than so much; or how much it can be worth.
#pragma once

#include <functional>
#include <vector>

#include "core/cutting/material_job.h"

namespace drapery {

/// um2 of usable rectangles, as enlarged by their kerfs; of a roll as much of it as can be paid.
/// Not too little: where there is too much to try, as if the last sheet could be paid for in part.
double mostRoom(const MaterialJob& job, double below);

/// In place of its area.
struct StockWorths {
  std::vector<double> whole;                // of each of the job's stocks; of a roll nothing
  std::function<double(Micrometres)> roll;  // of so much of the only one, never falling
};
/// How many rolls there are; endless where there are as many as are wanted.
double rollsOf(const MaterialJob& job);
/// The same of a job that has one roll at most.
double mostWorth(const MaterialJob& job, double below, const StockWorths& worths);

}  // namespace drapery
