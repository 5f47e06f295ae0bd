"""A tolerance typed with a number: kept in the file, and the one that uncertainty uses."""

import pytest

from feder.core.document.base import MassValue, RateValue, Tolerances
from feder.core.document.document import BadDocument, document_of, read_document
from feder.core.document.vehicle import Mount, RatioTyped
from feder.core.report.evaluate import evaluate
from feder.core.report.uncertainty import uncertainty
from tests.changes import with_end, with_side


def share(document, path, about):
    """The share in a figure that leads to a place of the document."""
    return next(s for s in uncertainty(document, "plan", path).shares if s.document_path.endswith(about))


def side_with(car, **members):
    return with_side(car, "plan", "front_left", **members)


def test_of_rate_free_length_seat_and_ratio_each_moves_its_figure_as_far_as_it_was_typed(car):
    side = car.setups[1].sides.front_left
    corner = evaluate(car, "plan").corners["front_left"]
    rate, ratio = side.spring.rate.value, car.vehicle.ends.front.spring.ratio.value

    told = side_with(car, spring=side.spring.but(rate=RateValue(value=rate, tolerance=0.012 * rate)))
    found = share(told, "corners.front_left.wheel_rate", "front_left.spring.rate.value")
    assert found.tolerance == pytest.approx(0.012 * rate)
    assert found.effect == pytest.approx(0.012 * corner.wheel_rate.value, rel=1e-6)

    told = side_with(car, spring=side.spring.but(tolerances=Tolerances(free_length=0.0007)))
    found = share(told, "corners.front_left.spring_length", "front_left.spring.free_length")
    assert (found.tolerance, found.effect) == (pytest.approx(0.0007), pytest.approx(0.0007, rel=1e-6))

    told = side_with(car, seat=side.seat.but(tolerances=Tolerances(length=0.0004)))
    found = share(told, "corners.front_left.collar", "front_left.seat.length")
    assert (found.tolerance, found.effect) == (pytest.approx(0.0004), pytest.approx(0.0004, rel=1e-6))

    told = with_end(car, "front", spring=Mount(ratio=RatioTyped(value=ratio, tolerances=Tolerances(value=0.004))))
    found = share(told, "ends.front.wheel_rate", "front.spring.ratio.value")
    assert found.tolerance == 0.004
    assert found.effect == pytest.approx(2 * 0.004 / ratio * corner.wheel_rate.value, rel=1e-4)


def test_of_a_weight_and_a_height_that_were_read(car):
    survey = car.surveys[0]

    def with_reading(quantity, tolerance):
        readings = tuple(
            r.but(tolerance=tolerance) if (r.place, r.quantity) == ("rear_right", quantity) else r
            for r in survey.readings
        )
        return car.but(surveys=(survey.but(readings=readings), *car.surveys[1:]))

    path = next(
        f"surveys.0.readings.{i}.value"
        for i, r in enumerate(survey.readings)
        if (r.place, r.quantity) == ("rear_right", "mass")
    )
    found = share(with_reading("mass", 3.5), "vehicle.total_mass", path)
    assert (found.tolerance, found.effect) == (pytest.approx(3.5), pytest.approx(3.5, rel=1e-6))
    told = with_reading("hub_to_arch", 0.0023)
    (found,) = uncertainty(told, "found", "corners.rear_right.hub_to_arch").shares
    assert (found.tolerance, found.effect) == (pytest.approx(0.0023), pytest.approx(0.0023, rel=1e-6))


def test_without_one_the_usual_holds(car):
    found = share(car, "corners.front_left.collar", "front_left.seat.length")
    assert found.tolerance == 1.5e-3  # tape


def test_it_is_kept_in_the_file_and_only_of_numbers_that_are_there(car):
    told = with_end(car, "rear", unsprung_mass=MassValue(value=30, tolerance=0.5))
    limits = told.vehicle.ends.rear.limits.but(tolerances=Tolerances(droop=0.001))
    told = with_end(told, "rear", limits=limits)
    back = read_document(told.model_dump_json())
    assert back == told
    assert back.vehicle.ends.rear.limits.tolerances == {"droop": 0.001}
    plain = told.model_dump(mode="json")
    plain["vehicle"]["ends"]["rear"]["limits"]["tolerances"] = {"drop": 0.001}
    with pytest.raises(BadDocument, match="there is no drop here"):
        document_of(plain)
    plain["vehicle"]["ends"]["rear"]["limits"]["tolerances"] = {"droop": 0}
    with pytest.raises(BadDocument, match="greater than 0"):
        document_of(plain)
