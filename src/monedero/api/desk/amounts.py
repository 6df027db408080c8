"""An amount as somebody typed it, read into the one way in which amounts are kept."""

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.problems import PROBLEMS
from monedero.core.as_typed import CURRENCIES, money_text
from monedero.core.errors import InvalidInput
from monedero.core.fields import not_negative
from monedero.core.money import Money

router = APIRouter(prefix="/api", tags=["amounts"], responses=PROBLEMS)


class AmountOut(BaseModel):
    """An amount with the decimals of its currency."""

    amount: str
    currency: str


@router.get("/amount")
def read_amount(typed: str, currency: str) -> AmountOut:
    """Reads an amount as it was typed, such as `1.200,50`; in `currency` where none was typed with it."""
    text = typed if CURRENCIES.search(typed) else f"{typed} {currency}"
    try:
        read = not_negative(Money.parse(money_text(text)), typed)
    except InvalidInput as refused:
        raise InvalidInput(*(fault.at("typed") for fault in refused.faults)) from refused
    return AmountOut(amount=read.amount, currency=read.currency)
