"""Sentences: every code reads well, names the limit and the order's own value, and leaves no gap."""

from datetime import UTC, date, datetime
from decimal import Decimal
from fractions import Fraction

import pytest

from monedero.core.account import Mode
from monedero.core.due import due
from monedero.core.errors import Fault, FaultCode
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.core.payment.books import Books
from monedero.core.payment.payment import Chosen, Payment
from monedero.core.payment.state import Move, State
from monedero.core.ratecard.model import RateCard, When
from monedero.core.ratecard.priced import Priced
from monedero.core.ratecard.pricing import CardPricer
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.record import Happened, Happening, OrderRecord
from monedero.figures import reference_rates
from monedero.wording import fault_text, reason_text
from monedero.wording.after_paying import after_paying
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import BUYER_LANGUAGES, tell, to_buyer
from monedero.wording.conditions import when_text
from monedero.wording.derivation import derive
from monedero.wording.order_story import due_text, happened_text, meaning_text
from monedero.wording.show import exact, percent
from monedero.wording.show import money as money_shown
from monedero.work.orders.tells import tells

NOW = datetime(2026, 11, 24, 10, 0, tzinfo=UTC)
DAY = date(2024, 1, 2)


@pytest.mark.parametrize("code", FaultCode)
def test_every_fault_has_a_sentence_that_ends(code: FaultCode) -> None:
    text = fault_text(Fault(code, "amount", "85"))
    assert text.endswith(".")
    assert "{" not in text


END = {"end": "from", "brought_from": ""}


@pytest.mark.parametrize(
    ("reason", "text"),
    [
        (Reason(ReasonCode.OFF), "off"),
        (
            Reason(ReasonCode.SHOP_COUNTRY, ("ES", "DE"), "PT"),
            "only for shops in Spain, Germany; yours is in Portugal",
        ),
        (Reason(ReasonCode.NO_REFERENCE_RATE, "KWD", date(2026, 1, 5)), "no reference rate for KWD on 5 Jan 2026"),
        (
            Reason(ReasonCode.METHOD_COUNTRY, ("PT", "ES", "FR", "DE", "IT", "NL", "BE"), ("US",)),
            "only for buyers in 7 countries; this one is in United States",
        ),
        (
            Reason(
                ReasonCode.WINDOW_OVER,
                Money(120000, "EUR"),
                Money(145000, "EUR"),
                {"end": "up_to", "brought_from": ""},
            ),
            "up to 1,200.00 EUR; this order is 1,450.00 EUR",
        ),
        (
            Reason(
                ReasonCode.WINDOW_UNDER,
                Money(6000, "EUR"),
                Money(4200, "GBP"),
                {"end": "from", "brought_from": "EUR"},
            ),
            "from 60.00 EUR (brought over at the reference rate); this order is 42.00 GBP",
        ),
        (
            Reason(
                ReasonCode.ACCOUNT_STAGE,
                own="in-review",
                fields={"provider": "dovetide", "mode": "test", "since": "2026-11-19"},
            ),
            "the account with Dovetide is still in review since 19 Nov 2026",
        ),
        (
            Reason(ReasonCode.ACCOUNT_METHOD, own="card", fields={"provider": "orlenta", "mode": "test"}),
            "not active in the account with orlenta",
        ),
    ],
)
def test_a_reason_names_the_limit_and_the_orders_own_value(reason: Reason, text: str) -> None:
    assert reason_text(reason, {"dovetide": "Dovetide"}) == text


@pytest.mark.parametrize("code", ReasonCode)
def test_every_reason_has_a_sentence_without_gaps(code: ReasonCode) -> None:
    own, other = {"kind": ("goods", "course"), "device": ("phone", "desktop")}.get(
        code.value.removeprefix("condition-").removesuffix("-unknown"), ("PT", "ES")
    )
    text = reason_text(Reason(code, own, other, {"provider": "orlenta", "end": "from"}))
    assert text
    assert "{" not in text


@pytest.mark.parametrize(
    ("when", "text"),
    [
        ({}, "any order"),
        ({"origin": ["domestic", "abroad"]}, "buyer in the shop's country or buyer from abroad"),
        ({"buyer_country": ["ES"], "currency": ["EUR", "GBP"]}, "buyer in Spain; in EUR or GBP"),
        ({"card_kind": ["consumer-debit"], "card_network": ["aster"]}, "consumer debit card; network Aster"),
        ({"line_kind": ["goods"], "recurring": True}, "for goods; repeating"),
        ({"recurring": False, "conversion": True}, "once; converted"),
        ({"amount": {"from": "5 EUR", "below": "9000 EUR"}}, "amount from 5.00 EUR below 9,000.00 EUR"),
        ({"monthly_volume": {"from": "5 EUR"}}, "account takes from 5.00 EUR a month"),
    ],
)
def test_conditions_read_as_words(when: dict[str, object], text: str) -> None:
    assert when_text(When.model_validate(when)) == text


def card_with(**rate: object) -> RateCard:
    return RateCard.model_validate(
        {
            "format": "monedero/rate-card/1",
            "valid_from": DAY,
            "provider": {
                "id": "brixavo",
                "name": "Brixavo",
                "countries": ["PT"],
                "region": [],
                "settles_in": ["EUR"],
            },
            "plans": [{"id": "one", "name": "One"}],
            "rates": [{"id": "only", "method": "card", "when": {}, **rate}],
            "extras": [{"id": "conversion", "label": "Conversion", "when": {"conversion": True}, "percent": "2"}],
        }
    )


