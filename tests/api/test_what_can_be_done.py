"""The server says what an account can be done with, and does just that."""

import pytest

from monedero.core.account import CAN, Act, Mode, Stage
from tests.api.shopkeeper import BOAT, Shopkeeper

ASKED = {
    Act.EDIT: ("POST", "/terms"),
    Act.WITHDRAW: ("POST", "/withdraw"),
    Act.DISCONNECT: ("POST", "/disconnect"),
    Act.RECONNECT: ("POST", "/reconnect"),
    Act.CONNECT: ("POST", "/sign-in"),
    Act.TAKE_AWAY: ("DELETE", ""),
}


@pytest.mark.parametrize("stage", Stage)
def test_each_act_is_refused_exactly_where_it_is_not_said(keeper: Shopkeeper, stage: Stage) -> None:
    """The interface had its own list, which differed already: an account that is asked something can be connected."""
    accounts = keeper.running.store.accounts
    # A provider whose account is connected by signing in there.
    [signed_in] = [
        facts.id for facts in keeper.running.store.providers.all().values() if facts.connects.value == "sign-in"
    ][:1]
    held = accounts.get(signed_in, Mode.TEST)
    assert held
    for act, (method, path) in ASKED.items():
        accounts.put(held.model_copy(update={"stage": stage}))
        said = [name.value for name in Act if stage in CAN[name]]
        # The sheet shows accounts from the moment they are begun until they are withdrawn.
        shown = keeper.get(f"/api/accounts/{signed_in}")["accounts"]
        assert [account["can"] for account in shown] == ([said] if shown else [])
        answer = keeper.client.request(method, f"/api/accounts/{signed_in}{path}")
        unfit = answer.status_code == 409 and keeper.fault(answer)[1] == "stage-not-fit"
        assert unfit is (act.value not in said), (act, answer.text)


def test_a_route_says_whether_an_application_can_begin(keeper: Shopkeeper) -> None:
    can = {
        entry["route"]["provider_name"]: entry["route"]["can_begin"]
        for entry in keeper.get("/api/compare", **BOAT)["ranked"]
    }
    assert (can["Orlenta"], can["Brixavo"], can[""]) == (False, False, False)
    accounts = keeper.running.store.accounts
    held = accounts.get("orlenta", Mode.TEST)
    assert held
    accounts.put(held.model_copy(update={"stage": Stage.LAPSED}))
    ranked = keeper.get("/api/compare", **BOAT)["ranked"]
    assert {entry["route"]["can_begin"] for entry in ranked if entry["route"]["provider_name"] == "Orlenta"} == {
        True
    }
