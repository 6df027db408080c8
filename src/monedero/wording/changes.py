"""Tells what publishing would change for buyers, in sentences: one for every field of the models that can differ.

The message of a field is named after it, such as `tender-due-days`; a test fails for a field without one.

Source: own design.
"""

from collections.abc import Callable, Mapping
from typing import Any

from pydantic import BaseModel

from monedero.core.checkout.difference import Change, ChangeCode, Thing, differing
from monedero.core.checkout.model import Tender
from monedero.core.delivery.model import CustomerGroup, Delivery
from monedero.core.money import Money
from monedero.core.order.area import Area
from monedero.core.ratecard.model import Route
from monedero.core.shop import Line, Market, OwnMethod, Storefront, TypedRate
from monedero.wording.catalogue import has, say
from monedero.wording.limits_and_fees import fee_text, window_text
from monedero.wording.places import country_name, network_name
from monedero.wording.show import listed, money
from monedero.wording.tender_conditions import condition_text

Names = Mapping[str, str]


def change_text(change: Change, names: Names) -> str:
    """A change in a sentence; `names` are those of providers by their ids, and as for reasons."""
    return SENTENCES[change.code](change, names)


def message_of(kind: str, field: str) -> str:
    """The name of the message of a field: `tender-due-days` for `due_days` of a tender."""
    return f"{kind}-{field.replace('_', '-')}"


def _tender(change: Change, names: Names) -> str:
    """Tells what a setting of a tender becomes, and what it was where that can be said in a few words."""
    said, before = _becomes(change, names), _setting(change.setting, change.before, names)
    if change.setting not in SAID_THERE_AND_BACK or not before:
        return said
    return say("change-before", said=said.removesuffix("."), before=before)


def _becomes(change: Change, names: Names) -> str:
    message, after = message_of("tender", change.setting), change.after
    if isinstance(after, Route):
        return say(message, name=change.name, provider=names.get(after.provider, after.provider), plan=after.plan)
    if after in NONE_GIVEN and has(none := f"{message}-none"):
        return say(none, name=change.name)
    told = _setting(change.setting, after, names)
    plain = told if change.setting in SAID_THERE_AND_BACK and told else _plain(after)
    return say(message, name=change.name, before=_plain(change.before), after=plain)


NONE_GIVEN: tuple[object, ...] = (None, "", [], {})


def _setting(setting: str, value: Any, names: Names) -> str:
    """The value of a setting in a few words; what holds where nothing is set."""
    if setting not in SAID_THERE_AND_BACK:
        return ""
    if value in NONE_GIVEN:
        return say(message_of("unset", setting))
    return VALUES[setting](value, names)


VALUES: Mapping[str, Callable[[Any, Names], str]] = {
    "route": lambda value, names: say(
        "change-route", provider=names.get(value.provider, value.provider), plan=value.plan
    ),
    "windows": lambda value, _: "; ".join(map(window_text, value)),
    "conditions": lambda value, names: "; ".join(condition_text(condition, names) for condition in value),
    "shared": lambda value, names: listed(names.get(f"shared/{id}", id) for id in value),
    "networks": lambda value, _: listed(map(network_name, value)),
    "fee": lambda value, _: fee_text(value),
    "heading": lambda value, names: names.get(f"heading/{value}", value),
    "due_days": lambda value, _: say("days", count=value),
    "lapse_days": lambda value, _: say("days", count=value),
}
"""How the value of a setting reads that is said there and back."""
SAID_THERE_AND_BACK = frozenset(VALUES)
"""The settings of a tender whose value before is said too; what a yes or no was before goes without saying."""


def _plain(value: Any) -> str | int:
    """The value of a setting as a message takes it: yes or no, a number, a code, or a text."""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, list):
        return "; ".join(map(str, value))
    return value if isinstance(value, int) else str(value)


