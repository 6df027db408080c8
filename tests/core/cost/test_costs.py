"""All-in costs, what a route earns, and plans over a month's volume, against values worked by hand."""

from fractions import Fraction

import pytest
from pydantic import ValidationError

from monedero.core.cost.all_in import (
    CostPiece,
    EventPrices,
    OtherCosts,
    all_in,
    cost_curve,
    earned,
    fee_curve,
)
from monedero.core.cost.arrival import event_of, settlement_of
from monedero.core.cost.assumed import Assumed, assumed
from monedero.core.cost.assumption import Assumption, Assumptions, Scope, Unit, read, value_of
from monedero.core.cost.parts import CostBand, CostPart, band_lines, bands_at
from monedero.core.cost.turn import turn_of
from monedero.core.cost.volume import plan_curve
from monedero.core.curve.crossings import crossings
from monedero.core.curve.pieces import Curve, Piece
from monedero.core.errors import InvalidInput
from monedero.core.method import Method
from monedero.core.profile import CardShare, Cell, Profile
from monedero.core.ratecard.linear import NOTHING, FeePiece, Linear
from monedero.core.ratecard.model import Event, RateCard, Settlement

ZERO = Fraction(0)
EURO = Fraction(1)


def fee(percent: str, fixed: str) -> FeePiece:
    share = Linear(Fraction(percent) / 100, ZERO)
    return FeePiece(ZERO, None, "any", share, Linear(ZERO, Fraction(fixed)), NOTHING, ())


def part(which: CostPart, other_costs: OtherCosts, amount: str, of: FeePiece | None = None) -> Fraction:
    return all_in(of or fee("1.4", "0.25"), other_costs).parts[which].at(Fraction(amount))


def test_waiting_is_simple_interest_over_actual_days() -> None:
    """Handbook of cash management: 10,000 for 14 days at 8 % is 2240/73; 2,000 is 448/73, 6.14."""
    other_costs = OtherCosts(assumed=Assumed(money_cost=Fraction(8, 100)), days=Fraction(14))
    assert part(CostPart.WAITING, other_costs, "10000") == Fraction(2240, 73)
    assert part(CostPart.WAITING, other_costs, "2000") == Fraction(448, 73)


def test_the_all_in_share_of_an_order() -> None:
    """1.4 % + 0.25 on 50.00 and 7 days at 6 %: 1471/73000 of it (by hand)."""
    other_costs = OtherCosts(assumed=Assumed(money_cost=Fraction(6, 100)), days=Fraction(7))
    assert all_in(fee("1.4", "0.25"), other_costs).total.at(Fraction(50)) / 50 == Fraction(1471, 73000)


def test_every_part_by_its_formula() -> None:
    """An order of 80.00; each part worked by hand from the table of formulas."""
    assumptions = Assumed(
        refund_rate=Fraction(5, 100),
        dispute_rate=Fraction(1, 100),
        win_rate=Fraction(40, 100),
        failure_rate=Fraction(2, 100),
        refusal_rate=Fraction(10, 100),
        hour_cost=Fraction(30),
        minutes=Fraction(3),
        dispute_minutes=Fraction(60),
        delivery_out=Fraction(4),
        delivery_back=Fraction(5),
        collection_fee=Fraction(2),
        tax_recoverable=ZERO,
        money_cost=Fraction(365, 1000),
    )
    other_costs = OtherCosts(
        assumed=assumptions,
        days=Fraction(2),
        events=EventPrices(Fraction("0.10"), "percent", Fraction(15), True, Fraction(4)),
        fee_tax=Fraction(23, 100),
        monthly_share=Fraction("0.58"),
        reserve=Fraction(5, 100),
        reserve_days=90,
        software=Linear(Fraction(1, 100), Fraction("0.05")),
        at_the_door=True,
        buyer_fee=Linear(Fraction(1, 100), Fraction("0.10")),
    )
    parts = {name: line.at(Fraction(80)) for name, line in all_in(fee("1.5", "0.25"), other_costs).parts.items()}
    assert parts == {
        CostPart.FEE: Fraction("1.45"),
        CostPart.TAX: Fraction("0.3335"),
        CostPart.MONTHLY: Fraction("0.58"),
        # 5 % of (0.10 - the percentage of 1.20)
        CostPart.REFUNDS: Fraction("-0.055"),
        # 1 % of (15 + 60 % of 80 - 40 % of 15 + an hour at 30)
        CostPart.DISPUTES: Fraction("0.87"),
        CostPart.FAILED: Fraction("0.08"),
        # 10 % of 9 + 90 % of 2
        CostPart.REFUSED: Fraction("2.7"),
        CostPart.HANDLING: Fraction("1.5"),
        CostPart.WAITING: Fraction("0.16"),
        CostPart.RESERVE: Fraction("0.36"),
        CostPart.SOFTWARE: Fraction("0.85"),
        # 1 % of 80 and 0.10
        CostPart.BUYER_FEE: Fraction("-0.9"),
    }
    assert list(parts) == list(CostPart)
    assert all_in(fee("1.5", "0.25"), other_costs).total.at(Fraction(80)) == sum(parts.values())


