"""The reasons for which warnings of the list before publishing are accepted, by storefront."""

from collections.abc import Mapping
from datetime import datetime

from monedero.core.ready import Accepted
from monedero.store.counting import CountingDatabase
from monedero.store.tables import AcceptanceRow


class Acceptances:
    """The reasons, by the ids of the items that they accept."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database

    def of(self, storefront: str) -> Mapping[str, Accepted]:
        """The reasons that were given at a storefront."""
        rows = AcceptanceRow.select().where(AcceptanceRow.storefront == storefront).execute(self._database)
        return {row.item: Accepted(row.reason, row.actor, datetime.fromisoformat(row.at)) for row in rows}

    def put(self, storefront: str, item: str, accepted: Accepted) -> None:
        """Keep a reason; the one of before is replaced."""
        AcceptanceRow.replace(
            storefront=storefront,
            item=item,
            reason=accepted.reason,
            actor=accepted.actor,
            at=accepted.at.isoformat(),
        ).execute(self._database)

    def remove(self, storefront: str, item: str) -> bool:
        """Take a reason back; true if there was one."""
        here = (AcceptanceRow.storefront == storefront) & (AcceptanceRow.item == item)
        return bool(AcceptanceRow.delete().where(here).execute(self._database))
