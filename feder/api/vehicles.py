"""Vehicles: the garage's list, documents with their revision, copies, files in and out."""

from contextlib import suppress
from datetime import datetime
from typing import get_args

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered, file_name
from feder.api.errors import ErrorBody, ErrorDetail
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.base import Name
from feder.core.document.blank import blank_document
from feder.core.document.document import BadDocument, Document, read_document
from feder.core.document.vehicle import BodyKind, Layout
from feder.core.report.outline import Outline, outline_of
from feder.core.report.summary import Summary
from feder.store.archive import packed, unpacked
from feder.store.garage import StaleSave, Stored

LARGEST_ARCHIVE = 512 * 1024 * 1024
ZIPPED = ("application/zip", "application/x-zip-compressed")
vehicles = APIBlueprint(
    "vehicles", __name__, url_prefix="/api/vehicles", abp_responses={404: ErrorBody, 422: ErrorBody}
)


class VehiclePath(BaseModel):
    vehicle_id: str = Field(max_length=16)


class StoredVehicle(Wire):
    """A vehicle's document with its id and the count of its saves."""

    id: str
    revision: int
    updated: datetime
    document: Document
    state: str
    """What its content is called."""


class VehicleSummary(Wire):
    """What the garage shows of a vehicle; of one that cannot be read or evaluated, why."""

    id: str
    name: str
    updated: datetime
    shown: Summary | None
    trouble: str | None = None


class VehicleList(Wire):
    vehicles: list[VehicleSummary]


class NewVehicle(Wire):
    """A new vehicle by body kind and layouts."""

    name: Name
    body: BodyKind = "hatchback"
    front: Layout = "strut"
    rear: Layout = "wishbone"


class SaveBody(AboutDocument):
    """A document, whole or as changes, and the revision it was made from."""

    revision: int = Field(ge=1, le=2**53)


class Saved(Wire):
    """A save that was taken: the revision it made, and the document's state."""

    revision: int
    state: str


class StaleBody(Wire):
    """A save that came too late: what stands now."""

    error: ErrorDetail
    stored: StoredVehicle


def _answer(stored: Stored, status: int = 200) -> Response:
    return answered(_shown(stored), status)


def _shown(stored: Stored) -> StoredVehicle:
    known = rooms().documents.whole(stored.document)
    return StoredVehicle.model_construct(
        id=stored.id,
        revision=stored.revision,
        updated=stored.updated,
        document=stored.document,
        state=known.state,
    )


@vehicles.get("", responses={200: VehicleList})
def list_vehicles() -> Response:
    """Every vehicle in the garage with its outline and what it waits for."""
    shown = [
        VehicleSummary(
            id=v.id,
            name=v.name,
            updated=v.updated,
            shown=None if v.summary is None else Summary.model_validate_json(v.summary),
            trouble=v.trouble,
        )
        for v in rooms().garage.listed()
    ]
    return answered(VehicleList(vehicles=shown))


class BodyList(BaseModel):
    bodies: list[Outline]


@vehicles.get("/bodies", responses={200: BodyList})
def list_bodies() -> Response:
    """The usual outline of each body kind, for choosing one."""
    bodies = [outline_of(blank_document(body, body, "strut", "wishbone")) for body in get_args(BodyKind)]
    return Response(BodyList(bodies=bodies).model_dump_json(), mimetype="application/json")


@vehicles.post("", responses={201: StoredVehicle})
def new_vehicle(body: NewVehicle) -> Response:
    """A new, empty vehicle."""
    return _answer(rooms().garage.add(blank_document(body.name, body.body, body.front, body.rear)), 201)


@vehicles.post("/import", responses={201: StoredVehicle})
def import_vehicle() -> Response:
    """A vehicle from a file or an archive, refused whole at the first fault."""
    if request.mimetype in ZIPPED:  # pictures take room; a vehicle file does not
        request.max_content_length = LARGEST_ARCHIVE
    data = request.get_data()
    if data[:2] == b"PK":
        found = rooms()
        return _answer(unpacked(found.stores, data), 201)
    return _answer(rooms().garage.add(read_document(data)), 201)


@vehicles.get("/<string:vehicle_id>", responses={200: StoredVehicle})
def get_vehicle(path: VehiclePath) -> Response:
    """A vehicle's document."""
    return _answer(rooms().garage.get(path.vehicle_id))


@vehicles.put("/<string:vehicle_id>", responses={200: Saved, 409: StaleBody})
def save_vehicle(path: VehiclePath, body: SaveBody) -> Response:
    """Save a document over the revision it was made from; a later save is never overwritten."""
    known = body.known
    try:
        revision = rooms().garage.save(path.vehicle_id, body.revision, known.document)
    except StaleSave as stale:
        error = ErrorDetail(code=stale.code, key=stale.key, message=stale.message)
        return answered(StaleBody.model_construct(error=error, stored=_shown(stale.stored)), 409)
    return answered(Saved(revision=revision, state=known.state))


@vehicles.post("/<string:vehicle_id>/copy", responses={201: StoredVehicle})
def copy_vehicle(path: VehiclePath) -> Response:
    """A copy under a new name."""
    document = rooms().garage.get(path.vehicle_id).document
    name = f"{document.vehicle.name} copy"[:80]
    return _answer(rooms().garage.add(document.but(vehicle=document.vehicle.but(name=name))), 201)


@vehicles.delete("/<string:vehicle_id>", responses={204: None})
def delete_vehicle(path: VehiclePath) -> Response:
    """Put a vehicle aside."""
    rooms().garage.delete(path.vehicle_id)
    return make_response("", 204)


@vehicles.post("/<string:vehicle_id>/restore", responses={200: StoredVehicle})
def restore_vehicle(path: VehiclePath) -> Response:
    """Bring a deleted vehicle back."""
    return _answer(rooms().garage.restore(path.vehicle_id))


@vehicles.get("/<string:vehicle_id>/file")
def export_vehicle(path: VehiclePath) -> Response:
    """The vehicle as a file."""
    name, text = rooms().garage.text(path.vehicle_id)
    with suppress(BadDocument):  # a row that is none of this Feder's goes out as it is
        text = read_document(text).model_dump_json(indent=1)
    answer = Response(text, mimetype="application/json")
    answer.headers["Content-Disposition"] = f'attachment; filename="{file_name(name)}.feder.json"'
    return answer


@vehicles.get("/<string:vehicle_id>/archive")
def export_archive(path: VehiclePath) -> Response:
    """The vehicle with all that hangs on it, as a ZIP."""
    found = rooms()
    name, _ = found.garage.text(path.vehicle_id)
    made = packed(found.stores, path.vehicle_id)
    answer = Response(made, mimetype="application/zip")
    answer.headers["Content-Disposition"] = f'attachment; filename="{file_name(name)}.feder.zip"'
    return answer
