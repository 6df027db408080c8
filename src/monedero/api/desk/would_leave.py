"""Tells what a change would take away from buyers, as it is told before the change."""

from collections.abc import Sequence

from pydantic import BaseModel

from monedero.core.account import Mode
from monedero.letters.impact import texts_of
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.impact import Impact


class WouldLeave(BaseModel):
    """Holds what a change would do to the orders that the shop can receive, in sentences.

    `takes_away`: somebody would have fewer ways to pay; the owner is asked before that.
    """

    mode: Mode
    takes_away: bool
    sentences: list[str]


def would_leave(mode: Mode, found: Sequence[tuple[CheckoutSnapshot, Impact]]) -> WouldLeave:
    """Tells what a change does to some checkouts."""
    takes_away = any(change.takes_away for _, change in found)
    return WouldLeave(mode=mode, takes_away=takes_away, sentences=texts_of(found))
