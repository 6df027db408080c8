"""Pause a storefront and open it again: meanwhile it takes no orders of buyers, and those that it has go on."""

from datetime import date

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.store.pauses import Pause
from monedero.work.context import Context


def paused(context: Context) -> Pause | None:
    """The pause that the storefront is in; None where it is open."""
    pause = context.shop.pauses.of(context.storefront)
    return pause if pause is not None and pause.holds_on(context.day) else None


def pause(context: Context, opens_on: date | None, said: str) -> None:
    """Pause the storefront until a day, on which it opens by itself, or until it is opened by hand."""
    if opens_on is not None and opens_on <= context.day:
        raise InvalidInput(Fault(FaultCode.PLANNED_PAST, "opens_on", opens_on.isoformat()))
    now = Pause(context.now, context.actor.value, opens_on, said.strip())
    context.shop.pauses.put(context.storefront, now)


def open_again(context: Context) -> None:
    """Open the storefront, which may be open already."""
    context.shop.pauses.remove(context.storefront)


def refuse_paused(context: Context) -> None:
    """Refuse a buyer's order while the storefront is paused, with what the owner tells buyers meanwhile."""
    if (found := paused(context)) is None:
        return
    day = found.opens_on.isoformat() if found.opens_on else ""
    fields = {
        "day": day,
        "opens": "day" if day else "later",
        "said": found.said,
        "says": "yes" if found.said else "no",
    }
    raise Conflict(Fault(FaultCode.STOREFRONT_PAUSED, "storefront", context.storefront, fields))
