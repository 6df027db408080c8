"""Copy: a tender, or all of a checkout, from one storefront to another."""

from monedero.core.checkout.condition import SharedConditions
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.store.documents import Versioned
from monedero.work.checkout.checkout_snapshot import draft
from monedero.work.checkout.tenders import Edit, free_id, free_name, free_names, save_draft
from monedero.work.context import Context


def copy_tenders(context: Context, source: str, tender: str | None, version: int) -> Versioned[Checkout]:
    """Put copies of one tender of another storefront, or of all of them (None), at the end of a draft.

    Headings and shared sets come with those that stand under them and use them. Where a set of the same id says
    otherwise here, its conditions are written into the copy. Ids and names that are taken get a number.
    """
    there, here = draft(context.at(source)).value, draft(context).value
    chosen = [entry for entry in there.tenders if tender in (None, entry.id)]
    if not chosen:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "tender", tender or source, {"what": "way to pay"}))
    used = {id for entry in chosen for id in entry.shared}
    headed = {entry.heading for entry in chosen}
    sets = [*here.shared_conditions]
    for shared in there.shared_conditions:
        names = {held.id for held in sets} | {held.name.casefold() for held in sets}
        if shared.id in used and not names & {shared.id, shared.name.casefold()}:
            sets.append(shared)
    headings = [*here.headings]
    held_here = {heading.id for heading in headings}
    headings += [entry for entry in there.headings if entry.id in headed and entry.id not in held_here]
    tenders = [*here.tenders]
    for entry in chosen:
        tenders.append(_copy(entry, tenders, there.shared_conditions, sets))
    return save_draft(context, version, Edit(tenders, headings, sets))


def _copy(
    tender: Tender, beside: list[Tender], there: list[SharedConditions], here: list[SharedConditions]
) -> Tender:
    """A tender under a free id and name; a shared set that is not the same here is written into it."""
    sets = {each.id: each for each in there}
    same = [id for id in tender.shared if sets[id] in here]
    written = [condition for id in tender.shared if id not in same for condition in sets[id].conditions]
    update = {
        "id": free_id(tender.id, beside),
        "name": free_name(tender.name, "", beside),
        "names": free_names(tender.names, beside),
        "shared": same,
        "conditions": [*tender.conditions, *written],
    }
    return tender.model_copy(update=update)
