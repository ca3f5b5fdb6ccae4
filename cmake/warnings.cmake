# Every warning is an error in our own code. Two are off with g++ 12, which reports string concatenation and
# std::optional falsely (GCC bugs 105651 and 80635).
function(drapery_target target)
  target_compile_options(${target} PRIVATE -Wall -Wextra -Wpedantic -Wconversion -Wsign-conversion -Wshadow
                                           -Wold-style-cast -Wnon-virtual-dtor -Werror
                                           $<$<CXX_COMPILER_ID:GNU>:-Wno-restrict -Wno-maybe-uninitialized>)
endfunction()
