"""Tells what an entry of a rate card asks of an order, in words.

Source: own design.

>>> when_text(When())
'any order'
>>> when_text(When(card_kind=["consumer-debit"], conversion=False))
'consumer debit card; no conversion'
>>> when_text(When(card_kind=["consumer-debit"], conversion=False), short=True)
'debit; no conversion'
"""

from collections.abc import Callable, Iterable

from monedero.core.ratecard.model import Band, When
from monedero.wording.catalogue import has, say
from monedero.wording.places import country_name, network_name
from monedero.wording.show import any_of, money


def when_text(when: When, *, short: bool = False) -> str:
    """The conditions of a rate or an extra, each present key in words; in short, as they stand in a table."""
    return "; ".join(_phrases(when, _shortly if short else say)) or say("any-order")


def _shortly(message: str, **fields: str) -> str:
    brief = f"{message}.short"
    return say(brief if has(brief) else message, **fields)


def _phrases(when: When, say: Callable[..., str]) -> Iterable[str]:
    if when.origin:
        yield any_of(say(f"origin-{origin.value}") for origin in when.origin)
    if when.buyer_country:
        yield say("when-country", countries=any_of(country_name(code) for code in when.buyer_country))
    if when.card_kind:
        yield say("when-card", kinds=any_of(say(f"card-{kind.value}") for kind in when.card_kind))
    if when.card_network:
        yield say("when-network", networks=any_of(map(network_name, when.card_network)))
    if when.currency:
        yield say("when-currency", currencies=any_of(when.currency))
    if when.line_kind:
        yield say("when-kind", kinds=any_of(say(f"kind-{kind.value}") for kind in when.line_kind))
    if when.recurring is not None:
        yield say("when-repeating" if when.recurring else "when-once")
    if when.amount:
        yield say("when-amount", band=_band(when.amount))
    if when.monthly_volume:
        yield say("when-volume", band=_band(when.monthly_volume))
    if when.conversion is not None:
        yield say("when-converted" if when.conversion else "when-not-converted")


def _band(band: Band) -> str:
    ends = (("from", band.from_), ("below", band.below))
    return " ".join(say(f"band-{end}", amount=money(str(limit))) for end, limit in ends if limit is not None)
