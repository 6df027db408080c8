"""Compare: the routes for the order in hand, and the rate cards behind them."""

from fastapi import APIRouter, Request
from pydantic import BaseModel

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import InHandQuery, PremisesDep, RoomDep, sentence
from monedero.core.account import Mode
from monedero.core.errors import FaultCode, refuse
from monedero.core.money import Money
from monedero.core.ratecard.catalogue import Ranked
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.reasons import Reason
from monedero.figures import methods
from monedero.formats import rate_card
from monedero.wording import reason_text
from monedero.wording.derivation import derive
from monedero.wording.show import percent
from monedero.work.basis import Basis, Hand, draft_basis, hand, rates_of
from monedero.work.beginning import put_example_cards
from monedero.work.comparing import Comparison, compare

LARGEST_CARD = 1_000_000
CARD_FILE = {"requestBody": {"required": True, "content": {"application/json": {"schema": {"type": "string"}}}}}

router = APIRouter(prefix="/api", tags=["compare"], responses=PROBLEMS)


class ReasonOut(BaseModel):
    """A reason: its code, and the sentence."""

    code: str
    text: str


class RouteOut(BaseModel):
    """A route with the names of its parts; without a provider it is an arrangement of the shop's own."""

    route: Route | None
    method: str
    method_name: str
    family: str
    provider_name: str
    plan_name: str
    tenders: list[str]


class PartOut(BaseModel):
    """A part of a fee, its formula, its exact figure, and its share of the rounded fee."""

    kind: str
    label: str
    formula: str
    exact: str
    amount: str
    share: str
    conditions: str


class RankedOut(BaseModel):
    """A priced route: its fee in the shop currency, what is charged, and how it came about."""

    route: RouteOut
    fee: str
    charged: str
    effective_percent: str | None
    rate: str
    conditions: str
    parts: list[PartOut]
    steps: list[str]


class ShutOut(BaseModel):
    """A route without a price for this order, or an arrangement, with every reason against it."""

    route: RouteOut
    reasons: list[ReasonOut]


class ComparisonOut(BaseModel):
    """All routes for the order in hand."""

    mode: Mode
    nothing_to_pay: bool
    rate_cards: int
    ranked: list[RankedOut]
    shut: list[ShutOut]
    arrangements: list[ShutOut]


class CardOut(BaseModel):
    """A rate card that was kept."""

    mode: Mode
    provider: str
    provider_name: str
    valid_from: str
    routes: int


class CardsOut(BaseModel):
    """How many rate cards were put in."""

    mode: Mode
    added: int


def reasons_out(reasons: tuple[Reason, ...], names: dict[str, str]) -> list[ReasonOut]:
    """Reasons with their sentences."""
    return [ReasonOut(code=reason.code.value, text=reason_text(reason, names)) for reason in reasons]


class _Writer:
    """Turns a comparison into an answer."""

    def __init__(self, basis: Basis, order: Hand, comparison: Comparison) -> None:
        self._basis = basis
        self._order = order
        self._comparison = comparison
        self._names = {key: card.provider.name for key, card in comparison.cards.items()}

    def route(self, route: Route) -> RouteOut:
        method = methods.method(route.method)
        plans = {plan.id: plan.name for plan in self._comparison.cards[route.provider].plans}
        held = [tender.id for tender in self._basis.checkout.tenders if tender.route == route]
        return RouteOut(
            route=route,
            method=method.id,
            method_name=method.name,
            family=method.family.value,
            provider_name=self._names[route.provider],
            plan_name=plans[route.plan] if len(plans) > 1 else "",
            tenders=held,
        )

    def ranked(self, entry: Ranked) -> RankedOut:
        order, books = self._order.order, self._basis.shop.currency
        card = self._comparison.cards[entry.pricing.route.provider]
        rates = rates_of(self._basis.shop)
        derived = derive(entry.pricing, card, (order.amount, order.placed_on), books, rates)
        amount, total = self._comparison.amount, sum(map(abs, entry.pricing.numerators))
        shares = [100 * abs(part.numerator) * 100 // total for part, _ in entry.pricing.shown]
        return RankedOut(
            route=self.route(entry.pricing.route),
            fee=str(Money.rounded(entry.fee, books)),
            charged=str(entry.pricing.charged),
            effective_percent=percent(entry.fee / amount) if amount else None,
            rate=derived.rate,
            conditions=derived.conditions,
            parts=[
                PartOut(**part._asdict(), share=f"{share // 100}.{share % 100:02d}")
                for part, share in zip(derived.parts, shares, strict=True)
            ],
            steps=derived.steps,
        )

    def answer(self) -> ComparisonOut:
        comparison = self._comparison
        held = {tender.method: tender.id for tender in self._basis.checkout.tenders if tender.route is None}
        return ComparisonOut(
            mode=self._basis.checkout.mode,
            nothing_to_pay=self._order.order.nothing_to_pay,
            rate_cards=len(comparison.cards),
            ranked=[self.ranked(entry) for entry in comparison.ranked],
            shut=[
                ShutOut(route=self.route(entry.route), reasons=reasons_out(entry.reasons, self._names))
                for entry in comparison.shut
            ],
            arrangements=[
                ShutOut(
                    route=RouteOut(
                        route=None,
                        method=entry.method.id,
                        method_name=entry.method.name,
                        family=entry.method.family.value,
                        provider_name="",
                        plan_name="",
                        tenders=[held[entry.method.id]] if entry.method.id in held else [],
                    ),
                    reasons=reasons_out(entry.reasons, self._names),
                )
                for entry in comparison.arrangements
            ],
        )


@router.get("/compare")
def read_comparison(room: RoomDep, held: PremisesDep, asked: InHandQuery) -> ComparisonOut:
    """Every route for the order in hand: ranked, or with the reasons why not."""
    basis = draft_basis(room.store)
    order = hand(basis.shop, sentence(asked, held))
    comparison = compare(room.store, basis, order, asked.card_kind, asked.card_network)
    return _Writer(basis, order, comparison).answer()


async def _body(request: Request) -> bytes:
    """The bytes of a file, as long as it is not larger than a rate card could be."""
    content = bytearray()
    async for chunk in request.stream():
        content += chunk
        if len(content) > LARGEST_CARD:
            raise refuse(FaultCode.FILE_TOO_LARGE, "file", f"over {LARGEST_CARD}", largest=LARGEST_CARD)
    return bytes(content)


@router.post("/rate-cards", status_code=201, openapi_extra=CARD_FILE)
async def add_rate_card(request: Request, room: RoomDep) -> CardOut:
    """Read a rate card, `monedero/rate-card/1`; a wrong one is refused with every place, and nothing changes."""
    card: RateCard = rate_card.read(await _body(request))
    room.store.rate_cards.put(card)
    return CardOut(
        mode=Mode.TEST,
        provider=card.provider.id,
        provider_name=card.provider.name,
        valid_from=card.valid_from.isoformat() if card.valid_from else "",
        routes=len(card.routes),
    )


@router.post("/rate-cards/examples", status_code=201)
def add_example_cards(room: RoomDep) -> CardsOut:
    """Put in the seven invented example cards."""
    return CardsOut(mode=Mode.TEST, added=put_example_cards(room.store))
