"""A rehearsal plays every case in a copy of the shop: what is right passes, and what is broken on purpose is found."""

import random
import time
from collections.abc import Callable, Sequence
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest

from monedero.api.app import create_app
from monedero.core.account import Mode
from monedero.core.errors import Fault
from monedero.core.method import Certain
from monedero.core.money import Money
from monedero.core.payment import meaning
from monedero.core.payment.notice import Fate, Notice
from monedero.core.payment.state import State
from monedero.core.record import OrderRecord
from monedero.core.rehearsal.cases import Form
from monedero.core.rehearsal.evidence import Evidence
from monedero.demo.full_shop import FullShop, Size
from monedero.server.full_example import fill
from monedero.server.rehearsal_play import Rehearsal
from monedero.server.rehearsal_room import room_of
from monedero.server.rehearsals import Rehearsals
from monedero.server.shops import ROOMS, Shops
from monedero.standins.provider.charging import Charges
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.context import Actor, Context
from monedero.work.orders import order_events, place_order
from monedero.work.orders.place_order import OrderIntake
from monedero.work.rehearsal.plan import Standing, planned_cases
from tests.api.shopkeeper import Shopkeeper

REHEARSAL = "/api/checkouts/web-shop/rehearsal"


def context_of(keeper: Shopkeeper) -> Context:
    running = keeper.running
    return Context.of(running.store, Actor.OWNER, running.clock.now(), "web-shop")


def played(keeper: Shopkeeper, *ids: str) -> dict[str, Evidence]:
    """The evidence of cases of the demo's draft, of all of them where none is named."""
    cases = [each.case for each in planned_cases(context_of(keeper)) if not ids or each.case.id in ids]
    assert len(cases) == len(ids) or not ids
    found: dict[str, Evidence] = {}
    with room_of(keeper.shops, keeper.running, lambda shops: create_app(shops, demo_first=False)) as room:
        Rehearsal(room, "web-shop", lambda case, evidence: found.update({case.id: evidence}), lambda: True).play(
            cases
        )
    return found


def differing(evidence: Evidence) -> list[str]:
    return [difference.what.value for difference in evidence.differences]


def counted(keeper: Shopkeeper) -> list[Any]:
    """Everything of a shop that a rehearsal must not touch."""
    store = keeper.running.store
    return [
        [(token, record.number) for token, record in store.orders.all()],
        store.vouchers.all(Mode.TEST) if hasattr(store.vouchers, "all") else None,
        keeper.get("/api/letters"),
        keeper.get("/api/past-orders"),
        keeper.get("/api/clock")["ahead_minutes"],
        store.revision(),
        len(keeper.running.provider.payments.all()),
    ]


def with_forms(keeper: Shopkeeper) -> None:
    """Lines of every form: one repeats, one has a deposit, one is weighed, of one the buyer chooses the amount."""
    held = keeper.get("/api/shop")
    changed: dict[str, dict[str, Any]] = {
        "star-chart": {"highest": "48.00 EUR"},
        "night-boat-tour": {"deposit": {"percent": "30"}},
        "sky-maps": {"chosen": {"from": "1.00 EUR", "to": "500.00 EUR"}},
    }
    lines = [{**line, **changed.get(line["id"], {})} for line in held["shop"]["lines"]]
    body = {"version": held["version"], "shop": {**held["shop"], "lines": lines}, "unless_taking": False}
    answer = keeper.client.put("/api/shop", json=body)
    assert answer.status_code == 200, answer.text


def test_every_case_of_the_demo_passes_and_nothing_of_the_shop_is_touched(keeper: Shopkeeper) -> None:
    with_forms(keeper)
    before = counted(keeper)
    found = played(keeper)
    assert counted(keeper) == before
    failed = {id: differing(each) for id, each in found.items() if each.ordered and not each.passed}
    assert failed == {}
    forms = {id.split()[2] for id, each in found.items() if each.passed}
    assert forms == {form.value for form in Form}
    card = found["card refunded once"]
    assert card.page
    assert card.received
    assert (len(card.messages), card.books["refunded"]) == (2, card.books["taken"])


@pytest.mark.parametrize("take", ["on-dispatch", "on-word"])
def test_money_that_is_held_first_passes_too(keeper: Shopkeeper, take: str) -> None:
    keeper.settings("card", take=take)
    ids = [
        f"card {outcome} once" for outcome in ("paid", "not-taken", "refunded", "part-refunded", "dispute-lost")
    ]
    assert {id: differing(each) for id, each in played(keeper, *ids).items()} == {id: [] for id in ids}


Break = Callable[[pytest.MonkeyPatch], None]


def wrong_day(patch: pytest.MonkeyPatch) -> None:
    patch.setattr(order_events, "timedelta", lambda days: timedelta(days=2 * days))


def fee_off_by_a_cent(patch: pytest.MonkeyPatch) -> None:
    fee = Charges.fee

    def more(self: Charges, *given: Any) -> tuple[Money | None, Money | None]:
        charged, back = fee(self, *given)
        return (Money(charged.minor + 1, charged.currency) if charged else None), back

    patch.setattr(Charges, "fee", more)


