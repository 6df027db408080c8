"""Tells what coverage found in a checkout, the worst first, with the orders of the month that each is about."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from hashlib import sha256

from monedero.core.checkout.coverage.answer import Found, coverage
from monedero.core.checkout.coverage.parts import Examined
from monedero.core.checkout.coverage.share import PlacedMonth, Share, share_of
from monedero.formats.coverage_json import box_of

NO_ORDER = Share(Fraction(0), True)
OFF = ("off",)


class FindingKind(StrEnum):
    """Names what is found, the worst first."""

    DEAD_END = "dead-end"
    SINGLE = "single"
    FEE_ONLY = "fee-only"
    UNREACHABLE = "unreachable"


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding. `found` is None for a tender that nothing reaches, which has the codes that shut it out instead.

    `id` is the same for the same finding of another moment; `tender` is the one that it is about, if it is about one.
    """

    id: str
    kind: FindingKind
    share: Share
    found: Found | None = None
    tender: str = ""
    codes: Sequence[str] = ()


def findings(examined: Examined, month: PlacedMonth) -> list[Finding]:
    """The findings: dead ends, single tenders, orders that all bear a fee, tenders that nothing reaches.

    Of each kind those that most orders of the month meet come first. A tender that is off is meant to reach nothing.
    """
    answer = coverage(examined)

    def told(kind: FindingKind, some: Iterable[Found]) -> Iterator[Finding]:
        for found in some:
            share = share_of([(found.region, found.box)], month)
            yield Finding(_id(kind, found), kind, share, found, found.tender)

    every = [
        *told(FindingKind.DEAD_END, answer.dead_ends),
        *told(FindingKind.SINGLE, answer.single_tenders),
        *told(FindingKind.FEE_ONLY, answer.fee_only),
        *(
            Finding(f"unreachable-{tender}", FindingKind.UNREACHABLE, NO_ORDER, None, tender, codes)
            for tender, codes in answer.unreachable.items()
            if tuple(codes) != OFF
        ),
    ]
    kinds = list(FindingKind)
    return sorted(every, key=lambda finding: (kinds.index(finding.kind), -finding.share.orders))


def _id(kind: FindingKind, found: Found) -> str:
    """An id from what is found, so that a finding can be named in a request."""
    named = f"{found.tender} {box_of(found.region, found.box)}"
    return f"{kind.value}-{sha256(named.encode()).hexdigest()[:12]}"
