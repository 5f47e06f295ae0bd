"""Where an instrument is reached: a serial port of this machine or a TCP address, through pyserial."""

import re
from urllib.parse import urlsplit

import serial
from serial.tools import list_ports

from feder.core.numbers.errors import FederError

BAUDS = (1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200, 230400)
SCHEMES = ("socket", "rfc2217")
_DEVICE = re.compile(r"/dev/[A-Za-z0-9._/-]{1,80}|COM\d{1,3}")
WAIT = 0.1
"""Seconds that one read waits for a line."""


class BadPort(FederError, ValueError):
    """This is no place where an instrument can be; the sentence says what to write."""

    code = "bad port"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="url")


class NoAnswer(FederError, OSError):
    """Nothing answers at the port, or it is in use."""

    code = "no answer"

    def __init__(self, message: str) -> None:
        super().__init__(message, key="url")


def checked_port(url: str) -> str:
    """An address as it may be opened: `socket://host:port`, `rfc2217://host:port`, /dev/…, COM….

    Raises:
        BadPort: it is none of these.
    """
    told = url.strip()
    if _DEVICE.fullmatch(told) and ".." not in told:
        return told
    if "://" not in told and re.fullmatch(r"[A-Za-z0-9.-]{1,100}:\d{1,5}", told):
        told = f"socket://{told}"
    try:
        parts = urlsplit(told)
        port = parts.port
    except ValueError:
        parts, port = urlsplit(""), None
    if parts.scheme not in SCHEMES or not parts.hostname or not port or parts.path or parts.query:
        raise BadPort("needs a serial port such as /dev/ttyUSB0, or a network address such as 192.168.4.31:2101")
    return told


def opened(url: str, baud: int) -> serial.SerialBase:
    """The port, open for reading. Raises `NoAnswer`."""
    try:
        return serial.serial_for_url(url, baudrate=baud, timeout=WAIT, write_timeout=1.0)
    except (serial.SerialException, OSError, ValueError) as error:
        raise NoAnswer(f"{plain(url)} does not answer: {_why(error)}") from None


def plain(url: str) -> str:
    """An address as people write it."""
    return url.removeprefix("socket://")


def ports_here() -> list[tuple[str, str]]:
    """The serial ports of this machine, each with what it calls itself."""
    return sorted((p.device, p.description) for p in list_ports.comports())


def _why(error: Exception) -> str:
    text = str(error).lower()
    if "refused" in text:
        return "nothing listens there"
    if "no such file" in text:
        return "there is no such port; is it plugged in?"
    if "permission" in text:
        return "this user may not read it"
    if "busy" in text or "lock" in text:
        return "another program has it"
    return "the other side cannot be reached"
