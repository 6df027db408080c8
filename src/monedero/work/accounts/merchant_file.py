"""The merchant as providers ask for it, and the papers: kept once, used for every application. All of it is sealed."""

from collections.abc import Callable
from datetime import datetime
from typing import NamedTuple

from monedero.core.application import PAPERS, Ask
from monedero.core.business import Business, tax_number
from monedero.core.card_number import holds_one
from monedero.core.email_address import email_address
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.formats import paper as paper_format
from monedero.store import Store
from monedero.store.papers import Paper
from monedero.work.shop.lookups import described_shop

NAME = "business"
PAPERS_AT_MOST = 60
RECEIPTS_AT_MOST = 5


class VersionedBusiness(NamedTuple):
    """The business with its version; 0 before it was ever saved."""

    version: int
    business: Business


def read_business(store: Store) -> VersionedBusiness:
    """The business as far as it was typed."""
    stored = store.sealed.versioned(NAME, Business)
    if stored is None:
        return VersionedBusiness(0, Business(country=described_shop(store).value.country))
    return VersionedBusiness(*stored)


def save_business(store: Store, business: Business, version: int) -> VersionedBusiness:
    """Save the business over the version that was read; its tax number is kept in its compact form."""
    if business.tax_number:
        try:
            compact = tax_number(business.country, business.tax_number)
        except InvalidInput as refused:
            raise InvalidInput(*(fault.at("tax_number") for fault in refused.faults)) from refused
        business = business.model_copy(update={"tax_number": compact})
    if business.email:
        business = business.model_copy(update={"email": email_address(business.email)})
    return VersionedBusiness(store.sealed.put(NAME, business, version), business)


class MerchantFile:
    """The papers of a shop."""

    def __init__(self, store: Store, now: Callable[[], datetime]) -> None:
        self._store = store
        self._now = now

    def add(self, kind: Ask, name: str, content: bytes) -> Paper:
        """Keep a paper; one of another kind of file, broken or too large is refused."""
        if kind not in PAPERS:
            expected = ", ".join(sorted(paper.value for paper in PAPERS))
            raise InvalidInput(Fault(FaultCode.NOT_ONE_OF, "kind", kind.value, {"expected": expected}))
        return self._keep(kind.value, name, content, None)

    def add_receipt(self, order: str, name: str, content: bytes) -> Paper:
        """Keep the transfer receipt of an order."""
        return self._keep("transfer-receipt", name, content, order)

    def _keep(self, kind: str, name: str, content: bytes, order: str | None) -> Paper:
        short = paper_format.short_name(name)
        if holds_one(short):
            raise InvalidInput(Fault(FaultCode.CARD_NUMBER, "file"))
        media_type = paper_format.judge(name, content)
        papers, most = self._store.papers, PAPERS_AT_MOST if order is None else RECEIPTS_AT_MOST
        # Counted in the transaction that adds one, so that many at once are bounded too.
        with self._store.together():
            stored = papers.of_shop() if order is None else papers.of_order(order)
            if len(stored) >= most:
                raise Conflict(Fault(FaultCode.PAPERS_MANY, "file", str(len(stored))))
            return papers.add(Paper("", kind, short, media_type, 0, "", self._now(), order), content)

    def kinds(self) -> frozenset[Ask]:
        """The kinds of papers that are there."""
        return frozenset(Ask(paper.kind) for paper in self._store.papers.of_shop())

    def digests(self) -> dict[str, str]:
        """The newest paper of each kind, by its digest."""
        return {paper.kind: paper.digest for paper in self._store.papers.of_shop()}

    def open(self, id: str) -> tuple[Paper, bytes]:
        """A paper with its content."""
        found = self._store.papers.get(id)
        if found is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "paper", id, {"what": "paper"}))
        return found

    def drop(self, id: str) -> None:
        """Take a paper away."""
        self.open(id)
        self._store.papers.drop(id)
