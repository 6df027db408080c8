"""The ways by which an order can go, as its buyer and its owner meet them."""

from collections.abc import Sequence
from datetime import date

from pydantic import BaseModel

from monedero.core.delivery.days import hours_on
from monedero.core.delivery.model import Delivery
from monedero.wording.catalogue import say
from monedero.work.shop.delivered import WayThere


class DayOut(BaseModel):
    """A day on which an order can come, with its hours: `17:00 to 19:00`, or nothing."""

    day: date
    hours: list[str]


class WayOut(BaseModel):
    """A way by which an order can go, in the order's currency.

    `amount` is what the order comes to this way, `fee` the delivery in it, `goods` the rest; None where it does not go
    this way, and `why` says so. `days` are those that the buyer may choose from, `first` the first on which it comes.
    """

    id: str
    name: str
    chosen: bool
    amount: str | None
    fee: str | None
    goods: str | None
    why: str
    needs_address: bool
    first: DayOut
    days: list[DayOut]


def ways_out(ways: Sequence[WayThere]) -> list[WayOut]:
    """Ways of delivery of an order."""
    return [
        WayOut(
            id=there.way.id,
            name=there.way.name,
            chosen=there.chosen,
            amount=str(there.amount) if there.amount else None,
            fee=str(there.fee) if there.fee else None,
            goods=str(there.goods) if there.goods else None,
            why=say(there.why.value, name=there.way.name) if there.why else "",
            needs_address=there.way.needs_address,
            first=_day(there.way, there.first_day),
            days=[_day(there.way, day) for day in there.days],
        )
        for there in ways
    ]


def _day(way: Delivery, day: date) -> DayOut:
    return DayOut(day=day, hours=[f"{hours.from_} to {hours.until}" for hours in hours_on(way, day)])
