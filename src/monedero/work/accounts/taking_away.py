"""Providers and accounts are taken away for good, unless something uses them: that is told, and nothing changes."""

from collections.abc import Iterable, Iterator
from typing import NamedTuple

from monedero.core.account import Account, Act, Mode
from monedero.core.checkout.model import Checkout
from monedero.core.due import DueCode, due
from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.payment.state import HOLDS_MONEY
from monedero.store import Store
from monedero.store.rate_cards import day_of
from monedero.work.accounts.gateways import access_name
from monedero.work.prices.inputs import UNDER_WAY
from monedero.work.shop.lookups import described_shop


class Leaver(NamedTuple):
    """The provider that is to go, by its id and its name."""

    id: str
    name: str


def take_provider_away(store: Store, provider: str) -> None:
    """Take a provider away: each version of its card, what is known of it, and accounts that nobody uses any more.

    Refused while a draft or what buyers see has a way to pay through it, an account with it is held or begun, or an
    order may have to be paid back there.
    """
    with store.together():
        cards = [card for card in store.rate_cards.all() if card.provider.id == provider]
        facts = store.providers.all().get(provider)
        if facts is None and not cards:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", provider, {"what": "provider"}))
        leaver = Leaver(provider, facts.name if facts else cards[0].provider.name)
        held = [
            account
            for mode in Mode
            for account in store.accounts.of(mode).values()
            if account.provider == provider
        ]
        faults = [*_ways_through(store, leaver), *_held(held, leaver), *_orders(store, held, leaver)]
        if faults:
            raise Conflict(*faults)
        for card in cards:
            store.rate_cards.remove(provider, day_of(card))
        for account in held:
            _remove(store, account)
        store.providers.remove(provider)


def take_account_away(store: Store, account: Account) -> None:
    """Take an account away that is not under way any more; refused while an order may have to be paid back there."""
    if not account.can(Act.TAKE_AWAY):
        raise Conflict(Fault(FaultCode.STAGE_NOT_FIT, "stage", account.stage.value))
    facts = store.providers.all().get(account.provider)
    with store.together():
        faults = [*_orders(store, [account], Leaver(account.provider, facts.name if facts else account.provider))]
        if faults:
            raise Conflict(*faults)
        _remove(store, account)


def _remove(store: Store, account: Account) -> None:
    store.accounts.remove(account)
    store.sealed.drop(access_name(account.id, account.mode))


def _ways_through(store: Store, leaver: Leaver) -> Iterator[Fault]:
    """The ways to pay that go through a provider, in each draft and in what the buyers of each storefront see."""
    newest = (store.editions.newest(storefront) for storefront in store.editions.storefronts())
    seen = [edition.published.checkout for edition in newest if edition]
    names = {front.id: front.name for front in described_shop(store).value.storefronts}
    both: list[tuple[FaultCode, Iterable[Checkout]]] = [
        (FaultCode.PROVIDER_IN_DRAFT, store.checkouts.all()),
        (FaultCode.PROVIDER_PUBLISHED, seen),
    ]
    for code, checkouts in both:
        for checkout in checkouts:
            tenders = [
                entry.name for entry in checkout.tenders if entry.route and entry.route.provider == leaver.id
            ]
            if tenders:
                told = {
                    "provider": leaver.name,
                    "tenders": ", ".join(tenders),
                    "storefront": names.get(checkout.storefront, checkout.storefront),
                }
                yield Fault(code, "provider", leaver.id, told)


def _held(accounts: Iterable[Account], leaver: Leaver) -> Iterator[Fault]:
    for account in accounts:
        if account.stage in UNDER_WAY:
            told = {"provider": leaver.name, "account": account.name or leaver.name}
            yield Fault(FaultCode.PROVIDER_HELD, "provider", leaver.id, told)


def _orders(store: Store, accounts: Iterable[Account], leaver: Leaver) -> Iterator[Fault]:
    ids = {(account.id, account.mode) for account in accounts}
    numbers = [
        record.number
        for _, record in store.orders.all()
        if (record.payment.chosen.account, record.mode) in ids
        and (record.payment.state in HOLDS_MONEY or any(one.code is not DueCode.CHOOSE for one in due(record)))
    ]
    if numbers:
        told = {"provider": leaver.name, "orders": ", ".join(map(str, sorted(numbers)))}
        yield Fault(FaultCode.ORDERS_WAIT, "provider", leaver.id, told)
