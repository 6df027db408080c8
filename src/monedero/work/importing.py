"""Past orders read from a file: looked at, matched, then read in the background, all of it or nothing."""

import csv
import hashlib
import io
import json
import secrets
import threading
from collections.abc import Iterator
from dataclasses import dataclass, field
from enum import StrEnum
from itertools import islice

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.money import Money
from monedero.formats import table as tables
from monedero.formats.cells import safe
from monedero.formats.matching import Matching, guess
from monedero.formats.past_orders import Reader, ReadOrder, RefusedRow
from monedero.store import Store
from monedero.store.past_orders import PastOrder
from monedero.wording import fault_text
from monedero.work.basis import described_shop

SAMPLE = 200
SHOWN = 8
BATCH = 2000
FILES_KEPT = 4


class ImportState(StrEnum):
    """How far the reading of a file is."""

    UNDER_WAY = "under-way"
    DONE = "done"
    STOPPED = "stopped"
    FAILED = "failed"


@dataclass(frozen=True, slots=True)
class Look:
    """A file as it was understood: its columns, some rows as they stand, as they were read, and what was refused."""

    file: str
    header: list[str]
    total: int
    sample: list[list[str]]
    matching: Matching
    remembered: bool
    read: list[ReadOrder]
    refused: list[RefusedRow]
    looked_at: int
    refused_of_them: int
    faults: list[Fault]


@dataclass(slots=True)
class Progress:
    """The reading of a file: how far it is, and what came of it."""

    id: str
    total: int
    state: ImportState = ImportState.UNDER_WAY
    done: int = 0
    new: int = 0
    already: int = 0
    free: int = 0
    refunds: int = 0
    unknown_lines: int = 0
    header: list[str] = field(default_factory=list)
    refused: list[RefusedRow] = field(default_factory=list)


class Imports:
    """The files that were dropped in, and the reading of one of them at a time."""

    def __init__(self, store: Store) -> None:
        """Read into one shop."""
        self._store = store
        self._files: dict[str, tables.Table] = {}
        self._progress: Progress | None = None
        self._stop = threading.Event()
        self._lock = threading.Lock()

    def take(self, content: bytes) -> str:
        """Take a file in and give it a name; refuses what is no table."""
        table = tables.read(content)
        name = hashlib.sha256(content).hexdigest()[:16]
        self._files.pop(name, None)
        self._files[name] = table
        for oldest in list(self._files)[:-FILES_KEPT]:
            del self._files[oldest]
        return name

    def look(self, file: str, matching: Matching | None) -> Look:
        """How a file is understood, by a matching, the remembered one, or a guess."""
        table, shop = self._table(file), described_shop(self._store).value
        kept = None if matching else self._remembered(table.header)
        sample = [cells for _, cells in islice(table.rows, SAMPLE)]
        held = matching or kept or guess(table.header, sample, shop.currency, shop.country)
        faults: list[Fault] = []
        rows: list[ReadOrder | RefusedRow] = []
        try:
            short = tables.Table(table.header, table.rows[:SAMPLE])
            rows = [row for _, row in Reader(short, held, shop).rows()]
        except InvalidInput as refused:
            faults = list(refused.faults)
        return Look(
            file=file,
            header=table.header,
            total=len(table.rows),
            sample=sample[:SHOWN],
            matching=held,
            remembered=kept is not None,
            read=[row for row in rows if isinstance(row, ReadOrder)][:SHOWN],
            refused=[row for row in rows if isinstance(row, RefusedRow)][:SHOWN],
            looked_at=len(rows),
            refused_of_them=sum(isinstance(row, RefusedRow) for row in rows),
            faults=faults,
        )

    def begin(self, file: str, matching: Matching) -> Progress:
        """Begin to read a file; refuses a matching that lacks something, and a second reading at the same time."""
        table = self._table(file)
        reader = Reader(table, matching, described_shop(self._store).value)
        with self._lock:
            if self._progress and self._progress.state is ImportState.UNDER_WAY:
                raise Conflict(Fault(FaultCode.IMPORT_UNDER_WAY))
            self._stop.clear()
            self._progress = Progress(secrets.token_urlsafe(8), len(table.rows), header=table.header)
        self._store.past_orders.remember(_key(table.header), matching.model_dump_json())
        threading.Thread(target=self._run, args=(self._progress, reader), daemon=True).start()
        return self._progress

    def progress(self, name: str) -> Progress:
        """How far a reading is."""
        if self._progress is None or self._progress.id != name:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "import", name, {"what": "import"}))
        return self._progress

    def stop(self, name: str) -> Progress:
        """Stop a reading; nothing of it is kept."""
        held = self.progress(name)
        self._stop.set()
        return held

    def refused_csv(self, name: str) -> str:
        """The refused rows as they stood, each with its line and the reason."""
        held = self.progress(name)
        text = io.StringIO()
        rows = csv.writer(text, lineterminator="\n")
        rows.writerow(["line", "column", "reason", *map(safe, held.header)])
        for row in held.refused:
            told = (str(row.line), row.fault.field, fault_text(row.fault), *row.cells)
            rows.writerow(map(safe, told))
        return text.getvalue()

    def _table(self, file: str) -> tables.Table:
        if file not in self._files:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "file", file, {"what": "file"}))
        return self._files[file]

    def _remembered(self, header: list[str]) -> Matching | None:
        kept = self._store.past_orders.remembered(_key(header))
        return None if kept is None else Matching.model_validate_json(kept)

    def _run(self, progress: Progress, reader: Reader) -> None:
        """Read all rows, then keep them in one transaction."""
        try:
            progress.new = self._store.past_orders.add(self._batches(progress, reader))
            progress.already = progress.done - len(progress.refused) - progress.new
            progress.state = ImportState.DONE
        except _Stopped:
            progress.state = ImportState.STOPPED
        except Exception:
            progress.state = ImportState.FAILED
            raise
        finally:
            progress.unknown_lines = reader.unknown_lines
            self._store.close()

    def _batches(self, progress: Progress, reader: Reader) -> Iterator[list[PastOrder]]:
        kept = self._store.past_orders.known()
        batch: list[PastOrder] = []
        for cells, row in reader.rows():
            if self._stop.is_set():
                raise _Stopped
            progress.done += 1
            if isinstance(row, RefusedRow):
                progress.refused.append(row)
                continue
            own = (row.placed_on.isoformat(), row.amount.minor, row.amount.currency)
            before = kept.setdefault(row.id, own)
            if before != own:
                kept_money = Money(before[1], before[2])
                progress.refused.append(reader.doubled(row, cells, f"{kept_money} on {before[0]}"))
                continue
            progress.free += row.amount.minor == 0
            progress.refunds += row.amount.minor < 0
            batch.append(_kept(row))
            if len(batch) == BATCH:
                yield batch
                batch = []
        yield batch


class _Stopped(Exception):
    """The owner stopped the reading."""


def _kept(row: ReadOrder) -> PastOrder:
    return PastOrder(
        row.id,
        row.placed_on.isoformat(),
        row.amount.minor,
        row.amount.currency,
        row.country,
        row.line,
        row.kinds,
        row.recurring,
        row.card_kind,
        row.card_network,
        row.refund_of,
    )


def _key(header: list[str]) -> str:
    return json.dumps(header, ensure_ascii=False)
