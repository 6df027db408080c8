"""The lines of a price list put together: plans, rates, extras, events, settlement and terms of one card.

Rates come first and then the rest, since an extra or an event may stand above the price that it belongs to.

Source: own design.

>>> assembly = Assembly("PT", "EUR")
>>> assembly.line(1, "Steady plan", PlanLine("Steady"))
>>> assembly.parts()[0]["plans"]
[{'id': 'steady', 'name': 'Steady'}]
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import replace
from typing import Any

from slugify import slugify

from monedero.formats.price_text.conditions import Region, when_of
from monedero.formats.price_text.model import (
    EventLine,
    ExtraLine,
    Facets,
    Heading,
    Meaning,
    MonthlyLine,
    PlanLine,
    ProviderLine,
    RateLine,
    ReadLine,
    SettlementLine,
    TaxLine,
    TermLine,
)
from monedero.formats.price_text.plans import names_a_plan
from monedero.formats.price_text.rates import Entry, Overlap, add, crossing, put_first, with_ids, without_ties
from monedero.formats.price_text.sections import Sections
from monedero.formats.price_text.told import EventTold, Told
from monedero.formats.price_text.unread import NotRead, Why

DIRECT_DEBITS = {
    "EUR": "sepa-direct-debit",
    "GBP": "bacs-direct-debit",
    "USD": "ach-debit",
    "CAD": "pre-authorised-debit",
    "AUD": "becs-direct-debit",
}
DEBITS = frozenset((*DIRECT_DEBITS.values(), "sepa-direct-debit-b2b"))
WITH_CARDS = frozenset(("card", "card-at-terminal", "card-by-phone", "device-wallet"))
ONLY_PLAN = "standard"


def plan_id(name: str) -> str:
    """The id of a plan by its name."""
    return slugify(name, max_length=50) or ONLY_PLAN


def _region_in(lines: Iterable[ReadLine]) -> tuple[str, ...]:
    """The countries that a line says are of the provider's region."""
    found = (line.meaning.region for line in lines if isinstance(line.meaning, ProviderLine))
    return next((region for region in found if region), ())


