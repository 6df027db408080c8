"""The grid and the findings of coverage in words and with names."""

from collections.abc import Iterator, Mapping
from fractions import Fraction

from monedero.api.desk.coverage_schemas import BlockOut, CellOut, FoundOut, OrderToHand, RowOut
from monedero.core.checkout.coverage.grid import Cell, Look, Row, blocks, looked_at
from monedero.core.checkout.coverage.parts import Examined, Part
from monedero.core.fx import NoReferenceRate
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.wording.catalogue import say
from monedero.wording.coverage import amounts_text, cell_text, described, few, share_text, shut_text, together
from monedero.wording.names import names_of
from monedero.wording.places import country_name
from monedero.wording.tender_conditions import condition_text
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.coverage_orders import order_of_finding
from monedero.work.checkout.findings import Finding
from monedero.work.shop.lookups import rates_of


def blocks_out(examined: Examined, look: Look, snapshot: CheckoutSnapshot) -> list[BlockOut]:
    """The grid of every currency."""
    names = names_of(snapshot.shop, snapshot.checkout)
    found = []
    for part in examined.parts:
        rate = _to_books(part, snapshot)
        for block in blocks(part, look):
            rows = [_row(part, row, rate, snapshot, names) for row in block.rows]
            markets = [examined.space.markets[part.region.markets[at]] for at in block.markets]
            countries = [country_name(market.country) for market in markets]
            found.append(
                BlockOut(
                    markets=[market.id for market in markets],
                    name=few(countries, "covers-more-countries"),
                    currency=part.region.currency,
                    rated=rate is not None,
                    rows=rows,
                )
            )
    return found


def _to_books(part: Part, snapshot: CheckoutSnapshot) -> Fraction | None:
    """A minor unit of a part in whole units of the shop's currency; None without a reference rate."""
    day = part.region.space.day
    try:
        return rates_of(snapshot.shop).convert(Money(1, part.region.currency), snapshot.shop.currency, day)
    except NoReferenceRate:
        return None


def _row(
    part: Part, row: Row, rate: Fraction | None, snapshot: CheckoutSnapshot, names: Mapping[str, str]
) -> RowOut:
    space = part.region.space
    lines, classes = space.carts[row.cart].lines, space.carts[row.cart].classes
    return RowOut(
        lines=list(lines),
        stands_for=list(space.classes[classes[0]]) if len(classes) == 1 else [],
        name=together(space, classes, names),
        repeats=space.lines[lines[0]].recurring,
        cells=[_cell(part, cell, rate, snapshot, names) for cell in row.cells],
    )


def _cell(
    part: Part, cell: Cell, rate: Fraction | None, snapshot: CheckoutSnapshot, names: Mapping[str, str]
) -> CellOut:
    begins, currency, books = part.region.begins, part.region.currency, snapshot.shop.currency

    def there(minor: int) -> str:
        money = Money(minor, currency)
        return money.amount if rate is None else Money.rounded(rate * minor, books).amount

    below = begins[cell.last + 1] if cell.last + 1 < len(begins) else None
    ways = cell_text(cell.least, cell.most, names.get(f"tender/{cell.only}", ""))
    amounts = amounts_text(part.region, cell.first, cell.last) or say("any-amount")
    return CellOut(
        first=Money(begins[cell.first], currency).amount,
        below=None if below is None else Money(below, currency).amount,
        begins=there(begins[cell.first]),
        ends=None if below is None else there(below),
        least=cell.least,
        most=cell.most,
        said=f"{amounts}: {ways}",
    )


def findings_out(
    examined: Examined, found: list[Finding], look: Look, snapshot: CheckoutSnapshot, *, month_known: bool
) -> list[FoundOut]:
    """The findings about an order that is looked at, in sentences."""
    return list(_findings(examined, found, look, snapshot, month_known=month_known))


def _findings(
    examined: Examined, found: list[Finding], look: Look, snapshot: CheckoutSnapshot, *, month_known: bool
) -> Iterator[FoundOut]:
    names, rates = names_of(snapshot.shop, snapshot.checkout), rates_of(snapshot.shop)
    parts = {part.region.currency: part for part in examined.parts}
    for finding in found:
        fields: dict[str, str | int] = {"tender": names.get(f"tender/{finding.tender}", finding.tender)}
        share, order = "", None
        if finding.found is None:
            fields["shut"] = shut_text(finding.codes, _conditions(snapshot, finding.tender, names))
        else:
            region, box = finding.found.region, finding.found.box
            part = parts[region.currency]
            if not part.possible.any(part.boxes.reach(box).meets(looked_at(part, look))):
                continue
            fields |= described(region, box, names).fields
            share = share_text(finding.share) if month_known else ""
            one = order_of_finding(examined, finding, look, snapshot.shop, rates)
            order = order_out(snapshot, one) if one else None
        name = f"found-{finding.kind.value}"
        yield FoundOut(
            id=finding.id,
            kind=finding.kind,
            tender=finding.tender,
            lead=say(f"{name}.lead", **fields),
            text=say(name, **fields),
            share=share,
            order=order,
        )


def _conditions(snapshot: CheckoutSnapshot, tender: str, names: Mapping[str, str]) -> dict[str, list[str]]:
    """The conditions of a tender and of its shared sets in phrases, by their fact as it stands in codes."""
    own = next(each for each in snapshot.checkout.tenders if each.id == tender)
    shared = [each for each in snapshot.checkout.shared_conditions if each.id in own.shared]
    told: dict[str, list[str]] = {}
    for condition in [*own.conditions, *(condition for each in shared for condition in each.conditions)]:
        told.setdefault(condition.fact.replace("_", "-"), []).append(condition_text(condition, names))
    return told


def order_out(snapshot: CheckoutSnapshot, order: Order) -> OrderToHand | None:
    """An order by the parts of its sentence; None for one of two lines, which no sentence says."""
    market = next(
        market
        for market in snapshot.shop.markets
        if (market.country, market.currency) == (order.country, order.amount.currency)
    )
    if len(order.lines) != 1:
        return None
    line = next(line for line in snapshot.shop.lines if line.id == order.lines[0])
    return OrderToHand(
        market=market.id,
        line=order.lines[0],
        amount=order.amount.amount,
        currency=order.amount.currency,
        postcode=order.postcode,
        delivery=order.delivery if line.deliveries else None,
        customer_group=order.customer_group,
        device=order.device.value if order.device else None,
        signed_in=None if order.signed_in is None else str(order.signed_in).lower(),
    )


def looked_text(examined: Examined) -> str:
    """How many kinds of order were looked at, and how many sets of ways to pay there are."""
    orders, sets, space = 0, set(), examined.space
    for part in examined.parts:
        every = part.boxes.everything
        loads = sum(space.count(cart) * len(cart.deliveries) for cart in space.carts)
        facts = (every.places, every.groups, every.devices, every.signed_in, every.amounts)
        kinds = loads
        for bits in facts:
            kinds *= bits.bit_count()
        orders += kinds
        sets |= {some for some in part.where if some}
    one = "yes" if len(sets) == 1 else "no"
    return say("coverage-looked", orders=f"{orders:,}", sets=str(len(sets)), one=one)
