"""The console command: what it says of itself, its exit codes, and refusals in one line."""

import pytest

from feder import VERSION
from feder.cli import main


def test_it_says_which_feder_it_is(capsys):
    assert main(["--version"]) == 0
    assert capsys.readouterr().out == f"feder {VERSION}\n"


@pytest.mark.parametrize("words", [[], ["--help"], ["help"], ["serve", "--help"]])
def test_its_help_names_every_command_and_its_exit_codes(capsys, words):
    assert main(words) == 0
    told = capsys.readouterr().out
    for command in (
        "feder serve",
        "feder demo",
        "feder calc",
        "feder instrument",
        "feder --version",
        "Exit codes",
    ):
        assert command in told


@pytest.mark.parametrize(
    ("words", "says"),
    [
        (["weigh"], "weigh is no command"),
        (["serve", "now"], "takes no further words, but was given now"),
        (["instrument"], "KIND"),
        (["instrument", "ruler"], "invalid choice: 'ruler'"),
        (["instrument", "scales", "--port", "70000"], "from 0 to 65535"),
    ],
)
def test_what_it_does_not_understand_ends_with_two(capsys, words, says):
    assert main(words) == 2
    assert says in capsys.readouterr().err


def test_what_stands_in_the_way_ends_with_one_and_one_line(capsys, tmp_path):
    assert main(["instrument", "scales", "--as", str(tmp_path / "gone.json")]) == 1
    told = capsys.readouterr().err
    assert told.count("\n") == 1
    assert "tells no true values" in told


def test_the_help_of_an_instrument_names_the_kinds(capsys):
    assert main(["instrument", "--help"]) == 0
    told = " ".join(capsys.readouterr().out.split())
    for kind in ("scales", "level", "height", "spring-bench", "damper-bench", "logger", "gauge"):
        assert f"{kind} plays the" in told
