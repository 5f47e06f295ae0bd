"""Errors the core raises. They carry the key, the value and the rule; the edges word and send them."""


class OutOfRange(ValueError):
    """An input lies outside the range in which a formula holds.

    `key` is the name of the input, `value` what was given, `rule` one clause that says what holds.
    """

    def __init__(self, key: str, value: object, rule: str) -> None:
        super().__init__(f"{key}: {rule}")
        self.key, self.value, self.rule = key, value, rule


class NoEquilibrium(ValueError):
    """The vehicle cannot stand: no position of the body balances its load."""


class UnknownSetup(LookupError):
    """A setup or load state was asked for that the document does not hold."""
