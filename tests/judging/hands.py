"""What a hand does to a document: types over a number, over all readings of a kind, exchanges two."""

from dataclasses import dataclass
from typing import Any

from feder.core.causes.told import ORDER, judgement
from feder.core.document.changes import patched, put
from feder.core.report.evaluate import evaluate


def over(document, **values):
    """The document with numbers typed over; places written as vehicle__ends__front__track."""
    return at(document, {name.replace("__", "/"): value for name, value in values.items()})


def at(document, values: dict[str, Any]):
    """The same with places as paths: "setups/1/sides/front_left/collar"."""
    changes = [
        put([int(p) if p.isdigit() else p for p in path.split("/")], value) for path, value in values.items()
    ]
    return patched(document, document.model_dump(mode="json"), changes)[0]


def end(document, name, values: dict[str, Any]):
    return at(document, {f"vehicle/ends/{name}/{path}": value for path, value in values.items()})


def side(document, setup, places, values: dict[str, Any]):
    """Members of some corners of a setup, by its place in the line."""
    made = {f"setups/{setup}/sides/{p}/{path}": value for p in places.split() for path, value in values.items()}
    return at(document, made)


FRONT, REAR = "front_left front_right", "rear_left rear_right"


def reads(document, quantity, change, places=""):
    """All readings as found of a quantity, or those at some places, put through a function."""
    wanted = places.split()
    made = {
        f"surveys/0/readings/{i}/value": change(r.value)
        for i, r in enumerate(document.surveys[0].readings)
        if r.quantity == quantity and (not wanted or r.place in wanted)
    }
    assert made
    return at(document, made)


def renamed(document, names: dict[str, str], places=""):
    """Readings told as of another quantity."""
    wanted = places.split()
    return at(
        document,
        {
            f"surveys/0/readings/{i}/quantity": names[r.quantity]
            for i, r in enumerate(document.surveys[0].readings)
            if r.quantity in names and (not wanted or r.place in wanted)
        },
    )


def moved(document, quantity, places: dict[str, str]):
    """Readings of one quantity with their places exchanged."""
    return at(
        document,
        {
            f"surveys/0/readings/{i}/place": places[r.place]
            for i, r in enumerate(document.surveys[0].readings)
            if r.quantity == quantity and r.place in places
        },
    )


def again(document, place, quantity, value, how="tape"):
    """One more reading."""
    row = {"place": place, "quantity": quantity, "value": value, "how": how}
    return at(document, {"surveys/0/readings": [*document.model_dump(mode="json")["surveys"][0]["readings"], row]})


@dataclass(frozen=True)
class Told:
    """One thing as it is told, in order: a cause, or a finding that no cause explains."""

    rule: str
    place: str
    grade: str


def told(document, setup="plan", load=None) -> list[Told]:
    """What a user is told of a setup, first to last: the worst first, causes before others of their grade."""
    found, judged = evaluate(document, setup, load).findings, judgement(document, setup, load)
    causes = [c.finding for c in judged.causes]
    follows = {(f.rule, f.place) for c in judged.causes for f in c.explains}
    rest = [f for f in found if (f.rule, f.place) not in follows]
    return [Told(f.rule, f.place, f.grade) for f in sorted([*causes, *rest], key=lambda f: ORDER[f.grade])]
