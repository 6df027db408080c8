"""A tender in words, for an owner who sets up shop software by hand: each thing to set with its value.

Source: own design.

>>> from monedero.core.checkout.fee import BuyerFee
>>> fee_text(BuyerFee(percent="1.5", fixed="0.10 EUR", tax_percent="23", networks={"borealis": {"percent": "2"}}))
'1.5 % + 0.10 EUR; 2 % on Borealis; with 23 % tax'
>>> fee_text(BuyerFee(percent="-1"))
'1 % less'
"""

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from monedero.core.checkout.condition import Condition
from monedero.core.checkout.model import Tender
from monedero.core.method import Method
from monedero.wording.catalogue import say
from monedero.wording.limits_and_fees import fee_text, window_text
from monedero.wording.places import network_name
from monedero.wording.show import listed
from monedero.wording.tender_conditions import condition_text, method_limits


class SheetLine(NamedTuple):
    """One thing to set: what it is, and its value."""

    what: str
    value: str


def sheet_lines(
    tender: Tender, method: Method, conditions: Iterable[Condition], names: Mapping[str, str], text: str = ""
) -> list[SheetLine]:
    """Everything to set of a tender but its place; `conditions` are its own and those of its shared sets.

    `text` is what buyers read under its name.
    """
    asks = [condition_text(condition, names) for condition in conditions]
    account = names.get(f"account/{tender.carried_by}", "")
    values = {
        "name": tender.name,
        "names": listed(f"{name} ({tag})" for tag, name in tender.names.items()),
        "text": text,
        "method": method.name,
        "account": account or say("sheet-no-account"),
        "heading": names.get(f"heading/{tender.heading}", ""),
        "amounts": "; ".join(map(window_text, tender.windows)) or say("sheet-any-amount"),
        "conditions": "; ".join(asks) or say("sheet-anybody"),
        "limits": "; ".join(method_limits(method)),
        "networks": listed(map(network_name, tender.networks or [])),
        "fee": fee_text(tender.fee) if tender.fee else "",
        "take": say(f"sheet-take-{tender.take.value}"),
        "gives": say(f"sheet-gives-{tender.gives.value}"),
        "due": say("days", count=tender.due_days) if tender.due_days is not None else "",
        "lapse": say("days", count=tender.lapse_days) if tender.lapse_days is not None else "",
    }
    return [SheetLine(say(f"sheet-{name}"), value) for name, value in values.items() if value]
