"""A code by phone: sent as a text or said in a call, good for ten minutes and five tries, and sent again on request."""

import hmac
import secrets
from collections.abc import Callable
from datetime import datetime, timedelta

from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.core.letter import Carrier, Way, Words
from monedero.store import Store

HOLDS = timedelta(minutes=10)
AGAIN_AFTER = timedelta(seconds=30)
TRIES = 5


class PhoneCode(BaseModel):
    """A code that was sent. It is sealed like every secret."""

    number: str
    code: str
    sent_at: datetime
    tries: int = 0


class PhoneCodes:
    """The codes of a shop's applications."""

    def __init__(
        self, store: Store, letters: Carrier, now: Callable[[], datetime], write: Callable[[str, str], str]
    ) -> None:
        """`write` words a code that a sender sends."""
        self._store = store
        self._letters = letters
        self._now = now
        self._write = write

    def send(self, about: str, sender: str, number: str, way: Way) -> datetime:
        """Send a fresh code; the one before it no longer holds. Returns until when it is good."""
        sent = self._store.sealed.get(_name(about), PhoneCode)
        now = self._now()
        if sent is not None and sent.number == number and now - sent.sent_at < AGAIN_AFTER:
            seconds = (AGAIN_AFTER - (now - sent.sent_at)).seconds + 1
            raise Conflict(Fault(FaultCode.CODE_TOO_SOON, "phone", number, {"seconds": str(seconds)}))
        code = f"{secrets.randbelow(10**6):06d}"
        self._store.sealed.put(_name(about), PhoneCode(number=number, code=code, sent_at=now))
        shown = code if way == "text" else ", ".join(code)
        text = self._write(sender, shown)
        self._letters.send(way, sender, number, Words(text))
        return now + HOLDS

    def check(self, about: str, number: str, given: str) -> None:
        """Refuse a code that is wrong, old, spent, or of another number; a right one holds once."""
        sent = self._store.sealed.get(_name(about), PhoneCode)
        if sent is None or sent.number != number:
            raise Conflict(Fault(FaultCode.CODE_NOT_SENT, "code", ""))
        if self._now() - sent.sent_at > HOLDS:
            raise Conflict(Fault(FaultCode.CODE_EXPIRED, "code", ""))
        if sent.tries >= TRIES:
            raise Conflict(Fault(FaultCode.CODE_SPENT, "code", ""))
        digits = "".join(sign for sign in given if sign.isdigit())
        if not hmac.compare_digest(digits.encode(), sent.code.encode()):
            tries = sent.tries + 1
            self._store.sealed.put(_name(about), sent.model_copy(update={"tries": tries}))
            if tries >= TRIES:
                raise Conflict(Fault(FaultCode.CODE_SPENT, "code", ""))
            raise InvalidInput(Fault(FaultCode.CODE_WRONG, "code", given[:12], {"left": str(TRIES - tries)}))
        self._store.sealed.drop(_name(about))


def _name(about: str) -> str:
    return f"code {about}"
