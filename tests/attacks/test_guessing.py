"""A guesser of vouchers is known by what the server sees, not by what a browser says of itself."""

import signal
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import httpx2
import pytest

from tests.api.shopkeeper import Shopkeeper
from tests.work.orders.test_killed import served

WRONG = "AAAA-AAAA-AAAA-AAAA-AAAA-AAAA"


def answered(client: httpx2.Client, said: str) -> str:
    """Tells what a new browser that says it asks from an address is told of a wrong code."""
    client.cookies.clear()
    asked = {"code": WRONG, "currency": "EUR", "language": "en"}
    answer = client.post(
        "/api/shops/demo/offer/vouchers",
        json=asked,
        headers={"X-Forwarded-For": said, "Cookie": "monedero_shop=demo"},
    )
    return str(answer.json()["errors"][0]["code"])


@pytest.mark.parametrize(
    ("more", "told"),
    [
        ((), "voucher-held-off"),
        (("--behind-proxy", "10.0.0.1"), "voucher-held-off"),
        (("--behind-proxy", "127.0.0.1"), "voucher-unknown"),
    ],
)
def test_an_address_that_is_forwarded_is_believed_from_a_named_proxy_alone(
    tmp_path: Path, more: tuple[str, ...], told: str
) -> None:
    with served(tmp_path / "data", signal.SIGTERM, *more) as client:
        heard = [answered(client, f"203.0.113.{number}") for number in range(51)]
    assert heard == ["voucher-unknown"] * 50 + [told]


def test_wrong_codes_of_one_buyer_hold_off_that_buyer_alone(keeper: Shopkeeper) -> None:
    code = keeper.post("/api/vouchers", {"amount": "10 EUR"})["code"]
    asked = {"code": code, "currency": "EUR", "language": "en"}
    for _ in range(5):
        assert (
            keeper.client.post("/api/shops/demo/offer/vouchers", json={**asked, "code": WRONG}).status_code == 422
        )
    assert keeper.client.post("/api/shops/demo/offer/vouchers", json=asked).status_code == 409
    keeper.client.cookies.delete("monedero_buyer")
    assert keeper.client.post("/api/shops/demo/offer/vouchers", json=asked).status_code == 200


def test_as_many_at_once_as_one_after_the_other(keeper: Shopkeeper) -> None:
    asked = {"code": WRONG, "currency": "EUR", "language": "en"}
    keeper.client.post("/api/shops/demo/offer/vouchers", json=asked)
    with ThreadPoolExecutor(8) as guessing:
        answers = list(
            guessing.map(
                lambda _: keeper.client.post("/api/shops/demo/offer/vouchers", json=asked).status_code, range(16)
            )
        )
    assert sorted(answers) == [409] * 12 + [422] * 4


def test_what_was_tried_wrong_is_forgotten_after_a_while(keeper: Shopkeeper) -> None:
    asked = {"code": WRONG, "currency": "EUR", "language": "en"}
    began = keeper.running.clock.now()
    for _ in range(2):
        keeper.client.post("/api/shops/demo/offer/vouchers", json=asked)
        keeper.wind(minutes=16)
    from_here = keeper.running.store.vouchers.wrong_since("address testclient", began)
    assert len(from_here) == 1
