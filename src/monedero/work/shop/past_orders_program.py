"""The program that reads the rows of a file into the past orders of a shop, in a process of its own.

The application answers others meanwhile. What it is to do comes as JSON on standard input; how far it is goes to
standard output, a line of JSON after every batch, and the refused rows into a file. Where nobody reads that any more,
it stops, and nothing of what it read is kept.
"""

import dataclasses
import json
import signal
import sys
from collections.abc import Iterator
from pathlib import Path
from threading import Event
from typing import TextIO

from pydantic import BaseModel

from monedero.core.money import Money
from monedero.core.profile import Profile, Source
from monedero.formats.matching import Matching
from monedero.formats.past_orders import LeftOut, Reader, ReadOrder, RefusedRow
from monedero.formats.subprocess_reader import header_in, rows_in
from monedero.formats.table import Table
from monedero.store import Store
from monedero.store.past_orders import PastOrder
from monedero.work.shop.lookups import described_shop, paid_words

BATCH = 2000
STOPPED = 4  # how the process ends where it was told to


class ReadingStopped(Exception):
    """The owner does not want the file to be read any more."""


class Task(BaseModel):
    """Holds what is to be read: the shop's database, the rows, how they are matched, and where refused ones go."""

    database: Path
    rows: Path
    refused: Path
    matching: Matching


class ReadCounts(BaseModel):
    """How far the reading is."""

    done: int = 0
    free: int = 0
    refunds: int = 0
    refused: int = 0
    unknown_lines: int = 0
    left_out: int = 0
    new: int | None = None
    """How many orders were not kept before; known at the end."""


def run(task: Task, told: TextIO, stop: Event) -> None:
    """Read all rows; they count once the last one is there. Raises `Stopped` where `stop` is set before."""
    store = Store(task.database)
    table = Table(header_in(task.rows), rows_in(task.rows))
    reader = Reader(table, task.matching, described_shop(store).value, paid_words(store))
    counts = ReadCounts()
    with task.refused.open("w", encoding="utf-8") as refused:
        counts.new = store.past_orders.add(_batches(store, reader, counts, refused, (told, stop)))
    count_from_them(store)
    _tell(counts, told)


def count_from_them(store: Store) -> None:
    """Let the month be counted from past orders where nobody typed one."""
    held = store.profile.read()
    profile = held.value if held else Profile()
    if not profile.cells and store.past_orders.counts().paid:
        store.profile.save(profile.model_copy(update={"source": Source.PAST_ORDERS}), held.version if held else 0)


def _tell(counts: ReadCounts, told: TextIO) -> None:
    told.write(f"{counts.model_dump_json()}\n")
    told.flush()


def _batches(
    store: Store, reader: Reader, counts: ReadCounts, refused: TextIO, owner: tuple[TextIO, Event]
) -> Iterator[list[PastOrder]]:
    told, stop = owner
    kept = store.past_orders.known()
    batch: list[PastOrder] = []
    for cells, row in reader.rows():
        if stop.is_set():
            raise ReadingStopped
        counts.done += 1
        counts.unknown_lines = reader.unknown_lines
        read = row if isinstance(row, LeftOut) else _checked(row, cells, reader, kept)
        if isinstance(read, LeftOut):
            counts.left_out += 1
        elif isinstance(read, RefusedRow):
            counts.refused += 1
            refused.write(json.dumps([read.line, read.cells, dataclasses.asdict(read.fault)]) + "\n")
        else:
            counts.free += read.order.amount.minor == 0
            counts.refunds += read.order.amount.minor < 0
            batch.append(PastOrder.of(read.id, read.order, read.refund_of, read.method))
        if counts.done % BATCH == 0:
            refused.flush()
            _tell(counts, told)
            yield batch
            batch = []
    refused.flush()
    yield batch


def _checked(
    row: ReadOrder | RefusedRow, cells: list[str], reader: Reader, kept: dict[str, tuple[str, int, str]]
) -> ReadOrder | RefusedRow:
    """The order, or its refusal where another one has its id."""
    if isinstance(row, RefusedRow):
        return row
    amount = row.order.amount
    own = (row.order.placed_on.isoformat(), amount.minor, amount.currency)
    before = kept.setdefault(row.id, own)
    return row if before == own else reader.doubled(row, cells, f"{Money(before[1], before[2])} on {before[0]}")


def main() -> int:
    """Do what standard input says, until it is done or this process is told to end."""
    stop = Event()
    signal.signal(signal.SIGTERM, lambda *_: stop.set())
    try:
        run(Task.model_validate_json(sys.stdin.read()), sys.stdout, stop)
    except ReadingStopped:
        return STOPPED
    return 0


if __name__ == "__main__":
    sys.exit(main())
