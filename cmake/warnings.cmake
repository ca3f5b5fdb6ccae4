# Every warning is an error in our own code. -Wrestrict is off: g++ 12 reports string concatenation
# falsely (GCC bug 105651).
function(drapery_target target)
  target_compile_options(${target} PRIVATE -Wall -Wextra -Wpedantic -Wconversion -Wsign-conversion -Wshadow
                                           -Wold-style-cast -Wnon-virtual-dtor -Werror
                                           $<$<CXX_COMPILER_ID:GNU>:-Wno-restrict>)
endfunction()
