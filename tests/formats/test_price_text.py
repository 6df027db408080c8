"""A price list as text: what lines mean, in three languages, and what is never read.

Source of the words and the usual ways of writing: common practice, no source; the members of the Union are those of
python-stdnum's table of VAT numbers; what is right for a made-up card is what its own prices come to.
"""

import random
import re
from collections import Counter
from datetime import date
from decimal import Decimal
from typing import Any

import pytest
import stdnum.eu.vat
from hypothesis import given
from hypothesis import strategies as st
from tests.formats.written_prices import written
from tests.properties import tried_on

from monedero.core.errors import InvalidInput
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import CardKind
from monedero.core.order.model import Order
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.figures import methods, reference_rates
from monedero.formats.price_text import vocabulary
from monedero.formats.price_text.conditions import area
from monedero.formats.price_text.model import Correction, Facets, Price, RateLine, ReadLine
from monedero.formats.price_text.reader import Given, PriceText, decoded, read, typed
from monedero.formats.price_text.unread import Why
from monedero.formats.price_text.vocabulary import folded, signs

RATES = ReferenceRates(reference_rates.bundled())
DAY = date(2026, 1, 5)
GIVEN = Given("Larkhithe", "PT", "EUR", ("aster", "borealis"))
SKETCH = """Standard plan
EEA consumer cards 1.5% + €0.25
EEA business cards 1.9% + €0.25
All other cards 3.25% + €0.25
Currency conversion 2%
Large volumes: from 1.2%, talk to us
SEPA Direct Debit €0.35
Disputes €15, refunded if you win
Payouts weekly, on Mondays
"""


def reading(*lines: str, given: Given = GIVEN) -> PriceText:
    return read("\n".join(lines), given)


def rate_of(line: str, *, given: Given = GIVEN) -> dict[str, Any]:
    """The one rate that a line becomes, without its id."""
    found = reading(line, given=given)
    assert found.unread == []
    assert found.card is not None
    [rate] = found.card.rates
    return rate.model_dump(mode="json", by_alias=True, exclude_unset=True, exclude={"id"}, exclude_none=True)


def why(line: ReadLine) -> Why | None:
    return line.unread.why if line.unread else None


def whys(*lines: str, given: Given = GIVEN) -> list[Why | None]:
    return [why(line) for line in reading(*lines, given=given).lines]


def test_a_price_list_as_it_stands_on_a_page() -> None:
    found = read(SKETCH, GIVEN)
    card = found.card
    assert card is not None
    assert [(line.number, why(line)) for line in found.unread] == [(6, Why.CONTACT)]
    assert [(plan.id, plan.name, plan.monthly) for plan in card.plans] == [("standard", "Standard", None)]
    assert [(rate.method, rate.percent, rate.fixed and str(rate.fixed)) for rate in card.rates] == [
        ("card", Decimal("1.5"), "0.25 EUR"),
        ("card", Decimal("1.9"), "0.25 EUR"),
        ("card", Decimal("3.25"), "0.25 EUR"),
        ("sepa-direct-debit", None, "0.35 EUR"),
    ]
    assert card.rates[0].when.origin == ["domestic", "region"]
    assert card.provider.region == area("eea")
    assert (card.extras[0].when.conversion, card.extras[0].percent) == (True, Decimal(2))
    assert card.events[0].dispute is not None
    assert (str(card.events[0].dispute.fixed), card.events[0].dispute.returned_if_won) == ("15.00 EUR", True)
    assert (card.settlement[0].payout, card.settlement[0].calendar) == ("weekly:MON", "TARGET")
    assert [line.entries for line in found.lines][:3] == [
        (),
        ("card-debit-credit-domestic-region",),
        ("card-commercial-domestic-region",),
    ]


CARDS = {"method": "card"}
DEBIT = {"card_kind": ["consumer-debit"]}


