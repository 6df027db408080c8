"""Why a route has no price or a tender is not offered: a code with the limit and the order's own value.

Source: own design. The wording lives in `monedero.wording`.

>>> Reason(ReasonCode.WINDOW_OVER, limit=Money(120000, "EUR"), own=Money(145000, "EUR")).code.value
'window-over'
"""

from collections.abc import Mapping
from datetime import date
from enum import StrEnum
from types import MappingProxyType
from typing import NamedTuple

from monedero.core.money import Money

NOTHING_MORE: Mapping[str, str] = MappingProxyType({})


class ReasonCode(StrEnum):
    """Every reason, in the sequence in which a decision gives them."""

    # A route is not priced.
    SHOP_COUNTRY = "shop-country"
    NO_RATE_FITS = "no-rate-fits"
    NO_REFERENCE_RATE = "no-reference-rate"
    CARD_NOT_VALID_YET = "card-not-valid-yet"
    # A route is not open to the shop: its plan, its provider, the shop's software.
    NOT_IN_PLAN = "not-in-plan"
    ANNOUNCED = "announced"
    NO_PROVIDER = "no-provider"
    TRADE_REFUSED = "trade-refused"
    NEEDS_ACCOUNT = "needs-account"
    NEEDS_METHOD = "needs-method"
    EXCLUDED_BY = "excluded-by"
    SOFTWARE_REFUSES = "software-refuses"
    # A tender is held back, or a route is not open: the tender itself, then its method.
    OFF = "off"
    METHOD_UNKNOWN = "method-unknown"
    METHOD_SHOP_COUNTRY = "method-shop-country"
    METHOD_COUNTRY = "method-country"
    METHOD_CURRENCY = "method-currency"
    METHOD_AMOUNT_UNDER = "method-amount-under"
    METHOD_AMOUNT_OVER = "method-amount-over"
    METHOD_AMOUNT_UNDER_UNKNOWN = "method-amount-under-unknown"
    METHOD_AMOUNT_OVER_UNKNOWN = "method-amount-over-unknown"
    METHOD_RECURRING = "method-recurring"
    METHOD_RECURRING_UNKNOWN = "method-recurring-unknown"
    METHOD_KIND = "method-kind"
    METHOD_KIND_UNKNOWN = "method-kind-unknown"
    METHOD_TAKES_AT_ONCE = "method-takes-at-once"
    METHOD_DELIVERY = "method-delivery"
    METHOD_DELIVERY_UNKNOWN = "method-delivery-unknown"
    METHOD_DUE_BEFORE = "method-due-before"
    # Its buyer needs these to pay.
    DETAILS_MISSING = "details-missing"
    # Its account.
    ACCOUNT_STAGE = "account-stage"
    ACCOUNT_METHOD = "account-method"
    ACCOUNT_STOREFRONT = "account-storefront"
    # The shop's own conditions, in schema order.
    WINDOW_UNDER = "window-under"
    WINDOW_OVER = "window-over"
    WINDOW_UNDER_UNKNOWN = "window-under-unknown"
    WINDOW_OVER_UNKNOWN = "window-over-unknown"
    CONDITION_CURRENCY = "condition-currency"
    CONDITION_COUNTRY = "condition-country"
    CONDITION_AREA = "condition-area"
    CONDITION_AREA_UNKNOWN = "condition-area-unknown"
    CONDITION_KIND = "condition-kind"
    CONDITION_KIND_UNKNOWN = "condition-kind-unknown"
    CONDITION_LINE = "condition-line"
    CONDITION_LINE_UNKNOWN = "condition-line-unknown"
    CONDITION_RECURRING = "condition-recurring"
    CONDITION_RECURRING_UNKNOWN = "condition-recurring-unknown"
    CONDITION_DELIVERY = "condition-delivery"
    CONDITION_DELIVERY_UNKNOWN = "condition-delivery-unknown"
    CONDITION_CUSTOMER_GROUP = "condition-customer-group"
    CONDITION_CUSTOMER_GROUP_UNKNOWN = "condition-customer-group-unknown"
    CONDITION_DEVICE = "condition-device"
    CONDITION_DEVICE_UNKNOWN = "condition-device-unknown"
    CONDITION_SIGNED_IN = "condition-signed-in"
    CONDITION_SIGNED_IN_UNKNOWN = "condition-signed-in-unknown"
    CONDITION_DAY = "condition-day"
    CONDITION_CARD_NETWORK = "condition-card-network"


MONTH_TELLS_NOT = frozenset(
    (ReasonCode.METHOD_RECURRING_UNKNOWN, ReasonCode.METHOD_KIND_UNKNOWN, ReasonCode.METHOD_DELIVERY_UNKNOWN)
)
"""Little is known of most orders of a month: of these reasons none speaks against a method there."""


Value = Money | date | tuple[str, ...] | str
"""A value as it is: money, a day, several codes or ids, or one. How it reads is said where it is worded."""


class Reason(NamedTuple):
    """One reason: what the limit is, what the order's own value is, and further fields of the code."""

    code: ReasonCode
    limit: Value = ""
    own: Value = ""
    fields: Mapping[str, str] = NOTHING_MORE
