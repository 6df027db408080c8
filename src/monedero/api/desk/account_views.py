"""Accounts and sheets as they are answered: codes and figures in words."""

from monedero.api.desk.account_schemas import (
    AccountOut,
    ApplicationOut,
    AskOut,
    BringsOut,
    Excluded,
    Masked,
    MethodSides,
    Named,
    NotificationsOut,
    SaidOut,
    SheetOut,
)
from monedero.core.account import Account, Act, Mode, Stage, Standing
from monedero.core.method import Certain
from monedero.core.money import Money
from monedero.server.shops import RunningShop
from monedero.wording import reason_text
from monedero.wording.accounts import (
    ask_text,
    connects_text,
    elsewhere_text,
    here_text,
    since_text,
    stands_text,
    there_text,
    waits_for_text,
)
from monedero.wording.catalogue import say
from monedero.wording.facts import terms_text
from monedero.wording.show import money, whole
from monedero.work.accounts.elsewhere import HeldElsewhere
from monedero.work.accounts.provider_sheet import Sheet
from monedero.work.context import Context
from monedero.work.orders.notifications import Health
from monedero.work.prices.inputs import inputs_of
from monedero.work.shop.lookups import method_in


def account_out(running: RunningShop, account: Account) -> AccountOut:
    """An account with its application, its masked credentials and the health of its notifications."""
    application, access = running.applications.application(account), running.connections.access(account)
    facts = running.applications.facts(account.provider)
    labels = {field.id: field for field in facts.credentials}
    health = Health(running.store, account) if account.endpoint else None
    return AccountOut(
        id=account.id,
        name=account.name or facts.name,
        stage=account.stage,
        can=[act for act in Act if account.can(act)],
        stands=say("stands-elsewhere") if account.elsewhere else stands_text(account.stage, facts.name),
        since=since_text(account),
        waits_for=waits_for_text(account.stage, facts.review_days),
        number=account.number,
        pooled=account.pooled,
        elsewhere=_elsewhere(account) if account.elsewhere else None,
        elsewhere_text=elsewhere_text(account, facts.name) if account.elsewhere else "",
        storefronts=account.storefronts,
        leaving=account.leaving,
        saved_details=account.saved_details,
        application=ApplicationOut(
            payout=application.payout,
            phone=application.phone,
            phone_confirmed=application.phone_confirmed_at is not None,
            terms_version=application.terms_version,
            terms_accepted_at=application.terms_accepted_at,
            sent_at=application.sent_at,
            said=[SaidOut.model_validate(entry.model_dump()) for entry in application.exchanges],
            missing=[ask.value for ask in running.applications.missing(account)],
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
        return say("certificate-file")
    return say("ends-in", end=value.strip()[-4:])


def sheet_out(running: RunningShop, context: Context, found: Sheet, mode: Mode) -> SheetOut:
    """The sheet of a provider."""
    facts, brings, inputs = found.facts, found.brings, inputs_of(context)
    names = running.intake.provider_names()
    saves = ""
    if brings.more_carried:
        saves = say("saves-more", orders=whole(brings.more_carried))
    elif brings.saves is not None:
        less = str(Money.rounded(brings.saves, inputs.shop.currency))
        saves = say("saves", less=money(less))
    elif not found.shut:
        saves = say("saves-nothing")
    domain = next((entry.domain for entry in inputs.shop.storefronts if entry.domain), None)
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
        methods=_sides(running, context, found),
        plans=[Named(id=plan.id, name=plan.name) for plan in (found.card.plans if found.card else [])],
        shut=[reason_text(reason, names) for reason in found.shut],
        asks=[AskOut(ask=ask.value, text=ask_text(ask), there=there) for ask, there in found.asks],
        review_days=facts.review_days,
        terms=terms_text(found.card.terms, facts.id in inputs.shop.terminals) if found.card else "",
        terms_version=facts.terms_version,
        excludes=[
            Excluded(provider=other.id, name=other.name, unlocks=other.unlocks, held=held)
            for other, held in found.excludes
        ],
        unlocks=facts.unlocks,
        connects=facts.connects,
        connects_text=connects_text(facts.connects, facts.name),
        fields=facts.credentials,
        domain=domain or "",
        domain_file=f"/.well-known/payment-domain/{number}" if number and facts.domain_for else "",
        office="" if facts.gateway else f"{running.provider.world.mounted_at}/{facts.id}/office",
        own_gateway=facts.gateway or "",
        accounts=[account_out(running, account) for account in found.accounts],
    )


def _sides(running: RunningShop, context: Context, found: Sheet) -> list[MethodSides]:
    """Both sides of every method of the provider."""
    account = next((held for held in found.accounts if held.stage is Stage.CONNECTED), None)
    carried = [rate.method for rate in found.card.rates] if found.card else []
    if account is not None:
        carried += [*account.active_methods, *(held.method for held in account.other_methods)]
    arrives = account is not None and Health(running.store, account).arrives
    known, sides = inputs_of(context).methods, []
    for method in dict.fromkeys(carried):
        traits = method_in(known, method)
        tender = next((entry for entry in found.tenders if entry.method == method), None)
        late = traits.certain is Certain.LATER and account is not None and not arrives
        standing = account.standing_of(method) if account else None
        orders = found.brings.by_method.get(method)
        share = orders / found.brings.of_orders * 100 if orders and found.brings.of_orders else None
        sides.append(
            MethodSides(
                method=method,
                name=traits.name,
                share=say("share-none") if share is None else say("share-of-orders", percent=whole(share)),
                active=account is not None and method in account.active_methods,
                there=there_text(account, method),
                needs_domain=standing is not None and standing.standing is Standing.NEEDS_DOMAIN,
                tender=tender.id if tender else None,
                here=here_text(tender),
                follows=tender.follows if tender else False,
                warning=say("confirms-late") if late else "",
            )
        )
    return sides


def _elsewhere(account: Account) -> HeldElsewhere:
    return HeldElsewhere(
        plan=account.plan,
        since=account.since,
        methods=account.active_methods,
        storefronts=account.storefronts,
        takings=account.takings,
        saved_details=account.saved_details,
    )