@pytest.mark.parametrize(
    ("line", "rate"),
    [
        ("Cards 1.5% + €0.25", {**CARDS, "when": {}, "percent": "1.5", "fixed": "0.25 EUR"}),
        ("1,5 % + 0,25 € por pago con tarjeta", {**CARDS, "when": {}, "percent": "1.5", "fixed": "0.25 EUR"}),
        ("Cartões: 1,5% mais 25 cêntimos", {**CARDS, "when": {}, "percent": "1.5", "fixed": "0.25 EUR"}),
        ("Cards 150 bps + 25c", {**CARDS, "when": {}, "percent": "1.5", "fixed": "0.25 EUR"}),
        ("Cards free", {**CARDS, "when": {}, "percent": "0"}),
        ("Debit cards 0.9%", {**CARDS, "when": DEBIT, "percent": "0.9"}),
        (
            "Tarjetas de débito nacionales 0,9 %",
            {**CARDS, "when": {**DEBIT, "origin": ["domestic"]}, "percent": "0.9"},
        ),
        (
            "Cartões comerciais fora do EEE 2,9%",
            {**CARDS, "when": {"card_kind": ["commercial"], "origin": ["abroad"]}, "percent": "2.9"},
        ),
        ("Cards from the United Kingdom 2%", {**CARDS, "when": {"buyer_country": ["GB"]}, "percent": "2"}),
        ("Consumer and commercial cards 2%", {**CARDS, "when": {}, "percent": "2"}),
        ("Cards 2% for orders > €50", {**CARDS, "when": {"amount": {"from": "50.01 EUR"}}, "percent": "2"}),
        ("UK cards 2%", {**CARDS, "when": {"buyer_country": ["GB"]}, "percent": "2"}),
        ("Tarjetas de España 1%", {**CARDS, "when": {"buyer_country": ["ES"]}, "percent": "1"}),
        (
            "Aster cards 1.1% + 0.05 EUR",
            {**CARDS, "when": {"card_network": ["aster"]}, "percent": "1.1", "fixed": "0.05 EUR"},
        ),
        ("Recurring cards 1.3%", {**CARDS, "when": {"recurring": True}, "percent": "1.3"}),
        ("Cards in GBP 2%", {**CARDS, "when": {"currency": ["GBP"]}, "percent": "2"}),
        ("Cards in person 1.2%", {"method": "card-at-terminal", "when": {}, "percent": "1.2"}),
        ("Cards by phone 2.4%", {"method": "card-by-phone", "when": {}, "percent": "2.4"}),
        (
            "SEPA Direct Debit: 0.8%, min. €0.30, max. €5",
            {
                "method": "sepa-direct-debit",
                "when": {},
                "percent": "0.8",
                "minimum": "0.30 EUR",
                "maximum": "5.00 EUR",
            },
        ),
        ("Direct debits 0.35 EUR", {"method": "sepa-direct-debit", "when": {}, "fixed": "0.35 EUR"}),
        ("Transferencias inmediatas 0,40 €", {"method": "instant-transfer", "when": {}, "fixed": "0.40 EUR"}),
        (
            "Cards 1.2% over €10,000 a month",
            {**CARDS, "when": {"monthly_volume": {"from": "10000.01 EUR"}}, "percent": "1.2"},
        ),
        (
            "Tarjetas, de 10.000,00 a 50.000,00 € al mes de volumen: 1,2 %",
            {
                **CARDS,
                "when": {"monthly_volume": {"from": "10000.00 EUR", "below": "50000.01 EUR"}},
                "percent": "1.2",
            },
        ),
        (
            "Cards 1.4% for payments up to €100",
            {**CARDS, "when": {"amount": {"below": "100.01 EUR"}}, "percent": "1.4"},
        ),
        (
            "Cards 1.4% for payments under €100",
            {**CARDS, "when": {"amount": {"below": "100.00 EUR"}}, "percent": "1.4"},
        ),
    ],
)
def test_a_price_of_a_method(line: str, rate: dict[str, Any]) -> None:
    assert rate_of(line) == rate


