"""What an entry of a rate card asks of an order, in words.

Source: own design.

>>> when_text(When())
'any order'
>>> when_text(When(card_kind=["consumer-debit"], conversion=False))
'consumer debit card; no conversion'
"""

from collections.abc import Iterable

from monedero.core.ratecard.model import Band, When
from monedero.wording.places import country_name
from monedero.wording.show import money

ORIGINS = {
    "domestic": "buyer in the shop's country",
    "region": "buyer elsewhere in the provider's region",
    "abroad": "buyer from abroad",
}


def when_text(when: When) -> str:
    """The conditions of a rate or an extra, each present key in words."""
    return "; ".join(_phrases(when)) or "any order"


def _phrases(when: When) -> Iterable[str]:
    if when.origin:
        yield _any(ORIGINS[origin.value] for origin in when.origin)
    if when.buyer_country:
        yield f"buyer in {_any(country_name(code) for code in when.buyer_country)}"
    if when.card_kind:
        yield f"{_any(kind.value.replace('-', ' ') for kind in when.card_kind)} card"
    if when.card_network:
        yield f"network {_any(network.capitalize() for network in when.card_network)}"
    if when.currency:
        yield f"in {_any(when.currency)}"
    if when.line_kind:
        yield f"for {_any(kind.value for kind in when.line_kind)}"
    if when.recurring is not None:
        yield "repeating" if when.recurring else "once"
    if when.amount:
        yield f"amount {_band(when.amount)}"
    if when.monthly_volume:
        yield f"account takes {_band(when.monthly_volume)} a month"
    if when.conversion is not None:
        yield "converted" if when.conversion else "no conversion"


def _any(words: Iterable[str]) -> str:
    return " or ".join(words)


def _band(band: Band) -> str:
    ends = (("from", band.from_), ("below", band.below))
    return " ".join(f"{end} {money(str(limit))}" for end, limit in ends if limit is not None)
