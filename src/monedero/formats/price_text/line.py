"""One line of a price list, read by itself.

Source: own design.

>>> read_line("EEA consumer cards 1.5% + €0.25", "EUR").price.percent
Decimal('1.5')
>>> read_line("Large volumes: from 1.2%, talk to us", "EUR")
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: contact
"""

import re
from dataclasses import replace
from itertools import pairwise

from monedero.formats.price_text.ambiguous import FIGURE_WORDS, More, refuse_joined, refuse_unclear_figures
from monedero.formats.price_text.bare import PAID_LATER
from monedero.formats.price_text.events_and_terms import event, settlement, terms
from monedero.formats.price_text.graduated import graduated
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import (
    ExtraLine,
    Facets,
    Heading,
    Meaning,
    RateLine,
    TaxLine,
)
from monedero.formats.price_text.plans import monthly_line, plan_line
from monedero.formats.price_text.prices import Amounts, amounts
from monedero.formats.price_text.provider_line import provider_line
from monedero.formats.price_text.tokens import tidy
from monedero.formats.price_text.unread import NotRead, Why

LONGEST = 300
# Marks that may stand in a heading.
HEADS = ("rest", "every-plan")
EVENTS = (
    "dispute",
    "refund",
    "failed",
    "won-returned",
    "won-kept",
    "fee-returned",
    "percent-returned",
    "fee-kept",
)
TERMS = (
    "set-up",
    "rent",
    "term",
    "notice",
    "exit",
    "reserve",
    "first-payout",
    "yearly-fee",
    "instant-payout",
    "new-account",
)
PAYOUTS = ("payout", "daily", "weekly", "next-business-day", "business-days")
# A line without figures may hold these and say nothing, as long as all else in it is known.
BARE = (*("dispute", "refund", "failed", "payout", "tax"), *TERMS)


def read_line(line: str, currency: str, more: More | None = None, decimal: str = "") -> Meaning | None:
    """Tells what a line means, nothing for one without letters and figures; refuses one that is not understood."""
    if len(line) > LONGEST:
        raise NotRead(Why.TOO_LONG, f"{line[:40]}...")
    if not re.search(r"\w", line):
        return None
    plan = plan_line(line, currency, more or {}, decimal)
    if plan is not None:
        return plan
    items = Items(line, currency, more or {}, decimal)
    without_tax = items.take("tax-left-out")
    silent = None if items.figures else _without_figures(line, items, without_tax=without_tax)
    if silent is not None:
        return silent
    _refuse_what_is_no_price(items)
    refuse_unclear_figures(line)
    refuse_joined(line, currency, more or {}, decimal)
    if items.unknown:
        raise NotRead(Why.WORD, items.unknown[0].said)
    if without_tax and all(item.taken or item.name == "percent" for item in items.all):
        return _tax(items)
    return _meaning(line, items, currency)


def _without_figures(line: str, items: Items, *, without_tax: bool) -> Meaning | None:
    """Tells what a line without figures means; None where it says something of a price all the same."""
    if without_tax and not items.unknown:
        return Heading(None)
    about = provider_line(items)
    if about is not None:
        return about
    _refuse_what_is_no_price(items)
    return None if _says_something(items) else _heading(line, items)


def _tax(items: Items) -> TaxLine:
    percent = items.figure("percent")
    if percent is None:
        raise NotRead(Why.NO_PRICE)
    items.done()
    return TaxLine(percent.number)


def _refuse_what_is_no_price(items: Items) -> None:
    for name, why in (("contact", Why.CONTACT), ("about", Why.ABOUT), ("not", Why.EXCEPTION)):
        if items.has(name) and (items.figures or name == "contact"):
            said = next(item.said for item in items.all if item.name == name)
            raise NotRead(why, said)


def _says_something(items: Items) -> bool:
    """True if a line says something without a figure: that it is free, on which day, what comes back."""
    schedule = items.has("daily", "weekly", "per-month", "next-business-day") or any(
        item.group == "weekdays" for item in items.all
    )
    outcome = items.has("won-returned", "won-kept", "fee-returned", "percent-returned", "fee-kept")
    none = items.has("none") and items.has(*TERMS, "per-month", "dispute", "refund", "failed", "minimum")
    return items.has("free") or none or outcome or (schedule and items.has("payout"))


def _heading(line: str, items: Items) -> Heading:
    bare = items.has(*BARE)
    if items.has("daily", "weekly") and not items.has("payout"):
        raise NotRead(Why.UNCLEAR, line.strip())
    if (figure := FIGURE_WORDS.search(line)) and any(item.group == "methods" for item in items.all):
        raise NotRead(Why.UNCLEAR, figure.group())
    if bare and items.unknown:
        raise NotRead(Why.WORD, items.unknown[0].said)
    day = next((item for item in items.all if item.group == "weekdays"), None)
    if day:
        raise NotRead(Why.UNCLEAR, day.said)
    if items.unknown or bare or not items.all:
        return Heading(None)
    if any(item.group in ("marks", "currencies", "weekdays") and item.name not in HEADS for item in items.all):
        return Heading(None)
    return Heading(_facets(items))


