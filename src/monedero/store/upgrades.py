"""What bodies of earlier states of the application become, each a step that runs once when a store is opened.

A body is JSON; a step changes the values in it, and leaves alone what is of today already. Editions, which nothing else
may change, are given the same meaning in today's words.
"""

import json
import re
from collections.abc import Callable
from typing import Any
from unicodedata import normalize

from peewee import SqliteDatabase

# What a provider asked, as it was written before it became a list of known things; domains are checked on their own.
ASKED = {
    "An identity document of the owner": ["identity"],
    "An identity document of every owner": ["identity", "people"],
    "Accounts of the last year": ["yearly-accounts"],
    "A return policy on the site": ["return-policy"],
    "A return policy and a privacy policy on the site": ["return-policy", "privacy-policy"],
    "Lines and prices on the site": ["lines-listed"],
    "Proof that the domain is the shop's": [],
    "The account that payouts go to": ["payout-account"],
    "An extract from the company register": ["register-extract"],
    "A questionnaire on card data": ["card-data-answers"],
}
GUARDS = (
    "CREATE TRIGGER edition_stays BEFORE UPDATE ON edition BEGIN SELECT RAISE(ABORT, 'an edition is immutable'); END",
)


def asks_by_their_names(database: SqliteDatabase) -> None:
    """What providers ask, from sentences to names."""

    def change(body: dict[str, Any]) -> None:
        asks = [known for ask in body.get("asks", []) for known in ASKED.get(ask, [ask])]
        body["asks"] = list(dict.fromkeys(asks))

    _change(database, "provider", "id", change)


def storefronts_by_an_id(database: SqliteDatabase) -> None:
    """Storefronts, and the accounts that serve them, from names to ids."""

    def shop(body: dict[str, Any]) -> None:
        for storefront in body.get("storefronts", []):
            storefront.setdefault("id", _id_of(storefront["name"]))

    def account(body: dict[str, Any]) -> None:
        if body.get("storefronts"):
            body["storefronts"] = [_id_of(name) for name in body["storefronts"]]

    _change(database, "shop", "id", shop)
    _change(database, "account", "id", account)
    database.execute_sql("DROP TRIGGER edition_stays")
    _change(database, "edition", "number", lambda body: shop(body["shop"]))
    for guard in GUARDS:
        database.execute_sql(guard)


def _change(database: SqliteDatabase, table: str, key: str, change: Callable[[dict[str, Any]], None]) -> None:
    for id, text in database.execute_sql(f"SELECT {key}, body FROM {table}").fetchall():
        body = json.loads(text)
        change(body)
        if (after := json.dumps(body, ensure_ascii=False)) != json.dumps(json.loads(text), ensure_ascii=False):
            database.execute_sql(f"UPDATE {table} SET body = ? WHERE {key} = ?", (after, id))


def _id_of(name: str) -> str:
    plain = normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    return re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:60] or "storefront"


UPGRADES: tuple[tuple[str, Callable[[SqliteDatabase], None]], ...] = (
    ("0009-asks-by-their-names", asks_by_their_names),
    ("0010-storefronts-by-an-id", storefronts_by_an_id),
)
