"""The tables."""

from datetime import datetime

from sqlalchemy import ForeignKey, Index, LargeBinary, String, Text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    pass


class VehicleRow(Base):
    """One vehicle: its document as JSON, the count of its saves, and what lists need."""

    __tablename__ = "vehicle"
    id: Mapped[str] = mapped_column(String(16), primary_key=True)
    name: Mapped[str] = mapped_column(String(80), index=True)
    kind: Mapped[str] = mapped_column(String(20))
    document: Mapped[str] = mapped_column(Text)
    revision: Mapped[int]
    updated: Mapped[datetime]
    deleted: Mapped[datetime | None]
    summary: Mapped[str | None] = mapped_column(Text)
    """What the garage shows of it, as JSON."""
    summary_of: Mapped[str | None] = mapped_column(String(40))
    """The revision and the Feder that the summary was made from."""


class OnShelf(Base):
    """One part on one of the workshop's shelves."""

    __abstract__ = True
    id: Mapped[int] = mapped_column(primary_key=True)
    code: Mapped[str] = mapped_column(String(80), index=True)
    document: Mapped[str] = mapped_column(Text)
    deleted: Mapped[datetime | None]
    updated: Mapped[datetime | None]


class PartRow(OnShelf):
    """One spring on the workshop's shelf."""

    __tablename__ = "part"


class DamperRow(OnShelf):
    """One damper on the workshop's shelf."""

    __tablename__ = "damper"


class SheetRow(Base):
    """One setup sheet that was issued: kept as it was printed."""

    __tablename__ = "sheet"
    id: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    setup: Mapped[str] = mapped_column(String(40))
    number: Mapped[int]
    issued: Mapped[datetime]
    html: Mapped[str] = mapped_column(Text)
    __table_args__ = (Index("sheet_of_vehicle", "vehicle_id", "number", unique=True),)


class DeviceRow(Base):
    """A device paired with this workshop; of its token only the hash."""

    __tablename__ = "device"
    id: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str] = mapped_column(String(60))
    token: Mapped[str] = mapped_column(String(64), unique=True)
    paired: Mapped[datetime]
    seen: Mapped[datetime]


class TickRow(Base):
    """What was said of a step of a job card; the newest row of a step holds, the older ones are its history."""

    __tablename__ = "tick"
    id: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    setup: Mapped[str] = mapped_column(String(40))
    step: Mapped[str] = mapped_column(String(80))
    state: Mapped[str] = mapped_column(String(10))
    mark: Mapped[str] = mapped_column(String(16))
    who: Mapped[str] = mapped_column(String(80))
    reason: Mapped[str] = mapped_column(String(200))
    at: Mapped[datetime]
    __table_args__ = (Index("tick_of_card", "vehicle_id", "setup", "step", "id"),)


class PhotoRow(Base):
    """A photograph of a step or a damage, as it was made anew from what was sent."""

    __tablename__ = "photo"
    id: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    about: Mapped[str] = mapped_column(String(120))
    width: Mapped[int]
    height: Mapped[int]
    image: Mapped[bytes] = mapped_column(LargeBinary)
    at: Mapped[datetime]
    deleted: Mapped[datetime | None]
    __table_args__ = (Index("photo_of_vehicle", "vehicle_id", "about"),)


class EntryRow(Base):
    """One entry of a log: what was written, and the change of the setup since the entry before as a JSON Patch.

    Every so many entries keep the whole setup too, so that any state is built again from a few patches.
    """

    __tablename__ = "entry"
    row: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    setup: Mapped[str] = mapped_column(String(40))
    entry: Mapped[str] = mapped_column(String(40))
    number: Mapped[int]
    written: Mapped[str] = mapped_column(Text)
    patch: Mapped[str] = mapped_column(Text)
    changes: Mapped[str] = mapped_column(Text)
    """What was changed, in words, as JSON."""
    whole: Mapped[str | None] = mapped_column(Text)
    said: Mapped[datetime]
    hidden: Mapped[bool] = mapped_column(default=False)
    """Taken back after later entries were made: its words are gone, its change stays in the chain."""
    __table_args__ = (
        Index("entry_of_log", "vehicle_id", "setup", "number"),
        Index("entry_by_name", "vehicle_id", "entry", unique=True),
    )


class InstrumentRow(Base):
    """An instrument that was connected once: where it is and how it speaks."""

    __tablename__ = "instrument"
    id: Mapped[int] = mapped_column(primary_key=True)
    kind: Mapped[str] = mapped_column(String(20))
    url: Mapped[str] = mapped_column(String(200))
    """Nothing for a stand-in, which is started anew each time."""
    baud: Mapped[int]
    pattern: Mapped[str] = mapped_column(String(120))
    stands_for: Mapped[str] = mapped_column(String(80))
    """Of a stand-in the name of the vehicle it shows; nothing for a real one."""
    truth: Mapped[str | None] = mapped_column(Text)
    """Of a stand-in what it measures, as JSON."""


class TakenRow(Base):
    """A reading that was taken off an instrument, with its raw readings."""

    __tablename__ = "taken"
    id: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str | None] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    instrument: Mapped[str] = mapped_column(String(40))
    about: Mapped[str] = mapped_column(String(120))
    value: Mapped[float]
    si: Mapped[str] = mapped_column(String(12))
    raw: Mapped[str] = mapped_column(Text)
    at: Mapped[datetime]
    __table_args__ = (Index("taken_of_vehicle", "vehicle_id", "id"),)


class RecordingRow(Base):
    """A recording of wheel travel: what it is of, and what was read of it as JSON."""

    __tablename__ = "recording"
    id: Mapped[int] = mapped_column(primary_key=True)
    vehicle_id: Mapped[str] = mapped_column(ForeignKey("vehicle.id", ondelete="CASCADE"))
    setup: Mapped[str] = mapped_column(String(40))
    name: Mapped[str] = mapped_column(String(120))
    told: Mapped[str] = mapped_column(Text)
    """Places, rate and length, as JSON."""
    read: Mapped[str | None] = mapped_column(Text)
    at: Mapped[datetime]
    deleted: Mapped[datetime | None]
    __table_args__ = (Index("recording_of_vehicle", "vehicle_id"),)


class RecordingPartRow(Base):
    """So many sets of readings of a recording, packed."""

    __tablename__ = "recording_part"
    id: Mapped[int] = mapped_column(primary_key=True)
    recording_id: Mapped[int] = mapped_column(ForeignKey("recording.id", ondelete="CASCADE"))
    number: Mapped[int]
    data: Mapped[bytes] = mapped_column(LargeBinary)
    __table_args__ = (Index("part_of_recording", "recording_id", "number", unique=True),)
