"""Begin: the demo shop."""

from datetime import UTC, datetime, time, timedelta

from monedero import demo
from monedero.core.account import Account, Stage
from monedero.core.application import Application, Ask
from monedero.formats.gateway import ApplicationAsked
from monedero.server.examples import put_in
from monedero.server.played_accounts import open_there
from monedero.standins.provider.merchants import Holder
from monedero.standins.provider.program import SimulatedProvider
from monedero.store import Store
from monedero.work.accounts.applications import application_name
from monedero.work.accounts.merchant_file import NAME, MerchantFile
from monedero.work.checkout.publish import publish, to_publish
from monedero.work.context import Actor, Context

REVIEW_LEFT = timedelta(days=4)


def open_demo(store: Store, provider: SimulatedProvider, now: datetime) -> None:
    """Fill an empty store with Cabo Noite, its first edition published; a store that has a shop stays as it is.

    All of it or nothing: a start that is cut off leaves an empty store, and the next one begins anew.
    """
    if store.description.read() is not None:
        return
    with store.together(), provider.world.memory.together():
        # The world outside may hold things of a start that was cut off; they belong to nobody.
        provider.world.memory.clear()
        put_in(store, marked=False)
        store.sealed.put(NAME, demo.business())
        merchant_file = MerchantFile(store, lambda: now)
        merchant_file.add(Ask.IDENTITY, "owner-identity.pdf", demo.paper())
        for account in demo.accounts():
            store.accounts.put(_at_provider(store, provider, account, now))
        saved = store.checkouts.save(demo.checkout(), 0)
        store.description.save(demo.shop(), 0)
        store.profile.save(demo.profile(), 0)
        context = Context.of(store, Actor.OWNER, now, saved.value.storefront)
        publish(context, to_publish(context).fingerprint)
        store.checkouts.save(demo.draft_after(saved.value), saved.version)
        store.checkouts.begin_anew(saved.value.storefront)


def _at_provider(store: Store, provider: SimulatedProvider, account: Account, now: datetime) -> Account:
    """An account of the demo with its other side at the simulated provider."""
    business = demo.business()
    if account.stage is Stage.IN_REVIEW:
        asked = ApplicationAsked(
            mode=account.mode,
            legal_name=business.legal_name,
            country=business.country,
            tax_number=business.tax_number,
            email=business.email,
            phone="",
            people=[person.name for person in business.people],
            payout="",
            terms_version="1",
            papers={},
            methods=[],
        )
        review = provider.reviews.take_in(account.provider, asked)
        provider.reviews.wait_until(review.reference, now + REVIEW_LEFT)
        application = Application(
            phone=demo.PHONE,
            phone_confirmed_at=now,
            terms_version="2026-01",
            terms_accepted_at=now,
            reference=review.reference,
            sent_at=now,
        )
        store.sealed.put(application_name(account), application)
    if account.stage is not Stage.CONNECTED:
        return account
    begun = datetime.combine(account.since or now.date(), time(10), UTC)
    applied = Application(
        phone=demo.PHONE,
        phone_confirmed_at=begun,
        terms_version="2026-01",
        terms_accepted_at=begun,
        sent_at=begun,
    )
    store.sealed.put(application_name(account), applied)
    holder = Holder(business.legal_name, business.email, business.country)
    return open_there(store, provider, account, holder, now)