class Assembly:
    """The lines of a text as they come, and the parts of the card that they make."""

    def __init__(self, country: str, currency: str) -> None:
        self._country, self._currency = country, currency
        self._lines: list[ReadLine] = []
        self._plans: dict[str, str] = {}
        self._rates: list[Entry] = []
        self._extras: list[Entry] = []
        self._by_line: dict[int, list[Entry]] = {}
        self._told = Told()
        self._sections, self._plan, self._plan_known = Sections(), "", True
        self.region = Region(country, ())

    def unread(self, number: int, text: str, why: NotRead) -> None:
        """A line that is left out."""
        self._lines.append(ReadLine(number, text, unread=why))

    def line(self, number: int, text: str, meaning: Meaning | None) -> None:
        """A line with what it means."""
        self._lines.append(ReadLine(number, text, meaning))

    def parts(self) -> tuple[dict[str, Any], list[ReadLine]]:
        """The parts of the card, and the lines with what they became. Once, after the last line."""
        self.region = Region(self._country, self._origins(), _region_in(self._lines))
        self._each(self._price)
        self._each(self._besides)
        instead = without_ties(self._rates)
        for number, entries in self._by_line.items():
            self._by_line[number] = [instead.get(id(entry), entry) for entry in entries]
        put_first(self._rates)
        named = with_ids([*self._rates, *self._extras])
        plans = self._plans or {ONLY_PLAN: ONLY_PLAN.capitalize()}
        parts = {
            "plans": [{"id": id, "name": name, **self._told.of_plan(id)} for id, name in plans.items()],
            "rates": [entry.on_card(name) for name, entry in named if not entry.label],
            "extras": [entry.on_card(name) for name, entry in named if entry.label],
            "events": self._told.events_on_card(),
            "settlement": self._told.settlement_on_card("TARGET" if self._currency == "EUR" else self._country),
            **self._told.rest_on_card(),
        }
        ids = {id(entry): name for name, entry in named}
        crossed = crossing(self._rates)
        return parts, [self._with_entries(line, ids, crossed) for line in self._lines]

    def _with_entries(self, line: ReadLine, ids: dict[int, str], crossed: dict[int, Overlap]) -> ReadLine:
        entries = tuple(ids[id(entry)] for entry in self._by_line.get(line.number, ()))
        over = crossed.get(line.number)
        return replace(
            line, entries=entries, overlaps=over.line if over else None, asks=over is not None and over.asks
        )

    @property
    def shops(self) -> list[str]:
        """Countries whose shops the provider takes: those that the text names, else the shop's own."""
        return list(self._told.provider.get("shops", (0, (self._country,)))[1])

    @property
    def settles_in(self) -> list[str]:
        """Currencies in which the provider pays out: those that the text names, else the one that was given."""
        return list(self._told.provider.get("settles_in", (0, (self._currency,)))[1])

    def _origins(self) -> Iterator[str]:
        for line in self._lines:
            facets = getattr(line.meaning, "facets", None)
            if isinstance(facets, Facets):
                yield from facets.origins

    def _each(self, take: Callable[[int, Meaning], None]) -> None:
        self._sections, self._plan, self._plan_known = Sections(), "", True
        for place, line in enumerate(self._lines):
            if line.unread is not None and names_a_plan(line.text):
                self._plan_known = False
            if line.meaning is not None:
                try:
                    take(line.number, line.meaning)
                except NotRead as why:
                    self._lines[place] = replace(line, meaning=None, unread=why)

    def _above(self, meaning: Meaning) -> None:
        """Headings and plans hold for the lines below them."""
        if isinstance(meaning, Heading):
            self._sections.heading(meaning.facets)
            if meaning.facets and meaning.facets.every_plan:
                self._plan, self._plan_known = "", True
        elif isinstance(meaning, PlanLine):
            self._plan, self._plan_known = plan_id(meaning.name), True
            # Below another plan the headings begin anew.
            self._sections = Sections()

    def _price(self, number: int, meaning: Meaning) -> None:
        self._above(meaning)
        if isinstance(meaning, PlanLine):
            self._plans.setdefault(self._plan, meaning.name)
        if isinstance(meaning, MonthlyLine) and not self._plan_known:
            raise NotRead(Why.WHICH_PLAN)
        if isinstance(meaning, PlanLine | MonthlyLine):
            for key in ("monthly", "minimum_monthly"):
                value = getattr(meaning, key)
                if value is not None:
                    self._told.tell(self._told.plans, (self._plan, key), number, str(value))
        if isinstance(meaning, RateLine):
            self._rate(number, meaning)

    def _besides(self, number: int, meaning: Meaning) -> None:
        self._above(meaning)
        told = self._told
        if isinstance(meaning, ExtraLine):
            self._extra(number, meaning)
        elif isinstance(meaning, EventLine):
            fixed = None if meaning.fixed is None else str(meaning.fixed)
            for method in self._of_event(meaning) or (None,):
                what = EventTold(fixed, meaning.returns, meaning.if_won)
                told.tell(told.events, (method, meaning.what), number, what)
        elif isinstance(meaning, SettlementLine):
            for method in self._methods(meaning.methods) or (None,):
                if meaning.business_days is not None:
                    told.tell(told.days, method, number, meaning.business_days)
                if meaning.payout is not None:
                    told.tell(told.payouts, method, number, meaning.payout)
        else:
            self._contract(number, meaning)

    def _contract(self, number: int, meaning: Meaning) -> None:
        """A line about the provider, the tax on its fees, or the terms of its contract."""
        told = self._told
        if isinstance(meaning, ProviderLine):
            for name in ("shops", "region", "settles_in"):
                if value := getattr(meaning, name):
                    told.tell(told.provider, name, number, value)
        elif isinstance(meaning, TaxLine):
            told.tell(told.tax, "", number, meaning.percent)
        elif isinstance(meaning, TermLine):
            for name, value in meaning.terms.items():
                told.tell(told.terms, name, number, value)

    def _of_event(self, meaning: EventLine) -> tuple[str, ...]:
        """The methods of an event; what fails later are debits, where the card has any."""
        named = self._methods(meaning.methods)
        if meaning.what != "failed" or named:
            return named
        return tuple(
            dict.fromkeys(entry.method for entry in self._rates if entry.method and entry.method in DEBITS)
        )

    def _plans_of(self, facets: Facets) -> list[str] | None:
        if facets.every_plan:
            return None
        if not facets.plans and not self._plan_known:
            raise NotRead(Why.WHICH_PLAN)
        return list(facets.plans) or ([self._plan] if self._plan else None)

    def _rate(self, number: int, meaning: RateLine) -> None:
        facets = self._sections.within(meaning.facets)
        methods = self._methods(facets.methods, priced=False)
        if not methods:
            raise NotRead(Why.WHICH_METHOD)
        if facets.about_cards and not set(methods) <= WITH_CARDS:
            raise NotRead(Why.UNCLEAR, (*facets.card_kinds, *facets.networks)[0])
        when, plans = when_of(facets, self.region), self._plans_of(facets)
        where = self.region.buyers(when)
        before = list(self._rates)
        try:
            self._by_line[number] = [
                add(
                    self._rates,
                    Entry(number, method, plans, when, meaning.price, where=where, first=meaning.first),
                )
                for method in methods
            ]
        except NotRead:
            # A line is on the card as a whole, or not at all.
            self._rates = before
            raise

    def _extra(self, number: int, meaning: ExtraLine) -> None:
        own = meaning.facets
        facets = own if own.conversion else self._sections.within(own)
        methods = self._methods(facets.methods or (("card",) if facets.about_cards else ()))
        when, plans = when_of(facets, self.region), self._plans_of(facets)
        self._by_line[number] = [
            self._add_extra(Entry(number, method, plans, when, meaning.price, meaning.label))
            for method in methods or (None,)
        ]

    def _add_extra(self, new: Entry) -> Entry:
        """An extra; the same one said twice is added once, also where it is said of one plan and of all."""
        for entry in self._extras:
            alike = (entry.method, entry.when, entry.label) == (new.method, new.when, new.label)
            if alike and entry.meets(new):
                said_already = entry.plans is None or entry.plans == new.plans
                if entry.price != new.price or not said_already:
                    raise NotRead(Why.ANOTHER_PRICE, line=entry.line)
                return entry
        self._extras.append(new)
        return new

    def _methods(self, named: tuple[str, ...], *, priced: bool = True) -> tuple[str, ...]:
        """Methods by their ids; a direct debit is that of the currency. What is no price needs one to belong to."""
        found = []
        for name in named:
            method = DIRECT_DEBITS.get(self._currency, "") if name == "direct-debit" else name
            if not method:
                raise NotRead(Why.WHICH_DEBIT)
            if priced and all(entry.method != method for entry in self._rates):
                raise NotRead(Why.NOTHING_UNDER)
            found.append(method)
        return tuple(dict.fromkeys(found))
