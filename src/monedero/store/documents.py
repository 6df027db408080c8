"""A thing that is edited as a whole: one row with a version, so that of two writers the second is told."""

from typing import Generic, NamedTuple, TypeVar

from peewee import SqliteDatabase
from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.store.tables import AssumptionsRow, DraftRow, ProfileRow, ShopRow

M = TypeVar("M", bound=BaseModel)
DocumentRow = type[ShopRow] | type[DraftRow] | type[ProfileRow] | type[AssumptionsRow]


class Held(NamedTuple, Generic[M]):
    """A document with the version that it has; version 0 is a document that was never saved."""

    version: int
    value: M


class Document(Generic[M]):
    """One versioned row of a table."""

    def __init__(self, database: SqliteDatabase, row: DocumentRow, model: type[M]) -> None:
        """`row` is the table, `model` what its body is."""
        self._database = database
        self._row = row
        self._model = model

    def read(self) -> Held[M] | None:
        """The document, or None where it was never saved."""
        found = self._row.select().where(self._row.id == 1).first(self._database)
        return None if found is None else Held(found.version, self._model.model_validate_json(found.body))

    def save(self, value: M, version: int) -> Held[M]:
        """Save over the version that was read; refuses an older one and keeps what is there."""
        body = value.model_dump_json(by_alias=True)
        with self._database.atomic("IMMEDIATE"):
            held = self._row.select().where(self._row.id == 1).first(self._database)
            current = 0 if held is None else held.version
            if current != version:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            row = {"id": 1, "version": version + 1, "body": body}
            self._row.replace(**row).execute(self._database)
        return Held(version + 1, value)