def _shop(change: Change) -> str:
    message = message_of("shop", change.setting)
    if change.setting in SAID_WHOLE:
        return say(message)
    before, after = (
        country_name(value) if change.setting == "country" else _value(value)
        for value in (change.before, change.after)
    )
    return say("shop-changes", what=say(message), before=before, after=after)


# Settings of a shop whose change is a sentence of its own: their parts are told one by one.
SAID_WHOLE = frozenset(
    {
        *("markets", "lines", "typed_rates", "software", "own_methods", "storefronts"),
        *("customer_groups", "deliveries", "areas", "arrangements"),
    }
)


def _value(value: Any) -> str:
    if value is None or value == []:
        return say("change-nothing")
    if isinstance(value, list):
        return listed(map(str, value))
    return money(str(value))


def _thing(change: Change) -> str:
    if change.before is None:
        return say("thing-added", thing=_called(change.after))
    if change.after is None:
        return say("thing-removed", thing=_called(change.before))
    fields = listed(_field(name, before, after) for name, before, after in differing(change.before, change.after))
    return say("thing-changes", thing=_called(change.before), fields=fields)


def _field(name: str, before: Any, after: Any) -> str:
    """A field of a thing, from what to what where that is a plain value."""
    field = say(message_of("field", name))
    if any(isinstance(value, BaseModel | Mapping | list) for value in (before, after)):
        return field
    return say("field-from-to", field=field, before=_plain_value(name, before), after=_plain_value(name, after))


def _plain_value(name: str, value: Any) -> str:
    if value in NONE_GIVEN:
        return say("change-nothing")
    if isinstance(value, bool):
        return say("field-yes" if value else "field-no")
    if isinstance(value, Money):
        return money(str(value))
    return country_name(value) if name == "country" else str(value)


def _called(thing: Thing) -> str:
    if isinstance(thing, Market):
        return say("thing-market", country=country_name(thing.country), currency=thing.currency)
    if isinstance(thing, TypedRate):
        return say("thing-rate", name=thing.currency)
    if isinstance(thing, OwnMethod):
        return say("thing-method", name=thing.method.name)
    return say(CALLED[type(thing)], name=thing.name)


CALLED: Mapping[type[Thing], str] = {
    Line: "thing-line",
    Storefront: "thing-storefront",
    CustomerGroup: "thing-group",
    Delivery: "thing-delivery",
    Area: "thing-area",
}
"""The message of a thing that goes by its name."""


SENTENCES: Mapping[ChangeCode, Callable[[Change, Names], str]] = {
    ChangeCode.ADDED: lambda change, _: say("change-added", name=change.name, on=_plain(change.after.on)),
    ChangeCode.REMOVED: lambda change, _: say("change-removed", name=change.name),
    ChangeCode.SEQUENCE: lambda change, _: say("change-sequence", names=listed(change.after)),
    ChangeCode.METHOD: lambda change, _: say("change-method", name=change.after.name),
    ChangeCode.CHECKOUT: lambda change, _: say(
        message_of("checkout", change.setting), before=str(change.before), after=str(change.after)
    ),
    ChangeCode.SHOP: lambda change, _: _shop(change),
    ChangeCode.THING: lambda change, _: _thing(change),
    ChangeCode.TENDER: _tender,
}


def tender_summary(tender: Tender, names: Names) -> str:
    """Tells what is published of a tender: its name, its limits, to whom, and what its buyer pays on top."""
    sets = [names.get(f"shared/{id}", id) for id in tender.shared]
    parts = [
        "; ".join(map(window_text, tender.windows)),
        *(condition_text(condition, names) for condition in tender.conditions),
        listed(sets),
        say("summary-networks", networks=listed(map(network_name, tender.networks))) if tender.networks else "",
        say("summary-fee", fee=fee_text(tender.fee)) if tender.fee else "",
    ]
    told = "; ".join(filter(None, parts))
    return say("summary", name=tender.name, told=told) if told else tender.name
