"""The faults of a refusal that carries its reasons as data, with the reasons worded."""

from collections.abc import Sequence
from dataclasses import replace

from monedero.core.errors import Fault, Refused
from monedero.wording import reason_text
from monedero.wording.names import names_of
from monedero.wording.price_text import unread_text
from monedero.work.checkout.held_back import TenderHeldBack
from monedero.work.compare.new_provider import PriceRowUnread


def with_reasons(refused: Refused) -> Sequence[Fault]:
    """The faults of a refusal; one that has reasons names them in the language that is read now."""
    if isinstance(refused, TenderHeldBack):
        names = {**refused.providers, **names_of(refused.shop, refused.checkout)}
        why = "; ".join(reason_text(reason, names) for reason in refused.reasons)
    elif isinstance(refused, PriceRowUnread):
        why = unread_text(refused.unread) if refused.unread else ""
    else:
        return refused.faults
    return [replace(fault, fields={**fault.fields, "why": why}) for fault in refused.faults]
