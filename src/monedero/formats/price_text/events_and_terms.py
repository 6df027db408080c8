"""Tells what a line says of disputes, refunds and failed debits, of when the money arrives, and of the contract.

Source: own design.

>>> event(Items("Disputes €15, refunded if you win", "EUR", {}), "EUR").if_won
True
>>> settlement(Items("Payouts weekly", "EUR", {}))
Traceback (most recent call last):
...
monedero.formats.price_text.unread.NotRead: which-day
"""

from collections.abc import Mapping

from monedero.core.money import Money
from monedero.formats.price_text.item import Item
from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import EventLine, SettlementLine, TermLine
from monedero.formats.price_text.prices import amounts
from monedero.formats.price_text.unread import NotRead, Why

RETURNS = {"fee-returned": "all", "percent-returned": "percent", "fee-kept": "none"}
FEE_WORDS = frozenset(
    (
        *("fee", "fees", "charge", "charges", "cost", "costs", "comision", "comisiones", "coste", "costes"),
        *("comissao", "comissoes", "custo", "custos", "gastos", "encargos"),
    )
)


def _fixed(items: Items, currency: str) -> Money | None:
    """The one amount of a line, zero where it is free; nothing where the line has none."""
    if items.has("none") and FEE_WORDS & set(items.words):
        items.take("none")
        return Money(0, currency)
    found = amounts(items, monthly=False)
    price = found.price
    if price.minimum or price.maximum or found.band or (price.percent is not None and price.percent != 0):
        raise NotRead(Why.UNCLEAR, "%")
    if price.percent is not None:
        return Money(0, currency)
    return price.fixed


def event(items: Items, currency: str) -> EventLine:
    """Tells what one of the three costs."""
    whats = [what for what in ("dispute", "refund", "failed") if items.has(what)]
    if not whats and items.has("won-returned", "won-kept"):
        whats = ["dispute"]
    if len(whats) != 1:
        raise NotRead(Why.UNCLEAR, next(item.said for item in items.all if item.group == "marks"))
    what = whats[0]
    items.take(what)
    if_won = items.take("won-returned") if what == "dispute" else False
    if what == "dispute":
        items.take("won-kept")
    returns = [name for name in RETURNS if items.has(name)] if what == "refund" else []
    items.take(*returns)
    if len(returns) > 1:
        raise NotRead(Why.UNCLEAR, returns[1])
    methods = tuple(part for name in items.of("methods") for part in name.split("+"))
    fixed = _fixed(items, currency)
    items.done()
    if fixed is None and not returns:
        raise NotRead(Why.NO_PRICE)
    return EventLine(what, methods, fixed, RETURNS[returns[0]] if returns else "none", if_won)


def settlement(items: Items) -> SettlementLine:
    """After how many business days the money arrives, and on which day it is paid out."""
    methods = tuple(part for name in items.of("methods") for part in name.split("+"))
    days = _business_days(items)
    weekdays = items.of("weekdays")
    weekly, daily, monthly = items.take("weekly"), items.take("daily"), items.take("per-month")
    items.take("payout")
    if len(weekdays) > 1 or weekly + daily + monthly > 1 or (weekdays and (daily or monthly)):
        raise NotRead(Why.UNCLEAR, items.all[-1].said)
    if weekly and not weekdays:
        raise NotRead(Why.WHICH_DAY)
    payout = f"weekly:{weekdays[0]}" if weekdays else ("daily" if daily else None)
    if monthly:
        payout = f"monthly:{_day_of_month(items)}"
    items.done()
    return SettlementLine(methods, days, payout)


def _business_days(items: Items) -> int | None:
    after = items.figure("days-after")
    if after is not None:
        items.take("business-days")
        return _whole(after)
    if items.take("next-business-day"):
        return 1
    if items.has("business-days"):
        items.take("business-days")
        number = items.figure("number")
        if number is None:
            raise NotRead(Why.WHICH_DAY)
        return _whole(number)
    if items.has("days"):
        # Business days or calendar days: the line does not say.
        raise NotRead(Why.WHICH_DAY, next(item.said for item in items.all if item.name == "days"))
    return None


def _day_of_month(items: Items) -> int:
    number = items.figure("number")
    if number is None or not 1 <= _whole(number) <= 28:
        raise NotRead(Why.WHICH_DAY, number.said if number else "")
    return _whole(number)


