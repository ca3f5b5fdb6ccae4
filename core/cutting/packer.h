// A lay-out of any size, quickly, and then better ones: sheets are emptied and filled anew.
#pragma once

#include <cstdint>
#include <functional>
#include <memory>

#include "core/cutting/exact_lay_out.h"

namespace drapery {

class Packer {
 public:
  /// With a first lay-out, and better ones until `isEnough`.
  Packer(const MaterialJob& job, std::uint64_t seed, const std::function<bool()>& isEnough);
  ~Packer();
  Packer(const Packer&) = delete;
  Packer& operator=(const Packer&) = delete;

  /// One try: some sheets emptied and filled again. The best stays.
  void step();
  [[nodiscard]] double cost() const;
  [[nodiscard]] MaterialLayOut layOut() const;

 private:
  class Work;
  std::unique_ptr<Work> work_;
};

}  // namespace drapery
