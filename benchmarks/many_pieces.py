"""Drawn problems of 100 to 1,000 pieces, as docs/cutting.md tells of them: what they need, what nothing costs less than.

    python3 benchmarks/many_pieces.py build/release/bin/drapery-cli SECONDS
"""
import sys

from drawn import drawing, laid, sheet

ACROSS, ALONG = 700, 1000


def stocks(draw, stock):
    """Sheets of one size, or a roll a metre wide; off-cuts beside it, or sheets of three sizes."""
    roll = sheet("roll", 1000, 500_000, 1, 1) | {"form": "roll"}
    off_cuts = [sheet(f"off-cut {i}", draw(200, 700), draw(250, 900), 1, draw(5, 40) / 100) for i in range(8)]
    return {"sheets": [sheet("sheet", ACROSS, ALONG, None, 1)], "roll": [roll], "roll, off-cuts": [roll, *off_cuts],
            "sheets, off-cuts": [sheet("sheet", ACROSS, ALONG, None, 1), *off_cuts],
            "three sizes": [sheet("small", 510, 730, 12, 0.55), sheet("sheet", ACROSS, ALONG, 12, 1),
                            sheet("large", 900, 1250, None, 1.65)]}[stock]


def problem(seed, pieces, kinds, grain, is_large, stock="sheets"):
    draw = drawing(seed)
    parts = []
    for kind in range(kinds):
        h = draw(150, 600) if is_large else draw(80, 420)
        w = draw(20, 60) if draw(1, 7) == 1 else round(h * draw(35, 90) / 100)
        qty = pieces * (kind + 1) // kinds - pieces * kind // kinds
        runs = ["free", "h", "w"][draw(0, 2)] if grain == "all sorts" else grain
        parts.append({"id": f"p{kind}", "material": "board", "w": w, "h": h, "qty": qty, "grain": runs})
    return {"name": f"drawn {seed}", "schema": "drapery-cut/1", "units": "mm", "objective": "min_cost",
            "stocks": stocks(draw, stock), "parts": parts}


def main():
    cli, seconds = sys.argv[1], sys.argv[2]
    print("pieces\tkinds\tgrain\tseed\tneeds\tbound\tarea")
    for pieces, kinds, grain, is_large, ends in [
            (120, 60, "free", False, (3, 4)), (600, 30, "free", False, (1, 2)), (600, 150, "free", False, (1, 2)),
            (600, 150, "all sorts", False, (1, 2)), (600, 30, "free", True, (3, 4)), (600, 150, "free", True, (1, 2)),
            (800, 60, "free", False, (1, 2)), (800, 150, "free", True, (3,)), (900, 40, "free", False, (3,)),
            (1000, 1000, "free", False, (1, 2))]:
        for end in ends:
            seed = 1000 * pieces + 10 * kinds + end
            drawn = problem(seed, pieces, kinds, grain, is_large)
            found = laid(cli, seconds, drawn)
            needs = sum(each.get("repeat", 1) for each in found["sheets"])
            area = sum(part["w"] * part["h"] * part["qty"] for part in drawn["parts"]) / (ACROSS * ALONG)
            print(pieces, kinds, grain + (", large" if is_large else ""), end, needs, found["bounds"]["board"]["bound"],
                  f"{area:.3f}", sep="\t", flush=True)
    print("pieces\tkinds\tgrain\tstock\tcost\tbound\tabove\tof a sheet")
    for stock in ["roll", "roll, off-cuts", "sheets, off-cuts", "three sizes"]:
        for pieces, kinds, grain in [(100, 40, "h"), (500, 60, "all sorts"), (600, 30, "h"), (600, 150, "free"),
                                     (1000, 25, "h")]:
            drawn = problem(1000 * pieces + 10 * kinds + 5, pieces, kinds, grain, False, stock)
            told = laid(cli, seconds, drawn)["bounds"]["board"]
            above = told["cost"] - told["bound"]
            # Whole sheets come nearer by steps: what one more of the cheapest costs tells how far a bound may be off.
            whole = [each["cost"] for each in drawn["stocks"] if not each["id"].startswith("off-cut")]
            print(pieces, kinds, grain, stock, f"{told['cost']:.3f}", f"{told['bound']:.3f}",
                  f"{100 * above / told['bound']:.2f} %", "" if "roll" in stock else f"{above / min(whole):.2f}", sep="\t", flush=True)


if __name__ == "__main__":
    main()
