"""Tells what stands on a rate card besides prices: the terms of contract, and where its figures come from.

Source: own design, format `monedero/rate-card/1`.

>>> Terms(notice_days=30, reserve={"percent": "10", "days": 90}).reserve.days
90
>>> Terms(set_up="much")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Terms
set_up
  money-text [type=money-text, input_value='much', input_type=str]
"""

from typing import Annotated

from pydantic import Field, StrictInt

from monedero.core.fields import Day, LongText, MoneyText, Share, Strict


class Reserve(Strict):
    """A part of the money that the provider keeps for some days."""

    percent: Share
    days: Annotated[StrictInt, Field(ge=0, le=3650)]


class InstantPayout(Strict):
    """The price of a payout that the owner asks for at once: a share of it, or a fixed amount, not under a minimum."""

    percent: Share | None = None
    fixed: MoneyText | None = None
    minimum: MoneyText | None = None


class Terms(Strict):
    """Terms of contract that are not per order. `yearly_fee` is a charge besides the plan's, such as for card data."""

    set_up: MoneyText | None = None
    terminal_rent: MoneyText | None = None
    yearly_fee: MoneyText | None = None
    instant_payout: InstantPayout | None = None
    shortest_term_months: Annotated[StrictInt, Field(ge=0, le=120)] | None = None
    notice_days: Annotated[StrictInt, Field(ge=0, le=730)] | None = None
    exit_fee: MoneyText | None = None
    reserve: Reserve | None = None
    first_payout_days: Annotated[StrictInt, Field(ge=0, le=365)] | None = None
    monthly_cap: MoneyText | None = None


class CardSource(Strict):
    """Holds where the figures of a card come from: the provider's price list as it stood, and the day it was read."""

    text: LongText
    read_on: Day
