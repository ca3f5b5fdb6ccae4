"""What the drawn problems have in common."""
import json
import subprocess
import sys


def drawing(seed):
    """The same numbers each time (Park and Miller's generator of 1988), as in packers/compare.mjs."""
    state = seed

    def draw(least, most):
        nonlocal state
        state = state * 48271 % 2147483647
        return least + state % (most - least + 1)

    return draw


def sheet(name, across, along, count, cost):
    return {"id": name, "material": "board", "form": "sheet", "W": across, "L": along, "grain": "L", "count": count,
            "trim": {"left": 0, "right": 0, "bottom": 0, "top": 0}, "kerf": 0, "cost": cost}


def laid(cli, seconds, drawn):
    """It ends with 1 where a piece fits nothing: the others are laid out."""
    run = subprocess.run([cli, "cut", "-", "--seconds", seconds, "--format", "json"], input=json.dumps(drawn), text=True,
                         capture_output=True, check=False)
    if run.returncode > 1:
        sys.exit(run.stderr)
    return json.loads(run.stdout)
