"""A unit of its own for a quantity: shown so, all others as the system has them; what is not known is refused."""

import pytest

from feder.units.show import figure, showing, unit_shown
from feder.units.systems import UnknownSystem, rows_of
from feder.units.table import GROUPS, SYSTEMS


def test_millimetres_with_psi():
    system = "metric;pressure=psi"
    assert figure(2.0e5, "Pa", system, unit=True) == "29.0 psi"  # 2 bar is 29.0075 psi
    assert figure(0.354, "m", system, unit=True) == "354 mm"
    assert figure(2.0e5, "Pa", "metric", unit=True) == "2.00 bar"
    assert showing(system)(1e5, "Pa") == "14.504 psi"


def test_a_length_takes_collars_and_gaps_along():
    assert figure(0.0254, "m", "metric;length=in", unit=True) == "1.00 in"
    assert figure(0.0254, "m", "metric;length=in", kind="fine length", unit=True) == "1.000 in"
    assert unit_shown("kg", "metric;length=in")[0] == "kg"


def test_two_choices_stand_beside_each_other_and_the_last_of_one_counts():
    system = "inch;mass=kg;rate=N/mm;mass=lb"
    assert (unit_shown("kg", system)[0], unit_shown("N/m", system)[0]) == ("lb", "N/mm")


@pytest.mark.parametrize("system", ["imperial", "metric;colour=red", "metric;pressure=mm", "metric;pressure=", ""])
def test_what_is_not_known_is_refused(system):
    with pytest.raises(UnknownSystem):
        rows_of(system)


def test_every_group_has_rows_in_every_system():
    for rows in SYSTEMS.values():
        for names in GROUPS.values():
            assert set(names) <= set(rows)
