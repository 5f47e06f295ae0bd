"""Vehicles: the garage's list, documents with their revision, copies, files in and out."""

from datetime import datetime
from typing import get_args

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.errors import ErrorBody, ErrorDetail
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.base import Name
from feder.core.document.blank import blank_document
from feder.core.document.document import Document, read_document
from feder.core.document.vehicle import BodyKind, Layout
from feder.core.report.evaluate import evaluate
from feder.core.report.outline import Outline, outline_of
from feder.store.garage import StaleSave, Stored

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


class VehicleSummary(Wire):
    """What the garage shows of a vehicle."""

    id: str
    name: str
    description: str
    updated: datetime
    outline: Outline
    setup: str
    waits_for: str | None


class VehicleList(Wire):
    vehicles: list[VehicleSummary]


class NewVehicle(Wire):
    """A new vehicle by body kind and layouts."""

    name: Name
    body: BodyKind = "hatchback"
    front: Layout = "strut"
    rear: Layout = "wishbone"


class SaveBody(Wire):
    """A document, and the revision it was made from."""

    revision: int = Field(ge=1)
    document: Document


class StaleBody(Wire):
    """A save that came too late: what stands now beside what was sent."""

    error: ErrorDetail
    stored: StoredVehicle
    sent: SaveBody


def _answer(stored: Stored, status: int = 200) -> Response:
    made = StoredVehicle.model_construct(
        id=stored.id, revision=stored.revision, updated=stored.updated, document=stored.document
    )
    return make_response(Response(made.model_dump_json(), mimetype="application/json"), status)


@vehicles.get("", responses={200: VehicleList})
def list_vehicles() -> Response:
    """Every vehicle in the garage with its outline and what it waits for."""
    made = VehicleList(vehicles=[_summary(stored) for stored in rooms().garage.all()])
    return Response(made.model_dump_json(), mimetype="application/json")


def _summary(stored: Stored) -> VehicleSummary:
    document = stored.document
    setup = document.setups[-1]
    report = evaluate(document, setup.id)
    waiting = next(
        (f"{s.station}: {s.waits_for[0]}" for s in report.stations if s.waits_for and s.station != "sheet"), None
    )
    return VehicleSummary(
        id=stored.id,
        name=document.vehicle.name,
        description=document.vehicle.description,
        updated=stored.updated,
        outline=outline_of(document),
        setup=setup.name,
        waits_for=waiting,
    )


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
    """A vehicle from a file, refused whole at the first fault."""
    return _answer(rooms().garage.add(read_document(request.get_data())), 201)


@vehicles.get("/<string:vehicle_id>", responses={200: StoredVehicle})
def get_vehicle(path: VehiclePath) -> Response:
    """A vehicle's document."""
    return _answer(rooms().garage.get(path.vehicle_id))


@vehicles.put("/<string:vehicle_id>", responses={200: StoredVehicle, 409: StaleBody})
def save_vehicle(path: VehiclePath, body: SaveBody) -> Response:
    """Save a document over the revision it was made from; a later save is never overwritten."""
    try:
        return _answer(rooms().garage.save(path.vehicle_id, body.revision, body.document))
    except StaleSave as stale:
        stored = StoredVehicle(**stale.stored.__dict__)
        error = ErrorDetail(
            key="revision", message="This vehicle was saved elsewhere since; choose which version stays"
        )
        made = StaleBody(error=error, stored=stored, sent=body)
        return make_response(Response(made.model_dump_json(), mimetype="application/json"), 409)


@vehicles.post("/<string:vehicle_id>/copy", responses={201: StoredVehicle})
def copy_vehicle(path: VehiclePath) -> Response:
    """A copy under a new name."""
    document = rooms().garage.get(path.vehicle_id).document
    name = f"{document.vehicle.name} copy"[:80]
    renamed = document.model_copy(update={"vehicle": document.vehicle.model_copy(update={"name": name})})
    return _answer(rooms().garage.add(renamed), 201)


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
    stored = rooms().garage.get(path.vehicle_id)
    answer = Response(stored.document.model_dump_json(indent=1), mimetype="application/json")
    name = (
        "".join(c if c.isascii() and c.isalnum() else "-" for c in stored.document.vehicle.name).strip("-")
        or "vehicle"
    )
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}.feder.json"'
    return answer
