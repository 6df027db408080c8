"""Tests what buyers read: complete in five languages, with money, days and names as CLDR writes them."""

import re
from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st
from tests.properties import tried_on
from tests.wording.test_catalogue import said_in_code

from monedero.api.buyer.buyer_words import BuyerWords
from monedero.api.buyer.line_pages import PageWords
from monedero.core.checkout.fee import BuyerFee
from monedero.core.errors import Fault, FaultCode
from monedero.core.method import Family
from monedero.core.money import Money
from monedero.core.words.texts import TextKind
from monedero.figures.methods import known
from monedero.wording.buyer_faults import buyer_fault_text
from monedero.wording.buyer_formats import country_name, day, language_name, money, money_text
from monedero.wording.buyers import BUYER_LANGUAGES, best_of, catalogue, tell, to_buyer
from monedero.wording.paper_lines import what_next
from monedero.wording.ready_texts import Setting, ready_text

SHOP = ["en", "pt", "de", "zh-Hant"]


def test_five_languages_ship() -> None:
    assert BUYER_LANGUAGES == ("de", "en", "es", "fr", "pt")


@pytest.mark.parametrize("name", BUYER_LANGUAGES)
def test_every_language_has_every_message_with_the_same_fields(name: str) -> None:
    assert catalogue(name).fields == catalogue("en").fields


def test_no_message_for_buyers_is_there_for_nothing() -> None:
    names, begun = said_in_code()
    names |= {name.replace("_", "-") for words in (BuyerWords, PageWords) for name in words.model_fields}
    begun = {text for text in begun if re.fullmatch(r"[a-z-]+-", text)}
    fields = {message.partition(".")[0] for message in catalogue("en").fields}
    assert {one for one in fields if one not in names and not one.startswith(tuple(begun))} == set()


# Source: CLDR as package `babel` holds it (pinned); Directive 2011/83/EU Art. 8(2) for the German words of the button.
@pytest.mark.parametrize(
    ("language", "country", "said"),
    [
        ("en", "PT", ("€1,234.50", "24 Nov 2026", "Germany")),
        ("de", "DE", ("1.234,50\u00a0€", "24.11.2026", "Deutschland")),
        ("de", "AT", ("€\u00a01.234,50", "24.11.2026", "Deutschland")),
        ("pt", "PT", ("1\u00a0234,50\u00a0€", "24/11/2026", "Alemanha")),
        ("es", "ES", ("1.234,50\u00a0€", "24 nov 2026", "Alemania")),
        ("fr", "FR", ("1\u202f234,50\u00a0€", "24 nov. 2026", "Allemagne")),
        ("fi", "FI", ("€1,234.50", "24 Nov 2026", "Germany")),
    ],
)
def test_money_days_and_countries_are_written_as_cldr_has_them(
    language: str, country: str, said: tuple[str, str, str]
) -> None:
    with to_buyer(language, country):
        assert (money(Money(123450, "EUR")), day(date(2026, 11, 24)), country_name("DE")) == said


@given(st.sampled_from(["EUR", "JPY", "KWD", "HUF", "IQD", "CLF"]), st.integers(-(10**12), 10**12))
@tried_on(100)
def test_an_exact_amount_is_never_shortened(currency: str, minor: int) -> None:
    amount = Money(minor, currency)
    for language in BUYER_LANGUAGES:
        with to_buyer(language):
            digits = "".join(sign for sign in money(amount) if sign.isdigit())
            assert digits == "".join(sign for sign in amount.amount if sign.isdigit())


def test_words_are_in_the_buyers_language_and_come_back() -> None:
    with to_buyer("de"):
        assert tell("pay", amount="5") == "5 zahlen"
        with to_buyer("pt-BR"):
            assert tell("pay", amount="5") == "Pagar 5"
        assert tell("how-to-pay") == "Wie möchten Sie zahlen?"
    assert tell("how-to-pay") == "How would you like to pay?"
    assert money_text(None) == ""
    assert (language_name("de"), language_name("x-own"), country_name("??")) == ("Deutsch", "x-own", "??")


# Source: RFC 4647 section 3.4 (lookup).
@pytest.mark.parametrize(
    ("wished", "taken"),
    [
        ("", "en"),
        ("de-AT,en;q=0.5", "de"),
        ("fr, pt-BR;q=0.9", "pt"),
        ("zh-Hant-TW", "zh-Hant"),
        ("zh", "zh-Hant"),
        ("fi, *", "en"),
        ("PT", "pt"),
    ],
)
def test_the_language_of_a_shop_that_fits_a_wish(wished: str, taken: str) -> None:
    assert best_of(wished, SHOP) == taken


@pytest.mark.parametrize("language", BUYER_LANGUAGES)
def test_ready_made_texts_are_there_for_every_method_without_braces(language: str) -> None:
    fee = BuyerFee.model_validate({"percent": "1.5", "fixed": "0.10 EUR"})
    with to_buyer(language):
        for method in known().values():
            provider = "" if method.own else "Orlenta"
            setting = Setting(method, provider, ["Aster", "Borealis"], fee, method.due_days, ["Pier"])
            for kind in TextKind:
                said = ready_text(kind, setting, {"reference": "RF18", "amount": "5"})
                assert "{" not in said
            assert ready_text(TextKind.DESCRIPTION, setting)
            assert what_next(method.family)


def test_ready_made_texts_follow_the_settings() -> None:
    methods = known()
    card = Setting(methods["card"], "Orlenta")
    assert ready_text(TextKind.DESCRIPTION, card) == "You type the card's number and confirm with your bank."
    assert "Its number goes there and never reaches this shop" in ready_text(TextKind.BEFORE, card)
    transfer = Setting(methods["bank-transfer"], days=1)
    assert ready_text(TextKind.DESCRIPTION, transfer) == "You send a transfer from your bank within 1 day."
    assert ready_text(TextKind.AFTER, transfer, {"reference": "RF18 5"}).endswith(
        "RF18 5, so that we find your payment."
    )
    assert ready_text(TextKind.DESCRIPTION, Setting(methods["invoice"])) == "You receive an invoice."
    pier = Setting(methods["cash-on-collection"], where=["Collected at the pier"])
    assert ready_text(TextKind.DESCRIPTION, pier).endswith("when you collect it: Collected at the pier.")
    assert ready_text(TextKind.DESCRIPTION, Setting(methods["cash-on-delivery"])) == "You pay in cash at the door."
    for fee, said in (
        ({"percent": "1.5", "fixed": "0.10 EUR"}, "1.5 % + €0.10 is added."),
        ({"percent": "-1"}, "You pay 1 % less."),
        ({"percent": "1", "fixed": "-0.10 EUR"}, ""),
        ({}, ""),
    ):
        cash = Setting(methods["cash-on-the-day"], fee=BuyerFee.model_validate(fee))
        assert ready_text(TextKind.BEFORE, cash) == said


def test_a_refusal_is_said_to_a_buyer_in_the_buyers_words() -> None:
    fault = Fault(FaultCode.ANSWER_MISSING, "answers.bill-to", "", {"label": "Name"})
    with to_buyer("de"):
        assert buyer_fault_text(fault) == "„Name“ fehlt. Bitte füllen Sie es aus."
        # A fault that buyers seldom meet is said as at the desk.
        assert buyer_fault_text(Fault(FaultCode.NOT_UTF8, "body")).endswith(".")


def test_every_family_has_its_ready_made_description() -> None:
    told = {family for family in Family if any(method.family is family for method in known().values())}
    assert told >= set(Family) - {Family.OWN}
