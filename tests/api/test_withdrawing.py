"""Leaving an application, and going on with it later."""

from urllib.parse import parse_qs, urlsplit

from tests.api.shopkeeper import Shopkeeper


def test_an_application_is_withdrawn_and_goes_on_where_it_was(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/mirabou/begin", {"mode": "live"}, 201)
    keeper.post("/api/accounts/mirabou/terms", None, 200, mode="live")
    excluded = keeper.client.post("/api/accounts/quayling/begin", json={"mode": "live"})
    assert keeper.fault(excluded)[:2] == (409, "excluded")
    assert keeper.post("/api/accounts/mirabou/withdraw", None, 200, mode="live")["stage"] == "withdrawn"
    assert keeper.get("/api/accounts/mirabou", mode="live")["accounts"] == []
    keeper.post("/api/accounts/quayling/begin", {"mode": "live"}, 201)
    keeper.post("/api/accounts/quayling/withdraw", None, 200, mode="live")
    again = keeper.post("/api/accounts/mirabou/begin", {"mode": "live"}, 201)
    assert (again["stage"], again["application"]["terms_version"] is not None) == ("begun", True)
    connected = keeper.client.post("/api/accounts/orlenta/withdraw")
    assert keeper.fault(connected)[:2] == (409, "stage-not-fit")


def test_what_was_asked_about_a_withdrawn_application_is_asked_once(keeper: Shopkeeper) -> None:
    review = next(review for review in keeper.running.provider.reviews.all() if review.provider == "dovetide")
    keeper.office("dovetide", f"reviews/{review.reference}", verdict="ask", said="whose boat is it?", now=True)
    asked = keeper.get("/api/accounts/dovetide")["accounts"][0]
    assert asked["stage"] == "question"
    keeper.post("/api/accounts/dovetide/withdraw", None, 200)
    again = keeper.post("/api/accounts/dovetide/begin", {"mode": "test"}, 201)
    assert (again["stage"], [entry["said"] for entry in again["application"]["said"]]) == (
        "question",
        ["whose boat is it?"],
    )


def test_a_second_account_is_withdrawn_and_its_name_takes_it_up_again(keeper: Shopkeeper) -> None:
    second = {"mode": "test", "name": "Summer stall"}
    assert keeper.post("/api/accounts/orlenta/begin", second, 201)["id"] == "orlenta-2"
    keeper.post("/api/accounts/orlenta-2/withdraw", None, 200)
    assert [held["id"] for held in keeper.get("/api/accounts/orlenta")["accounts"]] == ["orlenta"]
    assert keeper.post("/api/accounts/orlenta/begin", second, 201)["id"] == "orlenta-2"
    taken = keeper.client.post("/api/accounts/orlenta/begin", json=second)
    assert keeper.fault(taken)[:2] == (409, "account-held")


def test_a_connection_that_was_begun_for_what_is_left_does_not_come_about(keeper: Shopkeeper) -> None:
    keeper.post("/api/accounts/orlenta/begin", {"mode": "live"}, 201)
    go_to = keeper.post("/api/accounts/orlenta/sign-in", None, 200, mode="live")["go_to"]
    keeper.post("/api/accounts/orlenta/withdraw", None, 200, mode="live")
    state = parse_qs(urlsplit(go_to).query)["state"][0]
    came_back = keeper.client.get(f"/accounts/connected?state={state}&code=x", follow_redirects=False)
    assert came_back.headers["location"] == "/accounts?refused=stage-not-fit"
    assert keeper.fault(keeper.client.post("/api/accounts/orlenta/disconnect?mode=live"))[:2] == (
        409,
        "stage-not-fit",
    )
