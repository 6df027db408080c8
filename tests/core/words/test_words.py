"""Texts, placeholders, names and fields: what an owner may write, and what a buyer may fill in."""

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from monedero.core.checkout.model import Checkout, Tender
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.shop import Line
from monedero.core.words.asked import AskedField, answered
from monedero.core.words.folded import folded
from monedero.core.words.links import film_link
from monedero.core.words.placeholders import (
    AFTERWARDS,
    IN_ADVANCE,
    LONGEST,
    Placeholder,
    filled,
    refuse_elsewhere,
    text_for,
    without_unsaid,
)
from monedero.core.words.texts import TextKind, Texts, own_text
from tests.properties import tried_on

VALUES = {one.value: f"<{one.value}>" for one in Placeholder}
PIECES = st.one_of(
    st.sampled_from([f"{{{one.value}}}" for one in Placeholder]),
    st.sampled_from(["{", "}", "{}", "{number", "number}", "{Number}", "{ number }", "{{number}}", "{other}"]),
    st.text(alphabet=st.characters(codec="utf-8", exclude_characters="{}"), max_size=8),
)


@given(st.lists(PIECES, max_size=8).map("".join))
@tried_on(400)
def test_a_text_that_is_taken_shows_no_braces(text: str) -> None:
    try:
        taken = text_for(AFTERWARDS)(text)
    except InvalidInput:
        # Only a brace that is no placeholder is a reason.
        known = "|".join(one.value for one in Placeholder)
        assert re.search(r"[{}]", re.sub(rf"\{{({known})\}}", "", text))
        return
    shown = filled(taken, VALUES)
    assert not re.search(r"[{}]", shown)
    # Nothing but placeholders was changed.
    assert re.sub(r"<[a-z-]+>", "", shown) == re.sub(r"\{[a-z-]+\}", "", taken) or "<" in text


def test_what_is_filled_in_is_not_read_again() -> None:
    assert filled("{line}", {"line": "{number}", "number": "7"}) == "{number}"
    assert filled("[{until}]", {}) == "[]"


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("Quote {reference}", FaultCode.PLACEHOLDER_UNKNOWN),
        ("{total}", FaultCode.PLACEHOLDER_UNKNOWN),
        ("a } b", FaultCode.BRACE_ALONE),
        ("x" * (LONGEST + 1), FaultCode.TOO_LONG),
        ("4111 1111 1111 1111", FaultCode.CARD_NUMBER),
    ],
)
def test_a_text_before_the_order_knows_less_and_says_what(text: str, code: FaultCode) -> None:
    with pytest.raises(InvalidInput) as refused:
        text_for(IN_ADVANCE)(text)
    fault = refused.value.faults[0]
    assert fault.code is code
    if code in (FaultCode.PLACEHOLDER_UNKNOWN, FaultCode.BRACE_ALONE):
        assert fault.fields["known"] == "{line}, {shop}, {amount}, {way}"


def test_a_text_that_is_missing_falls_back_to_the_first_language_alone() -> None:
    texts = {"en": Texts(before="Here."), "fr": Texts(after="Après.")}
    languages = ["en", "de"]
    assert own_text(texts, TextKind.BEFORE, "de", languages) == ("Here.", "en")
    # A text in a second language takes nothing from those who read the first or a third one.
    for reader in ("en", "de"):
        assert own_text(texts, TextKind.AFTER, reader, languages) is None
    assert own_text(texts, TextKind.FAILED, "de", languages) is None
    # An empty text is written too: nothing is said.
    assert own_text({"de": Texts(before=""), **texts}, TextKind.BEFORE, "de", languages) == ("", "de")


@pytest.mark.parametrize(
    ("one", "other"), [("Cartão ", "CARTAO"), ("ÜBERWEISUNG", "uberweisung"), ("ﬁlm", "film")]
)
def test_names_are_told_apart_as_buyers_tell_them_apart(one: str, other: str) -> None:
    assert folded(one) == folded(other)


def tender(id: str, name: str, **names: str) -> Tender:
    return Tender.model_validate({"id": id, "method": "cash", "on": True, "name": name, "names": names})


def snapshot(*tenders: Tender) -> Checkout:
    return Checkout(storefront="web-shop", mode="test", tenders=list(tenders))


def test_names_are_unique_in_every_language_also_where_one_falls_back() -> None:
    assert snapshot(tender("a", "Card", pt="Cartão"), tender("b", "Cash", pt="Dinheiro"))
    for clash in (
        (tender("a", "Card"), tender("b", "cárd ")),
        (tender("a", "Card", pt="Cartão"), tender("b", "Cash", pt="cartao")),
        # In German the first is called by its English name.
        (tender("a", "Card"), tender("b", "Cash", de="Card")),
    ):
        with pytest.raises(ValidationError, match="name-taken"):
            snapshot(*clash)


