"""Tests what files and addresses are refused for that no honest one holds."""

import pytest
from tests.conftest import NOW

from monedero.core.card_number import holds_one, masked
from monedero.core.errors import InvalidInput
from monedero.core.ratecard.model import RateCard
from monedero.core.web_address import page_address, web_address
from monedero.formats import webhook
from monedero.formats.json_text import read_json


@pytest.mark.parametrize("address", ["http://a:b:c", "http://till:99999999", "https://[::1", "http://:80"])
def test_an_address_without_a_host_or_with_a_broken_port_is_none(address: str) -> None:
    with pytest.raises(InvalidInput, match="gateway-text"):
        web_address(address)
    with pytest.raises(InvalidInput, match="gateway-text"):
        page_address(address)


def test_a_card_of_more_entries_than_any_price_list_is_refused(example_card: RateCard) -> None:
    body = example_card.model_dump(mode="json", by_alias=True)
    body["rates"] = [{**body["rates"][0], "id": f"r-{number}"} for number in range(501)]
    with pytest.raises(ValueError, match="card-too-long"):
        RateCard.model_validate(body)


@pytest.mark.parametrize(
    ("content", "code"),
    [(b'{"name": "X\\ud800"}', "not-utf8"), (b'{"days": ' + b"9" * 5000 + b"}", "not-json")],
)
def test_half_a_character_and_a_number_of_thousands_of_digits_are_refused(content: bytes, code: str) -> None:
    with pytest.raises(InvalidInput, match=code):
        read_json(content)


def test_a_moment_beyond_all_time_is_refused() -> None:
    headers = {webhook.ID: "a", webhook.TIMESTAMP: "253402300800", webhook.SIGNATURE: "v1,x"}
    with pytest.raises(InvalidInput, match="notice-forged"):
        webhook.verified([], headers, b"x", NOW)


def test_a_telephone_number_is_none_and_plus_with_letters_is_looked_at() -> None:
    assert not holds_one("+49 1511 2345678")
    assert not holds_one("+0 1511 2345678, +9, +210 1234567")


def test_a_plus_before_a_card_number_makes_no_telephone_number_of_it() -> None:
    assert holds_one("+7992739871300")
    assert holds_one("+9992739871300004")
    assert (
        masked("first 1234567890123, then 7992 7398 7130 0")
        == "first 1234567890123, then [a card number was here]"
    )
