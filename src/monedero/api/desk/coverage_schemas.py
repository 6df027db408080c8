"""Tells what coverage answers: the grid, the findings with what ends them, what a change moves."""

from datetime import date

from pydantic import BaseModel, StrictInt

from monedero.core.account import Mode
from monedero.core.fields import Day, Identifier
from monedero.core.order.model import Device
from monedero.work.checkout.findings import FindingKind


class LookQuery(BaseModel):
    """Holds which orders the grid looks at, and how the accounts count: as they stand, all ready, without one
    provider's.

    What is left out is not told apart. `on` is the day of the orders, today without it.
    """

    delivery: Identifier | None = None
    customer_group: Identifier | None = None
    device: Device | None = None
    signed_in: bool | None = None
    recurring: bool | None = None
    ready: bool = False
    without: Identifier | None = None
    on: Day | None = None


class CoverageQuery(LookQuery):
    """With a fix of a finding the answer is as if it was made."""

    finding: str | None = None
    fix: str | None = None


class CellQuery(LookQuery):
    """A cell of the grid: its market, its lines joined by a plus, its amounts in the market's currency."""

    market: Identifier
    lines: str
    first: str
    below: str | None = None


class CellOut(BaseModel):
    """Neighbouring amounts at which orders have the same least and most ways to pay.

    `first` and `below` are amounts of the market's currency, `begins` and `ends` the same in the shop's currency, for
    the ruler; `below` and `ends` are null without an end. `said` is all of it in words.
    """

    first: str
    below: str | None
    begins: str
    ends: str | None
    least: int
    most: int
    said: str


class RowOut(BaseModel):
    """A line, or two in one cart, with its cells; it stands for every line of which nothing else is said.

    `stands_for` are those, by their ids, of a row of one line.
    """

    lines: list[str]
    stands_for: list[str]
    name: str
    repeats: bool
    cells: list[CellOut]


class BlockOut(BaseModel):
    """Markets in which everything is the same; without a reference rate its amounts stand on the ruler as they are."""

    markets: list[str]
    name: str
    currency: str
    rated: bool
    rows: list[RowOut]


class OrderToHand(BaseModel):
    """An order to put in hand, by the parts of its sentence; what is null is not told."""

    market: str
    line: str
    amount: str
    currency: str
    postcode: str | None = None
    delivery: str | None = None
    customer_group: str | None = None
    device: str | None = None
    signed_in: str | None = None


class FoundOut(BaseModel):
    """A finding in a sentence of two parts, the orders of the month that it is about, and one order to look at."""

    id: str
    kind: FindingKind
    tender: str
    lead: str
    text: str
    share: str
    order: OrderToHand | None


class PreviewOut(BaseModel):
    """A fix that is looked at: what it is, and what it would change, in sentences."""

    finding: str
    fix: str
    text: str
    changes: list[str]


class NameOut(BaseModel):
    """Something that can be picked, by its id."""

    id: str
    name: str


class CoverageOut(BaseModel):
    """The grid of a draft, and what was found in it, the worst first.

    Filters narrow the grid, and leave those findings that are about an order that is looked at. `looked` says how much
    was looked at, `clean` that nothing stands against the checkout, where that is so.
    """

    mode: Mode
    draft_version: int
    on: date
    currency: str
    blocks: list[BlockOut]
    findings: list[FoundOut]
    looked: str
    clean: str
    providers: list[NameOut]
    preview: PreviewOut | None


class FixOut(BaseModel):
    """Holds what ends a finding: in words, what it costs a month, and the path to the account that it waits for."""

    id: str
    text: str
    cost: str
    go: str


class FixesOut(BaseModel):
    """Holds what ends each finding, by the finding's id; an empty list where nothing in the checkout does."""

    mode: Mode
    draft_version: int
    fixes: dict[str, list[FixOut]]


class MakeFix(BaseModel):
    """A fix of a finding that is made in the draft, over the version that was read, as the accounts counted."""

    version: StrictInt
    finding: str
    fix: str
    ready: bool = False
    without: Identifier | None = None


class CoverageState(BaseModel):
    """How a draft stands: how many dead ends and single ways there are, in a phrase.

    `made` says which dead ends its last change made, in sentences.
    """

    mode: Mode
    dead_ends: int
    singles: int
    note: str
    made: list[str]
