"""What is not a price about a way to be paid, in words, each with a value to sort by.

Source: own design; the words for a card-data duty are given.

>>> months_text(24)
'24 months at the least'
"""

from collections.abc import Iterable
from datetime import date, timedelta
from fractions import Fraction
from typing import NamedTuple

from monedero.core.account import Account, Stage
from monedero.core.application import PAPERS
from monedero.core.calendar import TARGET, add_business_days
from monedero.core.cost.arrival import taken_on
from monedero.core.method import Certain, Method, Refunds
from monedero.core.provider import CardData, Contract, ProviderFacts
from monedero.core.ratecard.model import RateCard, Terms
from monedero.wording.show import day, exact, money

REFUNDS = {Refunds.TO_METHOD: "back the same way", Refunds.BY_HAND: "by hand, with a transfer or cash of your own"}
STAGES = {
    Stage.BEGUN: "application begun",
    Stage.IN_REVIEW: "in review",
    Stage.QUESTION: "asked something of you",
    Stage.APPROVED: "approved, to be connected",
    Stage.REFUSED: "was refused",
    Stage.CONNECTED: "account held",
}
FAR = "9999-12-31"


class Fact(NamedTuple):
    """One fact: its key, its text, and what to sort by."""

    key: str
    text: str
    sort: str


class Known(NamedTuple):
    """What facts are told from: the method, the provider with its card, the account, the day of the order."""

    method: Method
    card: RateCard | None
    facts: ProviderFacts | None
    account: Account | None
    placed_on: date
    arrives_on: date | None
    reach: Fraction | None
    card_duty: str
    terminal: bool = False


def facts(known: Known) -> list[Fact]:
    """Every fact, in a fixed sequence."""
    method = known.method
    return [
        _arrives(known),
        _certain(method, known.placed_on),
        _reversible(method, known.placed_on),
        Fact("refunds", REFUNDS[method.refunds], method.refunds.value),
        _reach(known.reach),
        Fact("recurring", "yes" if method.recurring else "no, once only", str(int(not method.recurring))),
        Fact("buyer", _buyer(method), method.buyer),
        _card_data(known),
        _effort(known),
        Fact("terms", (terms_text(known.card.terms, known.terminal) or "none told") if known.card else "none", ""),
    ]


def _arrives(known: Known) -> Fact:
    if known.arrives_on is None:
        return Fact("arrives", "unknown", FAR)
    notes = []
    terms = known.card.terms if known.card else None
    new = known.account is None or known.account.stage is Stage.NOT_BEGUN
    if terms and terms.first_payout_days and new:
        notes.append(f"a new account's first payout is {terms.first_payout_days} days after its start")
    if terms and terms.reserve:
        notes.append(f"{terms.reserve.percent} % kept for {terms.reserve.days} days more")
    text = day(known.arrives_on.isoformat())
    return Fact("arrives", "; ".join([text, *notes]), known.arrives_on.isoformat())


def _certain(method: Method, placed_on: date) -> Fact:
    if method.certain is Certain.AT_ONCE:
        return Fact("certain", "at once", placed_on.isoformat())
    if method.certain is Certain.WHEN_SEEN:
        return Fact("certain", "when you see it", FAR)
    sure = add_business_days(placed_on, method.certain_days, TARGET).isoformat()
    return Fact("certain", day(sure), sure)


def _reversible(method: Method, placed_on: date) -> Fact:
    if method.reversible_days is None:
        return Fact("reversible", "never", placed_on.isoformat())
    until = (taken_on(placed_on, method) + timedelta(days=method.reversible_days)).isoformat()
    how = f", {method.reversal}" if method.reversal else ""
    return Fact("reversible", f"{day(until)}{how}", until)


def _reach(reach: Fraction | None) -> Fact:
    if reach is None:
        return Fact("reach", "no market has a share", "0")
    text = f"{exact(reach * 100, 1)} % of your orders"
    return Fact("reach", text, f"{exact(reach * 100, 2)}")


def _buyer(method: Method) -> str:
    more = []
    if method.buyer_account:
        more.append("needs an account there")
    if method.leaves_page:
        more.append("leaves your page and comes back")
    if method.mandate:
        more.append("gives a mandate once")
    if method.notice_days:
        more.append(f"is told {method.notice_days} days before a collection")
    if method.saves_details:
        more.append("may save the details")
    return " ".join([method.buyer, *(f"{text[0].upper()}{text[1:]}." for text in more)])


def _card_data(known: Known) -> Fact:
    if not known.method.takes_card:
        return Fact("card_data", "no card data", "0")
    if known.facts is None:
        return Fact("card_data", "unknown", "9")
    return Fact("card_data", known.card_duty, str(list(CardData).index(known.facts.card_data) + 1))


def _effort(known: Known) -> Fact:
    if known.card is None:
        return Fact("effort", "nothing to apply for", "0")
    stage = known.account.stage if known.account else Stage.NOT_BEGUN
    if stage in STAGES:
        return Fact("effort", STAGES[stage], "0" if stage is Stage.CONNECTED else "1")
    if known.facts is None:
        return Fact("effort", "apply; what it asks is not known", "900")
    papers = sum(ask in PAPERS for ask in known.facts.asks)
    own = ", an acquiring contract of your own" if known.facts.contract is Contract.OWN_CONTRACT else ""
    text = f"apply: {_many(papers, 'paper')}, about {_many(known.facts.review_days, 'day')}{own}"
    return Fact("effort", text, str(2 + known.facts.review_days))


def _many(count: int, what: str) -> str:
    return f"{count} {what}" if count == 1 else f"{count} {what}s"


def months_text(months: int) -> str:
    """A shortest term."""
    return f"{months} months at the least"


def terms_text(terms: Terms | None, terminal: bool) -> str:
    """The terms of a contract, in a line."""
    told = list(_each_term(terms, terminal)) if terms else []
    return "; ".join([*told, "you hold its terminal"] if terminal else told)


def _each_term(terms: Terms, terminal: bool) -> Iterable[str]:
    if terms.set_up:
        yield f"set-up {money(str(terms.set_up))}"
    if terms.terminal_rent and not terminal:
        yield f"terminal {money(str(terms.terminal_rent))} a month"
    if terms.shortest_term_months:
        yield months_text(terms.shortest_term_months)
    if terms.notice_days:
        yield f"{terms.notice_days} days' notice"
    if terms.exit_fee:
        yield f"leaving costs {money(str(terms.exit_fee))}"
    if terms.reserve:
        yield f"{terms.reserve.percent} % reserve for {terms.reserve.days} days"
    if terms.first_payout_days:
        yield f"first payout after {terms.first_payout_days} days"
    if terms.monthly_cap:
        yield f"{money(str(terms.monthly_cap))} a month at the most for a new account"
