"""The seat of a kit whose length nobody read, from its maker's chart of collar settings and drops."""

from feder.core.document.cursor import number
from feder.core.formulas.height import mean_seat, seat_at_height, seat_from_found_spring
from feder.core.formulas.wheel_heights import hub_to_arch_after
from feder.core.numbers.working import given
from feder.core.standing.corner import SeatFacts, StandingCorner
from feder.core.standing.springing.coil import under_load

CHART = "the kit's chart, meant for a standard vehicle"


def by_chart(corner: StandingCorner) -> SeatFacts | None:
    """Room between the seats with the collar at its datum, at the height as found: the mean of the chart's rows.

    Each row says where the vehicle would stand with the collar there; the spring is then as long as its load makes
    it. Marked as assumed: the maker's drops are those of another vehicle. Nothing while spring, load or motion
    ratio is missing.
    """
    hub, coupling, seat = corner.found_hub, corner.facts.end.spring, corner.side.seat
    if hub is None or seat is None or not coupling.known or corner.spring is None:
        return None
    rows = []
    for i in range(len(seat.chart)):
        at, words = corner.at.seat.chart[i], f"{corner.facts.place.words} chart, row {i + 1}"
        collar = number(at[0], f"{words}, collar", source=CHART, assumed=True, unit="m")
        drop = number(at[1], f"{words}, drop", source=CHART, assumed=True, unit="m")
        there = hub_to_arch_after(hub, drop)
        stood = under_load(
            corner.but(
                spring_hub=there,
                hub_to_arch=there,
                motion_ratio=coupling.ratio(there),
                ratio_slope=coupling.slope(there),
            )
        )
        if stood.spring_length is None:
            return None
        rows.append(
            seat_at_height(seat_from_found_spring(stood.spring_length, collar), coupling.travel(hub, there))
        )
    total = rows[0]
    count = given(float(len(rows)), "rows of the chart", "", source="counted")
    for row in rows[1:]:
        total = total + row
    return SeatFacts(mean_seat(total, count), hub)
