"""A cost as a function of an amount: straight pieces, each from an amount (inclusive) to another (exclusive).

Between two pieces there may be a jump, and there may be none at all: a stretch without a piece has no price.
Amounts and values are exact, in whole units of their currencies.

Source: own design.

>>> card = Curve((Piece(Fraction(0), None, Fraction(14, 1000), Fraction(1, 4)),))
>>> card.at(Fraction(85))
Fraction(36, 25)
>>> card.at(Fraction(-1)) is None
True
>>> Piece(Fraction(5), Fraction(5), Fraction(0), Fraction(0))
Traceback (most recent call last):
...
ValueError: a piece from 5 to 5 is empty
"""

from bisect import bisect_right
from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction


@dataclass(frozen=True, slots=True)
class Piece:
    """`slope * amount + intercept` on the amounts from `from_` (inclusive) to `below` (exclusive, None: no end)."""

    from_: Fraction
    below: Fraction | None
    slope: Fraction
    intercept: Fraction

    def __post_init__(self) -> None:
        """Refuse a piece on which no amount lies."""
        if self.below is not None and self.from_ >= self.below:
            raise ValueError(f"a piece from {self.from_} to {self.below} is empty")

    def at(self, amount: Fraction) -> Fraction:
        """The value on the piece's line."""
        return self.slope * amount + self.intercept

    def holds(self, amount: Fraction) -> bool:
        """True if an amount lies on the piece."""
        return self.from_ <= amount and (self.below is None or amount < self.below)


@dataclass(frozen=True, slots=True)
class Curve:
    """Pieces in rising sequence that do not overlap."""

    pieces: tuple[Piece, ...]

    def piece_at(self, amount: Fraction) -> Piece | None:
        """The piece on which an amount lies, or None where there is no price."""
        index = bisect_right(self.pieces, amount, key=lambda piece: piece.from_) - 1
        if index < 0 or not self.pieces[index].holds(amount):
            return None
        return self.pieces[index]

    def at(self, amount: Fraction) -> Fraction | None:
        """The value at an amount, or None where there is no price."""
        piece = self.piece_at(amount)
        return None if piece is None else piece.at(amount)


def joined(pieces: Iterable[Piece]) -> Curve:
    """A curve in which neighbours on one line are one piece.

    >>> flat = (Piece(Fraction(n), Fraction(n + 1), Fraction(0), Fraction(7)) for n in range(3))
    >>> joined(flat).pieces
    (Piece(from_=Fraction(0, 1), below=Fraction(3, 1), slope=Fraction(0, 1), intercept=Fraction(7, 1)),)
    """
    merged: list[Piece] = []
    for piece in pieces:
        last = merged[-1] if merged else None
        if last and last.below == piece.from_ and (last.slope, last.intercept) == (piece.slope, piece.intercept):
            merged[-1] = Piece(last.from_, piece.below, last.slope, last.intercept)
        else:
            merged.append(piece)
    return Curve(tuple(merged))