@pytest.mark.parametrize(
    ("line", "reason"),
    [
        ("Cards from 1.2%", Why.RANGE),
        ("Cards 1.2% - 2.5%", Why.RANGE),
        ("Cards up to 2%", Why.RANGE),
        ("Cards from €0.10", Why.RANGE),
        ("Desde 29 € al mes", Why.RANGE),
        ("Contact us", Why.CONTACT),
        ("Volumes over €1 million: custom pricing", Why.CONTACT),
        ("Grandes volúmenes: a medida", Why.CONTACT),
        ("Cards about 1.5%", Why.ABOUT),
        ("Cards 1.5%, except commercial cards", Why.EXCEPTION),
        ("Cards 101%", Why.PERCENT_OVER),
        ("Cards €0.25 / £0.20", Why.TWO_CURRENCIES),
        ("Cards 1.5% + €0.25, min £0.30", Why.TWO_CURRENCIES),
        ("Cards $0.30", Why.WHICH_DOLLAR),
        ("Cards 1.500 EUR", Why.AMOUNT),
        ("Cards 0.255 EUR", Why.AMOUNT),
        ("Cards 1.5 + 0.25", Why.FIGURE),
        ("Cards 1.5% and 1.9%", Why.RANGE),
        ("Cards 1.5%, wallets at 1.9%", Why.TWO_PRICES),
        ("Moonbeam cards 1.5%", Why.WORD),
        ("Payouts dailx", Why.WORD),
        ("Cards 1.5% over €100", Why.WHICH_BAND),
        ("Commercial debit cards 1.5%", Why.COMMERCIAL),
        ("1.5% + €0.25", Why.WHICH_METHOD),
        ("Cards: €2 min, €1 max, 1%", Why.LIMITS),
        ("Payouts weekly", Why.WHICH_DAY),
        ("Payouts after 3 days", Why.WHICH_DAY),
        ("Payouts monthly", Why.WHICH_DAY),
        ("1 month's notice", Why.MONTHS),
        ("Disputes and refunds €15", Why.UNCLEAR),
        ("Invoices for debit cards 1%", Why.UNCLEAR),
        ("Cards €10 per month", Why.UNCLEAR),
        ("x" * 400, Why.TOO_LONG),
        ("1 " * 120, Why.TOO_LONG),
        ("Cards ~1.5%", Why.ABOUT),
        ("Cards €10 per month, €12 per month", Why.TWO_PRICES),
        ("Cards 1.2% over €10 over €20 a month", Why.TWO_PRICES),
        ("Cards 1.2% under €10 under €20 a month", Why.TWO_PRICES),
        ("€10 - €20, €30 - €40 a month: cards 1.2%", Why.TWO_PRICES),
        ("Cards 1.2% between €10 a month", Why.UNCLEAR),
        ("Cards 1.2% from €20 to €10 a month", Why.LIMITS),
        ("Cards 1.2% from €10 up to £20 a month", Why.TWO_CURRENCIES),
        ("Cards 1.2% for orders over €10,000 a month", Why.WHICH_BAND),
        ("Cards €10 - €20", Why.RANGE),
        ("Cards free up to €1000 a month", Why.WHICH_BAND),
        ("Cards free 1%", Why.UNCLEAR),
        ("Cards min €0.30", Why.NO_PRICE),
        ("Returned if you win", Why.NO_PRICE),
        ("+ 1% for cards, min €0.30", Why.LIMITS),
        ("Steady plan: €29 moonlit", Why.WORD),
        ("Steady plan: €29 per month, max €40", Why.UNCLEAR),
        ("€29 per month, min €10, €9", Why.TWO_PRICES),
        ("Cards, disputes and payouts 1%", Why.UNCLEAR),
        ("VAT €5", Why.NO_PRICE),
        ("VAT included", Why.NO_PRICE),
        ("Disputes 5%", Why.UNCLEAR),
        ("Disputes, min €5", Why.UNCLEAR),
        ("Disputes, not refunded", Why.NO_PRICE),
        ("Fees are kept", Why.UNCLEAR),
        ("Refunds €1, fees are kept, percentage returned", Why.UNCLEAR),
        ("Payouts on Mondays and Fridays", Why.UNCLEAR),
        ("Payouts 15", Why.FIGURE),
        ("Payouts, business days 2 3", Why.TWO_PRICES),
        ("Payouts in business days, daily", Why.WHICH_DAY),
        ("Payouts after 2.5 business days", Why.FIGURE),
        ("Payouts monthly on the 31st", Why.WHICH_DAY),
        ("Settlement 10%", Why.FIGURE),
        ("Set-up fee 5%", Why.UNCLEAR),
        ("Set-up and exit fee €10", Why.UNCLEAR),
        ("Set-up fee 12", Why.NO_PRICE),
        ("Reserve for 90 days", Why.NO_PRICE),
        ("Contract of at least 12", Why.NO_PRICE),
        ("Cards from Spain and the EEA, from the EU 1%", Why.UNCLEAR),
        ("Cards from the EEA, from the EU 1%", Why.WHICH_REGION),
        ("Cards 1.234.567,8%", Why.AMOUNT),
        ("Cards 1.5% from 1.500 to 2.000 EUR a month", Why.AMOUNT),
    ],
)
def test_what_is_no_price_is_marked_with_its_reason(line: str, reason: Why) -> None:
    assert whys("Cards at a terminal 1%", line) == [None, reason]


@pytest.mark.parametrize(
    "line",
    [
        *(
            "   ",
            "-----",
            "## Cards",
            "Card payments",
            "What you pay",
            "Our prices at a glance",
            "* Excluding VAT",
        ),
        *("Tarjetas", "Pagamentos com cartão", "Prices in EUR", "Disputes and refunds", "All plans", "Payouts"),
    ],
)
def test_blank_lines_headings_and_footnotes_are_no_findings(line: str) -> None:
    assert whys("Cards 1%", line) == [None, None]


def card_of(*lines: str, given: Given = GIVEN) -> RateCard:
    found = reading(*lines, given=given)
    assert [(line.text, why(line)) for line in found.unread] == []
    assert found.card is not None
    return found.card


