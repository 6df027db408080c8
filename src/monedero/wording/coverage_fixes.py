"""Fixes of a finding of coverage, in words.

Source: own design.

>>> names = {"tender/cash": "Cash"}
>>> act_phrase(Act("cash", ReasonCode.OFF), names)
'Switch on Cash'
>>> from monedero.core.money import Money
>>> act_phrase(Act("cash", ReasonCode.WINDOW_OVER, limit=Money(7999, "EUR")), names)
'Lift Cash to 79.99 EUR'
>>> act_phrase(Act("cash", ReasonCode.CONDITION_COUNTRY, ("JP", "ES")), names)
'Offer Cash also to buyers in Japan and Spain'
"""

from collections.abc import Mapping, Sequence

from monedero.core.checkout.coverage.widen import OF_ACCOUNT, WINDOWS, Act
from monedero.core.reasons import ReasonCode
from monedero.wording.catalogue import has, say
from monedero.wording.condition_reasons import value_text
from monedero.wording.coverage import few
from monedero.wording.show import money


def fix_text(acts: Sequence[Act], names: Mapping[str, str], providers: Mapping[str, str]) -> str:
    """All acts of a fix, one after the other; `providers` are names by the ids of tenders."""
    return ". ".join(act_phrase(act, names, providers.get(act.tender, "")) for act in acts)


def act_phrase(act: Act, names: Mapping[str, str], provider: str = "") -> str:
    """One act; `names` are as for reasons, those of tenders by `tender/id`."""
    name = names.get(f"tender/{act.tender}", act.tender)
    if act.code is None:
        return say("fix-fee", name=name)
    if act.code in OF_ACCOUNT:
        return say(f"fix-{act.code.value}", name=name, provider=provider)
    if act.code in WINDOWS:
        return say(f"fix-{act.code.value}", name=name, limit=money(str(act.limit)) if act.limit else "none")
    if act.code is ReasonCode.OFF:
        return say("fix-off", name=name)
    return say("fix-condition", name=name, values=_also(act, names))


def _also(act: Act, names: Mapping[str, str]) -> str:
    about = act.code.value.removeprefix("condition-") if act.code else ""
    message = f"also-{about}"
    if not act.values or not has(message):
        return "none"
    told = [value_text(about, value, names) for value in act.values]
    return say(message, values=few(told))
