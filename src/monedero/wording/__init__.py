"""Codes into sentences, in one language: faults and reasons here, all else in the module that is named after it."""

from collections.abc import Mapping
from datetime import date

from monedero.core.errors import Fault, FaultCode
from monedero.core.money import Money
from monedero.core.reasons import Reason, ReasonCode, Value
from monedero.wording.catalogue import has, language, say
from monedero.wording.condition_reasons import condition_reason, delivery_reason
from monedero.wording.fault_fields import Shows, shown_fields
from monedero.wording.places import country_names
from monedero.wording.show import day, listed, money

# Reasons whose limit and own value are countries.
COUNTRY_REASONS = frozenset({ReasonCode.SHOP_COUNTRY, ReasonCode.METHOD_SHOP_COUNTRY, ReasonCode.METHOD_COUNTRY})

DELIVERY_REASONS = frozenset({ReasonCode.METHOD_DELIVERY, ReasonCode.METHOD_DELIVERY_UNKNOWN})


def fault_text(fault: Fault) -> str:
    """Tells what is wrong, with the value as it came, and what would be right."""
    fields = shown_fields(fault, Shows(money, day, _message, language()))
    if what := fields.get("what"):
        thing = f"what-{what.replace(' ', '-')}"
        fields["what"] = say(thing) if has(thing) else what
    if ask := fields.get("ask"):
        fields["what"] = say(f"ask-{ask}")
    if fault.code is FaultCode.STAGE_NOT_FIT and has(stage := f"stage-{fault.value}"):
        fields["stage"] = say(stage)
    if fault.code is FaultCode.BLANK and fault.field:
        return say("fault-blank-field", field=fault.field.rpartition(".")[2].replace("_", " ").capitalize())
    if wrong := fields.get("wrong"):
        fields["wrong"] = say(f"wrong-{wrong}" if has(f"wrong-{wrong}") else "wrong-number")
    return say(f"fault-{fault.code.value}", **fields)


def _message(name: str, fields: Mapping[str, str]) -> str:
    return say(name, **fields) if has(name) else ""


def reason_text(reason: Reason, names: Mapping[str, str] | None = None) -> str:
    """Why a route has no price or a tender is held back.

    `names` are the names of providers by id, and those of what conditions are about by fact and id (`line/chart`).
    """
    given, names = reason.fields, names or {}
    if reason.code.value.startswith("condition-"):
        return condition_reason(reason, names)
    if reason.code in DELIVERY_REASONS:
        return delivery_reason(reason, names)
    shown = _countries if reason.code in COUNTRY_REASONS else _shown
    limit, own = shown(reason.limit), shown(reason.own)
    fields = {"limit": limit, "own": own, "provider": given.get("provider", "")}
    fields["provider"] = names.get(fields["provider"], fields["provider"])
    if given.get("brought_from"):
        fields["limit"] = say("brought-over", limit=limit)
    if reason.code is ReasonCode.ACCOUNT_STAGE and has(f"stage-{own}"):
        stage = say(f"stage-{own}")
        fields["stage"] = say("since", said=stage, day=day(given["since"])) if given.get("since") else stage
    if end := given.get("end"):
        fields["end"] = say(f"end-{end.replace('_', '-')}")
    if standing := given.get("standing"):
        fields["standing"] = say(f"standing-{standing}", why=given.get("why", ""))
    return say(f"reason-{reason.code.value}", **fields)


def _countries(value: Value) -> str:
    """One country or several, by their names."""
    return country_names([str(value)] if isinstance(value, str | date | Money) else value, at_most=6)


def _shown(value: Value) -> str:
    """A value as a person reads it."""
    match value:
        case Money():
            return money(str(value))
        case date():
            return day(value.isoformat())
        case str():
            return value
        case _:
            return listed(value)
