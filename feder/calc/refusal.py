"""How the contract refuses a call."""


class CalcError(ValueError):
    """A call that is refused: the key at fault and one sentence that names it."""

    def __init__(self, key: str, rule: str) -> None:
        self.key, self.message = key, " ".join(f"{key}: {rule}".split())
        super().__init__(self.message)

    def as_dict(self) -> dict[str, str]:
        return {"key": self.key, "message": self.message}
