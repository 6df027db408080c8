"""Tells what bodies of earlier formats become: for each model the steps from one format to the next.

A step changes the values of a body in place. It never changes again once it was released: bodies wait for it in data
folders and backups.

Source: own design.

>>> body = {"storefronts": [{"name": "Pier counter", "domain": None}]}
>>> storefronts_with_ids(body)
>>> body["storefronts"][0]["id"]
'pier-counter'
"""

import re
from collections.abc import Callable, Mapping, Sequence
from typing import Any
from unicodedata import normalize

Body = dict[str, Any]
Upgrade = Callable[[Body], None]


def id_of(name: str) -> str:
    """The id that a storefront got when names became ids.

    >>> id_of("Pier counter"), id_of("Ö")
    ('pier-counter', 'o')
    """
    plain = normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    return re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:60] or "storefront"


def storefronts_with_ids(shop: Body) -> None:
    """Shops, from 1 to 2: storefronts have ids, and there is always one."""
    for storefront in shop.get("storefronts", []):
        storefront.setdefault("id", id_of(storefront["name"]))
    if not shop.get("storefronts"):
        shop["storefronts"] = [{"id": "web-shop", "name": "Web shop", "domain": None}]


def checkout_by_id(edition: Body) -> None:
    """Editions, from 1 to 2: the checkout names its storefront by the id, and the shop is of its own format 2.

    Before, a checkout belonged to the storefront that bore its name, else to the first.
    """
    storefronts_with_ids(edition["shop"])
    edition["checkout"]["storefront"] = storefront_named(edition["shop"], edition["checkout"]["storefront"])


def storefront_named(shop: Body, name: str) -> str:
    """The id of the storefront that bears a name, else of the first."""
    fronts = shop["storefronts"]
    return str(next((front["id"] for front in fronts if front["name"] == name), fronts[0]["id"]))


def record_with_order(record: Body) -> None:
    """Order records, from 1 to 2: what was ordered is an order of its own."""
    taken = {name: record.pop(name) for name in ("amount", "country", "recurring")}
    record["order"] = {**taken, "placed_on": record["placed_at"][:10], "kinds": [record.pop("kind")]}


def happenings_with_faults(record: Body) -> None:
    """Order records, from 2 to 3: what happened may carry a fault; before, its sentence stood in the reason."""


def exchange_with_faults(exchange: Body) -> None:
    """Exchanges, from 1 to 2: by hand is a fact of its own; why is faults, or the sentence that was kept."""
    by_hand = ", by hand"
    exchange["by_hand"] = exchange["what"].endswith(by_hand)
    exchange["what"] = exchange["what"].removesuffix(by_hand)
    exchange["told"] = exchange.pop("why", "")


def names_as_codes(record: Body) -> None:
    """Order records, from 4 to 5: sentences that were stored are codes, and what a cart is called is its first line.

    What is paid by vouchers alone, and what is paid on the day, goes by the code of its tender.

    >>> paid = {"number": 1, "chosen": {"tender": "voucher", "name": "Voucher", "buyers_name": "Gutschein"}}
    >>> record = {"line_name": "Chart and 1 more", "items": [{"name": "Chart"}, {"name": "Maps"}],
    ...     "payments": [paid], "happened": [{"payment": 1, "tender": "Voucher"}]}
    >>> names_as_codes(record)
    >>> record["line_name"], record["payments"][0]["chosen"], record["happened"][0]["tender"]
    ('Chart', {'tender': 'voucher', 'name': 'voucher', 'buyers_name': None}, 'voucher')
    """
    if len(record.get("items") or []) > 1:
        record["line_name"] = record["items"][0]["name"]
    payments = [*record["payments"], *([record["rest"]] if record.get("rest") else [])]
    renamed = {}
    for payment in payments:
        chosen = payment["chosen"]
        if chosen["tender"] in ("voucher", "on-the-day"):
            chosen["name"] = renamed[payment["number"]] = chosen["tender"]
            chosen["buyers_name"] = None
    for happening in record["happened"]:
        if happening["payment"] in renamed:
            happening["tender"] = renamed[happening["payment"]]


# Methods of before, and what they are called.
METHODS = {"pay-in-three": "instalments", "pay-in-30-days": "pay-after-delivery"}


def _renamed(value: Any) -> Any:
    if isinstance(value, dict):
        return {METHODS.get(key, key): _renamed(entry) for key, entry in value.items()}
    if isinstance(value, list):
        return [_renamed(entry) for entry in value]
    return METHODS.get(value, value) if isinstance(value, str) else value


def methods_renamed(body: Body) -> None:
    """Whatever names methods: two of them got the names of the trade. Tenders that bore their names as ids follow.

    >>> body = {"route": {"method": "pay-in-three"}, "active_methods": ["card", "pay-in-30-days"]}
    >>> methods_renamed(body)
    >>> body
    {'route': {'method': 'instalments'}, 'active_methods': ['card', 'pay-after-delivery']}
    """
    body.update(_renamed(body))


def deliveries_with_prices(shop: Body) -> None:
    """Shops, from 2 to 3: a way of delivery has prices by area; before, it had one.

    >>> shop = {"deliveries": [{"id": "van", "name": "Van", "areas": None, "fee": "4.00 EUR", "free_from": None}]}
    >>> deliveries_with_prices(shop)
    >>> shop["deliveries"]
    [{'id': 'van', 'name': 'Van', 'prices': [{'fee': '4.00 EUR'}]}]
    """
    for way in shop.get("deliveries", []):
        one = {name: value for name in ("areas", "fee", "free_from") if (value := way.pop(name, None)) is not None}
        way["prices"] = [one] if one else []


def edition_with_prices(edition: Body) -> None:
    """Editions, from 3 to 4: the shop is of its own format 3."""
    deliveries_with_prices(edition["shop"])


def tenders_with_texts(checkout: Body) -> None:
    """Checkouts, from 2 to 3: a tender has texts by language; before, it had one description.

    What was written stands under English, in which every text was asked for; it is read where no other is written.

    >>> checkout = {"tenders": [{"id": "card", "description": "By card."}, {"id": "cash", "description": ""}]}
    >>> tenders_with_texts(checkout)
    >>> checkout["tenders"]
    [{'id': 'card', 'texts': {'en': {'description': 'By card.'}}}, {'id': 'cash'}]
    """
    for tender in checkout.get("tenders", []):
        if description := tender.pop("description", ""):
            tender["texts"] = {"en": {"description": description}}


def edition_with_texts(edition: Body) -> None:
    """Editions, from 4 to 5: the checkout is of its own format 3."""
    tenders_with_texts(edition["checkout"])


UPGRADES: Mapping[str, Sequence[Upgrade]] = {
    "Shop": (storefronts_with_ids, deliveries_with_prices),
    "Checkout": (methods_renamed, tenders_with_texts),
    "Published": (checkout_by_id, methods_renamed, edition_with_prices, edition_with_texts),
    "Account": (methods_renamed,),
    "ProviderFacts": (methods_renamed,),
    "Assumptions": (methods_renamed,),
    "OrderRecord": (record_with_order, happenings_with_faults, methods_renamed, names_as_codes),
    "Exchange": (exchange_with_faults,),
    "Merchant": (methods_renamed,),
}
