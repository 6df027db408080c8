"""The files that pages are made of: a browser keeps them for good, but asks for the pages themselves each time."""

import re

import pytest
from fastapi.testclient import TestClient


@pytest.mark.parametrize("page", ["/compare", "/buy/demo"])
def test_a_page_is_asked_for_each_time_and_what_it_is_made_of_once(client: TestClient, page: str) -> None:
    answer = client.get(page)
    assert answer.headers["cache-control"] == "no-cache"
    made_of = re.findall(r'(?:src|href)="(/assets/[^"]+)"', answer.text)
    assert made_of
    for address in made_of:
        asset = client.get(address)
        assert (asset.status_code, asset.headers["cache-control"]) == (200, "public, max-age=31536000, immutable")
        assert "content-security-policy" in asset.headers


def test_what_is_not_there_is_not_kept(client: TestClient) -> None:
    answer = client.get("/assets/nothing.js")
    assert (answer.status_code, answer.headers.get("cache-control")) == (404, "no-store")
