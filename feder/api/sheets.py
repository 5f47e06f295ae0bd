"""The setup sheet: as HTML for screen and print, as PDF, and issued with a number."""

import json
from typing import Any

from flask import Response, send_from_directory
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, file_name
from feder.api.errors import ErrorBody
from feder.api.questions import System
from feder.api.rooms import rooms
from feder.sheet.code import code_of
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from feder.sheet.pdf import pdf_of
from feder.sheet.plain import sheet_csv, sheet_plain

sheets = APIBlueprint("sheets", __name__, url_prefix="/api/sheet", abp_responses={422: ErrorBody, 404: ErrorBody})


ON_SCREEN = "/api/sheet/fonts"


class SheetQuestion(AboutDocument):
    """A document that need not be saved, the setup, the units, and the vehicle whose sheets are counted."""

    setup: str
    system: System = "metric"
    vehicle_id: str = Field(max_length=16)


class FontPath(BaseModel):
    name: str = Field(pattern=r"^[a-z0-9-]+\.woff2$")


@sheets.post("")
def sheet(body: SheetQuestion) -> Response:
    """The page as it will print, with the number it will have."""
    found = rooms()
    number = found.sheets.issued(body.vehicle_id) + 1
    code = code_of(found.address, body.vehicle_id, body.setup)
    html = sheet_html(body.document, body.setup, body.system, number, found.today(), ON_SCREEN, code)
    return Response(html, mimetype="text/html")


def _as_file(text: str, kind: str, body: SheetQuestion, ending: str) -> Response:
    answer = Response(text, mimetype=kind)
    name = f"{file_name(body.document.vehicle.name)}-{file_name(body.setup)}.{ending}"
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer


@sheets.post("/json")
def sheet_json(body: SheetQuestion) -> Response:
    """Its figures as plain data, in SI; the sheet is not issued by it."""
    found = rooms()
    number, today = found.sheets.issued(body.vehicle_id), found.today().isoformat()
    made = sheet_plain(body.document, body.setup, number, today)
    return _as_file(json.dumps(made, indent=1, ensure_ascii=False), "application/json", body, "json")


@sheets.post("/csv")
def sheet_as_csv(body: SheetQuestion) -> Response:
    """Its figures for a spreadsheet, in the units asked for; the sheet is not issued by it."""
    found = rooms()
    number, today = found.sheets.issued(body.vehicle_id), found.today().isoformat()
    return _as_file(sheet_csv(body.document, body.setup, body.system, number, today), "text/csv", body, "csv")


@sheets.post("/pdf", responses={503: ErrorBody})
def sheet_pdf(body: SheetQuestion) -> Response:
    """The page as PDF; it is issued: counted, and kept as printed."""
    found, made = rooms(), dict[str, Any]()

    def page(number: int) -> str:
        code = code_of(found.address, body.vehicle_id, body.setup)
        html = sheet_html(body.document, body.setup, body.system, number, found.today(), FONTS.as_uri(), code)
        made["pdf"], made["number"] = pdf_of(html), number
        return html.replace(FONTS.as_uri(), ON_SCREEN)

    found.sheets.issue(body.vehicle_id, body.setup, page)
    answer = Response(made["pdf"], mimetype="application/pdf")
    name = f"{file_name(body.document.vehicle.name)}-sheet-{made['number']}.pdf"
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer


@sheets.get("/fonts/<string:name>")
def sheet_font(path: FontPath) -> Response:
    """A font file of the sheet."""
    answer = send_from_directory(FONTS, path.name)
    answer.headers["Cache-Control"] = "public, max-age=31536000"
    return answer
