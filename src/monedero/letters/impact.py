"""The impact of a change in sentences: who gains and loses which ways to pay, and who could not pay any more."""

from collections.abc import Iterable, Mapping

from monedero.wording.catalogue import say
from monedero.wording.coverage import MovedOrders, described, moved_orders_text, new_dead_end_text
from monedero.wording.names import names_of
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.coverage_state import StateOfCoverage
from monedero.work.checkout.impact import Impact, Move

MOST_PLACES = 2


def texts_of(found: Iterable[tuple[CheckoutSnapshot, Impact]]) -> list[str]:
    """The impact on some checkouts; where the shop has several storefronts each sentence names its own."""
    every = list(found)
    told = []
    for snapshot, change in every:
        storefront = snapshot.shop.storefront(snapshot.checkout.storefront)
        for text in impact_texts(change, names_of(snapshot.shop, snapshot.checkout)):
            several = len(snapshot.shop.storefronts) > 1 and storefront is not None
            told.append(say("move-in", storefront=storefront.name, text=text) if several and storefront else text)
    return told


def impact_texts(moves: Impact, names: Mapping[str, str]) -> list[str]:
    """The impact on one checkout, dead ends first; `names` are as for reasons, those of tenders by `tender/id`."""
    dead = [new_dead_end_text(described(region, box, names)) for region, box in moves.dead_ends]
    return [*dead, *(_text(moves, move, names) for move in moves.moves)]


def dead_ends_text(state: StateOfCoverage, names: Mapping[str, str]) -> list[str]:
    """The dead ends that the last change of a draft made."""
    return [new_dead_end_text(described(region, box, names)) for region, box in state.made]


def _text(moves: Impact, move: Move, names: Mapping[str, str]) -> str:
    places = [described(region, box, names) for region, box in move.boxes[:MOST_PLACES]]
    name = names.get(f"tender/{move.tender}", move.tender)
    share = move.share if moves.knows_month else None
    return moved_orders_text(MovedOrders(name, move.gains, places, len(move.boxes) - len(places), share))
