"""The printed card and the inspection note: left beside right, torques only as typed, what stands at the head."""

import re
from datetime import date
from math import radians

import pytest

from feder.core.document.fitting import Damage, Fastener
from feder.core.document.setup import StopTrim
from feder.demo.magpie import magpie
from feder.demo.nettle import nettle
from feder.demo.sedge import sedge
from feder.sheet.card import card_html
from feder.sheet.inspection import inspection_html
from tests.changes import set_down, with_side

DAY = date(2026, 3, 28)


def lines(document, setup="plan", system="metric"):
    """Each printed step as its cells: boxes counted, then words."""
    html = card_html(document, setup, None, system, DAY, "fonts")
    found = []
    for row in re.findall(r"<tr><td class=\"b\">.*?</tr>", html, re.DOTALL):
        cells = re.findall(r"<td[^>]*>(.*?)</td>", row, re.DOTALL)
        words = [re.sub(r"\s+", " ", re.sub(r"<[^>]+>", " ", c)).strip() for c in cells]
        found.append((row.count("<i></i>"), words))
    return found


def line(document, words, **more):
    return next(cells for _, cells in lines(document, **more) if any(words in c for c in cells))


def test_left_and_right_of_a_step_stand_in_their_own_columns():
    cells = line(nettle(), "Collar up from")
    left, right = cells[4:6]
    assert "collar 24.0 mm" in left
    assert "turns 12.0" in left
    assert "collar 21.4 mm" in right
    assert "turns 10.7" in right
    apart = line(nettle(), "Rod nut off only when")
    # (308 - 34) kg on 0.96 at 26 N/mm, 44 mm up from droop; (298 - 34) kg, 46 mm
    assert "173 kg (right 158 kg) in the spring as it hangs: back off evenly, 65 mm (right 60 mm)" in apart[3]


def test_a_step_of_one_side_alone_has_one_box_and_its_letter():
    car = nettle()
    plan = car.setups[1]
    same = plan.sides.front_right.but(
        spring=car.setups[0].sides.front_right.spring, stop=None, seat=None, set_by="collar", collar=0.0
    )
    car = car.but(setups=(car.setups[0], plan.but(sides=plan.sides.but(front_right=same))))
    alone = [(boxes, cells) for boxes, cells in lines(car) if "Strut up through the tower" in " ".join(cells)]
    assert [(boxes, cells[3].split(" ")[0]) for boxes, cells in alone] == [(1, "L")]


def test_a_torque_is_a_line_to_write_on_until_its_maker_is_asked():
    blank = line(nettle(), "Strut right down in its clamp")
    assert re.search(r"clamp bolt\s+N·m\s+°", blank[6])
    assert "new clamp bolt 1" in blank[6]
    rows = (Fastener(end="front", kind="clamp bolt", torque=80.0, angle=radians(90), single_use=True),)
    assert "clamp bolt 80 N·m + 90°" in line(nettle().but(fasteners=rows), "Strut right down in its clamp")[6]
    inch = line(nettle().but(fasteners=rows), "Strut right down in its clamp", system="inch")
    assert "clamp bolt 59 lbf·ft + 90°" in inch[6]


def test_bushes_left_for_ride_height_are_told_where_they_are_left_and_where_they_are_tightened():
    assert "arm bolt 2: at ride height" in line(nettle(), "Arm bolts slack")[6]
    ground = line(nettle(), "every bolt in rubber")
    assert re.search(r"arm bolt .*arm bolt .*damper bolt", ground[-1])
    assert "front left 354 mm" in ground[2]


def test_damage_not_dealt_with_stands_at_the_head_and_what_was_dealt_with_does_not():
    car = nettle()
    rows = (
        Damage(id="a", place="front_right", part="top mount", state="cracked", noted="2026-06-02"),
        Damage(id="b", part="hose", state="perished", dealt="new one"),
    )
    html = card_html(car.but(surveys=(car.surveys[0].but(damages=rows),)), "plan", None, "metric", DAY, "fonts")
    assert "Front right: top mount, cracked, noted 2026-06-02." in html
    assert "perished" not in html


def test_a_live_axles_sides_share_their_rows_and_a_bike_has_none_to_share():
    plan = sedge().setups[1].id
    down = next(boxes for boxes, cells in lines(sedge(), plan) if "Jack down slowly" in " ".join(cells))
    assert down == 2
    assert {boxes for boxes, _ in lines(magpie())} == {1}


@pytest.mark.parametrize(
    ("system", "shown"), [("metric", ("30.0 mm", "24.0 mm")), ("inch", ("1.181 in", "0.945 in"))]
)
def test_stops_are_told_in_the_readers_units_each_at_its_place(system, shown):
    cut = " ".join(line(nettle(), "Stops cut square", system=system))
    for place, told in zip(("front left", "rear right"), shown, strict=True):
        assert f"{place} {told}" in cut
    car = with_side(nettle(), "plan", "rear_right", stop=StopTrim(length=0.020))
    assert "rear right 20.0 mm" in " ".join(line(car, "Stops cut square"))


def rows_of(document, setup="plan"):
    html = inspection_html(document, setup, None, "metric", DAY, "fonts")
    found = {}
    for row in re.findall(r"<tr>(.*?)</tr>", html, re.DOTALL):
        first, *rest = re.findall(r"<td>(.*?)</td>", row, re.DOTALL) or [""]
        found[first] = rest
    return html, found


def test_the_inspection_note_tells_parts_heights_before_and_after_and_loads():
    car = set_down(nettle(), "plan", {"front_left": 0.3562})
    _, rows = rows_of(car)
    assert rows["spring, rear left"][1] == "larch 20"
    assert rows["damper, front left"][1] == "the same"
    assert rows["floor to arch, front left, mm"] == ["656", "634", "–"]
    assert rows["hub to arch, front left, mm"] == ["376", "354", "356"]
    assert rows["front axle, kg"] == [f"{308 + 298}", "780"]
    assert rows["in all, kg"] == [f"{308 + 298 + 207 + 197}", "1420"]


def test_the_note_says_when_it_was_fitted_and_that_it_claims_nothing():
    car = nettle()
    made = car.setups[1].but(fitted_on="2026-03-12", odometer=48_120_000.0)
    html, _ = rows_of(car.but(setups=(car.setups[0], made)))
    assert "on 12 March 2026, at 48120 km" in html
    assert "It claims nothing" in html
