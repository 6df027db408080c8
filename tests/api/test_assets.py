"""The files that pages are made of: a browser keeps them for good, but asks for the pages themselves each time."""

import re

import pytest
from fastapi.testclient import TestClient

from monedero.api.assets import FOR_GOOD


@pytest.mark.parametrize("page", ["/compare", "/buy/demo"])
def test_a_page_is_asked_for_each_time_and_what_it_is_made_of_once(client: TestClient, page: str) -> None:
    answer = client.get(page)
    assert answer.headers["cache-control"] == "no-cache"
    made_of = re.findall(r'(?:src|href)="(/assets/[^"]+)"', answer.text)
    assert made_of
    for address in made_of:
        asset = client.get(address)
        assert (asset.status_code, asset.headers["cache-control"]) == (200, FOR_GOOD)
        assert "content-security-policy" in asset.headers


def test_what_is_not_there_is_not_kept(client: TestClient) -> None:
    answer = client.get("/assets/nothing.js")
    assert (answer.status_code, answer.headers.get("cache-control")) == (404, "no-store")


@pytest.mark.parametrize("page", ["/compare", "/buy/demo"])
@pytest.mark.parametrize(
    ("takes", "sent"),
    [("gzip, deflate, br, zstd", "br"), ("gzip", "gzip"), ("br;q=0, gzip;q=0.5", "gzip"), ("identity", None)],
)
def test_scripts_and_styles_are_sent_as_small_as_the_browser_takes(
    client: TestClient, page: str, takes: str, sent: str | None
) -> None:
    html = client.get(page).text
    large = [
        address
        for address in re.findall(r'(?:src|href)="(/assets/[^"]+\.(?:js|css))"', html)
        if len(client.get(address, headers={"accept-encoding": "identity"}).content) > 4096
    ]
    assert large
    for address in large:
        plain = client.get(address, headers={"accept-encoding": "identity"})
        with client.stream("GET", address, headers={"accept-encoding": takes}) as answer:
            raw = b"".join(answer.iter_raw())
        assert answer.headers.get("content-encoding") == sent, address
        assert answer.headers["content-type"] == plain.headers["content-type"], address
        assert (answer.headers["vary"], answer.headers["cache-control"]) == ("Accept-Encoding", FOR_GOOD)
        assert len(raw) < len(plain.content) * 0.45 if sent else raw == plain.content


def test_a_large_answer_is_compressed_and_a_small_one_is_not(client: TestClient) -> None:
    for address, encoding in (("/api/shop", "gzip"), ("/api/clock", None)):
        with client.stream("GET", address, headers={"accept-encoding": "gzip"}) as answer:
            answer.read()
        assert answer.headers.get("content-encoding") == encoding, address