CHOICE = {
    "id": "size",
    "kind": "choice",
    "label": {"en": "Size"},
    "choices": [{"en": "S", "pt": "P"}, {"en": "L"}],
}
FIELDS = [
    AskedField.model_validate(field)
    for field in (
        {"id": "name", "kind": "text", "label": {"en": "Name", "pt": "Nome"}, "needed": True},
        {"id": "count", "kind": "number", "label": {"en": "Count"}},
        CHOICE,
        {"id": "day", "kind": "date", "label": {"en": "Day"}},
    )
]


def test_answers_are_checked_by_their_kind_and_kept_with_their_label() -> None:
    given = {"name": " Ana ", "count": "12,5", "size": "P", "day": "2026-12-01"}
    assert [(answer.label, answer.value) for answer in answered(FIELDS, given, "pt")] == [
        ("Nome", "Ana"),
        ("Count", "12,5"),
        ("Size", "S"),
        ("Day", "2026-12-01"),
    ]
    assert [answer.field for answer in answered(FIELDS, {"name": "Ana", "count": ""}, "en")] == ["name"]


def test_every_answer_that_is_wrong_is_refused_by_its_field() -> None:
    given = {"count": "two", "size": "M", "day": "1 December", "other": "x", "name": "4111 1111 1111 1111"}
    with pytest.raises(InvalidInput) as refused:
        answered(FIELDS, given, "en")
    assert {(fault.field, fault.code.value) for fault in refused.value.faults} == {
        ("answers.other", "key-unknown"),
        ("answers.name", "card-number"),
        ("answers.count", "answer-number"),
        ("answers.size", "not-one-of"),
        ("answers.day", "date-text"),
    }
    with pytest.raises(InvalidInput, match="answer-missing"):
        answered(FIELDS, {}, "en")


@pytest.mark.parametrize(
    "broken",
    [
        {**CHOICE, "choices": [{"en": "S"}]},
        {**CHOICE, "kind": "text"},
        {**CHOICE, "choices": [{"en": "S"}, {"en": "s "}]},
        {**CHOICE, "label": {}},
    ],
)
def test_a_field_that_cannot_be_filled_in_is_refused(broken: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        AskedField.model_validate(broken)


def test_a_tender_asks_each_field_once_and_not_too_many() -> None:
    card = {"id": "a", "method": "cash", "on": True, "name": "Cash"}
    twice = {"id": "f", "kind": "text", "label": {"en": "F"}}
    with pytest.raises(ValidationError, match="duplicate"):
        Tender.model_validate({**card, "fields": [twice, twice]})
    with pytest.raises(ValidationError, match="fields-many"):
        Tender.model_validate({**card, "fields": [{**twice, "id": f"f{number}"} for number in range(13)]})


@pytest.mark.parametrize(
    "link", ["http://films.example/a", "https://", "https://a.example/<b>", "ftp://a.example", "x"]
)
def test_a_film_lies_behind_https(link: str) -> None:
    with pytest.raises(InvalidInput, match="film-link"):
        film_link(link)


def test_the_usual_amount_lies_between_those_that_a_buyer_may_choose() -> None:
    gift = {"id": "gift", "name": "Gift", "kind": "download", "usual_amount": "20 EUR", "recurring": False}
    chosen = {"from": "5 EUR", "to": "50 EUR"}
    assert Line.model_validate({**gift, "chosen": chosen}).chosen
    for low, high in (("21 EUR", "50 EUR"), ("5 EUR", "19 EUR"), ("5 USD", "50 USD")):
        with pytest.raises(ValidationError):
            Line.model_validate({**gift, "chosen": {"from": low, "to": high}})


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("[Your order]({link})", None),
        ("[Map](https://maps.example/sagres)", None),
        (f"![A boat](/api/pictures/{'a' * 32})", None),
        ("[Look](https://evil.example/?at={link})", FaultCode.LINK_ELSEWHERE),
        ("![A boat](https://boats.example/1.png)", FaultCode.PICTURE_ELSEWHERE),
    ],
)
def test_a_text_shows_no_link_and_no_picture_to_another_site(text: str, code: FaultCode | None) -> None:
    if code is None:
        refuse_elsewhere(text)
        return
    with pytest.raises(InvalidInput) as refused:
        refuse_elsewhere(text)
    assert refused.value.faults[0].code is code


@pytest.mark.parametrize(
    ("text", "left"),
    [
        ("Pay by {until}. Thank you, {shop}.", "Thank you, {shop}."),
        ("Pay by {until}.\n\nThank you!", "\nThank you!"),
        ("**Held** until {until}!\nSee you.", "See you."),
        ("No placeholder. Two sentences.", "No placeholder. Two sentences."),
        ("{unknown} stays.", "{unknown} stays."),
    ],
)
def test_a_sentence_whose_placeholder_stands_for_nothing_is_left_out(text: str, left: str) -> None:
    assert without_unsaid(text, {"until": "", "shop": "Cabo Noite"}) == left
    assert without_unsaid(text, {"until": "5 Dec", "shop": "Cabo Noite"}) == text
