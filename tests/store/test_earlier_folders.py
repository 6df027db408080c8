"""Data folders that earlier states of the application wrote: each opens, and nothing in it is lost.

The folders were written by those states themselves; their names say what was still different in them.
"""

import json
import sqlite3
import zipfile
from pathlib import Path

import pytest

from monedero.core.account import Mode
from monedero.server.shops import Shops
from monedero.store import Store
from tests.api.shopkeeper import BOAT
from tests.conftest import DATA, Hours, browser_of, opened, the_app

FOLDERS = sorted((DATA / "folders").glob("*.zip"))
VIEWS = (
    *(
        "/api/shop",
        "/api/compare",
        "/api/compare/plans",
        "/api/compare/curves",
        "/api/accounts",
        "/api/checkouts/web-shop",
    ),
    *(
        "/api/checkouts/web-shop/publication",
        "/api/records",
        "/api/profile",
        "/api/assumptions",
        "/api/shops/demo/offer",
    ),
)


@pytest.mark.parametrize("packed", FOLDERS, ids=lambda path: path.stem)
def test_a_folder_of_before_opens_and_every_view_of_it_answers(packed: Path, tmp_path: Path) -> None:
    folder = tmp_path / "data"
    with zipfile.ZipFile(packed) as held:
        held.extractall(folder)
    with sqlite3.connect(folder / "demo.sqlite") as before:
        cards = before.execute("SELECT count(*) FROM rate_card").fetchone()[0]
        accounts = before.execute("SELECT count(*) FROM account").fetchone()[0]
        editions = before.execute("SELECT number, body FROM edition").fetchall()
        orders = before.execute("SELECT count(*) FROM order_record").fetchone()[0]
        name = json.loads(before.execute("SELECT body FROM shop").fetchone()[0])["name"]
    shops = opened(folder, Hours())
    assert not list(folder.glob("demo-before-*"))
    client = browser_of(the_app())
    for view in VIEWS:
        answer = client.get(view, params={**BOAT, "low": "5", "high": "5000"})
        assert answer.status_code == 200, (view, answer.text)
    store = shops.demo.store
    shop = store.description.read()
    assert shop
    assert (shop.value.name, len(store.rate_cards.all()), len(store.accounts.of(Mode.TEST))) == (
        name,
        cards,
        accounts,
    )
    kept = store.editions.of("web-shop")
    assert [edition.id for edition in kept] == [id for id, _ in editions][::-1]
    assert [edition.number for edition in kept] == list(range(len(editions), 0, -1))
    assert len(store.orders.all()) == orders
    assert store.checkouts.read("web-shop")
    # An edition keeps the bytes it was published with.
    with sqlite3.connect(folder / "demo.sqlite") as after:
        assert after.execute("SELECT id, body FROM edition").fetchall() == editions
    # Those folders told nobody where to send a transfer, so that the first way that is still offered is taken.
    first = client.get("/api/shops/demo/offer", params=BOAT).json()["offered"][0]["tender"]
    placed = client.post("/api/shops/demo/orders", json={"order": BOAT, "tender": first})
    assert placed.status_code == 201, placed.text


def test_an_old_and_an_empty_database_reach_the_same_schema(tmp_path: Path) -> None:
    with zipfile.ZipFile(FOLDERS[0]) as held:
        held.extractall(tmp_path / "old")
    schemas = []
    for path in (tmp_path / "old" / "shop.sqlite", tmp_path / "new.sqlite"):
        Store(path).close()
        with sqlite3.connect(path) as database:
            rows = database.execute("SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'")
            schemas.append(sorted(rows.fetchall()))
    assert schemas[0] == schemas[1]


def test_a_demo_that_does_not_open_is_made_anew_and_the_owners_shop_never(tmp_path: Path) -> None:
    folder = tmp_path / "data"
    Shops(folder, now=Hours()).own.store.close()
    for file in folder.glob("demo.sqlite*"):
        file.unlink()
    (folder / "demo.sqlite").write_bytes(b"this is no database" * 200)
    again = Shops(folder, now=Hours())
    assert again.demo.store.description.read() is not None
    assert (folder / "demo-before-1" / "demo.sqlite").exists()
    (folder / "shop.sqlite").write_bytes(b"this is no database" * 200)
    for file in folder.glob("shop.sqlite-*"):
        file.unlink()
    with pytest.raises(Exception, match="database-broken"):
        Shops(folder, now=Hours())
    assert (folder / "shop.sqlite").read_bytes().startswith(b"this is no database")
