"""Vouchers and shop credit, as the owner issues and reads them."""

from datetime import date, datetime

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.fields import Day, Description, MoneyPositive
from monedero.core.money import Money
from monedero.core.voucher.books import EntryKind, Voucher, VoucherKind
from monedero.server.shops import RunningShop
from monedero.work.context import Context
from monedero.work.orders.vouchers import Given

router = APIRouter(tags=["orders"], responses=PROBLEMS)


class VoucherEntryOut(BaseModel):
    """Something that happened to a voucher; `order` is the number of the order that used it."""

    at: datetime
    what: EntryKind
    amount: str
    order: int | None


class VoucherOut(BaseModel):
    """A voucher as its owner sees it; its code is not among it. `expired` is as of today.

    It `stands_still` while the payment for it is disputed, and after that was lost.
    """

    id: str
    kind: VoucherKind
    ends_in: str
    issued: str
    balance: str
    used: str
    last_day: date | None
    expired: bool
    stands_still: bool
    note: str
    sold_by: int | None
    entries: list[VoucherEntryOut]


class VouchersOut(BaseModel):
    """All vouchers, the newest first. `owed` is what is left on those that hold, by currency."""

    mode: Mode
    vouchers: list[VoucherOut]
    owed: list[str]


class VoucherNew(BaseModel):
    """A voucher to issue; without `expires` it never does."""

    amount: MoneyPositive
    expires: Day | None = None
    note: Description = ""


class VoucherIssued(VouchersOut):
    """The vouchers with one that was just issued, and its code: it is shown here and never again."""

    code: str


@router.get("/api/vouchers")
def read_vouchers(running: RunningDep, context: ContextDep) -> VouchersOut:
    """Every voucher with its entries."""
    return _all(running, context)


@router.post("/api/vouchers", status_code=201)
def issue_voucher(running: RunningDep, context: ContextDep, new: VoucherNew) -> VoucherIssued:
    """Issue a voucher; its code is in the answer, and nowhere else."""
    issued = running.intake.vouchers.issue(
        new.amount, Given(VoucherKind.GIFT, new.expires, new.note), context.mode
    )
    return VoucherIssued(**_all(running, context).model_dump(), code=issued.code)


@router.post("/api/vouchers/{id}/end")
def end_voucher(running: RunningDep, context: ContextDep, id: str) -> VouchersOut:
    """Take away what is left on a voucher, for good."""
    running.intake.vouchers.end(id)
    return _all(running, context)


def _all(running: RunningShop, context: Context) -> VouchersOut:
    vouchers = running.store.vouchers.all(context.mode)
    today = running.clock.now().date()
    owed: dict[str, int] = {}
    for voucher in vouchers:
        if not voucher.expired(today) and not running.intake.vouchers.stands_still(voucher):
            owed[voucher.currency] = owed.get(voucher.currency, 0) + voucher.balance
    return VouchersOut(
        mode=context.mode,
        vouchers=[_out(running, voucher, today) for voucher in vouchers],
        owed=[str(Money(minor, currency)) for currency, minor in owed.items() if minor],
    )


def _out(running: RunningShop, voucher: Voucher, today: date) -> VoucherOut:
    def number(token: str) -> int | None:
        record = running.store.orders.get(token) if token else None
        return record.number if record else None

    def shown(minor: int) -> str:
        return str(Money(minor, voucher.currency))

    return VoucherOut(
        id=voucher.id,
        kind=voucher.kind,
        ends_in=voucher.ends_in,
        issued=shown(voucher.issued),
        balance=shown(voucher.balance),
        used=shown(voucher.used),
        last_day=voucher.last_day,
        expired=voucher.expired(today),
        stands_still=running.intake.vouchers.stands_still(voucher),
        note=voucher.note,
        sold_by=number(voucher.sold_by),
        entries=[
            VoucherEntryOut(at=entry.at, what=entry.what, amount=str(entry.amount), order=number(entry.order))
            for entry in voucher.entries
        ],
    )
