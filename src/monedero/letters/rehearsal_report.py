"""The report of a rehearsal for print: of the draft or of an edition, every case of every way and what it came to."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass

from monedero.core.checkout.model import Tender
from monedero.core.money import Money
from monedero.core.rehearsal.cases import end_of
from monedero.core.rehearsal.evidence import Evidence
from monedero.store.providers_and_editions import Edition
from monedero.wording import fault_text
from monedero.wording.catalogue import say
from monedero.wording.order_story import state_text
from monedero.wording.rehearsal import case_name, difference_texts, evidence_order, outcome_name, standing_name
from monedero.wording.show import day, money, time_of_day
from monedero.work.checkout.checkout_snapshot import as_published, drafted, edition_of
from monedero.work.context import Context
from monedero.work.rehearsal.plan import PlannedCase, Standing, planned_cases
from monedero.work.shop.lookups import storefront_of

TOLD = ("taken", "released", "refunded", "credited", "disputed", "lost", "returned", "kept")
"""The amounts of the books that a report says, where they are not nothing: what was held or asked for is in these."""


@dataclass(frozen=True, slots=True)
class ReportedCase:
    """A case in words: its outcome, its form, its order, the state in which it ended, money, messages, how it stands.

    `differences` are sentences; `at` is when it was played, by the clock of the rehearsal.
    """

    outcome: str
    form: str
    order: str
    state: str
    money: list[str]
    messages: list[str]
    stands: str
    standing: Standing
    at: str
    differences: list[str]


@dataclass(frozen=True, slots=True)
class ReportedWay:
    """A way to pay with its cases."""

    name: str
    cases: list[ReportedCase]


@dataclass(frozen=True, slots=True)
class RehearsalReport:
    """The report of a storefront: `of` says what was rehearsed, `counts` how many cases stand how."""

    shop: str
    storefront: str
    of: str
    fingerprint: str
    counts: list[str]
    ways: list[ReportedWay]


def rehearsal_report(context: Context, edition_id: int | None) -> RehearsalReport:
    """The report of an edition of the storefront, by its id, or of the draft; with accounts and prices as of now."""
    edition = edition_of(context, edition_id) if edition_id is not None else None
    snapshot = as_published(edition.published, edition.id) if edition else drafted(context)
    planned = planned_cases(context, snapshot)
    found = Counter(each.standing for each in planned)
    return RehearsalReport(
        shop=snapshot.shop.name,
        storefront=storefront_of(snapshot.shop, context.storefront).name,
        of=_of(edition, snapshot.checkout.mode.value),
        fingerprint=edition.published.fingerprint if edition else "",
        counts=[f"{found[standing]} {standing_name(standing.value)}" for standing in Standing if found[standing]],
        ways=[_way(tender, planned) for tender in snapshot.checkout.in_place if tender.on],
    )


def _of(edition: Edition | None, mode: str) -> str:
    if edition is None:
        return say("report-of-draft", mode=mode)
    at = edition.published_at
    when = f"{day(at.date().isoformat())}, {time_of_day(at)}"
    return say("report-of-edition", number=edition.number, mode=mode, at=when)


def _way(tender: Tender, planned: Iterable[PlannedCase]) -> ReportedWay:
    return ReportedWay(tender.name, [_case(each, tender) for each in planned if each.case.tender == tender.id])


def _case(planned: PlannedCase, tender: Tender) -> ReportedCase:
    case, standing = planned.case, planned.standing
    # Evidence of another content proves nothing of this one.
    evidence = planned.evidence if standing in (Standing.PASSED, Standing.FAILED) else None
    refused = [fault_text(evidence.refused)] if evidence and evidence.refused else []
    return ReportedCase(
        outcome=outcome_name(case.outcome),
        form=case_name(case, str(end_of(tender, case.limit)) if case.limit else ""),
        order=evidence_order(evidence) if evidence else "",
        state=state_text(evidence.steps[-1].state) if evidence and evidence.steps else "",
        money=_money(evidence) if evidence else [],
        messages=[message.subject for message in evidence.messages] if evidence else [],
        stands=standing_name(standing.value),
        standing=standing,
        at=day(evidence.at.date().isoformat()) if evidence else "",
        differences=[*difference_texts(evidence), *refused] if evidence else [],
    )


def _money(evidence: Evidence) -> list[str]:
    named = [(part, amount) for part in TOLD if (amount := evidence.books.get(part)) is not None and amount.minor]
    told = [say(f"report-{part}", amount=_shown(amount)) for part, amount in named]
    fees = [say("report-fee", amount=_shown(fee)) for fee in evidence.fees if fee.minor]
    return [*told, *fees]


def _shown(amount: Money) -> str:
    return money(str(amount))
