"""Holds a cache to making each value once, however many threads ask for it."""

from collections.abc import Callable
from concurrent.futures import Future, ThreadPoolExecutor
from functools import partial
from threading import Event

import pytest

from monedero.work.prices.kept import Kept


class Made:
    """Makes a value when it is let go, and counts how often it was asked to."""

    def __init__(self, give: Callable[[], str]) -> None:
        self.times, self.started, self.let_go, self._give = 0, Event(), Event(), give

    def __call__(self) -> str:
        self.times += 1
        self.started.set()
        self.let_go.wait(10)
        return self._give()


def asked_by_four(kept: Kept[str], made: Made) -> list[Future[str]]:
    """Four threads ask for the same value; all but one do so while it is being made."""
    with ThreadPoolExecutor(4) as threads:
        first = threads.submit(kept.get, "month", made)
        assert made.started.wait(10)
        others = [threads.submit(kept.get, "month", made) for _ in range(3)]
        made.let_go.set()
    return [first, *others]


def test_a_value_that_four_threads_ask_for_is_made_once() -> None:
    kept, made = Kept[str](), Made(lambda: "figures")
    assert {future.result() for future in asked_by_four(kept, made)} == {"figures"}
    assert made.times == 1


def test_an_error_reaches_its_own_maker_and_the_value_can_be_asked_for_again() -> None:
    def fail() -> str:
        raise ValueError("no rate")

    kept, made = Kept[str](), Made(fail)
    for future in asked_by_four(kept, made):
        with pytest.raises(ValueError, match="no rate"):
            future.result()
    assert kept.get("month", lambda: "figures") == "figures"


def test_a_full_cache_begins_anew() -> None:
    kept = Kept[int](2)
    assert [kept.get(key, partial(int, key)) for key in (1, 2, 3)] == [1, 2, 3]
    assert kept.get(1, lambda: 9) == 9
    assert kept.get(3, lambda: 9) == 3
