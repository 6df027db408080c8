"""Puts a set of ways in a draft, as one change that one step takes back."""

from typing import NamedTuple

from monedero.core.account import Stage
from monedero.core.best_set.demand import Way
from monedero.core.best_set.month import Chosen
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.ratecard.model import Route
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.tenders import Edit, ReadyNames, new_tender, save_draft
from monedero.work.context import Context
from monedero.work.prices.inputs import inputs_of


class Placed(NamedTuple):
    """The draft with the set in it; the ways whose accounts are not there stay as they were, or are added switched
    off.
    """

    saved: Versioned[Checkout]
    waiting: list[Way]


def put_in_checkout(context: Context, chosen: Chosen, version: int, ready_names: ReadyNames) -> Placed:
    """Switch on the ways of a set whose accounts are there, and switch off every other way to pay."""
    tenders = list(draft(context).value.tenders)
    waiting: list[Way] = []
    kept: set[str] = set()
    for way in chosen.ways:
        route = _route(way)
        held = [tender for tender in tenders if tender.method == way.method]
        same = next((tender for tender in held if tender.route == route), None)
        if not _is_there(context, way):
            waiting.append(way)
            kept.update(tender.id for tender in held)
            if same is None:
                made = new_tender(context, tenders, way.method, route, ready_names)
                tenders.append(made)
                kept.add(made.id)
            continue
        found = same or next(iter(held), None)
        if found is None:
            found = new_tender(context, tenders, way.method, route, ready_names)
            tenders.append(found)
        kept.add(found.id)
        tenders[tenders.index(found)] = _carried_by(found, route)
    tenders = [tender if tender.id in kept else _off(tender) for tender in tenders]
    return Placed(save_draft(context, version, Edit(tenders)), waiting)


def _route(way: Way) -> Route | None:
    if way.plan is None:
        return None
    provider, plan = way.plan.split("/")
    return Route(provider=provider, plan=plan, method=way.method)


def _is_there(context: Context, way: Way) -> bool:
    """True if a way needs no account, or its account is connected with the method active."""
    if way.plan is None:
        return True
    account = inputs_of(context).accounts.get(way.plan.split("/", maxsplit=1)[0])
    return account is not None and account.stage is Stage.CONNECTED and way.method in account.active_methods


def _carried_by(tender: Tender, route: Route | None) -> Tender:
    """A tender that is on, by a route; the account of another provider does not carry it any more."""
    moved = route is None or tender.route is None or route.provider != tender.route.provider
    return tender.model_copy(
        update={"route": route, "on": True, "follows": False, "account": None if moved else tender.account}
    )


def _off(tender: Tender) -> Tender:
    return tender.model_copy(update={"on": False, "follows": False})
