"""Hearing notifications: each is believed only by its signature, counted once, and kept with what became of it.

What is counted is written down in the same transaction as the payment that it moves; only then is it answered, so
that one whose answer was lost comes again and is known.

Source: Standard Webhooks 1.0.0.
"""

import logging
from collections.abc import Callable, Mapping
from datetime import datetime

from pydantic import ValidationError

from monedero.core.account import Account, Mode
from monedero.core.card_number import masked
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, Refused
from monedero.core.fields import BY_PROGRAM
from monedero.core.payment.notice import Fate
from monedero.core.record import OrderRecord
from monedero.formats import webhook
from monedero.formats.gateway import Notification
from monedero.formats.json_text import faults
from monedero.store import DatabaseError, Store
from monedero.store.exchanges import Exchange
from monedero.work.accounts.gateways import Access, access_name
from monedero.work.orders import order_events
from monedero.work.orders.place_order import OrderIntake

LARGEST = 64 * 1024
SHOWN_HEADERS = (webhook.ID, webhook.TIMESTAMP)
VERDICTS = {Fate.COUNTED: "counted", Fate.AGAIN: "again", Fate.EARLY: "early", Fate.REFUSED: "refused"}


class Notifications:
    """Takes in the notifications of one shop."""

    def __init__(self, store: Store, intake: OrderIntake, now: Callable[[], datetime]) -> None:
        self._store = store
        self._intake = intake
        self._now = now

    def account_at(self, endpoint: str) -> Account | None:
        """The account whose notifications come to an address."""
        for mode in Mode:
            for account in self._store.accounts.of(mode).values():
                if account.endpoint and account.endpoint == endpoint:
                    return account
        return None

    def hear(self, account: Account, headers: Mapping[str, str], body: bytes) -> Exchange:
        """Take in a notification; a refusal is kept with its reason, and raised for the answer."""
        shown = {name: headers.get(name, "")[:200] for name in SHOWN_HEADERS}
        blank = Exchange(
            account=account.id,
            mode=account.mode,
            at=self._now(),
            incoming=True,
            what="notification",
            verdict="refused",
            text=masked(body[:LARGEST].decode("utf-8", "replace")),
            headers=shown,
        )
        try:
            message = self._believed(account, headers, body)
            notification = _read(body)
        except InvalidInput as refused:
            self._refuse(blank, refused)
            raise
        blank = blank.model_copy(update={"what": notification.type, "payment": notification.payment or ""})
        if self._store.exchanges.has(account.id, account.mode, message.id):
            again = blank.model_copy(update={"verdict": "again"})
            self._store.exchanges.add(again)
            return again
        return self._count(account, notification, blank.model_copy(update={"message": message.id}))

    def replay(self, number: int) -> Exchange:
        """Count a kept notification by hand, as it came; what was counted counts once all the same."""
        kept = self._store.exchanges.get(number)
        if kept is None or not kept.incoming:
            raise Conflict(Fault(FaultCode.NOT_FOUND, "exchange", str(number), {"what": "notification"}))
        account = self._store.accounts.get(kept.account, kept.mode)
        if account is None or kept.message is None:
            raise Conflict(Fault(FaultCode.NOTICE_FORGED, webhook.SIGNATURE))
        notification = _read(kept.text.encode())
        again = kept.model_copy(update={"at": self._now(), "message": None, "by_hand": True})
        return self._count(account, notification, again)

    def _believed(self, account: Account, headers: Mapping[str, str], body: bytes) -> webhook.SignedMessage:
        access = self._store.sealed.get(access_name(account.id, account.mode), Access)
        now = self._now()
        secrets_now = [
            entry.secret
            for entry in (access.secrets if access else [])
            if entry.until is None or entry.until > now
        ]
        return webhook.verified(secrets_now, headers, body, now)

    def _count(self, account: Account, notification: Notification, exchange: Exchange) -> Exchange:
        """Count a notification and keep it, together."""
        try:
            if notification.mode is not account.mode or notification.account != account.number:
                what = {"mode": notification.mode.value, "wanted": account.mode.value}
                raise InvalidInput(Fault(FaultCode.NOTICE_OTHER, "account", notification.account, what))
            with self._store.together():
                exchange = self._counted(account, notification, exchange)
                self._store.exchanges.add(exchange)
        except Refused as refused:
            # An unknown payment may be known in a moment: its id stays free, so that it counts when it comes again.
            unknown = refused.faults[0].code is FaultCode.NOTICE_UNKNOWN
            self._refuse(exchange.model_copy(update={"message": None} if unknown else {}), refused)
            raise
        return exchange

    def _counted(self, account: Account, notification: Notification, exchange: Exchange) -> Exchange:
        """A payment hears its own account alone: what another one tells of it is about a payment that is not there."""
        if notification.notice is None or notification.payment is None:
            return exchange.model_copy(update={"verdict": "read"})
        token = self._store.orders.by_payment(account.id, account.mode, notification.payment)
        record = self._store.orders.get(token) if token else None
        if record is None:
            raise InvalidInput(Fault(FaultCode.NOTICE_UNKNOWN, "payment", notification.payment))
        notice = notification.notice
        number = next(
            payment.number
            for payment in record.payments
            if (payment.chosen.account, payment.reference) == (account.id, notification.payment)
        )
        told: list[tuple[Fate, Fault | None]] = []

        def hear(before: OrderRecord) -> OrderRecord:
            after, fate, fault = order_events.hear(before, number, notice)
            told.append((fate, fault))
            return after

        after = self._intake.change(record.token, hear)
        fate, fault = told[-1]
        update = {
            "verdict": VERDICTS[fate],
            "order_number": after.number,
            "faults": (fault,) if fault else (),
        }
        return exchange.model_copy(update=update)

    def _refuse(self, exchange: Exchange, refused: Refused) -> None:
        """Keep what was refused, for reading alone."""
        try:
            self._store.exchanges.add(exchange.model_copy(update={"verdict": "refused", "faults": refused.faults}))
        except DatabaseError:
            logging.getLogger(__name__).exception("not kept: %s", exchange.what)


def _read(body: bytes) -> Notification:
    if len(body) > LARGEST:
        too_large = Fault(FaultCode.BODY_TOO_LARGE, "body", "", {"largest": str(LARGEST)})
        raise InvalidInput(Fault(FaultCode.NOTICE_UNREADABLE, "body"), too_large)
    try:
        return Notification.model_validate_json(body, context=BY_PROGRAM)
    except ValidationError as broken:
        raise InvalidInput(Fault(FaultCode.NOTICE_UNREADABLE, "body"), *faults(broken.errors())) from broken


class Health:
    """How the notifications of an account fare: when one was last taken, and since when they fail."""

    def __init__(self, store: Store, account: Account) -> None:
        self.last_seen: datetime | None = None
        self.failing_since: datetime | None = None
        for kept in store.exchanges.newest(account.id, account.mode, incoming=True):
            exchange = kept.exchange
            if exchange.verdict == "refused":
                if self.last_seen is None:
                    self.failing_since = exchange.at
                continue
            self.last_seen = self.last_seen or exchange.at

    @property
    def arrives(self) -> bool:
        """True if notifications arrive, as far as is known."""
        return self.last_seen is not None and self.failing_since is None
