"""The fees of a stream of orders as lines of CSV: in their sequence, in memory that does not grow.

Lines of the file are taken in chunks that end between two rows. While the fees of one chunk are worked out in columns
(`fee_text`), which needs no Python, the rows of the next one are read. Rows before one that cannot be read stand. What
does not charge along a straight line is priced by the exact core, order by order.
"""

import csv
import re
from collections import deque
from collections.abc import Iterator, Sequence
from concurrent.futures import Future, ThreadPoolExecutor
from itertools import chain
from typing import cast

import polars as pl

from monedero.core.card_number import SHORTEST, holds_one
from monedero.core.columns.straight import AMOUNTS
from monedero.core.errors import Fault, InvalidInput
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money, minor_digits
from monedero.core.order.model import Known, Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.core.ratecard.volume import Takings
from monedero.formats.cells import safe
from monedero.formats.orders_csv import Row, order_of, split
from monedero.work.compare.fee_meetings import Day, Meeting, Meetings, not_priced
from monedero.work.compare.fee_text import OrdersToTell, Waiting, text_of, waiting
from monedero.work.compare.file_chunks import Chunk, chunks_of, headed, raising

HEADER = "order,provider,plan,method,status,rate,fee,currency,reason\n"
CHUNK = 1_800
# How many chunks wait for their text at once.
UNDER_WAY = 1
MOST_KEPT = 20_000
# The cells in which nearly every row differs from all others; a day is read with its currency.
DIFFERS = frozenset({"id", "placed_on", "amount"})


def minor_units_of(amounts: Sequence[str], currencies: Sequence[str]) -> list[int] | None:
    """Amounts in minor units of their currencies, as `Money.of` reads each; None where it would refuse one.

    >>> minor_units_of(["85.00", "7", "12.5"], ["EUR", "JPY", "KWD"])
    [8500, 7, 12500]
    >>> minor_units_of(["85.001"], ["EUR"]) is minor_units_of(["-1"], ["EUR"]) is None
    True
    """
    text, digits = pl.col("text"), pl.col("digits")
    frame = pl.DataFrame({"text": amounts, "digits": list(map(minor_digits, currencies))})
    decimals = (text.str.len_bytes().cast(pl.Int64) - 1 - text.str.find(".", literal=True)).fill_null(0)
    plain = text.str.contains(r"^[0-9]{1,9}(\.[0-9]{1,9})?$") & (decimals <= digits)
    if not frame.select(plain.all()).item():
        return None
    whole = text.str.replace(".", "", literal=True).cast(pl.Int64)
    found: list[int] = frame.select(whole * pl.lit(10, pl.Int64).pow(digits - decimals)).to_series().to_list()
    return found


