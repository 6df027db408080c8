"""Tells what a comparison rests on: the shop, the catalogue, assumptions, the order profile. Read once per revision."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from threading import Lock
from typing import Any
from weakref import WeakKeyDictionary

from monedero.core.account import Account, Mode, Stage
from monedero.core.buyers.read import PaidCount, ReadShares, read_shares
from monedero.core.checkout.checks import Check
from monedero.core.checkout.decision import Setting, carrying
from monedero.core.cost.all_in import CostPiece, OtherCosts
from monedero.core.cost.assumption import Assumptions
from monedero.core.curve.pieces import Curve
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.openness import Holding
from monedero.core.order.model import Order
from monedero.core.profile import Profile
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.linear import FeeCurve, fee_curves
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.passed_on import NetworkCosts
from monedero.core.ratecard.priced import NotPriced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.ratecard.volume import Takings
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.shop import OwnMethod, Shop
from monedero.figures import buyers, network_costs
from monedero.store import Revision, Store
from monedero.store.past_orders import PaidBy
from monedero.work.context import Context
from monedero.work.prices.kept import Kept
from monedero.work.shop.lookups import described_shop, method_in, methods_of, rates_of

UNDER_WAY = (Stage.BEGUN, Stage.IN_REVIEW, Stage.QUESTION, Stage.APPROVED, Stage.CONNECTED)


@dataclass(frozen=True)
class CompareInputs:
    """Everything that prices and comparisons rest on, of a store as it stands, and what was worked out from it."""

    shop: Shop
    mode: Mode
    cards: list[RateCard]
    rates: ReferenceRates
    providers: Mapping[str, ProviderFacts]
    accounts: Mapping[str, Account]
    assumptions: Assumptions
    profile: Profile
    in_checkout: frozenset[str]
    paid_by: tuple[PaidBy, ...] = ()
    """How many past orders were paid by each method, by country."""
    other_costs_kept: Kept[OtherCosts] = field(default_factory=Kept)
    cost_pieces: Kept[tuple[OtherCosts, CostPiece]] = field(default_factory=Kept)
    all_in_curves: Kept[tuple[OtherCosts, Curve]] = field(default_factory=Kept)
    worded: Kept[Any] = field(default_factory=Kept)
    """Sentences about routes, by language; kept here because they rest on the same."""
    by_day: Kept[Any] = field(default_factory=Kept)
    offered_months: Kept[Any] = field(default_factory=lambda: Kept(32))
    """Months of checkouts; few, since every edit of a draft makes one."""
    month_frames: Kept[Any] = field(default_factory=lambda: Kept(8))
    """All orders of a month as rows, which take room."""
    _curves: Kept[list[tuple[Route, FeeCurve | NotPriced]]] = field(default_factory=Kept)
    _checks: Kept[tuple[Check, ...]] = field(default_factory=Kept)

    @cached_property
    def chosen(self) -> dict[tuple[str, str], str]:
        """Tells what the owner assumed, by assumption and what it is about."""
        return {(entry.id, entry.about): entry.value for entry in self.assumptions.chosen}

    @cached_property
    def network_costs(self) -> NetworkCosts:
        """Interchange and scheme fees as they hold for the shop."""
        return network_costs.costs(self.shop.country, self.chosen)

    @cached_property
    def catalogue(self) -> Catalogue:
        """The rate cards as this shop's prices."""
        return Catalogue(self.cards, self.shop.country, self.rates, self.network_costs)

    @cached_property
    def networks(self) -> list[str]:
        """The card networks that some price asks for."""
        rates = [rate.when for card in self.cards for rate in card.rates]
        extras = [extra.when for card in self.cards for extra in card.extras]
        return sorted({network for when in (*rates, *extras) for network in when.card_network or ()})

    @cached_property
    def methods(self) -> dict[str, Method]:
        """Every method that a card, the shop or the data file names."""
        named = dict.fromkeys(rate.method for card in self.cards for rate in card.rates)
        known = methods_of(self.shop)
        return known | {name: method_in(known, name) for name in named}

    @cached_property
    def read_shares(self) -> Mapping[str | None, ReadShares]:
        """Shares of buyers by country, as past orders were paid; under None those of all countries."""
        counts = [
            PaidCount(country, method_in(self.methods, method).family, orders)
            for country, method, orders in self.paid_by
        ]
        return read_shares(counts, lambda country: buyers.guess(country or self.shop.country))

    @cached_property
    def arrangements(self) -> list[Method]:
        """The arrangements of the shop's own that are compared: the usual ones, those in a checkout, the described."""
        described = {own.method.id for own in self.shop.own_methods}
        wanted = described | self.in_checkout
        return [method for method in self.every_arrangement if method.usual or method.id in wanted]

    @cached_property
    def every_arrangement(self) -> list[Method]:
        """Every arrangement of the shop's own that is known: those of the data file, and those it described."""
        return [method for method in methods_of(self.shop).values() if method.own]

    def own_method(self, method: str) -> OwnMethod | None:
        """A method that the owner described, with what it costs; None for any other."""
        return next((own for own in self.shop.own_methods if own.method.id == method), None)

    def fee_curves(
        self, pricer: CardPricer, order: Order, takings: Takings
    ) -> list[tuple[Route, FeeCurve | NotPriced]]:
        """The fee of every route of a card for every amount, kept for orders that meet the same rates and extras."""
        taken = tuple(sorted(takings.of(pricer.card).items()))
        met = pricer.prepared(order.known)
        key = (pricer.card.provider.id, order.amount.currency, met, order.placed_on, taken)
        return self._curves.get(key, lambda: fee_curves(pricer, order, takings, self.shop.currency, self.rates))

    def cannot_carry(self, method: Method, order: Order) -> list[Reason]:
        """Every reason why a method cannot carry an order, in sequence.

        A way of delivery that is not said speaks against no method: the order may go any way that fits.
        """
        checks = self._checks.get(method.id, lambda: tuple(carrying(method, self.setting)))
        reasons = (reason for check in checks for reason in check.reasons(order))
        return [reason for reason in reasons if reason.code is not ReasonCode.METHOD_DELIVERY_UNKNOWN]

    @cached_property
    def holding(self) -> Holding:
        """Tells what the shop holds."""
        with_account = frozenset(name for name, account in self.accounts.items() if account.stage in UNDER_WAY)
        return Holding(self.shop.trade, with_account, self.in_checkout, self.shop.software)

    @cached_property
    def setting(self) -> Setting:
        """Tells what a decision about methods needs."""
        return Setting(
            shop_country=self.shop.country,
            shop_currency=self.shop.currency,
            mode=self.mode,
            methods=self.methods,
            accounts=self.accounts,
            rates=self.rates,
            weighed=self.shop.weighed,
            due_before=self.shop.due_before,
            deliveries=self.shop.deliveries,
        )


