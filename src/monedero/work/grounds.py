"""What a comparison rests on: the shop, the catalogue, assumptions, the order profile. Read once per revision."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Any
from weakref import WeakKeyDictionary

from monedero.core.account import Account, Mode, Stage
from monedero.core.cost.all_in import Bearing, CostPiece
from monedero.core.cost.assumption import Assumptions
from monedero.core.fx import ReferenceRates
from monedero.core.method import Method
from monedero.core.openness import Holding
from monedero.core.profile import Profile
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.context import OrderContext
from monedero.core.ratecard.linear import FeeCurve, fee_curves
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.ratecard.priced import NotPriced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.shop import OwnMethod, Shop
from monedero.core.tender.decision import Setting
from monedero.figures import methods
from monedero.store import Store
from monedero.wording.facts import Fact
from monedero.work.basis import catalogue_of, described_shop, draft, methods_of, rates_of
from monedero.work.kept import Kept

UNDER_WAY = (Stage.BEGUN, Stage.IN_REVIEW, Stage.QUESTION, Stage.APPROVED, Stage.CONNECTED)


@dataclass(frozen=True)
class Grounds:
    """Everything that prices and comparisons rest on, at one revision of the store, and what was worked out from it."""

    revision: int
    shop: Shop
    cards: list[RateCard]
    catalogue: Catalogue
    rates: ReferenceRates
    providers: Mapping[str, ProviderFacts]
    accounts: Mapping[str, Account]
    assumptions: Assumptions
    profile: Profile
    in_checkout: frozenset[str]
    bearings: Kept[Bearing] = field(default_factory=Kept)
    cost_pieces: Kept[tuple[Bearing, CostPiece]] = field(default_factory=Kept)
    worded: Kept[list[Fact]] = field(default_factory=Kept)
    by_day: Kept[Any] = field(default_factory=Kept)
    _curves: Kept[list[tuple[Route, FeeCurve | NotPriced]]] = field(default_factory=Kept)

    @cached_property
    def chosen(self) -> dict[tuple[str, str], str]:
        """What the owner assumed, by assumption and what it is about."""
        return {(entry.id, entry.about): entry.value for entry in self.assumptions.chosen}

    @cached_property
    def methods(self) -> dict[str, Method]:
        """Every method that a card, the shop or the data file names."""
        named = dict.fromkeys(rate.method for card in self.cards for rate in card.rates)
        known = methods_of(self.shop)
        return known | {name: methods.method(name) for name in named if name not in known}

    @cached_property
    def arrangements(self) -> list[Method]:
        """The arrangements of the shop's own: those of the data file, and those that the owner described."""
        return [method for method in methods_of(self.shop).values() if method.own]

    def own_method(self, method: str) -> OwnMethod | None:
        """A method that the owner described, with what it costs; None for any other."""
        return next((own for own in self.shop.own_methods if own.method.id == method), None)

    def fee_curves(self, pricer: CardPricer, order: OrderContext) -> list[tuple[Route, FeeCurve | NotPriced]]:
        """The fee of every route of a card for every amount, kept for orders that differ in their amount alone."""
        key = (pricer.card.provider.id, order.known, order.placed_on, order.monthly_volume)
        return self._curves.get(key, lambda: fee_curves(pricer, order, self.shop.currency, self.rates))

    @cached_property
    def holding(self) -> Holding:
        """What the shop holds."""
        held = frozenset(name for name, account in self.accounts.items() if account.stage in UNDER_WAY)
        return Holding(self.shop.trade, held, self.in_checkout, self.shop.software)

    @cached_property
    def setting(self) -> Setting:
        """What a decision about methods needs."""
        return Setting(
            shop_country=self.shop.country,
            shop_currency=self.shop.currency,
            mode=Mode.TEST,
            methods=self.methods,
            accounts=self.accounts,
            rates=self.rates,
        )


_held: WeakKeyDictionary[Store, Grounds] = WeakKeyDictionary()


def grounds_of(store: Store) -> Grounds:
    """The grounds of the shop as it stands now; refused until the shop is described."""
    revision = store.revision()
    held = _held.get(store)
    if held is not None and held.revision == revision:
        return held
    shop, cards = described_shop(store).value, store.rate_cards.all()
    profile, assumptions = store.profile.read(), store.assumptions.read()
    grounds = Grounds(
        revision=revision,
        shop=shop,
        cards=cards,
        catalogue=catalogue_of(cards, shop),
        rates=rates_of(shop),
        providers=store.providers.all(),
        accounts=store.accounts.by_provider(Mode.TEST),
        assumptions=assumptions.value if assumptions else Assumptions(),
        profile=profile.value if profile else Profile(),
        in_checkout=frozenset(tender.method for tender in draft(store).value.tenders),
    )
    _held[store] = grounds
    return grounds
