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

from monedero.core.money import Money
from monedero.formats.price_text.ambiguous import FIGURE_WORDS, FOR_EACH, NO_NAMES, More, refuse_joined
from monedero.formats.price_text.events_and_terms import event, settlement, terms
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import (
    ExtraLine,
    Facets,
    Heading,
    Meaning,
    MonthlyLine,
    PlanLine,
    RateLine,
    TaxLine,
)
from monedero.formats.price_text.prices import Amounts, amounts
from monedero.formats.price_text.tokens import tidy
from monedero.formats.price_text.unread import NotRead, Why
from monedero.formats.price_text.vocabulary import Sign, folded, signs

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
TERMS = ("set-up", "rent", "term", "notice", "exit", "reserve", "first-payout")
PAYOUTS = ("payout", "daily", "weekly", "next-business-day", "business-days")
# A line without figures may hold these and say nothing, as long as all else in it is known.
BARE = ("dispute", "refund", "failed", "payout", "set-up", "rent", "term", "notice", "exit", "reserve", "tax")
NAME = r"(?P<name>[^\W\d_][\w&'+ ]{0,40}?)"
PLAN = r"(?:plano|plan|tarifa)\b"
A_MONTH_BEHIND = re.compile(r"month|\bm[eê]s\b|mensual|mensal", re.IGNORECASE)
EVERY_PLAN = re.compile(rf"\b(?:all|every|each|any|per|cada|por|todos) +(?:los |os )?{PLAN}", re.IGNORECASE)
PLAN_LINES = (
    re.compile(rf"^\W*{PLAN}\s*:?\s*[\"']?{NAME}[\"']?\s*(?P<rest>[:;,(\-|].*|[€£$\d].*|)$", re.IGNORECASE),
    re.compile(rf"^\W*(?:the |el |o )?[\"']?{NAME}[\"']? {PLAN}\s*(?P<rest>.*)$", re.IGNORECASE),
)


def read_line(line: str, currency: str, more: More | None = None, decimal: str = "") -> Meaning | None:
    """Tells what a line means, nothing for one without letters and figures; refuses one that is not understood."""
    if len(line) > LONGEST:
        raise NotRead(Why.TOO_LONG, f"{line[:40]}...")
    if not re.search(r"\w", line):
        return None
    plan = _plan_line(line, currency, more or {}, decimal)
    if plan is not None:
        return plan
    items = Items(line, currency, more or {}, decimal)
    without_tax = items.take("tax-left-out")
    if without_tax and not items.figures and not items.unknown:
        return Heading(None)
    _refuse_what_is_no_price(items)
    if not items.figures and not _says_something(items):
        return _heading(line, items)
    refuse_joined(line, currency, more or {}, decimal)
    if items.unknown:
        raise NotRead(Why.WORD, items.unknown[0].said)
    if without_tax and all(item.taken or item.name == "percent" for item in items.all):
        return _tax(items)
    return _meaning(line, items, currency)


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


def _plan_line(line: str, currency: str, more: More, decimal: str) -> PlanLine | None:
    plain = tidy(line).strip()
    for pattern in PLAN_LINES:
        match = pattern.match(plain)
        if not match or "%" in match["rest"] or EVERY_PLAN.search(plain):
            continue
        name = match["name"].strip()
        named = signs([folded(word) for word in re.findall(r"\w+", name)], more)
        if not named or any(_no_name(sign, match["rest"]) for sign in named):
            continue
        if {folded(word) for word in re.findall(r"\w+", name)} <= NO_NAMES:
            continue
        if each := FOR_EACH.search(match["rest"]):
            raise NotRead(Why.UNCLEAR, each.group())
        rest = Items(match["rest"], currency, more, decimal)
        if rest.unknown:
            raise NotRead(Why.WORD, rest.unknown[0].said)
        rest.take("tax-left-out")
        monthly = _monthly(rest, currency)
        rest.done()
        return PlanLine(name, monthly.monthly, monthly.minimum_monthly)
    return None


def _no_name(sign: Sign, rest: str) -> bool:
    """True if a word cannot be part of a plan's name; a monthly plan has a price a month, or nothing, behind it."""
    if sign.group == "marks" and sign.name in ("per-month", "free"):
        return bool(rest.strip(" :-")) and not A_MONTH_BEHIND.search(rest)
    return sign.group in ("methods", "marks", "plans")


def names_a_plan(line: str) -> bool:
    """True if a line that is not understood seems to begin a plan: what stands below it is of an unknown one."""
    plain = tidy(line)
    return bool(re.search(rf"\b{PLAN}", plain, re.IGNORECASE)) and "%" not in plain


def _monthly(items: Items, currency: str) -> MonthlyLine:
    """A month's price, and the least that the fees of a month come to."""
    if items.take("free") or (items.has("none") and items.take("none")):
        items.take("per-month")
        return MonthlyLine(monthly=Money(0, currency))
    found = amounts(items)
    items.take("per-month")
    price = found.price
    if price.percent is not None or price.maximum is not None or found.band:
        raise NotRead(Why.UNCLEAR, "")
    if price.fixed is not None and found.monthly is not None:
        raise NotRead(Why.TWO_PRICES, str(price.fixed))
    if found.monthly is not None and price.minimum is None and items.take("minimum"):
        return MonthlyLine(minimum_monthly=found.monthly)
    return MonthlyLine(monthly=found.monthly or price.fixed, minimum_monthly=price.minimum)


def _meaning(line: str, items: Items, currency: str) -> Meaning:
    topics = [names for names in (EVENTS, TERMS, PAYOUTS) if items.has(*names)]
    if items.has("first-payout"):
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
    on_top = items.take("on-top") | _begins_with_plus(items)
    if _only_a_month(items):
        monthly = _monthly(items, currency)
        items.done()
        return monthly
    found = amounts(items)
    facets = _with_band(items, _facets(items), found)
    items.done()
    if found.monthly is not None:
        raise NotRead(Why.UNCLEAR, str(found.monthly))
    if not found.anything:
        raise NotRead(Why.NO_PRICE)
    if on_top or facets.conversion:
        if found.price.minimum or found.price.maximum:
            raise NotRead(Why.LIMITS, str(found.price.minimum or found.price.maximum))
        return ExtraLine(facets, found.price, _label(line))
    return RateLine(facets, found.price)


def _begins_with_plus(items: Items) -> bool:
    """True if a plus stands before the first figure."""
    figure = next((place for place, item in enumerate(items.all) if item.group == "figures"), 0)
    return any(item.name == "+" for item in items.all[:figure])


def _only_a_month(items: Items) -> bool:
    """True if a line is about the plan: something a month, and of no method."""
    about = {item.group for item in items.all} - {"figures", "signs", "marks"}
    names = {item.name for item in items.all if item.group == "marks"}
    percent = any(item.name == "percent" for item in items.all)
    return not about and not percent and "per-month" in names and names <= {"per-month", "free", "none", "minimum"}


def _with_band(items: Items, facets: Facets, found: Amounts) -> Facets:
    volume = items.has("volume", "per-month")
    amount = items.take("amounts")
    items.take("volume")
    if found.band is None:
        return facets
    items.take("per-month")
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
