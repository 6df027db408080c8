"""Tests what an attack on addresses, headers, files and starts found: each smallest case, as it is now."""

import json
import os
import re
import signal
import socket
import stat
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import httpx2
import pytest
from fastapi.testclient import TestClient
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.account import Mode
from monedero.core.errors import Conflict, FaultCode, InvalidInput
from monedero.demo import paper
from monedero.formats.cells import plain, safe
from monedero.formats.gateway import PaymentHeld
from monedero.server.lock import FolderLock
from monedero.server.shops import RunningShop, Shops
from monedero.store import Store
from monedero.store.exchanges import Exchange
from monedero.work.accounts import gateway as asking
from monedero.work.accounts.gateway import Gateway, Wire
from monedero.work.accounts.hosts import LOOPBACK, Hosts
from tests.api.shopkeeper import BOAT
from tests.conftest import NOW, Hours
from tests.core.test_application import DRESSES, longer
from tests.properties import RUN
from tests.work.orders.test_killed import served

NUMBER = longer("7992739871")


# A gateway's pages, and where it lies.
@pytest.mark.parametrize(
    "page",
    [
        "javascript:alert(1)",
        "JAVASCRIPT:alert(1)",
        "data:text/html,x",
        "//evil.example/pay",
        "/\\evil",
        "http:///x",
        "pay",
    ],
)
def test_a_page_that_could_run_as_script_is_no_page(page: str) -> None:
    with pytest.raises(ValueError, match="gateway-text"):
        PaymentHeld(reference="r", page=page, embedded=False, told=[])


@pytest.mark.parametrize("page", ["/pay/7", "https://till.example/pay?order=7"])
def test_a_page_over_http_or_of_the_gateways_own_is_one(page: str) -> None:
    assert PaymentHeld(reference="r", page=page, embedded=False, told=[]).page == page


@pytest.mark.parametrize(
    "address",
    [
        "http://127.0.0.1:8500",
        "http://localhost",
        "http://10.1.2.3",
        "http://192.168.0.1",
        "http://169.254.169.254",
        "http://[::1]:80",
        "http://[::ffff:10.1.2.3]",
        "http://[::10.1.2.3]",
        "http://[64:ff9b::10.1.2.3]",
        "http://[64:ff9b::a9fe:a9fe]",
        "http://[2002:c0a8:1::1]",
        "http://[2002:7f00:1::1]",
        "http://[2001:0:a01:203::f5fe:fdfc]",
        "http://224.0.0.1",
        "http://[ff02::1]",
    ],
)
def test_a_gateway_lies_in_no_private_network_unless_it_is_allowed_by_name(
    address: str, client: TestClient
) -> None:
    with pytest.raises(InvalidInput) as refused:
        Hosts().check(address)
    assert refused.value.faults[0].code is FaultCode.GATEWAY_HOST
    Hosts([refused.value.faults[0].value]).check(address)


def test_a_public_address_may_be_asked_and_the_demo_asks_the_loopback(client: TestClient) -> None:
    for public in ("1.1.1.1", "[64:ff9b::1.1.1.1]", "[2002:101:101::1]", "[2606:4700:4700::1111]"):
        Hosts().check(f"https://{public}/till")
    Hosts(LOOPBACK).check("http://127.0.0.1:8500")
    new = {"name": "Till", "address": "http://10.0.0.7:8500", "parts": ["Key"]}
    refused = client.post("/api/gateways", json=new)
    assert (refused.status_code, refused.json()["errors"][0]["code"]) == (422, "gateway-host")
    assert "--allow-gateway 10.0.0.7" in refused.json()["detail"]
    assert client.post("/api/gateways", json={**new, "address": "http://a:b:c"}).status_code == 422


def wire(answer: httpx2.Response | Iterator[bytes]) -> Gateway:
    """A gateway that answers whatever is asked in one way."""

    def respond(request: httpx2.Request) -> httpx2.Response:
        return answer if isinstance(answer, httpx2.Response) else httpx2.Response(200, content=answer)

    client = httpx2.Client(transport=httpx2.MockTransport(respond))
    blank = Exchange(account="till", mode=Mode.TEST, at=NOW, incoming=False, what="", verdict="sent")
    return Gateway(Wire(client, "http://till.example", "till", blank, lambda exchange: None))


