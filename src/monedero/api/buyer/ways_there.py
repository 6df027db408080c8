"""The ways by which an order can go, as its buyer and its owner meet them."""

from collections.abc import Sequence
from datetime import date

from pydantic import BaseModel

from monedero.core.delivery.days import hours_on
from monedero.core.delivery.model import Delivery
from monedero.wording import buyer_formats
from monedero.wording.buyers import called, tell
from monedero.work.shop.delivered import WayThere


class DayOut(BaseModel):
    """A day on which an order can come, with its hours; `text` is both as they are shown."""

    day: date
    hours: list[str]
    text: str


class WayOut(BaseModel):
    """A way by which an order can go, in the order's currency.

    `amount` is what the order comes to this way, `fee` the delivery in it, `goods` the rest; None where it does not go
    this way, and `why` says so to the buyer. `days` are those that the buyer may choose from, `first` the first on
    which it comes. `fee_text` is the fee as it is shown, `comes` when it comes, or why it does not go.
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
    fee_text: str
    comes: str


def ways_out(ways: Sequence[WayThere]) -> list[WayOut]:
    """Ways of delivery of an order, worded for the buyer who reads now."""
    return [
        WayOut(
            id=there.way.id,
            name=called(there.way.name, there.way.names),
            chosen=there.chosen,
            amount=str(there.amount) if there.amount else None,
            fee=str(there.fee) if there.fee else None,
            goods=str(there.goods) if there.goods else None,
            why=_why(there),
            needs_address=there.way.needs_address,
            first=_day(there.way, there.first_day),
            days=[_day(there.way, day) for day in there.days],
            fee_text=buyer_formats.money(there.fee) if there.fee else "",
            comes=_why(there) or _comes(there),
        )
        for there in ways
    ]


def _why(there: WayThere) -> str:
    return tell(there.why.value, name=called(there.way.name, there.way.names)) if there.why else ""


def _comes(there: WayThere) -> str:
    first = buyer_formats.day(there.first_day)
    return tell("from-day" if there.days else "leaves-on", day=first)


def _day(way: Delivery, day: date) -> DayOut:
    hours = [tell("hours", **{"from": hours.from_, "until": hours.until}) for hours in hours_on(way, day)]
    return DayOut(day=day, hours=hours, text=", ".join([buyer_formats.day(day), *hours]))
