"""What few books need, from stock as it lies at a bench: how many of the drawn problems are proven, and how long that takes.

    python3 benchmarks/few_pieces.py build/release/bin/drapery-cli SECONDS
"""
import sys
import time

from drawn import drawing, laid, sheet


def books(draw, count):
    for _ in range(count):
        h = draw(120, 330)
        yield h, round(h * draw(60, 85) / 100), draw(6, 45)


def coverings(draw, count):
    return [(2 * w + t + 40, h + 38, 1) for h, w, t in books(draw, count)]


def boards(draw, count):
    return [piece for h, w, t in books(draw, count) for piece in [(w - 3, h + 6, 2), (t + 5, h + 6, 1)]]


def problem(seed, pieces, stock, weight):
    """Off-cuts cost their share of what they come from, times `weight`."""
    draw = drawing(seed)
    parts = [{"id": f"p{i}", "material": "board", "w": w, "h": h, "qty": qty, "grain": "h"}
             for i, (w, h, qty) in enumerate(pieces(draw))]
    whole = sheet("roll", 1000, 20_000, 1, 1) | {"form": "roll"} if stock == "roll" else sheet("sheet", 700, 1000, None, 1)
    area = 1e6 if stock == "roll" else 7e5
    stocks = [whole]
    for i in range(8 if weight is not None else 0):
        across, along = draw(150, 600), draw(200, 800)
        stocks.append(sheet(f"off-cut {i}", across, along, 1, round(weight * across * along / area, 6)))
    return {"name": f"drawn {seed}", "schema": "drapery-cut/1", "units": "mm", "objective": "min_cost", "stocks": stocks,
            "parts": parts}


def main():
    cli, seconds = sys.argv[1], sys.argv[2]
    print("pieces\tdifferent\tstock\toff-cuts\tproven\tabove\tlongest")
    for stock, pieces, counts in [("roll", coverings, (6, 10, 12, 14, 16)), ("sheet", boards, (3, 5, 6, 10))]:
        for off_cuts, weight in [("none", None), ("for their share", 1.0), ("first", 0.001), ("free", 0.0)]:
            for count in counts:
                proven, above, longest = 0, 0.0, 0.0
                for seed in range(1, 6):
                    drawn = problem(1000 * count + seed, lambda draw, n=count: pieces(draw, n), stock, weight)
                    begun = time.monotonic()
                    told = laid(cli, seconds, drawn)["bounds"]["board"]
                    longest = max(longest, time.monotonic() - begun)
                    proven += told["proven"]
                    if not told["proven"] and told["bound"] > 0:
                        above = max(above, told["cost"] / told["bound"] - 1)
                number = sum(part["qty"] for part in drawn["parts"])
                print(number, len(drawn["parts"]), stock, off_cuts, f"{proven} of 5", f"{100 * above:.1f} %",
                      f"{longest:.1f} s", sep="\t", flush=True)


if __name__ == "__main__":
    main()
