"""Tells what is not a price about a way to be paid, in words, each with a value to sort by.

Source: own design; the words for a card-data duty are given.

>>> terms_text(Terms(shortest_term_months=24, notice_days=30), terminal=False)
"24 months at the least; 30 days' notice"
"""

from collections.abc import Iterable
from datetime import date, timedelta
from fractions import Fraction
from typing import NamedTuple

from monedero.core.account import Account, Stage
from monedero.core.application import PAPERS
from monedero.core.calendar import TARGET, add_business_days
from monedero.core.cost.arrival import taken_on
from monedero.core.method import Certain, Method
from monedero.core.money import Money
from monedero.core.provider import CardData, ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.terms import InstantPayout, Terms
from monedero.wording.catalogue import has, say
from monedero.wording.show import day, exact, money

FAR = "9999-12-31"


class ToldFact(NamedTuple):
    """One fact: its key, its text, and what to sort by."""

    key: str
    text: str
    sort: str


class ToldFrom(NamedTuple):
    """Holds what facts are told from: the method, the provider with its card, the account, the day of the order."""

    method: Method
    card: RateCard | None
    facts: ProviderFacts | None
    account: Account | None
    placed_on: date
    arrives_on: date | None
    reach: Fraction | None
    card_duty: str
    terminal: bool = False


def facts(known: ToldFrom) -> list[ToldFact]:
    """Every fact, in a fixed sequence."""
    method = known.method
    recurring = say("recurring-yes" if method.recurring else "recurring-no")
    return [
        _arrives(known),
        _certain(method, known.placed_on),
        _reversible(method, known.placed_on),
        ToldFact("refunds", say(f"refunds-{method.refunds.value}"), method.refunds.value),
        _reach(known.reach),
        ToldFact("recurring", recurring, str(int(not method.recurring))),
        ToldFact("buyer", _buyer(method), method.buyer),
        _card_data(known),
        _effort(known),
        ToldFact("terms", _terms(known), ""),
    ]


def _terms(known: ToldFrom) -> str:
    if known.card is None:
        return say("terms-none")
    return terms_text(known.card.terms, known.terminal) or say("terms-not-told")


def _arrives(known: ToldFrom) -> ToldFact:
    if known.arrives_on is None:
        return ToldFact("arrives", say("unknown"), FAR)
    notes = []
    terms = known.card.terms if known.card else None
    new = known.account is None or known.account.stage is Stage.NOT_BEGUN
    if terms and terms.first_payout_days and new:
        notes.append(say("first-payout", count=terms.first_payout_days))
    if terms and terms.reserve:
        notes.append(say("kept-in-reserve", percent=str(terms.reserve.percent), days=terms.reserve.days))
    text = day(known.arrives_on.isoformat())
    return ToldFact("arrives", "; ".join([text, *notes]), known.arrives_on.isoformat())


def _certain(method: Method, placed_on: date) -> ToldFact:
    if method.certain is Certain.AT_ONCE:
        return ToldFact("certain", say("certain-at-once"), placed_on.isoformat())
    if method.certain is Certain.WHEN_SEEN:
        return ToldFact("certain", say("certain-when-seen"), FAR)
    sure = add_business_days(placed_on, method.certain_days, TARGET).isoformat()
    return ToldFact("certain", day(sure), sure)


def _reversible(method: Method, placed_on: date) -> ToldFact:
    if method.reversible_days is None:
        return ToldFact("reversible", say("never"), placed_on.isoformat())
    until = (taken_on(placed_on, method) + timedelta(days=method.reversible_days)).isoformat()
    text = say("reversible", day=day(until), how=method.reversal) if method.reversal else day(until)
    return ToldFact("reversible", text, until)


def _reach(reach: Fraction | None) -> ToldFact:
    if reach is None:
        return ToldFact("reach", say("reach-unknown"), "0")
    return ToldFact("reach", say("reach", percent=exact(reach * 100, 1)), exact(reach * 100, 2))


def _buyer(method: Method) -> str:
    more = []
    if method.buyer_account:
        more.append(say("buyer-account"))
    if method.leaves_page:
        more.append(say("buyer-leaves"))
    if method.mandate:
        more.append(say("buyer-mandate"))
    if method.notice_days:
        more.append(say("buyer-notice", count=method.notice_days))
    if method.saves_details:
        more.append(say("buyer-saves"))
    return " ".join([method.buyer, *more])


def _card_data(known: ToldFrom) -> ToldFact:
    if not known.method.takes_card:
        return ToldFact("card_data", say("no-card-data"), "0")
    if known.facts is None:
        return ToldFact("card_data", say("unknown"), "9")
    return ToldFact("card_data", known.card_duty, str(list(CardData).index(known.facts.card_data) + 1))


def _effort(known: ToldFrom) -> ToldFact:
    if known.card is None:
        return ToldFact("effort", say("effort-none"), "0")
    stage = known.account.stage if known.account else Stage.NOT_BEGUN
    if has(message := f"effort-{stage.value}"):
        return ToldFact("effort", say(message), "0" if stage is Stage.CONNECTED else "1")
    if known.facts is None:
        return ToldFact("effort", say("effort-unknown"), "900")
    papers, days = sum(ask in PAPERS for ask in known.facts.asks), known.facts.review_days
    text = say("effort-apply", papers=papers, count=days, contract=known.facts.contract.value)
    return ToldFact("effort", text, str(2 + days))


def terms_text(terms: Terms | None, terminal: bool) -> str:
    """The terms of a contract, in a line."""
    told = list(_each_term(terms, terminal)) if terms else []
    return "; ".join([*told, say("terms-terminal-held")] if terminal else told)


def _each_term(terms: Terms, terminal: bool) -> Iterable[str]:
    if terms.set_up:
        yield say("terms-set-up", amount=money(str(terms.set_up)))
    if terms.terminal_rent and not terminal:
        yield say("terms-terminal", amount=money(str(terms.terminal_rent)))
    if terms.yearly_fee:
        yield say("terms-yearly", **yearly(terms.yearly_fee))
    if terms.instant_payout:
        yield say("terms-instant", price=instant_text(terms.instant_payout))
    if terms.shortest_term_months:
        yield say("terms-shortest", count=terms.shortest_term_months)
    if terms.notice_days:
        yield say("terms-notice", count=terms.notice_days)
    if terms.exit_fee:
        yield say("terms-exit", amount=money(str(terms.exit_fee)))
    if terms.reserve:
        yield say("terms-reserve", percent=str(terms.reserve.percent), days=terms.reserve.days)
    if terms.first_payout_days:
        yield say("terms-first-payout", count=terms.first_payout_days)
    if terms.monthly_cap:
        yield say("terms-cap", amount=money(str(terms.monthly_cap)))


def yearly(amount: Money) -> dict[str, str]:
    """A charge of a year, and the twelfth of it that falls on a month."""
    month = Money.rounded(amount.exact / 12, amount.currency)
    return {"amount": money(str(amount)), "month": money(str(month))}


def instant_text(price: InstantPayout) -> str:
    """The price of a payout at once."""
    parts = [f"{price.percent:f} %" if price.percent else "", money(str(price.fixed)) if price.fixed else ""]
    text = " + ".join(part for part in parts if part) or say("price-nothing")
    return f"{text}, {say('price-at-least', amount=money(str(price.minimum)))}" if price.minimum else text
