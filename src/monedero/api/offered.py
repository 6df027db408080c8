"""Ways to pay as their buyer meets them, on buyers' pages and in the buyer's view beside the work."""

from pydantic import BaseModel

from monedero.core.language import in_language
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.tender.decision import Outcome
from monedero.wording.letters import fee_name
from monedero.work.checkout.composed import Composed
from monedero.work.orders.progress import rounding_of
from monedero.work.shop.lookups import method_in


class OfferedOut(BaseModel):
    """A way to pay as its buyer sees it; `usual`: the buyer paid this way last time.

    `heading` stands above it where it is the first under one that is shown. `fee` is what it costs its buyer on top,
    with its name, `total` the order with it; both None where there is none. `up_to`: it depends on the card's network.
    `rounding` is what paying in coins adds or takes off, which is in the total.
    """

    tender: str
    name: str
    description: str
    usual: bool = False
    heading: str = ""
    fee: str | None = None
    fee_label: str = ""
    up_to: bool = False
    rounding: str | None = None
    total: str | None = None


def offered_out(
    outcomes: list[Outcome], amount: Money, composed: Composed, usual: str | None = None
) -> list[OfferedOut]:
    """Ways to pay for an order of an amount, as its buyer meets them."""
    language = composed.shop.languages[0]
    headings = {heading.id: in_language(heading.name, language) for heading in composed.checkout.headings}
    shown: set[str] = set()
    found = []
    for outcome in outcomes:
        tender, charged = outcome.tender, outcome.charged
        fee = charged.amount if charged else None
        paid = Money(amount.minor + (fee.minor if fee else 0), amount.currency)
        in_cash = method_in(composed.methods, tender.method).family is Family.CASH
        rounding = rounding_of(paid) if in_cash else None
        if rounding:
            paid = Money(paid.minor + rounding.minor, paid.currency)
        heading = "" if outcome.heading in shown else headings.get(outcome.heading or "", "")
        shown.add(outcome.heading or "")
        label = tender.fee.label if tender.fee else None
        found.append(
            OfferedOut(
                tender=tender.id,
                name=tender.name,
                description=tender.description,
                usual=tender.id == usual,
                heading=heading,
                fee=str(fee) if fee else None,
                fee_label=in_language(label, language) if label else fee_name(fee),
                up_to=charged.up_to if charged else False,
                rounding=str(rounding) if rounding else None,
                total=str(paid) if fee or rounding else None,
            )
        )
    return found
