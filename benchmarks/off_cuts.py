"""What is left over in one piece: of drawn problems the largest, beside all that is left of their sheets.

    python3 benchmarks/off_cuts.py build/release/bin/drapery-cli SECONDS
"""
import sys

from drawn import laid
from many_pieces import problem


def left(node, stock, x, y, across, along):
    """Each rectangle that a tree of cuts leaves."""
    if node is None or "part" in node:
        return
    if node.get("waste"):
        yield across, along
        return
    kerf, at = stock["kerf"], node["at"]
    if node["dir"] == "x":
        yield from left(node["a"], stock, x, y, at - x, along)
        yield from left(node["b"], stock, at + kerf, y, x + across - at - kerf, along)
    else:
        yield from left(node["a"], stock, x, y, across, at - y)
        yield from left(node["b"], stock, x, at + kerf, across, y + along - at - kerf)


def main():
    cli, seconds = sys.argv[1], sys.argv[2]
    print("pieces\tkinds\tgrain\tstock\tcost\tlargest, mm\tof all that is left")
    for pieces, kinds, grain, is_large, stock, seed in [
            (45, 45, "h", True, "sheets", 14), (50, 40, "h", False, "sheets", 11), (60, 40, "h", False, "sheets", 7),
            (70, 50, "free", False, "sheets", 12), (90, 60, "all sorts", False, "sheets", 13),
            (100, 40, "h", False, "sheets", 4), (120, 60, "free", False, "sheets", 120603),
            (80, 50, "h", False, "three sizes", 3), (600, 30, "h", False, "sheets", 77)]:
        drawn = problem(seed, pieces, kinds, grain, is_large, stock)
        found = laid(cli, seconds, drawn)
        stocks = {each["id"]: each for each in drawn["stocks"]}
        all_left = [(across * along, across, along, each.get("repeat", 1)) for each in found["sheets"]
                    for across, along in left(each["cuts"], stocks[each["stock"]], 0, 0, stocks[each["stock"]]["W"],
                                              stocks[each["stock"]]["L"])]
        area, across, along, _ = max(all_left)
        print(pieces, kinds, grain + (", large" if is_large else ""), stock, f"{found['bounds']['board']['cost']:g}",
              f"{across:g} x {along:g}", f"{100 * area / sum(each[0] * each[3] for each in all_left):.0f} %", sep="\t",
              flush=True)


if __name__ == "__main__":
    main()
