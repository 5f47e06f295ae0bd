"""The setup sheet: as HTML for screen and print, as PDF, and issued with a number."""

from flask import Response, send_from_directory
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.errors import ErrorBody, refusal
from feder.api.questions import System
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.document import Document
from feder.sheet.page import sheet_html
from feder.sheet.paper import FONTS
from feder.sheet.pdf import NoPdf, pdf_of

sheets = APIBlueprint("sheets", __name__, url_prefix="/api/sheet", abp_responses={422: ErrorBody, 404: ErrorBody})


class SheetQuestion(Wire):
    """A document that need not be saved, the setup, the units, and the vehicle whose sheets are counted."""

    document: Document
    setup: str
    system: System = "metric"
    vehicle_id: str = Field(max_length=16)


class FontPath(BaseModel):
    name: str = Field(pattern=r"^[a-z0-9-]+\.woff2$")


@sheets.post("")
def sheet(body: SheetQuestion) -> Response:
    """The page as it will print, with the number it will have."""
    found = rooms()
    number = found.garage.sheets_issued(body.vehicle_id) + 1
    html = sheet_html(body.document, body.setup, body.system, number, found.today(), "/api/sheet/fonts")
    return Response(html, mimetype="text/html")


@sheets.post("/pdf", responses={503: ErrorBody})
def sheet_pdf(body: SheetQuestion) -> Response:
    """The page as PDF; it is issued: counted, and kept as printed."""
    found = rooms()
    found.garage.get(body.vehicle_id)
    number = found.garage.sheets_issued(body.vehicle_id) + 1
    html = sheet_html(body.document, body.setup, body.system, number, found.today(), FONTS.as_uri())
    try:
        made = pdf_of(html)
    except NoPdf as error:
        return refusal(503, "pdf", str(error))
    found.garage.issue_sheet(body.vehicle_id, body.setup, number, html.replace(FONTS.as_uri(), "/api/sheet/fonts"))
    answer = Response(made, mimetype="application/pdf")
    plain = (
        "".join(c if c.isascii() and c.isalnum() else "-" for c in body.document.vehicle.name).strip("-")
        or "vehicle"
    )
    answer.headers["Content-Disposition"] = f'attachment; filename="{plain}-sheet-{number}.pdf"'
    return answer


@sheets.get("/fonts/<string:name>")
def sheet_font(path: FontPath) -> Response:
    """A font file of the sheet."""
    answer = send_from_directory(FONTS, path.name)
    answer.headers["Cache-Control"] = "public, max-age=31536000"
    return answer