def derived(card: RateCard, amount: str, typed: dict[str, Fraction] | None = None) -> tuple[list[str], list[str]]:
    rates = ReferenceRates(reference_rates.bundled(), typed)
    paid = Money.parse(amount)
    priced = CardPricer(card, "PT", rates).price(Order(paid, "PT", DAY))[0]
    assert isinstance(priced, Priced)
    derivation = derive(priced, card, (paid, DAY), "EUR", rates)
    assert derivation.rate == "Rate only on Brixavo's card, holds from 2 Jan 2024"
    return [f"{part.label}: {part.formula} = {part.amount}" for part in derivation.parts], derivation.steps


def test_a_fee_held_at_its_limits_says_so() -> None:
    parts, _ = derived(card_with(percent="1", minimum="2.00 EUR"), "100.00 EUR")
    assert parts[1] == "Rate, limit: lifted to the minimum of 2.00 EUR = 1.00 EUR"
    parts, _ = derived(card_with(percent="1", maximum="0.40 EUR"), "100.00 EUR")
    assert parts[1] == "Rate, limit: held at the maximum of 0.40 EUR = -0.60 EUR"


def test_a_graduated_fee_names_its_band() -> None:
    parts, _ = derived(card_with(graduated=[{"below": None, "percent": "2"}]), "100.00 EUR")
    assert parts == ["Rate, percentage: the month's band of 100.00 EUR = 2.00 EUR"]


def test_a_converted_fee_names_its_rate_and_where_it_comes_from() -> None:
    parts, steps = derived(card_with(percent="2.9", fixed="0.25 EUR"), "100.00 USD")
    assert parts == [
        "Rate, percentage: 2.9 % of 91.274187… EUR = 2.65 EUR",
        "Rate, fixed: 0.25 EUR an order = 0.25 EUR",
        "Conversion, percentage: 2 % of 91.274187… EUR = 1.82 EUR",
    ]
    assert steps == [
        "100.00 USD is 91.274187… EUR at 1 USD = 0.912741… EUR (European Central Bank, 2 Jan 2024).",
        "The parts come to 4.722435… EUR, charged as 4.72 EUR.",
    ]
    _, typed = derived(card_with(percent="1"), "100.00 USD", {"USD": Fraction(2)})
    assert typed[0] == "100.00 USD is 50 EUR at 1 USD = 0.5 EUR (typed by you)."


def record(state: State, kind: LineKind = LineKind.BOOKING) -> OrderRecord:
    chosen = Chosen(tender="card", name="Aster card", method="card", provider="orlenta")
    books = Books(currency="EUR", ordered=108500, authorised=108500, taken=108500, refunded=100, credited=50)
    payment = Payment.begin(1, chosen, Money.parse("1085.00 EUR"), NOW)
    payment = payment.model_copy(update={"state": state, "books": books, "until": NOW, "reason": "no money"})
    return OrderRecord(
        token="t",
        number=1001,
        mode=Mode.TEST,
        edition=1,
        draft_version=None,
        placed_at=NOW,
        order=Order(Money.parse("1085.00 EUR"), "ES", NOW.date(), frozenset({kind}), recurring=False),
        line_name="Night boat tour",
        payments=[payment],
        happened=[],
    )


@pytest.mark.parametrize("language", BUYER_LANGUAGES)
@pytest.mark.parametrize("state", [state for state in State if state not in (State.OPEN, State.AT_PROVIDER)])
def test_the_page_names_the_tender_the_amount_and_the_mode(state: State, language: str) -> None:
    after = record(state)
    assert tells(None, after)
    with to_buyer(language):
        page = after_paying(after)
        assert tell("test-order") in page.text
        assert page.headline
        assert "Aster card" in page.text
        assert any(money(amount) in page.text for amount in (Money(108500, "EUR"), Money(150, "EUR")))
        assert "{" not in page.text
    assert not tells(after, after)


@pytest.mark.parametrize("state", [State.OPEN, State.AT_PROVIDER])
def test_no_message_goes_out_while_the_buyer_is_still_choosing(state: State) -> None:
    assert not tells(None, record(state))
    assert "{" not in after_paying(record(state)).text


@pytest.mark.parametrize("what", [*Move, *Happened])
def test_what_happened_is_told_in_a_sentence(what: Move | Happened) -> None:
    happening = Happening(
        at=NOW,
        what=what,
        by="shop",
        payment=1,
        tender="Aster card",
        state="paid",
        kept="85.00 EUR",
        amount="85.00 EUR",
        reason="no money",
        until=NOW,
    )
    text = happened_text(record(State.PAID), happening)
    assert text.endswith((".", "no money"))
    assert "{" not in text


@pytest.mark.parametrize("kind", LineKind)
@pytest.mark.parametrize("state", State)
def test_every_state_says_what_it_means_and_what_is_due(state: State, kind: LineKind) -> None:
    assert meaning_text(record(state, kind))
    for entry in due(record(state, kind)):
        assert "{" not in due_text(entry)


@pytest.mark.parametrize(
    ("value", "text"),
    [(Fraction(-1, 3), "-0.333333…"), (Fraction(1234567, 2), "617,283.5"), (Fraction(0), "0"), (Fraction(7), "7")],
)
def test_exact_numbers_are_cut_only_where_they_do_not_end(value: Fraction, text: str) -> None:
    assert exact(value) == text


def test_money_and_percentages_for_reading() -> None:
    assert money_shown("1234567 JPY") == "1,234,567 JPY"
    assert money_shown("-2.60 EUR") == "-2.60 EUR"
    assert percent(Fraction(Decimal("0.024995"))) == "2.50"