def test_an_answer_is_bounded_in_size_and_in_time(monkeypatch: pytest.MonkeyPatch) -> None:
    def endless() -> Iterator[bytes]:
        for _ in range(400):
            yield b" " * 1024 * 1024
        raise AssertionError("all of it was read")

    def dripping() -> Iterator[bytes]:
        while True:
            yield b" "
            time.sleep(0.05)

    with pytest.raises(Conflict, match="provider-silent"):
        wire(endless()).account()
    monkeypatch.setattr(asking, "SECONDS", 0.3)
    began = time.monotonic()
    with pytest.raises(Conflict, match="provider-silent"):
        wire(dripping()).account()
    assert time.monotonic() - began < 5


@pytest.mark.parametrize(
    ("answer", "code"),
    [
        (httpx2.Response(422, content=b'{"errors":' + b"[" * 200_000 + b"]" * 200_000 + b"}"), "provider-refused"),
        (httpx2.Response(200, content=b"[" * 200_000), "provider-silent"),
        (httpx2.Response(200, content=b"\xff\xfe"), "provider-silent"),
    ],
)
def test_an_answer_that_is_nested_too_deeply_or_no_json_is_answered(answer: httpx2.Response, code: str) -> None:
    with pytest.raises((Conflict, InvalidInput), match=code):
        wire(answer).account()


# The headers that browsers are told.
@pytest.mark.parametrize("path", ["/compare", "/api/shop", "/api/nowhere", "/assets/nothing.js"])
def test_every_answer_tells_browsers_what_a_page_may_do(client: TestClient, path: str) -> None:
    headers = client.get(path).headers
    assert "frame-ancestors 'none'" in headers["content-security-policy"]
    assert "script-src 'self';" in headers["content-security-policy"]
    assert headers["x-content-type-options"] == "nosniff"
    assert headers["referrer-policy"] == "same-origin"
    assert "permissions-policy" in headers
    assert headers["monedero-mode"] == "test"


def test_a_refusal_has_the_same_headers_and_a_payment_page_may_be_embedded_here(client: TestClient) -> None:
    foreign = client.post(
        "/api/checkouts/web-shop/editions", json={"fingerprint": ""}, headers={"origin": "http://evil.example"}
    )
    assert foreign.status_code == 403
    assert "frame-ancestors 'none'" in foreign.headers["content-security-policy"]
    stranger = client.get("/compare", headers={"host": "evil.example"})
    assert (stranger.status_code, stranger.headers["x-content-type-options"]) == (400, "nosniff")
    placed = client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"}).json()
    page = client.get(placed["go_to"])
    assert page.status_code == 200
    assert "frame-ancestors 'self'" in page.headers["content-security-policy"]


# Card numbers, at every way in.
def test_a_card_number_is_refused_wherever_it_stands(client: TestClient) -> None:
    ways = {
        "path": client.get(f"/api/accounts/{NUMBER}"),
        "query": client.get("/api/compare", params={**BOAT, "market": f"x{NUMBER}1228"}),
        "cookie": client.get("/api/shops/demo/offer", params=BOAT, headers={"cookie": f"monedero_buyer={NUMBER}"}),
        "key": client.post("/api/checkouts/web-shop/orders", json={}, headers={"idempotency-key": NUMBER}),
        "json": client.put("/api/shop", json={"version": 1, "shop": {"name": f"Lume {NUMBER} 12/28"}}),
        "name": client.put("/api/shop", json={"version": 1, "shop": {f"a{NUMBER}": "x"}}),
        "form": client.post("/api/papers", data={"kind": NUMBER}, files={"file": ("a.pdf", b"%PDF-1.4")}),
        "file name": client.post(
            "/api/papers", data={"kind": "identity"}, files={"file": (f"{NUMBER}.pdf", b"%PDF-1.4")}
        ),
        "csv header": client.post(
            "/api/past-orders/files", content=f"id,date,{NUMBER}\n1,2026-10-03,5\n".encode()
        ),
    }
    for way, answer in ways.items():
        assert answer.status_code == 422, way
        assert answer.json()["errors"][0]["code"] == "card-number", way
        assert NUMBER not in answer.text, way