def test_plans_and_what_they_cost_a_month() -> None:
    card = card_of(
        "Cards in person 1%",
        "Start plan (free)",
        "Cards 1.5% + 0.25 EUR",
        "Plan Steady: 29 €/mes",
        "Monthly minimum fees €10",
        "Cards 1.2% + 0.25 EUR",
        "All plans",
        "SEPA Direct Debit €0.35",
        "Currency conversion 2% on every plan",
        "Wallets 2% on the Start plan",
    )
    assert [
        (plan.id, str(plan.monthly), plan.minimum_monthly and str(plan.minimum_monthly)) for plan in card.plans
    ] == [
        ("start", "0.00 EUR", None),
        ("steady", "29.00 EUR", "10.00 EUR"),
    ]
    assert [(rate.method, rate.plans) for rate in card.rates] == [
        ("card-at-terminal", None),
        ("card", ["start"]),
        ("card", ["steady"]),
        ("sepa-direct-debit", None),
        ("device-wallet", ["start"]),
        ("account-wallet", ["start"]),
    ]
    assert card.extras[0].plans is None


def test_below_a_plan_that_is_not_understood_nothing_is_taken_for_another_plan() -> None:
    found = reading(
        "Cards 1.5%", "Gold plan, about €25", "Debit cards 0.5%", "No monthly fee", "SEPA Direct Debit €1"
    )
    assert [why(line) for line in found.lines] == [None, Why.UNCLEAR, *[Why.WHICH_PLAN] * 3]
    again = reading("Gold plan, about €25", "Cards 0.5%", "Silver plan", "Cards 0.7%", "Cards 2% on every plan")
    assert [why(line) for line in again.lines] == [Why.UNCLEAR, Why.WHICH_PLAN, None, None, None]
    every = reading("Gold plan, about €25", "All plans", "Cards 0.5%")
    assert [why(line) for line in every.lines] == [Why.UNCLEAR, None, None]


def test_a_plan_may_be_called_by_how_it_is_paid() -> None:
    card = card_of("Free plan", "Cards 1.5%", "MONTHLY PLAN - €25 a month", "Debit cards 0.5%")
    assert [(plan.name, plan.monthly and str(plan.monthly)) for plan in card.plans] == [
        ("Free", None),
        ("MONTHLY", "25.00 EUR"),
    ]


def test_without_a_plan_there_is_one() -> None:
    card = card_of("Monthly fee €12", "Cards 1%")
    assert [(plan.name, str(plan.monthly)) for plan in card.plans] == [("Standard", "12.00 EUR")]
    assert card.rates[0].plans is None
    assert card_of("No monthly fee", "Cards 1%").plans[0].monthly == Money(0, "EUR")


def test_terms_of_contract() -> None:
    card = card_of(
        "Cards 1%",
        "Set-up fee €49",
        "Terminal rent 15 € per month",
        "Contract 12 months, 30 days' notice",
        "Exit fee €100",
        "Rolling reserve 10% for 90 days",
        "First payout after 7 days",
        "VAT 23%",
    )
    assert card.terms is not None
    assert card.terms.model_dump(mode="json", exclude_none=True) == {
        "set_up": "49.00 EUR",
        "terminal_rent": "15.00 EUR",
        "shortest_term_months": 12,
        "notice_days": 30,
        "exit_fee": "100.00 EUR",
        "reserve": {"percent": "10", "days": 90},
        "first_payout_days": 7,
    }
    assert card.fee_tax_percent == Decimal(23)
    none = card_of("Cards 1%", "No set-up fee", "Sin permanencia", "Sem taxa de rescisão").terms
    assert none is not None
    assert (none.set_up, none.shortest_term_months, none.exit_fee) == (Money(0, "EUR"), 0, Money(0, "EUR"))
    both = card_of("Cards 1%", "No set-up fee, no minimum term, no terminal rent").terms
    assert both is not None
    assert (both.set_up, both.shortest_term_months, both.terminal_rent) == (Money(0, "EUR"), 0, Money(0, "EUR"))


def test_what_a_line_says_there_is_none_of_stands_beside_what_has_a_figure() -> None:
    mixed = card_of("Cards 1%", "Sin permanencia. Preaviso de 30 días").terms
    assert mixed is not None
    assert (mixed.shortest_term_months, mixed.notice_days) == (0, 30)
    assert card_of("Cards 1%", "Acresce IVA à taxa legal de 23%").fee_tax_percent == Decimal(23)
    assert card_of("Cards 1%", "Minimum monthly charge: €10").plans[0].minimum_monthly == Money(1000, "EUR")
    assert card_of("Plano Base \u2013 0 €/mês", "Cartões 1%").plans[0].monthly == Money(0, "EUR")


