"""A file is made into a table in a process of its own: bounded in memory and in time of the processor, and it can be
stopped. A busy machine takes longer for the same file, and refuses none for that.

Whoever asks for something else meanwhile does not wait, and a file that takes more than a file of orders may ends that
process and nothing else. The rows go into a file of their own and are read from there one by one, so that a million of
them take no room in the application.

Source: own design.
"""

import dataclasses
import errno
import json
import os
import resource
import signal
import subprocess
import sys
import tempfile
import weakref
from collections.abc import Iterator
from pathlib import Path
from threading import Event

from monedero.core.card_number import SHORTEST, masked
from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.formats import table as tables
from monedero.formats.sheet import too_large
from monedero.formats.table import Table

MEMORY = 2 * 1024 * 1024 * 1024
SECONDS = 60
PAUSE = 0.02
REFUSED, NO_ROOM = 3, 4
ENDING = ".rows"


class Stopped(Exception):
    """Whoever asked for a file to be read does not want it any more."""


class Spool:
    """The rows of a table in a file, which goes away when nobody holds it any more."""

    def __init__(self, folder: Path) -> None:
        """Make an empty one in a folder; nobody but its owner can open it."""
        made, name = tempfile.mkstemp(dir=folder, suffix=ENDING)
        os.close(made)
        self.path = Path(name)
        self.remove = weakref.finalize(self, self.path.unlink, missing_ok=True)
        self.header: list[str] = []
        self.total = 0

    def table(self) -> Table:
        """The table; its rows are read as they are asked for."""
        return Table(self.header, rows_in(self.path))


def rows_in(path: Path) -> Iterator[tuple[int, list[str]]]:
    """The rows that stand in the file of a spool, each with its line."""
    with path.open("rb") as lines:
        lines.readline()
        for line in lines:
            number, cells = json.loads(line)
            yield number, cells


def header_in(path: Path) -> list[str]:
    """The header that stands in the file of a spool."""
    with path.open("rb") as lines:
        return list(json.loads(lines.readline()))


def read_apart(content: bytes, folder: Path, stop: Event) -> Spool:
    """The table of a file, made in a process of its own; refuses what `table.read` refuses, and what asks too much.

    `folder` is for the rows, and for the file while it is read. Raises `Stopped` soon after `stop` is set.
    """
    spool = Spool(folder)
    try:
        with tempfile.TemporaryFile(dir=folder) as given, spool.path.open("wb") as rows:
            given.write(content)
            given.seek(0)
            command = [sys.executable, "-m", "monedero.formats.subprocess_reader", str(SECONDS)]
            with subprocess.Popen(command, stdin=given, stdout=rows, stderr=subprocess.PIPE) as process:
                status, told = _outcome(process, stop)
        if status == REFUSED:
            raise InvalidInput(fault_from(json.loads(told)))
        if status == NO_ROOM:
            raise OSError(errno.ENOSPC, os.strerror(errno.ENOSPC))
        if status == -signal.SIGXCPU:
            raise too_large(f"more than {SECONDS} seconds of reading")
        if status != 0:
            raise too_large("its cells need more memory than there is for it")
        spool.header, spool.total = header_in(spool.path), int(told)
    except BaseException:
        spool.remove()
        raise
    return spool


def _outcome(process: "subprocess.Popen[bytes]", stop: Event) -> tuple[int, bytes]:
    """How the process ended and what it said; it is ended when it is not wanted any more."""
    while process.poll() is None:
        if stop.wait(PAUSE):
            process.kill()
            process.communicate()
            raise Stopped
    _, told = process.communicate()
    return process.returncode, told


def fault_from(told: dict[str, object]) -> Fault:
    """A fault from what another process said of it."""
    return Fault(**{**told, "code": FaultCode(told["code"])})  # type: ignore[arg-type]


def main() -> int:
    """Read a file from standard input; write its header and rows to standard output, how many to standard error.

    The argument is how many seconds of the processor it may take.
    """
    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))
    seconds = int(sys.argv[1])
    resource.setrlimit(resource.RLIMIT_CPU, (seconds, seconds + 5))
    try:
        total = _copy(tables.read(sys.stdin.buffer.read()))
    except InvalidInput as refused:
        sys.stderr.write(json.dumps(dataclasses.asdict(refused.faults[0])))
        return REFUSED
    except OSError as failed:
        if failed.errno == errno.ENOSPC:
            return NO_ROOM
        raise
    sys.stderr.write(str(total))
    return 0


def _copy(table: Table) -> int:
    """Write the header and the rows of a table to standard output; how many rows there are.

    What is written lies in a file of the shop for a while, so that no card number is written.
    """
    sys.stdout.write(f"{json.dumps(_without_card_numbers(table.header))}\n")
    total = 0
    for number, cells in table.rows:
        sys.stdout.write(f"{json.dumps((number, _without_card_numbers(cells)))}\n")
        total += 1
    sys.stdout.flush()
    return total


def _without_card_numbers(cells: list[str]) -> list[str]:
    return [masked(cell) if len(cell) >= SHORTEST else cell for cell in cells]


if __name__ == "__main__":  # pragma: no cover - it is this module, as a process
    sys.exit(main())
