"""Runs all benchmarks and puts the figures beside what is to be reached. Usage: ./dev bench [--quick]

Whole processes are run in pairs, A B A B ..., and the median of the ratios is told, since the machine's
speed drifts.
"""
import json
import os
import re
import statistics
import subprocess
import sys
import tempfile
import time

BIN = "build/bench/bin/"
CLI = "build/release/bin/drapery-cli"
JOB = "demo/tide-ledger.json"
RUNS = 9 if "--quick" in sys.argv else 31
failed = []


def tell(what, figure, limit, unit):
    ok = figure <= limit
    if not ok:
        failed.append(what)
    print(f"{'ok  ' if ok else 'OVER'} {what}: {figure:.3g} {unit} (to reach: {limit:g} {unit})")


def seconds(command, environment):
    start = time.perf_counter()
    done = subprocess.run(command, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    if done.returncode > 1:
        raise SystemExit(f"{command} ended with {done.returncode}")
    return time.perf_counter() - start


def paired(a, b, environment):
    """Median seconds of a and the median ratio a / b."""
    seconds(a, environment), seconds(b, environment)
    pairs = [(seconds(a, environment), seconds(b, environment)) for _ in range(RUNS)]
    return statistics.median(p[0] for p in pairs), statistics.median(p[0] / p[1] for p in pairs)


def engine():
    out = subprocess.run([BIN + "plan_bench", "--benchmark_format=json", "--benchmark_min_time=0.2"],
                         check=True, capture_output=True, text=True).stdout
    for row in json.loads(out)["benchmarks"]:
        micro = row["cpu_time"] / 1000
        if row["name"].startswith(("planOfParsedJob", "planOfAStructure")):
            tell(row["name"], micro, 300, "us")
        elif row["name"].startswith("sewingABook"):
            tell(row["name"], micro, 20000 if row["name"].endswith("largest") else 1000, "us")
        elif row["name"].startswith("judgingAStep"):
            tell(row["name"], micro, 100, "us")
        elif row["name"] == "largestPlan":
            tell("largest case with trace, tolerances and moves", micro, 1000, "us")
        elif row["name"].startswith("comparingAllMethods"):
            tell(row["name"], micro, 3000, "us")
        elif row["name"].startswith("solvingForAWidth"):
            tell(row["name"], micro, 5000, "us")
        elif row["name"].startswith("reading"):
            kilobytes = int(row["name"].split("/")[-1])
            tell(row["name"] + " kB, per kB", micro / kilobytes, 500, "us")  # 2 s for the largest file
        else:
            print(f"     {row['name']}: {micro:.3g} us")


def cutting():
    """Lay-outs of the problems that lie in benchmarks/cutting: five seconds each, ten from 500 pieces on."""
    out = subprocess.run([BIN + "cut_bench"], check=True, capture_output=True, text=True).stdout
    above = 0.0  # a problem's bound, of its materials that which is farthest from it, %
    for line in out.splitlines():
        print("     " + line)
        if gap := re.search(r"gap ([\d.]+) %", line):
            above = max(above, float(gap[1]))
            continue
        name, *figures = re.match(r"(\w+): (\d+) pieces, first ([\d.]+) ms, whole ([\d.]+) s, ended (-?\d+) ms", line).groups()
        pieces, first, whole, ended = map(float, figures)
        if pieces <= 30:
            tell(f"{name}, first lay-out", first, 16, "ms")
            tell(f"{name}, all of it proven", whole if above == 0 else float("inf"), 1, "s")
        elif pieces <= 120 or pieces >= 500:
            tell(f"{name}, away from its bound", above, 2 if pieces <= 120 else 1, "%")
        tell(f"{name}, ended after it was cancelled", ended, 100, "ms")
        above = 0.0


def frame(environment):
    out = subprocess.run([BIN + "frame_bench"], check=True, capture_output=True, text=True, env=environment).stdout
    for line in out.splitlines():
        name, figure, limit = re.match(r"(.+): median .*percentile ([\d.]+) ms.*; to reach ([\d.]+)", line).groups()
        tell(f"{name}, 95th percentile", float(figure), float(limit), "ms")


def batch(environment):
    """10,000 jobs on all cores against one, in five pairs."""
    with tempfile.TemporaryDirectory() as folder:
        job = json.load(open(JOB))
        for i in range(1000 if "--quick" in sys.argv else 10000):
            job["given"]["text_height"] = 150 + i / 100
            with open(f"{folder}/{i:05}.json", "w") as out:
                json.dump(job, out)
        plan = [CLI, "plan", "--batch", folder, "--threads"]
        cores = str(os.cpu_count())
        seconds(plan + [cores], environment)
        pairs = [(seconds(plan + ["1"], environment), seconds(plan + [cores], environment)) for _ in range(5)]
        faster = statistics.median(one / both for one, both in pairs)
        tell(f"a batch on {cores} cores against one, time taken", 1 / faster, 1 / 1.5, f"of it ({faster:.2f} x as fast)")


def beside_traps(environment):
    """A plan while the house's folders hold what is no file: a folder, a pipe, an endless device, 200 MB."""
    with tempfile.TemporaryDirectory() as data:
        for folder in (f"{data}/drapery/methods", f"{data}/drapery/materials"):
            os.makedirs(f"{folder}/a-folder.toml")
            os.mkfifo(f"{folder}/b-pipe.toml")
            os.symlink("/dev/zero", f"{folder}/c-endless.toml")
            with open(f"{folder}/d-large.toml", "w") as large:
                large.truncate(200 << 20)
        there = dict(environment, XDG_DATA_HOME=data)
        times = sorted(seconds([CLI, "plan", JOB], there) for _ in range(RUNS))
        tell("drapery-cli plan beside pipes, devices and endless files", statistics.median(times) * 1000, 50, "ms")


def exporting(environment):
    """Every demo book in every format, and one jacket's page: whole processes."""
    demos = [f"demo/{name}" for name in sorted(os.listdir("demo")) if name.endswith(".json")]
    with tempfile.TemporaryDirectory() as folder:
        def everything(run):
            return sum(seconds([CLI, "export", demo, "--what", "all", "-o", f"{folder}/{run}-{i}"], environment)
                       for i, demo in enumerate(demos))
        everything("first")
        times = [everything(run) for run in range(5)]
        tell(f"export of {len(demos)} demo books in every format", statistics.median(times), 3, "s")
        jacket = [CLI, "export", "demo/lantern-log.json", "--what", "jacket", "--as", "pdf", "--replace", "-o", f"{folder}/jacket.pdf"]
        times = [seconds(jacket, environment) for _ in range(RUNS)]
        tell("one jacket as PDF, whole process", statistics.median(times) * 1000, 150, "ms")


def main():
    with tempfile.TemporaryDirectory() as data:
        environment = dict(os.environ, XDG_DATA_HOME=data, XDG_CONFIG_HOME=data, XDG_STATE_HOME=data, QT_QPA_PLATFORM="offscreen", XDG_RUNTIME_DIR=data)
        engine()
        cutting()
        frame(environment)
        start, ratio = paired([BIN + "first_paint", JOB], [BIN + "empty_window"], environment)
        print(f"     first paint of the window: {start * 1000:.3g} ms")
        tell("cold start against an empty window", ratio, 2.5, "x")
        plan, ratio = paired([CLI, "plan", JOB], [BIN + "parse_json", JOB], environment)
        tell("drapery-cli plan, whole process", plan * 1000, 12, "ms")
        tell("drapery-cli plan against parsing the same JSON", ratio, 4, "x")
        beside_traps(environment)
        batch(environment)
        exporting(environment)
    if failed:
        print("over:", "; ".join(failed))
        sys.exit(1)


main()
