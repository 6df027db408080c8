"""A new provider: its prices typed or pasted, looked at for the order in hand before they are kept."""

from collections.abc import Mapping
from typing import Literal, get_args

from fastapi import APIRouter
from pydantic import BaseModel, Field

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.rate_cards import CardOut, TriedOut, kept_out, tried_out
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHand, sentence
from monedero.core.account import Mode
from monedero.core.errors import FaultCode, refuse
from monedero.core.fields import CountryCode, CurrencyCode, Day, Identifier, MoneyText, Name, Percent
from monedero.core.numbers import decimal_text
from monedero.core.order.kinds import CardKind
from monedero.core.ratecard.model import RateCard
from monedero.formats.price_text.assembly import WITH_CARDS
from monedero.formats.price_text.model import (
    Correction,
    ExtraLine,
    Facets,
    Meaning,
    NoPrice,
    Price,
    RateLine,
    ReadLine,
)
from monedero.formats.price_text.reader import Given
from monedero.server.shops import RunningShop
from monedero.wording.catalogue import say
from monedero.wording.places import country_name
from monedero.wording.price_text import Names, line_said
from monedero.wording.show import listed
from monedero.work.compare.new_provider import Beginning, keep, prices_of
from monedero.work.compare.rate_cards import try_card
from monedero.work.context import Context
from monedero.work.month.without_price import without_price
from monedero.work.shop.lookups import described_shop, methods_of
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/new-provider", tags=["rate cards"], responses=PROBLEMS)
Place = Literal["domestic", "eea", "eu", "abroad", "outside-eea", "outside-eu"]

PLACES: tuple[Place, ...] = get_args(Place)


class PriceRow(BaseModel):
    """A price that is typed: of a method, for cards from a place or from anywhere."""

    method: Identifier
    place: Place | None = None
    percent: Percent | None = None
    fixed: MoneyText | None = None


class LineCorrection(BaseModel):
    """Holds what the owner says that a line of the text means; what is left out stays as it was read.

    `plan` is the id of one in the text, `band` says of what its ends are, `no_price` leaves it out, and `first` has its
    price go before those of which neither is the narrower one.
    """

    line: int
    methods: list[Identifier] | None = None
    card_kinds: list[CardKind] | None = None
    places: list[Place] | None = None
    plan: Identifier | None = None
    band: Literal["amount", "volume"] | None = None
    no_price: bool | None = None
    first: bool | None = None


class NewProvider(BaseModel):
    """A provider with its prices, as a text or as rows; `hand` is the order for which they are looked at."""

    name: Name
    country: CountryCode
    currency: CurrencyCode
    valid_from: Day | None = None
    networks: list[Identifier] = []
    text: str = ""
    corrections: list[LineCorrection] = []
    rows: list[PriceRow] = Field(default=[], max_length=100)
    hand: InHand | None = None

    @property
    def beginning(self) -> Beginning:
        """Tells what it is in the words of the work."""
        given = Given(self.name, self.country, self.currency, tuple(self.networks), self.valid_from)
        corrections = {
            entry.line: Correction(
                methods=_tuple(entry.methods),
                card_kinds=_tuple(entry.card_kinds),
                origins=_tuple(entry.places),
                plan=entry.plan,
                band=entry.band,
                no_price=bool(entry.no_price),
                first=bool(entry.first),
            )
            for entry in self.corrections
        }
        return Beginning(given, self.text, corrections, [_row(row) for row in self.rows])


class LineOut(BaseModel):
    """A line of the text: the sentence that it means, or why it was not read.

    Of a price also what can be picked otherwise (methods; of one `with_cards` their kinds and places as well), the
    `countries` of buyers that it names, and the words that follow that. `fee` is what the order in hand costs by it.
    `why` is the code of why it was not read; `pointed` says that the owner said that it is no price, `asks` that the
    owner has to say which of two prices goes first.
    """

    number: int
    text: str
    kind: Literal["blank", "note", "price", "extra", "other", "unread"]
    sentence: str
    tail: str
    methods: list[str]
    card_kinds: list[CardKind]
    places: list[Place]
    countries: list[str]
    with_cards: bool
    fee: str | None
    overlaps: str
    asks: bool
    why: str | None
    pointed: bool


class NewProviderOut(BaseModel):
    """How the prices are read: every line, the card that they make, and what the order in hand costs on it.

    `text` has a line for each price: tables and tiers of the text that was asked for are unfolded. `plans` are those of
    the card, by id.
    """

    mode: Mode
    text: str
    plans: dict[str, str]
    lines: list[LineOut]
    card: RateCard | None
    prices: int
    unread: int
    tried: list[TriedOut]


class WithoutPriceOut(BaseModel):
    """Orders of the month that the prices are none for, as a sentence; `orders` of `of` have none."""

    mode: Mode
    orders: str
    of: str
    text: str


MOST_NAMED = 4


