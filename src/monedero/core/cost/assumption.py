"""An assumption: a figure that nobody can know of this shop but its owner, with a default that says its origin.

It holds for the whole shop, for a family of methods, or for one method. What the owner typed goes before the
default of the method or family, and that before the default of all (`*`); with none it is unknown.

Source: own design; the figures lie in `monedero.figures`.

>>> text = {"*": "2", "bank-debit": "1"}
>>> rate = Assumption(id="refund-rate", name="Refunds", unit="percent", scope="family", defaults=text, source="x")
>>> read(rate, "1.5"), default_of(rate, "card"), default_of(rate, "bank-debit")
(Fraction(3, 200), '2', '1')
>>> read(rate, "150")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: percent-range refund-rate='150'
"""

import re
from collections.abc import Mapping
from datetime import date
from enum import StrEnum
from fractions import Fraction
from typing import Self

from pydantic import model_validator

from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import Description, Identifier, Name, Strict, once, share

ALL = "*"
PLAIN = re.compile(r"[0-9]{1,9}(\.[0-9]{1,6})?", re.ASCII)


class Unit(StrEnum):
    """Names what an assumption is counted in; money is in the shop's currency."""

    PERCENT = "percent"
    MONEY = "money"
    MINUTES = "minutes"
    YES_NO = "yes-no"


class Scope(StrEnum):
    """Names what one value of an assumption is about."""

    SHOP = "shop"
    FAMILY = "family"
    METHOD = "method"
    NETWORK = "network"


class Assumption(Strict):
    """One assumption with its defaults: by family or method, or `*` for all others."""

    id: Identifier
    name: Name
    unit: Unit
    scope: Scope
    defaults: dict[str, str]
    source: Description
    read_on: date | None = None


class ChosenValue(Strict):
    """Holds what the owner typed for an assumption; `about` is a family, a method, a card network, or `*` for all."""

    id: Identifier
    about: str
    value: str


class Assumptions(Strict):
    """All that the owner typed; everything else is at its default."""

    chosen: list[ChosenValue] = []

    @model_validator(mode="after")
    def _unique(self) -> Self:
        once((f"{entry.id} {entry.about}" for entry in self.chosen), "assumption")
        return self


def read(assumption: Assumption, text: str) -> Fraction:
    """A value as an exact number: a percentage as a share of one, money in whole units, yes as 1 and no as 0."""
    if assumption.unit is Unit.YES_NO:
        if text not in ("yes", "no"):
            raise refuse(FaultCode.NOT_ONE_OF, assumption.id, text, expected="yes or no")
        return Fraction(text == "yes")
    if assumption.unit is Unit.PERCENT:
        try:
            return Fraction(share(text)) / 100
        except InvalidInput as refused:
            raise InvalidInput(*(fault.at(assumption.id) for fault in refused.faults)) from None
    if not PLAIN.fullmatch(text):
        raise InvalidInput(Fault(FaultCode.AMOUNT_TEXT, assumption.id, text))
    return Fraction(text)


def default_of(assumption: Assumption, about: str) -> str | None:
    """The default for a family or a method, or the one for all, or None."""
    return assumption.defaults.get(about, assumption.defaults.get(ALL))


def value_of(assumption: Assumption, about: str, chosen: Mapping[tuple[str, str], str]) -> str | None:
    """The value that holds: what the owner typed, else the default; None is unknown.

    Of a card network it is else what was typed of all networks.
    """
    if assumption.scope is Scope.NETWORK and (assumption.id, about) not in chosen:
        about = ALL
    return chosen.get((assumption.id, about), default_of(assumption, about))