def message_not_sent(patch: pytest.MonkeyPatch) -> None:
    patch.setattr(place_order, "tells", lambda before, after: False)


def counted_twice(patch: pytest.MonkeyPatch) -> None:
    """A notice that comes again is added to the books again."""
    hear = order_events.hear

    def again(before: OrderRecord, number: int, notice: Notice) -> tuple[OrderRecord, Fate, Fault | None]:
        after, fate, fault = hear(before, number, notice)
        payment = after.numbered(number)
        if fate is not Fate.AGAIN:
            return after, fate, fault
        books = payment.books.model_copy(update={"taken": payment.books.taken + payment.books.ordered})
        return after.with_payment(payment.model_copy(update={"books": books})), fate, fault

    patch.setattr(order_events, "hear", again)


def seat_before_certainty(patch: pytest.MonkeyPatch) -> None:
    patch.setitem(meaning.MEANING, State.AWAITING_PAYMENT, meaning.MEANING[State.PAID])


def shop_never_asks(patch: pytest.MonkeyPatch) -> None:
    def look(self: OrderIntake, record: OrderRecord, payment: object) -> OrderRecord:
        return record

    patch.setattr(OrderIntake, "look", look)


@pytest.mark.parametrize(
    ("breaks", "case", "what", "other"),
    [
        (wrong_day, "bank-transfer seen once", "due-day", "card paid once"),
        (fee_off_by_a_cent, "card paid once", "fee", "bank-transfer seen once"),
        (message_not_sent, "card declined once", "messages", None),
        (counted_twice, "card told-twice once", "taken", None),
        (seat_before_certainty, "bank-transfer seen once", "early", "card paid once"),
        (shop_never_asks, "card never-told once", "state", "card paid once"),
    ],
)
def test_what_is_broken_on_purpose_fails_in_its_cell_and_says_what(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch, breaks: Break, case: str, what: str, other: str | None
) -> None:
    with monkeypatch.context() as patch:
        breaks(patch)
        found = played(keeper, case, *([other] if other else []))
    assert what in differing(found[case])
    assert other is None or differing(found[other]) == []


