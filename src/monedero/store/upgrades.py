"""Tells what bodies of earlier states of the application become, each a step that runs once when a store is opened.

A body is JSON; a step changes the values in it, and leaves alone what is of today already. What a body can tell by
itself is brought to the format of today when it is read (`monedero.formats.stored`); here stands what needs more.
"""

import json
from collections.abc import Callable
from typing import Any

from peewee import SqliteDatabase

from monedero.formats.stored_upgrades import (
    checkout_by_id,
    id_of,
    methods_renamed,
    storefront_named,
    storefronts_with_ids,
)

# The asks of a provider as they were written before they became a list of known things; domains are checked alone.
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
    """Tells what providers ask, from sentences to names."""

    def change(body: dict[str, Any]) -> None:
        asks = [known for ask in body.get("asks", []) for known in ASKED.get(ask, [ask])]
        body["asks"] = list(dict.fromkeys(asks))

    _change(database, "provider", "id", change)


def accounts_by_storefront_ids(database: SqliteDatabase) -> None:
    """The storefronts that accounts serve, from names to ids; shops and editions are brought there when they are read.

    Whether they are ids already shows in the shop, which was written together with them.
    """
    row = database.execute_sql("SELECT body FROM shop").fetchone()
    if row is None or any("id" in storefront for storefront in json.loads(row[0]).get("storefronts", [])):
        return

    def account(body: dict[str, Any]) -> None:
        if body.get("storefronts"):
            body["storefronts"] = [id_of(name) for name in body["storefronts"]]

    _change(database, "account", "id", account)


# The cause that a change of a table counts as.
CAUSES = {
    "shop": "prices",
    "rate_card": "prices",
    "provider": "prices",
    "assumptions": "prices",
    "profile": "month",
    "account": "accounts",
    "checkout": "checkout",
}


def checkouts_by_storefront(database: SqliteDatabase) -> None:
    """One draft for each storefront, editions by storefront, and changes counted by their cause."""
    for table in (*CAUSES, "draft"):
        for event in ("insert", "update", "delete"):
            database.execute_sql(f"DROP TRIGGER IF EXISTS {table}_{event}_counts")
    database.execute_sql(
        "CREATE TABLE checkout (storefront TEXT PRIMARY KEY, version INTEGER NOT NULL, body TEXT NOT NULL)"
    )
    shop = database.execute_sql("SELECT body FROM shop").fetchone()
    draft = database.execute_sql("SELECT version, body FROM draft").fetchone()
    if shop is not None and draft is not None:
        body, described = json.loads(draft[1]), json.loads(shop[0])
        storefronts_with_ids(described)
        body["storefront"] = storefront_named(described, body["storefront"])
        told = (body["storefront"], draft[0], json.dumps(body, ensure_ascii=False))
        database.execute_sql("INSERT INTO checkout (storefront, version, body) VALUES (?, ?, ?)", told)
    database.execute_sql("DROP TABLE draft")
    database.execute_sql("ALTER TABLE edition ADD COLUMN storefront TEXT NOT NULL DEFAULT ''")
    # Only the new column is filled in; the bodies keep the bytes with which they were published.
    database.execute_sql("DROP TRIGGER edition_stays")
    for number, text in database.execute_sql("SELECT number, body FROM edition").fetchall():
        body = json.loads(text)
        checkout_by_id(body)
        database.execute_sql(
            "UPDATE edition SET storefront = ? WHERE number = ?", (body["checkout"]["storefront"], number)
        )
    for guard in GUARDS:
        database.execute_sql(guard)
    database.execute_sql("CREATE INDEX edition_by_storefront ON edition (storefront, number)")
    database.execute_sql("DROP TABLE revision")
    database.execute_sql(
        "CREATE TABLE revision (prices INTEGER NOT NULL, month INTEGER NOT NULL, accounts INTEGER NOT NULL, "
        "checkout INTEGER NOT NULL)"
    )
    database.execute_sql("INSERT INTO revision VALUES (0, 0, 0, 0)")
    # An edition is never changed nor taken away.
    database.execute_sql(
        "CREATE TRIGGER edition_insert_counts AFTER INSERT ON edition "
        "BEGIN UPDATE revision SET checkout = checkout + 1; END"
    )
    for table, cause in CAUSES.items():
        for event, when in (("INSERT", ""), ("UPDATE", "WHEN OLD.body IS NOT NEW.body "), ("DELETE", "")):
            database.execute_sql(
                f"CREATE TRIGGER {table}_{event.lower()}_counts AFTER {event} ON {table} {when}"
                f"BEGIN UPDATE revision SET {cause} = {cause} + 1; END"
            )


