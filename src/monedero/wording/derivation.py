"""How a fee came about: every part with its formula and its figures, down to the rate that gave it.

Source: own design.
"""

from collections.abc import Iterable, Mapping
from datetime import date
from decimal import Decimal
from fractions import Fraction
from typing import NamedTuple

from monedero.core.fx import RateOrigin, ReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_units, split
from monedero.core.ratecard.model import Extra, Rate, RateCard
from monedero.core.ratecard.passed_on import PassedOnRate, in_card
from monedero.core.ratecard.priced import Part, Priced
from monedero.wording.catalogue import say
from monedero.wording.conditions import when_text
from monedero.wording.show import day, exact, money

# A reference rate of one of these stands behind a step; one to one needs no word.
TOLD = frozenset({RateOrigin.PUBLISHED, RateOrigin.LAST_OF_TABLE, RateOrigin.TYPED})


class ShownPart(NamedTuple):
    """One part of a fee: what it is, its formula, its exact figure, and its share of the rounded fee."""

    kind: str
    label: str
    formula: str
    exact: str
    amount: str
    conditions: str


class Derivation(NamedTuple):
    """A fee taken apart, and the sentences that lead from the order to what is charged."""

    parts: list[ShownPart]
    rate: str
    conditions: str
    steps: list[str]


def derive(
    priced: Priced, card: RateCard, order: tuple[Money, date], books: str, rates: ReferenceRates
) -> Derivation:
    """The derivation of a fee for an order (its amount and day), down to the shop currency (`books`)."""
    amount, placed_on = order
    priced_by: list[Rate | Extra] = [*card.extras, *card.rates]
    entries = {entry.id: entry for entry in priced_by}
    settled = rates.find(amount.currency, priced.currency, placed_on)
    base = money(str(amount))
    if amount.currency != priced.currency:
        base = f"{exact(amount.exact * settled.value)} {priced.currency}"
    over = priced.denominator * minor_units(priced.currency)
    taken_apart = list(_taken_apart(priced, entries, amount.exact * settled.value * over))
    shares = split([numerator / priced.denominator for _, numerator in taken_apart], priced.charged.minor)
    parts = [
        ShownPart(
            kind=part.kind,
            label=_label(part, entries[part.entry]),
            formula=_formula(part, entries[part.entry], base),
            exact=f"{exact(numerator / over)} {priced.currency}",
            amount=str(Money(share, priced.currency)),
            conditions=_conditions(entries[part.entry]),
        )
        for (part, numerator), share in zip(taken_apart, shares, strict=True)
    ]
    named = {"rate": in_card(priced.rate), "provider": card.provider.name}
    since = {"day": day(card.valid_from.isoformat())} if card.valid_from else {}
    in_books = rates.find(priced.currency, books, placed_on)
    return Derivation(
        parts=parts,
        rate=say("fee-rate-since" if since else "fee-rate", **named, **since),
        conditions=_conditions(entries[priced.rate]),
        steps=list(_steps(priced, amount, settled, in_books)),
    )


def _conditions(entry: Rate | Extra) -> str:
    """The conditions of an entry as they stand on the card."""
    return when_text(entry.of.when if isinstance(entry, PassedOnRate) else entry.when)


def _taken_apart(
    priced: Priced, entries: Mapping[str, Rate | Extra], amount: Fraction
) -> Iterable[tuple[Part, Fraction]]:
    """The parts of a fee that are not nothing; what a rate adds of the card networks' costs stands apart."""
    for part in priced.parts:
        left, entry = Fraction(part.numerator), entries[part.entry]
        if part.kind == "percentage" and isinstance(entry, PassedOnRate):
            for kind, percent in entry.passed_on._asdict().items():
                added = amount * Fraction(percent) / 100
                left -= added
                if added:
                    yield part._replace(kind=kind), added
        if left:
            yield part, left


def _label(part: Part, entry: Rate | Extra) -> str:
    return say(f"part-{part.kind}", name=entry.label if isinstance(entry, Extra) else say("part-rate"))


def _formula(part: Part, entry: Rate | Extra, base: str) -> str:
    if isinstance(entry, PassedOnRate) and part.kind in entry.passed_on._fields:
        added: Decimal = getattr(entry.passed_on, part.kind)
        return say("fee-percentage", percent=str(added), base=base)
    own = entry.of if isinstance(entry, PassedOnRate) else entry
    if part.kind == "fixed":
        return say("fee-fixed", amount=money(str(own.fixed)))
    if part.kind == "percentage":
        return _percentage(own, base)
    return _limit(part, own) if isinstance(own, Rate) else ""


def _percentage(entry: Rate | Extra, base: str) -> str:
    if entry.percent is None:
        return say("fee-band", base=base)
    return say("fee-percentage", percent=str(entry.percent), base=base)


def _limit(part: Part, rate: Rate) -> str:
    if part.numerator > 0:
        return say("fee-minimum", amount=money(str(rate.minimum)))
    return say("fee-maximum", amount=money(str(rate.maximum)))


def _steps(priced: Priced, amount: Money, settled: ReferenceRate, in_books: ReferenceRate) -> Iterable[str]:
    if settled.origin in TOLD:
        converted = f"{exact(amount.exact * settled.value)} {priced.currency}"
        yield say("step-settled", amount=money(str(amount)), converted=converted, rate=_rate(settled))
    summed = f"{exact(priced.exact)} {priced.currency}"
    yield say("step-charged", exact=summed, charged=money(str(priced.charged)))
    if in_books.origin in TOLD:
        compared = f"{exact(priced.exact * in_books.value)} {in_books.quote}"
        yield say("step-books", converted=compared, rate=_rate(in_books))


def _rate(rate: ReferenceRate) -> str:
    note = say(f"rate-{rate.origin.value}", day=day(rate.day.isoformat()))
    return say("reference-rate", base=rate.base, value=exact(rate.value), quote=rate.quote, note=note)