def test_an_unknown_fee_counts_as_nothing_and_the_rest_of_its_part_stands() -> None:
    """Section 2 and 3: 500.00 at 2.01 % on a silent card is 10.39, dearer than 2 % with a dispute fee of 15.00."""
    assumptions = Assumed(dispute_rate=Fraction(1, 1000), win_rate=Fraction(35, 100))
    silent = all_in(fee("2.01", "0"), OtherCosts(assumed=assumptions, days=ZERO)).total.at(Fraction(500))
    told = OtherCosts(
        assumed=assumptions, days=ZERO, events=EventPrices(dispute=Fraction(15), dispute_returned_if_won=True)
    )
    stated = all_in(fee("2", "0"), told).total.at(Fraction(500))
    # 10.05 + 0.1 % of 65 % of 500; and 10.00 + 0.1 % of (15 + 325 - 35 % of 15).
    assert (silent, stated) == (Fraction("10.375"), Fraction("10.33475"))
    worked = assumptions.replace(dispute_minutes=Fraction(45), hour_cost=Fraction(15))
    assert part(CostPart.DISPUTES, OtherCosts(assumed=worked, days=ZERO), "500") == Fraction("0.33625")


def test_a_fee_won_back_only_where_it_returns() -> None:
    assumptions = Assumed(refund_rate=EURO, dispute_rate=EURO, win_rate=EURO, failure_rate=EURO)
    kept = OtherCosts(assumed=assumptions, days=ZERO, events=EventPrices(dispute=Fraction(20)))
    assert part(CostPart.DISPUTES, kept, "80") == 20


def test_a_refusal_rate_counts_wherever_it_is_given_and_a_collection_fee_only_at_the_door() -> None:
    assumptions = Assumed(
        refusal_rate=Fraction(1, 10),
        delivery_out=Fraction(4),
        delivery_back=Fraction(5),
        collection_fee=Fraction(2),
    )
    assert part(CostPart.REFUSED, OtherCosts(assumed=assumptions, days=ZERO), "80") == Fraction("0.9")
    door = OtherCosts(assumed=assumptions, days=ZERO, at_the_door=True)
    assert part(CostPart.REFUSED, door, "80") == Fraction("2.7")


def test_the_bands_of_a_cost_add_up_to_it_where_refunds_are_below_nothing() -> None:
    """Section 3: a fee of 100.00, a month of 8.00 and refunds that bring back 1.06 are drawn as 106.94, not 108.19."""
    parts = {
        CostPart.FEE: Linear(ZERO, Fraction(100)),
        CostPart.MONTHLY: Linear(ZERO, Fraction(8)),
        CostPart.REFUNDS: Linear(ZERO, Fraction("-1.06")),
    }
    bands = bands_at(CostPiece(fee("2", "0"), parts).bands, Fraction(5000))
    assert sum(bands.values()) == Fraction("106.94")
    assert bands == {CostBand.FEE: Fraction("98.94"), CostBand.MONTH: Fraction(8), CostBand.RISK: ZERO}
    more = {**parts, CostPart.REFUNDS: Linear(ZERO, Fraction(-101))}
    assert list(bands_at(band_lines(more), EURO).values()) == [ZERO, Fraction(7), ZERO]


