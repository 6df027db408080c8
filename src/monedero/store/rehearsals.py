"""The evidence of rehearsals, by storefront and case: of each content that was played lately, with its fingerprint."""

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from monedero.core.rehearsal.evidence import Evidence
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import RehearsalRow

# So many contents of a case keep their evidence: an edit that is taken back, or an edition that is gone back to, need
# not be played again.
CONTENTS = 4


class KeptEvidence(NamedTuple):
    """The evidence of a case, and the fingerprint of what it rested on."""

    fingerprint: str
    evidence: Evidence


class Rehearsals:
    """The evidence of all storefronts."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        self._parsed: dict[str, Parsed[Evidence]] = {}

    def of(self, storefront: str) -> Mapping[str, Sequence[KeptEvidence]]:
        """The evidence of a storefront's cases, by their ids; of each case what was played last comes first."""
        return self._database.kept(f"rehearsals {storefront}", lambda: self._of(storefront))

    def _of(self, storefront: str) -> Mapping[str, Sequence[KeptEvidence]]:
        of = RehearsalRow.select().where(RehearsalRow.storefront == storefront)
        rows = list(of.order_by(RehearsalRow.id.desc()).execute(self._database))
        parsed = self._parsed.setdefault(storefront, Parsed(lambda body: stored.read(body, Evidence)))
        bodies = parsed.all([row.body for row in rows])
        found: dict[str, list[KeptEvidence]] = {}
        for row, evidence in zip(rows, bodies, strict=True):
            found.setdefault(row.case_id, []).append(KeptEvidence(row.fingerprint, evidence))
        return found

    def put(self, storefront: str, evidence: Mapping[str, KeptEvidence]) -> None:
        """Keep the evidence of some cases, all of it or nothing; that of the same content is replaced."""
        with self._database.atomic("IMMEDIATE"):
            for case_id, kept in evidence.items():
                RehearsalRow.replace(
                    storefront=storefront,
                    case_id=case_id,
                    fingerprint=kept.fingerprint,
                    body=stored.written(kept.evidence),
                ).execute(self._database)
                own = (RehearsalRow.storefront == storefront) & (RehearsalRow.case_id == case_id)
                newest = RehearsalRow.select(RehearsalRow.id).where(own).order_by(RehearsalRow.id.desc())
                old = own & RehearsalRow.id.not_in(newest.limit(CONTENTS))
                RehearsalRow.delete().where(old).execute(self._database)
