"""Dated data and the demo: every figure has its source, and everything that is named is there.

Source of the SEPA countries: EPC list of SEPA scheme countries (EPC409-09), from memory.
"""

import json
import re
from importlib.resources import files

import pycountry
import pytest
from schwifty import registry

from monedero import demo
from monedero.core.account import Stage
from monedero.core.method import Family
from monedero.figures import methods

DATA = json.loads(files("monedero.figures").joinpath("methods.json").read_text("utf-8"))


def test_every_figure_has_its_source_and_the_day_it_was_read() -> None:
    for entry in [*DATA["methods"], *DATA["areas"].values()]:
        assert entry["source"]
        assert re.fullmatch(r"20\d\d-\d\d-\d\d", entry["read_on"])


def test_the_sepa_area_holds_the_union_and_its_neighbours() -> None:
    countries = set(methods.known()["sepa-direct-debit"].buyer_countries or [])
    assert len(countries) == 41
    assert {"PT", "ES", "DE", "GB", "CH", "AL", "ME", "MD", "MK", "RS"} <= countries
    assert all(pycountry.countries.get(alpha_2=code) for code in countries)
    assert "US" not in countries


def test_what_the_demo_names_is_there() -> None:
    cards = {card.provider.id: card for card in demo.rate_cards()}
    assert len(cards) == 7
    routes = [route for card in cards.values() for route in card.routes]
    for tender in demo.checkout().tenders:
        assert tender.route is None or tender.route in routes
        assert tender.method in methods.known()
    for card in cards.values():
        assert {rate.method for rate in card.rates} <= set(methods.known())
    for account in demo.accounts():
        assert set(account.active_methods) <= {rate.method for rate in cards[account.provider].rates}


def test_the_demo_differs_in_what_matters() -> None:
    stages = [account.stage for account in demo.accounts()]
    assert stages.count(Stage.CONNECTED) >= 2
    assert {Stage.IN_REVIEW, Stage.NOT_BEGUN} <= set(stages)
    cards = demo.rate_cards()
    rates = [rate for card in cards for rate in card.rates]
    assert any(len(card.plans) == 2 for card in cards)
    assert any(rate.maximum for rate in rates)
    assert any(rate.graduated for rate in rates)
    assert any(rate.when.amount for rate in rates)
    assert any(extra.when.conversion for card in cards for extra in card.extras)
    assert len({tuple(card.provider.settles_in) for card in cards}) >= 3
    assert {line.kind for line in demo.shop().lines} == {"goods", "download", "course", "membership", "booking"}


def test_an_own_arrangement_needs_no_provider() -> None:
    carried = {rate.method for card in demo.rate_cards() for rate in card.rates}
    own = {method.id for method in methods.known().values() if method.own}
    assert own
    assert not own & carried


# Source: the public rulebooks and laws that each entry of `methods.json` names; the values are from memory.
@pytest.mark.parametrize(
    ("method", "countries", "currencies", "reversible_days", "notice_days"),
    [
        ("sepa-direct-debit", 41, ["EUR"], 56, 14),
        ("sepa-direct-debit-b2b", 41, ["EUR"], None, 14),
        ("bacs-direct-debit", 1, ["GBP"], 3650, 14),
        ("ach-debit", 1, ["USD"], 60, 10),
        ("pre-authorised-debit", 1, ["CAD"], 90, 10),
        ("becs-direct-debit", 1, ["AUD"], 365, 14),
        ("instant-transfer", 41, ["EUR"], None, 0),
    ],
)
def test_schemes_are_as_their_rulebooks_say(
    method: str, countries: int, currencies: list[str], reversible_days: int | None, notice_days: int
) -> None:
    known = methods.known()[method]
    assert len(known.buyer_countries or []) == countries
    assert (known.currencies, known.reversible_days, known.notice_days) == (
        currencies,
        reversible_days,
        notice_days,
    )


# Source: ISO 20022 external code sets, ExternalServiceLevel1Code and ExternalLocalInstrument1Code; from memory.
@pytest.mark.parametrize(
    ("method", "service_level", "local_instrument"),
    [
        ("sepa-direct-debit", "SEPA", "CORE"),
        ("sepa-direct-debit-b2b", "SEPA", "B2B"),
        ("bank-transfer", "SEPA", ""),
        ("instant-transfer", "SEPA", "INST"),
        ("bacs-direct-debit", "", ""),
    ],
)
def test_payment_messages_name_the_schemes_by_their_codes(
    method: str, service_level: str, local_instrument: str
) -> None:
    source = methods.sources()[method]
    assert (source.service_level, source.local_instrument) == (service_level, local_instrument)


def test_the_sepa_area_is_that_of_the_registry_of_bank_account_numbers() -> None:
    """Source: the registry of IBAN formats (ISO 13616) in package `schwifty`, which marks the countries of SEPA."""
    marked = {country for country in registry.get_countries() if registry.get_iban_spec(country).in_sepa_zone}
    known = set(methods.known()["sepa-direct-debit"].buyer_countries or [])
    # The package does not mark two small states of the scheme, nor the last five that joined it.
    assert known - marked == {"SM", "VA", "AL", "MD", "ME", "MK", "RS"}
    assert marked <= known


def test_two_common_names_find_the_same_method() -> None:
    names = [name.casefold() for method in methods.known().values() for name in (method.name, *method.also)]
    assert len(names) == len(set(names))
    families = {method.family for method in methods.known().values()}
    assert families == set(Family) - {Family.OWN}


def test_what_is_paid_later_says_in_how_many_parts_or_days_as_data() -> None:
    known = methods.known()
    assert known["instalments"].parts == 3
    assert (known["pay-after-delivery"].due_days, known["invoice"].due_days) == (30, 30)
