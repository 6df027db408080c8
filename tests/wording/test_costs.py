"""An all-in cost and what is not a price, in words."""

from dataclasses import replace
from datetime import date
from fractions import Fraction

import pytest

from monedero.core.account import Account
from monedero.core.cost.all_in import EventPrices, OtherCosts
from monedero.core.cost.assumed import Assumed
from monedero.core.cost.parts import CostPart
from monedero.core.method import Method
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.linear import NOTHING, FeePiece, Linear
from monedero.core.ratecard.model import RateCard
from monedero.wording.costs import FORMULAS, MOVED_BY, Case, cost_parts, unknown_parts
from monedero.wording.facts import ToldFrom, facts

ZERO = Fraction(0)
FEE = FeePiece(ZERO, None, "any", Linear(Fraction(14, 1000), ZERO), Linear(ZERO, Fraction(1, 4)), NOTHING, ())
EVERYTHING = OtherCosts(
    assumed=Assumed(
        refund_rate=Fraction(2, 100),
        dispute_rate=Fraction(1, 1000),
        win_rate=Fraction(35, 100),
        failure_rate=Fraction(1, 100),
        refusal_rate=Fraction(5, 100),
        hour_cost=Fraction(15),
        minutes=Fraction(3),
        dispute_minutes=Fraction(45),
        delivery_out=Fraction(4),
        delivery_back=Fraction(5),
        collection_fee=Fraction(2),
        tax_recoverable=ZERO,
        money_cost=Fraction(8, 100),
    ),
    days=Fraction(7),
    events=EventPrices(Fraction(1, 10), "percent", Fraction(15), True, Fraction(4)),
    fee_tax=Fraction(23, 100),
    monthly_share=Fraction(1, 3),
    reserve=Fraction(5, 100),
    reserve_days=90,
    software=Linear(Fraction(1, 100), Fraction(1, 20)),
    at_the_door=True,
    buyer_fee=Linear(ZERO, Fraction(1, 2)),
)


def test_every_part_has_its_words() -> None:
    assert set(FORMULAS) == set(MOVED_BY) == set(CostPart)


def test_every_part_shows_the_figures_in_its_formula_and_they_add_up() -> None:
    parts = {part.part: part for part in cost_parts(Case(FEE, EVERYTHING, Fraction(85), "EUR"))}
    assert list(parts) == list(CostPart)
    assert parts[CostPart.TAX].formula == "23 % of the fee, which you cannot recover"
    assert parts[CostPart.REFUNDS].formula == "2 % of orders x (0.1 EUR - 1.19 EUR returned)"
    assert parts[CostPart.DISPUTES].formula == (
        "0.1 % of orders x (15 EUR; 65 % lost of 85 EUR; less 35 % won of the fee; 45 minutes at 15 EUR an hour)"
    )
    assert (
        parts[CostPart.REFUSED].formula == "5 % refused x 9 EUR out and back; 95 % accepted x 2 EUR for collecting"
    )
    assert parts[CostPart.WAITING].formula == "85 EUR x 8 % a year x 7 days / 365"
    assert parts[CostPart.RESERVE].formula == "4.25 EUR kept x 8 % a year x 90 days / 365"
    assert parts[CostPart.SOFTWARE].formula == "1 % of the order + 0.05 EUR"
    assert parts[CostPart.MONTHLY].exact == "0.333333… EUR"
    cents = sum(round(100 * float(part.amount.split()[0])) for part in parts.values())
    # 1.44 + 0.3312 + 1/3 - 0.0218 + 0.07625 + 0.04 + 2.35 + 0.75 + 0.1304 + 0.0838 + 0.9 - 0.5, worked by hand.
    assert cents == 591


def test_a_part_of_nothing_is_shown_only_where_an_assumption_could_move_it() -> None:
    bare = OtherCosts(assumed=Assumed(), days=ZERO, events=EventPrices(refund=ZERO))
    parts = [part.part for part in cost_parts(Case(FEE, bare, Fraction(85), "EUR"))]
    assert parts == [CostPart.FEE, CostPart.REFUNDS, CostPart.HANDLING, CostPart.WAITING]


