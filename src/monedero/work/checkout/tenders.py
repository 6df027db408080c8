"""Compose: the tenders of the draft, added from a route or an arrangement, and saved as a whole."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass

from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.model import Checkout, Heading, Tender
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.method import Method
from monedero.core.ratecard.model import RateCard, Route
from monedero.core.words.folded import folded
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.dangling import refuse_dangling
from monedero.work.checkout.written import refuse_texts
from monedero.work.context import Context
from monedero.work.shop.lookups import described_shop, method_in, methods_of


@dataclass(frozen=True, slots=True)
class Edit:
    """A checkout as it shall be; headings and shared sets of conditions stay as they are where they are None."""

    tenders: list[Tender]
    headings: list[Heading] | None = None
    shared: list[SharedConditions] | None = None


def edited(before: Checkout, edit: Edit) -> Checkout:
    """A checkout as an edit makes it; refused where a name stands twice or something named is not in it."""
    return Checkout(
        storefront=before.storefront,
        mode=before.mode,
        headings=before.headings if edit.headings is None else edit.headings,
        shared_conditions=before.shared_conditions if edit.shared is None else edit.shared,
        tenders=edit.tenders,
    )


def save_draft(context: Context, version: int, edit: Edit) -> Versioned[Checkout]:
    """Save a checkout as a whole, its tenders in their sequence.

    Refuses an older version, a name that stands twice, a text that its buyers could not read, and what names something
    that is not there.
    """
    before = draft(context).value
    checkout = edited(before, edit)
    refuse_texts(before, checkout)
    refuse_dangling(described_shop(context.shop).value, checkout)
    return context.shop.checkouts.save(checkout, version)


ReadyNames = Callable[[Method, Sequence[str]], dict[str, str]]


def add_tender(
    context: Context, method_id: str, route: Route | None, version: int, ready_names: ReadyNames
) -> tuple[Versioned[Checkout], Tender]:
    """Put a route, or an own arrangement, at the end of a draft, switched off, under a free name.

    `ready_names` gives the ready-made names of a method in the languages of the shop.
    """
    tenders = draft(context).value.tenders
    tender = new_tender(context, tenders, method_id, route, ready_names)
    return save_draft(context, version, Edit([*tenders, tender])), tender


def new_tender(
    context: Context, tenders: list[Tender], method_id: str, route: Route | None, ready_names: ReadyNames
) -> Tender:
    """A tender of a route, or of an own arrangement, switched off, under a free name among others."""
    method = method_in(methods_of(described_shop(context.shop).value), method_id)
    if route is None:
        if not method.own:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "method", method_id, {"what": "arrangement"}))
        second = ""
    else:
        second = _card_of(context, route).provider.name
    first, *others = described_shop(context.shop).value.languages
    ready = ready_names(method, [first, *others])
    name = free_name(ready.pop(first, method.name), second, tenders)
    return Tender(
        id=free_id(method_id, tenders),
        method=method_id,
        route=route,
        on=False,
        name=name,
        names=free_names(ready, tenders, second),
    )


def _card_of(context: Context, route: Route) -> RateCard:
    for card in context.shop.rate_cards.all():
        if route in card.routes:
            return card
    named = f"{route.provider} {route.plan} {route.method}"
    raise NotFound(Fault(FaultCode.NOT_FOUND, "route", named, {"what": "route"}))


def free_id(method_id: str, others: Iterable[Tender | SharedConditions]) -> str:
    """An id that none of the others has; it begins with the one that is wished for."""
    taken = {other.id for other in others}
    number = 1
    while (candidate := method_id if number == 1 else f"{method_id}-{number}") in taken:
        number += 1
    return candidate


def free_name(name: str, second: str, tenders: list[Tender]) -> str:
    """A name that none of the others has in any language: the one wished for, with a second name beside it, or with a
    number."""
    return _free(
        name, second, {folded(held) for tender in tenders for held in (tender.name, *tender.names.values())}
    )


def free_names(names: Mapping[str, str], tenders: list[Tender], second: str = "") -> dict[str, str]:
    """Names by language that none of the others has there, with a second name or a number where they are taken."""
    free = {}
    for tag, name in names.items():
        taken = {folded(tender.name_in(tag)) for tender in tenders}
        free[tag] = _free(name, second, taken)
    return free


def _free(name: str, second: str, taken: set[str]) -> str:
    candidates = [name, f"{name} ({second})"] if second else [name]
    for candidate in candidates:
        if folded(candidate) not in taken:
            return candidate
    number = 2
    while folded(f"{candidates[-1]} {number}") in taken:
        number += 1
    return f"{candidates[-1]} {number}"