def _whole(item: Item) -> int:
    value = item.number
    if value != int(value) or value > 3650:
        raise NotRead(Why.FIGURE, item.said)
    return int(value)


def terms(items: Items, currency: str) -> TermLine:
    """Terms of contract."""
    found = _none_of(items, currency)
    if items.take("first-payout"):
        items.take("payout")
        found["first_payout_days"] = _counted(items, "days")
    if items.take("reserve"):
        found["reserve"] = _reserve(items)
    if items.take("new-account"):
        found["monthly_cap"] = _cap(items)
    if items.take("instant-payout"):
        found["instant_payout"] = _instant(items)
    for name, key, unit in COUNTED:
        if items.open(name):
            items.take(name)
            found[key] = _counted(items, unit)
    money = [(name, key) for name, key in MONEY if items.open(name)]
    if len(money) > 1:
        raise NotRead(Why.UNCLEAR, next(item.said for item in items.all if item.name == money[-1][0]))
    for name, key in money:
        items.take(name)
        found[key] = _amount(items, currency, PERIODS.get(key, {}))
    items.take("minimum", "optional")
    items.done()
    return TermLine(found)


COUNTED = (("term", "shortest_term_months", "months"), ("notice", "notice_days", "days"))
MONEY = (
    ("set-up", "set_up"),
    ("rent", "terminal_rent"),
    ("exit", "exit_fee"),
    ("yearly-fee", "yearly_fee"),
)
# The period of which an amount may be; it counts so many times in a term of the contract.
PERIODS = {"yearly_fee": {"per-year": 1, "per-month": 12}, "terminal_rent": {"per-month": 1}}


def _none_of(items: Items, currency: str) -> dict[str, object]:
    """The terms of which a line says that there are none; where it has no figure, that is all of them."""
    nothing: dict[str, tuple[str, object]] = {name: (key, 0) for name, key, _ in COUNTED}
    nothing |= {name: (key, str(Money(0, currency))) for name, key in MONEY}
    every = not items.figures and items.take("none", "free")
    found: dict[str, object] = {}
    for place, item in enumerate(items.all):
        before = items.all[max(place - 1, 0)]
        said = before.name == "none"
        if item.name in nothing and (every or said):
            item.taken = True
            before.taken = before.taken or said
            key, value = nothing[item.name]
            found[key] = value
    if every:
        items.take("per-month", "once")
    return found


def _amount(items: Items, currency: str, periods: Mapping[str, int]) -> str:
    said = [name for name in ("per-month", "per-year") if items.has(name)]
    items.take("once", *(name for name in said if name in periods))
    fixed = _fixed(items, currency)
    if fixed is None:
        raise NotRead(Why.NO_PRICE)
    return str(fixed._replace(minor=fixed.minor * (periods.get(said[0], 1) if said else 1)))


def _cap(items: Items) -> str:
    """The most that a new account takes in a month."""
    amount = items.figure("money")
    if amount is None or not items.has("maximum", "up-to") or not items.has("per-month"):
        raise NotRead(Why.UNCLEAR)
    items.take("maximum", "up-to", "per-month", "volume")
    return str(amount.money)


def _instant(items: Items) -> dict[str, object]:
    price = amounts(items, monthly=False).price
    if price.maximum is not None or (price.percent is None and price.fixed is None):
        raise NotRead(Why.NO_PRICE)
    figures = {"fixed": price.fixed, "minimum": price.minimum}
    percent = {} if price.percent is None else {"percent": f"{price.percent:f}"}
    return {**percent, **{name: str(figure) for name, figure in figures.items() if figure is not None}}


def _reserve(items: Items) -> dict[str, object]:
    percent = items.figure("percent")
    if percent is None:
        raise NotRead(Why.NO_PRICE)
    return {"percent": str(percent.value), "days": _counted(items, "days")}


def _counted(items: Items, unit: str) -> int:
    """The number that stands before its unit."""
    for place, item in enumerate(items.all[1:], start=1):
        before = items.all[place - 1]
        if item.group != "marks" or item.name != unit or item.taken or before.name != "number" or before.taken:
            continue
        item.taken = before.taken = True
        return _whole(before)
    if items.has("months" if unit == "days" else "days"):
        raise NotRead(Why.MONTHS)
    raise NotRead(Why.NO_PRICE)
