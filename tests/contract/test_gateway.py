"""The gateway contract: the simulated provider keeps it, the example keeps it, and so must whatever takes their place.

With `MONEDERO_GATEWAY` set to an address and `MONEDERO_GATEWAY_FIELDS` to its credentials as JSON, the gateway there is
held to it as well (`make contract`).
"""

import http.server
import importlib.util
import json
import os
import re
import secrets
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, get_args

import httpx2
import pytest
from fastapi import FastAPI

from monedero.core.account import Mode
from monedero.demo import providers, rate_cards
from monedero.formats import webhook
from monedero.formats.gateway import (
    Connection,
    ConnectionAsked,
    EndpointAsked,
    Notification,
    PaymentAsked,
    PaymentHeld,
)
from monedero.standins.letterbox import Letterbox
from monedero.standins.memory import OutsideMemory
from monedero.standins.provider.contract import Played, contract_app
from monedero.standins.provider.merchants import Holder
from monedero.standins.provider.pages import provider_pages
from monedero.standins.provider.program import SimulatedProvider
from monedero.standins.provider.world import World
from monedero.wording.exchanges import exchange_text
from tests.conftest import browser_of

ROOT = Path(__file__).parent.parent.parent
DOCUMENT = ROOT / "docs" / "gateway.md"


class Ear:
    """An endpoint that keeps what it is told, and answers as it is set to."""

    def __init__(self) -> None:
        self.heard: list[tuple[dict[str, str], bytes]] = []
        self.status = 200
        ear = self

        class Handler(http.server.BaseHTTPRequestHandler):
            def do_POST(self) -> None:
                body = self.rfile.read(int(self.headers["content-length"]))
                ear.heard.append(({name.lower(): text for name, text in self.headers.items()}, body))
                self.send_response(ear.status)
                self.end_headers()

            def log_message(self, *_: Any) -> None:
                pass

        self.server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Handler)
        self.url = f"http://127.0.0.1:{self.server.server_address[1]}/notify"
        threading.Thread(target=self.server.serve_forever, daemon=True).start()


@pytest.fixture
def ear() -> Iterator[Ear]:
    ear = Ear()
    yield ear
    ear.server.shutdown()
    ear.server.server_close()


class Versioned:
    """A gateway that is held to the contract, with an account that is opened."""

    def __init__(self, client: Any, base: str, fields: dict[str, str], carry: Any) -> None:
        self.client, self.base, self.fields, self.carry = client, base, fields, carry
        answer = self.connect(fields)
        assert answer.status_code == 200, answer.text
        self.connection = Connection.model_validate_json(answer.content)

    def connect(self, fields: dict[str, str]) -> Any:
        body = ConnectionAsked(mode=Mode.TEST, fields=fields).model_dump(mode="json")
        return self.client.post(f"{self.base}/connection", json=body)

    def ask(
        self, method: str, path: str, body: Any = None, key: str | None = None, token: str | None = None
    ) -> Any:
        headers = {"authorization": f"Bearer {token or self.connection.access_token}"}
        if key is not None:
            headers["Idempotency-Key"] = key
        return self.client.request(method, f"{self.base}{path}", json=body, headers=headers)

    def key(self) -> str:
        """A key that was never used: a gateway remembers those of earlier runs too."""
        return f"key-of-a-test-{secrets.token_hex(8)}"

    def begin(self, take: str = "now", key: str | None = None, **changed: Any) -> PaymentHeld:
        answer = self.ask("POST", "/payments", asked(take, **changed), key or self.key())
        assert answer.status_code == 201, answer.text
        return PaymentHeld.model_validate_json(answer.content)

    def end(self, payment: PaymentHeld, ending: str) -> Any:
        return self.client.post(payment.page, data={"ending": ending}, follow_redirects=False)

    def told(self, payment: PaymentHeld) -> list[tuple[int, str, str]]:
        answer = self.ask("GET", f"/payments/{payment.reference}")
        held = PaymentHeld.model_validate_json(answer.content)
        return [(notice.sequence, notice.move.value, str(notice.amount or "")) for notice in held.told]


def asked(take: str, **changed: Any) -> dict[str, Any]:
    given = {
        "order": "token",
        "number": 1001,
        "payment": 1,
        "shop": "Cabo Noite",
        "amount": "85.00 EUR",
        "method": "card",
        "take": take,
        "line": "Night boat tour",
        "kind": "booking",
        "recurring": False,
        "country": "ES",
        "return_to": "/return",
        **changed,
    }
    return PaymentAsked.model_validate(given).model_dump(mode="json")


def post(url: str, headers: dict[str, str], body: bytes) -> int | None:
    request = urllib.request.Request(url, body, {"content-type": "application/json", **headers})
    try:
        with urllib.request.urlopen(request, timeout=5) as answer:
            return int(answer.status)
    except urllib.error.HTTPError as refused:
        return refused.code


