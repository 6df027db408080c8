"""The list of what stands between a checkout and real buyers: each item met, told, and ended.

Its codes are found from the core, so that a new one cannot be left without a sentence, a page and a test.
"""

from collections.abc import Callable
from typing import Any

import pytest
from fastapi.testclient import TestClient

from monedero.api.app import PAGES
from monedero.api.desk.door import COOKIE
from monedero.core.account import Account, MethodStanding, Mode, Stage, Standing
from monedero.core.money import Money
from monedero.core.ready import FORBIDS, ReadyCode, ReadyItem, Weight
from monedero.core.rehearsal.evidence import DifferenceKept, Evidence
from monedero.core.rehearsal.expected import What
from monedero.server.held_elsewhere import hold_elsewhere
from monedero.store.exchanges import Exchange
from monedero.store.rehearsals import KeptEvidence
from monedero.wording.catalogue import has
from monedero.wording.ready import PLACES
from monedero.work.accounts.elsewhere import HeldElsewhere
from monedero.work.accounts.gateways import Access, access_name
from monedero.work.context import Actor, Context
from monedero.work.rehearsal.plan import planned_cases
from tests.api.shopkeeper import Shopkeeper

READY = "/api/checkouts/web-shop/ready"
# Every method of the demo's Orlenta.
ORLENTA = "orlenta"


def items(keeper: Shopkeeper) -> list[Any]:
    found: list[Any] = keeper.get(READY)["items"]
    return found


def of(keeper: Shopkeeper, code: ReadyCode) -> list[Any]:
    return [item for item in items(keeper) if item["code"] == code.value]


def business(keeper: Shopkeeper, **changed: Any) -> None:
    held = keeper.get("/api/business")
    body = {"version": held["version"], "business": {**held["business"], **changed}}
    answer = keeper.client.put("/api/business", json=body)
    assert answer.status_code == 200, answer.text


def shop(keeper: Shopkeeper, **changed: Any) -> None:
    held = keeper.get("/api/shop")
    body = {"version": held["version"], "shop": {**held["shop"], **changed}, "unless_taking": False}
    answer = keeper.client.put("/api/shop", json=body)
    assert answer.status_code == 200, answer.text


def arrangements(keeper: Shopkeeper, **changed: Any) -> None:
    shop(keeper, arrangements={**keeper.get("/api/shop")["shop"]["arrangements"], **changed})


def live(keeper: Shopkeeper, **changed: Any) -> Account:
    """Orlenta takes real money, with an account that is held elsewhere unless it is changed."""
    told = HeldElsewhere(methods=["card"])
    account = hold_elsewhere(keeper.running, ORLENTA, Mode.LIVE, told)
    changed_account = account.model_copy(update=changed)
    keeper.running.store.accounts.put(changed_account)
    return changed_account


