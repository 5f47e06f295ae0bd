"""The blank page of a round: what is printed on it by value, and room for the pen."""

import re
from datetime import date

from feder.demo.settled import settled_magpie, settled_nettle
from feder.sheet.blank_round import blank_round_html


def rows(document, setup, system="metric"):
    """The lines of the page by their words: what is printed at each corner."""
    page = blank_round_html(document, setup, system, date(2026, 11, 27), "/fonts")
    made = {}
    for words, cells in re.findall(r'<th scope="row">(.*?)</th>(.*?)</tr>', page):
        made[re.sub(r" *<.*?>", " ", words).strip()] = re.findall(r"<td>(.*?)</td>", cells)
    return page, made


def test_what_is_wanted_and_set_is_printed_round_the_car_and_the_rest_is_left_for_the_pen():
    page, told = rows(settled_nettle().document, "fitted")
    assert re.findall(r"<th>(.*?)</th>", page)[1:] == ["front left", "rear left", "rear right", "front right"]
    assert told["hub to arch wanted mm"] == ["354.0", "352.0", "352.0", "354.0"]
    assert told["set now"] == ["collar 24.0 mm", "collar 6.6 mm", "collar 4.4 mm", "collar 21.4 mm"]
    assert told["toe wanted, in + mm"] == ["−0.5", "0.7", "0.7", "−0.5"]
    assert told["caster wanted °"] == ["4.5", "", "", "4.5"]
    for blank in ("hub to arch read mm", "again, after rolling mm", "turned to", "scale kg", "camber read °"):
        assert told[blank] == [""] * 4
    assert "on stands" in page
    assert "odometer" in page


def test_two_wheels_are_read_by_their_sags_in_the_readers_units():
    _, told = rows(settled_magpie().document, "ridden", "inch")
    target = {"front": 30.0, "rear": 32.0}
    assert list(told)[1:4] == ["extended in", "rider on, lifted in", "rider on, pressed in"]
    assert len(told["rider sag wanted in"]) == len(target)
    assert not [w for w in told if w.startswith(("scale", "toe"))]
    assert told["set now"][0].startswith("cap ")
    assert told["set now"][0].endswith(" in")
