"""The chain of changes in a log: from one state of a setup to the next, and any state built again."""

from jsonpatch import JsonPatch, JsonPatchException, make_patch
from jsonpointer import JsonPointerException
from pydantic import ValidationError

from feder.core.document.changes import BadPatch, Change
from feder.core.document.document import BadDocument, faults_of
from feder.core.document.setup import Setup


def patch_between(before: Setup | None, after: Setup) -> list[Change]:
    """The change from one state of a setup to the next as a JSON Patch; from nothing the whole of it."""
    if before is None:
        return [Change(op="replace", path="", value=after.model_dump(mode="json"))]
    made = make_patch(before.model_dump(mode="json"), after.model_dump(mode="json"))
    if any(o["op"] not in ("add", "replace", "remove") for o in made.patch):  # a move tells not what it moves
        return [Change(op="replace", path="", value=after.model_dump(mode="json"))]
    return [Change.model_validate(o) for o in made.patch]


def rebuilt(state: object, patches: list[list[Change]]) -> object:
    """The plain data of a setup after a chain of patches. Raises `BadPatch` where one does not fit."""
    for patch in patches:
        for change in patch:
            if change.path == "":
                state = change.value
            else:
                told = change.model_dump(exclude={"value"} if change.op == "remove" else None)
                try:
                    state = JsonPatch([told]).apply(state, in_place=False)
                except (JsonPatchException, JsonPointerException, TypeError) as error:
                    raise BadPatch(
                        f"log: a change does not fit what was before it: {error}"[:200], key="log"
                    ) from None
    return state


def setup_from(state: object) -> Setup:
    """A setup from its plain data. Raises `BadDocument` where it is none any more."""
    try:
        return Setup.model_validate(state)
    except ValidationError as error:
        raise BadDocument(faults_of(error)) from None
