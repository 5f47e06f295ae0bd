"""The shelf of springs: list, add, import and export as CSV, delete with undo."""

from flask import Response, make_response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.errors import ErrorBody
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.setup import SpringPart
from feder.core.files.shelf_csv import csv_rows, springs_from_csv
from feder.core.files.table import written
from feder.store.parts import StoredPart
from feder.units.parse import read_cell

shelf = APIBlueprint("shelf", __name__, url_prefix="/api/shelf", abp_responses={404: ErrorBody, 422: ErrorBody})


class PartPath(BaseModel):
    part_id: int = Field(ge=1)


class ShelfPart(BaseModel):
    id: int
    part: SpringPart


class ShelfList(Wire):
    parts: list[ShelfPart]


def _answer(stored: list[StoredPart[SpringPart]], status: int = 200) -> Response:
    made = ShelfList.model_construct(parts=[ShelfPart.model_construct(id=s.id, part=s.part) for s in stored])
    return make_response(Response(made.model_dump_json(), mimetype="application/json"), status)


@shelf.get("", responses={200: ShelfList})
def list_parts() -> Response:
    """Every spring on the shelf."""
    return _answer(rooms().shelf.all())


@shelf.post("", responses={201: ShelfList})
def add_part(body: SpringPart) -> Response:
    """One spring more."""
    return _answer([rooms().shelf.add_one(body)], 201)


@shelf.put("/<int:part_id>", responses={200: ShelfList})
def put_part(path: PartPath, body: SpringPart) -> Response:
    """Another spring in the place of one; setups keep their copies."""
    return _answer([rooms().shelf.put(path.part_id, body)])


class ImportedParts(ShelfList):
    replaced: int
    """How many stand in the place of one of the same code."""


@shelf.post("/import", responses={201: ImportedParts})
def import_parts() -> Response:
    """Springs from a CSV file, refused whole when a line is at fault; one of a known code stands in its place."""
    stored, replaced = rooms().shelf.take_in(springs_from_csv(request.get_data(), read_cell))
    parts = [ShelfPart.model_construct(id=s.id, part=s.part) for s in stored]
    made = ImportedParts.model_construct(parts=parts, replaced=replaced)
    return make_response(Response(made.model_dump_json(), mimetype="application/json"), 201)


@shelf.get("/file")
def export_parts() -> Response:
    """The shelf as a CSV file."""
    answer = Response(written(csv_rows([s.part for s in rooms().shelf.all()])), mimetype="text/csv")
    answer.headers["Content-Disposition"] = 'attachment; filename="springs.csv"'
    return answer


@shelf.delete("/<int:part_id>", responses={204: None})
def delete_part(path: PartPath) -> Response:
    """Take a spring off the shelf; setups keep their copies."""
    rooms().shelf.delete(path.part_id)
    return make_response("", 204)


@shelf.post("/<int:part_id>/restore", responses={204: None})
def restore_part(path: PartPath) -> Response:
    """Put a spring back."""
    rooms().shelf.restore(path.part_id)
    return make_response("", 204)
