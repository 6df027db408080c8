"""Arranges a draft: one tender changed, moved, removed or put back, and conditions shared or written in."""

from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.errors import Fault, FaultCode, NotFound, refuse
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.tenders import Edit, free_id, save_draft
from monedero.work.context import Context


def tender_in(checkout: Checkout, id: str) -> Tender:
    """A tender of a checkout by its id; refused where it is not there."""
    found = next((tender for tender in checkout.tenders if tender.id == id), None)
    if found is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "tender", id, {"what": "way to pay"}))
    return found


def change_tender(context: Context, tender: Tender, version: int) -> Versioned[Checkout]:
    """Put a tender in the place of the one with its id."""
    return save_draft(context, version, Edit(_with(draft(context).value, tender)))


def move_tender(context: Context, id: str, over: str, version: int) -> Versioned[Checkout]:
    """Move a tender to where another one stands; it goes under the heading of that one."""
    checkout = draft(context).value
    moved, target = tender_in(checkout, id), tender_in(checkout, over)
    place = checkout.in_place.index(target)
    others = [tender for tender in checkout.in_place if tender.id != id]
    others.insert(place, moved.model_copy(update={"heading": target.heading}))
    return save_draft(context, version, Edit(others))


def move_by(context: Context, id: str, by: int, version: int) -> Versioned[Checkout]:
    """Move a tender by some places, up where they are below nothing; at an end of the sequence it stays there."""
    checkout = draft(context).value
    places = checkout.in_place
    place = places.index(tender_in(checkout, id)) + by
    over = places[min(max(place, 0), len(places) - 1)]
    return move_tender(context, id, over.id, version)


def put_back(context: Context, tender: Tender, place: int, version: int) -> Versioned[Checkout]:
    """Put a tender that was removed back to its place, without the heading and the shared sets that are gone since."""
    checkout = draft(context).value
    sets = {each.id for each in checkout.shared_conditions}
    heading = tender.heading if tender.heading in {each.id for each in checkout.headings} else None
    kept = {"heading": heading, "shared": [id for id in tender.shared if id in sets]}
    tenders = checkout.in_place
    tenders.insert(place, tender.model_copy(update=kept))
    return save_draft(context, version, Edit(tenders))


def share_conditions(context: Context, id: str, name: str, version: int) -> Versioned[Checkout]:
    """Make the conditions of a tender a shared set under a name, which the tender uses."""
    checkout = draft(context).value
    tender = tender_in(checkout, id)
    if not tender.conditions:
        raise refuse(FaultCode.LIST_EMPTY, "conditions", "")
    made = free_id("set", checkout.shared_conditions)
    sharing = tender.model_copy(update={"conditions": [], "shared": [*tender.shared, made]})
    shared = SharedConditions(id=made, name=name, conditions=tender.conditions)
    return save_draft(
        context, version, Edit(_with(checkout, sharing), None, [*checkout.shared_conditions, shared])
    )


def write_in(context: Context, set_id: str, id: str | None, version: int) -> Versioned[Checkout]:
    """Write the conditions of a shared set into a tender that uses it; without one into all, and drop the set."""
    checkout = draft(context).value
    held = next((each for each in checkout.shared_conditions if each.id == set_id), None)
    if held is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "set", set_id, {"what": "shared set of conditions"}))
    if id is not None:
        return save_draft(context, version, Edit(_with(checkout, _written(tender_in(checkout, id), held))))
    tenders = [_written(tender, held) if set_id in tender.shared else tender for tender in checkout.tenders]
    sets = [each for each in checkout.shared_conditions if each.id != set_id]
    return save_draft(context, version, Edit(tenders, None, sets))


def _written(tender: Tender, held: SharedConditions) -> Tender:
    left = [id for id in tender.shared if id != held.id]
    return tender.model_copy(update={"conditions": [*tender.conditions, *held.conditions], "shared": left})


def _with(checkout: Checkout, changed: Tender) -> list[Tender]:
    tender_in(checkout, changed.id)
    return [changed if tender.id == changed.id else tender for tender in checkout.tenders]
