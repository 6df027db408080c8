"""Refusals as buyers read them.

Source: own design.

>>> from monedero.core.errors import FaultCode
>>> from monedero.wording.buyers import to_buyer
>>> with to_buyer("de"):
...     buyer_fault_text(Fault(FaultCode.VOUCHER_EXPIRED, "code", "7QXD", {"day": "2026-11-24"}))
'Der Gutschein mit der Endung 7QXD galt bis 24.11.2026.'
"""

from collections.abc import Mapping
from datetime import date

from monedero.core.errors import Fault, InvalidInput
from monedero.wording import fault_text
from monedero.wording.buyer_formats import day, money_text
from monedero.wording.buyers import catalogue, tag, tell
from monedero.wording.catalogue import FALLBACK
from monedero.wording.fault_fields import Shows, shown_fields


def buyer_fault_text(fault: Fault) -> str:
    """Tells what is wrong, for the buyer who reads now; what buyers seldom meet is said as at the desk."""
    message = f"fault-{fault.code.value}"
    if message not in catalogue(FALLBACK).fields:
        return fault_text(fault)
    return tell(message, **shown_fields(fault, Shows(_money, _day, _message, tag())))


def _money(text: str) -> str:
    try:
        return money_text(text)
    except InvalidInput:
        return text


def _day(iso: str) -> str:
    return day(date.fromisoformat(iso))


def _message(name: str, fields: Mapping[str, str]) -> str:
    return tell(name, **fields) if name in catalogue(FALLBACK).fields else ""
