"""Dated data and the demo: every figure has its source, and everything that is named is there.

Source of the SEPA countries: EPC list of SEPA scheme countries (EPC409-09), from memory.
"""

import json
import re
from importlib.resources import files

import pycountry

from monedero import demo
from monedero.core.account import Stage
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
    own = {method.id for method in methods.own_arrangements()}
    assert own
    assert not own & carried
