"""The rate cards: each provider's by the day from which they hold, each with a version of its own."""

from typing import NamedTuple

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.ratecard.model import RateCard
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import RateCardRow


class StoredCard(NamedTuple):
    """A rate card with the version of what is kept."""

    version: int
    card: RateCard


def day_of(card: RateCard) -> str:
    """The day from which a card holds, or empty where it always holds."""
    return card.valid_from.isoformat() if card.valid_from else ""


class RateCards:
    """The rate cards of all providers."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        self._parsed = Parsed(RateCard.model_validate_json)

    def all(self) -> list[RateCard]:
        """Every card, in the sequence in which they first came."""
        return list(self._database.kept("rate cards", self._all))

    def _all(self) -> list[RateCard]:
        rows = RateCardRow.select().order_by(RateCardRow.id).execute(self._database)
        return self._parsed.all([row.body for row in rows])

    def get(self, provider: str, day: str) -> StoredCard | None:
        """The card of a provider from a day (empty: always)."""
        row = self._row(provider, day)
        return None if row is None else StoredCard(row.version, RateCard.model_validate_json(row.body))

    def put(self, card: RateCard) -> None:
        """Keep a card; one of the same provider from the same day is replaced in its place."""
        with self._database.atomic("IMMEDIATE"):
            row = self._row(card.provider.id, day_of(card))
            self._write(card, 0 if row is None else row.version, row)

    def save(self, card: RateCard, provider: str, day: str, version: int) -> StoredCard:
        """Save over the version that was read; version 0 is a card that shall be new.

        A card may take another day, as long as none of its provider holds from that day. Refuses an older version.
        """
        with self._database.atomic("IMMEDIATE"):
            row = self._row(provider, day)
            current = 0 if row is None else row.version
            if current != version:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            other = self._row(card.provider.id, day_of(card))
            if other is not None and (row is None or other.id != row.id):
                fields = {"provider": card.provider.name}
                raise Conflict(Fault(FaultCode.CARDS_SAME_DAY, "valid_from", day_of(card), fields))
            self._write(card, version, row)
        return StoredCard(version + 1, card)

    def remove(self, provider: str, day: str) -> bool:
        """Take a card away; whether it was there."""
        which = (RateCardRow.provider == provider) & (RateCardRow.valid_from == day)
        return bool(RateCardRow.delete().where(which).execute(self._database))

    def _row(self, provider: str, day: str) -> RateCardRow | None:
        which = (RateCardRow.provider == provider) & (RateCardRow.valid_from == day)
        found: RateCardRow | None = RateCardRow.select().where(which).first(self._database)
        return found

    def _write(self, card: RateCard, version: int, row: RateCardRow | None) -> None:
        values = {
            "provider": card.provider.id,
            "valid_from": day_of(card),
            "version": version + 1,
            "body": card.model_dump_json(by_alias=True),
        }
        if row is None:
            RateCardRow.insert(**values).execute(self._database)
        else:
            RateCardRow.update(**values).where(RateCardRow.id == row.id).execute(self._database)
