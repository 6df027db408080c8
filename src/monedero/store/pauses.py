"""The storefronts that take no orders for now, one row for each."""

from datetime import date, datetime
from typing import NamedTuple

from monedero.store.counting import CountingDatabase
from monedero.store.tables import PauseRow


class Pause(NamedTuple):
    """A pause of a storefront: since when, by whom, the day on which it opens again by itself (None: no day is set).

    `said` is what its buyers read meanwhile, besides that it takes no orders.
    """

    since: datetime
    actor: str
    opens_on: date | None
    said: str

    def holds_on(self, day: date) -> bool:
        """True if no orders are taken on a day."""
        return self.opens_on is None or day < self.opens_on


class Pauses:
    """The pauses of all storefronts; one whose day has come holds no longer, and is kept until the next one."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database

    def of(self, storefront: str) -> Pause | None:
        """The pause that a storefront is in, or was in last."""
        return self._database.kept("pauses", self._read).get(storefront)

    def put(self, storefront: str, pause: Pause) -> None:
        """Pause a storefront; the pause of before is replaced."""
        PauseRow.replace(
            storefront=storefront,
            since=pause.since.isoformat(),
            actor=pause.actor,
            opens_on=pause.opens_on.isoformat() if pause.opens_on else None,
            said=pause.said,
        ).execute(self._database)

    def remove(self, storefront: str) -> None:
        """Open a storefront again."""
        PauseRow.delete().where(PauseRow.storefront == storefront).execute(self._database)

    def _read(self) -> dict[str, Pause]:
        rows = PauseRow.select().order_by(PauseRow.storefront).execute(self._database)
        return {
            row.storefront: Pause(
                datetime.fromisoformat(row.since),
                row.actor,
                date.fromisoformat(row.opens_on) if row.opens_on else None,
                row.said,
            )
            for row in rows
        }
