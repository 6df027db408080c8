"""The fees of many orders along straight lines, as lines of CSV: worked out in columns of whole numbers.

What is known of an order decides which cards it meets, and on each which lines (`Tables`). Its amount, and what brings
it and a card's figures to the currency of the payout, then give every fee by `monedero.core.columns.straight`; a test
holds the lines to the exact core.

>>> line = FeeLine("card", "EUR", False, None, None, 15, 25, 0, None, 0, 0, 1000)
>>> tables = Tables()
>>> card = tables.card([Way([(",orlenta,start,card,priced,card,", line)], ",none")], "EUR", "EUR", 2)
>>> orders = OrdersToTell()
>>> number = tables.bringing()
>>> tables.brings(number, ("EUR", "EUR"), ONE_TO_ONE)
>>> orders.add("7", 8500, tables.group((card,)), number)
>>> text_of(waiting(orders, tables))
'7,orlenta,start,card,priced,card,1.53,EUR,\\n'
"""

from collections.abc import Sequence
from itertools import pairwise
from typing import Any, NamedTuple

import polars as pl

from monedero.core.columns.straight import charged, figures_of, holds
from monedero.core.ratecard.straight import FeeLine

# An amount and the figures of a card are multiplied by these in the settlement currency, over a third number.
Bringing = tuple[int, int, int]
# The currency of the payout of an order, and that of the figures that it meets.
Currencies = tuple[str, str]
NO_CURRENCIES: Currencies = ("", "")
ONE_TO_ONE: Bringing = (1, 1, 1)
# Sums below this are held by 64 bits, which is faster.
SMALL = 2**62


# Minor units as they stand behind a whole amount, for currencies without decimals, with one, two, three and four; and
# where those of each begin.
DECIMALS = pl.Series(
    [f".{minor:0{digits}d}" if digits else "" for digits in range(5) for minor in range(10**digits)]
)
DIGITS_AT = [sum(10**fewer for fewer in range(digits)) for digits in range(5)]


class Way(NamedTuple):
    """A route: its lines, each with what stands before its fee, and what is said where none of them holds."""

    lines: Sequence[tuple[str, FeeLine]]
    not_priced: str


class _LineRow(NamedTuple):
    """A line on a card as a row; the figures are times what percentages are over. Without `after` it is all text."""

    card: int
    way: int
    before: str
    after: str | None = None
    units: int = 1
    digits_at: int = 0
    start: int | None = None
    end: int | None = None
    percent: int = 0
    fixed: int = 0
    low: int = 0
    high: int | None = None
    more_percent: int = 0
    more_fixed: int = 0
    over: int = 1


TEXTS = ("before", "after")
# Products are as wide as their factors.
WIDE = ("start", "end", "percent", "fixed", "low", "high", "more_percent", "more_fixed", "over")
TOLD = {"order": pl.Int64, "place": pl.Int64, "way": pl.Int64, "text": pl.String}
BRINGING = ("bringing", "money", "times", "figure", "below")


class Tables:
    """Cards as they meet orders, and what brings amounts: kept from one part of a file to the next."""

    def __init__(self) -> None:
        self.lines: list[_LineRow] = []
        self._bringings = pl.DataFrame(schema=dict.fromkeys(BRINGING, pl.Int64))
        self._new_bringings: dict[str, list[int]] = {name: [] for name in BRINGING}
        self.windows = False
        """True if a line holds for some amounts alone."""
        self._groups: dict[tuple[int, ...], int] = {}
        self._cards: list[int] = []
        self._money: dict[Currencies, int] = {NO_CURRENCIES: 0}
        self._bringing = 0
        self._ways, self._made_for = pl.DataFrame(), (-1, pl.Null)
        self._percent = self._figure = self._over = self._brought = 1

    def card(self, ways: Sequence[Way | None], settlement: str, figures: str, digits: int) -> int:
        """A card as some orders meet it, by its number; a way that is None is told elsewhere."""
        number = self._new((settlement, figures))
        for place, way in enumerate(ways):
            if way is not None:
                self._way((number, place), way, f",{settlement},", digits)
        return number

    def _way(self, here: tuple[int, int], way: Way, after: str, digits: int) -> None:
        """The rows of a way, each for amounts of its own: of the lines that hold for one the first counts."""
        ends = sorted({end for _, line in way.lines for end in (line.start, line.end) if end is not None})
        for start, end in pairwise([None, *ends, None]):
            inside = 0 if start is None else start
            found = next((entry for entry in way.lines if entry[1].holds(inside, 1)), None)
            if found is None:
                self.lines.append(_LineRow(*here, way.not_priced, start=start, end=end))
                continue
            row = _row(here, *found, after, (digits, start, end))
            self._percent = max(self._percent, row.percent + row.more_percent)
            figures = (row.fixed, row.low, row.high, row.more_fixed, start, end)
            self._figure = max(self._figure, sum(figure or 0 for figure in figures))
            self._over = max(self._over, row.over)
            self.lines.append(row)
        self.windows = self.windows or bool(ends)

    def shut(self, texts: Sequence[str]) -> int:
        """A card without a price for some orders, by its number, with what is said of each route."""
        number = self._new(NO_CURRENCIES)
        for place, text in enumerate(texts):
            self.lines.append(_LineRow(number, place, text))
        return number

    def _new(self, currencies: Currencies) -> int:
        self._cards.append(self._money.setdefault(currencies, len(self._money)))
        return len(self._cards) - 1

    def group(self, cards: tuple[int, ...]) -> int:
        """The number of the cards that some orders meet, in their sequence."""
        return self._groups.setdefault(cards, len(self._groups))

    def bringing(self) -> int:
        """A new number for what brings the amounts of some orders; a card that is shut needs nothing more."""
        self._bringing += 1
        self.brings(self._bringing, NO_CURRENCIES, ONE_TO_ONE)
        return self._bringing

    def brings(self, number: int, currencies: Currencies, by: Bringing) -> None:
        """Tells what brings amounts and the figures of cards to some currencies; what is not said brings nothing
        there.
        """
        money = self._money.setdefault(currencies, len(self._money))
        for name, value in zip(BRINGING, (number, money, *by), strict=True):
            self._new_bringings[name].append(value)
        self._brought = max(self._brought, *by)

    def bringings(self, whole: Any) -> pl.DataFrame:
        """All that was said of what brings amounts, as columns."""
        if self._new_bringings["money"]:
            self._bringings = self._bringings.vstack(pl.DataFrame(self._new_bringings))
            self._new_bringings = {name: [] for name in BRINGING}
        return self._bringings.cast(dict.fromkeys(BRINGING[2:], whole))

    def ways(self, whole: Any) -> pl.DataFrame:
        """The lines of every way that the orders of a group meet, in sequence; made anew when there is a new group."""
        if self._made_for != (len(self._groups), whole):
            types = {name: whole if name in WIDE else pl.Int64 for name in _LineRow._fields}
            lines = pl.DataFrame(self.lines, schema=types | dict.fromkeys(TEXTS, pl.String), orient="row")
            numbers = dict.fromkeys(("group", "place", "card", "money"), pl.Int64)
            members = pl.DataFrame(self._members(), schema=numbers, orient="row")
            self._ways = members.join(lines, on="card", maintain_order="left_right").drop("card")
            self._made_for = (len(self._groups), whole)
        return self._ways

    def _members(self) -> list[tuple[int, int, int, int]]:
        """Every card of every group: the group, the place in it, the card, and the number of its currencies."""
        return [
            (group, place, card, self._cards[card])
            for cards, group in self._groups.items()
            for place, card in enumerate(cards)
        ]

    def type_for(self, largest: int) -> Any:
        """The smallest type that holds every sum of products in the fees of amounts up to one."""
        amount, brought = largest * self._brought, self._brought
        sums = 2 * (amount * self._percent + self._figure * brought) + 2 * self._over * brought
        return pl.Int64 if sums < SMALL else pl.Int128