def test_the_mark_before_decimals_is_that_of_the_whole_text() -> None:
    lines = ("Tarjetas 1,4 % + 0,25 €", "Tarjetas 1,2 % a partir de 10.000 € al mes")
    bands = [rate.when.monthly_volume for rate in card_of(*lines).rates]
    assert [str(band.from_) for band in bands if band] == ["10000.00 EUR"]
    # A text that uses both, or neither, is asked about.
    assert whys("Cards 1.4% + 0,25 €", lines[1])[1] is Why.AMOUNT
    assert whys("Cards 1%", "Cards 0.9% from 10.000 € a month")[1] is Why.AMOUNT
    # Three decimals are more than a cent has, and no thousands.
    assert whys("Cartões 2,9% mais 10,027 €") == [Why.AMOUNT]
    assert whys("Cards 2.9% + €0,025") == [Why.AMOUNT]
    over = card_of("Cards 1.5%", "Cards 1.2% for orders over €10,000").rates[0].when.amount
    assert over is not None
    assert str(over.from_) == "10000.01 EUR"


def test_days_and_payout_may_stand_in_two_lines() -> None:
    [rule] = card_of("Cards 1%", "Abonos a los 2 días hábiles", "Abono semanal, los viernes").settlement
    assert (rule.business_days, rule.payout) == (2, "weekly:FRI")
    assert whys("Cards 1%", "Pagamentos à segunda-feira") == [None, Why.UNCLEAR]


def test_what_may_happen_after() -> None:
    card = card_of(
        "Cards 1%",
        "SEPA Direct Debit €0.35",
        "Failed direct debits €3.50",
        "Refunds free, the percentage is returned",
        "Contracargos 15 €",
        "SEPA direct debit disputes €7",
    )
    [debit, others] = card.events
    assert debit.methods == ["sepa-direct-debit"]
    assert debit.failed is not None
    assert debit.dispute is not None
    assert others.dispute is not None
    assert others.refund is not None
    assert [str(debit.failed.fixed), str(debit.dispute.fixed)] == ["3.50 EUR", "7.00 EUR"]
    assert (others.methods, str(others.dispute.fixed), others.refund.returns) == (None, "15.00 EUR", "percent")
    assert debit.refund == others.refund
    none = card_of("Cards 1%", "No dispute fee").events[0].dispute
    assert none is not None
    assert none.fixed == Money(0, "EUR")


@pytest.mark.parametrize(
    ("line", "days", "payout"),
    [
        ("Payouts after 2 business days", 2, "daily"),
        ("Payout T+2", 2, "daily"),
        ("Daily payouts", 0, "daily"),
        ("Settlement on the next business day", 1, "daily"),
        ("Payouts every Friday, after 3 working days", 3, "weekly:FRI"),
        ("Liquidación semanal los lunes", 0, "weekly:MON"),
        ("Liquidação em 2 dias úteis", 2, "daily"),
        ("Payouts monthly on the 15th", 0, "monthly:15"),
    ],
)
def test_when_the_money_arrives(line: str, days: int, payout: str) -> None:
    [rule] = card_of("Cards 1%", line).settlement
    assert (rule.business_days, rule.payout, rule.methods) == (days, payout, None)


def test_a_heading_holds_for_the_lines_below_it() -> None:
    card = card_of("EEA cards", "Debit 0.8%", "Credit 1.2%", "All other 2.9%", "SEPA Direct Debit €0.35")
    assert [(rate.method, rate.when.origin is not None) for rate in card.rates] == [
        ("card", True),
        ("card", True),
        ("card", False),
        ("sepa-direct-debit", False),
    ]
    # A line under a heading that nobody understands is not taken for the one before it.
    assert whys("EEA cards", "Debit 0.8%", "For our moonlit friends", "Credit 1.2%")[3] is Why.NOTHING_UNDER


def test_a_narrower_price_goes_before_a_wider_one_wherever_it_stands() -> None:
    card = card_of("All cards 2.9%", "EEA cards 1.5%", "Domestic debit cards 0.9%")
    assert [str(rate.percent) for rate in card.rates] == ["0.9", "1.5", "2.9"]
    # A country lies abroad, and outside the area that the text speaks of.
    found = reading("International cards 3.25%", "UK cards 2.5%", "EEA cards 1.5%")
    assert found.card is not None
    assert [str(rate.percent) for rate in found.card.rates] == ["2.5", "3.25", "1.5"]
    assert [line.overlaps for line in found.lines] == [None, None, None]


def test_extras_that_are_said_twice_are_added_once() -> None:
    found = reading("Cards 1%", "Currency conversion 2%", "Currency conversion 2%", "Currency conversion 3%")
    assert [why(line) for line in found.lines] == [None, None, None, Why.ANOTHER_PRICE]
    assert found.card is not None
    assert len(found.card.extras) == 1
    # The same words of a narrower kind are another extra.
    card = card_of("Cards 1%", "Extra for international cards 1%", "Extra for recurring cards 1%")
    assert len(card.extras) == 2


