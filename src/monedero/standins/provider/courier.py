"""The courier of notifications: signed, tried again until they are taken, and badly behaved on request.

Source: Standard Webhooks 1.0.0, which also recommends to try again at growing intervals.
"""

import random
import secrets
import threading
from collections.abc import Callable
from datetime import timedelta

from monedero.formats import webhook
from monedero.formats.gateway import Notification
from monedero.standins.provider.merchants import Merchants
from monedero.standins.provider.model import Faults, Merchant, Outgoing
from monedero.standins.provider.world import World

# The path, the headers and the body of a notification; gives back the status, or None where nobody answers.
Post = Callable[[str, dict[str, str], bytes], int | None]

TRY_AGAIN_AFTER = (
    timedelta(seconds=5),
    timedelta(minutes=5),
    timedelta(minutes=30),
    timedelta(hours=2),
    timedelta(hours=5),
    timedelta(hours=10),
    timedelta(hours=14),
    timedelta(hours=20),
    timedelta(hours=24),
)


class Courier:
    """Holds what is on its way to the shops."""

    def __init__(self, world: World, merchants: Merchants, post: Post) -> None:
        """`post` carries a notification."""
        self._memory = world.memory
        self._now = world.now
        self._merchants = merchants
        self._post = post
        # One courier at a time: a message is not brought twice because two threads found it due.
        self._carrying = threading.Lock()
        self._random = random.Random(world.seed)

    def faults(self, provider: str) -> Faults:
        """Tells what a provider is told to do wrong."""
        return self._memory.get(Faults, provider) or Faults(provider=provider)

    def set_faults(self, faults: Faults) -> None:
        """Tell a provider to do something wrong, or to stop it."""
        self._memory.put(faults.provider, faults)

    def take(self, merchant: Merchant, notification: Notification) -> None:
        """Take a notification on its way; `carry` brings it there."""
        faults = self.faults(merchant.provider)
        due = self._now() + timedelta(minutes=faults.late_minutes)
        outgoing = Outgoing(
            id=f"msg_{secrets.token_hex(12)}",
            provider=merchant.provider,
            merchant=merchant.number,
            body=notification.model_dump_json(exclude_none=True),
            due_at=due,
        )
        self._memory.put(outgoing.id, outgoing, waits=True, due=due)
        if faults.double:
            # The same message once more, under its own id: it must count once all the same.
            again = outgoing.model_copy(update={"id": f"msg_{secrets.token_hex(12)}"})
            self._memory.put(again.id, again, waits=True, due=due)
        if faults.forge:
            forged = outgoing.model_copy(update={"id": f"msg_{secrets.token_hex(12)}", "forged": True})
            self._memory.put(forged.id, forged, waits=True, due=due)

    def all(self) -> list[Outgoing]:
        """Everything that was ever on its way."""
        return self._memory.all(Outgoing)

    def carry(self) -> None:
        """Bring everything there that is due."""
        with self._carrying:
            self._carry_due()

    def _carry_due(self) -> None:
        now = self._now()
        due = self._memory.waiting(Outgoing, by=now)
        if any(self.faults(outgoing.provider).shuffle for outgoing in due):
            self._random.shuffle(due)
        for outgoing in due:
            self._carry(outgoing)

    def carry_all(self) -> None:
        """Bring everything there that is not taken yet, due or not."""
        with self._carrying:
            for outgoing in self._memory.waiting(Outgoing):
                self._carry(outgoing)

    def send_again(self, message_id: str) -> None:
        """Bring a notification there once more, as it was."""
        outgoing = self._memory.get(Outgoing, message_id)
        if outgoing is not None:
            self._carry(outgoing)

    def _carry(self, outgoing: Outgoing) -> None:
        endpoint = self._merchants.get(outgoing.merchant).endpoint
        if endpoint is None:
            return
        now = self._now()
        body = outgoing.body.encode()
        secret = webhook.new_secret() if outgoing.forged else endpoint.secret
        status = self._post(endpoint.path, webhook.signed(secret, outgoing.id, now, body), body)
        taken = status is not None and 200 <= status < 300
        given_up = outgoing.tries >= len(TRY_AGAIN_AFTER) or outgoing.forged
        wait = TRY_AGAIN_AFTER[min(outgoing.tries, len(TRY_AGAIN_AFTER) - 1)]
        update = {
            "tries": outgoing.tries + 1,
            "outcomes": [*outgoing.outcomes, f"{now:%d.%m.%Y, %H:%M} UTC: {status or 'no answer'}"][-12:],
            "done": taken or given_up,
            "due_at": now + wait,
        }
        after = outgoing.model_copy(update=update)
        self._memory.put(outgoing.id, after, waits=not after.done, due=after.due_at)
