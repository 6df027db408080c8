"""Changes of a draft, taken back and made again: the same bytes as before, however often, and after a restart."""

import sqlite3
import tempfile
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st

from monedero.core.checkout.model import Checkout, Tender
from monedero.core.errors import Conflict
from monedero.store import Store
from monedero.store.checkouts import Steps
from tests.properties import tried_on

EMPTY = Checkout(storefront="web", mode="test")


def named(number: int) -> Checkout:
    card = Tender(id="card", method="card", on=True, name=f"Card {number}")
    return EMPTY.model_copy(update={"tenders": [card]})


def body(path: Path) -> str:
    with sqlite3.connect(path) as database:
        return str(database.execute("SELECT body FROM checkout").fetchone()[0])


@tried_on(60)
@given(st.lists(st.sampled_from(["change", "back", "again", "restart"]), max_size=14))
def test_steps_lead_to_the_bytes_that_were(acts: list[str]) -> None:
    """Beside the store: every state that the draft has had, and which of them it is."""
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "shop.sqlite"
        store = Store(path)
        version = store.checkouts.save(named(0), 0).version
        states, place = [None, body(path)], 1
        for number, act in enumerate(acts, 1):
            if act == "restart":
                store.close()
                store = Store(path)
            elif act == "change":
                version = store.checkouts.save(named(number), version).version
                states, place = [*states[: place + 1], body(path)], place + 1
            else:
                by = 1 if act == "again" else -1
                try:
                    version = store.checkouts.step("web", by, version).version
                except Conflict:
                    assert place + by in (-1, len(states))
                    continue
                place += by
                if place == 0:
                    states[0] = states[0] or body(path)
            assert body(path) == states[place]
        store.close()


def test_the_oldest_steps_are_forgotten(tmp_path: Path) -> None:
    store = Store(tmp_path / "shop.sqlite")
    version = 0
    for number in range(Steps.MOST + 20):
        version = store.checkouts.save(named(number), version).version
    taken = 0
    while store.checkouts.around("web")[0] is not None:
        version = store.checkouts.step("web", -1, version).version
        taken += 1
    assert taken == Steps.MOST - 1
    store.checkouts.begin_anew("web")
    assert store.checkouts.around("web") == (None, None)
