"""Past orders read from a file: looked at, matched, then read in the background, all of it or nothing.

Files are made into tables, and their rows into past orders, in processes of their own: the application answers
others meanwhile.
"""

import hashlib
import json
import secrets
import subprocess
import sys
import threading
from collections.abc import Iterator
from dataclasses import dataclass, field
from enum import StrEnum
from itertools import islice
from pathlib import Path

from monedero.core.card_number import lettered
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.formats.matching import Matching, gives_back, guess, no_order
from monedero.formats.paid_with import PaidWith
from monedero.formats.past_orders import LeftOut, Reader, ReadOrder, RefusedRow
from monedero.formats.subprocess_reader import ENDING, Spool, Stopped, fault_from, read_apart
from monedero.formats.table import Table
from monedero.store import Store, for_its_owner
from monedero.work.shop.lookups import described_shop, paid_words
from monedero.work.shop.past_orders_program import ReadCounts, Task

SAMPLE = 200
# Among how many rows the values of a column are looked for, and how many are shown.
ROWS_FOR_VALUES, MOST_VALUES = 50_000, 40
SHOWN = 8
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
    statuses: list[str]
    paid: dict[str, PaidWith | None]
    read: list[ReadOrder]
    refused: list[RefusedRow]
    looked_at: int
    refused_of_them: int
    faults: list[Fault]


@dataclass(slots=True)
class Progress:
    """The reading of a file: how far it is, and what came of it."""

    id: str
    spool: Spool
    refused: Path
    state: ImportState = ImportState.UNDER_WAY
    counts: ReadCounts = field(default_factory=ReadCounts)
    stopping: bool = False

    @property
    def already(self) -> int:
        """How many of the orders were kept before."""
        counts = self.counts
        return 0 if counts.new is None else counts.done - counts.refused - counts.left_out - counts.new

    def refused_rows(self) -> Iterator[RefusedRow]:
        """The rows that were refused so far."""
        with self.refused.open(encoding="utf-8") as lines:
            for line in lines:
                number, cells, fault = json.loads(line)
                yield RefusedRow(number, cells, fault_from(fault))


