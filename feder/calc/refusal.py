"""How the contract refuses a call."""

from feder.core.numbers.errors import FederError


class CalcError(FederError, ValueError):
    """A call that is refused: the key at fault and one sentence that names it."""

    code = "bad input"

    def __init__(self, key: str, rule: str) -> None:
        super().__init__(" ".join(f"{key}: {rule}".split()), key=key)

    def as_dict(self) -> dict[str, str]:
        return {"key": self.key, "message": self.message}
