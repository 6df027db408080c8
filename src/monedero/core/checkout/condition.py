"""Tells what a shop asks of an order before it offers a tender: conditions, each about one fact, and named sets of
them.

A list says for which values only, or for which not; a condition on yes or no says which; one on the day says from when
(inclusive) and below which day (exclusive). Several conditions about one fact must all hold.

Source: own design, format `monedero/checkout/1`.

>>> Condition(fact="country", only=["PT", "ES"]).values
['PT', 'ES']
>>> Condition(fact="day", only=["monday"])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Condition
  condition-keys [type=condition-keys, input_value={'fact': 'day', 'only': ['monday']}, input_type=dict]
"""

from collections.abc import Callable, Mapping
from typing import Any, Literal, Self, get_args

from pydantic import Field, StrictBool, model_validator

from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.fields import AnyOf, Day, Identifier, Name, Strict, broken, country, currency, identifier, once
from monedero.core.order.facts import one_of
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Device

FactOfCondition = Literal[
    "currency",
    "country",
    "area",
    "kind",
    "line",
    "recurring",
    "delivery",
    "customer_group",
    "device",
    "signed_in",
    "day",
]

SEQUENCE: tuple[FactOfCondition, ...] = get_args(FactOfCondition)
"""The facts that conditions are about, in the sequence in which their reasons are given."""

READERS: Mapping[str, Callable[[str], Any]] = {
    "currency": currency,
    "country": country,
    "area": identifier,
    "kind": one_of(LineKind),
    "line": identifier,
    "delivery": identifier,
    "customer_group": identifier,
    "device": one_of(Device),
}
"""How a value in the list of a condition is read, by the fact that it is about."""


class Condition(Strict):
    """One condition about one fact: `only` or `not` a list of values, `is` for yes or no, `from` and `below` a day."""

    fact: FactOfCondition
    only: AnyOf[str] | None = None
    not_: AnyOf[str] | None = Field(default=None, alias="not")
    is_: StrictBool | None = Field(default=None, alias="is")
    from_: Day | None = Field(default=None, alias="from")
    below: Day | None = None

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        given = {key for key in ("only", "not_", "is_", "from_", "below") if getattr(self, key) is not None}
        allowed: tuple[set[str], ...] = ({"only"}, {"not_"})
        if self.fact in ("recurring", "signed_in"):
            allowed = ({"is_"},)
        elif self.fact == "day":
            allowed = ({"from_"}, {"below"}, {"from_", "below"})
        if given not in allowed:
            expected = " or ".join(sorted({key.rstrip("_") for keys in allowed for key in keys}))
            raise broken(FaultCode.CONDITION_KEYS, fact=self.fact, expected=expected)
        if self.from_ and self.below and self.from_ >= self.below:
            raise broken(FaultCode.LIMITS_CROSSED, low=self.from_, high=self.below)
        once(self.values, "value")
        for value in self.values:
            try:
                READERS[self.fact](value)
            except InvalidInput as refused:
                raise broken(refused.faults[0].code, **{"value": value, **refused.faults[0].fields}) from None
        return self

    @property
    def values(self) -> list[str]:
        """The values of its list; none where it has no list."""
        return list(self.only or self.not_ or [])


class SharedConditions(Strict):
    """A set of conditions under a name, which several tenders use: all of them must hold."""

    id: Identifier
    name: Name
    conditions: AnyOf[Condition]
