"""The schema, as named steps: each runs once, in one transaction together with the record that it ran."""

from collections.abc import Callable, Sequence
from datetime import UTC, datetime
from functools import partial

from peewee import SqliteDatabase

from monedero.store.upgrades import UPGRADES

# Prices and comparisons rest on these; a change of any of them makes the revision rise. Past orders come by the
# hundred thousand: whoever writes them counts once.
WATCHED = ("shop", "draft", "rate_card", "provider", "account", "profile", "assumptions")


def _watch(table: str) -> tuple[str, ...]:
    return tuple(
        f"CREATE TRIGGER {table}_{event.lower()}_counts AFTER {event} ON {table} "
        "BEGIN UPDATE revision SET number = number + 1; END"
        for event in ("INSERT", "UPDATE", "DELETE")
    )


# An order of before knew one state: it becomes one payment with its books, and every step is told with its state.
RECORDS_WITH_PAYMENTS = """
UPDATE order_record SET body = (
  WITH old AS (
    SELECT body ->> '$.state' AS state, body ->> '$.amount' AS amount, substr(body ->> '$.amount', -3) AS currency,
      CAST(replace(substr(body ->> '$.amount', 1, instr(body ->> '$.amount', ' ') - 1), '.', '') AS INTEGER) AS minor
  )
  SELECT json_set(
    json_remove(body, '$.state', '$.chosen', '$.attempt', '$.happened'),
    '$.payments', json_array(json_object(
      'number', 1, 'chosen', json(body -> '$.chosen'), 'state', state, 'begun_at', body ->> '$.placed_at',
      'books', json_object('currency', currency, 'ordered', minor,
        'authorised', iif(state = 'paid', minor, 0), 'taken', iif(state = 'paid', minor, 0)))),
    '$.happened', (
      SELECT json_group_array(json_object(
        'at', one.value ->> '$.at',
        'what', iif(move = 'outcome-set-aside', 'notice-refused', move),
        'by', iif(move IN ('paid', 'declined', 'outcome-set-aside'), 'provider', 'buyer'),
        'payment', 1, 'tender', one.value ->> '$.tender',
        'state', CASE move WHEN 'placed' THEN 'open' WHEN 'sent-to-provider' THEN 'at-provider'
          WHEN 'arranged' THEN 'awaiting-payment' WHEN 'paid' THEN 'paid' ELSE 'declined' END,
        'kept', iif(move = 'paid', amount, '0 ' || currency)))
      FROM (SELECT value, value ->> '$.move' AS move FROM json_each(body, '$.happened')) AS one))
  FROM old)
"""

