"""Compare: every route of every rate card priced for the order in hand, and why the others are not."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction

from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.ratecard.catalogue import Catalogue, Ranked
from monedero.core.ratecard.model import CardKind, RateCard, Route
from monedero.core.reasons import Reason
from monedero.core.tender.decision import Setting, cannot_carry
from monedero.figures import methods
from monedero.store import Store
from monedero.work.basis import Basis, Hand, catalogue_of, rates_of, setting_of


@dataclass(frozen=True, slots=True)
class Shut:
    """A route that is not open to this shop or not priced for this order, with every reason."""

    route: Route
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class Arrangement:
    """An arrangement of the shop's own; it costs no provider's fee. Reasons say why it cannot carry the order."""

    method: Method
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class Comparison:
    """The routes for one order: ranked from the cheapest, shut, and the shop's own arrangements."""

    ranked: Sequence[Ranked]
    shut: Sequence[Shut]
    arrangements: Sequence[Arrangement]
    cards: dict[str, RateCard]
    amount: Fraction | None


def compare(
    store: Store, basis: Basis, hand: Hand, card_kind: CardKind | None, card_network: str | None
) -> Comparison:
    """Price and rank; `amount` is the order's in the shop currency, None where there is no reference rate."""
    order, shop = hand.order, basis.shop
    catalogue = catalogue_of(store.rate_cards.all(), shop)
    setting = setting_of(store, basis)
    context = order.context(card_kind=card_kind, card_network=card_network, monthly_volume=shop.takings)
    ranked, not_priced = catalogue.rank(catalogue.price(context), shop.currency, order.placed_on)
    shut: list[Shut] = []
    open_routes: list[Ranked] = []
    for entry in ranked:
        reasons = _method_reasons(entry.pricing.route.method, hand, setting)
        if reasons:
            shut.append(Shut(entry.pricing.route, reasons))
        else:
            open_routes.append(entry)
    shut += [
        Shut(entry.route, (entry.reason, *_method_reasons(entry.route.method, hand, setting)))
        for entry in not_priced
    ]
    sequence = [route for pricer in catalogue.pricers(order.placed_on) for route in pricer.routes]
    return Comparison(
        ranked=open_routes,
        shut=sorted(shut, key=lambda entry: sequence.index(entry.route)),
        arrangements=[
            Arrangement(method, tuple(cannot_carry(method, order, setting)))
            for method in methods.own_arrangements()
        ],
        cards={pricer.card.provider.id: pricer.card for pricer in catalogue.pricers(order.placed_on)},
        amount=amount_in_books(basis, hand),
    )


def fees_by_route(
    catalogue: Catalogue, basis: Basis, hand: Hand, card_kind: CardKind | None, card_network: str | None
) -> dict[Route, Ranked]:
    """The fee of every priced route for an order, by route."""
    context = hand.order.context(card_kind=card_kind, card_network=card_network, monthly_volume=basis.shop.takings)
    ranked, _ = catalogue.rank(catalogue.price(context), basis.shop.currency, hand.order.placed_on)
    return {entry.pricing.route: entry for entry in ranked}


def amount_in_books(basis: Basis, hand: Hand) -> Fraction | None:
    """The order's amount in the shop currency, exact, or None where there is no reference rate."""
    try:
        return rates_of(basis.shop).convert(hand.order.amount, basis.shop.currency, hand.order.placed_on)
    except NoReferenceRate:
        return None


def _method_reasons(method_id: str, hand: Hand, setting: Setting) -> tuple[Reason, ...]:
    return tuple(cannot_carry(methods.method(method_id), hand.order, setting))
