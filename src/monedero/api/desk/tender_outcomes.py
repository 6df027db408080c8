"""Tells what each tender of a draft is for the order in hand, in words and with names."""

from datetime import date

from pydantic import BaseModel

from monedero.api.desk.compare_schemas import ReasonOut
from monedero.core.checkout.authentication import expected
from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.law import Sold, findings
from monedero.core.checkout.model import Tender
from monedero.core.checkout.widening import can_widen
from monedero.core.fx import NoReferenceRate
from monedero.core.method import Method
from monedero.core.money import Money
from monedero.core.ratecard.catalogue import Ranked
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.window import Window
from monedero.figures import authentication, methods
from monedero.figures.law import rules
from monedero.wording import reason_text
from monedero.wording.catalogue import say
from monedero.wording.names import names_of
from monedero.wording.show import day, money
from monedero.wording.tender_conditions import act_text, condition_text, finding_text, method_limits
from monedero.work.checkout.preview import View
from monedero.work.shop.lookups import method_in, rates_of


class TenderReason(ReasonOut):
    """A reason why a tender is held back, with the act that ends it.

    `act` is what that is called: it is made in the draft, or lies at the path `go`, or is saying the part `say` of the
    order in hand. All three are empty where nothing in the shop ends it.
    """

    act: str = ""
    go: str = ""
    say: str = ""


class SharedOut(BaseModel):
    """A shared set of conditions: its name, what it asks in phrases, and by how many tenders it is used."""

    id: str
    name: str
    conditions: list[str]
    used: int


class ToKnow(BaseModel):
    """Something else to be known of a tender for this order, with its source."""

    text: str
    source: str


class FindingOut(BaseModel):
    """Holds what a rule of law says of a tender, with its source and the day on which that was read."""

    text: str
    forbids: bool
    source: str
    read_on: date


class OutcomeOut(BaseModel):
    """A tender for the order in hand: its place, or every reason against it; and what it costs the shop.

    `conditions` are those of the tender in phrases, in their sequence, `shared` those of its sets; `limits` are the
    method's own. `buyer_fee` is what its buyer pays on top, `total` the order with it (None: nothing, or unknown);
    `over_cost`: more than the provider's fee for this order. `findings` are what law says of it, `to_know` when its
    buyer is asked for proof and whether details can be kept.
    """

    tender: Tender
    place: int | None
    reasons: list[TenderReason]
    conditions: list[str]
    shared: list[SharedOut]
    limits: list[str]
    limits_source: str
    buyer_fee: str | None
    buyer_fee_unknown: bool
    up_to: bool
    total: str | None
    over_cost: bool
    findings: list[FindingOut]
    to_know: list[ToKnow]
    method_name: str
    family: str
    method_window: Window | None
    provider_name: str
    plan_name: str
    fee: str | None


OF_ACCOUNT = (ReasonCode.ACCOUNT_STAGE, ReasonCode.ACCOUNT_METHOD, ReasonCode.ACCOUNT_STOREFRONT)
PARTS = {
    ReasonCode.CONDITION_AREA_UNKNOWN: "postcode",
    ReasonCode.CONDITION_DELIVERY_UNKNOWN: "delivery",
    ReasonCode.METHOD_DELIVERY_UNKNOWN: "delivery",
    ReasonCode.CONDITION_CUSTOMER_GROUP_UNKNOWN: "customer_group",
    ReasonCode.CONDITION_DEVICE_UNKNOWN: "device",
    ReasonCode.CONDITION_SIGNED_IN_UNKNOWN: "signed_in",
}
"""The part of the order in hand that a reason misses."""


