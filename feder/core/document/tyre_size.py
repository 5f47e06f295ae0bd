"""The size of a tyre as it is written on its side, one text: "205/55 R16", "180/55 ZR17", "120/70-12"."""

import re
from typing import Annotated, NamedTuple

from pydantic import AfterValidator, Field

PATTERN = r"^\s*[A-Za-z]{0,2}\s*(\d{2,3})\s*/\s*(\d{2,3})\s*[-A-Za-z]{0,2}\s*(\d{1,2}(?:[.,]5)?)\b.{0,12}$"
SAYS = "Write it as on the tyre's side: 205/55 R16"
INCH = 0.0254
LEAST, MOST = (50, 20, 4), (400, 110, 26)
"""Width in mm, height of the side in percent of it, rim in inches: what tyres have."""


class SizeParts(NamedTuple):
    """What a size says: widths in m, the height of the side over the width."""

    width: float
    aspect: float
    rim: float


def size_parts(size: str) -> SizeParts:
    """Width, aspect ratio and rim of a size as written. Raises `ValueError` in words for the field."""
    found = re.match(PATTERN, size)
    if found is None:
        raise ValueError(SAYS)
    told = [float(part.replace(",", ".")) for part in found.groups()]
    if any(not low <= part <= high for low, part, high in zip(LEAST, told, MOST, strict=True)):
        raise ValueError(f"{SAYS}; {size} is outside what tyres have")
    return SizeParts(told[0] / 1000, told[1] / 100, told[2] * INCH)


def _checked(size: str) -> str:
    size_parts(size)
    return size.strip()


TyreSize = Annotated[str, Field(max_length=30), AfterValidator(_checked)]
