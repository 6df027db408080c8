"""The answers about the best set: what it leaves, why each way is in it or out, and what changing to it takes."""

from datetime import date

from pydantic import BaseModel

from monedero.api.desk.checkout import Draft
from monedero.core.account import Mode


class SetOut(BaseModel):
    """A set over the month; `left` is None where a margin is not known."""

    carried: str
    lost: str
    cost: str
    left: str | None
    accounts: int
    ways: list[str]


class InsideOut(BaseModel):
    """A way of the set: what takes it in a month, and what is left less without it (costs more, without margins)."""

    method: str
    method_name: str
    by: str
    orders: str
    cost: str
    without: str
    orders_without: str


class OutsideOut(BaseModel):
    """A way that is out: what is left more (or less) with it, the orders it brings, and from which share on it pays."""

    method: str
    method_name: str
    by: str
    changes: str
    more_orders: str
    pays_from: str | None


class NeededAccountOut(BaseModel):
    """An account that the set needs; `days` are those that a review usually takes, where it is to be opened."""

    provider: str
    name: str
    held: bool
    days: int | None


class LeftAccountOut(BaseModel):
    """An account that the set does not need, and what leaving it takes; `ends` is the earliest day."""

    provider: str
    name: str
    ends: date | None
    exit_fee: str | None
    saved_details: int | None


class ChangingOut(BaseModel):
    """A change to the set: days until all accounts are usually there, fees, and what it comes to in a year.

    `fees` is None where nothing is charged, or (`fees_known` is false) where one has no reference rate.

    `a_year` is None where margins are not known.
    """

    left: list[LeftAccountOut]
    days: int
    fees: str | None
    fees_known: bool
    costs_now: str | None
    a_year: str | None


class AskableOut(BaseModel):
    """An assumption about a family or a method, with its name; the margin of all lines is one of them."""

    assumption: str
    about: str
    name: str


class BestSetOut(BaseModel):
    """The best set for the month and its buyers; `best` is None where no set keeps the limits.

    `lost_margin` is what the orders that find no way would have left; `assumptions` are those that may move the set.
    """

    mode: Mode
    currency: str
    orders: str
    best: SetOut | None
    lost_margin: str | None
    stands: SetOut | None
    better: str | None
    accounts: list[NeededAccountOut]
    changing: ChangingOut | None
    inside: list[InsideOut]
    outside: list[OutsideOut]
    one_less: SetOut | None
    one_more: SetOut | None
    plans: dict[str, str]
    families: dict[str, str]
    assumptions: list[AskableOut]
    methods: dict[str, str]
    providers: dict[str, str]


class PlacedOut(BaseModel):
    """The draft with the set in it, and the names of the ways whose accounts are not there yet."""

    draft: Draft
    waiting: list[str]
