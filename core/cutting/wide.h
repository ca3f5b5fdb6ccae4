// Loops over many numbers that are worth doing several at a time.
#pragma once

/// Before such a function: it is there once for the machine's widest registers, and once for any.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__)
#define DRAPERY_WIDE __attribute__((target_clones("avx2", "default")))
#else
#define DRAPERY_WIDE
#endif