def _change(database: SqliteDatabase, table: str, key: str, change: Callable[[dict[str, Any]], None]) -> None:
    for id, text in database.execute_sql(f"SELECT {key}, body FROM {table}").fetchall():
        body = json.loads(text)
        change(body)
        if (after := json.dumps(body, ensure_ascii=False)) != json.dumps(json.loads(text), ensure_ascii=False):
            database.execute_sql(f"UPDATE {table} SET body = ? WHERE {key} = ?", (after, id))


def cards_with_methods_renamed(database: SqliteDatabase) -> None:
    """Rate cards have no format of the store's own, so that their methods are renamed where they lie."""
    _change(database, "rate_card", "id", methods_renamed)


def steps_of_drafts(database: SqliteDatabase) -> None:
    """Tells what a draft was after each change is kept, so that changes are taken back and made again."""
    database.execute_sql(
        "CREATE TABLE checkout_step (storefront TEXT NOT NULL, place INTEGER NOT NULL, body TEXT NOT NULL, "
        "PRIMARY KEY (storefront, place)) WITHOUT ROWID"
    )
    database.execute_sql("ALTER TABLE checkout ADD COLUMN place INTEGER NOT NULL DEFAULT 0")
    database.execute_sql(
        "INSERT INTO checkout_step (storefront, place, body) SELECT storefront, 0, body FROM checkout"
    )


def orders_by_mode(database: SqliteDatabase) -> None:
    """Orders, invoices, vouchers, messages and order keys belong to a mode, and each mode counts by itself.

    Everything that was there was of a test, but for orders, whose bodies say their mode.
    """
    for statement in (
        "ALTER TABLE order_record RENAME TO order_before",
        "CREATE TABLE order_record (id INTEGER PRIMARY KEY AUTOINCREMENT, mode TEXT NOT NULL, number INTEGER NOT NULL, "
        "token TEXT NOT NULL UNIQUE, version INTEGER NOT NULL, buyer TEXT NOT NULL, state TEXT NOT NULL, "
        "due_at TEXT, body TEXT NOT NULL, UNIQUE (mode, number))",
        "INSERT INTO order_record (mode, number, token, version, buyer, state, due_at, body) "
        "SELECT body ->> '$.mode', number, token, version, buyer, state, due_at, body "
        "FROM order_before ORDER BY number",
        "DROP TABLE order_before",
        "CREATE INDEX order_due ON order_record (due_at) WHERE due_at IS NOT NULL",
        "CREATE INDEX order_by_state ON order_record (mode, state, number)",
        "CREATE INDEX order_by_buyer ON order_record (buyer, mode, number) WHERE buyer <> ''",
        "ALTER TABLE order_key RENAME TO order_key_before",
        "CREATE TABLE order_key (mode TEXT NOT NULL, key TEXT NOT NULL, asked TEXT NOT NULL, "
        "order_token TEXT NOT NULL, PRIMARY KEY (mode, key)) WITHOUT ROWID",
        "INSERT INTO order_key SELECT 'test', key, asked, order_token FROM order_key_before",
        "DROP TABLE order_key_before",
        "ALTER TABLE invoice RENAME TO invoice_before",
        "CREATE TABLE invoice (mode TEXT NOT NULL, number INTEGER NOT NULL, order_token TEXT NOT NULL, "
        "payment INTEGER NOT NULL, PRIMARY KEY (mode, number), UNIQUE (order_token, payment)) WITHOUT ROWID",
        "INSERT INTO invoice SELECT 'test', number, order_token, payment FROM invoice_before",
        "DROP TABLE invoice_before",
        # A number of an invoice is never given out twice, whatever becomes of the order.
        "CREATE TRIGGER invoice_is_kept BEFORE DELETE ON invoice "
        "BEGIN SELECT RAISE(ABORT, 'the number of an invoice is never given out again'); END",
        "ALTER TABLE voucher ADD COLUMN mode TEXT NOT NULL DEFAULT 'test'",
        "ALTER TABLE message ADD COLUMN mode TEXT NOT NULL DEFAULT 'test'",
    ):
        database.execute_sql(statement)