def all_off(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/checkouts/web-shop")
    body = {"version": held["version"], "tenders": [{**each, "on": False} for each in held["tenders"]]}
    assert keeper.client.put("/api/checkouts/web-shop", json=body).status_code == 200


def one_access(keeper: Shopkeeper) -> None:
    live(keeper, elsewhere=False)
    sealed = keeper.running.store.sealed
    test = sealed.get(access_name(ORLENTA, Mode.TEST), Access)
    assert test is not None
    sealed.put(access_name(ORLENTA, Mode.LIVE), test)


def excluded(keeper: Shopkeeper) -> None:
    providers = keeper.running.store.providers
    providers.put(providers.all()[ORLENTA].model_copy(update={"excludes": ["brixavo"]}))
    live(keeper)
    account = Account(provider="brixavo", mode=Mode.LIVE, stage=Stage.IN_REVIEW, active_methods=[])
    keeper.running.store.accounts.put(account)


def domain_wanted(keeper: Shopkeeper) -> None:
    live(
        keeper,
        elsewhere=False,
        active_methods=[],
        other_methods=[MethodStanding(method="card", standing=Standing.NEEDS_DOMAIN)],
    )


def in_dutch(keeper: Shopkeeper) -> None:
    shop(keeper, languages=[*keeper.get("/api/shop")["shop"]["languages"], "nl"])


def only_cash(keeper: Shopkeeper) -> None:
    held = keeper.get("/api/checkouts/web-shop")
    cash = [{**each, "on": each["id"] == "cash-on-the-day"} for each in held["tenders"]]
    assert keeper.client.put(
        "/api/checkouts/web-shop", json={"version": held["version"], "tenders": cash}
    ).is_success


def rehearsed(keeper: Shopkeeper, fingerprint: str = "", *, passed: bool = True) -> None:
    """One case of the card was played, of the draft as it is or of another."""
    context = Context.of(keeper.running.store, Actor.OWNER, keeper.running.clock.now(), "web-shop")
    planned = next(each for each in planned_cases(context) if each.case.id == "card paid once")
    differs = [] if passed else [DifferenceKept(what=What.FEE, expected="1.53 EUR", came="1.54 EUR")]
    evidence = Evidence(at=context.now, line="Night boat tour", ordered=Money(8500, "EUR"), differences=differs)
    kept = KeptEvidence(fingerprint or planned.fingerprint, evidence)
    keeper.running.store.rehearsals.put("web-shop", {planned.case.id: kept})


def forged(keeper: Shopkeeper) -> None:
    """The newest notification of a live account was refused."""
    account = live(keeper, elsewhere=False)
    refused = Exchange(
        account=account.id,
        mode=Mode.LIVE,
        at=keeper.running.clock.now(),
        incoming=True,
        what="payment.moved",
        verdict="refused",
    )
    keeper.running.store.exchanges.add(refused)


MAKES: dict[ReadyCode, Callable[[Shopkeeper], object]] = {
    ReadyCode.NOTHING_ON: all_off,
    ReadyCode.DEAD_END: only_cash,
    ReadyCode.NO_DETAILS: lambda keeper: arrangements(keeper, accounts=[]),
    ReadyCode.ACCOUNT_NOT_LIVE: lambda keeper: None,
    ReadyCode.METHOD_NOT_ACTIVE: lambda keeper: live(keeper, active_methods=["sepa-direct-debit"]),
    ReadyCode.DOMAIN_NOT_PROVEN: domain_wanted,
    ReadyCode.TEST_ACCESS: one_access,
    ReadyCode.EXCLUDED_PAIR: excluded,
    ReadyCode.FEE_FORBIDDEN: lambda keeper: keeper.settings("card", fee={"fixed": "1.00 EUR"}),
    ReadyCode.COUNTRY_FORBIDDEN: lambda keeper: keeper.settings(
        "card", conditions=[{"fact": "country", "not": ["ES"]}]
    ),
    ReadyCode.NO_CONTACT: lambda keeper: business(keeper, email=""),
    ReadyCode.FEE_OVER_COST: lambda keeper: keeper.settings("bank-transfer", fee={"fixed": "5.00 EUR"}),
    ReadyCode.FEE_LIMITED: lambda keeper: keeper.settings("instalments", fee={"fixed": "1.00 EUR"}),
    ReadyCode.LAW_UNKNOWN: lambda keeper: keeper.settings("instalments", fee={"fixed": "1.00 EUR"}),
    ReadyCode.DETAILS_IN_PART: lambda keeper: None,
    ReadyCode.NO_NOTIFICATIONS: lambda keeper: live(keeper, elsewhere=False),
    ReadyCode.SINGLE_WAY: lambda keeper: None,
    ReadyCode.UNREACHABLE: lambda keeper: None,
    ReadyCode.WORDS_MISSING: lambda keeper: None,
    ReadyCode.LANGUAGE_NOT_READY: in_dutch,
    ReadyCode.NO_POLICY: lambda keeper: business(keeper, facts=[]),
    ReadyCode.LINES_NOT_LISTED: lambda keeper: business(keeper, facts=[]),
    ReadyCode.NOTIFICATIONS_FAIL: forged,
    ReadyCode.REHEARSAL_FAILED: lambda keeper: rehearsed(keeper, passed=False),
    ReadyCode.REHEARSAL_STALE: lambda keeper: rehearsed(keeper, fingerprint="of something else"),
    ReadyCode.NOT_REHEARSED: lambda keeper: None,
    ReadyCode.KEY_COPY: lambda keeper: None,
}


@pytest.mark.parametrize("code", MAKES)
def test_each_thing_in_the_way_is_met_and_says_where_it_is_ended(keeper: Shopkeeper, code: ReadyCode) -> None:
    MAKES[code](keeper)
    found = of(keeper, code)
    assert found, [item["code"] for item in items(keeper)]
    for item in found:
        assert item["weight"] == (Weight.FORBIDS if code in FORBIDS else Weight.WARNS)
        assert item["text"].endswith(".")
        assert "{" not in item["text"]
        assert item["act"]
        if item["to"]:
            assert keeper.client.get(item["to"]).status_code == 200
    told = [item["weight"] for item in items(keeper)]
    assert told == sorted(told), "what forbids comes first"


def test_every_code_is_met_by_a_test() -> None:
    assert set(MAKES) == set(ReadyCode)


@pytest.mark.parametrize("code", ReadyCode)
def test_every_code_has_a_sentence_an_act_and_a_place(code: ReadyCode) -> None:
    assert has(f"ready-{code.value}")
    assert code in PLACES
    place = PLACES[code].partition("?")[0].partition("{")[0].rstrip("/")
    assert not place or any(page.startswith(place) for page in PAGES)


def test_a_live_account_takes_its_item_away(keeper: Shopkeeper) -> None:
    assert ORLENTA in [item["about"] for item in of(keeper, ReadyCode.ACCOUNT_NOT_LIVE)]
    live(keeper)
    assert ORLENTA not in [item["about"] for item in of(keeper, ReadyCode.ACCOUNT_NOT_LIVE)]


def test_a_warning_is_accepted_with_a_reason_until_it_is_another_one(keeper: Shopkeeper) -> None:
    [item] = of(keeper, ReadyCode.SINGLE_WAY)
    warns = keeper.get(READY)["warns"]
    after = keeper.post(f"{READY}/acceptances", {"id": item["id"], "reason": "small orders"}, 200)
    assert after["warns"] == warns - 1
    [kept] = of(keeper, ReadyCode.SINGLE_WAY)
    assert (kept["accepted"]["reason"], kept["accepted"]["actor"]) == ("small orders", "owner")
    # Another count is another warning.
    keeper.settings("cash-on-the-day", on=False)
    [other] = of(keeper, ReadyCode.SINGLE_WAY)
    assert (other["accepted"], other["id"] != item["id"]) == (None, True)
    keeper.settings("cash-on-the-day", on=True)
    assert keeper.client.delete(f"{READY}/acceptances/{item['id']}").json()["warns"] == warns


@pytest.mark.parametrize("reason", ["", "   "])
def test_a_reason_is_needed_and_what_forbids_cannot_be_accepted(keeper: Shopkeeper, reason: str) -> None:
    [warning] = of(keeper, ReadyCode.SINGLE_WAY)
    blank = keeper.client.post(f"{READY}/acceptances", json={"id": warning["id"], "reason": reason})
    assert keeper.fault(blank)[2] == "reason"
    forbids = of(keeper, ReadyCode.ACCOUNT_NOT_LIVE)[0]
    refused = keeper.client.post(f"{READY}/acceptances", json={"id": forbids["id"], "reason": "later"})
    assert keeper.fault(refused) == (409, "cannot-accept", "item")
    gone = keeper.client.post(f"{READY}/acceptances", json={"id": "none", "reason": "later"})
    assert gone.status_code == 404
    assert keeper.client.delete(f"{READY}/acceptances/none").status_code == 404
    assert not any(item["accepted"] for item in items(keeper))


def test_an_item_is_known_by_all_that_is_in_it() -> None:
    one = ReadyItem(ReadyCode.WORDS_MISSING, "pt", {"count": 1})
    others = [
        ReadyItem(ReadyCode.WORDS_MISSING, "de", {"count": 1}),
        ReadyItem(ReadyCode.WORDS_MISSING, "pt", {"count": 2}),
        ReadyItem(ReadyCode.FEE_LIMITED, "pt", {"count": 1}),
        ReadyItem(ReadyCode.WORDS_MISSING, "pt", {"count": 1}, "a rule"),
    ]
    assert len({item.id for item in (one, *others)}) == 5


def test_a_shop_that_is_not_described_has_no_list(client: TestClient) -> None:
    client.cookies.set(COOKIE, "own")
    assert client.get(READY).status_code == 409
