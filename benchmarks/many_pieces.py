"""Drawn problems of 120 to 1,000 pieces, as docs/cutting.md tells of them: what they need, what nothing costs less than.

    python3 benchmarks/many_pieces.py build/release/bin/drapery-cli SECONDS
"""
import json
import subprocess
import sys

ACROSS, ALONG = 700, 1000


def drawing(seed):
    """The same numbers each time (Park and Miller's generator of 1988), as in packers/compare.mjs."""
    state = seed

    def draw(least, most):
        nonlocal state
        state = state * 48271 % 2147483647
        return least + state % (most - least + 1)

    return draw


def problem(seed, pieces, kinds, grain, is_large):
    draw = drawing(seed)
    parts = []
    for kind in range(kinds):
        h = draw(150, 600) if is_large else draw(80, 420)
        w = draw(20, 60) if draw(1, 7) == 1 else round(h * draw(35, 90) / 100)
        qty = pieces * (kind + 1) // kinds - pieces * kind // kinds
        runs = ["free", "h", "w"][draw(0, 2)] if grain == "all sorts" else grain
        parts.append({"id": f"p{kind}", "material": "board", "w": w, "h": h, "qty": qty, "grain": runs})
    stock = {"id": "sheet", "material": "board", "form": "sheet", "W": ACROSS, "L": ALONG, "grain": "L", "count": None,
             "trim": {"left": 0, "right": 0, "bottom": 0, "top": 0}, "kerf": 0, "cost": 1}
    return {"name": f"drawn {seed}", "schema": "drapery-cut/1", "units": "mm", "objective": "min_cost", "stocks": [stock],
            "parts": parts}


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
            run = subprocess.run([cli, "cut", "-", "--seconds", seconds, "--format", "json"], input=json.dumps(drawn), text=True,
                                 capture_output=True, check=True)
            laid = json.loads(run.stdout)
            needs = sum(sheet.get("repeat", 1) for sheet in laid["sheets"])
            area = sum(part["w"] * part["h"] * part["qty"] for part in drawn["parts"]) / (ACROSS * ALONG)
            print(pieces, kinds, grain + (", large" if is_large else ""), end, needs, laid["bounds"]["board"]["bound"],
                  f"{area:.3f}", sep="\t", flush=True)


main()
