"""The fees of a stream of orders as lines of CSV: in their sequence, on every core, in memory that does not grow.

Rows are taken in chunks; a few chunks are under way at once and come out in the sequence in which they went in.
Rows before one that cannot be read stand.
"""

import multiprocessing
import os
import re
from collections import deque
from collections.abc import Iterable, Iterator
from concurrent.futures import Future, ProcessPoolExecutor
from itertools import chain
from typing import NamedTuple

from monedero.core.errors import Fault, InvalidInput
from monedero.core.money import Money
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.formats.cells import safe
from monedero.formats.orders_csv import Row, order_of

HEADER = "order,provider,plan,method,status,rate,fee,currency,reason\n"
CHUNK = 500
UNDER_WAY = 1 + (os.cpu_count() or 1)


class _Chunk(NamedTuple):
    """Some rows, and the faults that ended the reading after them."""

    rows: list[Row]
    faults: tuple[Fault, ...]


class _Lines(NamedTuple):
    """The lines of a chunk, and the faults that end the output after them."""

    text: str
    faults: tuple[Fault, ...]


class _Pricer(NamedTuple):
    """What every process prices with."""

    catalogue: Catalogue
    monthly_volume: Money | None

    def price(self, chunk: _Chunk) -> _Lines:
        """The lines of a chunk, as far as its rows can be read."""
        lines: list[str] = []
        for row in chunk.rows:
            try:
                order = order_of(row, self.monthly_volume)
            except InvalidInput as broken:
                return _Lines("".join(lines), broken.faults)
            first = _quoted(safe(order.id))
            lines += [_line(first, pricing) for pricing in self.catalogue.price(order.context)]
        return _Lines("".join(lines), chunk.faults)


_inherited: list[_Pricer] = []


def fee_lines(catalogue: Catalogue, rows: Iterator[Row], monthly_volume: Money | None) -> Iterator[str]:
    """The header, then text of many lines at a time; `InvalidInput` at the first row that cannot be read."""
    yield HEADER
    pricer = _Pricer(catalogue, monthly_volume)
    chunks = _chunks(rows)
    first = next(chunks)
    if len(first.rows) < CHUNK or "fork" not in multiprocessing.get_all_start_methods():
        yield from _told(map(pricer.price, chain([first], chunks)))
    else:
        yield from _told(_on_every_core(pricer, chain([first], chunks)))


def _on_every_core(pricer: _Pricer, chunks: Iterable[_Chunk]) -> Iterator[_Lines]:
    """Price chunks in processes that inherit the pricer as it is; never more under way than a few."""
    forked = multiprocessing.get_context("fork")
    with ProcessPoolExecutor(mp_context=forked, initializer=_inherited.append, initargs=(pricer,)) as pool:
        under_way: deque[Future[_Lines]] = deque()
        for chunk in chunks:
            under_way.append(pool.submit(_price_inherited, chunk))
            if len(under_way) > UNDER_WAY:
                yield under_way.popleft().result()
        while under_way:
            yield under_way.popleft().result()


def _price_inherited(chunk: _Chunk) -> _Lines:
    return _inherited[0].price(chunk)


def _chunks(rows: Iterator[Row]) -> Iterator[_Chunk]:
    """Rows in chunks; the last one is shorter, and carries what ended the reading."""
    taken: list[Row] = []
    faults: tuple[Fault, ...] = ()
    try:
        for row in rows:
            taken.append(row)
            if len(taken) == CHUNK:
                yield _Chunk(taken, ())
                taken = []
    except InvalidInput as broken:
        faults = broken.faults
    yield _Chunk(taken, faults)


def _told(priced: Iterable[_Lines]) -> Iterator[str]:
    for lines in priced:
        yield lines.text
        if lines.faults:
            raise InvalidInput(*lines.faults)


def _quoted(text: str) -> str:
    """A cell by RFC 4180. The other cells of a row are ids, codes and amounts, which need no quotes."""
    return '"' + text.replace('"', '""') + '"' if re.search('[",\r\n]', text) else text


def _line(order: str, pricing: Pricing) -> str:
    route = pricing.route
    named = f"{order},{route.provider},{route.plan},{route.method}"
    if isinstance(pricing, Priced):
        charged = pricing.charged
        return f"{named},priced,{pricing.rate},{charged.amount},{charged.currency},\n"
    if isinstance(pricing, NotPriced):
        return f"{named},not-priced,,,,{pricing.reason.code.value}\n"
    return f"{named},nothing-to-pay,,,,\n"
