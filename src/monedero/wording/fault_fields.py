"""The fields of faults as a reader meets them: amounts, days and codes become words here, and not before.

A fault carries an amount as `85.00 EUR`, a day as ISO 8601 writes it, a code as the name of a message, and a name in
other languages under `name@de`. The table says which field of which fault is what.

Source: own design; ISO 8601-1:2019 for days.
"""

from collections.abc import Callable, Mapping
from datetime import date
from enum import Enum, auto
from typing import NamedTuple

from monedero.core.errors import Fault, FaultCode


class Kind(Enum):
    """How a field is shown."""

    MONEY = auto()
    DAY = auto()
    DAYS = auto()
    """Several, separated by commas."""
    MESSAGE = auto()
    LABEL = auto()
    """The label of a field, or the id of a ready-made one."""


KINDS: Mapping[FaultCode, Mapping[str, Kind]] = {
    FaultCode.TOTAL_CHANGED: {"value": Kind.MONEY, "now": Kind.MONEY},
    FaultCode.AMOUNT_CHOSEN: {"value": Kind.MONEY, "least": Kind.MONEY, "most": Kind.MONEY},
    FaultCode.VOUCHER_EXPIRED: {"day": Kind.DAY},
    FaultCode.STOREFRONT_PAUSED: {"day": Kind.DAY},
    FaultCode.DELIVERY_DAY: {"value": Kind.DAY, "days": Kind.DAYS},
    FaultCode.DELIVERY_REFUSED: {"why": Kind.MESSAGE},
    FaultCode.ANSWER_MISSING: {"label": Kind.LABEL},
    FaultCode.ANSWER_NUMBER: {"label": Kind.LABEL},
}


class Shows(NamedTuple):
    """How a reader meets amounts, days and messages (empty where there is none), and the language of names."""

    money: Callable[[str], str]
    day: Callable[[str], str]
    message: Callable[[str, Mapping[str, str]], str]
    language: str


def shown_fields(fault: Fault, shows: Shows) -> dict[str, str]:
    """The fields of a fault for a reader, its value among them."""
    plain = {**fault.fields, "value": fault.value}
    shown = {name: text for name, text in plain.items() if "@" not in name}
    shown |= {name: plain.get(f"{name}@{shows.language}", text) for name, text in shown.items()}
    for name, kind in KINDS.get(fault.code, {}).items():
        if text := shown.get(name, ""):
            shown[name] = _shown(text, kind, shows, shown)
    return shown


def _is_day(text: str) -> bool:
    """True if a text is a day: what somebody typed in its place is shown as it came."""
    try:
        date.fromisoformat(text)
    except ValueError:
        return False
    return True


def _shown(text: str, kind: Kind, shows: Shows, fields: Mapping[str, str]) -> str:
    match kind:
        case Kind.MONEY:
            return shows.money(text)
        case Kind.DAY | Kind.DAYS:
            return ", ".join(shows.day(each) if _is_day(each) else each for each in text.split(", "))
        case Kind.MESSAGE:
            return shows.message(text, fields)
        case Kind.LABEL:
            return shows.message(f"ask-{text}", {}) or text
