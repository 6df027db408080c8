"""The items about accounts: whether each takes real money, and whether the shop hears what happens there."""

from collections.abc import Iterator

from monedero.core.account import Account, Mode, Stage, Standing
from monedero.core.checkout.model import Tender
from monedero.core.ready import ReadyCode, ReadyItem
from monedero.store import Store
from monedero.work.accounts.gateways import Access, access_name
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.orders.notifications import Health
from monedero.work.prices.inputs import UNDER_WAY

Fields = dict[str, str | int]


def of_accounts(context: Context, snapshot: CheckoutSnapshot) -> Iterator[ReadyItem]:
    """The items of the accounts that carry a tender which is on, as they stand in live mode."""
    store = context.shop
    live = store.accounts.of(Mode.LIVE)
    carried: dict[str, list[Tender]] = {}
    for tender in snapshot.checkout.tenders:
        if tender.on and tender.carried_by:
            carried.setdefault(tender.carried_by, []).append(tender)
    for id, tenders in carried.items():
        provider = tenders[0].route.provider if tenders[0].route else id
        names: Fields = {"provider": _name(store, provider), "ways": ", ".join(tender.name for tender in tenders)}
        account = live.get(id)
        if account is None or account.stage is not Stage.CONNECTED:
            stage = account.stage if account else Stage.NOT_BEGUN
            yield ReadyItem(ReadyCode.ACCOUNT_NOT_LIVE, provider, names | {"stage": stage.value})
            continue
        yield from _of_methods(account, tenders, names)
        yield from _of_access(store, account, names)
        yield from _of_notifications(store, account, names)
    yield from _excluded(store, list(live.values()))


def _name(store: Store, provider: str) -> str:
    facts = store.providers.all().get(provider)
    return facts.name if facts else provider


def _of_methods(account: Account, tenders: list[Tender], names: Fields) -> Iterator[ReadyItem]:
    for tender in tenders:
        if tender.method in account.active_methods:
            continue
        standing = account.standing_of(tender.method)
        code = ReadyCode.METHOD_NOT_ACTIVE
        if standing is not None and standing.standing is Standing.NEEDS_DOMAIN:
            code = ReadyCode.DOMAIN_NOT_PROVEN
        yield ReadyItem(code, account.provider, {"provider": names["provider"], "name": tender.name})


def _of_access(store: Store, account: Account, names: Fields) -> Iterator[ReadyItem]:
    """The item of an account whose live credentials are those of its test."""
    live, test = (store.sealed.get(access_name(account.id, mode), Access) for mode in (Mode.LIVE, Mode.TEST))
    if live is not None and test is not None and live.token == test.token:
        yield ReadyItem(ReadyCode.TEST_ACCESS, account.provider, {"provider": names["provider"]})


def _of_notifications(store: Store, account: Account, names: Fields) -> Iterator[ReadyItem]:
    if account.elsewhere:
        return
    health, told = Health(store, account), {"provider": names["provider"]}
    if health.failing_since is not None:
        since: Fields = {**told, "since": health.failing_since.date().isoformat()}
        yield ReadyItem(ReadyCode.NOTIFICATIONS_FAIL, account.provider, since)
    elif health.last_seen is None:
        yield ReadyItem(ReadyCode.NO_NOTIFICATIONS, account.provider, {**told})


def _excluded(store: Store, accounts: list[Account]) -> Iterator[ReadyItem]:
    """Pairs of providers under way of which one says that the other may not be on beside it."""
    facts = store.providers.all()
    under_way = sorted({account.provider for account in accounts if account.stage in UNDER_WAY})
    for at, one in enumerate(under_way):
        for other in under_way[at + 1 :]:
            said = [facts[id].excludes for id in (one, other) if id in facts]
            if any(id in excludes for excludes in said for id in (one, other)):
                pair: Fields = {"provider": _name(store, one), "other": _name(store, other)}
                yield ReadyItem(ReadyCode.EXCLUDED_PAIR, one, pair)
