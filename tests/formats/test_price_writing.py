"""Price lists in the ways in which pages write them: tables, tiers, names of plans, terms; and what stays unread.

Source of the ways of writing: common practice, no source.
"""

import pytest

from monedero.formats.price_text.model import Correction
from monedero.formats.price_text.reader import Given, PriceText, read
from monedero.formats.price_text.unread import Why

GIVEN = Given("Larkhithe", "PT", "EUR", ("aster",))


def reading(*lines: str, currency: str = "EUR", correction: Correction | None = None) -> PriceText:
    given = Given("Larkhithe", "PT", currency, ("aster",))
    return read("\n".join(lines), given, {len(lines): correction} if correction else None)


@pytest.mark.parametrize(
    ("line", "why"),
    [
        ("New accounts 4000 EUR", Why.UNCLEAR),
        ("Instant payouts at most 1 EUR", Why.NO_PRICE),
        ("Terminal rental 120 EUR a year", Why.UNCLEAR),
        ("Cards 1.4 % up to 2000 EUR a month, 1.1 % up to 10000 EUR, graduated", Why.WHICH_BAND),
        ("Cards 1.4 % up to 2000 EUR a month, 1.1 % above 3000 EUR, graduated", Why.WHICH_BAND),
        ("Cards 1.4 % up to a month, 1.1 % above, graduated", Why.WHICH_BAND),
        ("Interchange and scheme fees on top, plus 1 %", Why.UNCLEAR),
        ("Cards, orders 10 EUR - 50 USD: 1.4 %", Why.TWO_CURRENCIES),
        ("Foreign cards are those from Spain", Why.WHICH_REGION),
        ("Cards 1.5 % + 0.255 ", Why.FIGURE),
        ("Cards 1.2 % in IT", Why.WORD),
        ("Cards 1.4 % + 0.25 EUR/USD/GBP", Why.UNCLEAR),
        ("Cards -0.1 %", Why.UNCLEAR),
        ("Scheme fees 0.12 %", Why.UNCLEAR),
        ("Additional interchange + scheme fees + 1 %", Why.UNCLEAR),
        ("Cards 1.4 % up to 2000 EUR a month, 1.1 % above 2000 EUR, on top, graduated", Why.UNCLEAR),
        ("Instalments 4.9 %, 14", Why.FIGURE),
        ("Support: 10 EUR per month", Why.WORD),
        ("Commerciële en internationale kaarten 2,9 %", Why.WORD),
        ("Zakelijke en internationale kaarten 2,9 %", Why.UNCLEAR),
    ],
)
def test_what_may_be_meant_otherwise_is_marked(line: str, why: Why) -> None:
    (unread,) = reading("Cards at a terminal 1 %", line).unread
    assert unread.unread is not None
    assert (unread.number, unread.unread.why) == (2, why)


def test_an_amount_has_the_decimals_of_its_currency() -> None:
    found = reading("Cards 1.5 % + 30", currency="JPY")
    assert found.card is not None
    assert str(found.card.rates[0].fixed) == "30 JPY"
    assert [line.number for line in reading("Cards 1.5 % + 0.5", currency="JPY").unread] == [1]


def test_how_a_plan_is_billed_says_when_it_is_paid_or_that_it_is_of_a_year() -> None:
    for line, monthly in (
        ("Harbour plan: 29 EUR per month, billed annually", "29.00 EUR"),
        ("Harbour plan: 348 EUR billed annually", "29.00 EUR"),
        ("Harbour plan: 29 EUR billed monthly", "29.00 EUR"),
    ):
        found = reading(line, "Cards 1 %")
        assert found.unread == [], line
        assert found.card is not None
        assert str(found.card.plans[0].monthly) == monthly


def test_usual_names_are_plans_and_others_where_their_price_stands_below() -> None:
    found = reading("Starter", "Cards 2 %", "", "Moonlit", "19 EUR per month", "Cards 1 %")
    assert found.unread == []
    assert found.card is not None
    assert [(plan.id, str(plan.monthly)) for plan in found.card.plans] == [
        ("starter", "None"),
        ("moonlit", "19.00 EUR"),
    ]
    assert found.text.splitlines()[3] == "Moonlit plan"