def test_bands_that_lie_apart_or_within_each_other() -> None:
    card = card_of(
        "Cards 1.5%",
        "Cards 1.2% from €10,000 a month",
        "Cards 1.0% from €50,000 a month",
        "One-off cards 3%",
        "Recurring cards 2%",
    )
    assert [str(rate.percent) for rate in card.rates] == ["1.0", "1.2", "3", "2", "1.5"]
    low = reading("Cards 1.5% below €10,000 a month", "Cards 1.2% from €10,000 a month")
    assert [line.overlaps for line in low.lines] == [None, None]
    other = reading("Cards 1.5% below £10,000 a month", "Cards 1.2% from €10,000 a month")
    assert [line.overlaps for line in other.lines] == [None, 1]


def test_two_prices_for_the_same_orders_cannot_both_be_right() -> None:
    found = reading("Cards 1.5%", "Cards 1.5%", "Tarjetas 1,9 %", "Payout T+2", "Payout T+3")
    assert [why(line) for line in found.lines] == [None, None, Why.ANOTHER_PRICE, None, Why.ANOTHER_PRICE]
    assert found.lines[2].unread is not None
    assert found.lines[2].unread.line == 1
    assert found.card is not None
    assert len(found.card.rates) == 1


def test_prices_that_cross_are_told() -> None:
    found = reading("Debit cards 1%", "EEA cards 1.5%")
    assert [line.overlaps for line in found.lines] == [None, 1]


def test_what_comes_on_top_needs_something_to_come_on_top_of() -> None:
    assert whys("Cards 1%", "+ 1.5% for international cards", "+ 1% on SEPA direct debits") == [
        None,
        None,
        Why.NOTHING_UNDER,
    ]
    [extra] = card_of("Cards 1%", "International surcharge for cards: 1.5%").extras
    assert (extra.label, extra.methods, extra.when.origin) == (
        "International surcharge for cards",
        ["card"],
        ["abroad"],
    )


def test_the_region_is_what_the_text_calls_it() -> None:
    assert card_of("EU cards 1%").provider.region == area("eu")
    assert card_of("Cards 1%", "International cards 2%").provider.region == []
    both = card_of("EEA cards 1%", "EU cards 0.9%")
    assert both.rates[0].when.buyer_country == area("eu")
    # A shop outside has no region there: the countries are named one by one.
    british = Given("Larkhithe", "GB", "GBP")
    assert card_of("EEA cards 1%", given=british).rates[0].when.buyer_country == area("eea")
    assert whys("EEA cards from Spain 1%", given=british) == [Why.WHICH_REGION]
    assert whys("EEA cards 1%", "Cards outside the EEA 3%", given=british) == [None, Why.WHICH_REGION]
    assert card_of("Direct debits £0.20", given=british).rates[0].method == "bacs-direct-debit"
    assert whys("Direct debits 1 CHF", given=Given("Larkhithe", "CH", "CHF")) == [Why.WHICH_DEBIT]


def test_the_areas_are_those_of_the_treaties() -> None:
    members = {"GR" if code == "el" else code.upper() for code in stdnum.eu.vat.MEMBER_STATES} - {"XI"}
    assert set(area("eu")) == members
    assert set(area("eea")) == members | {"IS", "LI", "NO"}


def test_the_owner_corrects_what_a_line_means() -> None:
    corrected = {1: Correction(card_kinds=("commercial",), origins=("abroad",), methods=("device-wallet",))}
    card = read("Cards 1.5%", GIVEN, corrected).card
    assert card is not None
    assert (card.rates[0].method, card.rates[0].when.card_kind, card.rates[0].when.origin) == (
        "device-wallet",
        ["commercial"],
        ["abroad"],
    )


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("x" * 10_000_000, "text-too-long"),
        ("Cards 1%\n" * 2_001, "text-too-long"),
        ("Cards 1%\nCards\x00 2%", "text-binary"),
    ],
)
def test_what_is_no_price_list_is_refused_as_a_whole(text: str, code: str) -> None:
    with pytest.raises(InvalidInput, match=code):
        read(text, GIVEN)


def test_cents_need_a_currency_that_has_a_hundred_of_them() -> None:
    assert whys("Cards 25 cents", given=Given("Larkhithe", "JP", "JPY")) == [Why.AMOUNT]
    american = Given("Larkhithe", "US", "USD")
    assert rate_of("Cards 2.9% + 30c", given=american) == rate_of("Cards 2.9% + $0.30", given=american)


