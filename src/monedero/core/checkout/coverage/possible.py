"""Holds which carts can go by which ways of delivery.

Source: own design.

>>> possible = Possible([("van", "pier"), ("van",)], ["van", "pier"])
>>> bin(possible.carts(0b01)), bin(possible.carts(0b10))
('0b11', '0b1')
"""

from collections.abc import Iterator, Sequence
from typing import Protocol


class Product(Protocol):
    """Values of every fact of an order, a bit for each value."""

    @property
    def carts(self) -> int:
        """Its carts, a bit for each."""
        ...

    @property
    def deliveries(self) -> int:
        """Its ways of delivery, a bit for each."""
        ...

    def __iter__(self) -> Iterator[int]:
        """The values, fact after fact."""
        ...


def bits_of(number: int) -> Iterator[int]:
    """The places of the bits of a number, from the lowest.

    >>> list(bits_of(0b1010))
    [1, 3]
    """
    while number:
        lowest = number & -number
        yield lowest.bit_length() - 1
        number ^= lowest


class Possible:
    """Holds which values go together: carts with the ways by which they can go."""

    def __init__(self, carts: Sequence[Sequence[str]], deliveries: Sequence[str]) -> None:
        """For each way of delivery the carts that can go by it; `carts` are told by their ways."""
        self.carts_by = [sum(1 << at for at, ways in enumerate(carts) if way in ways) for way in deliveries]
        self._kept: dict[int, int] = {}

    def carts(self, deliveries: int) -> int:
        """The carts that can go by one of some ways."""
        if deliveries not in self._kept:
            found = 0
            for way in bits_of(deliveries):
                found |= self.carts_by[way]
            self._kept[deliveries] = found
        return self._kept[deliveries]

    def any(self, reach: Product) -> bool:
        """True if a reach holds an order that can be; its places are those that go together."""
        return all(reach) and bool(reach.carts & self.carts(reach.deliveries))
