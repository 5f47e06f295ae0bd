"""How a number was got, in words."""

HOW_WORDS = {
    "scales": "from the scales",
    "tape": "by tape",
    "level": "by level",
    "sweep": "by a sweep",
    "levers": "from lever lengths",
    "maker": "maker's figure",
    "wire": "from wire dimensions",
    "bench": "measured on a bench",
    "typed": "typed in",
    "repeated": "mean of repeated readings",
    "imported": "imported",
    "estimated": "estimated",
}