def simulated(folder: Path) -> Versioned:
    memory = OutsideMemory(folder / "outside.sqlite")

    def now() -> datetime:
        return datetime.now(UTC)

    facts = {entry.id: entry for entry in providers()}
    cards = {card.provider.id: card for card in rate_cards()}
    world = World(memory, Letterbox(memory, now), facts, cards, now, "/pages/room", 1)
    provider = SimulatedProvider(world, post)
    merchant = provider.merchants.open("tessaline", Mode.TEST, Holder("Cabo Noite", "owner@shop.example", "PT"))
    app = FastAPI()
    app.mount("/contract", contract_app(lambda running: Played(provider, lambda path: None)))
    app.mount("/pages", provider_pages(lambda running: provider))
    client = browser_of(app)
    return Versioned(
        client, "/contract/room/tessaline", merchant.credentials[0].fields, provider.courier.carry_all
    )


def example_module() -> Any:
    """The example, loaded anew."""
    spec = importlib.util.spec_from_file_location("own_gateway", ROOT / "docs" / "examples" / "own_gateway.py")
    assert spec is not None
    assert spec.loader is not None
    module = importlib.util.module_from_spec(spec)
    spec.loader.exec_module(module)
    return module


def example() -> Versioned:
    module = example_module()
    client = browser_of(module.app)
    return Versioned(client, "", {"key": module.KEY}, module.send)


OUTSIDE = os.environ.get("MONEDERO_GATEWAY")
# How long a gateway that runs somewhere else has to send its notifications, in seconds.
WAITED = 1.5


@pytest.fixture(params=["simulated", "example", *(["outside"] if OUTSIDE else [])])
def gateway(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Versioned]:
    if request.param == "simulated":
        yield simulated(tmp_path)
    elif request.param == "example":
        yield example()
    else:
        fields = json.loads(os.environ["MONEDERO_GATEWAY_FIELDS"])
        with httpx2.Client(base_url=OUTSIDE or "", trust_env=False) as client:
            yield Versioned(client, "", fields, lambda: time.sleep(WAITED))


def problem(answer: Any) -> Any:
    assert answer.headers["content-type"].startswith("application/problem+json")
    body = answer.json()
    assert body["status"] == answer.status_code
    return body


def test_an_account_opens_by_its_credentials_alone(gateway: Versioned) -> None:
    for wrong in ({}, dict.fromkeys(gateway.fields, "wrong")):
        answer = gateway.connect(wrong)
        assert answer.status_code == 422
        assert problem(answer)["errors"][0]["field"].startswith("fields.")
    assert gateway.ask("GET", "/account").json()["number"] == gateway.connection.account.number
    for path in ("/account", "/payments/nobody"):
        assert gateway.ask("GET", path, token="wrong").status_code == 401
    assert gateway.ask("GET", "/payments/nobody").status_code == 404


def test_a_payment_is_begun_once_under_its_key(gateway: Versioned) -> None:
    key = gateway.key()
    first = gateway.begin(key=key)
    assert gateway.begin(key=key).reference == first.reference
    assert gateway.begin().reference != first.reference
    other = gateway.ask("POST", "/payments", asked("now", amount="86.00 EUR"), key)
    assert (other.status_code, bool(problem(other)["errors"])) == (409, True)
    assert gateway.ask("POST", "/payments", asked("now")).status_code == 422  # without a key
    assert gateway.told(first) == []


def test_a_key_that_comes_twice_at_the_same_moment_is_done_once(gateway: Versioned) -> None:
    key = gateway.key()
    with ThreadPoolExecutor(8) as many:
        begun = list(many.map(lambda _: gateway.begin(key=key).reference, range(8)))
        payment = gateway.begin()
        gateway.end(payment, "paid")
        path, back = f"/payments/{payment.reference}/refund", gateway.key()
        refunded = list(many.map(lambda _: gateway.ask("POST", path, {"amount": "20.00 EUR"}, back), range(8)))
    assert len(set(begun)) == 1
    assert {answer.status_code for answer in refunded} == {200}
    assert gateway.told(payment) == [(1, "paid", "85.00 EUR"), (2, "refunded", "20.00 EUR")]


@pytest.mark.parametrize(
    ("take", "ending", "told"),
    [
        ("now", "paid", [(1, "paid", "85.00 EUR")]),
        ("later", "paid", [(1, "authorised", "85.00 EUR")]),
        ("now", "declined-money", [(1, "declined", "")]),
        ("now", "abandoned", [(1, "abandoned", "")]),
    ],
)
def test_the_buyer_ends_it_and_comes_back(
    gateway: Versioned, take: str, ending: str, told: list[tuple[int, str, str]]
) -> None:
    payment = gateway.begin(take)
    back = gateway.end(payment, ending)
    assert (back.status_code, back.headers["location"]) == (303, f"/return?payment={payment.reference}")
    assert gateway.told(payment) == told
    gateway.end(payment, "paid")
    assert gateway.told(payment) == told  # what is over stays as it is
    cancelled = gateway.ask("POST", f"/payments/{payment.reference}/cancel", None, gateway.key())
    assert (cancelled.status_code, gateway.told(payment)) == (200, told)


