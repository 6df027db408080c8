"""Tells what could pay for the order in hand: every route and arrangement with its fee, or with the reasons against
it.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from fractions import Fraction
from functools import cached_property

from monedero.core.checkout.fee import Charge
from monedero.core.checkout.model import Tender
from monedero.core.cost.assumed import ZERO
from monedero.core.cost.buyer_fee import NOTHING_ON_TOP, ONE, OnTop, on_top_of
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.money import Money, minor_units
from monedero.core.openness import not_in_plan, shut_to
from monedero.core.ratecard.linear import NOTHING, FeeCurve, FeePiece, Linear
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.core.ratecard.pricing import no_rate
from monedero.core.ratecard.volume import Takings
from monedero.core.reasons import Reason, ReasonCode
from monedero.work.compare.takings import takings_of
from monedero.work.context import Context
from monedero.work.prices.inputs import CompareInputs, inputs_of
from monedero.work.prices.other_costs import own_fee
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

Against = tuple[Reason, ...]
BY_AMOUNT = frozenset({ReasonCode.METHOD_AMOUNT_UNDER, ReasonCode.METHOD_AMOUNT_OVER, ReasonCode.NO_RATE_FITS})


@dataclass(frozen=True)
class Candidate:
    """A route, or an arrangement of the shop's own (no route, no card), with its fee for every amount."""

    route: Route | None
    method: Method
    card: RateCard | None
    pieces: FeeCurve
    priced: Priced | None = None

    @cached_property
    def key(self) -> str:
        """The key by which it is told from the others."""
        return key_of(self.route, self.method.id)


def key_of(route: Route | None, method: str) -> str:
    """Makes the key of a route, or of an arrangement of the shop's own by its method."""
    return f"{route.provider}/{route.plan}/{route.method}" if route else method


@dataclass(frozen=True, slots=True)
class InQuestion:
    """The order in hand, what the shop's accounts take, and what brings its amount over.

    `tenders` are those by which candidates are paid, by the key of the candidate. Compare has one row for a route, so
    it asks for the first tender of the draft that is on; who looks at one tender asks `by` it.
    """

    inputs: CompareInputs
    hand: OrderInHand
    takings: Takings
    to_books: Fraction | None
    lacking: NoReferenceRate | None
    tenders: Mapping[str, Tender]

    @property
    def day(self) -> date:
        """The day of the order."""
        return self.hand.order.placed_on

    def by(self, tender: Tender) -> "InQuestion":
        """The same, paid by one tender, with the buyer fee that this tender has."""
        return replace(self, tenders={key_of(tender.route, tender.method): tender})

    def charged(self, key: str) -> OnTop:
        """Tells what a buyer pays on top of the order in hand, as it is charged; nothing where that is not known."""
        tender = self.tenders.get(key)
        if tender is None or tender.fee is None:
            return NOTHING_ON_TOP
        charged = Charge(tender.fee, tender.networks).of(self.hand.order, self.inputs.rates)
        if charged.amount is None or charged.kept is None:
            return NOTHING_ON_TOP
        return OnTop(Linear(ZERO, charged.amount.exact), Linear(ZERO, charged.kept.exact))

    def paid(self, key: str) -> Money:
        """All that a buyer pays for the order in hand."""
        amount = self.hand.order.amount
        fee = self.charged(key).paid.intercept * minor_units(amount.currency)
        return Money(amount.minor + int(fee), amount.currency)

    def on_top(self, key: str) -> OnTop:
        """Tells what a buyer pays on top of an order of any amount, unrounded; nothing where that is not known."""
        tender, currency = self.tenders.get(key), self.hand.order.amount.currency
        if tender is None or tender.fee is None:
            return NOTHING_ON_TOP
        fixed = tender.fee.fixed
        if fixed is not None and not self.inputs.rates.has(fixed.currency, currency, self.day):
            return NOTHING_ON_TOP
        rate = self.inputs.rates.find(fixed.currency, currency, self.day).value if fixed else ONE
        return on_top_of(tender.fee, rate)


def in_question(context: Context, hand: OrderInHand, tenders: Sequence[Tender] = ()) -> InQuestion:
    """The order in hand, with what a comparison rests on now; `tenders` are those of the checkout that is looked at."""
    inputs = inputs_of(context)
    takings = takings_of(context, hand.order.placed_on)
    first = _first_tenders(tenders)
    try:
        rate = inputs.rates.find(hand.order.amount.currency, inputs.shop.currency, hand.order.placed_on).value
    except NoReferenceRate as missing:
        return InQuestion(inputs, hand, takings, None, missing, first)
    return InQuestion(inputs, hand, takings, rate, None, first)


