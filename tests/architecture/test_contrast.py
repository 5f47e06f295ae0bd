"""Contrast of the colours that are used on each other, worked out from the tokens by the formula of WCAG 2."""

import re
from pathlib import Path

import pytest

TOKENS = Path(__file__).parents[2] / "frontend/src/styles/tokens.css"
GROUNDS = ("ground", "vellum", "sheet")
PAIRS = [
    *((ink, on, 4.5) for ink in ("ink", "ink-2", "ink-3", "plan", "look", "stop") for on in GROUNDS),
    *((ink, tint, 4.5) for ink in ("ink", "ink-2", "ink-3") for tint in ("plan-tint", "look-tint", "stop-tint")),
    ("plan", "plan-tint", 4.5),
    ("look", "look-tint", 4.5),
    ("stop", "stop-tint", 4.5),
    ("on-plan", "plan", 4.5),
    ("on-look", "look-fill", 4.5),
    ("on-stop", "stop", 4.5),
    ("ground", "ink", 4.5),
    *(("edge", on, 3.0) for on in GROUNDS),  # edges of fields: no text
]


def tokens():
    """Every colour by scheme and name; the dark scheme keeps what it does not change."""
    text = TOKENS.read_text(encoding="utf-8")
    blocks = {"light": text[text.index(":root{") : text.index("}", text.index(":root{"))]}
    at = text.index(":root[data-scheme=dark]{")
    blocks["dark"] = text[at : text.index("}", at)]
    found = {
        scheme: dict(re.findall(r"--([\w-]+):\s*(#[0-9A-Fa-f]{6})", block)) for scheme, block in blocks.items()
    }
    return {"light": found["light"], "dark": found["light"] | found["dark"]}


def luminance(colour):
    parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    red, green, blue = (c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts)
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def contrast(one, other):
    high, low = sorted((luminance(one), luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def test_the_formula_gives_black_on_white_twenty_one():
    assert contrast("#000000", "#FFFFFF") == pytest.approx(21)
    assert contrast("#777777", "#FFFFFF") == pytest.approx(4.48, abs=0.005)


@pytest.mark.parametrize("scheme", ["light", "dark"])
@pytest.mark.parametrize(("ink", "on", "least"), PAIRS)
def test_what_is_written_on_a_ground_stands_out_from_it(scheme, ink, on, least):
    colours = tokens()[scheme]
    assert contrast(colours[ink], colours[on]) >= least
