"""The setup sheet: as HTML for screen and print, as PDF, and issued with a number."""

from typing import Any

from flask import Response, send_from_directory
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, file_name
from feder.api.errors import ErrorBody
from feder.api.questions import System
from feder.api.rooms import rooms
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from feder.sheet.pdf import pdf_of

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
    html = sheet_html(body.document, body.setup, body.system, number, found.today(), ON_SCREEN)
    return Response(html, mimetype="text/html")


@sheets.post("/pdf", responses={503: ErrorBody})
def sheet_pdf(body: SheetQuestion) -> Response:
    """The page as PDF; it is issued: counted, and kept as printed."""
    found, made = rooms(), dict[str, Any]()

    def page(number: int) -> str:
        html = sheet_html(body.document, body.setup, body.system, number, found.today(), FONTS.as_uri())
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
