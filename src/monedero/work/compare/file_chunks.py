"""An orders file in chunks of lines, so that several of them can be read at once, each by itself."""

import csv
from collections.abc import Iterator
from itertools import chain
from typing import NamedTuple

from monedero.formats.orders_csv import header_of, split


class Chunk(NamedTuple):
    """Some lines of a file, how many stand before them, and what ended the reading after them, if anything."""

    before: int
    lines: list[str]
    broken: UnicodeDecodeError | None


def chunks_of(lines: Iterator[str], size: int) -> Iterator[Chunk]:
    """Lines in chunks of about a size, which end between two rows: within a row the number of quotes is odd."""
    before, odd = 0, False
    taken: list[str] = []
    try:
        for line in lines:
            taken.append(line)
            odd ^= line.count('"') % 2 == 1
            if len(taken) >= size and not odd:
                yield Chunk(before, taken, None)
                before, taken = before + len(taken), []
    except UnicodeDecodeError as broken:
        yield Chunk(before, taken, broken)
        return
    yield Chunk(before, taken, None)


def headed(chunk: Chunk, *, ignore_unknown: bool) -> tuple[list[str], Chunk]:
    """The header in the first lines of a file, and the lines after it."""
    rows = csv.reader(chunk.lines, strict=True)
    try:
        cells = next(rows, None)
    except csv.Error:
        cells = None
    if cells is None:
        # Nothing, or no CSV: whoever splits it into rows says which.
        list(split(chain(chunk.lines, raising(chunk.broken)), ignore_unknown=ignore_unknown))
    header = header_of(cells or [], ignore_unknown=ignore_unknown)
    return header, Chunk(rows.line_num, chunk.lines[rows.line_num :], chunk.broken)


def raising(broken: UnicodeDecodeError | None) -> Iterator[str]:
    """Nothing, but what ended the reading."""
    if broken is not None:
        raise broken
    yield from ()
