"""Job cards: the steps, their ticks, and the pictures that hang on them."""

from flask import Response, request
from flask_openapi3 import APIBlueprint
from pydantic import BaseModel, Field

from feder.api.asked import AboutDocument, answered, file_name
from feder.api.errors import ErrorBody
from feder.api.questions import System
from feder.api.rooms import rooms
from feder.api.wire import Wire
from feder.core.document.fitting import OwnCard
from feder.core.document.vehicle import Layout
from feder.core.fitting.card import Card, card_of
from feder.sheet.card import card_html
from feder.sheet.inspection import inspection_html
from feder.sheet.paper import FONTS
from feder.sheet.pdf import pdf_of
from feder.store.photos import Photo
from feder.store.ticks import State, Tick

cards = APIBlueprint("cards", __name__, url_prefix="/api", abp_responses={404: ErrorBody, 422: ErrorBody})


class CardQuestion(AboutDocument):
    setup: str
    against: str | None = Field(None, description="The setup it leads from; none: as found.")


class CardAnswer(Wire):
    card: Card


@cards.post("/card", responses={200: CardAnswer})
def card(body: CardQuestion) -> Response:
    """The job card from one setup to another."""
    return answered(CardAnswer(card=card_of(body.document, body.setup, body.against)))


class CardOnPaper(CardQuestion):
    """The card or the note of a setup, in the reader's units."""

    system: System = "metric"
    vehicle_id: str = Field("", max_length=16)


@cards.post("/card/card", responses={503: ErrorBody})
def card_pdf(body: CardOnPaper) -> Response:
    """The job card as PDF."""
    html = card_html(body.document, body.setup, body.against, body.system, rooms().today(), FONTS.as_uri())
    return _pdf(html, f"{file_name(body.document.vehicle.name)}-job-card.pdf")


@cards.post("/card/inspection", responses={503: ErrorBody})
def inspection_pdf(body: CardOnPaper) -> Response:
    """The inspection note as PDF."""
    html = inspection_html(body.document, body.setup, body.against, body.system, rooms().today(), FONTS.as_uri())
    return _pdf(html, f"{file_name(body.document.vehicle.name)}-inspection-note.pdf")


def _pdf(html: str, name: str) -> Response:
    answer = Response(pdf_of(html), mimetype="application/pdf")
    answer.headers["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer


class LayoutsQuery(BaseModel):
    """The vehicle that asks, and its layouts."""

    vehicle_id: str = Field(max_length=16)
    front: Layout
    rear: Layout


class OthersCard(Wire):
    """What the workshop made of the card of another vehicle of the same layouts."""

    name: str
    card: OwnCard


class OthersAnswer(Wire):
    others: list[OthersCard]


@cards.get("/card/others", responses={200: OthersAnswer})
def cards_of_others(query: LayoutsQuery) -> Response:
    """Own steps, words and gaps of the cards of vehicles with the same layouts, to be taken over."""
    found = []
    for stored in rooms().garage.readable():
        ends, mine = stored.document.vehicle.ends, stored.document.card
        same = (ends.front.layout, ends.rear.layout) == (query.front, query.rear)
        if same and stored.id != query.vehicle_id and mine != OwnCard():
            found.append(OthersCard(name=stored.document.vehicle.name, card=mine))
    return answered(OthersAnswer(others=found))


class CardPath(BaseModel):
    vehicle_id: str = Field(max_length=16)
    setup: str = Field(max_length=40)


class TicksAnswer(Wire):
    ticks: list[Tick]


class TickSaid(Wire):
    """What is said of a step; `mark` is the step's own when it was read."""

    step: str = Field(max_length=80)
    state: State
    mark: str = Field("", max_length=16)
    who: str = Field("", max_length=80)
    reason: str = Field("", max_length=200)


@cards.get("/vehicles/<string:vehicle_id>/cards/<string:setup>/ticks", responses={200: TicksAnswer})
def ticks(path: CardPath) -> Response:
    """What holds of each step of a card."""
    return _ticks(path)


@cards.post("/vehicles/<string:vehicle_id>/cards/<string:setup>/ticks", responses={200: TicksAnswer})
def tick(path: CardPath, body: TickSaid) -> Response:
    """Say something of one step; the ticks of others stay."""
    rooms().ticks.said(path.vehicle_id, path.setup, body.step, body.state, body.mark, body.who, body.reason)
    return _ticks(path)


def _ticks(path: CardPath) -> Response:
    found = rooms().ticks.of(path.vehicle_id, path.setup)
    return answered(TicksAnswer(ticks=found))


class VehiclePath(BaseModel):
    vehicle_id: str = Field(max_length=16)


class PhotoPath(VehiclePath):
    photo: int = Field(ge=1)


class AboutQuery(BaseModel):
    about: str = Field(min_length=1, max_length=120)


class PhotosAnswer(Wire):
    photos: list[Photo]


@cards.get("/vehicles/<string:vehicle_id>/photos", responses={200: PhotosAnswer})
def photos(path: VehiclePath) -> Response:
    """The pictures of a vehicle."""
    return _photos(path.vehicle_id)


@cards.post("/vehicles/<string:vehicle_id>/photos", responses={200: PhotosAnswer})
def add_photo(path: VehiclePath, query: AboutQuery) -> Response:
    """Hang a picture on a step or a damage; it is made anew, without position or other data."""
    rooms().photos.add(path.vehicle_id, query.about, request.get_data())
    return _photos(path.vehicle_id)


@cards.get("/vehicles/<string:vehicle_id>/photos/<int:photo>")
def photo(path: PhotoPath) -> Response:
    """One picture."""
    answer = Response(rooms().photos.image(path.vehicle_id, path.photo), mimetype="image/jpeg")
    answer.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return answer


@cards.delete("/vehicles/<string:vehicle_id>/photos/<int:photo>", responses={200: PhotosAnswer})
def remove_photo(path: PhotoPath) -> Response:
    """Put a picture away."""
    rooms().photos.remove(path.vehicle_id, path.photo)
    return _photos(path.vehicle_id)


def _photos(vehicle_id: str) -> Response:
    return answered(PhotosAnswer(photos=rooms().photos.of(vehicle_id)))
