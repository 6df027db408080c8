"""Editions: each keeps who published it and why; one can be planned, and an earlier one published again."""

from datetime import datetime, timedelta
from typing import Any

import pytest

from monedero.core.account import Mode
from monedero.work.context import Actor, Context
from monedero.work.ready import publishing
from tests.api.shopkeeper import BUYERS, Shopkeeper
from tests.api.test_ready import business

WEB = "/api/checkouts/web-shop"


def editions(keeper: Shopkeeper) -> list[Any]:
    found: list[Any] = keeper.get(f"{WEB}/publication")["editions"]
    return found


def fingerprint(keeper: Shopkeeper) -> str:
    return str(keeper.get(f"{WEB}/publication")["fingerprint"])


def publish(keeper: Shopkeeper, note: str = "") -> Any:
    return keeper.post(f"{WEB}/editions", {"fingerprint": fingerprint(keeper), "note": note}, 201)


def planned_for(keeper: Shopkeeper, **later: float) -> Any:
    """Plan the draft as it is for so much later."""
    at = keeper.running.clock.now() + timedelta(**later)
    body = {"fingerprint": fingerprint(keeper), "at": at.isoformat(), "note": "for the season"}
    return keeper.client.put(f"{WEB}/planned-edition", json=body)


def names_offered(keeper: Shopkeeper) -> list[str]:
    """The names of the ways to pay that buyers are shown."""
    shown = keeper.get(f"{BUYERS}/offer", market="pt-eur", line="night-boat-tour", amount="85.00", currency="EUR")
    return [way["name"] for heading in shown["headings"] for way in heading["tenders"]]


