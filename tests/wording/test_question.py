"""A question to the catalogue, understood as far as its words are known."""

import pytest

from monedero.wording.question import understand

NAMES = {
    "provider": {"brixavo": "Brixavo", "orlenta": "Orlenta"},
    "method": {"instalments": "Instalments", "cash-on-delivery": "Cash on delivery"},
}


@pytest.mark.parametrize(
    ("text", "facets"),
    [
        ("cards for bookings in pounds", {("family", "card"), ("line_kind", "booking"), ("currency", "GBP")}),
        ("Instalments, Spain", {("method", "instalments"), ("country", "ES")}),
        ("cash on delivery", {("method", "cash-on-delivery")}),
        ("cash", {("family", "cash")}),
        ("ORLENTA or brixavo?", {("provider", "orlenta"), ("provider", "brixavo")}),
        ("one-off courses", {("recurring", "no"), ("line_kind", "course")}),
        ("USD for the United States", {("currency", "USD"), ("country", "US")}),
        ("euro euros EUR", {("currency", "EUR")}),
    ],
)
def test_names_are_taken_whole_and_once(text: str, facets: set[tuple[str, str]]) -> None:
    asked = understand(text, NAMES)
    assert {(facet.kind, facet.value) for facet in asked.facets} == facets
    assert len(asked.facets) == len(facets)


def test_what_is_not_known_is_told() -> None:
    assert understand("who carries moon cheese", NAMES).unknown == ["moon", "cheese"]
