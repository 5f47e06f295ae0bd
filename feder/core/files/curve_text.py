"""Points of curves in one cell of a CSV file: "-0.1 -300, 0.1 200"; curves with their names are parted by "|"."""

from collections.abc import Iterable, Sequence

Points = Sequence[Sequence[float]]


def points_text(points: Points) -> str:
    """Pairs of numbers in SI, as one cell."""
    return ", ".join(" ".join(f"{number:.6g}" for number in pair) for pair in points)


def curves_text(curves: Iterable[tuple[str, Points]]) -> str:
    """Named curves as one cell."""
    return " | ".join(f"{name.replace('|', '/')}: {points_text(points)}" for name, points in curves)


def points_of(text: str) -> list[list[float]]:
    """Pairs of numbers of a cell. Raises `ValueError` in words for the place."""
    try:
        pairs = [[float(number) for number in pair.split()] for pair in text.split(",") if pair.strip()]
    except ValueError:
        pairs = []
    if not pairs or any(len(pair) != 2 for pair in pairs):
        raise ValueError(
            f"'{text.strip()[:60]}': write pairs of numbers in SI, parted by commas: -0.1 -300, 0.1 200"
        )
    return pairs


def curves_of(text: str) -> list[tuple[str, list[list[float]]]]:
    """Named curves of a cell. Raises `ValueError` in words for the place."""
    curves = []
    for one in text.split("|"):
        name, colon, points = one.rpartition(":")
        if not colon:
            raise ValueError(f"'{one.strip()[:60]}': a curve begins with its clicks or its name and a colon")
        curves.append((name.strip(), points_of(points)))
    return curves


def clicks_of(name: str) -> dict[str, str]:
    """Clicks that a curve's name tells: "rebound 4 bump 6". Raises `ValueError` in words for the place."""
    words = name.split()
    if len(words) % 2:
        raise ValueError(f"'{name[:60]}': write clicks as rebound 4 bump 6")
    return dict(zip(words[::2], words[1::2], strict=True))
