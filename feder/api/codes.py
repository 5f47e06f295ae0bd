"""The code on the bench screen that pairs a device: short-lived, right only once, wrong ones slowed down."""

import hmac
import secrets
import threading
import time
from collections.abc import Callable
from dataclasses import dataclass, field

DIGITS = 6
LIVES = 300.0
"""How long a code holds, s."""
MOST_WRONG = 6
"""Wrong codes after which the code is withdrawn."""


@dataclass
class Codes:
    """The code now on the bench screen. A wrong one makes the next wait, twice as long each time."""

    clock: Callable[[], float] = time.monotonic
    code: str | None = None
    born: float = 0.0
    wrong: int = 0
    wait_until: float = 0.0
    _lock: threading.Lock = field(default_factory=threading.Lock)

    def fresh(self) -> str:
        """A new code; the old one is dead. How long to wait after wrong ones stays."""
        with self._lock:
            self.code, self.born = f"{secrets.randbelow(10**DIGITS):0{DIGITS}d}", self.clock()
            self.wrong = 0
            return self.code

    def current(self) -> str | None:
        """The code, while it holds."""
        with self._lock:
            return self.code if self.code is not None and self.clock() - self.born < LIVES else None

    def tried(self, code: str) -> tuple[bool, float]:
        """Whether a code is right, and how long the next one has to wait, s; right only once."""
        with self._lock:
            now = self.clock()
            if now < self.wait_until:
                return False, self.wait_until - now
            good = self.code is not None and now - self.born < LIVES and hmac.compare_digest(code, self.code)
            if good:
                self.code, self.wrong, self.wait_until = None, 0, 0.0
                return True, 0.0
            self.wrong += 1
            wait = float(2**self.wrong)
            self.wait_until = now + wait
            if self.wrong >= MOST_WRONG:
                self.code = None
            return False, wait