def test_prices_that_are_typed_are_put_together_as_those_of_a_text() -> None:
    rows = [
        RateLine(Facets(methods=("card",), origins=(place,)), Price(percent=Decimal(share)))
        for place, share in (("abroad", "2.9"), ("eea", "1.5"), ("domestic", "1.2"))
    ]
    card = typed(rows, GIVEN).card
    assert card is not None
    assert [rate.percent for rate in card.rates] == [Decimal("2.9"), Decimal("1.2"), Decimal("1.5")]
    assert card.provider.region == area("eea")


def test_files_that_are_no_text() -> None:
    with pytest.raises(InvalidInput, match="not-utf8"):
        decoded(b"\xff\xfe\x00")
    with pytest.raises(InvalidInput, match="text-too-long"):
        decoded(b"x" * 10_000_000)
    assert decoded("\ufeffTarjetas 1 %".encode()) == "Tarjetas 1 %"


def test_a_provider_without_a_name_is_refused_by_field() -> None:
    with pytest.raises(InvalidInput, match=r"provider\.name"):
        reading("Cards 1%", given=Given("  ", "PT", "EUR"))


def test_no_phrase_means_two_things_and_methods_are_known() -> None:
    seen: dict[str, str] = {}
    for group, entries in vocabulary.table().items():
        for name, languages in entries.items():
            for phrase in (phrase for phrases in languages.values() for phrase in phrases):
                assert seen.setdefault(phrase, f"{group}/{name}") == f"{group}/{name}", phrase
                assert phrase == folded(phrase), phrase
    named = {part for name in vocabulary.table()["methods"] for part in name.split("+")}
    assert named - {"direct-debit"} <= set(methods.known())


ORDERS = [
    Order(Money.parse(amount), country, DAY, card_kind=kind)
    for amount in ("0.99 EUR", "12.00 EUR", "85.00 EUR", "1450.00 EUR", "20.00 USD")
    for country in ("PT", "DE", "US")
    for kind in (*CardKind, None)
]


def fees(card: RateCard) -> list[tuple[object, ...]]:
    pricer = CardPricer(card, "PT", RATES)
    return sorted(
        (number, found.route.plan, found.route.method, str(found.charged) if isinstance(found, Priced) else "none")
        for number, order in enumerate(ORDERS)
        for found in pricer.price(order)
        if any(
            rate.method == found.route.method and found.route.plan in (rate.plans or [found.route.plan])
            for rate in card.rates
        )
    )


def crosses(found: PriceText) -> bool:
    return any(line.overlaps for line in found.lines)


@given(st.integers(0, 10**9))
@tried_on(80)
def test_a_text_of_a_made_up_card_is_read_back_to_the_same_fees(seed: int) -> None:
    made = written(random.Random(seed))
    found = read(made.text, GIVEN)
    assert [(line.text, why(line)) for line in found.unread] == []
    assert found.card is not None
    # The sequence of the text decides where prices cross, and that is told.
    if not crosses(found):
        assert fees(found.card) == fees(made.card)


FIGURES = re.compile(r"\d+")


def figures_in(line: str) -> Counter[str]:
    plain = re.sub(r"[¹²³]", "", line)
    return Counter(digits.strip("0") for digits in FIGURES.findall(plain) if digits.strip("0"))


def figures_of(found: PriceText) -> Counter[str]:
    """The figures of everything that was read, without zeros at the ends."""
    assert found.card is not None
    rate = found.card.rates[-1]
    parts = [rate.percent and f"{rate.percent:f}", rate.fixed, rate.minimum, rate.maximum]
    return Counter(
        digits.strip("0")
        for part in parts
        if part is not None
        for digits in re.findall(r"\d+", str(part))
        if digits.strip("0")
    )


LINES = (
    "EEA consumer cards 1.5% + €0.25",
    "Tarjetas de débito nacionales: 0,9 % + 0,21 €, mínimo 0,35 €",
    "Cartões de crédito internacionais 2,9% mais 0,27 €",
    "SEPA Direct Debit: 0.8%, min €0.31, max. €5",
    "Online banking 0.7 percent plus EUR 0.15 per payment",
)
LETTERS = "abcdeinorstz0123456789.,%€$£+-() "


