"""Tells what a checkout offers to a stream of orders, as lines of CSV: in their sequence, in memory that does not grow.

Lines of the file are taken in chunks that end between two rows, and two processes work on two of them at a time. Rows
before one that cannot be read stand.
"""

import csv
import io
from collections import deque
from collections.abc import Iterator
from concurrent.futures import Future, ProcessPoolExecutor
from itertools import chain

from monedero.core.bounded import Bounded
from monedero.core.checkout.decision import Decision, Outcome
from monedero.core.errors import Fault, InvalidInput
from monedero.core.money import Money
from monedero.core.order.facts import day
from monedero.core.order.model import Order
from monedero.figures import reference_rates
from monedero.formats.cells import safe
from monedero.formats.checkout_file import CheckoutFile
from monedero.formats.orders_csv import Row, order_of, split
from monedero.work.compare.file_chunks import Chunk, chunks_of, headed, raising

HEADER = "order,place,tender,heading,state,buyer_fee,total,currency,reasons\n"
CHUNK, PROCESSES, UNDER_WAY, MOST_KEPT = 1_500, 2, 4, 4_000
# The cells in which nearly every row differs from all others.
DIFFERS = ("id", "placed_on", "amount")

Told = tuple[str, tuple[Fault, ...]]


class Teller:
    """Tells what chunks of a file of orders are offered. What is the same in many rows is read once."""

    def __init__(self, file: CheckoutFile, header: list[str], *, why: bool) -> None:
        """The decision is compiled once."""
        self._file, self._header, self._why = file, header, why
        self._decision = file.decision(reference_rates.bundled())
        self._alike = [place for place, name in enumerate(header) if name not in DIFFERS]
        self._id, self._day, self._amount = map(header.index, DIFFERS)
        self._known: Bounded[tuple[str, ...], Order] = Bounded(MOST_KEPT)

    def tell(self, chunk: Chunk) -> Told:
        """The lines of a chunk as far as its rows can be read, and the faults after them."""
        text: list[str] = []
        given = chain(chunk.lines, raising(chunk.broken))
        try:
            for row in split(given, header=self._header, ignore_unknown=True, before=chunk.before):
                order = self._order(row)
                text += order_lines(_quoted(safe(row.values[self._id])), order, self._decision, why=self._why)
        except InvalidInput as broken:
            return "".join(text), broken.faults
        return "".join(text), ()

    def _order(self, row: Row) -> Order:
        cells = row.values
        alike = tuple([cells[place] for place in self._alike])
        known = self._known.get(alike)
        if known is not None and cells[self._id]:
            try:
                amount = Money.of(cells[self._amount], known.amount.currency)
                if amount.minor >= 0:
                    return known.on(amount, day(cells[self._day]))
            except InvalidInput:
                pass
        return self._known.put(alike, self._file.order_of(order_of(row).order))


def offer_lines(
    file: CheckoutFile, lines: Iterator[str], *, why: bool, ignore_unknown: bool = False
) -> Iterator[str]:
    """The header, then text of many lines at a time.

    The tenders that are offered for an order by their places; with `why` every tender in the sequence of the checkout,
    and what holds it back. `InvalidInput` at the first row that cannot be read; the rows before it stand.
    """
    yield HEADER
    chunks = chunks_of(lines, CHUNK)
    header, first = headed(next(chunks), ignore_unknown=ignore_unknown)
    second = next(chunks, None)
    if second is None:
        yield from _said(Teller(file, header, why=why).tell(first))
        return
    waiting: deque[Future[Told]] = deque()
    with ProcessPoolExecutor(PROCESSES, initializer=_begin, initargs=(file, header, why)) as pool:
        try:
            for chunk in chain([first, second], chunks):
                waiting.append(pool.submit(_tell, chunk))
                if len(waiting) >= UNDER_WAY:
                    yield from _said(waiting.popleft().result())
            while waiting:
                yield from _said(waiting.popleft().result())
        finally:
            pool.shutdown(cancel_futures=True)


def _said(told: Told) -> Iterator[str]:
    text, faults = told
    yield text
    if faults:
        raise InvalidInput(*faults)


_teller: Teller | None = None


def _begin(file: CheckoutFile, header: list[str], why: bool) -> None:
    """In a process of its own: compile once."""
    global _teller  # noqa: PLW0603 - a process has one
    _teller = Teller(file, header, why=why)


def _tell(chunk: Chunk) -> Told:
    assert _teller is not None
    return _teller.tell(chunk)


def order_lines(first: str, order: Order, decision: Decision, *, why: bool) -> Iterator[str]:
    """The lines of one order; `first` is its id, as it stands in the file."""
    if order.nothing_to_pay:
        yield f"{first},,,,nothing-to-pay,,,{order.amount.currency},\n"
        return
    amount = order.amount.amount
    for outcome in decision.outcomes(order) if why else decision.placed(order):
        yield f"{first},{_line(outcome, order.amount, amount)}\n"


def _line(outcome: Outcome, ordered: Money, amount: str) -> str:
    """An outcome for an order; `amount` is what was ordered as text, which is the same for all of them."""
    minor, currency = ordered
    if outcome.place is None:
        reasons = " ".join([reason.code for reason in outcome.reasons])
        return f",{outcome.tender.id},,held-back,,,{currency},{reasons}"
    fee, total, reasons = "", amount, ""
    if charged := outcome.charged:
        if charged.amount is None:
            total, reasons = "", "fee-unknown"
        else:
            fee, total = charged.amount.amount, Money(minor + charged.amount.minor, currency).amount
            reasons = "fee-up-to" if charged.up_to else ""
    heading = outcome.heading or ""
    return f"{outcome.place},{outcome.tender.id},{heading},offered,{fee},{total},{currency},{reasons}"


def _quoted(cell: str) -> str:
    if cell.isalnum():
        return cell
    out = io.StringIO()
    csv.writer(out, lineterminator="").writerow([cell])
    return out.getvalue()
