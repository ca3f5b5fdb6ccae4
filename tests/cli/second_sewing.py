"""Sewing a second time, in another language: holes, sums of thread, least holes and findings; and each
way followed knot to knot. Compared with what drapery-cli sew tells for random books.

second_sewing.py CLI SEED COUNT: prints what differs; 1 where anything does.
"""
import json
import math
import random
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor

SAME = 1e-6
# Least circle round n equal ones, in their diameters: Kravitz 1967, Graham 1968, Pirl 1969.
K = [0, 1, 2, 1 + 2 / math.sqrt(3), 1 + math.sqrt(2), 1 + math.sqrt(2 + 2 / math.sqrt(5)), 3, 3, 1 + 1 / math.sin(math.pi / 7), 1 + 1 / math.sin(math.pi / 8), 3.813025631]
USUAL = {
    "stab": dict(thread_diameter=0.8, needle_width=1.6, pinch=0.95, start_tail=115, end_tail=150, knot=15, ease=0.02, rule_factor=12, count=0, corner_holes=2, corner_share=0.5, spread_ratio=0.25, lead=0),
    "link": dict(thread_diameter=0.6, start_tail=60, end_tail=100, knot=15, ease=0.02),
    "tapes": dict(thread_diameter=0.6, kettle_head=15, kettle_tail=15, start_tail=80, end_tail=80, knot=15, ease=0.02),
}


def told(sewing, answer):
    """What the book says, the usual sizes where it says nothing, and what is told."""
    v = USUAL[sewing["kind"]] | sewing["given"]
    if sewing["kind"] == "stab":
        w, pattern = v["strip_width"], sewing["pattern"]
        v |= {"row": dict(pitch=40, depth=w / 2, end=w / 2), "row-four": dict(pitch=40, count=4, depth=w / 2, end=w / 2), "row-corner": dict(pitch=40, count=4, depth=w / 2, end=w / 2),
              "zigzag": dict(pitch=25.4, end=12.7, near=6, crease_distance=6.35), "half-hexagon": dict(pitch=40, end=20, depth=0.6 * w, near=0.3 * w),
              "leaf": dict(pitch=50, end=25, depth=0.6 * w, near=0.3 * w)}[pattern]
    return v | sewing["allowances"] | {name: value["value"] for name, value in answer["values"].items()}


def row_of(length, end, pitch, count, least):
    m = count or max(least, 1 + math.floor((length - 2 * end) / pitch + 0.5 + 1e-9))
    return m, (length - 2 * end) / (m - 1)


def holes_of(pattern, v):
    """(along, across, row), by the pattern's own sizes as they are told."""
    L, w = v["spine_length"], v["strip_width"]
    if pattern in ("row", "row-four", "row-corner"):
        m, step = row_of(L, v["end"], v.get("pitch"), v["count"], 2)
        main = [(v["end"] + k * step, v["depth"], "main") for k in range(m)]
        if pattern == "row-corner":
            share = v["corner_share"]
            main += [(share * v["end"], share * v["depth"], "corner"), (L - share * v["end"], share * v["depth"], "corner")]
        return main
    if pattern == "zigzag":
        n, step = row_of(L, v["end"], v["pitch"], v["count"], 3)
        if n % 2 == 0 and not v["count"]:  # both ends in one row
            n -= 1
            step = (L - 2 * v["end"]) / (n - 1)
        lead = v["lead"]
        return [(v["end"] + i * step, v["near"] if (i % 2 == 0) == (lead == 0) else w - v["crease_distance"], "") for i in range(n)]
    m, step = row_of(L, v["end"], v["pitch"], v["count"], 2)
    out = []
    for k in range(m):
        middle = v["end"] + k * step
        out.append((middle, v["depth"], "main"))
        out += [(middle + side * v["spread_ratio"] * step, v["near"], "feet") for side in (-1, 1)]
        if pattern == "leaf" and k + 1 < m:
            out.append((middle + step / 2, v["depth"], "between"))
    return out


