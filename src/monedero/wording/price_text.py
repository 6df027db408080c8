"""Tells what the lines of a price list mean, each as a sentence, and why others were not read.

Source: own design.

>>> from monedero.formats.price_text.unread import Why
>>> unread_text(NotRead(Why.PERCENT_OVER, "101%"))
'101% is over 100 %.'
>>> payout_text("weekly:MON"), payout_text("daily")
('every Monday', 'every business day')
"""

from collections.abc import Callable, Mapping
from typing import Any, NamedTuple

from babel.dates import get_day_names

from monedero.core.money import Money
from monedero.core.ratecard.model import Extra, Rate, RateCard
from monedero.core.ratecard.terms import InstantPayout
from monedero.formats.price_text.model import (
    EventLine,
    ExtraLine,
    Heading,
    Meaning,
    MonthlyLine,
    NoPrice,
    PlanLine,
    ProviderLine,
    RateLine,
    ReadLine,
    SettlementLine,
    TaxLine,
    TermLine,
)
from monedero.formats.price_text.unread import NotRead
from monedero.wording.catalogue import language, say
from monedero.wording.conditions import when_text
from monedero.wording.facts import instant_text, yearly
from monedero.wording.places import country_name
from monedero.wording.prices import price_text
from monedero.wording.show import listed, money

WEEKDAYS = ("MON", "TUE", "WED", "THU", "FRI", "SAT", "SUN")


class LineSaid(NamedTuple):
    """A line in words: the whole sentence, and what follows the method, the cards and the place that can be picked."""

    sentence: str
    tail: str


class Names(NamedTuple):
    """Holds what things are called: methods and plans by their ids, and the entries of the card by theirs."""

    methods: Mapping[str, str]
    plans: Mapping[str, str]
    entries: Mapping[str, Rate | Extra]

    @classmethod
    def of(cls, card: RateCard | None, methods: Mapping[str, str]) -> "Names":
        """The names of a card."""
        if card is None:
            return cls(methods, {}, {})
        entries: list[Rate | Extra] = [*card.rates, *card.extras]
        return cls(methods, {plan.id: plan.name for plan in card.plans}, {entry.id: entry for entry in entries})


def line_said(line: ReadLine, names: Names) -> LineSaid:
    """Tells what a line means."""
    meaning = line.meaning
    if line.unread is not None:
        return LineSaid(unread_text(line.unread), "")
    if isinstance(meaning, RateLine | ExtraLine):
        return _price(line, meaning, names)
    return LineSaid(_sentence(meaning, names), "")


def unread_text(unread: NotRead) -> str:
    """Why a line was not read."""
    return say(f"unread-{unread.why.value}", said=unread.said or "none", line=unread.line or 0)


def _sentence(meaning: Meaning | None, names: Names) -> str:
    if isinstance(meaning, Heading):
        return _heading(meaning, names)
    teller = TELLERS.get(type(meaning))
    return teller(meaning) if teller else ""


def _monthly(meaning: MonthlyLine) -> str:
    if meaning.monthly is not None:
        return say("line-monthly", amount=money(str(meaning.monthly)))
    return say("line-minimum", amount=money(str(meaning.minimum_monthly)))


def _tax(meaning: TaxLine) -> str:
    return say("line-tax", percent=f"{meaning.percent:f}")


def _terms(meaning: TermLine) -> str:
    return " ".join(_term(name, value) for name, value in meaning.terms.items())


def _plan(meaning: PlanLine) -> str:
    if meaning.monthly is not None:
        return say("line-plan-monthly", name=meaning.name, amount=money(str(meaning.monthly)))
    if meaning.minimum_monthly is not None:
        return say("line-plan-minimum", name=meaning.name, amount=money(str(meaning.minimum_monthly)))
    return say("line-plan", name=meaning.name)