def test_the_first_place_turns_where_no_route_of_its_method_is_left_before_the_rival() -> None:
    """Two cards at 1 + x and 3 against a debit at 2.5 + x / 2 and a transfer at 4: the debit never comes first."""
    lines = [
        Linear(EURO, EURO),
        Linear(ZERO, Fraction(3)),
        Linear(Fraction(1, 2), Fraction(5, 2)),
        Linear(ZERO, Fraction(4)),
    ]
    methods = ["card", "card", "debit", "transfer"]
    assert turn_of(lines, methods, ZERO, None) is None
    # Without the second card the debit comes first from 3, where both cost 4, and so does the transfer.
    assert turn_of([lines[0], *lines[2:]], ["card", "debit", "transfer"], ZERO, None) == (Fraction(3), 2)
    assert turn_of([lines[0], *lines[2:]], ["card", "debit", "transfer"], ZERO, Fraction(1)) is None
    # Going down: a line that falls less steeply comes first below the crossing.
    assert turn_of([Linear(ZERO, EURO), Linear(EURO, ZERO)], ["a", "b"], Fraction(2), None) == (EURO, 1)


def test_a_curve_of_costs_and_of_fees() -> None:
    other_costs = OtherCosts(assumed=Assumed(), days=ZERO, to_books=Fraction(1, 2), monthly_share=Fraction(3))
    assert cost_curve([fee("1", "0.50")], other_costs).at(Fraction(100)) == Fraction("4.5")
    assert fee_curve([fee("1", "0.50")]).at(Fraction(100)) == Fraction("1.5")


def test_a_few_points_of_completion_outweigh_the_fee() -> None:
    """Margin 30.00: a route at 1.00 that 95 % finish earns more than one at 0.50 that 90 % finish."""
    dear = earned(Fraction(1), Fraction(30), Assumed(completion_rate=Fraction(95, 100)))
    cheap = earned(Fraction("0.5"), Fraction(30), Assumed(completion_rate=Fraction(90, 100)))
    assert (dear, cheap) == (Fraction("27.55"), Fraction("26.55"))
    assert earned(Fraction(1), Fraction(30), Assumed()) == 29


# Plans over a month's volume.
def flat(rate: str, monthly: str = "0", minimum: str = "0") -> Curve:
    return plan_curve([Piece(ZERO, None, Fraction(rate) / 100, ZERO)], Fraction(monthly), Fraction(minimum))


def test_the_break_even_volume_of_two_plans() -> None:
    """(M2 - M1) / (r1 - r2): 29 a month for 0.3 points less is 29,000/3; 18 for 0.9 points less is 2,000."""
    assert [c.at for c in crossings(flat("1.2"), flat("0.9", "29"))] == [Fraction(29000, 3)]
    assert [c.at for c in crossings(flat("1.8"), flat("0.9", "18"))] == [Fraction(2000)]


def test_a_minimum_holds_until_the_fees_reach_it_and_the_monthly_charge_does_not_count() -> None:
    curve = flat("1", "12", "10")
    assert [(p.from_, p.slope, p.intercept) for p in curve.pieces] == [
        (ZERO, ZERO, Fraction(22)),
        (Fraction(1000), Fraction(1, 100), Fraction(12)),
    ]
    pieces = [Piece(ZERO, Fraction(500), Fraction(1, 100), ZERO), Piece(Fraction(500), None, ZERO, Fraction(5))]
    stepped = plan_curve(pieces, ZERO, Fraction(10))
    assert [(p.from_, p.slope, p.intercept) for p in stepped.pieces] == [(ZERO, ZERO, Fraction(10))]


# Assumptions.
RATE = Assumption(
    id="refund-rate",
    name="Refunds",
    unit=Unit.PERCENT,
    scope=Scope.FAMILY,
    defaults={"*": "2", "bank-debit": "1"},
    source="common practice, no source",
)
HOUR = Assumption(
    id="hour-cost", name="An hour", unit=Unit.MONEY, scope=Scope.SHOP, defaults={"*": "15"}, source="x"
)
MINUTES = Assumption(id="minutes", name="Minutes", unit=Unit.MINUTES, scope=Scope.METHOD, defaults={}, source="x")
DEBIT = Method(
    id="sepa-direct-debit", name="SEPA direct debit", family="bank-debit", buyer="Signs.", recurring=True
)