def passes_expected(pattern, v, n):
    """By the number of holes, the knot's pass too."""
    count = {"row-corner": n - 2, "half-hexagon": n // 3, "leaf": (n + 1) // 4}.get(pattern, n)
    return {"row": 3 * count + 1, "row-four": 3 * count + 1, "row-corner": 3 * count + 9, "half-hexagon": 9 * count + 3, "leaf": 16 * count - 4,
            "zigzag": 3 * n + (3 if v.get("corner_holes", 2) == 2 else 1)}[pattern]


def needle_hole(k, t, m):
    """Enough for k threads beside the needle: the least of three arrangements."""
    found = [K[k] * t + m]
    if k <= math.pi / math.asin(t / (m + t)):
        found.append(m + 2 * t)
    low, high = m + t, K[k] * t + m + t

    def has_room(d):
        a, b = (d - m) / 2, (d - t) / 2
        return a * a + b * b + 2 * a * b * math.cos((k - 1) * math.asin(min(1, t / (d - t)))) >= ((m + t) / 2) ** 2
    for _ in range(200):
        middle = (low + high) / 2
        low, high = (low, middle) if has_room(middle) else (middle, high)
    return min(found + [high])


def follow(answer, wrong):
    """The way as it is sewn: by turns an item and a pass, each stretch once on each face, each wrap once."""
    start, face, hole, isOut = answer["start"], "back", answer["start"], False
    stretches, wraps = {}, {}
    for step in answer["path"]:
        what = step["do"]
        if what == "pass":
            if step["hole"] != hole or step["to"] == face or (isOut and not step.get("hides")):
                return wrong.append(f"pass {step} where the thread is at {hole}, {face}")
            face, isOut = step["to"], not step.get("hides")
        elif what == "stretch":
            if step["from"] != hole or step["face"] != face or not isOut:
                return wrong.append(f"stretch {step} where the thread is at {hole}, {face}")
            key = (min(hole, step["to"]), max(hole, step["to"]), face)
            stretches[key] = stretches.get(key, 0) + 1
            hole, isOut = step["to"], False
        elif what == "wrap":
            if step["hole"] != hole or not isOut or step["to"] == face:
                return wrong.append(f"wrap {step} where the thread is at {hole}, {face}")
            key = (hole, step["round"])
            wraps[key] = wraps.get(key, 0) + 1
            face, isOut = step["to"], False
        elif what == "knot":
            if (step["hole"], step["face"]) != (start, "back") or (hole, face) != (start, "back"):
                return wrong.append(f"knot {step} where the thread is at {hole}, {face}")
    wanted = {(a, b, side): 1 for a, b in answer["stretches"] for side in ("front", "back")}
    if stretches != wanted:
        wrong.append("not each stretch once on each face")
    if wraps != {(each["hole"], each["round"]): 1 for each in answer["wraps"]}:
        wrong.append("not each wrap once")


def stab(rng):
    pattern = rng.choice(["row", "row-four", "row-corner", "zigzag", "half-hexagon", "leaf"])
    given = {"spine_length": rng.randint(140, 420), "strip_width": round(rng.uniform(18, 50), 1), "text_thickness": round(rng.uniform(2, 45), 1), "cover_thickness": round(rng.uniform(0.2, 4), 2)}
    ranges = dict(thread_diameter=(0.3, 1.2), needle_width=(0.6, 2.5), pinch=(0.8, 1), start_tail=(60, 200), end_tail=(60, 200), knot=(5, 30), ease=(0, 0.1), rule_factor=(8, 16))
    allowances = {name: round(rng.uniform(*what), 2) for name, what in ranges.items() if rng.random() < 0.5} | {"thread_longest": 20000}
    return {"kind": "stab", "pattern": pattern, "given": given, "allowances": allowances, "hand": rng.choice(["right", "left"]), "finish": rng.choice(["buried", "glued"])}


def check_stab(job, answer, wrong):
    v = told(job["sewing"], answer)
    pattern, sewing = answer["pattern"], job["sewing"]
    glued = sewing["finish"] == "glued"
    places = [(hole["along"], hole["across"]) for hole in answer["holes"]]
    here = sorted((round(a, 9), round(c, 9)) for a, c, _ in holes_of(pattern, v))
    if len(places) != len(here) or any(abs(a - b) > 1e-6 for x, y in zip(sorted(places), here) for a, b in zip(x, y)):
        return wrong.append(f"holes {places[:4]}.. here {here[:4]}..")
    at = {hole["n"]: (hole["along"], hole["across"]) for hole in answer["holes"]}
    sewn = v["pinch"] * v["text_thickness"] + 2 * v["cover_thickness"]
    stretch = 2 * sum(math.dist(at[a], at[b]) for a, b in answer["stretches"])
    reach = {"spine": lambda p: p[1], "head": lambda p: p[0], "tail": lambda p: v["spine_length"] - p[0]}
    wrap = sum(2 * reach[each["round"]](at[each["hole"]]) + sewn for each in answer["wraps"])
    passes = 2 * len(answer["stretches"]) + len(answer["wraps"]) + (0 if glued else 1)
    path = stretch + wrap + passes * sewn
    want = {"sewn_thickness": sewn, "passes": passes, "stretch_length": stretch, "wrap_length": wrap, "pass_length": passes * sewn, "thread_path": path,
            "thread_rule": v["rule_factor"] * v["spine_length"] + v["start_tail"]}
    if len(answer["pieces"]) == 1:
        want["thread_needed"] = v["start_tail"] + v["knot"] + v["end_tail"] + (1 + v["ease"]) * path
    count = {n: 0 for n in at}
    for a, b in answer["stretches"]:
        count[a] += 1
        count[b] += 1
    for each in answer["wraps"]:
        count[each["hole"]] += 1
    count[answer["start"]] += 0 if glued else 1
    if any(hole["passes"] != count[hole["n"]] for hole in answer["holes"]):
        wrong.append("passes of the holes")
    most = max(count.values())
    want["most_passes"] = most
    if most <= 10:
        t, m = v["thread_diameter"], v["needle_width"]
        want |= {"hole_for_threads": K[most] * t, "hole_for_needle": needle_hole(most - 1, t, m) if most > 1 else m}
        want["hole_least"] = max(want["hole_for_threads"], want["hole_for_needle"])
    if passes + (1 if glued else 0) != passes_expected(pattern, v, len(places)):
        wrong.append(f"{passes} passes, {passes_expected(pattern, v, len(places))} by the table")
    compare(want, v, wrong)
    follow(answer, wrong)
    found = {each["id"] for each in answer["findings"]}
    needed = v["thread_needed"]
    for name, is_so in {"rule-short": v["thread_rule"] < needed - 0.5, "rule-long": v["thread_rule"] > 1.5 * needed + 0.5, "hole-crowded": most > 10}.items():
        if is_so and name not in found:
            wrong.append(f"{name} is not told")


def compare(want, v, wrong):
    for name, here in want.items():
        if name not in v or abs(v[name] - here) > SAME * (1 + abs(here)):
            wrong.append(f"{name}: told {v.get(name)}, here {here}")


def link(rng):
    given = {"sections": rng.randint(2, 12), "folios": rng.randint(2, 8), "caliper": round(rng.uniform(0.13, 0.3), 2), "leaf_height": rng.randint(120, 300), "card_thickness": round(rng.uniform(0.2, 0.9), 2),
             "slot_head": rng.randint(15, 50), "slot_tail": rng.randint(15, 50)}
    if rng.random() < 0.5:
        given["spine_width"] = round(rng.uniform(5, 40), 1)
    return {"kind": "link", "given": given, "allowances": {"thread_diameter": round(rng.uniform(0.3, 1), 2), "ease": round(rng.uniform(0, 0.1), 2)}}


def check_link(job, answer, wrong):
    v = told(job["sewing"], answer)
    n, fold = v["sections"], v["folios"] * v["caliper"]
    spine = job["sewing"]["given"].get("spine_width", n * 2 * fold)
    bridge, knot = spine / n, math.pi * v["thread_diameter"]
    want = {"section_thickness": 2 * fold, "bridge": bridge, "fold_pass": fold, "link": knot, "slot_length": v["leaf_height"] - v["slot_head"] - v["slot_tail"]}
    want["flap"] = want["slot_length"] / 2
    for end in ("head", "tail"):
        loop = 2 * v[f"slot_{end}"] + fold + v["card_thickness"]
        row = (n + 2) * fold + n * loop + (n - 1) * (bridge + knot)
        want |= {f"loop_{end}": loop, f"row_{end}": row, f"thread_{end}": v["start_tail"] + v["end_tail"] + 2 * v["knot"] + (1 + v["ease"]) * row}
    want["thread_needed"] = want["thread_head"] + want["thread_tail"]
    compare(want, v, wrong)
    for row in answer["rows"]:
        does = [step["do"] for step in answer["path"] if step.get("row") == row["row"]]
        if (does.count("bridge"), does.count("link"), does.count("loop"), does.count("pass")) != (n - 1, n - 1, n, n + 2):
            wrong.append(f"row {row['row']}: {does}")


def tapes(rng):
    given = {"sections": rng.randint(2, 40), "folios": rng.randint(1, 8), "caliper": round(rng.uniform(0.06, 0.3), 2), "leaf_height": rng.randint(160, 420), "tapes": rng.randint(1, 5), "tape_width": rng.randint(6, 16), "tape_thickness": round(rng.uniform(0.1, 1), 2)}
    if rng.random() < 0.5:
        given["spine_thickness"] = round(rng.uniform(8, 60), 1)
    return {"kind": "tapes", "given": given, "allowances": {"thread_diameter": round(rng.uniform(0.3, 1), 2), "kettle_head": rng.randint(8, 25), "kettle_tail": rng.randint(8, 25)}}


def check_tapes(job, answer, wrong):
    v = told(job["sewing"], answer)
    n, m, fold = v["sections"], v["tapes"], v["folios"] * v["caliper"]
    span = v["leaf_height"] - v["kettle_head"] - v["kettle_tail"]
    pitch = job["sewing"]["given"]["spine_thickness"] / n if "spine_thickness" in job["sewing"]["given"] else 2 * fold + v["thread_diameter"]
    section, kettle = span + 2 * m * v["tape_thickness"] + (2 * m + 2) * fold, 2 * pitch + math.pi * v["thread_diameter"]
    compare({"kettle_span": span, "tape_spacing": span / (m + 1), "fold_pass": fold, "section_pitch": pitch, "section_path": section, "kettle": kettle,
             "thread_path": n * section + (n - 1) * pitch + (n - 2) * kettle}, v, wrong)
    edges = [v["kettle_head"] + j * span / (m + 1) + side * v["tape_width"] / 2 for j in range(1, int(m) + 1) for side in (-1, 1)]
    stations = [v["kettle_head"]] + edges + [v["leaf_height"] - v["kettle_tail"]]
    if any(abs(a - b) > SAME for a, b in zip(answer["stations"], stations)) or len(answer["stations"]) != len(stations):
        wrong.append(f"stations {answer['stations']}, here {stations}")
    ends = [0] + edges + [v["leaf_height"]]
    strips = [[ends[i], ends[i + 1]] for i in range(0, len(ends), 2)]
    if len(answer["strips"]) != len(strips) or any(abs(a - b) > SAME for x, y in zip(answer["strips"], strips) for a, b in zip(x, y)):
        wrong.append(f"strips {answer['strips']}, here {strips}")
    does = [step["do"] for step in answer["path"]]
    if (does.count("kettle"), does.count("tie"), does.count("climb"), does.count("tape")) != (max(0, n - 2), 1, n - 1, n * m):
        wrong.append("kettles, ties, climbs or tapes")


KINDS = {"stab": (stab, check_stab), "link": (link, check_link), "tapes": (tapes, check_tapes)}


def main():
    cli, seed, count = sys.argv[1], int(sys.argv[2]), int(sys.argv[3])
    rng, failed = random.Random(seed), False

    def sew(job):
        return subprocess.run([cli, "sew", "-"], input=json.dumps(job), capture_output=True, text=True)
    for kind, (draw, check) in KINDS.items():
        jobs = [{"schema": "drapery-job/1", "sewing": draw(rng)} for _ in range(count)]
        with ThreadPoolExecutor(2) as pool:
            answers = list(pool.map(sew, jobs))
        sewn = 0
        for job, done in zip(jobs, answers):
            if done.returncode == 2:
                failed = True
                print(kind, json.dumps(job["sewing"]), "refused:", done.stderr)
                continue
            wrong = []
            check(job, json.loads(done.stdout), wrong)
            sewn += 1
            for each in wrong[:3]:
                failed = True
                print(kind, json.dumps(job["sewing"]), each)
        print(f"{kind}: {sewn} books sewn")
    sys.exit(1 if failed else 0)


if __name__ == "__main__":
    main()
