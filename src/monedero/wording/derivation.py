"""How a fee came about: every part with its formula and its figures, down to the rate that gave it.

Source: own design.
"""

from collections.abc import Iterable
from datetime import date
from fractions import Fraction
from typing import NamedTuple

from monedero.core.fx import RateOrigin, ReferenceRate, ReferenceRates
from monedero.core.money import Money, minor_units
from monedero.core.ratecard.model import Extra, Rate, RateCard
from monedero.core.ratecard.priced import Part, Priced
from monedero.wording.conditions import when_text
from monedero.wording.show import day, exact, money

ORIGIN_NOTES = {
    RateOrigin.PUBLISHED: "European Central Bank, {day}",
    RateOrigin.LAST_OF_TABLE: "European Central Bank, {day}, the last day of the table",
    RateOrigin.TYPED: "typed by you",
}


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
    parts = [
        ShownPart(
            kind=part.kind,
            label=_label(part, entries[part.entry]),
            formula=_formula(part, entries[part.entry], base),
            exact=f"{exact(Fraction(part.numerator, over))} {priced.currency}",
            amount=str(share),
            conditions=when_text(entries[part.entry].when),
        )
        for part, share in priced.shown
    ]
    since = f", holds from {day(card.valid_from.isoformat())}" if card.valid_from else ""
    in_books = rates.find(priced.currency, books, placed_on)
    return Derivation(
        parts=parts,
        rate=f"Rate {priced.rate} on {card.provider.name}'s card{since}",
        conditions=when_text(entries[priced.rate].when),
        steps=list(_steps(priced, amount, settled, in_books)),
    )


def _label(part: Part, entry: Rate | Extra) -> str:
    name = entry.label if isinstance(entry, Extra) else "Rate"
    return f"{name}, {'limit' if part.kind == 'adjustment' else part.kind}"


def _formula(part: Part, entry: Rate | Extra, base: str) -> str:
    if part.kind == "fixed":
        return f"{money(str(entry.fixed))} an order"
    if part.kind == "percentage":
        percent = "the month's band" if entry.percent is None else f"{entry.percent} %"
        return f"{percent} of {base}"
    if isinstance(entry, Rate) and part.numerator > 0:
        return f"lifted to the minimum of {money(str(entry.minimum))}"
    return f"held at the maximum of {money(str(entry.maximum))}" if isinstance(entry, Rate) else ""


def _steps(priced: Priced, amount: Money, settled: ReferenceRate, in_books: ReferenceRate) -> Iterable[str]:
    if settled.origin in ORIGIN_NOTES:
        converted = exact(amount.exact * settled.value)
        yield f"{money(str(amount))} is {converted} {priced.currency} at {_rate(settled)}."
    yield f"The parts come to {exact(priced.exact)} {priced.currency}, charged as {money(str(priced.charged))}."
    if in_books.origin in ORIGIN_NOTES:
        compared = exact(priced.exact * in_books.value)
        yield f"In your books that is {compared} {in_books.quote} at {_rate(in_books)}."


def _rate(rate: ReferenceRate) -> str:
    note = ORIGIN_NOTES[rate.origin].format(day=day(rate.day.isoformat()))
    return f"1 {rate.base} = {exact(rate.value)} {rate.quote} ({note})"