def _tuple(values: list[str] | list[CardKind] | list[Place] | None) -> tuple[str, ...] | None:
    return None if values is None else tuple(str(value) for value in values)


def _row(row: PriceRow) -> RateLine:
    facets = Facets(methods=(row.method,), origins=(row.place,) if row.place else ())
    return RateLine(facets, Price(percent=row.percent, fixed=row.fixed))


@router.post("/preview")
def preview_new_provider(running: RunningDep, context: ContextDep, asked: NewProvider) -> NewProviderOut:
    """How prices would be read, and what the order in hand would cost; nothing is kept."""
    found = prices_of(asked.beginning)
    tried = _tried(running, context, found.card, asked.hand)
    fees = {entry.rate: entry.fee for entry in reversed(tried)}
    shop = described_shop(running.store).value
    names = Names.of(found.card, {id: method.name for id, method in methods_of(shop).items()})
    shut = {entry.route.method: entry.reasons[0].text for entry in tried if entry.fee is None and entry.reasons}
    lines = [_line(line, names, fees, shut) for line in found.lines]
    return NewProviderOut(
        mode=context.mode,
        text=found.text,
        plans=dict(names.plans),
        lines=lines,
        card=found.card,
        prices=sum(line.kind in ("price", "extra") for line in lines),
        unread=len(found.unread),
        tried=tried,
    )


@router.post("/month")
def read_orders_without_price(running: RunningDep, context: ContextDep, asked: NewProvider) -> WithoutPriceOut:
    """Count the orders of the month that no price would be found for; nothing is kept."""
    card = prices_of(asked.beginning).card
    if card is None:
        raise refuse(FaultCode.TEXT_NO_PRICE, "text")
    found = without_price(context, card, running.clock.now().date())
    lacking = found.lacking
    first = list(found.by_country.items())[:MOST_NAMED]
    named = [
        say("country-orders", country=country_name(country), orders=decimal_text(orders, 1))
        for country, orders in first
    ]
    rest = lacking - sum(orders for _, orders in first)
    if rest:
        named.append(say("country-orders", country=say("other-countries"), orders=decimal_text(rest, 1)))
    every = decimal_text(found.orders, 1)
    if not found.orders:
        text = say("month-none")
    elif not lacking:
        text = say("month-all-priced", orders=every)
    else:
        text = say("month-lacking", lacking=decimal_text(lacking, 1), orders=every, where=listed(named))
    return WithoutPriceOut(mode=context.mode, orders=decimal_text(lacking, 1), of=every, text=text)


@router.post("", status_code=201)
def add_provider(running: RunningDep, context: ContextDep, asked: NewProvider) -> CardOut:
    """Keep the prices as a rate card of their own, the text with it as the source of its figures."""
    card = keep(context, asked.beginning, running.clock.now().date())
    return kept_out(context.mode, card)


def _tried(running: RunningShop, context: Context, card: RateCard | None, hand: InHand | None) -> list[TriedOut]:
    if card is None or hand is None:
        return []
    shop = described_shop(running.store).value
    order = order_in_hand(shop, sentence(hand, running))
    return tried_out(try_card(context, card, order), card, shop.currency)


def _line(line: ReadLine, names: Names, fees: dict[str, str | None], shut: Mapping[str, str]) -> LineOut:
    said = line_said(line, names)
    meaning = line.meaning
    facets = meaning.facets if isinstance(meaning, RateLine | ExtraLine) else Facets()
    methods = [
        entry.method for id in line.entries if (entry := names.entries.get(id)) and hasattr(entry, "method")
    ]
    fee = next((fee for id in line.entries if (fee := fees.get(id))), None)
    against = [shut[method] for method in methods if method in shut]
    told = [
        say("line-overlaps", line=line.overlaps) if line.overlaps else "",
        say("line-not-this-order", reason=against[0]) if against and not fee else "",
    ]
    return LineOut(
        number=line.number,
        text=line.text,
        kind=_kind(line, meaning, said.sentence),
        sentence=said.sentence,
        tail=said.tail,
        methods=methods or list(facets.methods),
        card_kinds=[CardKind(kind) for kind in facets.card_kinds],
        places=[place for place in PLACES if place in facets.origins],
        countries=[country_name(country) for country in facets.countries],
        with_cards=bool(WITH_CARDS & set(methods or facets.methods)),
        fee=fee,
        overlaps=" ".join(part for part in told if part),
        asks=line.asks,
        why=line.unread.why.value if line.unread else None,
        pointed=isinstance(meaning, NoPrice),
    )


def _kind(
    line: ReadLine, meaning: Meaning | None, sentence: str
) -> Literal["blank", "note", "price", "extra", "other", "unread"]:
    if line.unread is not None:
        return "unread"
    if isinstance(meaning, RateLine):
        return "price"
    if isinstance(meaning, ExtraLine):
        return "extra"
    if not line.text.strip():
        return "blank"
    return "other" if sentence else "note"
