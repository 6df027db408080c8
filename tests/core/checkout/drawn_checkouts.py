"""Checkouts and orders drawn at random, as JSON and as cells of a file: every kind of condition, window and fee."""

from typing import Any

from hypothesis import strategies as st

COUNTRIES, CURRENCIES = ["PT", "ES", "US", "JP"], ["EUR", "GBP", "JPY", "KWD"]
KINDS, LINES = ["goods", "course", "membership"], ["chart", "lamp", "course", "club"]
VALUES: dict[str, list[str]] = {
    "currency": CURRENCIES,
    "country": COUNTRIES,
    "area": ["islands", "north"],
    "kind": KINDS,
    "line": LINES,
    "delivery": ["courier", "pier", "none"],
    "customer_group": ["retail", "wholesale"],
    "device": ["phone", "desktop"],
}
BASE: dict[str, Any] = {
    "format": "monedero/checkout/1",
    "shop": {"name": "Cabo Noite", "country": "PT", "currency": "EUR", "languages": ["en", "pt"]},
    "storefront": {"id": "web", "name": "Web shop"},
    "mode": "test",
    "lines": [
        {"id": "chart", "name": "Chart", "kind": "goods", "recurring": False, "deliveries": ["courier", "pier"]},
        {"id": "lamp", "name": "Lamp", "kind": "goods", "recurring": False, "deliveries": ["courier"]},
        {"id": "course", "name": "Course", "kind": "course", "recurring": False, "deliveries": None},
        {"id": "club", "name": "Club", "kind": "membership", "recurring": True, "deliveries": None},
    ],
    "deliveries": [{"id": "courier", "name": "Courier"}, {"id": "pier", "name": "Pier"}],
    "customer_groups": [{"id": "retail", "name": "Retail"}, {"id": "wholesale", "name": "Wholesale"}],
    "areas": [
        {"id": "islands", "name": "Islands", "countries": ["JP"], "postcodes": {"PT": ["9"], "ES": ["07", "35"]}},
        {"id": "north", "name": "North", "countries": [], "postcodes": {"PT": ["4"], "US": ["AK"]}},
    ],
    "headings": [{"id": "now", "name": {"en": "Now"}}, {"id": "later", "name": {"en": "Later"}}],
    "typed_rates": [{"currency": "JPY", "per_euro": "160.5"}],
}


def some(values: list[str]) -> st.SearchStrategy[list[str]]:
    return st.lists(st.sampled_from(values), min_size=1, max_size=3, unique=True)


LISTED = st.sampled_from(sorted(VALUES)).flatmap(
    lambda fact: st.builds(
        lambda key, values: {"fact": fact, key: values}, st.sampled_from(["only", "not"]), some(VALUES[fact])
    )
)
TRUTHS = st.builds(
    lambda fact, is_: {"fact": fact, "is": is_}, st.sampled_from(["recurring", "signed_in"]), st.booleans()
)
DAYS = st.sampled_from(
    [
        {"fact": "day", "from": "2025-06-10"},
        {"fact": "day", "below": "2025-06-12"},
        {"fact": "day", "from": "2025-06-11", "below": "2025-06-13"},
    ]
)
CONDITIONS = st.lists(LISTED | TRUTHS | DAYS, max_size=3)


def _money(units: int, currency: str) -> str:
    return f"{units} {currency}"


def _window(ends: tuple[int, int], currency: str, keys: tuple[str, ...]) -> dict[str, str]:
    low, high = min(ends), max(ends) + 1
    return {key: _money(low if key == "from" else high, currency) for key in keys}


WINDOWS = st.builds(
    _window,
    st.tuples(st.integers(0, 90), st.integers(0, 90)),
    st.sampled_from(CURRENCIES),
    st.sampled_from([("from",), ("up_to",), ("below",), ("from", "up_to"), ("from", "below")]),
)
PERCENTS = st.sampled_from(["1.5", "-2", "0", "2.75", "-100", "-150"])
FIXED = st.sampled_from(["0.10 EUR", "-0.25 EUR", "1.00 GBP", "0.005 KWD", "7 JPY"])


def given_keys(**keys: Any) -> st.SearchStrategy[dict[str, Any]]:
    """An object with some of the keys."""
    return st.fixed_dictionaries({}, optional=keys)


