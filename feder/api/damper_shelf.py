"""The shelf of dampers: list, add, put right, import and export as CSV, delete with undo."""

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel

from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.shelf import PartPath
from feder.api.wire import Wire
from feder.core.document.damper import DamperPart
from feder.core.files.dampers_csv import damper_rows, dampers_from_csv
from feder.core.files.table import written
from feder.store.parts import StoredPart
from feder.units.parse import read_cell

damper_shelf = APIBlueprint(
    "damper_shelf", __name__, url_prefix="/api/dampers", abp_responses={404: ErrorBody, 422: ErrorBody}
)


class ShelfDamper(BaseModel):
    id: int
    part: DamperPart


class DamperList(Wire):
    parts: list[ShelfDamper]


class ImportedDampers(DamperList):
    replaced: int
    """How many stand in the place of one of the same code."""


def _parts(stored: list[StoredPart[DamperPart]]) -> list[ShelfDamper]:
    return [ShelfDamper.model_construct(id=s.id, part=s.part) for s in stored]


def _answer(stored: list[StoredPart[DamperPart]], status: int = 200) -> Response:
    made = DamperList.model_construct(parts=_parts(stored))
    return make_response(Response(made.model_dump_json(), mimetype="application/json"), status)


@damper_shelf.get("", responses={200: DamperList})
def list_dampers() -> Response:
    """Every damper on the shelf."""
    return _answer(rooms().dampers.all())


@damper_shelf.post("", responses={201: DamperList})
def add_damper(body: DamperPart) -> Response:
    """One damper more."""
    return _answer([rooms().dampers.add_one(body)], 201)


@damper_shelf.put("/<int:part_id>", responses={200: DamperList})
def put_damper(path: PartPath, body: DamperPart) -> Response:
    """Another damper in the place of one; setups keep their copies."""
    return _answer([rooms().dampers.put(path.part_id, body)])


@damper_shelf.post("/import", responses={201: ImportedDampers})
def import_dampers() -> Response:
    """Dampers from a CSV file, refused whole when a line is at fault; one of a known code stands in its place."""
    stored, replaced = rooms().dampers.take_in(dampers_from_csv(request.get_data(), read_cell))
    made = ImportedDampers.model_construct(parts=_parts(stored), replaced=replaced)
    return make_response(Response(made.model_dump_json(), mimetype="application/json"), 201)


@damper_shelf.get("/file")
def export_dampers() -> Response:
    """The shelf as a CSV file."""
    answer = Response(written(damper_rows([s.part for s in rooms().dampers.all()])), mimetype="text/csv")
    answer.headers["Content-Disposition"] = 'attachment; filename="dampers.csv"'
    return answer


@damper_shelf.delete("/<int:part_id>", responses={204: None})
def delete_damper(path: PartPath) -> Response:
    """Take a damper off the shelf; setups keep their copies."""
    rooms().dampers.delete(path.part_id)
    return make_response("", 204)


@damper_shelf.post("/<int:part_id>/restore", responses={204: None})
def restore_damper(path: PartPath) -> Response:
    """Put a damper back."""
    rooms().dampers.restore(path.part_id)
    return make_response("", 204)
