"""Flips one operator at a time, in rule files and in the core's geometry, and tells which flips no test sees.

Usage: ./dev mutate [--sample N] [--seed N] [--only TEXT] [--minutes M]

Rule files are tried by `drapery-cli check-method FILE --cases` for every file of worked examples and by the core's tests; sources
are built anew first. A flip that changes nothing stands in tests/mutations.txt with the reason.
"""
import argparse
import glob
import os
import random
import re
import subprocess
import sys
import time

BUILD = "build/dev"
TESTS = f"{BUILD}/bin/drapery_core_tests"
FLIPS = {
    " + ": [" - "], " - ": [" + "], " * ": [" / "], " / ": [" * "], " < ": [" > ", " <= "], " > ": [" < ", " >= "],
    " <= ": [" < "], " >= ": [" > "], " == ": [" != "], " != ": [" == "], " && ": [" || "], " || ": [" && "],
    "min(": ["max("], "max(": ["min("], "ceil(": ["floor("], "floor(": ["ceil("],
}
FORMULA = re.compile(r'^(?:formula|when|default|otherwise|count) = "(.*)"$|^size = \[(.*)\]$')
SOURCES = ["core/geometry/arc.cpp", "core/geometry/joint.cpp", "core/geometry/sheet.cpp", "core/geometry/placement.cpp",
           "core/expr/formula.cpp", "core/rules/evaluation.cpp", "core/plan/tolerances.cpp", "core/quantity/rule.cpp"]


def flips_in(path, lines, wanted):
    for number, line in enumerate(lines):
        text = line.rstrip("\n")
        if not wanted(text):
            continue
        for sign, others in FLIPS.items():
            at = text.find(sign)
            while at >= 0:
                for other in others:
                    yield path, number, at, sign, other
                at = text.find(sign, at + 1)


def all_flips():
    for path in sorted(glob.glob("methods/*.toml")):
        yield from flips_in(path, open(path).readlines(), lambda text: FORMULA.match(text))
    for path in SOURCES:
        yield from flips_in(path, open(path).readlines(),
                            lambda text: text.startswith("  ") and "//" not in text and "for (" not in text)


def excused():
    """Lines `path: text with the flip: reason`."""
    if not os.path.exists("tests/mutations.txt"):
        return set()
    return {line.split(" # ")[0].strip() for line in open("tests/mutations.txt") if " # " in line}


def is_seen():
    """Whether something falls: the build, or a test."""
    built = subprocess.run(["cmake", "--build", BUILD, "--target", "drapery_core_tests"], capture_output=True)
    if built.returncode != 0:
        return True
    environment = dict(os.environ, RC_PARAMS="seed=20261125 max_success=60")
    try:
        ran = subprocess.run([TESTS, "--gtest_brief=1", "--gtest_fail_fast",
                              "--gtest_filter=-Sources.*:NodePack.*:Shelf*"],
                             capture_output=True, env=environment, timeout=240)
    except subprocess.TimeoutExpired:
        return True
    return ran.returncode != 0


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("--sample", type=int, default=150)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--only", default="")
    parser.add_argument("--minutes", type=float, default=30)
    wish = parser.parse_args()
    if subprocess.run(["git", "diff", "--quiet", "--", "methods", "core"]).returncode != 0:
        sys.exit("methods/ or core/ has changes that are not committed: they would be lost")
    flips = [flip for flip in all_flips() if wish.only in flip[0]]
    random.Random(wish.seed).shuffle(flips)
    known, unseen, tried = excused(), [], 0
    end = time.time() + 60 * wish.minutes
    for path, number, at, sign, other in flips[: wish.sample]:
        if time.time() > end:
            print(f"time is over after {tried} of {min(wish.sample, len(flips))}")
            break
        lines = open(path).readlines()
        flipped = lines[number][:at] + other + lines[number][at + len(sign):]
        name = f"{path}: {flipped.strip()}"
        if name in known:
            continue
        try:
            open(path, "w").writelines(lines[:number] + [flipped] + lines[number + 1:])
            tried += 1
            if not is_seen():
                unseen.append(name)
                print("not seen:", name, flush=True)
        finally:
            open(path, "w").writelines(lines)
    subprocess.run(["cmake", "--build", BUILD, "--target", "drapery_core_tests"], capture_output=True)
    print(f"{tried} flips of {len(flips)}, {len(unseen)} that no test saw")
    sys.exit(1 if unseen else 0)


main()