class _Reader:
    """Reads chunks into orders that wait for their text.

    What is the same in many rows is read once: a day with a currency, and all cells but id, day and amount. All that is
    learnt so is bounded.
    """

    def __init__(self, catalogue: Catalogue, rates: ReferenceRates, monthly_volume: Money | None) -> None:
        self._catalogue, self._rates, self._takings = catalogue, rates, Takings(every=monthly_volume)
        self._forget()

    def _forget(self) -> None:
        self._meetings = Meetings(self._catalogue, self._rates, self._takings)
        self._known: dict[tuple[str, ...], tuple[int, Known]] = {}
        self._days: dict[tuple[str, str], Day] = {}
        self._met: dict[tuple[int, int], Meeting] = {}

    def read(self, chunk: Chunk, header: list[str]) -> tuple[Waiting, tuple[Fault, ...]]:
        """The lines of a chunk, to be worked out, as far as its rows can be read; and the faults after them."""
        if len(self._known) + len(self._days) > MOST_KEPT:
            self._forget()
        orders = OrdersToTell()
        faults: tuple[Fault, ...] = ()
        if chunk.broken or not self._all_at_once(chunk.lines, header, orders):
            given = chain(chunk.lines, raising(chunk.broken))
            try:
                for row in split(given, header=header, ignore_unknown=True, before=chunk.before):
                    read = order_of(row)
                    self._tell(_quoted(safe(read.id)), read.order, orders)
            except InvalidInput as broken:
                faults = broken.faults
        return waiting(orders, self._meetings.tables), faults

    def _all_at_once(self, lines: list[str], header: list[str], orders: OrdersToTell) -> bool:
        """Put the orders of all rows with the others, column by column; False where that cannot be, and nothing is put.

        It can where every row can be read and is told in columns. Any other chunk is read row by row.
        """
        try:
            rows = [row for row in csv.reader(lines, strict=True) if row]
            columns = dict(zip(header, zip(*rows, strict=True), strict=True))
        except (csv.Error, ValueError):
            return False
        ids, days = columns["id"], list(zip(columns["placed_on"], columns["currency"], strict=True))
        alike = list(zip(*(columns[name] for name in header if name not in DIFFERS), strict=True))
        if not all(ids) or any(map(_may_hold_card_number, columns.values())):
            return False
        try:
            self._learn(rows, header, days, alike)
        except InvalidInput:
            return False
        minor = minor_units_of(columns["amount"], columns["currency"])
        if minor is None or not (min(minor) > 0 and max(minor) < AMOUNTS):
            return False
        on_days = [self._days[key] for key in days]
        met = self._meet([self._known[cells] for cells in alike], on_days)
        if met is None:
            return False
        plain = all(map(str.isalnum, ids))
        orders.first += ids if plain else [_quoted(safe(id)) for id in ids]
        orders.minor += minor
        orders.group += [meeting.group for meeting in met]
        orders.bringing += [day.bringing for day in on_days]
        return True

    def _learn(
        self, rows: list[list[str]], header: list[str], days: list[tuple[str, str]], alike: list[tuple[str, ...]]
    ) -> None:
        """Read each day and each set of other cells that was not there before, by a row that has it."""
        of_day, of_cells = dict(zip(days, rows, strict=True)), dict(zip(alike, rows, strict=True))
        for day in of_day.keys() - self._days.keys():
            self._days[day] = self._meetings.day(order_of(Row(0, header, of_day[day])).order)
        for cells in of_cells.keys() - self._known.keys():
            self._known[cells] = len(self._known), order_of(Row(0, header, of_cells[cells])).order.known

    def _meet(self, known: list[tuple[int, Known]], days: list[Day]) -> list[Meeting] | None:
        """Tells what the orders meet; None where some of it is not told in columns."""
        found = list(map(self._met.get, [(met[0], day.number) for met, day in zip(known, days, strict=True)]))
        for place in [place for place, met in enumerate(found) if met is None]:
            (number, facts), day = known[place], days[place]
            found[place] = self._met[number, day.number] = self._meetings.meeting(facts, day)
        meetings = cast("list[Meeting]", found)
        for met, day in zip(meetings, days, strict=True):
            if met.exact or (met.currencies not in day.plain and self._meetings.missing(met, day)):
                return None
            day.plain.add(met.currencies)
        return meetings

    def _tell(self, first: str, order: Order, orders: OrdersToTell) -> None:
        """Put an order with the others; what of it does not go in columns is told by the exact core."""
        minor = order.amount.minor
        if not 0 < minor < AMOUNTS:
            orders.add(first, 0, self._meetings.nothing, 0)
            for way, pricing in enumerate(self._catalogue.price(order, self._takings)):
                orders.tell(0, way, _line(first, pricing))
            return
        key = (order.placed_on.isoformat(), order.amount.currency)
        if key not in self._days:
            self._days[key] = self._meetings.day(order)
        day = self._days[key]
        met = self._meetings.meeting(order.known, day)
        missing = self._meetings.missing(met, day)
        orders.add(first, minor, met.group, day.bringing)
        for place, card in enumerate(met.cards):
            lacks = card.currencies in missing
            if card.exact or lacks:
                pricings = card.pricer.price(order, self._takings)
                for way in range(len(pricings)) if lacks else card.exact:
                    orders.tell(place, way, _line(first, pricings[way]))


def _may_hold_card_number(column: tuple[str, ...]) -> bool:
    longest = max(map(len, column))
    return longest >= SHORTEST and any(len(cell) >= SHORTEST and holds_one(cell) for cell in set(column))


def fee_lines(
    catalogue: Catalogue,
    rates: ReferenceRates,
    lines: Iterator[str],
    monthly_volume: Money | None,
    *,
    ignore_unknown: bool = False,
) -> Iterator[str]:
    """The header, then text of many lines at a time; `InvalidInput` at the first row that cannot be read."""
    yield HEADER
    reader = _Reader(catalogue, rates, monthly_volume)
    chunks = chunks_of(lines, CHUNK)
    header, first = headed(next(chunks), ignore_unknown=ignore_unknown)
    under_way: deque[Future[str]] = deque()
    faults: tuple[Fault, ...] = ()
    with ThreadPoolExecutor(1) as beside:
        for chunk in chain([first], chunks):
            told, faults = reader.read(chunk, header)
            under_way.append(beside.submit(text_of, told))
            if faults:
                break
            if len(under_way) > UNDER_WAY:
                yield under_way.popleft().result()
        while under_way:
            yield under_way.popleft().result()
    if faults:
        raise InvalidInput(*faults)


def _quoted(text: str) -> str:
    """A cell by RFC 4180. The other cells of a row are ids, codes and amounts, which need no quotes."""
    return '"' + text.replace('"', '""') + '"' if re.search('[",\r\n]', text) else text


def _line(order: str, pricing: Pricing) -> str:
    route = pricing.route
    if isinstance(pricing, NotPriced):
        return f"{order}{not_priced(route, pricing.reason.code)}"
    named = f"{order},{route.provider},{route.plan},{route.method}"
    if isinstance(pricing, Priced):
        charged = pricing.charged
        return f"{named},priced,{pricing.rate},{charged.amount},{charged.currency},"
    return f"{named},nothing-to-pay,,,,"
