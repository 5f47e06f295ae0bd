"""The square code on a sheet: read with a phone that is paired, it opens the vehicle there."""

import io

import segno
from markupsafe import Markup

QUIET = 2
"""Modules left white around the code; the paper about it is white too."""


def code_of(address: str | None, vehicle_id: str, setup: str) -> Markup | None:
    """The code as SVG; nothing where no phone could reach this Feder.

    `address` is the one at which paired devices find it, as ``http://192.168.1.20:8440``.
    """
    if address is None:
        return None
    out = io.BytesIO()
    made = segno.make(link_of(address, vehicle_id, setup), micro=False, error="m")
    made.save(
        out, kind="svg", xmldecl=False, svgns=True, border=QUIET, omitsize=True, svgclass="qr", lineclass=None
    )
    return Markup(out.getvalue().decode())


def link_of(address: str, vehicle_id: str, setup: str) -> str:
    """The address of a setup's sheet on a paired device."""
    return f"{address}/vehicle/{vehicle_id}/sheet?setup={setup}"
