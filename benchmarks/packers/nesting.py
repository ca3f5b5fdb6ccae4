"""The problems of compare.mjs beside libnest2d, which nests shapes of any outline: how many sheets each needs.

    apt-get install python3-pynest2d
    /usr/bin/python3 benchmarks/packers/nesting.py build/release/bin/drapery-cli SECONDS
"""
import math
import pathlib
import sys
import time

from pynest2d import Box, Item, NfpConfig, Point, nest

sys.path.insert(0, str(pathlib.Path(__file__).parent.parent))
from drawn import drawing, laid, sheet

ACROSS, ALONG = 700, 1000
UNITS = 100_000  # of a millimetre; it keeps one of them between pieces


def drawn(pieces, kinds, seed):
    draw = drawing(1000 * pieces + 10 * kinds + seed)
    parts = []
    for kind in range(kinds):
        h = draw(80, 420)
        w = draw(20, 60) if draw(1, 7) == 1 else math.floor(h * draw(35, 90) / 100 + 0.5)
        qty = pieces * (kind + 1) // kinds - pieces * kind // kinds
        parts.append({"id": f"p{kind}", "material": "board", "w": w, "h": h, "qty": qty, "grain": "free"})
    return parts


def by_drapery(cli, seconds, parts):
    problem = {"name": "drawn", "schema": "drapery-cut/1", "units": "mm", "objective": "min_cost",
               "stocks": [sheet("sheet", ACROSS, ALONG, None, 1)], "parts": parts}
    return sum(each.get("repeat", 1) for each in laid(cli, seconds, problem)["sheets"])


def by_nesting(parts, alignment):
    items = [Item([Point(0, 0), Point(0, part["h"] * UNITS), Point(part["w"] * UNITS, part["h"] * UNITS),
                   Point(part["w"] * UNITS, 0)]) for part in parts for _ in range(part["qty"])]
    config = NfpConfig()
    config.rotations = [0.0, math.pi / 2]
    config.alignment = config.starting_point = alignment
    room = Box(ACROSS * UNITS + 4, ALONG * UNITS + 4)
    nest(items, room, 1, config)
    bins = [item.binId() for item in items]
    return max(bins) + 1 if min(bins) >= 0 else math.inf


def main():
    cli, seconds = sys.argv[1:3]
    print("pieces\tkinds\tdrapery\tlibnest2d\tits time")
    worse = 0
    for pieces, kinds in [(24, 12), (40, 40), (80, 20), (150, 30), (300, 40), (600, 60)]:
        for seed in (1, 2):
            parts = drawn(pieces, kinds, seed)
            begun = time.monotonic()
            other = min(by_nesting(parts, alignment) for alignment in
                        (NfpConfig.Alignment.BOTTOM_LEFT, NfpConfig.Alignment.CENTER))
            took = time.monotonic() - begun
            needed = by_drapery(cli, seconds, parts)
            worse += other < needed
            print(pieces, kinds, needed, other, f"{took:.1f} s", sep="\t", flush=True)
    print("Never worse." if worse == 0 else f"Worse {worse} times.")
    return 1 if worse else 0


if __name__ == "__main__":
    sys.exit(main())
