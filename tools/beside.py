"""Several pictures in one, in rows: beside.py OUT.png COLUMNS WIDTH IN.png...

WIDTH is of one picture in the result, in pixels; rows are as high as their highest. By rsvg-convert.
"""
import base64
import pathlib
import struct
import subprocess
import sys

GAP = 8


def size_of(png):
    return struct.unpack(">II", png[16:24])


def main():
    out, columns, width, names = sys.argv[1], int(sys.argv[2]), int(sys.argv[3]), sys.argv[4:]
    pictures = [pathlib.Path(name).read_bytes() for name in names]
    heights = [round(width * h / w) for w, h in map(size_of, pictures)]
    images, y = [], 0
    for first in range(0, len(pictures), columns):
        for i in range(first, min(first + columns, len(pictures))):
            data = base64.b64encode(pictures[i]).decode()
            x = (i - first) * (width + GAP)
            images.append(f'<image x="{x}" y="{y}" width="{width}" height="{heights[i]}" href="data:image/png;base64,{data}"/>')
        y += max(heights[first : first + columns]) + GAP
    whole = columns * (width + GAP) - GAP
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="{whole}" height="{y - GAP}"><rect width="100%" height="100%" fill="#fff"/>{"".join(images)}</svg>'
    subprocess.run(["rsvg-convert", "--unlimited", "-o", out], input=svg.encode(), check=True)


main()
