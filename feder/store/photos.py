"""Photographs on steps and damage: made anew from what was sent, so that no position stays in them."""

import io
import warnings
from dataclasses import dataclass
from datetime import datetime

from PIL import Image, ImageOps, UnidentifiedImageError
from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from feder.core.numbers.errors import FederError
from feder.store.garage import NoVehicle, now
from feder.store.tables import PhotoRow, VehicleRow

LONGEST = 1600
"""Longer side of a kept picture, px."""
MOST_PIXELS = 60_000_000
QUALITY = 82


class BadPhoto(FederError):
    """What was sent is no picture that can be kept; the sentence says why."""

    code = "bad photo"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="photo")


class NoPhoto(FederError, LookupError):
    """There is no such picture."""

    code = "no photo"

    def __init__(self, photo: int) -> None:
        super().__init__("This picture is not here any more", key="photo")
        self.photo = photo


@dataclass(frozen=True, slots=True)
class Photo:
    """A kept picture: what it is about, its size in px and when it came."""

    id: int
    about: str
    width: int
    height: int
    at: datetime


class Photos:
    """The pictures of every vehicle."""

    def __init__(self, sessions: sessionmaker[Session]) -> None:
        self._sessions = sessions

    def of(self, vehicle_id: str) -> list[Photo]:
        """Every picture of a vehicle, the first first."""
        with self._sessions() as session:
            columns = (PhotoRow.id, PhotoRow.about, PhotoRow.width, PhotoRow.height, PhotoRow.at)
            rows = session.execute(
                select(*columns)
                .where(PhotoRow.vehicle_id == vehicle_id, PhotoRow.deleted.is_(None))
                .order_by(PhotoRow.id)
            )
            return [Photo(*row) for row in rows]

    def add(self, vehicle_id: str, about: str, data: bytes) -> Photo:
        """Keep a picture, made anew.

        Raises:
            BadPhoto: it is no picture, or one too large.
            NoVehicle: there is no such vehicle.
        """
        image, width, height = made_anew(data)
        row = PhotoRow(vehicle_id=vehicle_id, about=about, width=width, height=height, image=image, at=now())
        with self._sessions.begin() as session:
            if session.get(VehicleRow, vehicle_id) is None:
                raise NoVehicle(vehicle_id)
            session.add(row)
            session.flush()
            return Photo(row.id, row.about, row.width, row.height, row.at)

    def image(self, vehicle_id: str, photo: int) -> bytes:
        """The picture itself, JPEG. Raises `NoPhoto`."""
        with self._sessions() as session:
            row = session.get(PhotoRow, photo)
            if row is None or row.vehicle_id != vehicle_id or row.deleted is not None:
                raise NoPhoto(photo)
            return row.image

    def remove(self, vehicle_id: str, photo: int, *, back: bool = False) -> None:
        """Put a picture away, or bring it back. Raises `NoPhoto`."""
        with self._sessions.begin() as session:
            row = session.get(PhotoRow, photo)
            if row is None or row.vehicle_id != vehicle_id:
                raise NoPhoto(photo)
            row.deleted = None if back else now()


def made_anew(data: bytes) -> tuple[bytes, int, int]:
    """A picture as JPEG, upright, at most `LONGEST` px long, without any data beside its pixels.

    Raises:
        BadPhoto: it is no picture, is broken, or has too many pixels.
    """
    try:
        with (
            warnings.catch_warnings(action="error", category=Image.DecompressionBombWarning),
            Image.open(io.BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as opened,
        ):
            if opened.width * opened.height > MOST_PIXELS:
                raise BadPhoto(f"This picture has more than {MOST_PIXELS // 10**6} megapixels; send a smaller one")
            upright = ImageOps.exif_transpose(opened) or opened
            upright.thumbnail((LONGEST, LONGEST))
            plain = Image.new("RGB", upright.size, "white")
            plain.paste(upright.convert("RGB"))
    except BadPhoto:
        raise
    except (Image.DecompressionBombError, Image.DecompressionBombWarning):
        raise BadPhoto(
            f"This picture has more than {MOST_PIXELS // 10**6} megapixels; send a smaller one"
        ) from None
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError):
        raise BadPhoto("This is no picture that can be read: JPEG, PNG or WebP") from None
    out = io.BytesIO()
    plain.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue(), plain.width, plain.height
