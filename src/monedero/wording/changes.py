"""What publishing would change for buyers, in sentences: one for every field of the models that can differ.

The message of a field is named after it, such as `tender-due-days`; a test fails for a field without one.

Source: own design.
"""

from collections.abc import Callable, Mapping
from typing import Any

from monedero.core.delivery.model import CustomerGroup, Delivery
from monedero.core.order.area import Area
from monedero.core.ratecard.model import Route
from monedero.core.shop import Line, Market, OwnMethod, Storefront, TypedRate
from monedero.core.tender.difference import Change, ChangeCode, Thing
from monedero.core.window import Window
from monedero.wording.catalogue import has, say
from monedero.wording.places import country_name
from monedero.wording.show import listed, money


def change_text(change: Change, providers: Mapping[str, str]) -> str:
    """A change in a sentence; `providers` are the names of providers by their ids."""
    return SENTENCES[change.code](change, providers)


def message_of(kind: str, field: str) -> str:
    """The name of the message of a field: `tender-due-days` for `due_days` of a tender."""
    return f"{kind}-{field.replace('_', '-')}"


def _tender(change: Change, providers: Mapping[str, str]) -> str:
    message, after = message_of("tender", change.setting), change.after
    if isinstance(after, Route):
        provider = providers.get(after.provider, after.provider)
        return say(message, name=change.name, provider=provider, plan=after.plan)
    if after in NONE_GIVEN and has(none := f"{message}-none"):
        return say(none, name=change.name)
    return say(message, name=change.name, before=_plain(change.before), after=_plain(after))


NONE_GIVEN: tuple[object, ...] = (None, "", [], {})


def _plain(value: Any) -> str | int:
    """The value of a setting as a message takes it: yes or no, a number, a code, or a text."""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, list):
        return "; ".join(window_text(entry) if isinstance(entry, Window) else str(entry) for entry in value)
    return value if isinstance(value, int) else str(value)


def window_text(window: Window) -> str:
    """A window in words: `from 60.00 EUR up to 1,200.00 EUR`."""
    ends = (("from", window.from_), ("up-to", window.up_to), ("below", window.below))
    return " ".join(say(f"band-{end}", amount=money(str(limit))) for end, limit in ends if limit is not None)


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
    fields = listed(say(message_of("field", name)) for name in change.fields)
    return say("thing-changes", thing=_called(change.before), fields=fields)


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


SENTENCES: Mapping[ChangeCode, Callable[[Change, Mapping[str, str]], str]] = {
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
