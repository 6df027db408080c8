"""Every field that can differ has a sentence; a field that is added to a model and forgotten here fails."""

from typing import Any

import pytest
from pydantic import BaseModel

from monedero.core.checkout.difference import THINGS, Change, ChangeCode, changes, method_changes, shop_changes
from monedero.core.checkout.model import Checkout, Tender
from monedero.core.delivery.model import CustomerGroup, Delivery
from monedero.core.order.area import Area
from monedero.core.shop import Line, Market, OwnMethod, Shop, Storefront, TypedRate
from monedero.figures.methods import known
from monedero.wording.catalogue import has
from monedero.wording.changes import SENTENCES, change_text, message_of

NAMES = {"orlenta": "Orlenta"}
CARD: dict[str, Any] = {"id": "card", "method": "card", "on": True, "name": "Card"}
BARE: dict[str, Any] = {"name": "Cabo Noite", "country": "PT", "currency": "EUR"}
MARKET = {"id": "es", "country": "ES", "currency": "EUR", "share": "100"}
LINE = {"id": "chart", "name": "Chart", "kind": "goods", "usual_amount": "5 EUR", "recurring": False}


def test_every_field_has_a_sentence() -> None:
    assert set(SENTENCES) == set(ChangeCode)
    things: list[type[BaseModel]] = [Market, Line, TypedRate, OwnMethod, Storefront, CustomerGroup, Delivery, Area]
    fields = {
        "tender": set(Tender.model_fields),
        "shop": set(Shop.model_fields),
        "checkout": set(Checkout.model_fields) - {"tenders"},
        "field": {name for thing in things for name in thing.model_fields},
    }
    assert [
        message_of(kind, name) for kind in fields for name in fields[kind] if not has(message_of(kind, name))
    ] == []
    lists = {
        name for name, field in Shop.model_fields.items() if any(f"[{t.__name__}]" in str(field) for t in things)
    }
    one_by_one = {"markets", "lines", "typed_rates", "own_methods", "storefronts"}
    assert one_by_one | {"customer_groups", "deliveries", "areas"} == set(THINGS)
    assert lists <= set(THINGS)


def told(before: dict[str, Any], after: dict[str, Any]) -> list[str]:
    old, new = (
        Checkout.model_validate({"storefront": "web-shop", "mode": "test", "tenders": [tender]})
        for tender in (before, after)
    )
    return [change_text(change, NAMES) for change in changes(old, new)]


@pytest.mark.parametrize(
    ("changed", "sentence"),
    [
        ({"on": False}, "Card is switched off."),
        ({"name": "Bank card"}, "Card is now called Bank card."),
        ({"texts": {"en": {"before": "By card."}}}, "What buyers read of Card changes."),
        ({"film": "https://films.example/boat"}, "Card gets another film: https://films.example/boat."),
        (
            {"windows": [{"from": "5 EUR", "up_to": "1200 EUR"}, {"below": "9 GBP"}]},
            "Card is offered from 5.00 EUR up to 1,200.00 EUR; below 9.00 GBP; before: for any amount.",
        ),
        ({"take": "on-dispatch"}, "Card is taken when goods go out, as much as goes."),
        ({"gives": "at-order"}, "With Card, what was ordered is given with the order already."),
        ({"follows": True}, "Card is on while it is active at its provider."),
        ({"account": "second"}, "Card is carried by your account second."),
        (
            {"route": {"provider": "orlenta", "plan": "start", "method": "card"}},
            "Card is carried by Orlenta, plan start; before: an arrangement of your own.",
        ),
        ({"due_days": 1}, "Card is overdue after 1 day; before: the usual number of days."),
        ({"lapse_days": 9}, "Card is given up after 9 days; before: the usual number of days."),
        ({"method": "cash"}, "Card is another method now, cash."),
        (
            {"conditions": [{"fact": "country", "only": ["PT", "ES"]}]},
            "Card is now only for buyers in Portugal or Spain; before: for anybody.",
        ),
        (
            {"fee": {"percent": "2", "tax_percent": "23"}},
            "With Card buyers pay 2 %; with 23 % tax on top; before: nothing.",
        ),
    ],
)
def test_a_setting_of_a_tender_is_told_there_and_back(changed: dict[str, Any], sentence: str) -> None:
    assert told(CARD, {**CARD, **changed}) == [sentence]
    [back] = told({**CARD, **changed}, CARD)
    assert back != sentence
    assert back.endswith(".")


