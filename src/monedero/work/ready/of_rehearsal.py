"""The items about rehearsals: cases that failed, are older than what they were of, or were never played."""

from collections import Counter
from collections.abc import Iterator

from monedero.core.ready import ReadyCode, ReadyItem
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.rehearsal.plan import Standing, planned_cases

CODES = {
    Standing.FAILED: ReadyCode.REHEARSAL_FAILED,
    Standing.STALE: ReadyCode.REHEARSAL_STALE,
    Standing.OPEN: ReadyCode.NOT_REHEARSED,
}


def of_rehearsal(context: Context, snapshot: CheckoutSnapshot) -> Iterator[ReadyItem]:
    """The items of the cases of a draft, way by way."""
    counts = Counter((planned.case.tender, planned.standing) for planned in planned_cases(context, snapshot))
    names = {tender.id: tender.name for tender in snapshot.checkout.tenders}
    for (tender, standing), count in counts.items():
        if standing in CODES:
            yield ReadyItem(CODES[standing], tender, {"name": names[tender], "count": count})
