"""Editions that are to be published from a moment on: one for each storefront, with all that it will hold."""

import json
from collections.abc import Sequence
from dataclasses import asdict
from datetime import datetime
from typing import NamedTuple

from monedero.core.checkout.edition import Published
from monedero.core.ready import ReadyCode, ReadyItem
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.tables import PlannedRow


class Planned(NamedTuple):
    """An edition that is planned: what it will hold, from when, and the note on it.

    `forbade` are the items that forbade to meet real buyers when it was planned, each by its code and what it is about,
    and `stopped` those because of which it was not published when its moment came (None: it has not come).
    """

    at: datetime
    note: str
    planned_at: datetime
    forbade: Sequence[str]
    stopped: Sequence[ReadyItem] | None
    published: Published


class PlannedEditions:
    """The planned editions of all storefronts."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database

    def of(self, storefront: str) -> Planned | None:
        """The planned edition of a storefront."""
        return self._all().get(storefront)

    def due(self, now: datetime) -> list[str]:
        """The storefronts whose planned edition is to be published by a moment."""
        return [front for front, planned in self._all().items() if planned.stopped is None and planned.at <= now]

    def put(self, planned: Planned) -> None:
        """Plan an edition; one that was planned for the storefront before is replaced."""
        PlannedRow.replace(
            storefront=planned.published.checkout.storefront,
            at=planned.at.isoformat(),
            note=planned.note,
            planned_at=planned.planned_at.isoformat(),
            forbade=json.dumps(list(planned.forbade)),
            stopped=None if planned.stopped is None else json.dumps([asdict(item) for item in planned.stopped]),
            body=stored.written(planned.published),
        ).execute(self._database)

    def remove(self, storefront: str) -> bool:
        """Plan no more; true if an edition was planned."""
        of = PlannedRow.delete().where(PlannedRow.storefront == storefront)
        return bool(of.execute(self._database))

    def _all(self) -> dict[str, Planned]:
        return self._database.kept("planned", self._read)

    def _read(self) -> dict[str, Planned]:
        rows = PlannedRow.select().order_by(PlannedRow.storefront).execute(self._database)
        return {row.storefront: _planned(row) for row in rows}


def _item(code: str, about: str, fields: dict[str, str | int], source: str) -> ReadyItem:
    return ReadyItem(ReadyCode(code), about, fields, source)


def _planned(row: PlannedRow) -> Planned:
    return Planned(
        at=datetime.fromisoformat(row.at),
        note=row.note,
        planned_at=datetime.fromisoformat(row.planned_at),
        forbade=json.loads(row.forbade),
        stopped=None if row.stopped is None else [_item(**held) for held in json.loads(row.stopped)],
        published=stored.read(row.body, Published),
    )
