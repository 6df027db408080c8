"""Lines in words: one by its name, several that stand as one, and two in one cart."""

from datetime import date
from typing import Any

import pytest

from monedero.core.checkout.coverage.space import Space
from monedero.core.shop import Line
from monedero.wording.coverage import together

KINDS: dict[str, list[str]] = {
    "course": ["Course"],
    "download": ["Chart and lamp", "Map"],
    "goods": ["Print 1", "Print 2", "Print 3", "Print 4", "Print 5"],
}


def line(name: str, kind: str) -> Line:
    raw: dict[str, Any] = {"id": name.lower().replace(" ", "-"), "name": name, "kind": kind, "recurring": False}
    return Line.model_validate({**raw, "usual_amount": "9 EUR"})


@pytest.mark.parametrize(
    ("classes", "said"),
    [
        ((0,), "Course"),
        ((1,), "“Chart and lamp” or Map"),
        ((2,), "Print 1, Print 2, Print 3 and 2 more"),
        ((1, 1), "“Chart and lamp” and Map"),
        ((2, 2), "two of Print 1, Print 2, Print 3 and 2 more"),
        ((0, 1), "Course together with “Chart and lamp” or Map"),
    ],
)
def test_a_row_names_the_lines_that_it_stands_for(classes: tuple[int, ...], said: str) -> None:
    lines = [line(name, kind) for kind, names in KINDS.items() for name in names]
    space = Space.of([], lines, [], [], [], date(2026, 11, 27)).merged(lambda _: 0)
    assert together(space, classes, {f"line/{each.id}": each.name for each in lines}) == said


def test_one_line_by_itself_is_called_as_it_is() -> None:
    lamp = line("Chart and lamp", "goods")
    space = Space.of([], [lamp], [], [], [], date(2026, 11, 27))
    assert together(space, (0,), {f"line/{lamp.id}": lamp.name}) == "Chart and lamp"