@dataclass
class _KeptInputs:
    """Holds the inputs of a shop by mode, each with the revision that it is of."""

    by_mode: dict[Mode, tuple[Revision, CompareInputs]] = field(default_factory=dict)
    lock: Lock = field(default_factory=Lock)


_kept: WeakKeyDictionary[Store, _KeptInputs] = WeakKeyDictionary()


def inputs_of(context: Context) -> CompareInputs:
    """Tells what a comparison of the shop rests on now, in the mode of the context; refused until the shop is
    described.
    """
    kept = _kept.setdefault(context.shop, _KeptInputs())
    # Views that ask at once share one: everything that is worked out is kept with it.
    with kept.lock:
        return _newest(context.shop, context.mode, kept.by_mode)


def _newest(store: Store, mode: Mode, by_mode: dict[Mode, tuple[Revision, CompareInputs]]) -> CompareInputs:
    revision = store.revision()
    before, known = by_mode.get(mode, (None, None))
    if known is not None and before == revision:
        return known
    in_checkout = frozenset(tender.method for checkout in store.checkouts.all() for tender in checkout.tenders)
    same_but_checkout = before is not None and before._replace(checkout=revision.checkout) == revision
    if known is not None and same_but_checkout and known.in_checkout == in_checkout:
        # A tender was named, described or limited anew: no price and no month rests on that.
        by_mode[mode] = (revision, known)
        return known
    shop, cards = described_shop(store).value, store.rate_cards.all()
    profile, assumptions = store.profile.read(), store.assumptions.read()
    inputs = CompareInputs(
        shop=shop,
        mode=mode,
        cards=cards,
        rates=rates_of(shop),
        providers=store.providers.all(),
        accounts=store.accounts.by_provider(mode),
        assumptions=assumptions.value if assumptions else Assumptions(),
        profile=profile.value if profile else Profile(),
        in_checkout=in_checkout,
        paid_by=store.past_orders.paid_by(),
    )
    by_mode[mode] = (revision, inputs)
    return inputs