def test_what_was_typed_goes_before_the_default_of_the_family_and_that_before_the_default_of_all() -> None:
    every = {entry.id: entry for entry in (RATE, HOUR, MINUTES)}
    assert assumed(DEBIT, every, {}).refund_rate == Fraction(1, 100)
    typed = {("refund-rate", "bank-debit"): "3.5", ("minutes", "sepa-direct-debit"): "4"}
    held = assumed(DEBIT, every, typed)
    assert [held.refund_rate, held.hour_cost, held.minutes] == [Fraction(35, 1000), 15, 4]
    assert value_of(MINUTES, "cash", typed) is None
    changed = assumed(DEBIT, every, typed, lambda entry, _: Fraction(9) if entry.id == "minutes" else None)
    assert [changed.minutes, changed.refund_rate] == [9, held.refund_rate]


@pytest.mark.parametrize(
    ("assumption", "text", "code"),
    [
        (RATE, "101", "percent-range"),
        (RATE, "two", "percent-text"),
        (HOUR, "-5", "amount-text"),
        (HOUR, "15,00", "amount-text"),
        (RATE.model_copy(update={"unit": Unit.YES_NO}), "maybe", "not-one-of"),
    ],
)
def test_a_wrong_assumption_is_refused_by_name(assumption: Assumption, text: str, code: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        read(assumption, text)
    assert refused.value.faults[0].code.value == code
    assert refused.value.faults[0].field == assumption.id


def test_yes_and_no_are_one_and_nothing_and_an_assumption_stands_once() -> None:
    both = RATE.model_copy(update={"unit": Unit.YES_NO})
    assert [read(both, "yes"), read(both, "no"), read(HOUR, "15.50")] == [1, 0, Fraction("15.5")]
    twice = [{"id": "hour-cost", "about": "*", "value": "1"}] * 2
    with pytest.raises(ValidationError, match="duplicate"):
        Assumptions.model_validate({"chosen": twice})


def test_the_first_entry_that_names_the_method_counts(example_card: RateCard) -> None:
    rules = [
        Settlement(methods=["card"], business_days=1, calendar="TARGET", payout="daily"),
        Settlement(business_days=5, calendar="PT", payout="daily"),
    ]
    assert settlement_of(rules, "card") is rules[0]
    assert settlement_of(rules, "cash") is rules[1]
    assert settlement_of([], "card") is None
    assert event_of(example_card.events, "card") is example_card.events[0]
    assert event_of([Event(methods=["card"])], "cash") is None


@pytest.mark.parametrize(
    "broken",
    [
        {"cells": [{"line": "a", "market": "b", "orders": "1", "usual": "5 EUR", "low": "1 EUR"}]},
        {
            "cells": [
                {"line": "a", "market": "b", "orders": "1", "usual": "5 EUR", "low": "6 EUR", "high": "9 EUR"}
            ]
        },
        {"cells": [{"line": "a", "market": "b", "orders": "-1", "usual": "5 EUR"}]},
        {"cells": [{"line": "a", "market": "b", "orders": "1", "usual": "5 EUR"}] * 2},
        {"cards": [{"network": "aster", "share": "60"}, {"network": "cygnet", "share": "41"}]},
        {"cards": [{"network": "aster", "share": "60"}] * 2},
    ],
)
def test_a_profile_that_contradicts_itself_is_refused(broken: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        Profile.model_validate(broken)


def test_cards_may_leave_a_rest_unknown() -> None:
    held = Profile(cards=[CardShare(kind="consumer-debit", share="70")])
    assert held.cards[0].network is None


@pytest.mark.parametrize("text", ["5", "5.25"])
def test_minutes_are_plain_numbers(text: str) -> None:
    assert read(MINUTES, text) == Fraction(text)


def test_a_typed_cell_without_a_spread_is_all_of_its_usual_amount() -> None:
    cell = Cell(line="chart", market="pt", orders="12", usual="42.00 EUR")
    assert [(str(amount), share) for amount, share in cell.amounts] == [("42.00 EUR", Fraction(1))]


def test_what_the_owner_assumed_is_kept_once_for_each() -> None:
    held = Assumptions.model_validate({"chosen": [{"id": "hour-cost", "about": "*", "value": "18"}]})
    assert held.chosen[0].value == "18"
