"""The cases of a draft, each with a fingerprint of all that it rests on, and how its evidence stands.

Evidence belongs to content: a limit is in the fingerprint of its own cases alone, a text, a price, a key or a currency
in that of every case that meets it.
"""

import hashlib
import json
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from typing import Any

from monedero.core.account import Mode
from monedero.core.checkout.model import Tender
from monedero.core.method import Method
from monedero.core.rehearsal.cases import Case, Form, Outcome, Terms, end_of, limits_of, outcomes_of
from monedero.core.rehearsal.evidence import Evidence
from monedero.store.rehearsals import KeptEvidence
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot, drafted
from monedero.work.context import Context
from monedero.work.rehearsal.orders import lines_of
from monedero.work.shop.lookups import method_in

ORDER_FORMS = tuple(form for form in Form if form is not Form.LIMIT)


class Standing(StrEnum):
    """How a case stands: never played, passed, failed, or played before something that it rests on changed.

    No order of its form may reach its way.
    """

    OPEN = "open"
    PASSED = "passed"
    FAILED = "failed"
    STALE = "stale"
    NO_ORDER = "no-order"


@dataclass(frozen=True, slots=True)
class PlannedCase:
    """A case of a draft, the fingerprint of what it rests on, and its evidence (None: it was never played)."""

    case: Case
    fingerprint: str
    kept: KeptEvidence | None

    @property
    def standing(self) -> Standing:
        """How it stands."""
        if self.kept is None:
            return Standing.OPEN
        if self.kept.fingerprint != self.fingerprint:
            return Standing.STALE
        if self.kept.evidence.ordered is None:
            return Standing.NO_ORDER
        return Standing.PASSED if self.kept.evidence.passed else Standing.FAILED

    @property
    def evidence(self) -> Evidence | None:
        """Its evidence."""
        return self.kept.evidence if self.kept else None


def planned_cases(context: Context, of: CheckoutSnapshot | None = None) -> list[PlannedCase]:
    """Every case of the draft of a storefront, or of another snapshot of it, way by way."""
    snapshot = of or drafted(context)
    kept = context.shop.rehearsals.of(context.storefront)
    rests = _Rests(context, snapshot)
    return [
        _planned(case, rests.fingerprint(tender, case), kept.get(case.id, ()))
        for tender in snapshot.checkout.in_place
        if tender.on
        for case in cases_of(snapshot, tender)
    ]


def _planned(case: Case, fingerprint: str, kept: Sequence[KeptEvidence]) -> PlannedCase:
    """A case with the evidence of its content, or else what was played last."""
    own = next((each for each in kept if each.fingerprint == fingerprint), None)
    return PlannedCase(case, fingerprint, own or next(iter(kept), None))


def cases_of(snapshot: CheckoutSnapshot, tender: Tender) -> Iterator[Case]:
    """The cases of a tender: its outcomes in each form in which the shop has orders, and both sides of each limit."""
    method = method_in(snapshot.methods, tender.method)
    outcomes = list(outcomes_of(method, Terms(tender.take, tender.lapse_days is not None)))
    for form in ORDER_FORMS:
        if _can_be(snapshot, method, form):
            for outcome in outcomes:
                yield Case(tender.id, outcome, form)
    for limit in limits_of(tender):
        if limit.currency in {market.currency for market in snapshot.shop.markets}:
            yield Case(tender.id, Outcome.OFFERED, Form.LIMIT, limit)
            yield Case(tender.id, Outcome.HELD_BACK, Form.LIMIT, limit)


def _can_be(snapshot: CheckoutSnapshot, method: Method, form: Form) -> bool:
    """True if the shop has an order in a form whose lines a method can carry."""
    lines = lines_of(snapshot.shop, form)
    kinds = method.kinds
    carried = [line for line in lines if kinds is None or line.kind in kinds]
    return bool(carried) and (form is not Form.REPEATING or method.recurring)


class _Rests:
    """The things on which the cases of a draft rest."""

    def __init__(self, context: Context, snapshot: CheckoutSnapshot) -> None:
        shop = snapshot.shop
        self._snapshot = snapshot
        self._accounts = context.shop.accounts.of(Mode.TEST)
        self._cards = {card.provider.id: card for card in _in_force(context)}
        parts = {
            "country",
            "currency",
            "markets",
            "lines",
            "due_before",
            "deliveries",
            "arrangements",
            "languages",
        }
        self._shop = shop.model_dump(mode="json", include=parts)
        self._sets = {shared.id: shared.model_dump(mode="json") for shared in snapshot.checkout.shared_conditions}
        self._kept: dict[str, str] = {}

    def fingerprint(self, tender: Tender, case: Case) -> str:
        """A digest of all that a case rests on."""
        if case.limit is not None:
            end = end_of(tender, case.limit)
            route = tender.route.model_dump(mode="json") if tender.route else None
            return _digest([case.id, {"route": route, "account": tender.account, "end": str(end)}])
        if tender.id not in self._kept:
            self._kept[tender.id] = _digest(self._of_tender(tender))
        return _digest([case.id, self._kept[tender.id]])

    def _of_tender(self, tender: Tender) -> Mapping[str, Any]:
        account = self._accounts.get(tender.carried_by or "")
        card = self._cards.get(tender.route.provider) if tender.route else None
        return {
            "tender": tender.model_dump(mode="json", exclude={"windows", "on_line_page", "in_cart", "picture"}),
            "sets": [self._sets[id] for id in tender.shared],
            "method": method_in(self._snapshot.methods, tender.method).model_dump(mode="json"),
            "account": account.model_dump(mode="json", include={"provider", "plan", "number", "active_methods"})
            if account
            else None,
            "card": card.model_dump(mode="json") if card else None,
            "shop": self._shop,
        }


def _digest(told: Any) -> str:
    return hashlib.sha256(json.dumps(told, sort_keys=True).encode()).hexdigest()


def _in_force(context: Context) -> Iterator[Any]:
    """The newest rate card of every provider."""
    yield from sorted(context.shop.rate_cards.all(), key=lambda card: card.valid_from or date.min)
