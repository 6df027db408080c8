"""A linear programme with some whole columns, written row by row and solved by HiGHS.

Numbers are in binary floating point. Whole columns are as whole as the solver's least tolerance makes them.

Source: HiGHS, its Python package `highspy`.

>>> model = Model()
>>> one, two = model.columns(1, worth=3, whole=True), model.columns(1, worth=2, whole=True)
>>> model.row([(one, 2), (two, 2)], high=3)
>>> model.solve().values.tolist(), round(model.solve().bound)
([1.0, 0.0], 3)
>>> model.row([(one, 1)], low=2)
>>> model.solve() is None
True
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from functools import cached_property
from typing import Any, NamedTuple

import highspy
import numpy as np
from numpy.typing import NDArray

Numbers = NDArray[Any]
TOLERANCE = "1e-9"
OPTIONS = (
    "mip_abs_gap",
    "mip_rel_gap",
    "mip_feasibility_tolerance",
    "primal_feasibility_tolerance",
    "dual_feasibility_tolerance",
)
"""The options that say how near is near enough."""
ENDED_WELL = (highspy.HighsModelStatus.kOptimal, highspy.HighsModelStatus.kModelEmpty)
SEARCH = (("mip_heuristic_effort", "0"), ("mip_allow_restart", "false"))
"""Switched off: they take long here and find nothing that the relaxation has not found (measured)."""


class Optimum(NamedTuple):
    """The values of all columns at the best that was found, and a bound from above on the best."""

    values: Numbers
    bound: Fraction


class Model:
    """A programme that makes the worth of its columns as large as it can; columns are from 0 to `most`."""

    def __init__(self) -> None:
        self._worth: list[Numbers] = []
        self._most: list[Numbers] = []
        self._whole: list[Numbers] = []
        self._count = 0
        self._low: list[object] = []
        self._high: list[object] = []
        self._starts: list[int] = []
        self._index: list[int] = []
        self._value: list[object] = []
        self._solver: Any = None
        self._is_whole = False

    def columns(self, count: int, *, worth: object = 0, most: object = 1, whole: bool = False) -> int:
        """So many columns more, each of a worth (or of one each); gives the number of the first."""
        first, self._count = self._count, self._count + count
        for held, value in ((self._worth, worth), (self._most, most), (self._whole, int(whole))):
            held.append(np.broadcast_to(np.array(value, dtype=np.float64), (count,)))
        return first

    def row(self, entries: Iterable[tuple[int, object]], *, low: object = None, high: object = None) -> None:
        """A row: `low` <= the sum of columns, each times its value, <= `high`."""
        listed = list(entries)
        least = -highspy.kHighsInf if low is None else low
        most = highspy.kHighsInf if high is None else high
        if self._solver is not None:
            index = np.array([column for column, _ in listed], dtype=np.int32)
            self._solver.addRow(
                least, most, len(listed), index, np.array([value for _, value in listed], dtype=np.float64)
            )
            return
        self._starts.append(len(self._index))
        self._index += [column for column, _ in listed]
        self._value += [value for _, value in listed]
        self._low.append(least)
        self._high.append(most)

    def solve(self, *, in_part: bool = False) -> Optimum | None:
        """The best values; None where no values keep to the rows. `in_part`: no column need be whole."""
        if self._solver is None:
            self._solver = self._made()
        if in_part is self._is_whole:
            self._set_whole(not in_part)
        # From the solution before, a few steps of the simplex method are sooner done than anything else.
        self._solver.setOptionValue("presolve", "off" if in_part else "on")
        self._solver.run()
        if self._solver.getModelStatus() not in ENDED_WELL:
            return None
        told = self._solver.getInfo()
        values = np.array(self._solver.getSolution().col_value)
        return Optimum(values, Fraction(told.objective_function_value if in_part else told.mip_dual_bound))

    def _set_whole(self, whole: bool) -> None:
        kind = highspy.HighsVarType.kInteger if whole else highspy.HighsVarType.kContinuous
        columns = self.whole.astype(np.int32)
        self._solver.changeColsIntegrality(len(columns), columns, np.full(len(columns), kind))
        self._is_whole = whole

    def between(self, column: int, low: int, high: int) -> None:
        """From now on a column is from `low` to `high`."""
        self._solver.changeColBounds(column, low, high)

    @cached_property
    def whole(self) -> Numbers:
        """The numbers of the columns that are to be whole; asked for when all columns are there."""
        return np.nonzero(_joined(self._whole))[0]

    def _made(self) -> Any:
        solver: Any = highspy.Highs()  # type: ignore[no-untyped-call]
        solver.silent()
        for name, value in (("threads", "1"), *SEARCH, *((name, TOLERANCE) for name in OPTIONS)):
            solver.setOptionValue(name, value)
        lp = highspy.HighsLp()
        lp.num_col_, lp.num_row_ = self._count, len(self._low)
        lp.sense_ = highspy.ObjSense.kMaximize
        lp.col_cost_, lp.col_upper_ = _joined(self._worth), _joined(self._most)
        lp.col_lower_ = np.zeros(self._count)
        lp.row_lower_, lp.row_upper_ = (
            np.array(self._low, dtype=np.float64),
            np.array(self._high, dtype=np.float64),
        )
        lp.a_matrix_.format_ = highspy.MatrixFormat.kRowwise
        lp.a_matrix_.start_ = np.array([*self._starts, len(self._index)], dtype=np.int32)
        lp.a_matrix_.index_ = np.array(self._index, dtype=np.int32)
        lp.a_matrix_.value_ = np.array(self._value, dtype=np.float64)
        solver.passModel(lp)
        return solver


def _joined(parts: Sequence[Numbers]) -> Numbers:
    return np.concatenate(parts) if parts else np.zeros(0)
