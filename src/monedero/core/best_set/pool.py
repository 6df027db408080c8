"""The ways of one method for one cell, taken together: what their takers are worth, bounded by cuts.

If `u` of the cell takes any of some ways, of which at most `x` takes each, it is worth at most

    l x u + sum over the ways of max(0, v - l) x x        for every number l,

where `v` is what the whole cell is worth on a way; and for the best l, one of the `v`, exactly that (the dual of a
knapsack). So the programme needs no column for each way of each cell. Cuts are written where a solution is over them,
until none is.

Source: Benders' decomposition of facility location (Magnanti and Wong, 1981; from memory).

>>> model = Model()
>>> one, two = model.columns(1, whole=True), model.columns(1, whole=True)
>>> any_of = model.columns(1)
>>> pool = Pool(model, 0, [one, two], np.array([5, 3]), any_of)
>>> model.row([(one, 1), (two, 1), (any_of, -1)], low=0, high=0)
>>> found = model.solve()
>>> found.values[[one, two, pool.taken]].tolist(), round(found.bound), pool.cut(found.values)
([1.0, 0.0, 1.0], 5, False)
"""

from collections.abc import Sequence
from fractions import Fraction

import numpy as np

from monedero.core.best_set.solver import Model, Numbers

SAME = Fraction(1, 10**7)
"""A solution may exceed a cut by this part of the cell's worth."""
NOTHING = 1 / 10**9


class Pool:
    """The ways of a method for a cell: `taken` is the column of the part that takes any of them."""

    def __init__(self, model: Model, cell: int, ways: Sequence[int], values: Numbers, any_of: int) -> None:
        """`ways` are columns, `values` what the cell is worth on each; `any_of` says that any of them is there."""
        self._model, self.cell = model, cell
        least = values.min()
        self._ways, self._more = np.array(ways), values - least
        self.taken = model.columns(1, worth=least)
        self._worth: int | None = None
        model.row([(self.taken, 1), (any_of, -1)], high=0)
        if self._more.any():
            self._worth = model.columns(1, worth=1, most=np.inf)
            self._cut(self._more.max())

    def _cut(self, level: object) -> None:
        over = self._more - level
        better = over > 0
        ways = zip(self._ways[better].tolist(), (-over[better]).tolist(), strict=True)
        assert self._worth is not None
        self._model.row([(self._worth, 1), (self.taken, -level), *ways], high=0)  # type: ignore[operator]

    def cut(self, values: Numbers) -> bool:
        """Writes the cut that a solution is over; tells whether it is over one."""
        if self._worth is None or values[self._worth] < NOTHING:
            return False
        here = values[self._ways]
        used = np.unique([0, *self._more[here > 0]])
        # The worth at each level that a way of the solution is at.
        worth = used * values[self.taken] + np.maximum(0, self._more - used[:, None]) @ here
        best = worth.argmin()
        if values[self._worth] - worth[best] <= self._more.max() * SAME.numerator / SAME.denominator:
            return False
        self._cut(used[best].item())
        return True