@pytest.mark.parametrize("dress", DRESSES)
def test_a_card_number_in_any_dress_is_refused_at_every_door(client: TestClient, dress: str) -> None:
    number = DRESSES[dress]([NUMBER[place : place + 4] for place in range(0, len(NUMBER), 4)])
    doors = [
        (method, path.replace("{", "").replace("}", ""))
        for path, methods in client.get("/api/openapi.json").json()["paths"].items()
        for method, described in methods.items()
        if "application/json" in described.get("requestBody", {}).get("content", {})
    ]
    assert len(doors) > 40
    # Every door looks through what comes in the same way: each dress tries some of them, all together try all.
    here = doors if RUN == "soak" else doors[list(DRESSES).index(dress) :: len(DRESSES)]
    for method, path in here:
        answer = client.request(method, path, json={"some": [{"field": f"my card {number} thanks"}]})
        told = answer.json()["errors"][0]
        assert (answer.status_code, told["code"], told["field"]) == (422, "card-number", "some.0.field"), path
    assert client.get("/api/catalogue", params={"asks": number}).status_code == 422
    assert client.post("/api/papers", data={"kind": number}, files={"file": ("a", b"%PDF-1.4")}).status_code == 422


# Personal data.
def test_what_is_answered_is_kept_nowhere(client: TestClient) -> None:
    described = client.get("/api/openapi.json").json()["paths"]
    doors = [(method, path) for path, methods in described.items() for method in methods]
    token = client.post("/api/checkouts/web-shop/orders", json={"order": BOAT, "tender": "card"}).json()["token"]
    for method, path in doors:
        there = path.replace("{token}", token).replace("{storefront}", "web-shop").replace("{provider}", "orlenta")
        answer = client.request(method, there.replace("{", "").replace("}", ""))
        assert answer.headers["cache-control"] == "no-store", path
    page = client.get(f"/order/{token}")
    assert page.headers["cache-control"] in ("no-cache", "no-store")


TURNING = [chr(sign) for sign in (*range(0x202A, 0x202F), *range(0x2066, 0x206A))]


@pytest.mark.parametrize("sign", ["\r\n", "\n", "\r", "\t", "\0", "\x85", "\u2028", *TURNING])
def test_no_name_breaks_a_line_or_turns_it_round(client: TestClient, sign: str) -> None:
    shop = client.get("/api/shop").json()
    named = {**shop["shop"], "name": f"Lume{sign}Bcc: all@example.org{sign}"}
    answer = client.put("/api/shop", json={"version": shop["version"], "shop": named})
    assert answer.status_code == 200, answer.text
    kept = client.get("/api/shop").json()["shop"]["name"]
    assert kept in ("Lume Bcc: all@example.org", "LumeBcc: all@example.org")
    pdf = paper()
    sent = client.post("/api/papers", data={"kind": "identity"}, files={"file": (f"gnp{sign}fdp.exe", pdf)})
    assert sent.status_code == 201, sent.text
    # Clients encode what breaks a line in a file's name themselves.
    assert re.fullmatch(r"gnp(%[0-9A-F]{2}| )*fdp\.exe", sent.json()["name"])


def test_what_is_sent_is_bounded(client: TestClient) -> None:
    large = client.put(
        "/api/shop", content=json.dumps({"name": "x" * 2_100_000}), headers={"content-type": "application/json"}
    )
    assert (large.status_code, large.json()["errors"][0]["code"]) == (413, "body-too-large")


# Cells that go out.
@given(st.text(max_size=20))
def test_no_cell_can_be_taken_for_a_formula_and_each_comes_back_as_it_was(cell: str) -> None:
    out = safe(cell)
    assert not out.lstrip(" \u00a0").startswith(("=", "@", "\t", "\r", "\n", "|", "%")) or out.startswith("'")
    if not cell.startswith("'"):
        assert plain(out) == cell


@pytest.mark.parametrize("cell", ["=1+cmd|' /C calc'!A0", "+1+cmd", "-2+3", "@SUM(A1)", "\t=1", "\uff1d1", " =1"])
def test_formulas_are_told_as_text(cell: str) -> None:
    assert safe(cell) == f"'{cell}"