PARTS = given_keys(percent=PERCENTS, fixed=FIXED)
FEES = given_keys(
    percent=PERCENTS,
    fixed=FIXED,
    tax_percent=st.sampled_from(["23", "6.5"]),
    networks=st.dictionaries(st.sampled_from(["aster", "borealis"]), PARTS, max_size=2),
)
METHOD: dict[str, st.SearchStrategy[Any]] = {"own": st.booleans(), "recurring": st.booleans()}
METHODS: st.SearchStrategy[dict[str, Any]] = st.fixed_dictionaries(
    METHOD,
    optional={
        "shop_countries": some(COUNTRIES),
        "buyer_countries": some(COUNTRIES),
        "currencies": some(CURRENCIES),
        "amount": WINDOWS,
        "kinds": some(KINDS),
    },
)
TENDER: dict[str, st.SearchStrategy[Any]] = {
    "on": st.sampled_from([True, True, True, False]),
    "account": st.sampled_from(["one", "two", "missing"]),
}
WINDOW_LISTS: st.SearchStrategy[list[dict[str, str]]] = st.lists(
    WINDOWS, max_size=2, unique_by=lambda window: next(iter(window.values()))[-3:]
)
TENDERS: st.SearchStrategy[dict[str, Any]] = st.fixed_dictionaries(
    TENDER,
    optional={
        "heading": st.sampled_from(["now", "later"]),
        "windows": WINDOW_LISTS,
        "conditions": CONDITIONS,
        "shared": st.lists(st.sampled_from(["a", "b"]), max_size=2, unique=True),
        "networks": some(["aster", "borealis", "cygnet"]),
        "fee": FEES,
    },
)
ACCOUNT: dict[str, st.SearchStrategy[Any]] = {
    "mode": st.sampled_from(["test", "test", "live"]),
    "stage": st.sampled_from(["connected", "connected", "in-review"]),
    "active_methods": st.lists(st.sampled_from(["m-0", "m-1", "m-2"]), max_size=3, unique=True),
}
ACCOUNTS: st.SearchStrategy[dict[str, Any]] = st.fixed_dictionaries(
    ACCOUNT, optional={"storefronts": some(["web", "counter"])}
)


@st.composite
def checkouts(draw: st.DrawFn) -> dict[str, Any]:
    """A checkout as JSON."""
    drawn = draw(st.lists(st.tuples(METHODS, TENDERS), min_size=1, max_size=4))
    shared = draw(st.lists(CONDITIONS.filter(bool), min_size=2, max_size=2))
    return {
        **BASE,
        "methods": [
            {"id": f"m-{place}", "name": f"M {place}", "family": "card", **method}
            for place, (method, _) in enumerate(drawn)
        ],
        "accounts": [{"id": id, "provider": id, **draw(ACCOUNTS)} for id in ("one", "two")],
        "shared_conditions": [
            {"id": id, "name": id.upper(), "conditions": each} for id, each in zip("ab", shared, strict=True)
        ],
        "tenders": [
            {"id": f"t-{place}", "method": f"m-{place}", "name": {"en": f"T {place}"}, **tender}
            for place, (_, tender) in enumerate(drawn)
        ],
    }


def _maybe(values: list[str]) -> st.SearchStrategy[str]:
    return st.sampled_from(["", *values])


ORDERS = st.builds(
    lambda amount, **cells: {
        **cells,
        "amount": str(amount) if cells["currency"] == "JPY" else f"{amount}.{amount % 10}0",
    },
    amount=st.integers(1, 120),
    placed_on=st.sampled_from(["2025-06-10", "2025-06-11", "2025-06-13"]),
    currency=st.sampled_from(CURRENCIES),
    buyer_country=st.sampled_from([*COUNTRIES, "FR"]),
    line=_maybe(["chart", "course", "chart+lamp", "chart+course", "club+course", "chart+unheard"]),
    line_kind=_maybe(["goods", "goods+course"]),
    recurring=_maybe(["true", "false"]),
    delivery=_maybe(["courier", "pier", "none"]),
    postcode=_maybe(["9000-082", "07 001", "4000", "ak 99"]),
    customer_group=_maybe(["retail", "wholesale"]),
    card_network=_maybe(["aster", "borealis", "cygnet"]),
    device=_maybe(["phone", "desktop"]),
    signed_in=_maybe(["true", "false"]),
)
