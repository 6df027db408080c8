"""The code of a voucher as a buyer types it; what can be used goes by a handle from then on."""

from pydantic import BaseModel, Field

from monedero.api.buyer.door import CallerDep, ContextDep, RunningDep, buyers_router, reads_in
from monedero.core.account import Mode
from monedero.core.fields import CurrencyCode
from monedero.core.money import Money
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import best_of, tell, to_buyer
from monedero.work.orders.vouchers import Guesser
from monedero.work.shop.lookups import described_shop

router = buyers_router()
MOST_SIGNS = 60


class CodeTried(BaseModel):
    """The code of a voucher as a buyer typed it, for an order in a currency."""

    code: str = Field(max_length=MOST_SIGNS)
    currency: CurrencyCode
    language: str = ""


class CodeTaken(BaseModel):
    """A voucher that can be used, under a handle in the place of its code; `left` says what is left on it."""

    mode: Mode
    handle: str
    ends_in: str
    balance: str
    left: str


@router.post("/api/shops/{shop}/offer/vouchers")
def try_code(running: RunningDep, context: ContextDep, caller: CallerDep, tried: CodeTried) -> CodeTaken:
    """A voucher by its code; after five wrong ones of a buyer all are refused for a quarter of an hour."""
    reads_in(caller.request, tried.language)
    shop = described_shop(context.shop).value
    who = Guesser(caller.known(), caller.host)
    with to_buyer(best_of(tried.language, shop.languages), shop.country):
        voucher, handle = running.intake.vouchers.try_code(tried.code, who, tried.currency, context.mode)
        balance = Money(voucher.balance, voucher.currency)
        return CodeTaken(
            mode=context.mode,
            handle=handle,
            ends_in=voucher.ends_in,
            balance=str(balance),
            left=tell("voucher-left", amount=money(balance)),
        )
