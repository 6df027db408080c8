"""Signed notifications: a body with its id, its moment and its signature.

The signature covers id, whole Unix seconds and the body as it came, byte for byte. A message is old, or from the
future, beyond five minutes either way.

Source: Standard Webhooks 1.0.0 (headers webhook-id, webhook-timestamp, webhook-signature; HMAC-SHA256, `v1`).

>>> from datetime import datetime, UTC
>>> at = datetime.fromtimestamp(1614265330, UTC)
>>> secret = "whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw"
>>> headers = signed(secret, "msg_p5jXN8AQM9LWM0D4loKWxJek", at, b'{"test": 2432232314}')
>>> headers["webhook-signature"]
'v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE='
>>> verified([secret], headers, b'{"test": 1}', at)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: notice-forged webhook-signature=''
"""

import base64
import hmac
import secrets
from collections.abc import Iterable, Mapping
from datetime import UTC, datetime, timedelta
from typing import NamedTuple

from standardwebhooks import Webhook

from monedero.core.errors import FaultCode, refuse

ID, TIMESTAMP, SIGNATURE = "webhook-id", "webhook-timestamp", "webhook-signature"
TOLERANCE = timedelta(minutes=5)
LONGEST_ID = 256
# The last second of the year 9999, beyond which no date is known.
LAST_MOMENT = 253_402_300_799


class SignedMessage(NamedTuple):
    """A message that carries a right signature."""

    id: str
    at: datetime


def new_secret() -> str:
    """A fresh secret of 32 bytes, as the standard writes it."""
    return "whsec_" + base64.b64encode(secrets.token_bytes(32)).decode("ascii")


def signed(secret: str, message_id: str, at: datetime, body: bytes) -> dict[str, str]:
    """The headers of a message."""
    moment = at.astimezone(UTC)
    return {
        ID: message_id,
        TIMESTAMP: str(int(moment.timestamp())),
        SIGNATURE: Webhook(secret).sign(message_id, moment, body.decode("utf-8")),
    }


def verified(secrets_held: Iterable[str], headers: Mapping[str, str], body: bytes, now: datetime) -> SignedMessage:
    """A message that one of the secrets signed, within the tolerance; any other is refused by the header's name.

    Several secrets are held while one is being replaced, so that no message falls between them.
    """
    given = {name.lower(): text for name, text in headers.items()}
    for name in (ID, TIMESTAMP, SIGNATURE):
        if not given.get(name):
            raise refuse(FaultCode.NOTICE_FORGED, name, "")
    message_id, moment = given[ID], given[TIMESTAMP]
    if len(message_id) > LONGEST_ID or not moment.isascii() or not moment.isdigit() or len(moment) > 12:
        raise refuse(FaultCode.NOTICE_FORGED, TIMESTAMP, moment[:40])
    if int(moment) > LAST_MOMENT:
        raise refuse(FaultCode.NOTICE_FORGED, TIMESTAMP, moment)
    at = datetime.fromtimestamp(int(moment), UTC)
    try:
        rights = [signed(secret, message_id, at, body)[SIGNATURE] for secret in secrets_held]
    except UnicodeDecodeError:
        rights = []
    claims = given[SIGNATURE].split(" ")
    if not any(hmac.compare_digest(claim.encode(), right.encode()) for claim in claims for right in rights):
        raise refuse(FaultCode.NOTICE_FORGED, SIGNATURE, "")
    if abs(now - at) > TOLERANCE:
        raise refuse(FaultCode.NOTICE_OLD, TIMESTAMP, moment, sent=at.isoformat(), now=now.isoformat())
    return SignedMessage(message_id, at)
