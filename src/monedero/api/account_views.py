"""Accounts and sheets as they are answered: codes and figures in words."""

from monedero.api.account_schemas import (
    AccountOut,
    ApplicationOut,
    AskOut,
    BringsOut,
    Excluded,
    Masked,
    MethodSides,
    NotificationsOut,
    SaidOut,
    SheetOut,
)
from monedero.core.account import Account, Mode, Stage
from monedero.core.method import Certain
from monedero.core.money import Money
from monedero.core.tender.model import Tender
from monedero.figures import methods
from monedero.wording import reason_text
from monedero.wording.accounts import ASKS, CONNECTS, STANDINGS, STANDS, WAITS_FOR
from monedero.wording.facts import terms_text
from monedero.wording.show import day, money, whole
from monedero.work.accounts.hearing import Health
from monedero.work.accounts.sheets import Sheet
from monedero.work.grounds import grounds_of
from monedero.work.premises import Room

LATE = "It confirms late, and no notification has arrived: try them before you rely on it."


def since_text(account: Account | None) -> str:
    """The day on which an account reached its stage."""
    return f"since {day(account.since.isoformat())}" if account and account.since else ""


def account_out(room: Room, account: Account) -> AccountOut:
    """An account with its application, its masked credentials and the health of its notifications."""
    application, access = room.applying.application(account), room.connecting.access(account)
    facts = room.applying.facts(account.provider)
    labels = {field.id: field for field in facts.credentials}
    health = Health(room.store, account) if account.endpoint else None
    return AccountOut(
        id=account.id,
        name=account.name or facts.name,
        stage=account.stage,
        stands=STANDS[account.stage].format(provider=facts.name),
        since=since_text(account),
        waits_for=WAITS_FOR.get(account.stage, "").format(days=facts.review_days),
        number=account.number,
        pooled=account.pooled,
        storefronts=account.storefronts,
        application=ApplicationOut(
            payout=application.payout,
            phone=application.phone,
            phone_confirmed=application.phone_confirmed_at is not None,
            terms_version=application.terms_version,
            terms_accepted_at=application.terms_accepted_at,
            sent_at=application.sent_at,
            said=[SaidOut.model_validate(entry.model_dump()) for entry in application.exchanges],
            missing=[ask.value for ask in room.applying.missing(account)],
        ),
        credentials=[
            Masked(id=name, label=labels[name].label, shown=_masked(value, secret=labels[name].secret))
            for name, value in (access.fields if access else {}).items()
            if name in labels
        ],
        connected_as=access.email if access else "",
        changed_at=access.changed_at if access else None,
        notifications=NotificationsOut(
            address=f"/notify/{account.endpoint}",
            last_seen=health.last_seen,
            failing_since=health.failing_since,
        )
        if health
        else None,
    )


def _masked(value: str, *, secret: bool) -> str:
    """A credential so that two of them can be told apart: what is no secret whole, of a secret the last four."""
    if not secret:
        return value
    if value.startswith("-----BEGIN"):
        return "certificate file"
    return f"ends in {value.strip()[-4:]}"


def sheet_out(room: Room, found: Sheet, mode: Mode) -> SheetOut:
    """The sheet of a provider."""
    facts, brings, grounds = found.facts, found.brings, grounds_of(room.store)
    names = room.till.provider_names()
    saves = ""
    if brings.more_carried:
        saves = f"It carries {whole(brings.more_carried)} orders a month that no other provider carries."
    elif brings.saves is not None:
        less = str(Money.rounded(brings.saves, grounds.shop.currency))
        saves = f"The cheapest mix for your month has it, and costs {money(less)} less for it."
    elif not found.shut:
        saves = "The cheapest mix for your month does without it."
    domain = next((entry.domain for entry in grounds.shop.storefronts if entry.domain), None)
    number = next((account.number for account in found.accounts if account.number), "")
    percent = brings.orders / brings.of_orders * 100 if brings.of_orders else brings.orders
    return SheetOut(
        mode=mode,
        provider=facts.id,
        name=facts.name,
        about=facts.about,
        brings=BringsOut(
            orders=whole(brings.orders),
            of_orders=whole(brings.of_orders),
            percent=whole(percent),
            saves=saves,
        ),
        methods=_sides(room, found),
        shut=[reason_text(reason, names) for reason in found.shut],
        asks=[AskOut(ask=ask.value, text=ASKS[ask], there=there) for ask, there in found.asks],
        review_days=facts.review_days,
        terms=terms_text(found.card.terms, facts.id in grounds.shop.terminals) if found.card else "",
        terms_version=facts.terms_version,
        excludes=[
            Excluded(provider=other.id, name=other.name, unlocks=other.unlocks, held=held)
            for other, held in found.excludes
        ],
        unlocks=facts.unlocks,
        connects=facts.connects,
        connects_text=CONNECTS[facts.connects].format(provider=facts.name),
        fields=facts.credentials,
        domain=domain or "",
        domain_file=f"/.well-known/payment-domain/{number}" if number and facts.domain_for else "",
        office="" if facts.gateway else f"{room.provider.world.mounted_at}/{facts.id}/office",
        own_gateway=facts.gateway or "",
        accounts=[account_out(room, account) for account in found.accounts],
    )


def _sides(room: Room, found: Sheet) -> list[MethodSides]:
    """Both sides of every method of the provider."""
    account = next((held for held in found.accounts if held.stage is Stage.CONNECTED), None)
    carried = [rate.method for rate in found.card.rates] if found.card else []
    if account is not None:
        carried += [*account.active_methods, *(held.method for held in account.other_methods)]
    arrives = account is not None and Health(room.store, account).arrives
    sides = []
    for method in dict.fromkeys(carried):
        traits = methods.method(method)
        tender = next((entry for entry in found.tenders if entry.method == method), None)
        late = traits.certain is Certain.LATER and account is not None and not arrives
        orders = found.brings.by_method.get(method)
        share = orders / found.brings.of_orders * 100 if orders and found.brings.of_orders else None
        sides.append(
            MethodSides(
                method=method,
                name=traits.name,
                share=f"{whole(share)} % of your orders" if share is not None else "none of your orders",
                active=account is not None and method in account.active_methods,
                there=_there(account, method),
                tender=tender.id if tender else None,
                here=_here(tender),
                follows=tender.follows if tender else False,
                warning=LATE if late else "",
            )
        )
    return sides


def _there(account: Account | None, method: str) -> str:
    if account is None:
        return "not connected"
    if method in account.active_methods:
        return "active"
    for held in account.other_methods:
        if held.method == method:
            ready = (
                f", ready {day(held.ready_at.date().isoformat())} at {held.ready_at:%H:%M}"
                if held.ready_at
                else ""
            )
            return STANDINGS[held.standing].format(why=held.reason, ready=ready)
    return "not in this account"


def _here(tender: Tender | None) -> str:
    if tender is None:
        return "not in the checkout"
    if tender.follows:
        return "follows the provider"
    return "on" if tender.on else "off"