def _row(
    here: tuple[int, int], before: str, line: FeeLine, after: str, within: tuple[int, int | None, int | None]
) -> _LineRow:
    digits, start, end = within
    said = (*here, before, after, 10**digits, DIGITS_AT[digits], start, end)
    return _LineRow._make((*said, *figures_of(line).values()))


class OrdersToTell:
    """Some orders, a list for each thing that is known of them; and what was told of them elsewhere."""

    def __init__(self) -> None:
        self.first: list[str] = []
        self.minor: list[int] = []
        self.group: list[int] = []
        self.bringing: list[int] = []
        self.told: list[tuple[int, int, int, str]] = []

    def add(self, first: str, minor: int, group: int, bringing: int) -> None:
        """An order: what its lines begin with, its amount in minor units, its cards, and what brings its amount."""
        self.first.append(first)
        self.minor.append(minor)
        self.group.append(group)
        self.bringing.append(bringing)

    def tell(self, place: int, way: int, text: str) -> None:
        """A line of the order that was added last, on a way of the card at a place, as it was told elsewhere."""
        self.told.append((len(self.first) - 1, place, way, text))


class Waiting(NamedTuple):
    """Orders that wait for their lines: all that these are made of, which does not change any more."""

    orders: pl.DataFrame
    ways: pl.DataFrame
    bringings: pl.DataFrame
    told: pl.DataFrame | None
    windows: bool


def waiting(orders: OrdersToTell, tables: Tables) -> Waiting:
    """Some orders with all that their lines are made of."""
    whole = tables.type_for(max(orders.minor, default=0))
    frame = pl.DataFrame(
        {
            "order": pl.int_range(len(orders.first), eager=True),
            "first": pl.Series(orders.first, dtype=pl.String),
            "minor": pl.Series(orders.minor, dtype=whole),
            "group": pl.Series(orders.group, dtype=pl.Int64),
            "bringing": pl.Series(orders.bringing, dtype=pl.Int64),
        }
    )
    told = pl.DataFrame(orders.told, schema=TOLD, orient="row") if orders.told else None
    return Waiting(frame, tables.ways(whole), tables.bringings(whole), told, tables.windows)


def text_of(waits: Waiting) -> str:
    """The lines of orders as text, in their sequence and in that of their cards and ways.

    Nearly all of the work is done here, and holds up no other thread.
    """
    met = waits.orders.join(waits.ways, on="group", maintain_order="left_right")
    met = met.join(waits.bringings, on=["bringing", "money"], maintain_order="left")
    amount, figure = pl.col("minor") * pl.col("times"), pl.col("figure")
    if waits.windows:
        met = met.filter(holds(amount, figure))
    text = _text(amount, figure)
    if waits.told is None:
        return _written(met.select(text))
    told = pl.concat([met.select("order", "place", "way", text), waits.told])
    return _written(told.sort("order", "place", "way").select("text"))


def _written(lines: pl.DataFrame) -> str:
    return lines.write_csv(include_header=False, quote_style="never")


def _text(amount: pl.Expr, figure: pl.Expr) -> pl.Expr:
    minor, units = charged(amount, figure), pl.col("units")
    decimals = pl.lit(DECIMALS).gather((pl.col("digits_at") + minor % units).cast(pl.UInt32))
    priced = pl.concat_str("first", "before", (minor // units).cast(pl.String), decimals, "after")
    not_priced = pl.concat_str("first", "before")
    return pl.when(pl.col("after").is_null()).then(not_priced).otherwise(priced).alias("text")
