"""The console command: feder serve | demo | calc."""

import sys
from collections.abc import Sequence

USAGE = """feder serve            the workshop's own data, on http://127.0.0.1:8440
feder demo             the same with the made-up workshop's vehicles and shelf
feder calc NAME k=v    one function of the core, with its working (feder calc --list)

FEDER_PORT sets the port, FEDER_DATA the folder of the database.
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
        case [] | ["-h"] | ["--help"] | ["help"]:
            sys.stdout.write(USAGE)
            return 0
        case _:
            sys.stderr.write(f"feder: {words[0]} is no command\n{USAGE}")
            return 2


if __name__ == "__main__":
    sys.exit(main())
