"""Accounts: beginning an application with a provider."""

from datetime import date

from monedero.core.account import Account, Mode, Stage
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.store import Store

CAN_BEGIN = (Stage.NOT_BEGUN, Stage.REFUSED)


def begin_application(store: Store, provider: str, day: date) -> Account:
    """Begin the application for an account in test mode; one that is under way, or held, stays as it is."""
    if all(card.provider.id != provider for card in store.rate_cards.all()):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", provider, {"what": "provider"}))
    held = store.accounts.of(Mode.TEST).get(provider)
    if held is not None and held.stage not in CAN_BEGIN:
        return held
    begun = Account(provider=provider, mode=Mode.TEST, stage=Stage.BEGUN, active_methods=[], since=day)
    store.accounts.put(begun)
    return begun
