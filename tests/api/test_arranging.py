"""A draft arranged by the server: one tender changed, moved, put back; conditions shared and written in."""

from typing import Any

import pytest

from tests.api.shopkeeper import BOAT, DESK, Shopkeeper

PORTUGAL = {"fact": "country", "only": ["PT"]}


@pytest.fixture
def headed(keeper: Shopkeeper) -> Shopkeeper:
    """Bank transfer and cash stand under *Later*, online banking under *Now*; the draft is stored out of place."""
    held = keeper.get(DESK)
    under = {"bank-transfer": "later", "cash-on-the-day": "later", "online-banking": "now"}
    tenders = [{**one, "heading": under.get(one["id"])} for one in held["tenders"]]
    headings = [{"id": "now", "name": {"en": "Now"}}, {"id": "later", "name": {"en": "Later"}}]
    save(keeper, tenders=tenders, headings=headings)
    return keeper


def save(keeper: Shopkeeper, **parts: Any) -> None:
    held = keeper.get(DESK)
    body = {"version": held["version"], "tenders": held["tenders"], **parts}
    answer = keeper.client.put(DESK, json=body)
    assert answer.status_code == 200, answer.text


def names(keeper: Shopkeeper) -> list[str]:
    return [one["id"] for one in keeper.get(DESK)["tenders"]]


def act(keeper: Shopkeeper, what: str, status: int = 200, **asked: Any) -> Any:
    return keeper.post(f"{DESK}/{what}", {"version": keeper.get(DESK)["version"], **asked}, status)


def tender(keeper: Shopkeeper, id: str) -> Any:
    return next(one for one in keeper.get(DESK)["tenders"] if one["id"] == id)


def test_the_draft_is_in_the_sequence_in_which_buyers_meet_it(headed: Shopkeeper) -> None:
    """One rule: those without a heading first, then heading by heading, at the desk, for buyers and on the sheet."""
    own = names(headed)
    assert own[-3:] == ["online-banking", "bank-transfer", "cash-on-the-day"]
    offered = [one["tender"] for one in headed.get(f"{DESK}/view", **BOAT)["offered"]]
    assert offered == [id for id in own if id in offered]
    page = headed.client.get(f"{DESK}/set-up-sheet").text
    on = [one["name"] for one in headed.get(DESK)["tenders"] if one["on"]]
    places = [page.index(f">{name}<") if f">{name}<" in page else page.index(name) for name in on]
    assert places == sorted(places)


def test_one_tender_is_saved_and_comes_back_alone(keeper: Shopkeeper) -> None:
    held = keeper.get(DESK)
    card = tender(keeper, "card")
    changed = {**card, "windows": [{"up_to": "100.00 EUR"}]}
    body = {"version": held["version"], "tender": changed}
    answer = keeper.client.put(f"{DESK}/tenders/card", json=body)
    assert answer.status_code == 200
    told = answer.json()
    assert set(told) == {"mode", "version", "storefront", "tender", "back", "again"}
    assert (told["version"], told["tender"]["windows"][0]["up_to"]) == (held["version"] + 1, "100.00 EUR")
    assert tender(keeper, "card") == told["tender"]
    others = [one for one in keeper.get(DESK)["tenders"] if one["id"] != "card"]
    assert others == [one for one in held["tenders"] if one["id"] != "card"]
    # Over an older version, under another id, and of a tender that is not there it is refused.
    assert keeper.fault(keeper.client.put(f"{DESK}/tenders/card", json=body))[:2] == (409, "version-old")
    body["version"] += 1
    other = keeper.client.put(f"{DESK}/tenders/instalments", json=body)
    assert keeper.fault(other) == (422, "not-one-of", "tender.id")
    gone = {**body, "tender": {**changed, "id": "gone", "name": "Gone", "names": {}}}
    assert keeper.fault(keeper.client.put(f"{DESK}/tenders/gone", json=gone)) == (404, "not-found", "tender")


def test_a_tender_moves_to_the_place_and_under_the_heading_of_another(headed: Shopkeeper) -> None:
    before = names(headed)
    act(headed, "moves", tender="card", over="bank-transfer")
    assert tender(headed, "card")["heading"] == "later"
    after = names(headed)
    assert after.index("card") == after.index("bank-transfer") + 1
    act(headed, "moves", tender="card", over=before[1])
    assert tender(headed, "card")["heading"] is None
    assert names(headed) == before
    for asked in ({"tender": "none", "over": "card"}, {"tender": "card", "over": "none"}):
        body = {"version": headed.get(DESK)["version"], **asked}
        assert headed.fault(headed.client.post(f"{DESK}/moves", json=body)) == (404, "not-found", "tender")


def test_a_tender_moves_place_by_place_and_stays_at_the_ends(headed: Shopkeeper) -> None:
    before = names(headed)
    for _ in range(len(before) + 2):
        act(headed, "moves-by", tender="cash-on-the-day", by=-1)
    assert names(headed)[0] == "cash-on-the-day"
    assert tender(headed, "cash-on-the-day")["heading"] is None
    act(headed, "moves-by", tender="cash-on-the-day", by=1000)
    assert names(headed)[-1] == "cash-on-the-day"
    # Under the heading of the one that stood there.
    assert tender(headed, "cash-on-the-day")["heading"] == "later"


def test_a_tender_that_was_removed_comes_back_without_what_is_gone_since(headed: Shopkeeper) -> None:
    removed, before = tender(headed, "bank-transfer"), names(headed)
    place = before.index("bank-transfer")
    left = [one for one in headed.get(DESK)["tenders"] if one["id"] != "bank-transfer"]
    save(headed, tenders=left)
    act(headed, "put-back", tender=removed, place=place)
    assert names(headed) == before
    # Its heading is taken away meanwhile.
    left = [{**one, "heading": None} for one in left]
    save(headed, tenders=left, headings=[])
    act(headed, "put-back", tender={**removed, "shared": ["gone"]}, place=place)
    again = tender(headed, "bank-transfer")
    assert (again["heading"], again["shared"]) == (None, [])


def test_conditions_are_shared_and_written_in(keeper: Shopkeeper) -> None:
    keeper.settings("card", conditions=[PORTUGAL])
    made = act(keeper, "sets", 201, tender="card", name="At home")
    [shared] = made["shared_conditions"]
    assert (shared["name"], [one["only"] for one in shared["conditions"]]) == ("At home", [["PT"]])
    assert (tender(keeper, "card")["conditions"], tender(keeper, "card")["shared"]) == ([], [shared["id"]])
    keeper.settings("instalments", shared=[shared["id"]])
    # Written into one of its users, it stays for the other.
    act(keeper, f"sets/{shared['id']}/write-in", tender="card")
    assert tender(keeper, "card")["conditions"][0]["only"] == ["PT"]
    assert keeper.get(DESK)["shared_conditions"]
    act(keeper, f"sets/{shared['id']}/write-in")
    assert tender(keeper, "instalments")["conditions"][0]["only"] == ["PT"]
    assert keeper.get(DESK)["shared_conditions"] == []
    # Nothing to share, and no such set.
    body = {"version": keeper.get(DESK)["version"], "tender": "bank-transfer", "name": "Nothing"}
    assert keeper.fault(keeper.client.post(f"{DESK}/sets", json=body))[:2] == (422, "list-empty")
    gone = keeper.client.post(f"{DESK}/sets/none/write-in", json={"version": body["version"]})
    assert keeper.fault(gone) == (404, "not-found", "set")
