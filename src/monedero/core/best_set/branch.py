"""Branch and bound over relaxations: for programmes that are nearly whole as they are, and too large for anything else.

The relaxation is solved, cuts of pools are written until none is broken, and where a column is not whole, two parts are
made of what is left, one without it and one with it; the part with the highest bound is looked at first. A part that
cannot be worth more than what was found is dropped. Of the columns that are not whole the one is taken whose parts lose
most: known of a few by trying them, of others by what they lost before. Where that does not end soon, the solver's own
search, which cuts more and takes longer for each part, does the rest.

Source: Land and Doig, 1960; pseudo-costs as in Achterberg, Koch and Martin, 2005 (from memory).

>>> model = Model()
>>> columns = [model.columns(1, worth=worth, whole=True) for worth in (3, 2, 2)]
>>> model.row([(column, 2) for column in columns], high=5)
>>> found = Search(model, [], columns).best()
>>> found.values.round().tolist(), round(found.bound)
([1.0, 1.0, 0.0], 5)
>>> model.row([(columns[0], 1)], low=2)
>>> Search(model, [], columns).best() is None
True
"""

import heapq
from collections.abc import Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from itertools import count
from typing import Any, NamedTuple

import numpy as np

from monedero.core.best_set.pool import Pool
from monedero.core.best_set.solver import Model, Numbers, Optimum

NEAR = Fraction(1, 10**6)
"""A column this near to whole is whole; a part worth no more than this above the best is not looked at."""
MOST_PARTS = 150
TRIED = 5

Bounds = tuple[tuple[int, int], ...]


class _Part(NamedTuple):
    """A part of the search: the columns that are set, and the relaxation. The least part has the highest bound."""

    less: Fraction
    number: int
    bounds: Bounds
    found: Optimum


@dataclass
class Search:
    """The search for the best values of a model that keep to every cut; `first` are branched on before others."""

    model: Model
    pools: Sequence[Pool]
    first: Sequence[int]
    _set: Bounds = ()
    _lost: dict[tuple[int, int], list[Any]] = field(default_factory=dict)

    def best(self) -> Optimum | None:
        """The best values; None where nothing keeps to the rows."""
        best: Optimum | None = None
        numbers, parts = count(), [_Part(Fraction(0), 0, (), found) for found in (self._solved(()),) if found]
        for _ in range(MOST_PARTS):
            if not parts:
                break
            part = heapq.heappop(parts)
            if best is not None and part.found.bound <= best.bound + NEAR:
                parts = []
                break
            column, looked = self._to_branch_on(part)
            if column is None:
                best = part.found
                continue
            for value in (1, 0):
                bounds = (*part.bounds, (column, value))
                found = looked[value] if value in looked else self._solved(bounds)
                self._learn(part.found, found, column, value)
                if found is not None and (best is None or found.bound > best.bound + NEAR):
                    heapq.heappush(parts, _Part(-found.bound, next(numbers), bounds, found))
        self._to(())
        return self._kept(in_part=False) if parts else best

    def _to(self, bounds: Bounds) -> None:
        for column, _ in self._set:
            self.model.between(column, 0, 1)
        for column, value in bounds:
            self.model.between(column, value, value)
        self._set = bounds

    def _solved(self, bounds: Bounds) -> Optimum | None:
        """The relaxation of a part, with every cut that it would break."""
        self._to(bounds)
        return self._kept(in_part=True)

    def _kept(self, *, in_part: bool) -> Optimum | None:
        """The best values as the model stands, solved again with every cut that they would break."""
        while True:
            found = self.model.solve(in_part=in_part)
            if found is None or not [pool for pool in self.pools if pool.cut(found.values)]:
                return found

    def _learn(self, before: Optimum, after: Optimum | None, column: int, value: int) -> None:
        """Remembers what setting a column lost, by how far it was moved."""
        moved = abs(value - before.values[column])
        if after is not None and moved > 0:
            lost = (before.bound - after.bound).numerator / (before.bound - after.bound).denominator
            self._lost.setdefault((column, value), []).append(lost / moved)

    def _to_branch_on(self, part: _Part) -> tuple[int | None, dict[int, Optimum | None]]:
        """The column to branch on, and its parts where they were tried; None where all columns are whole."""
        values, whole = part.found.values, self.model.whole
        away = np.abs(values[whole] - values[whole].round())
        early = np.isin(whole, self.first)
        group = next(
            (group for group in (early, ~early) if (away[group] > NEAR.numerator / NEAR.denominator).any()), None
        )
        if group is None:
            return None, {}
        candidates = [int(column) for column in whole[group][np.argsort(-away[group])]]
        candidates = [column for column in candidates if abs(values[column] - round(values[column])) > 1 / 10**6]
        tried: dict[int, dict[int, Optimum | None]] = {}
        for column in [column for column in candidates if (column, 1) not in self._lost][:TRIED]:
            tried[column] = {value: self._solved((*part.bounds, (column, value))) for value in (1, 0)}
            for value, found in tried[column].items():
                self._learn(part.found, found, column, value)
                if found is None:
                    return column, tried[column]
        best = max(candidates, key=lambda column: self._score(values, column))
        return best, tried.get(best, {})

    def _score(self, values: Numbers, column: int) -> Any:
        """The expected losses of both parts of a column, multiplied."""
        score: Any = 1
        for value in (1, 0):
            known = self._lost.get((column, value))
            score *= max(abs(value - values[column]) * (sum(known) / len(known) if known else 0), 1 / 10**6)
        return score
