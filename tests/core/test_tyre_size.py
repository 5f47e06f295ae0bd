"""A tyre by the size on its side: radius, contact with the arch, what is refused; worked by hand."""

import pytest
from pydantic import ValidationError

from feder.core.document.base import Place
from feder.core.document.conversion import EndChange
from feder.core.document.document import Document
from feder.core.document.vehicle import Limits, Tyre
from feder.core.report.evaluate import evaluate
from feder.core.report.explain import explain
from feder.core.standing.facts import gather
from feder.demo.nettle import nettle


def by_hand(width_mm: float, percent: float, inches: float) -> float:
    """Half the rim and the height of the side, less three in a hundred."""
    return 0.97 * (inches * 25.4 / 2 + width_mm * percent / 100) / 1000


@pytest.mark.parametrize(
    ("written", "size"),
    [
        ("205/55 R16", (205, 55, 16)),
        ("205/55R16 91V", (205, 55, 16)),
        ("P195/60-14", (195, 60, 14)),
        ("180/55 ZR17", (180, 55, 17)),
        ("225/75 R 16,5", (225, 75, 16.5)),
    ],
)
def test_the_loaded_radius_follows_from_the_size(written, size):
    document = with_found(nettle(), "front", Tyre(size=written))
    assert gather(document).ends["front"].tyre_radius == pytest.approx(by_hand(*size), abs=1e-9)


@pytest.mark.parametrize(
    "written", ["205", "205/55", "big", "205/555 R16", "20/55 R16", "205/55 R90", "16 R 55/205"]
)
def test_what_is_no_size_is_refused_by_name(written):
    with pytest.raises(ValidationError, match="205/55 R16") as refused:
        Tyre(size=written)
    assert refused.value.errors()[0]["loc"] == ("size",)


def with_found(document: Document, end: str, tyre: Tyre) -> Document:
    ends = document.vehicle.ends
    changed = ends.but(**{end: getattr(ends, end).but(tyre=tyre)})
    return document.but(vehicle=document.vehicle.but(ends=changed))


def with_change(document: Document, change: EndChange) -> Document:
    setups = list(document.setups)
    setups[1] = setups[1].but(front_end=change)
    return document.but(setups=tuple(setups))


def contact(document: Document) -> float:
    """Bump left to the tyre's contact, front left, in the plan."""
    report = evaluate(document, document.setups[1].id)
    return float(report.corners[Place.FRONT_LEFT].contact.value)


FOUND = Tyre(radius=0.290, size="195/55 R15")


@pytest.mark.parametrize(
    ("change", "radius"),
    [
        # both sizes known: the radius read, and the difference of the sizes
        (Tyre(size="205/60 R15"), 0.290 + by_hand(205, 60, 15) - by_hand(195, 55, 15)),
        # read with the new wheels on: that, whatever the size says
        (Tyre(size="205/60 R15", radius=0.301), 0.301),
    ],
)
def test_a_taller_tyre_meets_the_arch_sooner_by_the_difference(change, radius):
    plain = with_found(nettle(), "front", FOUND)
    taller = with_change(plain, EndChange(tyre=change))
    told = [f for f in evaluate(taller, taller.setups[1].id).findings if f.rule == "tyre_contact_unread"]
    assert len(told) == 1
    assert contact(plain) - contact(taller) == pytest.approx(radius - 0.290, abs=1e-6)


def test_without_the_size_as_found_the_new_one_stands_by_itself_and_is_marked():
    plain = with_found(nettle(), "front", Tyre(radius=0.290))
    taller = with_change(plain, EndChange(tyre=Tyre(size="205/60 R15")))
    assert contact(plain) - contact(taller) == pytest.approx(by_hand(205, 60, 15) - 0.290, abs=1e-6)
    lines = explain(taller, taller.setups[1].id, "corners.front_left.contact")
    assert [line["name"] for line in lines if line["assumed"] and line["given"]] == [
        "front tyre radius in this setup: share under load"
    ]


def test_the_same_size_again_moves_nothing_and_raises_nothing():
    plain = with_found(nettle(), "front", FOUND)
    same = with_change(plain, EndChange(tyre=Tyre(size="195/55 R15")))
    assert contact(same) == pytest.approx(contact(plain), abs=1e-12)
    assert not [f for f in evaluate(same, same.setups[1].id).findings if f.rule == "tyre_contact_unread"]


def test_a_contact_read_with_the_wheels_on_is_kept():
    plain = with_found(nettle(), "front", FOUND)
    read = with_change(plain, EndChange(tyre=Tyre(size="205/60 R15"), limits=Limits(contact=0.3)))
    shown = evaluate(read, read.setups[1].id).corners[Place.FRONT_LEFT]
    assert float(shown.contact.value) == pytest.approx(float(shown.hub_to_arch.value) - 0.3, abs=1e-6)
