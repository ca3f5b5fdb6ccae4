"""Reads `ninja -t deps` on standard input and refuses an include that a layer must not have.

Usage: ninja -C build/dev -t deps | check_layers.py ROOT
"""
import pathlib
import re
import sys

# What each part may include of the project; every part may include itself.
ALLOWED = {
    "core/quantity": [],
    "core/diag": ["core/quantity"],
    "core/file": ["core/diag", "core/quantity"],
    "core/geometry": ["core/quantity"],
    "core/expr": ["core/quantity", "core/diag", "core/geometry"],
    "core/toml": ["core/quantity", "core/diag", "core/file"],
    "core/material": ["core/quantity", "core/diag", "core/geometry", "core/toml"],
    "core/figure": ["core/expr"],
    "core/rules": ["core/quantity", "core/diag", "core/geometry", "core/expr", "core/figure", "core/toml", "core/material"],
    "core/plan": ["core/quantity", "core/diag", "core/geometry", "core/expr", "core/figure", "core/toml", "core/material", "core/rules"],
    "core/sewing": ["core/quantity", "core/diag", "core/geometry", "core/expr", "core/figure", "core/toml", "core/material", "core/rules", "core/plan"],
    "core/cutting": ["core/quantity", "core/diag"],
    "core/printing": ["core/quantity", "core/geometry"],
    "core/drawing": ["core"],
    "tools": ["core/quantity", "core/diag", "core/toml"],
    "words": ["core"],
    "store": ["core", "words"],
    "paint": ["core"],
    "exchange": ["core", "words", "store", "paint"],
    "cli": ["core", "words", "store"],
    "caliper": ["core"],
    "app": ["core", "words", "store", "paint", "exchange", "caliper"],
}
QT = re.compile(r"/(qt6|QtCore|QtGui|QtWidgets|QtSerialPort)/")
QT_ALLOWED = ("paint", "exchange", "caliper", "app")
WIDGETS = re.compile(r"/QtWidgets/")
WIDGETS_ALLOWED = ("app",)
# Headers that cost much to compile stand in one source each.
COSTLY = {
    "toml++/": {"core/toml/toml_node.cpp"},
    "rapidjson/reader": {"store/json_node.cpp"},
    "rapidjson/prettywriter": {"store/write_job.cpp", "store/plan_json.cpp", "store/compare_json.cpp", "store/solve_json.cpp", "store/write_cut.cpp", "store/stock_json.cpp", "store/shop_json.cpp", "store/settings.cpp", "store/sewing_json.cpp"},
    "spdlog/": {"app/workspace/log.cpp"},
    "CLI/": {"cli/main.cpp", "caliper/sim_main.cpp"},
    "muParser": set(),
}


def part_of(path):
    for part in sorted(ALLOWED, key=len, reverse=True):
        if path == part or path.startswith(part + "/"):
            return part
    return None


def faults(source, header, root):
    part = part_of(source)
    if part is None:
        return
    if header.startswith(root + "/"):
        used = header[len(root) + 1 :]
        target = part_of(used)
        known = target is None or target == part or any(
            target == a or target.startswith(a + "/") for a in ALLOWED[part]
        )
        if not known:
            yield f"{source} includes {used}: {part} may include {', '.join(ALLOWED[part]) or 'nothing else'}"
        return
    if QT.search(header) and part not in QT_ALLOWED:
        yield f"{source} includes Qt ({header})"
    if WIDGETS.search(header) and part not in WIDGETS_ALLOWED:
        yield f"{source} includes Qt Widgets ({header})"
    for mark, sources in COSTLY.items():
        if f"/{mark}" in header and source not in sources:
            yield f"{source} includes the costly {mark} ({header})"


def main():
    root = str(pathlib.Path(sys.argv[1]).resolve())
    build = pathlib.Path(root, "build/dev")
    source, seen, found = None, set(), set()
    for line in sys.stdin:
        if not line.startswith(" "):
            source = None
            continue
        path = str((build / line.strip()).resolve())
        if source is None:  # the first file of a target is its source
            source = path[len(root) + 1 :] if path.startswith(root + "/") else ""
            seen.add(part_of(source))
            continue
        found.update(faults(source, path, root))
    seen.discard(None)
    missing = sorted(set(ALLOWED) - seen)
    for line in sorted(found):
        print(line)
    if missing:
        print("no source was compiled in:", ", ".join(missing))
    if found or missing:
        sys.exit(1)
    print(f"layers: {len(seen)} parts, each within its bounds")


main()
