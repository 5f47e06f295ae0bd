"""Tables on paper: lines and heights by hand, a new page where one does not fit; how finding's numbers are written."""

from types import SimpleNamespace

import pytest

from feder.core.report.shapes import Figure, Finding, Mend
from feder.sheet.pages import height_of, lines_of, pages_of
from feder.sheet.paper import cautions_of, filled, short
from feder.sheet.table import Table


@pytest.mark.parametrize(
    ("words", "letters", "lines"),
    [
        ("", 10, 1),
        ("ten letter", 10, 1),
        ("eleven here", 10, 2),
        ("one two three four", 7, 3),  # one two / three / four
        ("a" * 25, 10, 3),
        ("ab " + "c" * 25, 10, 4),
        ("aa bb cc", 5, 2),  # a blank between words takes a letter's room
    ],
)
def test_words_break_between_words_and_long_ones_within(words, letters, lines):
    assert lines_of(words, letters * 7.4 + 0.1) == lines


def test_a_table_is_as_high_as_its_head_its_rows_and_its_note():
    # a line is 18 high; heading 52, a row 7 and its lines, a note 8 and its lines; 714 across, a quarter for the first
    one = Table("t", ["what", "now"], [["collar", "24.0"], ["stop", "35"]])
    assert height_of(one) == 52 + 18 + 2 * (7 + 18)
    first = int(714 * 0.24 / 7.4)
    long = Table("t", ["what", "now"], [["w" * (first + 1), "24.0"]])
    assert height_of(long) == 52 + 18 + 7 + 2 * 18
    across = int(714 * 0.76 / 3 / 7.4)
    three = Table("t", ["what", "a", "b", "c"], [["x", "1", "2" * (2 * across + 1), "3"]])
    assert height_of(three) == 52 + 18 + 7 + 3 * 18
    assert height_of(Table("t", [], [], note="read it")) == 52 + 8 + 18
    assert height_of(Table("t", [], [], drawn=120)) == 52 + 120
    whole = int(714 / 7.4)
    assert height_of(Table("t", ["x"], [["w" * whole]])) == 52 + 18 + 7 + 18
    assert height_of(Table("t", ["x"], [["w" * (whole + 1)]])) == 52 + 18 + 7 + 36


def test_a_new_page_is_begun_where_the_next_table_does_not_fit():
    def of(height):
        return Table(str(height), [], drawn=height - 52)

    assert [[t.heading for t in p] for p in pages_of([of(500), of(460), of(1)])] == [["500", "460"], ["1"]]
    assert [[t.heading for t in p] for p in pages_of([of(500), of(461), of(499)])] == [["500"], ["461", "499"]]
    assert [[t.heading for t in p] for p in pages_of([of(2000), of(60)])] == [["2000"], ["60"]]
    assert pages_of([]) == []


def finding(text, rule="r", grade="look", place="front_left", **numbers):
    return Finding(
        rule=rule,
        grade=grade,
        place=place,
        station="height",
        text=text,
        numbers=numbers,
        reason="",
        mend=Mend(text=""),
    )


@pytest.mark.parametrize(
    ("value", "shown"),
    [(0.0199, "19.9 mm"), (0.0201, "20 mm"), (-0.0199, "−19.9 mm"), (0.005, "5 mm"), (0.1234, "123 mm")],
)
def test_small_lengths_of_a_finding_are_told_to_a_tenth(value, shown):
    assert filled(finding("{x}", x=Figure(value, "m")), "metric") == shown


def test_shares_are_told_in_percent_and_ratios_as_they_are():
    assert filled(
        finding("{part} and {ratio}", part=Figure(-0.256, ""), ratio=Figure(0.72, "", True)), "metric"
    ) == ("−26 % and ~0.72")


def report_of(*findings):
    return SimpleNamespace(corners={}, findings=list(findings))


def test_cautions_name_each_place_once_and_leave_out_notes():
    said = cautions_of(
        report_of(
            finding("Held by little", place="front_left"),
            finding("Held by little", place="rear_right"),
            finding("Front springs are soft", place="front_left"),
            finding("All is well", grade="note"),
            finding("The plate is passed", grade="stop", place="vehicle"),
        ),
        "metric",
        fixed=("Mind.",),
    )
    assert said == [
        "Front left, rear right: Held by little.",
        "Front left: Front springs are soft.",
        "The plate is passed.",
        "Mind.",
    ]


def test_more_cautions_than_there_is_room_for_are_counted():
    many = [finding(f"Thing {n}", place="vehicle") for n in range(12)]
    said = cautions_of(report_of(*many), "metric", fixed=("One.", "Two."))
    assert len(said) == 8
    assert said[4] == "Thing 4."
    assert said[5] == "And 7 more on the screen."
    six = cautions_of(report_of(*many[:6]), "metric", fixed=("One.", "Two."))
    assert six[5] == "Thing 5."


@pytest.mark.parametrize(
    ("words", "room", "lines"), [("a" * 10 + " b", 10, 2), ("b " + "a" * 10, 10, 2), ("a b", 3, 1)]
)
def test_the_first_word_of_a_line_takes_no_blank_before_it(words, room, lines):
    assert lines_of(words, room * 7.4 + 0.1) == lines


def test_a_note_is_told_up_to_190_letters_and_then_ends_at_a_word():
    assert short("w" * 189 + " ") == "w" * 189
    assert short(" ".join(["word"] * 38)) == " ".join(["word"] * 38)  # 189 letters
    whole = " ".join(["x" * 94, "y" * 95])
    assert len(whole) == 190
    assert short(whole) == whole
    longer = " ".join(["x" * 94, "y" * 96])
    assert short(longer) == "x" * 94 + " … (more on the screen)"
