"""What differs between two published states, as data: one entry for each thing that an owner changed.

Source: own design.

>>> changes(None, Checkout(storefront="Web shop", mode="test"))
[]
>>> Change("never-heard-of")
Traceback (most recent call last):
...
ValueError: 'never-heard-of' is not a valid ChangeCode
"""

from collections.abc import Iterable
from dataclasses import dataclass, field
from enum import StrEnum

from monedero.core.shop import Line, Market, Shop
from monedero.core.tender.model import Checkout, Tender
from monedero.core.window import Window


class ChangeCode(StrEnum):
    """The kinds of change."""

    ADDED = "tender-added"
    REMOVED = "tender-removed"
    ON = "tender-on"
    OFF = "tender-off"
    RENAMED = "tender-renamed"
    DESCRIBED = "tender-described"
    WINDOW = "tender-window"
    SEQUENCE = "sequence"
    SHOP = "shop"
    MARKET = "market"
    LINE = "line"


@dataclass(frozen=True, slots=True)
class Change:
    """One change: its code, and what it was about, before and after."""

    code: ChangeCode
    fields: dict[str, str] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Refuse a code that is not in the list."""
        object.__setattr__(self, "code", ChangeCode(self.code))


def changes(before: Checkout | None, after: Checkout) -> list[Change]:
    """What changed in a checkout; before the first edition everything in it is added."""
    old = {tender.id: tender for tender in (before.tenders if before else [])}
    new = {tender.id: tender for tender in after.tenders}
    found = [Change(ChangeCode.REMOVED, {"name": old[name].name}) for name in old if name not in new]
    for tender in after.tenders:
        if tender.id in old:
            found += _tender_changes(old[tender.id], tender)
        else:
            found.append(Change(ChangeCode.ADDED, {"name": tender.name, "state": "on" if tender.on else "off"}))
    kept_before = [name for name in old if name in new]
    kept_after = [tender for tender in after.tenders if tender.id in old]
    if kept_before != [tender.id for tender in kept_after]:
        found.append(Change(ChangeCode.SEQUENCE, {"after": ", ".join(tender.name for tender in kept_after)}))
    return found


def _tender_changes(old: Tender, new: Tender) -> Iterable[Change]:
    if old.on != new.on:
        yield Change(ChangeCode.ON if new.on else ChangeCode.OFF, {"name": new.name})
    if old.name != new.name:
        yield Change(ChangeCode.RENAMED, {"before": old.name, "after": new.name})
    if old.description != new.description:
        yield Change(ChangeCode.DESCRIBED, {"name": new.name, "after": new.description})
    if old.windows != new.windows:
        yield Change(ChangeCode.WINDOW, {"name": new.name, "after": "; ".join(map(window_text, new.windows))})


def window_text(window: Window) -> str:
    """A window in words of the format: `from 60.00 EUR, up_to 1200.00 EUR`."""
    ends = (("from", window.from_), ("up_to", window.up_to), ("below", window.below))
    return ", ".join(f"{end} {limit}" for end, limit in ends if limit is not None)


def shop_changes(before: Shop | None, after: Shop) -> list[Change]:
    """What changed in the shop that a checkout is published for."""
    if before is None:
        return []
    found = [
        Change(ChangeCode.SHOP, {"what": what, "before": str(old), "after": str(new)})
        for what, old, new in (
            ("name", before.name, after.name),
            ("country", before.country, after.country),
            ("currency", before.currency, after.currency),
        )
        if old != new
    ]
    for code, olds, news in (
        (ChangeCode.MARKET, _named(before.markets), _named(after.markets)),
        (ChangeCode.LINE, _named(before.lines), _named(after.lines)),
    ):
        for name in {**olds, **news}:
            if olds.get(name) != news.get(name):
                how = "added" if name not in olds else "removed" if name not in news else "changed"
                found.append(Change(code, {"name": name, "how": how}))
    return found


def _named(things: Iterable[Market | Line]) -> dict[str, Market | Line]:
    return {
        f"{thing.country} {thing.currency}" if isinstance(thing, Market) else thing.name: thing for thing in things
    }
