"""A thing that is edited as a whole: one row with a version, so that of two writers the second is told."""

from typing import Generic, NamedTuple, TypeVar

from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import AssumptionsRow, ProfileRow, ShopRow

M = TypeVar("M", bound=BaseModel)
DocumentRow = type[ShopRow] | type[ProfileRow] | type[AssumptionsRow]


class Versioned(NamedTuple, Generic[M]):
    """A document with the version that it has; version 0 is a document that was never saved."""

    version: int
    value: M


class Document(Generic[M]):
    """One versioned row of a table."""

    def __init__(self, database: CountingDatabase, row: DocumentRow, model: type[M]) -> None:
        """`row` is the table, `model` what its body is."""
        self._database = database
        self._row = row
        self._parsed = Parsed(lambda body: stored.read(body, model))

    def read(self) -> Versioned[M] | None:
        """The document, or None where it was never saved."""
        return self._database.kept(f"document {self._row.__name__}", self._held)

    def _held(self) -> Versioned[M] | None:
        found = self._row.select().where(self._row.id == 1).first(self._database)
        return None if found is None else Versioned(found.version, self._parsed.all([found.body])[0])

    def save(self, value: M, version: int) -> Versioned[M]:
        """Save over the version that was read; refuses an older one. What is as it was stays at its version."""
        body = stored.written(value)
        with self._database.atomic("IMMEDIATE"):
            row_now = self._row.select().where(self._row.id == 1).first(self._database)
            current = 0 if row_now is None else row_now.version
            if current != version:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            if row_now is not None and row_now.body == body:
                return Versioned(version, value)
            row = {"id": 1, "version": version + 1, "body": body}
            if row_now is None:
                self._row.insert(**row).execute(self._database)
            else:
                self._row.update(**row).where(self._row.id == 1).execute(self._database)
        return Versioned(version + 1, value)
