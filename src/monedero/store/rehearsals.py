"""The evidence of rehearsals: the newest of each case, by storefront, with the fingerprint of what it was of."""

from collections.abc import Mapping
from typing import NamedTuple

from monedero.core.rehearsal.evidence import Evidence
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import RehearsalRow


class KeptEvidence(NamedTuple):
    """The evidence of a case, and the fingerprint of what it rested on."""

    fingerprint: str
    evidence: Evidence


class Rehearsals:
    """The evidence of all storefronts."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        self._parsed: dict[str, Parsed[Evidence]] = {}

    def of(self, storefront: str) -> Mapping[str, KeptEvidence]:
        """The evidence of a storefront's cases, by their ids."""
        return self._database.kept(f"rehearsals {storefront}", lambda: self._of(storefront))

    def _of(self, storefront: str) -> Mapping[str, KeptEvidence]:
        of = RehearsalRow.select().where(RehearsalRow.storefront == storefront)
        rows = list(of.order_by(RehearsalRow.case_id).execute(self._database))
        parsed = self._parsed.setdefault(storefront, Parsed(lambda body: stored.read(body, Evidence)))
        bodies = parsed.all([row.body for row in rows])
        return {
            row.case_id: KeptEvidence(row.fingerprint, evidence)
            for row, evidence in zip(rows, bodies, strict=True)
        }

    def put(self, storefront: str, evidence: Mapping[str, KeptEvidence]) -> None:
        """Keep the evidence of some cases, all of it or nothing; that of before is replaced."""
        with self._database.atomic("IMMEDIATE"):
            for case_id, kept in evidence.items():
                RehearsalRow.replace(
                    storefront=storefront,
                    case_id=case_id,
                    fingerprint=kept.fingerprint,
                    body=stored.written(kept.evidence),
                ).execute(self._database)
