"""Why a route has no price or a tender is not offered: a code with the limit and the order's own value.

Source: own design. The wording lives in `monedero.wording`.

>>> Reason(ReasonCode.WINDOW_OVER, limit="1200.00 EUR", own="1450.00 EUR").code.value
'window-over'
>>> Reason("never-heard-of", limit="", own="")
Traceback (most recent call last):
...
ValueError: 'never-heard-of' is not a valid ReasonCode
"""

from dataclasses import dataclass, field
from enum import StrEnum


class ReasonCode(StrEnum):
    """Every reason, in the sequence in which a decision gives them."""

    # A route is not priced.
    SHOP_COUNTRY = "shop-country"
    NO_RATE_FITS = "no-rate-fits"
    NO_REFERENCE_RATE = "no-reference-rate"
    CARD_NOT_VALID_YET = "card-not-valid-yet"
    # A tender is held back, or a route is not open: the tender itself, then its method.
    OFF = "off"
    METHOD_SHOP_COUNTRY = "method-shop-country"
    METHOD_COUNTRY = "method-country"
    METHOD_CURRENCY = "method-currency"
    METHOD_AMOUNT_UNDER = "method-amount-under"
    METHOD_AMOUNT_OVER = "method-amount-over"
    METHOD_AMOUNT_UNKNOWN = "method-amount-unknown"
    METHOD_RECURRING = "method-recurring"
    METHOD_KIND = "method-kind"
    # Its account.
    ACCOUNT_STAGE = "account-stage"
    ACCOUNT_METHOD = "account-method"
    # The shop's own conditions, in schema order.
    WINDOW_UNDER = "window-under"
    WINDOW_OVER = "window-over"
    WINDOW_UNKNOWN = "window-unknown"


@dataclass(frozen=True, slots=True)
class Reason:
    """One reason: what the limit is, what the order's own value is, and further fields of the code."""

    code: ReasonCode
    limit: str = ""
    own: str = ""
    fields: dict[str, str] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Refuse a code that is not in the list, so that none goes without wording."""
        object.__setattr__(self, "code", ReasonCode(self.code))
