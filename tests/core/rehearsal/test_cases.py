"""The cases that a checkout has, by what its methods can do, and the end that each is to come to."""

import pytest

from monedero.core.checkout.model import Tender
from monedero.core.payment.payment import Gives, Take
from monedero.core.payment.state import State
from monedero.core.rehearsal.cases import (
    Case,
    Form,
    LimitSide,
    Outcome,
    Terms,
    limits_of,
    outcomes_of,
    takes_later,
)
from monedero.core.rehearsal.expected import Came, Told, What, differences, expected
from monedero.figures import methods

NOW, LATER = Terms(Take.NOW, lapses=True), Terms(Take.ON_DISPATCH, lapses=False)
O = Outcome  # noqa: E741 - read in tables below


@pytest.mark.parametrize(
    ("method", "terms", "has", "has_not"),
    [
        ("card", NOW, {O.PAID, O.NOT_CONFIRMED, O.DISPUTE_LOST, O.REFUNDED}, {O.NOT_TAKEN, O.TAKEN_BACK, O.SEEN}),
        ("card", LATER, {O.NOT_TAKEN, O.PAID}, {O.PAID_LATER}),
        ("sepa-direct-debit", NOW, {O.PAID_LATER, O.FAILS_LATER, O.TAKEN_BACK}, {O.PAID, O.DISPUTE_LOST}),
        (
            "online-banking",
            LATER,
            {O.PAID, O.TOLD_TWICE, O.NEVER_TOLD},
            {O.NOT_TAKEN, O.DISPUTE_LOST, O.TAKEN_BACK},
        ),
        ("bank-transfer", NOW, {O.SEEN, O.UNPAID, O.GIVEN_BACK}, {O.PAID, O.REFUNDED}),
        ("bank-transfer", LATER, {O.SEEN, O.GIVEN_BACK}, {O.UNPAID}),
    ],
)
def test_a_way_has_the_outcomes_that_its_method_can_have(
    method: str, terms: Terms, has: set[Outcome], has_not: set[Outcome]
) -> None:
    found = list(outcomes_of(methods.method(method), terms))
    assert len(found) == len(set(found))
    assert has <= set(found)
    assert not has_not & set(found)


def test_every_outcome_of_a_payment_belongs_to_some_method_and_has_an_end() -> None:
    every = {
        outcome
        for method in methods.known().values()
        for terms in (NOW, LATER)
        for outcome in outcomes_of(method, terms)
    }
    assert every == set(Outcome) - {Outcome.OFFERED, Outcome.HELD_BACK}
    for outcome in every:
        told = Told(outcome, total=100, part=50, takes_later=False, gives=Gives.AT_CERTAINTY)
        assert expected(told).messages > 0


def test_both_sides_of_each_end_of_a_limit_are_cases() -> None:
    tender = Tender(
        id="card",
        method="card",
        on=True,
        name="Card",
        windows=[{"from": "5.00 EUR", "up_to": "90.00 EUR"}, {"below": "80.00 GBP"}, {"from": "1.00 USD"}],
    )
    assert list(limits_of(tender)) == [
        LimitSide("EUR", "from"),
        LimitSide("EUR", "up_to"),
        LimitSide("GBP", "below"),
        LimitSide("USD", "from"),
    ]


def test_a_case_is_known_by_all_that_it_is() -> None:
    cases = [
        Case("card", O.PAID, Form.ONCE),
        Case("card", O.PAID, Form.VOUCHER),
        Case("cash", O.PAID, Form.ONCE),
        Case("card", O.OFFERED, Form.LIMIT, LimitSide("EUR", "from")),
        Case("card", O.OFFERED, Form.LIMIT, LimitSide("GBP", "from")),
        Case("card", O.HELD_BACK, Form.LIMIT, LimitSide("EUR", "from")),
    ]
    assert len({case.id for case in cases}) == len(cases)


@pytest.mark.parametrize(
    ("told", "state", "taken", "back", "messages"),
    [
        (Told(O.PAID, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY), State.PAID, 100, 0, 1),
        (Told(O.PAID, 100, 50, takes_later=True, gives=Gives.AT_CERTAINTY), State.AUTHORISED, 0, 0, 1),
        (Told(O.REFUNDED, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY), State.REFUNDED, 100, 100, 2),
        (
            Told(O.REFUNDED, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY, certain_later=True),
            *(State.REFUNDED, 100, 100, 3),
        ),
        (Told(O.REFUNDED, 100, 50, takes_later=True, gives=Gives.AT_CERTAINTY), State.REFUNDED, 100, 100, 3),
        # A voucher over 60 gets 18.75 of the 50 that are given back, and the way to pay the rest.
        (
            Told(O.PART_REFUNDED, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY, voucher=60),
            State.PART_REFUNDED,
            100,
            31,
            3,
        ),
        (Told(O.UNPAID, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY), State.LAPSED, 0, 0, 2),
        (Told(O.UNPAID, 100, 50, takes_later=False, gives=Gives.AT_ORDER, overdue=True), State.LAPSED, 0, 0, 3),
        (Told(O.FAILS_LATER, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY), State.DECLINED, 0, 0, 2),
    ],
)
def test_the_end_of_a_case_follows_from_its_outcome_and_terms(
    told: Told, state: State, taken: int, back: int, messages: int
) -> None:
    found = expected(told)
    assert (found.state, found.taken, found.back, found.messages) == (state, taken, back, messages)


@pytest.mark.parametrize(("gives", "early"), [(Gives.AT_CERTAINTY, False), (Gives.AT_ORDER, True)])
def test_things_are_given_early_only_where_the_way_gives_with_the_order(gives: Gives, early: bool) -> None:
    assert expected(Told(O.SEEN, 100, 50, takes_later=False, gives=gives)).early is early
    assert expected(Told(O.PAID, 100, 50, takes_later=False, gives=gives)).early is None


def test_what_differs_is_told_by_its_name_and_what_is_not_said_is_not_compared() -> None:
    wanted = expected(Told(O.SEEN, 100, 50, takes_later=False, gives=Gives.AT_CERTAINTY))
    as_it_should = Came(State.PAID, 100, 0, 2, early=False, given=True)
    assert list(differences(wanted, as_it_should)) == []
    came = Came(State.LAPSED, 0, 7, 1, early=True, given=False)
    found = {difference.what: (difference.expected, difference.came) for difference in differences(wanted, came)}
    assert found == {
        What.STATE: ("paid", "lapsed"),
        What.TAKEN: ("100", "0"),
        What.BACK: ("0", "7"),
        What.MESSAGES: ("2", "1"),
        What.EARLY: ("no", "yes"),
        What.GIVEN: ("yes", "no"),
    }
    authorised = expected(Told(O.PAID, 100, 50, takes_later=True, gives=Gives.AT_CERTAINTY))
    assert list(differences(authorised, Came(State.AUTHORISED, 0, 0, 1, early=True, given=True))) == []


@pytest.mark.parametrize(("method", "later"), [("card", True), ("online-banking", False)])
def test_only_a_method_that_can_be_held_takes_later(method: str, later: bool) -> None:
    assert takes_later(methods.method(method), Take.ON_DISPATCH) is later
    assert not takes_later(methods.method(method), Take.NOW)
