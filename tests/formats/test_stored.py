"""Bodies of every format that ever was are read; those of today are written as they were read.

`tests/data/bodies` holds one of each, by model and format. Those of earlier formats were written by earlier states of
the application. What is kept for minutes alone (codes, sign-ins) has none.
"""

import json
from pathlib import Path

import pytest
from pydantic import BaseModel
from tests.conftest import DATA

from monedero.core.account import Account
from monedero.core.application import Application
from monedero.core.business import Business
from monedero.core.checkout.edition import Published
from monedero.core.checkout.model import Checkout
from monedero.core.cost.assumption import Assumptions
from monedero.core.errors import Conflict
from monedero.core.profile import Profile
from monedero.core.provider import ProviderFacts
from monedero.core.record import Message, OrderRecord
from monedero.core.shop import Shop
from monedero.formats import stored
from monedero.formats.stored_upgrades import UPGRADES
from monedero.standins.provider.model import Merchant
from monedero.store.exchanges import Exchange
from monedero.work.accounts.gateways import Access

MODELS: tuple[type[BaseModel], ...] = (
    *(Shop, Checkout, Published, Profile, Assumptions, Account, ProviderFacts),
    *(OrderRecord, Message, Exchange, Business, Application, Access, Merchant),
)
BY_NAME = {model.__name__: model for model in MODELS}
FILES = sorted((DATA / "bodies").glob("*.json"))


def test_every_format_that_ever_was_has_a_file() -> None:
    assert set(UPGRADES) <= set(BY_NAME)
    there = {path.stem for path in FILES}
    assert there == {
        f"{model.__name__}-{number}" for model in MODELS for number in range(1, stored.format_of(model) + 1)
    }


@pytest.mark.parametrize("path", FILES, ids=lambda path: path.stem)
def test_a_body_of_any_format_is_read_and_kept_in_that_of_today(path: Path) -> None:
    model = BY_NAME[path.stem.rpartition("-")[0]]
    read = stored.read(path.read_text("utf-8"), model)
    again = stored.written(read)
    assert json.loads(again)["format"] == stored.format_of(model)
    assert stored.read(again, model) == read
    assert stored.read(again.encode(), model) == read


def test_what_a_body_says_survives_its_upgrade() -> None:
    old = json.loads((DATA / "bodies" / "Published-1.json").read_text("utf-8"))
    read = stored.read(json.dumps(old), Published)
    assert [tender.name for tender in read.checkout.tenders] == [
        tender["name"] for tender in old["checkout"]["tenders"]
    ]
    assert old["checkout"]["storefront"] == "Web shop"
    assert (read.checkout.storefront, read.shop.storefronts[0].name) == ("web-shop", "Web shop")
    renamed = {**old, "checkout": {**old["checkout"], "storefront": "Pier counter"}}
    assert stored.read(json.dumps(renamed), Published).checkout.storefront == "pier-counter"
    nowhere = {**old, "checkout": {**old["checkout"], "storefront": "Named before"}}
    assert stored.read(json.dumps(nowhere), Published).checkout.storefront == "web-shop"


def test_the_one_price_of_a_way_of_delivery_is_kept() -> None:
    shop_of_before = stored.read((DATA / "bodies" / "Shop-2.json").read_text("utf-8"), Shop)
    edition_of_before = stored.read((DATA / "bodies" / "Published-3.json").read_text("utf-8"), Published)
    for shop in (shop_of_before, edition_of_before.shop):
        courier, pier = shop.deliveries
        assert [(str(price.fee), str(price.free_from), price.areas) for price in courier.prices] == [
            ("4.00 EUR", "60.00 EUR", ["islands"])
        ]
        assert pier.prices == []


def test_methods_of_before_have_the_names_of_the_trade() -> None:
    old = (DATA / "bodies" / "Checkout-1.json").read_text("utf-8")
    assert "pay-in-three" in old
    read = stored.read(old, Checkout)
    assert ("instalments", "instalments") in [(tender.id, tender.method) for tender in read.tenders]
    assert "pay-in" not in stored.written(read)
    merchant = stored.read((DATA / "bodies" / "Merchant-1.json").read_text("utf-8"), Merchant)
    assert list(merchant.methods) == ["instalments"]


def test_a_shop_of_before_without_storefronts_has_one() -> None:
    body = json.dumps({"name": "Lume", "country": "PT", "currency": "EUR", "storefronts": []})
    assert [front.id for front in stored.read(body, Shop).storefronts] == ["web-shop"]


def test_what_a_later_monedero_wrote_is_refused_by_name() -> None:
    with pytest.raises(Conflict, match="body-newer"):
        stored.read('{"format":99,"name":"Lume"}', Shop)


def test_a_body_with_nothing_in_it_is_written_and_read() -> None:
    class Nothing(BaseModel):
        pass

    assert stored.written(Nothing()) == '{"format":1}'
    assert stored.read(stored.written(Nothing()), Nothing) == Nothing()
