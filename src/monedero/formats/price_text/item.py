"""A sign or a figure of a line, and whether it was understood.

Source: own design.

>>> Item("figures", "percent", "1.5 %", Decimal("1.5")).number
Decimal('1.5')
"""

from dataclasses import dataclass
from decimal import Decimal
from typing import cast

from monedero.core.money import Money


@dataclass(slots=True)
class Item:
    """A sign, a figure, or a plus or a dash; `apart` when a comma or a bracket stands before it."""

    group: str
    name: str
    said: str
    value: Decimal | Money | None = None
    taken: bool = False
    apart: bool = False

    @property
    def money(self) -> Money:
        """The amount of a figure that is one."""
        return cast("Money", self.value)

    @property
    def number(self) -> Decimal:
        """The percentage or the number of a figure that is one."""
        return cast("Decimal", self.value)