@given(st.sampled_from(LINES), st.data())
@tried_on(1000)
def test_a_mutated_line_is_read_as_it_stands_or_marked(line: str, data: st.DataObject) -> None:
    for _ in range(data.draw(st.integers(1, 2))):
        place = data.draw(st.integers(0, len(line) - 1))
        letter = data.draw(st.sampled_from(LETTERS))
        how = data.draw(st.sampled_from(["take away", "put in", "change"]))
        after = line[place + 1 :] if how != "put in" else line[place:]
        line = line[:place] + ("" if how == "take away" else letter) + after
    found = reading(line)
    [read_line] = found.lines
    if not read_line.entries:
        assert read_line.unread is not None or not FIGURES.search(re.sub(r"^\s*\d{1,2}[.)]\s", "", line))
        return
    # Read: every figure of the line is in the price, none is made up, and every word is a known one.
    grouped = re.sub(r"(?<=\d)[.,](?=\d{3}(?!\d))", "", line)
    apart = re.sub(r"(?<=\d) (?=\d{3}(?!\d))", "", line)
    assert figures_of(found) in (figures_in(line), figures_in(grouped), figures_in(apart)), line
    words = re.findall(r"[^\W\d_]+", line)
    assert all(sign.group or sign.name for sign in signs([folded(word) for word in words])) or re.search(
        "EUR|percent|€|c[eé]nt", line
    )


@pytest.mark.parametrize(
    "line",
    [
        "Commercial and international cards 2.9%",
        "Tarjetas comerciales e internacionales 2,9 %",
        "Cartões comerciais e internacionais 2,9 %",
        "domestic debit and EEA credit 1.1%",
        "EU or GB cards 1.9%",
        "Foreign currency cards 3%",
        "Device wallet payments are priced as cards",
        "Cards ½ %",
        "Cards half a percent",
        "Cards zero",
        "Pagamento semanal",
        "Estornos 5 EUR",
        "Basic plan 0.25 EUR per payment",
        "Tarifa plana de 0,20 EUR por operación",
    ],
)
def test_a_line_that_may_be_meant_in_two_ways_is_marked_and_never_read_in_one(line: str) -> None:
    found = read(f"Cards at a terminal 1%\n{line}", Given("Larkhithe", "PT", "EUR"))
    assert [entry.number for entry in found.unread] == [2]


@pytest.mark.parametrize(
    ("line", "kinds"),
    [
        ("Debit and credit cards 1.2%", 2),
        ("EEA debit and credit cards 1.2%", 2),
        ("Domestic and EEA cards 1.2%", 0),
    ],
)
def test_conditions_of_one_kind_that_are_joined_are_either_of_both(line: str, kinds: int) -> None:
    card = read(line, Given("Larkhithe", "PT", "EUR")).card
    assert card is not None
    assert len(card.rates[0].when.card_kind or []) == kinds


def test_a_way_of_paying_later_that_may_be_of_two_kinds_is_a_price_for_both() -> None:
    card = read("Buy now pay later 6%", Given("Larkhithe", "PT", "EUR")).card
    assert card is not None
    assert {rate.method for rate in card.rates} == {"instalments", "pay-after-delivery"}


def test_a_heading_that_asks_to_choose_a_plan_is_no_plan() -> None:
    text = "Choose your plan\nStarter plan\nCards 1.5%\nPro plan\nCards 1.2%"
    card = read(text, Given("Larkhithe", "PT", "EUR")).card
    assert card is not None
    assert [plan.id for plan in card.plans] == ["starter", "pro"]


def test_the_narrower_price_goes_first_whichever_plan_it_stands_under() -> None:
    text = "Starter plan\nCards 1.8% + 0.25 EUR\nDebit cards in the EEA: 0.9% + 0.15 EUR (all plans)"
    card = read(text, Given("Larkhithe", "PT", "EUR")).card
    assert card is not None
    assert [str(rate.percent) for rate in card.rates] == ["0.9", "1.8"]
    behind = "Pro plan\nCards 1.8%\nStarter plan\nDomestic debit cards 0.5%\nDebit cards 0.9% (all plans)"
    card = read(behind, Given("Larkhithe", "PT", "EUR")).card
    assert card is not None
    assert [str(rate.percent) for rate in card.rates] == ["0.5", "0.9", "1.8"]


def test_an_extra_of_a_plan_and_of_all_plans_is_charged_once() -> None:
    extras = ["Currency conversion 2% (all plans)", "Currency conversion 2%"]
    for first, second in (extras, extras[::-1]):
        found = read(f"Starter plan\nCards 1.8%\n{first}\n{second}", Given("Larkhithe", "PT", "EUR"))
        assert found.card is not None
        assert len(found.card.extras) == 1
    # Said of one plan first, the line about all plans cannot be taken over in silence.
    assert [line.number for line in found.unread] == [4]


def test_a_correction_of_the_cards_leaves_the_countries_and_one_of_the_place_stands_for_them() -> None:
    text, given = "UK cards 2.5% + 0.25 EUR", Given("Larkhithe", "PT", "EUR")
    for correction, countries in (
        (Correction(card_kinds=("commercial",)), ["GB"]),
        (Correction(origins=("abroad",)), None),
    ):
        card = read(text, given, {1: correction}).card
        assert card is not None
        assert card.rates[0].when.buyer_country == countries
