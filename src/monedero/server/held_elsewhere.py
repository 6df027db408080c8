"""An account that is held elsewhere, with what rehearses it here: in test mode it is played under its name."""

from monedero.core.account import Account, Mode
from monedero.server.played_accounts import open_there
from monedero.server.shops import RunningShop
from monedero.standins.provider.merchants import Holder
from monedero.work.accounts.elsewhere import HeldElsewhere, held_elsewhere
from monedero.work.accounts.gateways import Access, access_name
from monedero.work.shop.lookups import described_shop


def hold_elsewhere(running: RunningShop, provider: str, mode: Mode, told: HeldElsewhere) -> Account:
    """Keep an account that is held elsewhere. In live mode nothing is played: its payments are carried there."""
    store = running.store
    with store.together():
        account = held_elsewhere(store, provider, mode, told)
        opened = store.sealed.get(access_name(account.id, mode), Access) is not None
        if mode is Mode.TEST and not opened and store.providers.all()[provider].gateway is None:
            shop = described_shop(store).value
            with running.provider.world.memory.together():
                account = open_there(
                    store, running.provider, account, Holder(shop.name, "", shop.country), running.clock.now()
                )
        store.accounts.put(account)
    return account
