"""A cart: several lines that a buyer orders together, each so many times, as one line that is bought.

What repeats, what sells a voucher and what has an amount that its buyer chooses is ordered by itself. Lines that are
delivered go together by a way that all of them may go. One weighed line makes the whole amount one that is known only
when the goods go out; a booking that is paid on the day, or in part, is not ordered with it.

Source: own design.

>>> cart_of("star-chart:2,night-boat-tour:1")
[CartItem(line='star-chart', times=2), CartItem(line='night-boat-tour', times=1)]
>>> cart_of("star-chart:many")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: cart-text ='star-chart:many'
>>> in_parts(Money(8500, "EUR"), 3)
[Money(minor=2834, currency='EUR'), Money(minor=2833, currency='EUR'), Money(minor=2833, currency='EUR')]
"""

import re
from collections.abc import Sequence
from fractions import Fraction
from typing import NamedTuple

from pydantic import StrictBool, StrictInt

from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import Identifier, MoneyText, Name, Strict
from monedero.core.language import OtherNames
from monedero.core.money import Money, split
from monedero.core.order.kinds import LineKind
from monedero.core.shop import Line

ITEM = re.compile(r"([a-z0-9]+(?:-[a-z0-9]+)*):([1-9][0-9]?)")
MOST_ITEMS = 20


class CartItem(NamedTuple):
    """A line of the shop, by its id, and how many times it is ordered, 99 at the most."""

    line: str
    times: int


class OrderedLine(Strict):
    """A line as it was ordered: what it was called then, how many times, and what that came to.

    Of one that is `weighed` the amount is the most that it may come to.
    """

    line: Identifier
    name: Name
    names: OtherNames = {}
    times: StrictInt
    amount: MoneyText
    weighed: StrictBool = False


class Priced(NamedTuple):
    """A line, how many times it is ordered, and what that comes to."""

    line: Line
    times: int
    amount: Money


def cart_of(text: str) -> list[CartItem]:
    """The items of a cart from its text; a line that stands in it twice is ordered as often as both say."""
    counts: dict[str, int] = {}
    for part in text.split(","):
        found = ITEM.fullmatch(part)
        if found is None:
            raise refuse(FaultCode.CART_TEXT, value=text[:60])
        counts[found[1]] = counts.get(found[1], 0) + int(found[2])
    if len(counts) > MOST_ITEMS or any(times > 99 for times in counts.values()):
        raise refuse(FaultCode.CART_TEXT, value=text[:60])
    return [CartItem(line, times) for line, times in counts.items()]


def ordered_alone(line: Line) -> bool:
    """True if a line is ordered by itself, and once."""
    return line.recurring or line.sells_voucher or line.chosen is not None


def together(items: Sequence[Priced]) -> Line:
    """Tells what is bought with a cart, as one line; its usual amount is what all of it comes to.

    Refuses a line that is ordered by itself, and lines that no way of delivery brings together.
    """
    first = items[0].line
    if len(items) == 1 and items[0].times == 1:
        return first
    weighed = any(item.line.highest is not None for item in items)
    for item in items:
        # A weighed order has no amount yet, so that its part on the day is not known.
        if ordered_alone(item.line) or (weighed and item.line.deposit is not None):
            raise refuse(FaultCode.CART_ALONE, "cart", item.line.name)
    total = Money(sum(item.amount.minor for item in items), items[0].amount.currency)
    sent = [item for item in items if item.line.deliveries is not None]
    grams = [item.line.weight_grams for item in sent]
    known = [weight * item.times for weight, item in zip(grams, sent, strict=True) if weight is not None]
    update = {
        "kind": LineKind.GOODS if any(item.line.kind is LineKind.GOODS for item in items) else first.kind,
        "usual_amount": total,
        "deliveries": _ways(items),
        "weight_grams": sum(known) if sent and len(known) == len(sent) else None,
        "deposit": None,
        "highest": total if weighed else None,
    }
    return first.model_copy(update=update)


def _ways(items: Sequence[Priced]) -> list[str] | None:
    """The ways of delivery that every line may go which is delivered; None where nothing is."""
    sent = [item.line for item in items if item.line.deliveries is not None]
    if not sent:
        return None
    ways = [way for way in sent[0].deliveries or [] if all(way in (line.deliveries or []) for line in sent)]
    if not ways:
        raise refuse(FaultCode.CART_APART, "cart", ", ".join(line.name for line in sent))
    return ways


def in_parts(total: Money, parts: int) -> list[Money]:
    """Tells what each part comes to where an amount is paid in equal parts; what does not divide goes to the first
    ones.
    """
    return [Money(minor, total.currency) for minor in split([Fraction(total.minor, parts)] * parts, total.minor)]
