"""Exact sums of whole numbers, each times a fraction that stands for its pair of currency and day.

A month has thousands of pairs, and their fractions thousands of denominators. Numbers of one denominator are added
first; the others two by two, and two by two again, over the least common denominator of the two, so that numbers grow
late. What brings them there is worked out once. (Added one after the other, a few thousand fractions take minutes.)

Source: own design; the sum of a tree, as in binary splitting.

>>> adder = Adder([Fraction(1, 3), Fraction(1, 6), Fraction(1, 4)])
>>> adder.total([(0, 1), (2, 2)]), adder.total([])
(Fraction(5, 6), Fraction(0, 1))
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from math import lcm


class Adder:
    """Adds whole numbers times the values of their pairs."""

    def __init__(self, values: Sequence[Fraction]) -> None:
        """`values` are the fractions, by the number of the pair."""
        bottoms = sorted({value.denominator for value in values}) or [1]
        places = {bottom: place for place, bottom in enumerate(bottoms)}
        self._leaves = [(places[value.denominator], value.numerator) for value in values]
        self._width = len(bottoms)
        self._levels: list[list[tuple[int, int]]] = []
        while len(bottoms) > 1:
            pairs = list(zip(bottoms[::2], bottoms[1::2], strict=False))
            common = [lcm(one, two) for one, two in pairs]
            self._levels.append(
                [(over // one, over // two) for over, (one, two) in zip(common, pairs, strict=True)]
            )
            bottoms = [*common, bottoms[-1]] if len(bottoms) % 2 else common
        self._bottom = bottoms[0]

    def total(self, pairs: Iterable[tuple[int, int]], over: int = 1) -> Fraction:
        """The sum of numbers (each with the number of its pair), divided by `over`."""
        tops = [0] * self._width
        for pair, number in pairs:
            place, times = self._leaves[pair]
            tops[place] += number * times
        for level in self._levels:
            odd = tops[-1:] if len(tops) % 2 else []
            halves = zip(tops[::2], tops[1::2], level, strict=False)
            tops = [one * first + two * second for one, two, (first, second) in halves] + odd
        return Fraction(tops[0], self._bottom * over)
