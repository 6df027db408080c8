"""Rankings of methods: each kind of buyer with the methods that it takes, families written out.

A family stands for those of its methods that the ranking does not name, in the sequence in which methods are given:
that of the catalogue, then the shop's own by id.

Source: own design, format `monedero/buyers/1`.

>>> methods = {"card": Family.CARD, "card-at-terminal": Family.CARD, "cash-on-the-day": Family.CASH}
>>> written_out(["card", "cash", "card-at-terminal"], methods)
('card', 'cash-on-the-day', 'card-at-terminal')
>>> kind = {"country": "DE", "share": "100", "ways": ["card"]}
>>> known = rankings(Buyers(format="monedero/buyers/1", kinds=[kind]), methods)
>>> known.of("DE")
(Ranking(share=Fraction(1, 1), methods=('card', 'card-at-terminal')),)
>>> known.of("ES")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: buyers-missing kinds='ES'
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from typing import NamedTuple

from monedero.core.buyers.model import Buyers, entry_of
from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.method import Family


class Ranking(NamedTuple):
    """A share of a country's buyers (of one), and the methods that they take, the first before all others."""

    share: Fraction
    methods: tuple[str, ...]


@dataclass(frozen=True)
class Rankings:
    """The rankings of the buyers of each country; those of None are of every country that is not named."""

    by_country: Mapping[str | None, tuple[Ranking, ...]]

    def of(self, country: str) -> tuple[Ranking, ...]:
        """The rankings of a country's buyers; refuses a country that has none."""
        found = self.by_country.get(country) or self.by_country.get(None)
        if not found:
            raise refuse(FaultCode.BUYERS_MISSING, "kinds", country)
        return found


def written_out(ways: Sequence[str], methods: Mapping[str, Family]) -> tuple[str, ...]:
    """The methods of a ranking, one after the other."""
    entries = [entry_of(text) for text in ways]
    named = {entry.method for entry in entries}
    ranked: list[str] = []
    for family, method in entries:
        if method is not None:
            ranked.append(method)
        else:
            ranked += [id for id, other in methods.items() if other is family and id not in named]
    return tuple(ranked)


def rankings(buyers: Buyers, methods: Mapping[str, Family]) -> Rankings:
    """The rankings of all countries. `methods` are the known ones, in sequence; refuses one that is not among them."""
    found: dict[str | None, tuple[Ranking, ...]] = {}
    for number, kind in enumerate(buyers.kinds):
        for text in kind.ways:
            method = entry_of(text).method
            if method is not None and method not in methods:
                raise InvalidInput(Fault(FaultCode.WAY_UNKNOWN, f"kinds.{number}.ways", text))
        ranking = Ranking(Fraction(kind.share) / 100, written_out(kind.ways, methods))
        found[kind.country] = (*found.get(kind.country, ()), ranking)
    return Rankings(found)
