"""The list before publishing in sentences, each with the act that ends it and the page where that is done."""

from collections.abc import Callable, Mapping

from monedero.core.ready import ReadyCode, ReadyItem
from monedero.wording.catalogue import say
from monedero.wording.places import country_name, country_names, language_name
from monedero.wording.show import day, listed

PLACES: Mapping[ReadyCode, str] = {
    ReadyCode.NOTHING_ON: "/checkout",
    ReadyCode.DEAD_END: "/coverage",
    ReadyCode.NO_DETAILS: "/shop/arrangements",
    ReadyCode.ACCOUNT_NOT_LIVE: "/accounts/{about}?mode=live",
    ReadyCode.METHOD_NOT_ACTIVE: "/accounts/{about}?mode=live",
    ReadyCode.DOMAIN_NOT_PROVEN: "/accounts/{about}?mode=live",
    ReadyCode.TEST_ACCESS: "/accounts/{about}?mode=live",
    ReadyCode.EXCLUDED_PAIR: "/accounts/{about}?mode=live",
    ReadyCode.FEE_FORBIDDEN: "/checkout?tender={about}",
    ReadyCode.COUNTRY_FORBIDDEN: "/checkout?tender={about}",
    ReadyCode.NO_CONTACT: "/accounts/papers",
    ReadyCode.REHEARSAL_FAILED: "/rehearse",
    ReadyCode.FEE_OVER_COST: "/checkout?tender={about}",
    ReadyCode.FEE_LIMITED: "/checkout?tender={about}",
    ReadyCode.LAW_UNKNOWN: "/checkout",
    ReadyCode.DETAILS_IN_PART: "/shop/arrangements",
    ReadyCode.NO_NOTIFICATIONS: "/accounts/{about}/notifications?mode=live",
    ReadyCode.NOTIFICATIONS_FAIL: "/accounts/{about}/notifications?mode=live",
    ReadyCode.SINGLE_WAY: "/coverage",
    ReadyCode.UNREACHABLE: "/coverage",
    ReadyCode.WORDS_MISSING: "/checkout/words",
    ReadyCode.LANGUAGE_NOT_READY: "/shop",
    ReadyCode.NO_POLICY: "/accounts/papers",
    ReadyCode.LINES_NOT_LISTED: "/accounts/papers",
    ReadyCode.NOT_REHEARSED: "/rehearse",
    ReadyCode.REHEARSAL_STALE: "/rehearse",
    ReadyCode.KEY_COPY: "",
}
"""The page where an item is ended, with what is opened there; empty where that is not done in Monedero."""
AT_MOST = 6


def _countries(codes: str) -> str:
    named = codes.split("+")
    return listed(map(country_name, named)) if len(named) <= AT_MOST else country_names(named, at_most=AT_MOST)


SAID: Mapping[str, Callable[[str], str]] = {
    "countries": _countries,
    "country": country_name,
    "currencies": lambda codes: listed(codes.split("+")),
    "language": language_name,
    "policy": lambda id: say(f"policy-{id}"),
    "since": day,
    "read_on": day,
    "stage": lambda id: say(f"ready-stage-{id}"),
}
"""How the fields of an item read that are codes."""


def ready_text(item: ReadyItem) -> str:
    """An item in a sentence."""
    fields = {name: SAID[name](str(value)) if name in SAID else value for name, value in item.fields.items()}
    if "rule" in fields:
        fields["law"] = say(f"law-{fields['rule']}", countries=fields["countries"])
    named = {name.replace("_", "-"): value for name, value in fields.items()}
    return say(f"ready-{item.code.value}", **named)


def ready_act(item: ReadyItem) -> str:
    """The act that ends an item, in a few words."""
    return say(f"ready-{item.code.value}.act")


def ready_place(item: ReadyItem) -> str:
    """The page where an item is ended."""
    return PLACES[item.code].format(about=item.about)
