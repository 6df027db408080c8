"""A provider of the owner's own: its prices typed, or read from its price list, and kept with what is known of it."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, refuse
from monedero.core.provider import CardData, Contract, ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.terms import CardSource
from monedero.formats.price_table import PriceColumns, guess, text_of
from monedero.formats.price_text.model import Correction, RateLine, ReadLine
from monedero.formats.price_text.reader import Given, PriceText, read, typed
from monedero.store.rate_cards import day_of
from monedero.work.context import Context


class PriceRowUnread(InvalidInput):
    """A typed price that is not understood, with what is wrong with it as data."""

    def __init__(self, line: ReadLine) -> None:
        super().__init__(Fault(FaultCode.PRICE_ROW, f"rows.{line.number - 1}"))
        self.unread = line.unread


@dataclass(frozen=True, slots=True)
class Beginning:
    """Holds what a provider begins with: who it is, and its prices as a text (with corrections by line) or as rows."""

    given: Given
    text: str = ""
    corrections: Mapping[int, Correction] | None = None
    rows: Sequence[RateLine] = ()


def prices_of(beginning: Beginning) -> PriceText:
    """The prices of a provider, as they would be kept."""
    if beginning.rows:
        return typed(beginning.rows, beginning.given)
    return read(beginning.text, beginning.given, beginning.corrections)


def table_as_text(
    context: Context, header: Sequence[str], rows: Sequence[Sequence[str]], columns: PriceColumns, currency: str
) -> str:
    """The price list that a table says; its columns are remembered for the next table with the same header."""
    text = text_of(header, rows, columns, currency)
    context.shop.past_orders.remember(_remembered_by(header), columns.model_dump_json())
    return text


def columns_of(context: Context, header: Sequence[str], rows: Sequence[Sequence[str]]) -> PriceColumns:
    """Tells which column of a table says what: as the owner matched this header the last time, else a guess."""
    kept = context.shop.past_orders.remembered(_remembered_by(header))
    return PriceColumns.model_validate_json(kept) if kept else guess(header, rows)


def _remembered_by(header: Sequence[str]) -> str:
    """Apart from the headers of past orders, which lie in the same place."""
    return json.dumps(["prices", header], ensure_ascii=False)


def keep(context: Context, beginning: Beginning, today: date) -> RateCard:
    """Keep the prices as a new rate card, with the text as its source, and the provider beside it.

    Refuses prices of which none is read, rows that say otherwise of the same, and a card that is there from that day.
    """
    found = prices_of(beginning)
    if beginning.rows and found.unread:
        raise PriceRowUnread(found.unread[0])
    if found.card is None:
        raise refuse(FaultCode.TEXT_NO_PRICE, "text")
    card = found.card
    if not beginning.rows:
        card = card.model_copy(update={"source": CardSource(text=beginning.text, read_on=today)})
    day = day_of(card)
    with context.shop.together():
        if context.shop.rate_cards.get(card.provider.id, day) is not None:
            raise Conflict(Fault(FaultCode.CARDS_SAME_DAY, "valid_from", day, {"provider": card.provider.name}))
        context.shop.rate_cards.save(card, card.provider.id, day, 0)
        if card.provider.id not in context.shop.providers.all():
            cards = any(rate.method == "card" for rate in card.rates)
            facts = ProviderFacts(
                id=card.provider.id,
                name=card.provider.name,
                about="",
                contract=Contract.ALL_IN_ONE,
                card_data=CardData.PROVIDER_PAGE if cards else CardData.NONE,
                review_days=0,
            )
            context.shop.providers.put(facts)
    return card