def test_money_goes_back_in_parts_each_once_and_never_more_than_there_is(gateway: Versioned) -> None:
    payment = gateway.begin()
    gateway.end(payment, "paid")
    path, key = f"/payments/{payment.reference}/refund", gateway.key()
    for _ in range(2):
        assert gateway.ask("POST", path, {"amount": "20.00 EUR"}, key).status_code == 200
    for wrong in ("65.01 EUR", "1.00 GBP"):
        refused = gateway.ask("POST", path, {"amount": wrong}, gateway.key())
        assert refused.status_code in (409, 422)
        assert problem(refused)
    assert gateway.ask("POST", path, {"amount": "65.00 EUR"}, gateway.key()).status_code == 200
    assert gateway.told(payment) == [
        (1, "paid", "85.00 EUR"),
        (2, "refunded", "20.00 EUR"),
        (3, "refunded", "65.00 EUR"),
    ]
    reused = gateway.ask("POST", path, {"amount": "1.00 EUR"}, key)
    assert reused.status_code == 409


def test_what_is_authorised_is_taken_in_parts_and_the_rest_released(gateway: Versioned) -> None:
    payment = gateway.begin("later")
    path = f"/payments/{payment.reference}"
    assert gateway.ask("POST", f"{path}/take", {"amount": "1.00 EUR"}, gateway.key()).status_code == 409
    gateway.end(payment, "paid")
    assert gateway.ask("POST", f"{path}/take", {"amount": "30.00 EUR"}, gateway.key()).status_code == 200
    assert gateway.ask("POST", f"{path}/take", {"amount": "55.01 EUR"}, gateway.key()).status_code == 409
    assert gateway.ask("POST", f"{path}/release", None, gateway.key()).status_code == 200
    assert gateway.ask("POST", f"{path}/release", None, gateway.key()).status_code == 409
    assert gateway.told(payment)[1:] == [(2, "taken", "30.00 EUR"), (3, "released", "55.00 EUR")]


def test_a_payment_that_is_open_is_cancelled_once(gateway: Versioned) -> None:
    payment, key = gateway.begin(), gateway.key()
    for _ in range(2):
        assert gateway.ask("POST", f"/payments/{payment.reference}/cancel", None, key).status_code == 200
    gateway.end(payment, "paid")
    assert gateway.told(payment) == [(1, "abandoned", "")]


def test_every_move_is_told_signed_and_again_until_it_is_taken(gateway: Versioned, ear: Ear) -> None:
    secret = webhook.new_secret()
    body = EndpointAsked(url=ear.url, secret=secret).model_dump()
    assert gateway.ask("PUT", "/endpoint", body).status_code == 204
    assert gateway.ask("POST", "/endpoint/check").status_code == 202
    payment = gateway.begin()
    ear.status = 500
    gateway.end(payment, "paid")
    ear.status = 200
    gateway.ask("POST", f"/payments/{payment.reference}/refund", {"amount": "5.00 EUR"}, gateway.key())
    gateway.carry()
    seen: dict[str, Notification] = {}
    for headers, text in ear.heard:
        message = webhook.verified([secret], headers, text, datetime.now(UTC))
        seen[message.id] = Notification.model_validate_json(text)
    notices = [told.notice for told in seen.values() if told.payment == payment.reference]
    assert sorted(notice.sequence for notice in notices if notice) == [1, 2]
    assert {told.type for told in seen.values()} == {"endpoint.checked", "payment.moved"}
    assert {told.account for told in seen.values()} == {gateway.connection.account.number}
    # A gateway that runs somewhere else may still have earlier payments to tell of.
    own = [told for told in ear.heard if payment.reference.encode() in told[1]]
    paid = [headers["webhook-id"] for headers, text in own if b'"sequence":1' in text.replace(b" ", b"")]
    assert len(paid) >= 2  # refused once, then told again
    assert len(set(paid)) == 1


def test_what_the_document_shows_is_what_is_read() -> None:
    blocks = [
        json.loads(block) for block in re.findall(r"```json\n(.*?)```", DOCUMENT.read_text("utf-8"), re.DOTALL)
    ]
    models = [ConnectionAsked, Connection, PaymentAsked, PaymentHeld, None, EndpointAsked, Notification]
    assert len(blocks) == len(models)
    for block, model in zip(blocks, models, strict=True):
        if model is not None:
            model.model_validate_json(json.dumps(block))


def test_everything_that_the_contract_has_is_told_in_words() -> None:
    def nobody(shop: str) -> Played:
        raise LookupError(shop)

    paths = contract_app(nobody).openapi()["paths"]
    asked = {
        f"{method.upper()} {re.sub(r'{(?!shop|name)[^}]+}', 'own-7', path).removeprefix('/{shop}/{name}')}"
        for path, methods in paths.items()
        for method in methods
    }
    assert "POST /payments/own-7/take" in asked
    words = {exchange_text(what, incoming=False, by_hand=False) for what in asked}
    assert not {text for text in words if "/" in text}
    assert len(words) == len(asked)
    for told in get_args(Notification.model_fields["type"].annotation):
        assert "." not in exchange_text(told, incoming=True, by_hand=False)
    assert exchange_text("GET /elsewhere", incoming=False, by_hand=False) == "GET /elsewhere"