class OutcomeWriter:
    """Writes what tenders are for an order, with names and in words."""

    def __init__(self, seen: View) -> None:
        """Names come from the shop, the checkout and the cards."""
        self._seen, self._composed = seen, seen.snapshot
        self._sets = {each.id: each for each in self._composed.checkout.shared_conditions}
        self._names = {key: card.provider.name for key, card in seen.cards.items()}
        self._names |= names_of(self._composed.shop, self._composed.checkout)

    def shared(self, id: str) -> SharedOut:
        """A shared set of conditions."""
        of = self._sets[id]
        return SharedOut(
            id=id,
            name=of.name,
            conditions=[condition_text(condition, self._names) for condition in of.conditions],
            used=sum(id in tender.shared for tender in self._composed.checkout.tenders),
        )

    def _to_know(self, method: Method) -> list[ToKnow]:
        """When its buyer is likely to be asked for proof, and whether details can be kept."""
        order, shop = self._seen.hand.order, self._composed.shop
        found = [
            ToKnow(
                text=say(f"authentication-{entry.how.value}", small=money(str(entry.rule.small))),
                source=f"{entry.rule.source}; read on {day(entry.rule.read_on.isoformat())}",
            )
            for entry in expected(authentication.rules(), method.family.value, shop.country, order)
        ]
        if method.saves_details:
            source = methods.sources().get(method.id)
            found.append(ToKnow(text=say("details-kept"), source=source.text if source else ""))
        return found

    def _reason(self, tender: Tender, reason: Reason) -> TenderReason:
        """A reason with the act that ends it."""
        code, text = reason.code, reason_text(reason, self._names)
        if can_widen(code):
            apart = self._names.get(f"shared/{reason.fields.get('shared', '')}", "")
            return TenderReason(code=code.value, text=text, act=act_text(code, apart))
        if code is ReasonCode.DETAILS_MISSING:
            return TenderReason(code=code.value, text=text, act=act_text(code), go="/shop/arrangements")
        if code in OF_ACCOUNT and tender.carried_by:
            provider = tender.route.provider if tender.route else tender.carried_by
            return TenderReason(code=code.value, text=text, act=act_text(code), go=f"/accounts/{provider}")
        part = PARTS.get(code)
        return TenderReason(code=code.value, text=text, act=act_text(code) if part else "", say=part or "")

    def outcome(self, outcome: Outcome) -> OutcomeOut:
        """A tender for the order."""
        tender, charged = outcome.tender, outcome.charged
        method = method_in(self._composed.methods, tender.method)
        card = self._seen.cards.get(tender.route.provider) if tender.route else None
        fee = self._seen.fees.get(tender.id)
        plans = {plan.id: plan.name for plan in card.plans} if card else {}
        source = methods.sources().get(method.id)
        amount = self._seen.hand.order.amount
        on_top = charged.amount if charged else None
        return OutcomeOut(
            tender=tender,
            place=outcome.place,
            reasons=[self._reason(tender, reason) for reason in outcome.reasons],
            conditions=[condition_text(condition, self._names) for condition in tender.conditions],
            shared=[self.shared(id) for id in tender.shared],
            limits=method_limits(method),
            limits_source=source.text if source else "",
            buyer_fee=str(on_top) if on_top else None,
            buyer_fee_unknown=charged is not None and on_top is None,
            up_to=charged.up_to if charged else False,
            total=str(Money(amount.minor + on_top.minor, amount.currency)) if on_top else None,
            over_cost=self._over_cost(charged.kept if charged else None, fee),
            findings=self._findings(tender, method.family.value),
            to_know=self._to_know(method),
            method_name=method.name,
            family=method.family.value,
            method_window=method.amount,
            provider_name=card.provider.name if card else "",
            plan_name=plans.get(tender.route.plan, "") if tender.route and len(plans) > 1 else "",
            fee=str(Money.rounded(fee.fee, self._composed.shop.currency)) if fee else None,
        )

    def _over_cost(self, kept: Money | None, fee: Ranked | None) -> bool:
        """True if the shop keeps more of a buyer fee than the provider's fee on it all; no where one is not known."""
        if kept is None or fee is None:
            return False
        order = self._seen.hand.order
        rates = rates_of(self._composed.shop)
        try:
            asked = rates.convert(kept, self._composed.shop.currency, order.placed_on)
        except NoReferenceRate:
            return False
        return asked > fee.fee

    def _findings(self, tender: Tender, family: str) -> list[FindingOut]:
        shop = self._composed.shop
        sold = Sold(list(dict.fromkeys(market.country for market in shop.markets)), shop.areas)
        shared = [condition for id in tender.shared for condition in self._sets[id].conditions]
        return [
            FindingOut(
                text=finding_text(found),
                forbids=found.rule.grade == "forbids",
                source=found.rule.source,
                read_on=found.rule.read_on,
            )
            for found in findings(tender, family, sold, rules(), shared)
        ]
