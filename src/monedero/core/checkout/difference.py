"""Tells what differs between two published states, as data: one change for each field of the models that is not the
same.

The fields of the models are walked, so that none can be forgotten: what is added to a model is compared from then on.

Source: own design.

>>> before = Checkout.model_validate({"storefront": "web-shop", "mode": "test", "tenders": [
...     {"id": "card", "method": "card", "on": True, "name": "Card"}]})
>>> card = before.tenders[0].model_copy(update={"on": False})
>>> after = before.model_copy(update={"tenders": [card]})
>>> [(change.code.value, change.name, change.setting, change.after) for change in changes(before, after)]
[('tender', 'Card', 'on', False)]
>>> changes(after, after)
[]
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from typing import Any

from pydantic import BaseModel

from monedero.core.checkout.model import Checkout
from monedero.core.delivery.model import CustomerGroup, Delivery
from monedero.core.method import Method
from monedero.core.order.area import Area
from monedero.core.shop import Line, Market, OwnMethod, Shop, Storefront, TypedRate

# The lists of a shop whose things are told one by one, each with what a thing goes by.
THINGS: Mapping[str, Any] = {
    "markets": lambda market: market.id,
    "lines": lambda line: line.id,
    "typed_rates": lambda rate: rate.currency,
    "own_methods": lambda own: own.method.id,
    "storefronts": lambda storefront: storefront.id,
    "customer_groups": lambda group: group.id,
    "deliveries": lambda way: way.id,
    "areas": lambda area: area.id,
}
Thing = Market | Line | TypedRate | OwnMethod | Storefront | CustomerGroup | Delivery | Area


class ChangeCode(StrEnum):
    """The kinds of change."""

    ADDED = "tender-added"
    REMOVED = "tender-removed"
    SEQUENCE = "sequence"
    TENDER = "tender"
    CHECKOUT = "checkout"
    SHOP = "shop"
    THING = "thing"
    METHOD = "method"


@dataclass(frozen=True, slots=True)
class Change:
    """One change.

    `setting` is the field that changed, `before` and `after` its values (None: there was none, there is none any
    more). `name` is the tender that it belongs to, or the id of a method.
    """

    code: ChangeCode
    name: str = ""
    setting: str = ""
    before: Any = None
    after: Any = None

    @property
    def fields(self) -> list[str]:
        """The fields of a thing that are not the same any more; none of a plain value, or where it came or went."""
        if not isinstance(self.before, BaseModel) or not isinstance(self.after, BaseModel):
            return []
        return [name for name, _, _ in differing(self.before, self.after)]


def differing(before: BaseModel, after: BaseModel) -> Iterator[tuple[str, Any, Any]]:
    """Every field of a model whose value is not the same in two of it."""
    for name in type(after).model_fields:
        old, new = getattr(before, name), getattr(after, name)
        if old != new:
            yield name, old, new


def changes(before: Checkout | None, after: Checkout) -> list[Change]:
    """Tells what changed in a checkout; before the first edition everything in it is added."""
    old = {tender.id: tender for tender in (before.tenders if before else [])}
    new = {tender.id: tender for tender in after.tenders}
    found = [
        Change(ChangeCode.CHECKOUT, setting=setting, before=was, after=now)
        for setting, was, now in (differing(before, after) if before else ())
        if setting != "tenders"
    ]
    found += [Change(ChangeCode.REMOVED, old[id].name, before=old[id]) for id in old if id not in new]
    for tender in after.tenders:
        if tender.id in old:
            found += [
                Change(ChangeCode.TENDER, tender.name, *differs) for differs in differing(old[tender.id], tender)
            ]
        else:
            found.append(Change(ChangeCode.ADDED, tender.name, after=tender))
    if [id for id in old if id in new] != [id for id in new if id in old]:
        found.append(Change(ChangeCode.SEQUENCE, after=[tender.name for tender in after.tenders]))
    return found


def shop_changes(before: Shop | None, after: Shop) -> list[Change]:
    """Tells what changed in the shop that a checkout is published for."""
    if before is None:
        return []
    found: list[Change] = []
    for setting, old, new in differing(before, after):
        if setting in THINGS:
            found += _things(setting, old, new)
        else:
            found.append(Change(ChangeCode.SHOP, setting=setting, before=old, after=new))
    return found


def _things(setting: str, before: Sequence[Thing], after: Sequence[Thing]) -> Iterator[Change]:
    """Tells what was added to, removed from or changed in a list; where nothing was, its sequence is another one."""
    goes_by = THINGS[setting]
    old, new = ({goes_by(thing): thing for thing in things} for things in (before, after))
    same = True
    for id in {**old, **new}:
        if old.get(id) != new.get(id):
            same = False
            yield Change(ChangeCode.THING, setting=setting, before=old.get(id), after=new.get(id))
    if same:
        yield Change(ChangeCode.SHOP, setting=setting, before=before, after=after)


def method_changes(before: Sequence[Method], after: Sequence[Method]) -> list[Change]:
    """Tells what changed in what the methods that both use can carry."""
    old = {method.id: method for method in before}
    return [
        Change(ChangeCode.METHOD, method.id, before=old[method.id], after=method)
        for method in after
        if method.id in old and old[method.id] != method
    ]