def test_a_table_of_parts_is_written_out_a_row_a_line() -> None:
    found = reading("Method\tPercentage\tFixed", "Cards\t1.5 %\t0.25 EUR", "SEPA Direct Debit\t\t0.35 EUR")
    assert found.unread == []
    assert found.text.splitlines() == ["Cards: 1.5 % + 0.25 EUR", "SEPA Direct Debit: 0.35 EUR"]


def test_a_table_without_a_head_is_read_row_by_row() -> None:
    found = reading("Cards\t\t", "Debit\t0.9 %\t", "Credit\t1.5 %\t")
    assert found.unread == []
    assert found.card is not None
    assert [str(rate.percent) for rate in found.card.rates] == ["0.9", "1.5"]


def test_tiers_with_something_else_between_them_stay_one_line_and_are_marked() -> None:
    (unread,) = reading("Cards a month 0-10,000: 1.35 %, moonlit 10,000-50,000: 1.15 %").unread
    assert unread.number == 1


def test_a_line_that_comes_of_another_one_names_it() -> None:
    found = reading("Cards at a terminal 1 %", "Cards, a month 0-10,000: 1.35 %, over 10,000: 1.1 %, moonlit")
    assert [found.source(line.number) for line in found.unread] == [2, 2]


@pytest.mark.parametrize(
    ("line", "correction", "why"),
    [
        ("From 1.2 %", Correction(methods=("card",)), Why.RANGE),
        ("Moonlit 1.2 %", Correction(plan="standard"), Why.WORD),
        ("Moonlit @ 1.2 %", Correction(methods=("card",)), Why.WORD),
    ],
)
def test_what_is_pointed_at_does_not_hide_another_reason(line: str, correction: Correction, why: Why) -> None:
    (unread,) = reading(line, correction=correction).unread
    assert unread.unread is not None
    assert unread.unread.why is why


def test_words_that_say_whose_price_it_is_are_passed_over_once_that_is_said() -> None:
    found = reading("Moonlit barter by owl 1.2 %", correction=Correction(methods=("card",)))
    assert found.unread == []
    assert found.card is not None
    assert (found.card.rates[0].method, str(found.card.rates[0].percent)) == ("card", "1.2")


def test_what_is_said_of_a_price_leaves_a_line_that_is_none_as_it_is() -> None:
    found = reading("Cards 1 %", "Refunds free", correction=Correction(methods=("card",)))
    assert found.unread == []
    assert found.card is not None
    assert found.card.events[0].methods is None


def test_a_line_that_is_no_price_is_left_out_without_a_word() -> None:
    found = reading("Cards 1 %", "Open all day 24/7", correction=Correction(no_price=True))
    assert found.unread == []


def test_a_price_for_a_plan_that_is_pointed_at_is_of_that_plan() -> None:
    found = reading(
        "Harbour plan", "Cards 1 %", "A plan by moonlight", "Wallets 2 %", correction=Correction(plan="harbour")
    )
    assert found.card is not None
    assert {tuple(rate.plans or ()) for rate in found.card.rates} == {("harbour",)}


def test_of_two_prices_that_cross_the_owner_says_which_goes_first() -> None:
    lines = ("Debit cards 0.9 %", "Aster cards 1.9 %", "Cards 3 %")
    found = reading(*lines)
    assert [(line.overlaps, line.asks) for line in found.lines] == [(None, False), (1, True), (None, False)]
    given = Given("Larkhithe", "PT", "EUR", ("aster",))
    found = read("\n".join(lines), given, {2: Correction(first=True)})
    assert [(line.overlaps, line.asks) for line in found.lines] == [(2, True), (None, False), (None, False)]
    assert found.card is not None
    assert [str(rate.percent) for rate in found.card.rates] == ["1.9", "0.9", "3"]
    again = read("\n".join(lines), given, {1: Correction(first=True), 2: Correction(first=True)})
    assert again.card is not None
    assert [str(rate.percent) for rate in again.card.rates] == ["0.9", "1.9", "3"]


def test_a_price_that_never_counts_is_told() -> None:
    found = reading("Starter plan", "Cards 1.8 %", "All plans", "Cards 2 %")
    assert [line.overlaps for line in found.lines] == [None, None, None, 2]
