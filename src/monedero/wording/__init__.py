"""Codes into sentences: one catalogue per language, for faults and for reasons."""

from monedero.core.errors import Fault
from monedero.core.reasons import Reason
from monedero.wording import english
from monedero.wording.places import country_names
from monedero.wording.show import day, money


class _Fields(dict[str, str]):
    """Fields of a sentence; one that the code does not carry reads as nothing."""

    def __missing__(self, key: str) -> str:
        return ""


def fault_text(fault: Fault) -> str:
    """What is wrong, with the value as it came, and what would be right."""
    return english.FAULTS[fault.code].format_map(_Fields({**fault.fields, "value": fault.value}))


def reason_text(reason: Reason, names: dict[str, str] | None = None) -> str:
    """Why a route has no price or a tender is held back; `names` are the names of providers by id."""
    fields = _Fields(reason.fields)
    fields["limit"], fields["own"] = _shown(reason.limit), _shown(reason.own)
    if reason.code in english.COUNTRY_REASONS:
        fields["limit"] = country_names(reason.limit.split(", "), at_most=6)
        fields["own"] = country_names([reason.own])
    fields["provider"] = (names or {}).get(fields["provider"], fields["provider"])
    fields["stage"] = english.STAGES.get(reason.own, "")
    fields["end"] = english.ENDS.get(fields["end"], "")
    fields["standing_text"] = english.STANDINGS.get(fields["standing"], "").format_map(fields)
    if fields["brought_from"]:
        fields["limit"] += english.BROUGHT_OVER
    if fields["since"]:
        fields["stage"] += english.SINCE.format(day=day(fields["since"]))
    return english.REASONS[reason.code].format_map(fields)


def _shown(value: str) -> str:
    """Money and days as a person reads them; anything else as it is."""
    return day(value) if value[:4].isdigit() and value[4:5] == "-" and len(value) == 10 else money(value)
