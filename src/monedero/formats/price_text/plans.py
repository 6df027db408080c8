"""A line that begins a plan, or says what a plan costs in a month.

Source: own design.

>>> plan_line("Steady plan: 29 EUR per month", "EUR", {}, "").name
'Steady'
>>> plan_line("Cards 1.5 %", "EUR", {}, "") is None
True
"""

import re
from collections.abc import Sequence

from monedero.core.money import Money
from monedero.formats.price_text.ambiguous import FOR_EACH, NO_NAMES, More
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import MonthlyLine, PlanLine
from monedero.formats.price_text.prices import amounts
from monedero.formats.price_text.tokens import tidy
from monedero.formats.price_text.unread import NotRead, Why
from monedero.formats.price_text.vocabulary import Sign, folded, signs

NAME = r"(?P<name>[^\W\d_][\w&'+ ]{0,40}?)"
PLAN = r"(?:plano|plan|tarifa|offre|formule|tarif|paket|pakket|piano)\b"
A_MONTH_BEHIND = re.compile(
    r"month|year|\bm[eê]s\b|mensua?l|mensal|mensile|\bmois|monat|\bmese\b|maand|\bjahr|\ban\b|jaar", re.IGNORECASE
)
FREE = re.compile(r"^[\s:,(-]*(?:free|gratis|gratuito|gratuit|kostenlos|0\b)", re.IGNORECASE)
EVERY_PLAN = re.compile(rf"\b(?:all|every|each|any|per|cada|por|todos) +(?:los |os )?{PLAN}", re.IGNORECASE)
PLAN_LINES = (
    re.compile(rf"^\W*{PLAN}\s*:?\s*[\"']?{NAME}[\"']?\s*(?P<rest>[:;,(\-|].*|[€£$\d].*|)$", re.IGNORECASE),
    re.compile(rf"^\W*(?:the |el |o )?[\"']?{NAME}[\"']? {PLAN}\s*(?P<rest>.*)$", re.IGNORECASE),
)
# A name that plans often have, alone or with what it costs a month; another one may be a service that one can do
# without.
USUAL = frozenset(
    (
        *("starter", "start", "basic", "standard", "classic", "pro", "premium", "growth", "advanced", "essential"),
        *("essentials", "professional", "enterprise", "ultimate", "lite", "scale", "unlimited", "base", "basico"),
        *("avanzado", "avancado", "profesional", "profissional", "esencial", "essencial", "estandar", "padrao"),
        *("essentiel", "avance", "professionnel", "basis", "avanzato", "essenziale", "gevorderd", "basispakket"),
    )
)
NAME_AND_MONTH = re.compile(
    rf"^\W*{NAME}\s*:\s*(?P<rest>\D{{0,12}}\d[^%]*\bper (?:month|year)\b.*)$", re.IGNORECASE
)


def plan_line(line: str, currency: str, more: More, decimal: str) -> PlanLine | None:
    """The plan that a line begins, with what it costs a month; None where it begins none."""
    plain = tidy(line).strip()
    if folded(alone := plain.strip(" :-")) in USUAL:
        return PlanLine(alone)
    for pattern in (*PLAN_LINES, NAME_AND_MONTH):
        match = pattern.match(plain)
        if not match or "%" in match["rest"] or EVERY_PLAN.search(plain):
            continue
        name = match["name"].strip()
        words = [folded(word) for word in re.findall(r"\w+", name)]
        if set(words) <= NO_NAMES or not _can_be_a_name(signs(words, more), match["rest"]):
            continue
        if pattern is NAME_AND_MONTH and folded(name) not in USUAL:
            continue
        if each := FOR_EACH.search(match["rest"]):
            raise NotRead(Why.UNCLEAR, each.group())
        rest = Items(match["rest"], currency, more, decimal)
        if rest.unknown:
            raise NotRead(Why.WORD, rest.unknown[0].said)
        rest.take("tax-left-out")
        monthly = monthly_line(rest, currency)
        rest.done()
        return PlanLine(name, monthly.monthly, monthly.minimum_monthly)
    return None


def _can_be_a_name(named: Sequence[Sign], rest: str) -> bool:
    """True if words can be the name of a plan: all of them where a price a month, or nothing, stands behind it; else
    none that means something.
    """
    monthly = bool(A_MONTH_BEHIND.search(rest)) or bool(FREE.match(rest))
    if monthly and not any(sign.group == "plans" for sign in named):
        return not any(sign.group == "marks" and sign.name not in ("per-month", "free") for sign in named)
    return bool(named) and not any(_means(sign, rest) for sign in named)


def _means(sign: Sign, rest: str) -> bool:
    if sign.group == "marks" and sign.name in ("per-month", "free"):
        return bool(rest.strip(" :-"))
    return sign.group in ("methods", "marks", "plans")


def names_a_plan(line: str) -> bool:
    """True if a line that is not understood seems to begin a plan: what stands below it is of an unknown one."""
    plain = tidy(line)
    return bool(re.search(rf"\b{PLAN}", plain, re.IGNORECASE)) and "%" not in plain


def monthly_line(items: Items, currency: str) -> MonthlyLine:
    """A month's price, and the least that the fees of a month come to."""
    if items.take("free") or (items.has("none") and items.take("none")):
        items.take("per-month")
        return MonthlyLine(monthly=Money(0, currency))
    found = amounts(items)
    items.take("per-month", "per-year")
    price = found.price
    if price.percent is not None or price.maximum is not None or found.band:
        raise NotRead(Why.UNCLEAR, "")
    if price.fixed is not None and found.monthly is not None:
        raise NotRead(Why.TWO_PRICES, str(price.fixed))
    if found.monthly is not None and price.minimum is None and items.take("minimum"):
        return MonthlyLine(minimum_monthly=found.monthly)
    return MonthlyLine(monthly=found.monthly or price.fixed, minimum_monthly=price.minimum)