# One server, its files, its key, its first start.
def ended(folder: Path) -> subprocess.CompletedProcess[str]:
    """A server that is to end by itself, and what it said."""
    program = str(Path(sys.executable).parent / "monedero")
    command = [program, "serve", "--data", str(folder), "--port", "0"]
    return subprocess.run(command, capture_output=True, text=True, timeout=60, check=False)


def test_a_second_server_on_a_folder_is_told_who_holds_it(tmp_path: Path) -> None:
    with served(tmp_path / "data", signal.SIGTERM):
        second = ended(tmp_path / "data")
    assert second.returncode == 2
    assert "is open in another Monedero already" in second.stderr
    assert "process" in second.stderr
    assert "Traceback" not in second.stderr
    with (
        FolderLock(tmp_path / "free"),
        pytest.raises(Conflict, match="folder-locked"),
        FolderLock(tmp_path / "free"),
    ):
        pass


def test_files_are_for_their_owner_alone_and_the_world_outside_is_sealed(shops: Shops, tmp_path: Path) -> None:
    folder = tmp_path / "data"
    assert stat.S_IMODE(folder.stat().st_mode) == 0o700
    for file in folder.iterdir():
        assert stat.S_IMODE(file.stat().st_mode) == (0o700 if file.is_dir() else 0o600), file.name
    merchant = shops.demo.provider.merchants.all()[0]
    kept = b"".join(file.read_bytes() for file in folder.glob("*-outside.sqlite*"))
    assert merchant.number.encode() not in kept
    assert b"Cabo Noite" not in kept


@pytest.mark.parametrize("content", [None, b"", b"not a key"])
def test_a_missing_or_broken_key_is_refused_by_name_and_nothing_is_replaced(
    shops: Shops, tmp_path: Path, content: bytes | None
) -> None:
    key = tmp_path / "data" / "demo.key"
    key.unlink()
    if content is not None:
        key.write_bytes(content)
    with pytest.raises(Conflict) as refused:
        Store(tmp_path / "data" / "demo.sqlite")
    assert refused.value.faults[0].value == str(key)
    assert key.exists() is (content is not None)
    assert content is None or key.read_bytes() == content


def test_a_damaged_database_is_told_in_one_sentence(tmp_path: Path) -> None:
    (tmp_path / "data").mkdir()
    (tmp_path / "data" / "shop.sqlite").write_bytes(b"no database at all" * 100)
    told = ended(tmp_path / "data")
    assert (told.returncode, len(told.stderr.splitlines())) == (2, 1)
    assert "Put back a copy" in told.stderr


def test_a_first_start_that_is_cut_off_begins_anew(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    save = type(Store(tmp_path / "other.sqlite").profile).save

    def cut_off(*given: Any) -> Any:
        raise KeyboardInterrupt

    monkeypatch.setattr("monedero.server.demo_shop.publish", cut_off)
    with pytest.raises(KeyboardInterrupt):
        Shops(tmp_path / "data", now=Hours())
    monkeypatch.undo()
    assert save is not None
    running: RunningShop = Shops(tmp_path / "data", now=Hours()).demo
    assert running.store.description.read() is not None
    assert len(running.store.editions.of("web-shop")) == 1
    assert len(running.store.papers.of_shop()) == 1
    assert len(running.provider.merchants.all()) == len(
        {entry.number for entry in running.provider.merchants.all()}
    )


def test_a_kept_connection_answers_at_once(tmp_path: Path) -> None:
    """A kept connection waited 41 ms for the acknowledgement of the answer before; here a third of that is plenty."""
    with served(tmp_path / "data", signal.SIGTERM) as client:
        client.get("/api/shop")

        def one() -> float:
            began = time.perf_counter()
            client.get("/assets/nothing")
            return time.perf_counter() - began

        # Each one waited; a machine that is busy holds up some, but never all of them.
        assert min(one() for _ in range(20)) < 0.03
    listening = socket.socket(socket.AF_INET, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    assert (listening.proto, os.name) == (socket.IPPROTO_TCP, "posix")
    listening.close()