def _first_tenders(tenders: Sequence[Tender]) -> dict[str, Tender]:
    """The first tender that is on of each route and arrangement, by the keys of their candidates."""
    return {key_of(tender.route, tender.method): tender for tender in reversed(tenders) if tender.on}


def open_candidates(asked: InQuestion) -> list[Candidate]:
    """Tells what is open to the shop and can carry an order like this one at some amount, for curves."""
    return [candidate for candidate, reasons in candidates(asked) if not _besides_amount(reasons)]


def _besides_amount(reasons: Against) -> bool:
    return any(reason.code not in BY_AMOUNT for reason in reasons)


def candidates(asked: InQuestion) -> list[tuple[Candidate, Against]]:
    """Every route in card, plan and method order, then the announced ones, then the shop's own arrangements."""
    inputs = asked.inputs
    found: list[tuple[Candidate, Against]] = []
    priced = {entry.route: entry for entry in inputs.catalogue.price(asked.hand.order, asked.takings)}
    priced |= _with_fees(asked)
    for pricer in inputs.catalogue.pricers(asked.day):
        facts = inputs.providers.get(pricer.card.provider.id)
        for route, pieces in inputs.fee_curves(pricer, asked.hand.order, asked.takings):
            method = inputs.methods[route.method]
            reasons = _price_reasons(pricer.card, route, pieces, priced[route])
            reasons += shut_to(facts, method.id, inputs.holding)
            reasons += inputs.cannot_carry(method, asked.hand.order)
            fee = () if isinstance(pieces, NotPriced) else pieces
            entry = priced[route]
            candidate = Candidate(route, method, pricer.card, fee, entry if isinstance(entry, Priced) else None)
            found.append((candidate, tuple(reasons)))
        found += _announced(asked, pricer.card)
    for method in inputs.arrangements:
        against = [no_rate(asked.lacking)] if asked.lacking else []
        against += inputs.cannot_carry(method, asked.hand.order)
        found.append((Candidate(None, method, None, _own_fee(asked, method)), tuple(against)))
    return found


def _with_fees(asked: InQuestion) -> dict[Route, Pricing]:
    """The prices of the routes whose tender has a buyer fee: they fall on all that is paid."""
    found: dict[Route, Pricing] = {}
    for key, tender in asked.tenders.items():
        if tender.route is not None and tender.fee is not None:
            order = asked.hand.order.on(asked.paid(key), asked.day)
            prices = asked.inputs.catalogue.price(order, asked.takings)
            found |= {entry.route: entry for entry in prices if entry.route == tender.route}
    return found


def _price_reasons(card: RateCard, route: Route, pieces: FeeCurve | NotPriced, priced: Pricing) -> list[Reason]:
    missing = not_in_plan(card, route)
    if missing is not None:
        return [missing]
    if isinstance(priced, NotPriced):
        return [priced.reason]
    return [pieces.reason] if isinstance(pieces, NotPriced) else []


def _announced(asked: InQuestion, card: RateCard) -> list[tuple[Candidate, Against]]:
    """The methods that a provider has announced; there is nothing to price yet."""
    facts = asked.inputs.providers.get(card.provider.id)
    found: list[tuple[Candidate, Against]] = []
    for entry in facts.announced if facts else []:
        method = method_in(asked.inputs.methods, entry.method)
        route = Route(provider=card.provider.id, plan=card.plans[0].id, method=entry.method)
        found.append(
            (Candidate(route, method, card, ()), (Reason(ReasonCode.ANNOUNCED, limit=entry.from_day or ""),))
        )
    return found


def _own_fee(asked: InQuestion, method: Method) -> FeeCurve:
    """Tells what an arrangement of the shop's own costs an order by itself."""
    if asked.to_books is None:
        return ()
    fee = own_fee(asked.inputs, method, asked.day)
    percentage, fixed = Linear(fee.slope * asked.to_books, ZERO), Linear(ZERO, fee.intercept)
    return (FeePiece(ZERO, None, "own", percentage, fixed, NOTHING, ()),)


def piece_at(pieces: FeeCurve, amount: Fraction) -> FeePiece:
    """The piece of a fee on which an amount lies."""
    return next(piece for piece in pieces if piece.below is None or amount < piece.below)
