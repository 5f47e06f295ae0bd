"""A drawing of the sheet taken apart: every line, box and word in places of its own."""

import re
import xml.etree.ElementTree as ET
from dataclasses import dataclass
from itertools import combinations

WIDE, TALL = 0.42, 0.72
"""Width of a condensed letter and height of a capital, to the size of the type."""


@dataclass(frozen=True)
class Box:
    left: float
    top: float
    right: float
    bottom: float
    words: str = ""
    fill: str = ""

    def meets(self, other: "Box", by: float = 0.6) -> bool:
        return (
            min(self.right, other.right) - max(self.left, other.left) > by
            and min(self.bottom, other.bottom) - max(self.top, other.top) > by
        )

    def turned(self, width: float) -> tuple[float, float, float, float]:
        """Its mirror image in a drawing so wide, to half a pixel."""
        return tuple(round(v * 2) / 2 for v in (width - self.right, self.top, width - self.left, self.bottom))

    @property
    def edges(self) -> tuple[float, float, float, float]:
        return tuple(round(v * 2) / 2 for v in (self.left, self.top, self.right, self.bottom))


def points(d: str) -> list[tuple[float, float]]:
    """Every point of a path, absolute; of a curve its handles too."""
    found, x, y, first = [], 0.0, 0.0, (0.0, 0.0)
    for command, rest in re.findall(r"([MLHVQhvlZz])([^MLHVQhvlZz]*)", d):
        told = [float(n) for n in re.findall(r"-?\d+\.?\d*", rest)]
        if command in "Zz":
            x, y = first
        elif command in "Hh":
            x = told[0] + (x if command == "h" else 0)
        elif command in "Vv":
            y = told[0] + (y if command == "v" else 0)
        else:
            for a, b in zip(told[::2], told[1::2], strict=True):
                if command != "l":
                    x, y = 0.0, 0.0
                x, y = x + a, y + b
                if command == "M":
                    first = (x, y)
                found.append((x, y))
        found.append((x, y))
    return found


@dataclass(frozen=True)
class Drawing:
    width: float
    height: float
    texts: list[Box]
    boxes: list[Box]
    lines: list[tuple[tuple[float, float], ...]]
    rings: list[tuple[float, float, float]]

    def outside(self) -> list[object]:
        """What does not lie on the paper."""
        places = [(b, p) for b in (*self.texts, *self.boxes) for p in ((b.left, b.top), (b.right, b.bottom))]
        places += [(line, p) for line in self.lines for p in line]
        places += [((x, y, r), p) for x, y, r in self.rings for p in ((x - r, y - r), (x + r, y + r))]
        return [
            what for what, (x, y) in places if not (-0.5 <= x <= self.width + 0.5 and -0.5 <= y <= self.height)
        ]

    def collisions(self) -> list[tuple[str, str]]:
        """Words that stand on one another."""
        return [(a.words, b.words) for a, b in combinations(self.texts, 2) if a.meets(b, 1.0)]


def taken_apart(svg: str) -> Drawing:
    root = ET.fromstring(
        re.sub(r"<defs>.*?</defs>", "", svg, flags=re.S).replace(' xmlns="http://www.w3.org/2000/svg"', "")
    )
    texts, boxes, lines, rings = [], [], [], []
    for e in root.iter():
        if e.tag == "text":
            x, y, size = float(e.get("x")), float(e.get("y")), float(e.get("font-size"))
            long = len(e.text or "") * size * WIDE
            left = {"start": x, "middle": x - long / 2, "end": x - long}[e.get("text-anchor")]
            texts.append(Box(left, y - size * TALL, left + long, y, e.text or "", e.get("fill")))
        elif e.tag == "rect":
            x, y, w, h = (float(e.get(k)) for k in ("x", "y", "width", "height"))
            boxes.append(Box(x, y, x + w, y + h, fill=e.get("fill")))
        elif e.tag == "path":
            lines.append(tuple(points(e.get("d"))))
        elif e.tag == "circle":
            rings.append(tuple(float(e.get(k)) for k in ("cx", "cy", "r")))
    return Drawing(float(root.get("width")), float(root.get("height")), texts, boxes, lines, rings)