class Imports:
    """The files that were dropped in, and the reading of one of them at a time."""

    def __init__(self, store: Store, database: Path) -> None:
        """Read into one shop; the rows of files lie in a folder beside its database until they are not needed."""
        self._store, self._database = store, database
        self._folder = database.with_suffix(".files")
        self._folder.mkdir(mode=0o700, exist_ok=True)
        for left in self._folder.glob(f"*{ENDING}"):
            left.unlink()
        self._files: dict[str, Spool] = {}
        self._progress: Progress | None = None
        self._process: subprocess.Popen[str] | None = None
        self._lock = threading.Lock()

    def take(self, content: bytes, stop: threading.Event) -> str:
        """Take a file in and give it a name; refuses what is no table, and gives up soon after `stop` is set."""
        name = lettered(hashlib.sha256(content).hexdigest()[:16])
        try:
            spool = read_apart(content, self._folder, stop)
        except Stopped:
            raise Conflict(Fault(FaultCode.FILE_LEFT, "file")) from None
        with self._lock:
            self._files.pop(name, None)
            self._files[name] = spool
            for oldest in list(self._files)[:-FILES_KEPT]:
                del self._files[oldest]
        return name

    def look(self, file: str, matching: Matching | None) -> Look:
        """How a file is understood, by a matching, the remembered one, or a guess."""
        spool, shop, words = self._spool(file), described_shop(self._store).value, paid_words(self._store)
        kept = None if matching else self._remembered(spool.header)
        first = list(islice(spool.table().rows, SAMPLE))
        sample = [cells for _, cells in first]
        chosen = matching or kept or guess(spool.header, sample, shop.currency, shop.country)
        statuses = self._values(spool, chosen, "status")
        if matching is None and kept is None:
            left_out = [value for value in statuses if no_order(value)]
            refunds = [value for value in statuses if gives_back(value)]
            chosen = chosen.model_copy(update={"left_out": left_out, "refunds": refunds})
        paid = {
            value: chosen.paid_with[value] if value in chosen.paid_with else words.guess(value)
            for value in self._values(spool, chosen, "method")
        }
        faults: list[Fault] = []
        rows: list[ReadOrder | RefusedRow | LeftOut] = []
        try:
            rows = [row for _, row in Reader(Table(spool.header, first), chosen, shop, words).rows()]
        except InvalidInput as refused:
            faults = list(refused.faults)
        return Look(
            file=file,
            header=spool.header,
            total=spool.total,
            sample=sample[:SHOWN],
            matching=chosen,
            remembered=kept is not None,
            statuses=statuses,
            paid=paid,
            read=[row for row in rows if isinstance(row, ReadOrder)][:SHOWN],
            refused=[row for row in rows if isinstance(row, RefusedRow)][:SHOWN],
            looked_at=len(rows),
            refused_of_them=sum(isinstance(row, RefusedRow) for row in rows),
            faults=faults,
        )

    def _values(self, spool: Spool, matching: Matching, field: str) -> list[str]:
        """The values of a column among the first rows of a file: the statuses of its orders, or how they were paid."""
        column = matching.columns.get(field)
        if column not in spool.header:
            return []
        place = spool.header.index(column)
        rows = (
            cells[place].strip() for _, cells in islice(spool.table().rows, ROWS_FOR_VALUES) if place < len(cells)
        )
        return list(islice(dict.fromkeys(filter(None, rows)), MOST_VALUES))

    def begin(self, file: str, matching: Matching) -> Progress:
        """Begin to read a file; refuses a matching that lacks something, and a second reading at the same time."""
        spool = self._spool(file)
        Reader(Table(spool.header, ()), matching, described_shop(self._store).value, paid_words(self._store))
        with self._lock:
            if self._progress and self._progress.state is ImportState.UNDER_WAY:
                raise Conflict(Fault(FaultCode.IMPORT_UNDER_WAY))
            if self._progress:
                self._progress.refused.unlink(missing_ok=True)
            name = secrets.token_urlsafe(8)
            refused = self._folder / f"refused-{name}{ENDING}"
            for_its_owner(refused)
            self._progress = Progress(name, spool, refused)
        self._store.past_orders.remember(_key(spool.header), matching.model_dump_json())
        task = Task(database=self._database, rows=spool.path, refused=refused, matching=matching)
        command = [sys.executable, "-m", "monedero.work.shop.past_orders_program"]
        self._process = subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
        following = (self._progress, self._process, task)
        threading.Thread(target=self._follow, args=following, daemon=True).start()
        return self._progress

    def progress(self, name: str) -> Progress:
        """How far a reading is."""
        if self._progress is None or self._progress.id != name:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "import", name, {"what": "import"}))
        return self._progress

    def stop(self, name: str) -> Progress:
        """Stop a reading; nothing of it is kept."""
        progress = self.progress(name)
        if progress.state is ImportState.UNDER_WAY and self._process is not None:
            progress.stopping = True
            self._process.terminate()
        return progress

    def _spool(self, file: str) -> Spool:
        if file not in self._files:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "file", file, {"what": "file"}))
        return self._files[file]

    def _remembered(self, header: list[str]) -> Matching | None:
        kept = self._store.past_orders.remembered(_key(header))
        return None if kept is None else Matching.model_validate_json(kept)

    def _follow(self, progress: Progress, process: "subprocess.Popen[str]", task: Task) -> None:
        """Hear how far the process is until it ends."""
        state = ImportState.FAILED
        try:
            with process:
                assert process.stdin is not None
                assert process.stdout is not None
                process.stdin.write(task.model_dump_json())
                process.stdin.close()
                for line in process.stdout:
                    progress.counts = ReadCounts.model_validate_json(line)
            if process.returncode == 0:
                self._store.changed_elsewhere()
                state = ImportState.DONE
            else:
                # A process that is ended at once leaves rows that do not count; they take no room either.
                self._store.past_orders.drop_unfinished()
                state = ImportState.STOPPED if progress.stopping else ImportState.FAILED
        finally:
            progress.state = state
            self._store.close()


def _key(header: list[str]) -> str:
    return json.dumps(header, ensure_ascii=False)
