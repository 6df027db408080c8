"""Accounts in words: what providers ask, where an account stands, and how it is connected.

>>> ask_text(Ask.PHONE)
'a telephone number, confirmed by a code'
>>> stands_text(Stage.LAPSED, "Orlenta")
'Orlenta closed the account'
>>> waits_for_text(Stage.IN_REVIEW, 1)
'It takes about 1 day; until then your own arrangements can take orders.'
"""

from monedero.core.account import Account, Stage
from monedero.core.application import Ask
from monedero.core.checkout.model import Tender
from monedero.core.provider import ConnectBy
from monedero.wording.catalogue import has, say
from monedero.wording.show import day, money, time_of_day


def ask_text(ask: Ask) -> str:
    """Tells what a provider asks for."""
    return say(f"ask-{ask.value}")


def stands_text(stage: Stage, provider: str) -> str:
    """Tells where an account stands, as a sentence without its full stop; the day follows."""
    return say(f"stands-{stage.value}", provider=provider)


def waits_for_text(stage: Stage, review_days: int) -> str:
    """Tells what an account waits for; nothing where it waits for nothing."""
    message = f"waits-for-{stage.value}"
    return say(message, days=review_days) if has(message) else ""


def connects_text(how: ConnectBy, provider: str) -> str:
    """How an account is connected."""
    return say(f"connects-{how.value}", provider=provider)


def there_text(account: Account | None, method: str) -> str:
    """How a method stands at its provider."""
    if account is None:
        return say("there-not-connected")
    if method in account.active_methods:
        return say("there-active")
    held = account.standing_of(method)
    if held is None:
        return say("there-not")
    ready = (
        {"day": day(held.ready_at.date().isoformat()), "time": time_of_day(held.ready_at)} if held.ready_at else {}
    )
    return say(f"method-{held.standing.value}{'-until' if ready else ''}", why=held.reason, **ready)


def elsewhere_text(account: Account, provider: str) -> str:
    """Tells what it means that an account is held elsewhere, with what the owner said of it."""
    said = [say("elsewhere", provider=provider)]
    if account.takings is not None:
        said.append(say("elsewhere-takings", amount=money(str(account.takings))))
    if account.saved_details:
        said.append(say("elsewhere-saved", count=account.saved_details))
    return " ".join(said)


def since_text(account: Account | None) -> str:
    """The day on which an account reached its stage; nothing where it has none."""
    return say("on-since", day=day(account.since.isoformat())) if account and account.since else ""


def here_text(tender: Tender | None) -> str:
    """How a method stands in the checkout."""
    if tender is None:
        return say("here-not")
    if tender.follows:
        return say("here-follows")
    return say("here-on" if tender.on else "here-off")
