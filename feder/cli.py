"""The console command: feder serve | demo | calc | instrument."""

import argparse
import sys
from collections.abc import Sequence
from pathlib import Path

from feder import VERSION

WORDS = """Feder helps to set up vehicle suspension, in a browser on this machine.

  feder serve              Serves the workshop's own vehicles on http://127.0.0.1:8440.
  feder demo               Serves the made-up workshop, with its vehicles and its shelf.
  feder calc NAME k=v ...  Works out one function of the core with its working; feder calc --list names all.
  feder instrument KIND    Plays an instrument that is not there; feder instrument --help tells more.
  feder --version          Says which Feder this is.

FEDER_PORT sets the port and FEDER_DATA the folder of the database. FEDER_HOST lets paired devices of the
workshop's network in at that address.

Exit codes: 0 all went well; 1 something stood in the way, such as a port that is taken or a database that cannot
be read; 2 the command was not understood.
"""


def main(arguments: Sequence[str] | None = None) -> int:
    """Run one command; imports only what that command needs."""
    words = list(sys.argv[1:] if arguments is None else arguments)
    match words:
        case ["calc", *rest]:
            from feder.calc.lines import run

            return run(rest, sys.stdin, sys.stdout, sys.stderr)
        case ["serve"] | ["demo"]:
            from feder.api.serve import serve

            return serve(demo=words[0] == "demo")
        case ["instrument", *rest]:
            return _instrument(rest)
        case ["--version"] | ["-V"]:
            sys.stdout.write(f"feder {VERSION}\n")
            return 0
        case [] | ["-h"] | ["--help"] | ["help"] | ["serve" | "demo", "-h" | "--help"]:
            sys.stdout.write(WORDS)
            return 0
        case ["serve" | "demo", *rest]:
            sys.stderr.write(f"feder {words[0]} takes no further words, but was given {rest[0]}\n")
            return 2
        case _:
            sys.stderr.write(f"feder: {words[0]} is no command\n{WORDS}")
            return 2


def _instrument(words: Sequence[str]) -> int:
    """Play an instrument."""
    from feder.core.numbers.errors import FederError
    from feder.instruments.kinds import KINDS, KNOWN

    kinds = {k.replace("_", "-"): k for k in KINDS}
    told = argparse.ArgumentParser(
        prog="feder instrument",
        description="Plays an instrument that is not there. It says first where it is reached, and speaks the "
        "line protocol to whoever connects, until it is ended.",
        epilog="Kinds: " + "; ".join(f"{name} plays the {KNOWN[k].words}" for name, k in kinds.items()) + ".",
    )
    told.add_argument("kind", choices=list(kinds), metavar="KIND", help="The kind of instrument that is played.")
    told.add_argument(
        "--port", type=int, default=0, help="The TCP port on 127.0.0.1; 0 takes a free one, as usual."
    )
    told.add_argument("--pty", action="store_true", help="Speaks at a pseudo-terminal instead, as a serial port.")
    told.add_argument(
        "--as", dest="file", type=Path, help="A JSON file of what is true; without it a made-up car."
    )
    told.add_argument("--seed", type=int, default=1, help="The seed of its scatter.")
    told.add_argument("--with-parent", action="store_true", help="Ends when its standard input closes.")
    try:
        asked = told.parse_args(words)
    except SystemExit as ended:
        return int(ended.code or 0)
    if not 0 <= asked.port <= 65535:
        sys.stderr.write("--port must be from 0 to 65535\n")
        return 2
    from feder.instruments.stand_ins.serving import run

    try:
        return run(
            kinds[asked.kind], port=asked.port, pty=asked.pty, file=asked.file, seed=asked.seed,
            with_parent=asked.with_parent,
        )  # fmt: skip
    except FederError as error:
        sys.stderr.write(f"{error.message}\n")
        return 1


if __name__ == "__main__":
    sys.exit(main())