def test_an_edition_keeps_who_published_it_and_why(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    made = publish(keeper, "the name that buyers know")
    assert (made["note"], made["actor"], made["of_edition"]) == ("the name that buyers know", "owner", None)
    newest, first = editions(keeper)
    assert (newest["is_shown"], first["is_shown"]) == (True, False)
    assert newest["fingerprint"] != first["fingerprint"]


def test_going_back_is_a_new_edition_that_is_the_same_as_the_earlier_one(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    publish(keeper)
    draft = keeper.get(WEB)
    told = keeper.get(f"{WEB}/editions/1/difference")["changes"]
    assert any("Card" in sentence for sentence in told)
    back = keeper.post(f"{WEB}/editions/1/again", {"note": "too early"}, 201)
    assert (back["number"], back["of_edition"], back["note"]) == (3, 1, "too early")
    third, second, first = editions(keeper)
    assert third["fingerprint"] == first["fingerprint"] != second["fingerprint"]
    assert [each["is_shown"] for each in (third, second, first)] == [True, False, True]
    assert keeper.get(WEB)["version"] == draft["version"], "the draft stays as it is"
    # Forward again, in the same way.
    assert keeper.post(f"{WEB}/editions/2/again", {}, 201)["fingerprint"] == second["fingerprint"]


def test_editions_are_numbered_for_each_storefront_and_mode(keeper: Shopkeeper) -> None:
    store = keeper.running.store
    published = store.editions.of("web-shop")[0].published

    def as_of(**changed: Any) -> tuple[int, int]:
        checkout = published.checkout.model_copy(update=changed)
        made = store.editions.add(published.model_copy(update={"checkout": checkout}), keeper.running.clock.now())
        return made.id, made.number

    made = [as_of(), as_of(storefront="counter"), as_of(mode=Mode.LIVE), as_of(mode=Mode.LIVE), as_of()]
    assert [number for _, number in made] == [2, 1, 1, 2, 3]
    assert len({id for id, _ in made}) == 5
    # Two of the same number tell their mode.
    assert [(each["number"], each["mode"]) for each in editions(keeper)] == [
        *((3, "test"), (2, "live"), (1, "live"), (2, "test"), (1, "test")),
    ]


def test_going_back_keeps_the_mode_that_buyers_see(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    publish(keeper)
    store = keeper.running.store
    published = store.editions.of("web-shop")[0].published
    live = published.checkout.model_copy(update={"mode": Mode.LIVE})
    store.editions.add(published.model_copy(update={"checkout": live}), keeper.running.clock.now())
    assert [each["can_go_back"] for each in editions(keeper)] == [False, False, False]
    refused = keeper.client.post(f"{WEB}/editions/1/again", json={})
    assert keeper.fault(refused) == (409, "edition-other-mode", "edition")
    # An edition that is gone back to counts in its own mode, whatever the mode of the draft is.
    told = [keeper.get(f"{WEB}/editions/{each['id']}/difference") for each in editions(keeper)]
    assert [(each["mode"], each["next"]) for each in told] == [("live", 2), ("test", 3), ("test", 3)]


def test_what_buyers_see_cannot_be_gone_back_to_and_neither_can_what_is_not_there(keeper: Shopkeeper) -> None:
    refused = keeper.client.post(f"{WEB}/editions/1/again", json={})
    assert keeper.fault(refused) == (409, "edition-newest", "edition")
    assert keeper.client.post(f"{WEB}/editions/77/again", json={}).status_code == 404
    assert keeper.client.get(f"{WEB}/editions/77/difference").status_code == 404
    # An edition of one storefront is none of another.
    held = keeper.get("/api/shop")
    fronts = [*held["shop"]["storefronts"], {"id": "counter", "name": "Counter"}]
    body = {"version": held["version"], "shop": {**held["shop"], "storefronts": fronts}}
    assert keeper.client.put("/api/shop", json=body).status_code == 200
    assert keeper.client.post("/api/checkouts/counter/editions/1/again", json={}).status_code == 404


def test_an_edition_is_published_when_its_moment_comes_as_it_was_planned(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    assert planned_for(keeper, days=2).status_code == 200
    # A change afterwards is not in it.
    keeper.settings("card", name="Something else")
    keeper.wind(days=1)
    keeper.running.beat()
    assert len(editions(keeper)) == 1
    keeper.wind(days=1, minutes=1)
    keeper.running.beat()
    keeper.running.beat()
    newest, _ = editions(keeper)
    assert (newest["number"], newest["actor"], newest["note"]) == (2, "clock", "for the season")
    assert "Bank card" in [tender["name"] for tender in newest["tenders"]]
    assert keeper.get(f"{WEB}/publication")["planned"] is None


def test_one_that_is_no_longer_ready_stays_unpublished_and_says_so(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    assert planned_for(keeper, hours=3).status_code == 200
    business(keeper, email="")
    keeper.wind(hours=4)
    keeper.running.beat()
    keeper.running.beat()
    assert len(editions(keeper)) == 1
    [stopped] = keeper.get(f"{WEB}/publication")["planned"]["stopped"]
    assert stopped.startswith("Buyers are not told whom to turn to")
    assert keeper.client.delete(f"{WEB}/planned-edition").status_code == 204
    assert keeper.get(f"{WEB}/publication")["planned"] is None
    assert keeper.client.delete(f"{WEB}/planned-edition").status_code == 404


@pytest.mark.parametrize(
    ("at", "code"), [("2020-01-01T00:00:00Z", "planned-past"), ("tomorrow", None), ("2027-01-01T00:00:00", None)]
)
def test_a_moment_that_is_past_or_is_none_is_refused(keeper: Shopkeeper, at: str, code: str | None) -> None:
    keeper.settings("card", name="Bank card")
    answer = keeper.client.put(
        f"{WEB}/planned-edition", json={"fingerprint": fingerprint(keeper), "at": at, "note": ""}
    )
    assert answer.status_code in (409, 422)
    assert keeper.fault(answer)[2] == "at"
    assert code is None or keeper.fault(answer)[1] == code
    old = keeper.client.put(
        f"{WEB}/planned-edition", json={"fingerprint": "other", "at": "2030-01-01T00:00:00Z", "note": ""}
    )
    assert keeper.fault(old)[1] == "shown-old"
    assert keeper.get(f"{WEB}/publication")["planned"] is None


def test_what_breaks_off_while_it_is_published_leaves_it_planned(
    keeper: Shopkeeper, monkeypatch: pytest.MonkeyPatch
) -> None:
    keeper.settings("card", name="Bank card")
    planned_for(keeper, hours=1)
    keeper.running.clock.wind(120)
    store = keeper.running.store
    with monkeypatch.context() as broken:
        broken.setattr(type(store.editions), "add", lambda *given, **more: 1 / 0)
        with pytest.raises(ZeroDivisionError):
            publishing.publish_due(Context.of(store, Actor.CLOCK, keeper.running.clock.now()))
    assert (len(editions(keeper)), store.planned.of("web-shop") is not None) == (1, True)
    keeper.running.beat()
    assert (len(editions(keeper)), store.planned.of("web-shop")) == (2, None)


def test_in_live_mode_nothing_that_is_not_ready_is_published(keeper: Shopkeeper) -> None:
    store = keeper.running.store
    held = store.checkouts.read("web-shop")
    assert held is not None
    store.checkouts.save(held.value.model_copy(update={"mode": Mode.LIVE}), held.version)
    answer = keeper.client.post(f"{WEB}/editions", json={"fingerprint": fingerprint(keeper)})
    assert keeper.fault(answer) == (409, "not-ready", "storefront")
    assert len(editions(keeper)) == 1


def test_a_moment_is_told_in_universal_time(keeper: Shopkeeper) -> None:
    keeper.settings("card", name="Bank card")
    body = {"fingerprint": fingerprint(keeper), "at": "2027-03-01T09:00:00+02:00", "note": ""}
    at = keeper.client.put(f"{WEB}/planned-edition", json=body).json()["at"]
    assert datetime.fromisoformat(at) == datetime.fromisoformat("2027-03-01T07:00:00+00:00")
