"""The cases of a rehearsal: every way to pay with every outcome that its method can have, in every form of order.

A case of a limit is one side of one end of it: the last amount that is let in, or the first that is not.

Source: own design.

>>> from monedero.core.method import Method
>>> cash = Method(id="cash", name="Cash", family="cash", buyer="Pays.", recurring=False, own=True)
>>> [outcome.value for outcome in outcomes_of(cash, Terms(take=Take.NOW, lapses=True))]
['seen', 'unpaid', 'given-back']
>>> Case("card", Outcome.PAID, Form.ONCE).id
'card paid once'
>>> Case("card", Outcome.OFFERED, Form.LIMIT, LimitSide("EUR", "up_to")).id
'card offered limit EUR up_to'
"""

from collections.abc import Iterator
from enum import StrEnum
from typing import Literal, NamedTuple

from monedero.core.checkout.model import Tender
from monedero.core.method import Certain, Family, Method
from monedero.core.money import Money
from monedero.core.payment.payment import Take


class Outcome(StrEnum):
    """The ways in which a payment can end, as rehearsed; the first ones through a provider, then by arrangement."""

    PAID = "paid"
    PAID_AND_GONE = "paid-and-gone"
    TOLD_TWICE = "told-twice"
    NEVER_TOLD = "never-told"
    PAID_LATER = "paid-later"
    FAILS_LATER = "fails-later"
    DECLINED = "declined"
    NOT_CONFIRMED = "not-confirmed"
    ABANDONED = "abandoned"
    EXPIRED = "expired"
    NOT_TAKEN = "not-taken"
    REFUNDED = "refunded"
    PART_REFUNDED = "part-refunded"
    DISPUTE_LOST = "dispute-lost"
    TAKEN_BACK = "taken-back"
    SEEN = "seen"
    UNPAID = "unpaid"
    GIVEN_BACK = "given-back"
    OFFERED = "offered"
    HELD_BACK = "held-back"


class Form(StrEnum):
    """The forms in which an order comes."""

    ONCE = "once"
    REPEATING = "repeating"
    CHOSEN_AMOUNT = "chosen-amount"
    DEPOSIT = "deposit"
    WEIGHED = "weighed"
    VOUCHER = "voucher"
    LIMIT = "limit"


class LimitSide(NamedTuple):
    """One end of a limit in a currency."""

    currency: str
    end: Literal["from", "up_to", "below"]


class Case(NamedTuple):
    """One case: a tender by its id, how its payment ends, and in which form the order comes."""

    tender: str
    outcome: Outcome
    form: Form
    limit: LimitSide | None = None

    @property
    def id(self) -> str:
        """The text by which it is known."""
        parts = (self.tender, self.outcome.value, self.form.value, *(self.limit or ()))
        return " ".join(parts)


class Terms(NamedTuple):
    """The terms of a tender that decide how it can end: when money is taken, whether an unpaid order is given up."""

    take: Take
    lapses: bool


DISPUTED = (Family.CARD, Family.DEVICE_WALLET, Family.ACCOUNT_WALLET, Family.PAY_LATER)
"""Families whose buyers can dispute a payment (common practice, no source)."""


def outcomes_of(method: Method, terms: Terms) -> Iterator[Outcome]:
    """The outcomes that a method can have."""
    if method.own:
        yield Outcome.SEEN
        if terms.lapses:
            yield Outcome.UNPAID
        yield Outcome.GIVEN_BACK
        return
    if method.certain is Certain.LATER:
        yield from (Outcome.PAID_LATER, Outcome.FAILS_LATER)
    else:
        yield from (Outcome.PAID, Outcome.PAID_AND_GONE, Outcome.TOLD_TWICE, Outcome.NEVER_TOLD)
        yield Outcome.NOT_CONFIRMED
    yield from (Outcome.DECLINED, Outcome.ABANDONED, Outcome.EXPIRED)
    if takes_later(method, terms.take):
        yield Outcome.NOT_TAKEN
    yield from (Outcome.REFUNDED, Outcome.PART_REFUNDED)
    if method.family in DISPUTED:
        yield Outcome.DISPUTE_LOST
    if method.family is Family.BANK_DEBIT and method.reversible_days is not None:
        yield Outcome.TAKEN_BACK


def takes_later(method: Method, take: Take) -> bool:
    """True if a payment is authorised first, and taken when the shop says so."""
    return take is not Take.NOW and method.authorisation_days is not None


def limits_of(tender: Tender) -> Iterator[LimitSide]:
    """The ends of the limits of a tender."""
    for window in tender.windows:
        if window.from_ is not None:
            yield LimitSide(window.currency, "from")
        if window.up_to is not None:
            yield LimitSide(window.currency, "up_to")
        if window.below is not None:
            yield LimitSide(window.currency, "below")


def end_of(tender: Tender, limit: LimitSide) -> Money | None:
    """The amount of one end of a limit of a tender; None where it has none there any more.

    >>> tender = Tender(id="card", method="card", on=True, name="Card", windows=[{"up_to": "90.00 EUR"}])
    >>> str(end_of(tender, LimitSide("EUR", "up_to"))), end_of(tender, LimitSide("GBP", "from"))
    ('90.00 EUR', None)
    """
    window = next((window for window in tender.windows if window.currency == limit.currency), None)
    return {"from": window.from_, "up_to": window.up_to, "below": window.below}[limit.end] if window else None
