"""The context of an act: the shop, the storefront, the mode, the actor, the language and the moment.

A door (the desk, a buyer's page, a provider's notification, the clock, a command) makes one context from a request and
hands it on. No function below a door looks up any of the six for itself.
"""

from dataclasses import dataclass, replace
from datetime import date, datetime
from enum import StrEnum

from monedero.core.account import Mode
from monedero.store import Store


class Actor(StrEnum):
    """The side that acts. The desk's is the owner; the clock does by itself whatever is due."""

    OWNER = "owner"
    BUYER = "buyer"
    PROVIDER = "provider"
    CLOCK = "clock"


@dataclass(frozen=True, slots=True)
class Context:
    """Everything that an act is about besides its own subject.

    `shop` holds all that is kept of the shop. `storefront` is the id of one of its storefronts, and empty only until
    the shop is described. `mode` is that of the storefront's checkout, or the one that was asked for. `language` is a
    tag of BCP 47: the reader's. `now` is the shop's time, in UTC.
    """

    shop: Store
    storefront: str
    mode: Mode
    actor: Actor
    language: str
    now: datetime

    @classmethod
    def of(cls, shop: Store, actor: Actor, now: datetime, storefront: str = "", language: str = "en") -> "Context":
        """The context of a door; without a storefront, at the shop's first. Buyers are in the mode of their edition."""
        at = storefront or shop.first_storefront()
        mode = shop.buyers_mode(at) if actor is Actor.BUYER else shop.mode(at)
        return cls(shop, at, mode, actor, language, now)

    @property
    def day(self) -> date:
        """The day of `now`."""
        return self.now.date()

    def at(self, storefront: str) -> "Context":
        """The same context at another storefront of the shop, in the mode of that storefront's checkout."""
        return replace(self, storefront=storefront, mode=self.shop.mode(storefront))
