"""What could pay for the order in hand: every route and arrangement with its fee, or with the reasons against it."""

from dataclasses import dataclass
from datetime import date
from fractions import Fraction

from monedero.core.cost.assumed import ZERO
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.openness import not_in_plan, shut_to
from monedero.core.ratecard.linear import NOTHING, FeeCurve, FeePiece, Linear
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.core.ratecard.pricing import no_rate
from monedero.core.ratecard.volume import Takings
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.tender.decision import cannot_carry
from monedero.store import Store
from monedero.work.compare.inputs import CompareInputs, inputs_of
from monedero.work.compare.other_costs import own_fee
from monedero.work.compare.takings import takings_of
from monedero.work.shop.lookups import method_in
from monedero.work.shop.order_in_hand import OrderInHand

Against = tuple[Reason, ...]
BY_AMOUNT = frozenset({ReasonCode.METHOD_AMOUNT_UNDER, ReasonCode.METHOD_AMOUNT_OVER, ReasonCode.NO_RATE_FITS})


@dataclass(frozen=True, slots=True)
class Candidate:
    """A route, or an arrangement of the shop's own (no route, no card), with its fee for every amount."""

    route: Route | None
    method: Method
    card: RateCard | None
    pieces: FeeCurve
    priced: Priced | None = None

    @property
    def key(self) -> str:
        """What names it among the others."""
        route = self.route
        return f"{route.provider}/{route.plan}/{route.method}" if route else self.method.id


@dataclass(frozen=True, slots=True)
class InQuestion:
    """The order in hand, what the shop's accounts take, and what brings its amount over."""

    inputs: CompareInputs
    hand: OrderInHand
    takings: Takings
    to_books: Fraction | None
    lacking: NoReferenceRate | None

    @property
    def day(self) -> date:
        """The day of the order."""
        return self.hand.order.placed_on


def in_question(store: Store, hand: OrderInHand) -> InQuestion:
    """The order in hand, with what a comparison rests on now."""
    inputs = inputs_of(store)
    takings = takings_of(store, hand.order.placed_on)
    try:
        rate = inputs.rates.find(hand.order.amount.currency, inputs.shop.currency, hand.order.placed_on).value
    except NoReferenceRate as missing:
        return InQuestion(inputs, hand, takings, None, missing)
    return InQuestion(inputs, hand, takings, rate, None)


def open_candidates(asked: InQuestion) -> list[Candidate]:
    """What is open to the shop and can carry an order like this one at some amount, for curves."""
    return [candidate for candidate, reasons in candidates(asked) if not _besides_amount(reasons)]


def _besides_amount(reasons: Against) -> bool:
    return any(reason.code not in BY_AMOUNT for reason in reasons)


def candidates(asked: InQuestion) -> list[tuple[Candidate, Against]]:
    """Every route in card, plan and method order, then the announced ones, then the shop's own arrangements."""
    inputs = asked.inputs
    found: list[tuple[Candidate, Against]] = []
    priced = {entry.route: entry for entry in inputs.catalogue.price(asked.hand.order, asked.takings)}
    for pricer in inputs.catalogue.pricers(asked.day):
        facts = inputs.providers.get(pricer.card.provider.id)
        for route, pieces in inputs.fee_curves(pricer, asked.hand.order, asked.takings):
            method = inputs.methods[route.method]
            reasons = _price_reasons(pricer.card, route, pieces, priced[route])
            reasons += shut_to(facts, method.id, inputs.holding)
            reasons += cannot_carry(method, asked.hand.order, inputs.setting)
            fee = () if isinstance(pieces, NotPriced) else pieces
            entry = priced[route]
            candidate = Candidate(route, method, pricer.card, fee, entry if isinstance(entry, Priced) else None)
            found.append((candidate, tuple(reasons)))
        found += _announced(asked, pricer.card)
    for method in inputs.arrangements:
        against = [no_rate(asked.lacking)] if asked.lacking else []
        against += cannot_carry(method, asked.hand.order, inputs.setting)
        found.append((Candidate(None, method, None, _own_fee(asked, method)), tuple(against)))
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
    """What an arrangement of the shop's own costs an order by itself."""
    if asked.to_books is None:
        return ()
    fee = own_fee(asked.inputs, method, asked.day)
    percentage, fixed = Linear(fee.slope * asked.to_books, ZERO), Linear(ZERO, fee.intercept)
    return (FeePiece(ZERO, None, "own", percentage, fixed, NOTHING, ()),)


def piece_at(pieces: FeeCurve, amount: Fraction) -> FeePiece:
    """The piece of a fee on which an amount lies."""
    return next(piece for piece in pieces if piece.below is None or amount < piece.below)