def shop_told(before: dict[str, Any], after: dict[str, Any]) -> list[str]:
    found = shop_changes(Shop.model_validate({**BARE, **before}), Shop.model_validate({**BARE, **after}))
    return [change_text(change, NAMES) for change in found]


@pytest.mark.parametrize(
    ("before", "after", "sentence"),
    [
        ({}, {"country": "ES"}, "The shop's country changes from Portugal to Spain."),
        ({}, {"takings": "5000 EUR"}, "The shop's takings a month changes from nothing to 5,000.00 EUR."),
        ({}, {"terminals": ["orlenta"]}, "The shop's terminals changes from nothing to orlenta."),
        ({}, {"markets": [MARKET]}, "The market Spain, EUR is added."),
        ({"lines": [LINE]}, {}, "The line Chart is removed."),
        (
            {"lines": [LINE]},
            {"lines": [{**LINE, "margin": "40"}]},
            "The line Chart changes: margin from nothing to 40.",
        ),
        (
            {"typed_rates": [{"currency": "JPY", "per_euro": "160"}]},
            {"typed_rates": [{"currency": "JPY", "per_euro": "161"}]},
            "The typed rate of JPY changes: rate from 160 to 161.",
        ),
        (
            {},
            {"storefronts": [{"id": "web-shop", "name": "Site", "domain": "cabo.example"}]},
            "The storefront Web shop changes: name from Web shop to Site, domain from nothing to cabo.example.",
        ),
        (
            {},
            {
                "own_methods": [
                    {"method": known()["cash-on-the-day"].model_copy(update={"id": "vale"}).model_dump()}
                ]
            },
            "Your own method Cash on the day is added.",
        ),
        (
            {},
            {"software": {"name": "Stand", "plan": "one", "plans": [{"id": "one", "name": "One"}]}},
            "The software of the shop changes.",
        ),
    ],
)
def test_what_changes_in_a_shop_is_told(before: dict[str, Any], after: dict[str, Any], sentence: str) -> None:
    assert shop_told(before, after) == [sentence]


def test_tenders_that_come_and_go_their_sequence_and_what_a_method_carries() -> None:
    cash = {**CARD, "id": "cash", "name": "Cash"}
    one, two = (
        Checkout.model_validate({"storefront": "web-shop", "mode": "test", "tenders": tenders})
        for tenders in ([CARD, cash], [cash, CARD])
    )
    assert [change_text(change, NAMES) for change in changes(one, two)] == ["The sequence is now Cash, Card."]
    assert [change_text(change, NAMES) for change in changes(None, one)] == [
        "Card is added, switched on.",
        "Cash is added, switched on.",
    ]
    empty = one.model_copy(update={"tenders": []})
    assert change_text(changes(one, empty)[0], NAMES) == "Card is removed."
    moved = one.model_copy(update={"storefront": "pier"})
    assert change_text(changes(one, moved)[0], NAMES) == "The storefront changes from web-shop to pier."
    card = known()["card"]
    [carries] = method_changes([card], [card.model_copy(update={"currencies": ["EUR"]})])
    assert (
        change_text(carries, NAMES)
        == f"What {card.name} can carry, or what its buyer does, is not the same any more."
    )
    assert (
        change_text(Change(ChangeCode.TENDER, "Card", "id", "card", "card-2"), NAMES)
        == "Card has another id, card-2."
    )