def editions_with_notes(database: SqliteDatabase) -> None:
    """An edition keeps who published it and why; one can be planned, warnings accepted, and rehearsals kept.

    What was published before was published by the owner, without a note.
    """
    for statement in (
        "ALTER TABLE edition ADD COLUMN note TEXT NOT NULL DEFAULT ''",
        "ALTER TABLE edition ADD COLUMN actor TEXT NOT NULL DEFAULT 'owner'",
        "ALTER TABLE edition ADD COLUMN of_edition INTEGER",
        "CREATE TABLE planned_edition (storefront TEXT PRIMARY KEY, at TEXT NOT NULL, note TEXT NOT NULL, "
        "planned_at TEXT NOT NULL, forbade TEXT NOT NULL, stopped TEXT, body TEXT NOT NULL) WITHOUT ROWID",
        "CREATE TABLE acceptance (storefront TEXT NOT NULL, item TEXT NOT NULL, reason TEXT NOT NULL, "
        "actor TEXT NOT NULL, at TEXT NOT NULL, PRIMARY KEY (storefront, item)) WITHOUT ROWID",
        "CREATE TABLE rehearsal (storefront TEXT NOT NULL, case_id TEXT NOT NULL, fingerprint TEXT NOT NULL, "
        "body TEXT NOT NULL, PRIMARY KEY (storefront, case_id)) WITHOUT ROWID",
    ):
        database.execute_sql(statement)


def editions_numbered_by_storefront(database: SqliteDatabase) -> None:
    """Editions are numbered for each storefront and mode; what orders keep is the id, which was the number before."""
    for statement in (
        "DROP TRIGGER edition_stays",
        "ALTER TABLE edition RENAME COLUMN number TO id",
        "ALTER TABLE edition ADD COLUMN mode TEXT NOT NULL DEFAULT 'test'",
        "ALTER TABLE edition ADD COLUMN number INTEGER NOT NULL DEFAULT 0",
        "UPDATE edition SET mode = coalesce(json_extract(body, '$.checkout.mode'), 'test')",
        "UPDATE edition SET number = (SELECT count(*) FROM edition AS earlier WHERE earlier.id <= edition.id "
        "AND earlier.storefront = edition.storefront AND earlier.mode = edition.mode)",
        "CREATE UNIQUE INDEX edition_by_number ON edition (storefront, mode, number)",
        "CREATE TRIGGER edition_stays BEFORE UPDATE ON edition "
        "BEGIN SELECT RAISE(ABORT, 'an edition is immutable'); END",
    ):
        database.execute_sql(statement)


def evidence_by_content(database: SqliteDatabase) -> None:
    """A case keeps the evidence of more than one content."""
    for statement in (
        "ALTER TABLE rehearsal RENAME TO rehearsal_before",
        "CREATE TABLE rehearsal (id INTEGER PRIMARY KEY, storefront TEXT NOT NULL, case_id TEXT NOT NULL, "
        "fingerprint TEXT NOT NULL, body TEXT NOT NULL, UNIQUE (storefront, case_id, fingerprint))",
        "INSERT INTO rehearsal (storefront, case_id, fingerprint, body) "
        "SELECT storefront, case_id, fingerprint, body FROM rehearsal_before",
        "DROP TABLE rehearsal_before",
    ):
        database.execute_sql(statement)


def pauses(database: SqliteDatabase) -> None:
    """A storefront can be paused; none was before."""
    database.execute_sql(
        "CREATE TABLE pause (storefront TEXT PRIMARY KEY, since TEXT NOT NULL, actor TEXT NOT NULL, "
        "opens_on TEXT, said TEXT NOT NULL) WITHOUT ROWID"
    )


UPGRADES: tuple[tuple[str, Callable[[SqliteDatabase], None]], ...] = (
    ("0009-asks-by-their-names", asks_by_their_names),
    ("0010-storefronts-by-an-id", accounts_by_storefront_ids),
    ("0011-checkouts-by-storefront", checkouts_by_storefront),
    ("0012-methods-by-names-of-the-trade", cards_with_methods_renamed),
    ("0013-steps-of-drafts", steps_of_drafts),
    ("0014-orders-by-mode", orders_by_mode),
    ("0015-editions-with-notes", editions_with_notes),
    ("0016-editions-numbered-by-storefront", editions_numbered_by_storefront),
    ("0017-evidence-by-content", evidence_by_content),
    ("0018-pauses", pauses),
)