MIGRATIONS: Sequence[tuple[str, Sequence[str]]] = (
    (
        "0001-shop-cards-accounts",
        (
            "CREATE TABLE shop (id INTEGER PRIMARY KEY CHECK (id = 1), "
            "version INTEGER NOT NULL, body TEXT NOT NULL)",
            "CREATE TABLE rate_card (id INTEGER PRIMARY KEY, provider TEXT NOT NULL, valid_from TEXT NOT NULL, "
            "body TEXT NOT NULL, UNIQUE (provider, valid_from))",
            "CREATE TABLE account (id INTEGER PRIMARY KEY, provider TEXT NOT NULL, mode TEXT NOT NULL, "
            "body TEXT NOT NULL, UNIQUE (provider, mode))",
        ),
    ),
    (
        "0002-draft-and-editions",
        (
            "CREATE TABLE draft (id INTEGER PRIMARY KEY CHECK (id = 1), "
            "version INTEGER NOT NULL, body TEXT NOT NULL)",
            "CREATE TABLE edition (number INTEGER PRIMARY KEY, published_at TEXT NOT NULL, body TEXT NOT NULL)",
            "CREATE TRIGGER edition_stays BEFORE UPDATE ON edition "
            "BEGIN SELECT RAISE(ABORT, 'an edition is immutable'); END",
            "CREATE TRIGGER edition_remains BEFORE DELETE ON edition "
            "BEGIN SELECT RAISE(ABORT, 'an edition is immutable'); END",
        ),
    ),
    (
        "0003-orders-and-messages",
        (
            "CREATE TABLE order_record (number INTEGER PRIMARY KEY, token TEXT NOT NULL UNIQUE, "
            "version INTEGER NOT NULL, body TEXT NOT NULL)",
            "CREATE TABLE message (id INTEGER PRIMARY KEY, order_token TEXT NOT NULL, body TEXT NOT NULL)",
            "CREATE INDEX message_by_order ON message (order_token)",
        ),
    ),
    (
        "0004-month-and-assumptions",
        (
            "ALTER TABLE rate_card ADD COLUMN version INTEGER NOT NULL DEFAULT 1",
            "CREATE TABLE provider (id TEXT PRIMARY KEY, body TEXT NOT NULL)",
            "CREATE TABLE profile (id INTEGER PRIMARY KEY CHECK (id = 1), "
            "version INTEGER NOT NULL, body TEXT NOT NULL)",
            "CREATE TABLE assumptions (id INTEGER PRIMARY KEY CHECK (id = 1), "
            "version INTEGER NOT NULL, body TEXT NOT NULL)",
            "CREATE TABLE matching (header TEXT PRIMARY KEY, body TEXT NOT NULL)",
            "CREATE TABLE past_order (id TEXT PRIMARY KEY, placed_on TEXT NOT NULL, minor INTEGER NOT NULL, "
            "currency TEXT NOT NULL, country TEXT NOT NULL, line TEXT, kinds TEXT, recurring INTEGER, "
            "card_kind TEXT, card_network TEXT, refund_of TEXT) WITHOUT ROWID",
            "CREATE TABLE revision (number INTEGER NOT NULL)",
            "INSERT INTO revision (number) VALUES (0)",
            *(statement for table in WATCHED for statement in _watch(table)),
        ),
    ),
    (
        "0005-accounts-in-full",
        (
            # A provider may be held twice in a mode: accounts go by an id of their own.
            "ALTER TABLE account RENAME TO account_before",
            "CREATE TABLE account (id INTEGER PRIMARY KEY, account TEXT NOT NULL, provider TEXT NOT NULL, "
            "mode TEXT NOT NULL, body TEXT NOT NULL, UNIQUE (account, mode))",
            "INSERT INTO account (account, provider, mode, body) "
            "SELECT provider, provider, mode, body FROM account_before",
            "DROP TABLE account_before",
            *_watch("account"),
            "CREATE TABLE sealed (name TEXT PRIMARY KEY, version INTEGER NOT NULL, body BLOB NOT NULL) WITHOUT ROWID",
            "CREATE TABLE paper (id TEXT PRIMARY KEY, kind TEXT NOT NULL, name TEXT NOT NULL, "
            "media_type TEXT NOT NULL, size INTEGER NOT NULL, digest TEXT NOT NULL, added_at TEXT NOT NULL, "
            "order_token TEXT, body BLOB NOT NULL)",
            "CREATE TABLE exchange (id INTEGER PRIMARY KEY, account TEXT NOT NULL, mode TEXT NOT NULL, "
            "at TEXT NOT NULL, incoming INTEGER NOT NULL, message TEXT, body TEXT NOT NULL)",
            "CREATE UNIQUE INDEX exchange_once ON exchange (account, mode, message) WHERE message IS NOT NULL",
            "CREATE INDEX exchange_by_account ON exchange (account, mode, id)",
            "CREATE TABLE clock (ahead_seconds INTEGER NOT NULL)",
            "INSERT INTO clock (ahead_seconds) VALUES (0)",
            RECORDS_WITH_PAYMENTS,
            "ALTER TABLE order_record ADD COLUMN buyer TEXT NOT NULL DEFAULT ''",
            "ALTER TABLE order_record ADD COLUMN waits INTEGER NOT NULL DEFAULT 1",
            "CREATE INDEX order_waiting ON order_record (number) WHERE waits = 1",
            "CREATE TABLE payment_reference (reference TEXT PRIMARY KEY, order_token TEXT NOT NULL) WITHOUT ROWID",
        ),
    ),
    (
        "0006-payments-by-account",
        (
            # Two gateways may call different payments by one name.
            "CREATE TABLE payment_at (account TEXT NOT NULL, mode TEXT NOT NULL, reference TEXT NOT NULL, "
            "order_token TEXT NOT NULL, PRIMARY KEY (account, mode, reference)) WITHOUT ROWID",
            "INSERT OR IGNORE INTO payment_at SELECT payment.value ->> '$.chosen.account', body ->> '$.mode', "
            "payment.value ->> '$.reference', token FROM order_record, json_each(body, '$.payments') AS payment "
            "WHERE payment.value ->> '$.reference' IS NOT NULL AND payment.value ->> '$.chosen.account' IS NOT NULL",
            "CREATE INDEX payment_at_reference ON payment_at (reference)",
            "DROP TABLE payment_reference",
            # An order that is asked for twice under one key is placed once.
            "CREATE TABLE order_key (key TEXT PRIMARY KEY, asked TEXT NOT NULL, order_token TEXT NOT NULL) "
            "WITHOUT ROWID",
        ),
    ),
    (
        "0007-past-orders-by-reading",
        (
            # Rows come in many short transactions, and count once their reading is done.
            "ALTER TABLE past_order ADD COLUMN reading INTEGER NOT NULL DEFAULT 0",
            "CREATE TABLE past_reading (id INTEGER PRIMARY KEY, done INTEGER NOT NULL)",
            "INSERT INTO past_reading (id, done) VALUES (0, 1)",
        ),
    ),
    (
        "0008-orders-by-state-and-moment",
        (
            # Filled in when the store is opened: where an order stands is worked out from its payments.
            "ALTER TABLE order_record ADD COLUMN state TEXT NOT NULL DEFAULT ''",
            "ALTER TABLE order_record ADD COLUMN due_at TEXT",
            "DROP INDEX order_waiting",
            "ALTER TABLE order_record DROP COLUMN waits",
            "CREATE INDEX order_due ON order_record (due_at) WHERE due_at IS NOT NULL",
            "CREATE INDEX order_by_state ON order_record (state, number)",
        ),
    ),
    (
        "0009-invoices-and-pictures",
        (
            # A number of an invoice is never given out twice, whatever becomes of the order.
            "CREATE TABLE invoice (number INTEGER PRIMARY KEY AUTOINCREMENT, order_token TEXT NOT NULL, "
            "payment INTEGER NOT NULL, UNIQUE (order_token, payment))",
            "CREATE TABLE picture (id TEXT PRIMARY KEY, media_type TEXT NOT NULL, width INTEGER NOT NULL, "
            "height INTEGER NOT NULL, body BLOB NOT NULL) WITHOUT ROWID",
        ),
    ),
    (
        "0010-vouchers",
        (
            "CREATE TABLE voucher (id TEXT PRIMARY KEY, digest TEXT NOT NULL UNIQUE, kind TEXT NOT NULL, "
            "ends_in TEXT NOT NULL, currency TEXT NOT NULL, expires TEXT, note TEXT NOT NULL, sold_by TEXT NOT NULL)",
            "CREATE UNIQUE INDEX voucher_sold_by ON voucher (sold_by) WHERE sold_by <> ''",
            "CREATE TABLE voucher_entry (number INTEGER PRIMARY KEY AUTOINCREMENT, voucher TEXT NOT NULL "
            "REFERENCES voucher (id), at TEXT NOT NULL, what TEXT NOT NULL, minor INTEGER NOT NULL, "
            "order_token TEXT NOT NULL)",
            "CREATE INDEX voucher_entry_of ON voucher_entry (voucher, number)",
            # Entries are never edited: what was wrong is put right by another one.
            "CREATE TRIGGER voucher_entry_stays BEFORE UPDATE ON voucher_entry "
            "BEGIN SELECT RAISE(ABORT, 'an entry of a voucher is never edited'); END",
            "CREATE TRIGGER voucher_entry_is_kept BEFORE DELETE ON voucher_entry "
            "BEGIN SELECT RAISE(ABORT, 'an entry of a voucher is never taken away'); END",
            "CREATE TABLE voucher_handle (handle TEXT PRIMARY KEY, voucher TEXT NOT NULL, until TEXT NOT NULL) "
            "WITHOUT ROWID",
            "CREATE TABLE voucher_wrong (who TEXT NOT NULL, at TEXT NOT NULL)",
            "CREATE INDEX voucher_wrong_by ON voucher_wrong (who, at)",
        ),
    ),
    (
        "0015-past-orders-by-method",
        (
            "ALTER TABLE past_order ADD COLUMN method TEXT",
            # How orders were paid that were kept before, until the reading that says so is whole.
            "CREATE TABLE past_paid (id TEXT PRIMARY KEY, method TEXT NOT NULL, card_kind TEXT, card_network TEXT) "
            "WITHOUT ROWID",
        ),
    ),
)


def migrate(database: SqliteDatabase) -> None:
    """Run every step that has not run yet."""
    database.execute_sql("CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)")
    applied = {row[0] for row in database.execute_sql("SELECT name FROM migration").fetchall()}
    for name, statements in MIGRATIONS:
        if name not in applied:
            _run(database, name, partial(_each, database, statements))
    for name, upgrade in UPGRADES:
        if name not in applied:
            _run(database, name, partial(upgrade, database))


def _each(database: SqliteDatabase, statements: Sequence[str]) -> None:
    for statement in statements:
        database.execute_sql(statement)


def _run(database: SqliteDatabase, name: str, step: Callable[[], object]) -> None:
    """Run a step and write down that it ran, in one transaction."""
    with database.atomic("IMMEDIATE"):
        step()
        moment = datetime.now(UTC).isoformat()
        database.execute_sql("INSERT INTO migration (name, applied_at) VALUES (?, ?)", (name, moment))
