"""What was made of the same parts before is kept: a drag changes one setup, not the vehicle as measured."""

from collections import OrderedDict
from collections.abc import Callable
from threading import Lock
from typing import Generic, TypeVar

T = TypeVar("T")


class Kept(Generic[T]):
    """The last few things made, each of some parts of a document: the same parts (by identity) give it again.

    Parts are frozen, so the same object says the same; they are held, so that no other object takes their place.
    """

    def __init__(self, most: int = 32) -> None:
        self._most, self._lock = most, Lock()
        self._made: OrderedDict[tuple[object, ...], tuple[tuple[object, ...], T]] = OrderedDict()

    def of(self, parts: tuple[object, ...], key: tuple[object, ...], make: Callable[[], T]) -> T:
        """What was made of these parts under this key, or what is made of them now."""
        known = (*map(id, parts), *key)
        with self._lock:
            found = self._made.get(known)
            if found is not None:
                self._made.move_to_end(known)
                return found[1]
        made = make()
        with self._lock:
            self._made[known] = (parts, made)
            while len(self._made) > self._most:
                self._made.popitem(last=False)
        return made