def _meaning(line: str, items: Items, currency: str) -> Meaning:
    topics = [names for names in (EVENTS, TERMS, PAYOUTS) if items.has(*names)]
    if items.has("first-payout", "instant-payout", "yearly-fee", "new-account"):
        topics = [TERMS]
    if len(topics) > 1:
        raise NotRead(Why.UNCLEAR, next(item.said for item in items.all if item.name in topics[1]))
    if topics == [EVENTS]:
        return event(items, currency)
    if topics == [TERMS]:
        return terms(items, currency)
    if topics == [PAYOUTS]:
        return settlement(items)
    if items.take("tax"):
        return _tax(items)
    return _price_line(line, items, currency)


def _price_line(line: str, items: Items, currency: str) -> Meaning:
    adds = _added_costs(items)
    on_top = items.take("on-top") | (_begins_with_plus(items) and not adds)
    if _only_a_month(items):
        monthly = monthly_line(items, currency)
        items.done()
        return monthly
    parts = graduated(items)
    found = amounts(items)
    facets = replace(_with_band(items, _facets(items), found), adds=bool(adds))
    items.done()
    if found.monthly is not None:
        raise NotRead(Why.UNCLEAR, str(found.monthly))
    if not found.anything and not adds and not parts:
        raise NotRead(Why.NO_PRICE)
    if on_top or facets.conversion:
        if adds or parts:
            raise NotRead(Why.UNCLEAR, adds[0] if adds else "")
        if found.price.minimum or found.price.maximum:
            raise NotRead(Why.LIMITS, str(found.price.minimum or found.price.maximum))
        return ExtraLine(facets, found.price, _label(line))
    return RateLine(facets, replace(found.price, adds=adds, graduated=parts))


def _added_costs(items: Items) -> tuple[str, ...]:
    """Costs of the card networks that a price adds; interchange alone leaves open who pays the scheme fees."""
    costs = [place for place, item in enumerate(items.all) if item.name in ("interchange", "scheme")]
    adds = tuple(name for name in ("interchange", "scheme") if items.take(name))
    if not adds:
        return adds
    # Without a plus beside them the figure behind them may be what they are, and not what comes to them.
    beside = [items.all[place] for place in (costs[0] - 1, costs[-1] + 1) if 0 <= place < len(items.all)]
    if adds == ("interchange",) or not any(item.name == "+" for item in beside):
        raise NotRead(Why.UNCLEAR, items.all[costs[0]].said)
    return adds


def _begins_with_plus(items: Items) -> bool:
    """True if a plus stands before the first figure."""
    figure = next((place for place, item in enumerate(items.all) if item.group == "figures"), 0)
    return any(item.name == "+" for item in items.all[:figure])


def _only_a_month(items: Items) -> bool:
    """True if a line is about the plan: something a month, and of no method."""
    about = {item.group for item in items.all} - {"figures", "signs", "marks"}
    names = {item.name for item in items.all if item.group == "marks" and not item.taken}
    percent = any(item.name == "percent" for item in items.all)
    months = {"per-month", "per-year"}
    return not about and not percent and bool(months & names) and names <= months | {"free", "none", "minimum"}


def _with_band(items: Items, facets: Facets, found: Amounts) -> Facets:
    volume = items.has("volume", "per-month")
    amount = items.take("amounts")
    items.take("volume")
    if found.band is None:
        return facets
    items.take("per-month")
    amount = amount or (not volume and any(item.name in PAID_LATER for item in items.all))
    if volume == amount:
        raise NotRead(Why.WHICH_BAND, str(found.band.from_ or found.band.below))
    return replace(facets, volume=found.band) if volume else replace(facets, amount=found.band)


def _facets(items: Items) -> Facets:
    for item, after in pairwise(items.all):
        # Cards *from* somewhere.
        if item.name == "from" and after.group in ("origins", "countries"):
            item.taken = True
    recurring, once = items.take("recurring"), items.take("once")
    kinds = _card_kinds(items)
    return Facets(
        methods=_methods(items),
        card_kinds=kinds,
        origins=items.of("origins"),
        countries=items.of("countries"),
        networks=items.of("networks"),
        line_kinds=items.of("line_kinds"),
        currencies=items.of("currencies"),
        plans=items.of("plans"),
        recurring=None if recurring == once else recurring,
        conversion=True if items.take("conversion") else None,
        every_plan=items.take("every-plan"),
        rest=items.take("rest"),
    )


def _methods(items: Items) -> tuple[str, ...]:
    """Methods that are named; a card that is at a terminal or by phone is that alone."""
    named = [part for name in items.of("methods") for part in name.split("+")]
    special = {"card-at-terminal", "card-by-phone"} & set(named)
    return tuple(dict.fromkeys(name for name in named if not (special and name == "card")))


def _card_kinds(items: Items) -> tuple[str, ...]:
    said = set(items.of("card_kinds"))
    if "commercial" in said and said & {"consumer-debit", "consumer-credit"}:
        raise NotRead(Why.COMMERCIAL)
    if said == {"consumer"}:
        return ("consumer-debit", "consumer-credit")
    if said >= {"consumer", "commercial"}:
        return ()
    return tuple(kind for kind in ("consumer-debit", "consumer-credit", "commercial") if kind in said)


def _label(line: str) -> str:
    """Tells what an extra is called: the words before its figures."""
    words = re.split(r"[+€£$\d:(]", tidy(line).strip(" -•·+"), maxsplit=1)[0].strip(" -•·")
    return words[:60] or "Extra"