def _heading(meaning: Heading, names: Names) -> str:
    if meaning.facets is None:
        return ""
    if meaning.facets.every_plan:
        return say("line-every-plan")
    methods = [names.methods.get(method, method) for method in meaning.facets.methods]
    kinds = [say(f"card-{kind}") for kind in meaning.facets.card_kinds]
    about = listed([*methods, *kinds])
    return say("line-heading", what=about) if about else ""


def _price(line: ReadLine, meaning: RateLine | ExtraLine, names: Names) -> LineSaid:
    entries = [names.entries[id] for id in line.entries if id in names.entries]
    if not entries:
        return LineSaid("", "")
    first = entries[0]
    price = price_text(first)
    plans = ""
    if len(names.plans) > 1:
        named_plans = listed(names.plans[plan] for plan in first.plans or ())
        plans = say("line-on-plan", plans=named_plans) if first.plans else say("line-on-every-plan")
    rest = first.when.model_copy(update={"card_kind": None, "origin": None, "buyer_country": None})
    open_to_picks = when_text(rest) if rest.model_dump(exclude_none=True) else ""
    tail = ": " + ", ".join(part for part in (price, open_to_picks, plans) if part) + "."
    asked = when_text(first.when) if first.when.model_dump(exclude_none=True) else ""
    conditions = "; ".join(part for part in (asked, plans) if part)
    named: dict[str, str] = {"price": price, "conditions": conditions}
    if isinstance(meaning, RateLine):
        methods = [entry.method for entry in entries if isinstance(entry, Rate)]
        named["methods"] = listed(names.methods.get(method, method) for method in methods)
    else:
        named["label"] = meaning.label
    if isinstance(meaning, RateLine):
        message = "line-rate-when" if conditions else "line-rate"
    else:
        message = "line-extra-when" if conditions else "line-extra"
    return LineSaid(say(message, **named) + ".", tail)


def _event(meaning: EventLine) -> str:
    amount = money(str(meaning.fixed)) if meaning.fixed is not None else say("line-fee-unknown")
    if meaning.what == "dispute":
        return say("line-dispute-won" if meaning.if_won else "line-dispute", amount=amount)
    if meaning.what == "refund":
        return f"{say('line-refund', amount=amount)} {say(f'line-returns-{meaning.returns}')}"
    return say("line-failed", amount=amount)


def _arrives(meaning: SettlementLine) -> str:
    days = meaning.business_days
    if meaning.payout is None:
        return say("line-arrives-after", days=days or 0)
    payout = payout_text(meaning.payout)
    return say("line-arrives", payout=payout, days=days) if days else say("line-arrives-same", payout=payout)


def payout_text(payout: str) -> str:
    """On which days money is paid out."""
    how, _, which = payout.partition(":")
    if how == "weekly":
        names = get_day_names("wide", locale=language())
        return say("payout-weekly", weekday=str(names[WEEKDAYS.index(which)]))
    return say("payout-monthly", day=which) if how == "monthly" else say("payout-daily")


def _term(name: str, value: Any) -> str:
    if name == "reserve":
        return say("term-reserve", percent=value["percent"], days=value["days"])
    if name == "yearly_fee":
        return say("term-yearly_fee", **yearly(Money.parse(value)))
    if name == "instant_payout":
        return say("term-instant_payout", price=instant_text(InstantPayout.model_validate(value)))
    shown = money(value) if isinstance(value, str) else value
    return say(f"term-{name}", value=shown)


def _provider(meaning: ProviderLine) -> str:
    if meaning.settles_in:
        return say("line-settles-in", currencies=listed(meaning.settles_in))
    name = "line-shops" if meaning.shops else "line-region"
    return say(name, countries=listed(country_name(country) for country in meaning.shops or meaning.region))


TELLERS: Mapping[type, Callable[[Any], str]] = {
    PlanLine: _plan,
    MonthlyLine: _monthly,
    EventLine: _event,
    SettlementLine: _arrives,
    TaxLine: _tax,
    TermLine: _terms,
    ProviderLine: _provider,
    NoPrice: lambda _: say("line-no-price"),
}
