"""Pairing a phone: a short code shown on the bench screen, asked once of each device on the workshop's network."""

from datetime import datetime

from flask import Response, make_response
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.errors import ErrorBody, refusal
from feder.api.rooms import rooms
from feder.api.wire import Wire

COOKIE = "feder_device"
YEAR = 365 * 24 * 3600
pairing = APIBlueprint("pairing", __name__, url_prefix="/api/pair", abp_responses={422: ErrorBody})


class DeviceShown(BaseModel):
    id: int
    name: str
    paired: datetime
    seen: datetime


class PairingState(Wire):
    """What the bench screen shows: the address for the phone, the code while it holds, the devices paired."""

    address: str | None
    code: str | None
    devices: list[DeviceShown]


def _state() -> Response:
    found = rooms()
    shown = [DeviceShown(id=d.id, name=d.name, paired=d.paired, seen=d.seen) for d in found.devices.all()]
    made = PairingState(address=found.address, code=found.codes.current(), devices=shown)
    return Response(made.model_dump_json(), mimetype="application/json")


@pairing.get("", responses={200: PairingState})
def state() -> Response:
    """The devices and the code; on the bench itself only."""
    return _state()


@pairing.post("/code", responses={200: PairingState})
def new_code() -> Response:
    """A new code on the bench screen."""
    rooms().codes.fresh()
    return _state()


class PairBody(Wire):
    code: str = Field(min_length=1, max_length=12)
    name: str = Field(min_length=1, max_length=60)


@pairing.post("/device", responses={204: None, 403: ErrorBody, 429: ErrorBody})
def pair(body: PairBody) -> Response:
    """Pair the device that asks, by the code on the bench screen."""
    good, wait = rooms().codes.tried(body.code.replace(" ", ""))
    if not good:
        answer = refusal(
            429, "code", f"This is not the code on the bench screen. Wait {wait:.0f} s, then type it again"
        )
        answer.headers["Retry-After"] = f"{wait:.0f}"
        return answer
    answer = make_response("", 204)
    answer.set_cookie(
        COOKIE, rooms().devices.add(body.name), max_age=YEAR, httponly=True, samesite="Strict", path="/"
    )
    return answer


class DevicePath(BaseModel):
    device: int


@pairing.delete("/device/<int:device>", responses={200: PairingState})
def remove(path: DevicePath) -> Response:
    """Forget a device: what it asks from now on is refused."""
    rooms().devices.remove(path.device)
    return _state()
