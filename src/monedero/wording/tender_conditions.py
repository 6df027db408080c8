"""The conditions of a tender in words, one phrase each, and what can be picked for each fact.

Source: own design.

>>> condition_text(Condition(fact="country", only=["PT", "ES"]), {})
'only for buyers in Portugal or Spain'
>>> condition_text(Condition(fact="delivery", **{"not": ["courier"]}), {"delivery/courier": "by Courier"})
'not by Courier'
>>> condition_text(Condition(fact="day", **{"from": "2026-12-01"}), {})
'from 1 Dec 2026 on'
"""

from collections.abc import Mapping, Sequence

from monedero.core.checkout.condition import Condition
from monedero.core.checkout.law import Finding
from monedero.core.checkout.stretches import Stretch
from monedero.core.delivery.model import Delivery, DeliveryKind
from monedero.core.method import Method
from monedero.core.reasons import ReasonCode
from monedero.wording.catalogue import say
from monedero.wording.condition_reasons import value_text
from monedero.wording.limits_and_fees import window_text
from monedero.wording.places import country_name, country_names
from monedero.wording.show import any_of, day, listed, money

BY = (DeliveryKind.COURIER, DeliveryKind.OWN_ROUND)


def condition_text(condition: Condition, names: Mapping[str, str]) -> str:
    """A condition in a phrase; `names` as for reasons."""
    about = condition.fact.replace("_", "-")
    if condition.fact == "day":
        ends = (("from", condition.from_), ("below", condition.below))
        return " ".join(say(f"asks-day-{end}", day=day(on.isoformat())) for end, on in ends if on)
    if condition.is_ is not None:
        return say(f"asks-{about}", asks="yes" if condition.is_ else "no")
    limit = any_of(value_text(about, value, names) for value in condition.values)
    return say(f"asks-{about}", asks="not" if condition.not_ else "only", limit=limit)


def alone_text(stretches: Sequence[Stretch]) -> str:
    """Tells where one way to pay is left, or none, in sentences; nothing where there are always two."""
    told = []
    for stretch in stretches:
        if len(stretch.tenders) < 2:
            count = len(stretch.tenders)
            if stretch.from_.minor == 1:
                where = (
                    say("below-amount", amount=money(str(stretch.below))) if stretch.below else say("any-amount")
                )
            else:
                where = say("band-from", amount=money(str(stretch.from_)))
                if stretch.below:
                    where += " " + say("band-below", amount=money(str(stretch.below)))
            names = ", ".join(tender.name for tender in stretch.tenders)
            told.append(say("alone", where=where, count=count, name=names))
    return " ".join(told)


def finding_text(finding: Finding) -> str:
    """Tells what a rule of law says of a tender, in a sentence."""
    countries = finding.countries
    named = listed(map(country_name, countries)) if len(countries) < 7 else country_names(countries, at_most=6)
    return say(f"law-{finding.rule.id}", countries=named)


def goes(way: Delivery) -> str:
    """How an order goes, as it reads in a sentence.

    >>> goes(Delivery(id="van", name="our van", kind="own-round")), goes(Delivery(id="pier", name="Met at the pier"))
    ('by our van', 'Met at the pier')
    """
    return say("goes-by", name=way.name) if way.kind in BY else way.name


def method_limits(method: Method) -> list[str]:
    """Tells what a method itself can carry, in phrases."""
    told = []
    if method.currencies:
        told.append(say("when-currency", currencies=listed(method.currencies)))
    if method.buyer_countries:
        told.append(say("limit-countries", count=len(method.buyer_countries)))
    if method.amount:
        told.append(window_text(method.amount))
    if method.kinds:
        told.append(say("when-kind", kinds=listed(say(f"kind-{kind.value}") for kind in method.kinds)))
    if method.handovers:
        told.append(say("limit-handovers", ways=any_of(say(f"handover-{way.value}") for way in method.handovers)))
    told.append(say("order-repeats" if method.recurring else "once-only"))
    return told


def act_text(code: ReasonCode, apart: str = "") -> str:
    """Tells what ends a reason, in a few words; `apart`: the shared set from which the tender parts with that.

    >>> act_text(ReasonCode.WINDOW_OVER), act_text(ReasonCode.CONDITION_COUNTRY, "Iberia")
    ('lift the limit', 'let it be offered here, apart from Iberia')
    """
    if code in OWN_WORDS:
        return say(f"act-{code.value}")
    if code.value.endswith("-unknown"):
        return say("act-unknown")
    return say("act-apart", name=apart) if apart else say("act-offer")


OWN_WORDS = frozenset(
    {
        *(ReasonCode.OFF, ReasonCode.WINDOW_UNDER, ReasonCode.WINDOW_OVER),
        ReasonCode.DETAILS_MISSING,
        *(ReasonCode.ACCOUNT_STAGE, ReasonCode.ACCOUNT_METHOD, ReasonCode.ACCOUNT_STOREFRONT),
    }
)
"""Reasons whose act has words of its own."""
