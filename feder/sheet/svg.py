"""Small helpers for drawings on paper: pure black, presentation attributes only, so that every printer agrees."""

from html import escape

FONT = "'IBM Plex Sans Condensed', 'Arial Narrow', sans-serif"
PATTERNS = """<defs>
<pattern id="s-hatch" width="7" height="7" patternUnits="userSpaceOnUse"><path d="M-1 1 1-1M-1 8 8-1M6 8 8 6" stroke="#000" stroke-width=".7" fill="none"/></pattern>
<pattern id="s-dots" width="4" height="4" patternUnits="userSpaceOnUse"><circle cx="1" cy="1" r=".9" fill="#000"/><circle cx="3" cy="3" r=".9" fill="#000"/></pattern>
</defs>"""


def text(
    x: float,
    y: float,
    words: str,
    *,
    size: float = 13,
    weight: int = 400,
    anchor: str = "start",
    fill: str = "#000",
) -> str:
    """A line of text."""
    return (
        f'<text x="{x:.1f}" y="{y:.1f}" font-family="{FONT}" font-size="{size:g}" font-weight="{weight}" '
        f'text-anchor="{anchor}" fill="{fill}">{escape(words)}</text>'
    )


def path(d: str, *, width: float = 1, fill: str = "none", stroke: str = "#000", dash: str | None = None) -> str:
    """A path in one stroke."""
    dashes = f' stroke-dasharray="{dash}"' if dash else ""
    return f'<path d="{d}" fill="{fill}" stroke="{stroke}" stroke-width="{width:g}"{dashes}/>'


def rect(
    x: float, y: float, w: float, h: float, *, fill: str = "#fff", stroke: str = "none", width: float = 1
) -> str:
    """A rectangle; nothing when it has no size."""
    if w <= 0 or h <= 0:
        return ""
    return f'<rect x="{x:.1f}" y="{y:.1f}" width="{w:.1f}" height="{h:.1f}" fill="{fill}" stroke="{stroke}" stroke-width="{width:g}"/>'