def test_a_gap_in_a_text_fails(keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("monedero.letters.buyer_message.without_unsaid", lambda text, values: text)
    [evidence] = played(keeper, "bank-transfer seen once").values()
    assert differing(evidence) == ["blank"]
    assert "held until ." in evidence.differences[0].came


def standings(keeper: Shopkeeper) -> dict[str, str]:
    return {
        case["id"]: case["standing"]
        for row in keeper.get(REHEARSAL)["rows"]
        for cell in row["cells"]
        for case in cell["cases"]
    }


def wait(keeper: Shopkeeper) -> Any:
    """Wait until what is played is over."""
    for _ in range(600):
        progress = keeper.get(REHEARSAL)["progress"]
        if progress["over"]:
            return progress
        time.sleep(0.1)
    raise AssertionError(progress)


def all_played(keeper: Shopkeeper) -> None:
    keeper.post(f"{REHEARSAL}/play", {"cases": []}, 202)
    assert not wait(keeper)["broke"]


def stale(keeper: Shopkeeper) -> set[str]:
    return {id for id, standing in standings(keeper).items() if standing == Standing.STALE}


def test_an_edit_makes_stale_what_it_touches_and_nothing_else(keeper: Shopkeeper) -> None:
    all_played(keeper)
    assert set(standings(keeper).values()) == {"passed", "no-order"}
    of_card = {id for id in standings(keeper) if id.startswith("card ")}
    limits = {id for id in of_card if " limit " in id}
    held = keeper.get("/api/checkouts/web-shop")
    [card] = [tender for tender in held["tenders"] if tender["id"] == "card"]
    chance = random.Random(28)
    # One end of a limit: its two sides, and nothing else.
    for window in card["windows"]:
        for end in [end for end in ("from", "up_to") if window.get(end)]:
            amount = f"{chance.randint(2, 4)}.00" if end == "from" else f"{chance.randint(1500, 2500)}.00"
            changed = [
                {**each, end: f"{amount} {each[end][-3:]}"} if each is window else each for each in card["windows"]
            ]
            keeper.settings("card", windows=changed)
            currency = window[end][-3:]
            assert stale(keeper) == {f"card {side} limit {currency} {end}" for side in ("offered", "held-back")}
            keeper.settings("card", windows=card["windows"])
            assert stale(keeper) == set()
    # A text of a way: all that its buyers read, but for its limits.
    keeper.settings("card", texts={"en": {"after": "Bring warm clothes."}})
    assert stale(keeper) == of_card - limits
    keeper.settings("card", texts=card["texts"])
    assert stale(keeper) == set()
    # Another bank account: every way whose buyers meet what the shop says of itself.
    shop = keeper.get("/api/shop")
    told = {**shop["shop"]["arrangements"], "payee": "Cabo Noite, Lda"}
    body = {"version": shop["version"], "shop": {**shop["shop"], "arrangements": told}}
    assert keeper.client.put("/api/shop", json=body).status_code == 200
    now = standings(keeper)
    assert stale(keeper) == {id for id in now if " limit " not in id}


def test_one_cell_is_played_alone_another_one_waits_and_it_can_be_stopped(keeper: Shopkeeper) -> None:
    assert set(standings(keeper).values()) == {"open"}
    keeper.post(f"{REHEARSAL}/play", {"cases": ["card paid once"]}, 202)
    busy = keeper.client.post(f"{REHEARSAL}/play", json={"cases": []})
    assert busy.status_code in (202, 409)
    wait(keeper)
    told = standings(keeper)
    assert told["card paid once"] == "passed"
    evidence = keeper.get(f"{REHEARSAL}/case", id="card paid once")
    assert (evidence["differences"], evidence["standing"], evidence["refused"]) == ([], "passed", "")
    assert evidence["steps"][0]["text"] == "The order was placed."
    keeper.post(f"{REHEARSAL}/play", {"cases": []}, 202)
    assert keeper.client.post(f"{REHEARSAL}/stop").status_code == 204
    assert wait(keeper)["stopped"]
    assert keeper.client.post(f"{REHEARSAL}/stop").status_code == 404


@pytest.mark.parametrize("cases", [["card paid never"], ["nothing"], [""]])
def test_a_case_that_is_not_there_is_refused(keeper: Shopkeeper, cases: Sequence[str]) -> None:
    assert keeper.client.post(f"{REHEARSAL}/play", json={"cases": cases}).status_code == 404
    assert keeper.client.get(f"{REHEARSAL}/case", params={"id": cases[0]}).status_code == 404


def test_what_breaks_off_says_so_and_leaves_the_shop_as_it_was(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch
) -> None:
    def broken(*given: Any) -> Any:
        raise OSError("no room on the disk")

    monkeypatch.setattr("monedero.server.rehearsals.room_of", broken)
    rehearsals = Rehearsals(lambda shops: create_app(shops, demo_first=False))
    progress = rehearsals.begin(keeper.shops, keeper.running, context_of(keeper))
    for _ in range(100):
        if progress.over:
            break
        time.sleep(0.05)
    assert (progress.broke, progress.done) == (True, 0)
    assert keeper.running.store.rehearsals.of("web-shop") == {}


def test_a_room_that_a_kill_left_is_cleared_away_at_the_next_start(tmp_path: Path) -> None:
    left = tmp_path / "data" / f"{ROOMS}x1"
    left.mkdir(parents=True)
    (left / "room.sqlite").touch()
    Shops(tmp_path / "data")
    assert not left.exists()


def test_a_server_that_ends_stops_what_is_played_and_leaves_no_room(keeper: Shopkeeper) -> None:
    rehearsals = Rehearsals(lambda shops: create_app(shops, demo_first=False))
    progress = rehearsals.begin(keeper.shops, keeper.running, context_of(keeper))
    rehearsals.close()
    for _ in range(200):
        if progress.over:
            break
        time.sleep(0.05)
    assert (progress.over, progress.stopped) == (True, True)
    assert list(keeper.shops.folder.glob(f"{ROOMS}*")) == []


def test_one_of_every_kind_of_way_in_a_full_shop_ends_as_it_should(tmp_path: Path) -> None:
    """The demo has few kinds of ways: no cash at the door, no debit that is certain days later."""
    shops = Shops(tmp_path / "data")
    fill(shops.own, FullShop(Size(markets=8, lines=20, providers=4, ways=30, orders=100)))
    context = Context.of(shops.own.store, Actor.OWNER, shops.own.clock.now(), shops.own.store.first_storefront())
    snapshot = drafted(context)
    methods = {tender.id: tender.method for tender in snapshot.checkout.tenders}
    one_of_each = {
        (methods[case.tender], case.outcome, case.form is Form.LIMIT): case
        for case in (planned.case for planned in planned_cases(context))
    }
    found: dict[str, Evidence] = {}
    with room_of(shops, shops.own, lambda room: create_app(room, demo_first=False)) as room:
        Rehearsal(
            room, context.storefront, lambda case, evidence: found.update({case.id: evidence}), lambda: True
        ).play(list(one_of_each.values()))
    assert {id: differing(each) for id, each in found.items() if each.ordered and not each.passed} == {}
    assert {snapshot.methods[method].certain for method, _, _ in one_of_each} == set(Certain)


def test_an_account_held_elsewhere_and_a_gateway_of_ones_own_are_played_under_their_names(
    keeper: Shopkeeper,
) -> None:
    facts = keeper.running.store.providers.all()["orlenta"]
    keeper.running.store.providers.put(facts.model_copy(update={"gateway": "http://127.0.0.1:9"}))
    [evidence] = played(keeper, "card paid once").values()
    assert evidence.passed
    assert keeper.running.store.providers.all()["orlenta"].gateway == "http://127.0.0.1:9"
