"""Sets of different books, as a bench has them: how many materials' lay-outs are proven, and how long all of it takes.

The demo's jobs in other sizes, planned and cut from the demo's stock with some off-cuts beside.

    python3 benchmarks/book_sets.py build/release/bin/drapery-cli
"""
import copy
import json
import pathlib
import subprocess
import sys
import tempfile
import time

from drawn import drawing, laid, sheet

DEMO = pathlib.Path(__file__).parent.parent / "demo"
OFF_CUTS_OF = ["board", "cloth", "paper"]


def resized(draw, job):
    job = copy.deepcopy(job)
    height = draw(110, 330)
    thickness = draw(50, 450) / 10
    sizes = {"text_height": height, "text_width": round(height * draw(60, 85) / 100), "text_thickness": thickness,
             "spine_thickness": thickness + 0.5}
    job["given"] |= {name: f"{size} mm" for name, size in sizes.items() if name in job["given"]}
    return job


def shelf(draw):
    stock = json.loads((DEMO / "stock/shelf.json").read_text())
    for material in OFF_CUTS_OF:
        whole = next(each for each in stock["stocks"] if each["material"] == material)
        area = whole["W"] * (1000 if whole["form"] == "roll" else whole["L"])
        share = whole["cost"] * [1, 1, 0.5, 0.001, 0][draw(0, 4)] / area
        for i in range(draw(0, 6)):
            across, along = draw(150, 600), draw(200, 800)
            stock["stocks"].append(sheet(f"{material}, piece {i}", across, along, 1, round(share * across * along, 3)) |
                                   {"material": material} |
                                   ({"thickness": whole["thickness"]} if "thickness" in whole else {}))
    return stock


def planned(cli, job, stock):
    run = subprocess.run([cli, "plan", "-", "--as", "cut", "--stock", stock], input=json.dumps(job), text=True,
                         capture_output=True, check=False)
    return json.loads(run.stdout) if run.returncode == 0 else None  # no book can be so


def book_set(cli, seed, most, folder):
    """So many books as have no more pieces than that together."""
    draw = drawing(seed)
    jobs = [json.loads(file.read_text()) for file in sorted(DEMO.glob("*.json"))]
    jobs = [job for job in jobs if "text_height" in job.get("given", {})]
    stock = folder / "stock.json"
    stock.write_text(json.dumps(shelf(draw)))
    whole, count = None, 0
    while True:
        plan = planned(cli, resized(draw, jobs[draw(0, len(jobs) - 1)]), str(stock))
        if plan is None:
            continue
        pieces = sum(part["qty"] for part in plan["parts"])
        if count + pieces > most:
            if whole is not None:
                return whole | {"name": f"set {seed}"}
            continue
        for part in plan["parts"]:
            part["id"] = f"{count} {part['id']}"
        count += pieces
        if whole is None:
            whole = plan
        else:
            whole["parts"] += plan["parts"]


def half_bound(cli, seed, books):
    """The cloth of so many half-bound books, from the roll alone: spines, and corners two to a square."""
    draw = drawing(seed)
    job = json.loads((DEMO / "tide-ledger.json").read_text())
    job["allowances"] = {"covering_style": "half"}
    stocks, parts = [], []
    while len(parts) < 2 * books:
        plan = planned(cli, resized(draw, job), str(DEMO / "stock/shelf.json"))
        if plan is None:
            continue
        stocks = [stock for stock in plan["stocks"] if stock["material"] == "cloth"]
        parts += [part | {"id": f"{len(parts)} {part['id']}"} for part in plan["parts"] if part["material"] == "cloth"]
    return plan | {"name": f"half bound {seed}", "stocks": stocks, "parts": parts}


def above(cost, bound):
    return cost / bound - 1 if bound > 0 else 0.0 if cost == 0 else 9.99


def told(cli, name, seconds, problems):
    times, gaps, sums, whole = [], [], [], 0
    for problem in problems:
        begun = time.monotonic()
        bounds = laid(cli, seconds, problem)["bounds"].values()
        times.append(time.monotonic() - begun)
        whole += all(bound["proven"] for bound in bounds)
        sums.append(above(sum(bound["cost"] for bound in bounds), sum(bound["bound"] for bound in bounds)))
        gaps += [0.0 if bound["proven"] else above(bound["cost"], bound["bound"]) for bound in bounds]
    times.sort()
    print(name, len(times), whole, len(gaps), sum(gap == 0 for gap in gaps), sum(gap <= 0.02 for gap in gaps),
          f"{100 * max(gaps):.1f} %", f"{100 * sum(gaps) / len(gaps):.1f} %",
          f"{100 * max(sums):.1f} %", sum(each <= 0.01 for each in sums), f"{times[len(times) // 2]:.3f} s",
          f"{times[-1]:.2f} s", sep="\t", flush=True)


def main():
    cli = sys.argv[1]
    print("pieces", "sets", "all proven", "materials", "proven", "within 2 %", "worst", "mean", "worst of a whole set",
          "whole sets within 1 %", "middle time", "longest", sep="\t")
    for books in [4, 6, 7, 8, 10, 12]:
        told(cli, f"{books} half-bound", "5", [half_bound(cli, 100 * books + seed, books) for seed in range(1, 7)])
    with tempfile.TemporaryDirectory() as folder:
        for most, sets, seconds in [(30, 100, "5"), (120, 30, "5"), (700, 10, "10")]:
            told(cli, f"to {most}", seconds,
                 [book_set(cli, 1000 * most + seed, most, pathlib.Path(folder)) for seed in range(1, sets + 1)])


if __name__ == "__main__":
    main()