def test_what_is_not_known_is_told_and_counts_as_nothing() -> None:
    bare = OtherCosts(assumed=Assumed(dispute_rate=Fraction(1, 100)), days=ZERO, events=EventPrices(refund=ZERO))
    assert unknown_parts(bare) == [
        "The rate card does not say what a dispute or a failed payment costs: that fee counts as nothing."
    ]
    month = replace(bare, events=EventPrices(ZERO, "none", ZERO, False, ZERO), monthly_share=None)
    (told,) = unknown_parts(month)
    assert told.startswith("The share of the plan's month is unknown")
    shown = {part.part: part.formula for part in cost_parts(Case(FEE, month, Fraction(85), "EUR"))}
    assert shown[CostPart.MONTHLY].startswith("unknown")
    silent = {part.part: part.formula for part in cost_parts(Case(FEE, bare, Fraction(85), "EUR"))}
    assert silent[CostPart.DISPUTES].startswith("1 % of orders x (a fee that is not known; 100 % lost of 85 EUR")


METHOD = Method(id="card", name="Card", family="card", buyer="Types a number.", recurring=True, takes_card=True)
PROVIDER = ProviderFacts(
    id="orlenta",
    name="Orlenta",
    about="",
    contract="own-contract",
    review_days=21,
    asks=["identity"],
    card_data="own-page",
)
TERMS = {
    "set_up": "49 EUR",
    "terminal_rent": "9 EUR",
    "shortest_term_months": 24,
    "notice_days": 90,
    "exit_fee": "60 EUR",
    "reserve": {"percent": "5", "days": 90},
    "first_payout_days": 7,
    "monthly_cap": "4000 EUR",
}


def told(
    card: RateCard | None,
    account: Account | None = None,
    method: dict[str, object] | None = None,
    terminal: bool = False,
) -> dict[str, str]:
    known = ToldFrom(
        method=METHOD.model_copy(update=method or {}),
        card=card,
        facts=PROVIDER if card else None,
        account=account,
        placed_on=date(2026, 11, 24),
        arrives_on=date(2026, 12, 1),
        reach=Fraction(7, 10),
        card_duty="a longer self-assessment",
        terminal=terminal,
    )
    return {fact.key: fact.text for fact in facts(known)}


def test_what_is_not_a_price_is_told_from_the_card_and_the_provider(example_card: RateCard) -> None:
    card = RateCard.model_validate({**example_card.model_dump(mode="json", by_alias=True), "terms": TERMS})
    found = told(card)
    assert found["arrives"] == (
        "1 Dec 2026; a new account's first payout is 7 days after its start; 5 % kept for 90 days more"
    )
    assert found["effort"] == "apply: 1 paper, about 21 days, an acquiring contract of your own"
    assert found["card_data"] == "a longer self-assessment"
    assert found["terms"] == (
        "set-up 49.00 EUR; terminal 9.00 EUR a month; 24 months at the least; 90 days' notice; "
        "leaving costs 60.00 EUR; 5 % reserve for 90 days; first payout after 7 days; "
        "4,000.00 EUR a month at the most for a new account"
    )
    held = Account(provider="orlenta", mode="test", stage="connected", active_methods=[])
    assert told(card, held)["effort"] == "account held"
    assert "first payout is" not in told(card, held)["arrives"]
    worded = told(card, held, terminal=True)["terms"]
    assert "terminal 9.00 EUR" not in worded
    assert worded.endswith("you hold its terminal")


@pytest.mark.parametrize(
    ("method", "key", "text"),
    [
        ({"takes_card": False}, "card_data", "no card data"),
        ({"recurring": False}, "recurring", "no, once only"),
        ({"reversible_days": None}, "reversible", "never"),
        (
            {"buyer_account": True, "mandate": True},
            "buyer",
            "Types a number. Needs an account there. Gives a mandate once.",
        ),
    ],
)
def test_traits_are_told_plainly(method: dict[str, object], key: str, text: str) -> None:
    assert told(None, None, method)[key] == text


def test_a_debit_is_taken_back_until_eight_weeks_after_it_was_taken() -> None:
    """SEPA core scheme: eight weeks from the day it was taken, here after 14 days of notice (8 December)."""
    debit: dict[str, object] = {"reversible_days": 56, "notice_days": 14}
    assert told(None, method=debit)["reversible"] == "2 Feb 2027"
    assert told(None, method={"reversible_days": 120})["reversible"] == "24 Mar 2027"


def test_a_refusal_that_is_not_at_the_door_has_no_courier() -> None:
    away = replace(EVERYTHING, at_the_door=False)
    shown = {part.part: part.formula for part in cost_parts(Case(FEE, away, Fraction(85), "EUR"))}
    assert shown[CostPart.REFUSED] == "5 % refused x 9 EUR out and back"
