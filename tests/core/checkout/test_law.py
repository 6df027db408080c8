"""Tests what law says of fees and of terms by country, as data.

Source: Directive (EU) 2015/2366 Art. 62(4), Directive 2011/83/EU Art. 19, SI 2012/3110 reg. 4 and 6A, Regulation (EU)
2018/302 Art. 5, Regulation (EU) 260/2012 Art. 9; all from memory.
"""

from typing import Any

import pytest

from monedero.core.checkout.condition import Condition
from monedero.core.checkout.law import Sold, findings
from monedero.core.checkout.model import Tender
from monedero.core.order.area import Area
from monedero.figures.law import rules

AREAS = [Area(id="north", name="North", countries=["NO", "DE"], postcodes={"PT": ["4"]})]
SELLS = Sold(["PT", "ES", "GB", "US"], AREAS)
FEE = {"percent": "1"}
ON_CARDS = ["no-fee-on-cards-and-sepa", "fee-within-cost", "no-fee-uk", "fee-within-cost-uk"]


def tender(**changes: Any) -> Tender:
    return Tender.model_validate({"id": "a", "method": "a", "on": True, "name": "A", **changes})


def found(family: str, sold: Sold = SELLS, **changes: Any) -> list[str]:
    return [finding.rule.id for finding in findings(tender(**changes), family, sold, rules())]


@pytest.mark.parametrize(
    ("family", "fee", "told"),
    [
        ("card", FEE, ON_CARDS),
        ("bank-debit", FEE, ON_CARDS),
        ("cash", FEE, ["fee-within-cost", "fee-within-cost-uk"]),
        ("card", {"fixed": "0.10 EUR"}, ON_CARDS),
        ("card", {"networks": {"aster": {"percent": "1"}}}, ON_CARDS),
        # Less for a way to pay is allowed.
        ("card", {"percent": "-1"}, []),
        ("card", {"percent": "0"}, []),
        ("card", None, []),
    ],
)
def test_fees(family: str, fee: Any, told: list[str]) -> None:
    assert found(family, fee=fee) == told


def test_a_fee_speaks_only_of_buyers_who_may_meet_it() -> None:
    assert found("card", Sold(["US"], []), fee=FEE) == []
    only = [{"fact": "country", "only": ["US"]}]
    assert found("card", fee=FEE, conditions=only) == []
    assert found("card", fee=FEE, conditions=[{"fact": "country", "only": ["GB"]}]) == ON_CARDS[2:]
    [first, *_] = findings(tender(fee=FEE), "card", SELLS, rules())
    assert first.countries == ("PT", "ES")


@pytest.mark.parametrize(
    ("family", "condition", "told"),
    [
        ("card", {"fact": "country", "only": ["PT"]}, ["same-terms-by-country"]),
        ("bank-debit", {"fact": "country", "not": ["PT"]}, ["same-terms-by-country", "account-of-any-country"]),
        ("card", {"fact": "country", "only": ["PT", "ES"]}, []),
        ("card", {"fact": "country", "only": ["US"]}, []),
        ("card", {"fact": "country", "not": ["GB"]}, []),
        # Part of Portugal lies in the area: it is offered to some there, and to nobody in Spain.
        ("card", {"fact": "area", "only": ["north"]}, ["same-terms-by-country"]),
        ("card", {"fact": "kind", "only": ["goods"]}, []),
    ],
)
def test_terms_by_country(family: str, condition: dict[str, Any], told: list[str]) -> None:
    assert found(family, conditions=[condition]) == told


def test_areas_of_whole_countries_and_shared_sets_count_too() -> None:
    sold = Sold(["DE", "ES"], AREAS)
    north = Condition(fact="area", only=["north"])
    assert found("card", sold, conditions=[north]) == ["same-terms-by-country"]
    told = findings(tender(), "card", sold, rules(), [north])
    assert [(entry.rule.id, entry.countries) for entry in told] == [("same-terms-by-country", ("ES",))]
