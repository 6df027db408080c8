"""Why a condition of the shop's holds a tender back, in a sentence.

Source: own design.

>>> from monedero.core.reasons import ReasonCode
>>> reason = Reason(ReasonCode.CONDITION_DELIVERY, ("courier",), ("courier",), {"asks": "not"})
>>> condition_reason(reason, {"delivery/courier": "by Courier"})
'not by Courier; this order goes by Courier'
"""

from collections.abc import Callable, Mapping
from datetime import date

from monedero.core.order.model import NOT_DELIVERED
from monedero.core.reasons import Reason, Value
from monedero.wording.catalogue import has, say
from monedero.wording.places import country_name, network_name
from monedero.wording.show import any_of, day, listed


def condition_reason(reason: Reason, names: Mapping[str, str]) -> str:
    """Tells which condition of the shop's does not hold, and the order's own value."""
    given, code = reason.fields, reason.code.value
    about = code.removeprefix("condition-").removesuffix("-unknown")
    if isinstance(reason.limit, date) and isinstance(reason.own, date):
        limit, own, asked = day(reason.limit.isoformat()), day(reason.own.isoformat()), ""
    else:
        limit = any_of(value_text(about, value, names) for value in _texts(reason.limit))
        own = _own_values(about, _texts(reason.own), names)
        asks = f"asks-{about}"
        asked = say(asks, limit=limit, asks=given.get("asks", "")) if has(asks) else ""
    fields = {
        "limit": limit,
        "own": own,
        "asked": asked,
        "asks": given.get("asks", ""),
        "end": given.get("end", ""),
    }
    said = say(f"reason-{code}", **fields)
    shared = given.get("shared")
    return say("reason-of-set", said=said, set=names.get(f"shared/{shared}", shared)) if shared else said


def delivery_reason(reason: Reason, names: Mapping[str, str]) -> str:
    """Tells which ways of delivery a method fits, and how the order goes.

    >>> from monedero.core.reasons import ReasonCode
    >>> delivery_reason(Reason(ReasonCode.METHOD_DELIVERY, ("pier",), ("van",)), {"delivery/van": "by Van"})
    'its method fits orders that go pier; this order goes by Van'
    """
    limit = any_of(value_text("delivery", value, names) for value in _texts(reason.limit))
    own = listed(value_text("delivery", value, names) for value in _texts(reason.own))
    return say(f"reason-{reason.code.value}", limit=limit, own=own, some="yes" if reason.limit else "no")


def _texts(value: Value) -> list[str]:
    return [str(entry) for entry in value] if isinstance(value, tuple) else [str(value)]


def _own_values(about: str, own: list[str], names: Mapping[str, str]) -> str:
    if about == "area" and own:
        return " ".join([country_name(own[0]), *own[1:]])
    return listed(value_text(about, value, names) for value in own)


def value_text(about: str, value: str, names: Mapping[str, str]) -> str:
    """A value of a fact as it reads in a sentence; `about` is the fact, with hyphens."""
    name = names.get(f"{about}/{value}", value)
    if about == "delivery" and value == NOT_DELIVERED:
        return say("goes-none")
    return READS[about](value) if about in READS else name


READS: Mapping[str, Callable[[str], str]] = {
    "country": country_name,
    "card-network": network_name,
    "kind": lambda value: say(f"kind-{value}"),
    "device": lambda value: say(f"on-{value}"),
}
"""How the values of a fact read that have names of their own."""
