"""Card numbers, tax numbers, accounts for payouts, telephone numbers, and what an application still lacks."""

import json
from datetime import UTC, datetime
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError
from stdnum import luhn

from monedero import demo
from monedero.core.account import Account
from monedero.core.application import ALWAYS, Application, Ask, missing
from monedero.core.business import Business, PayoutAccount, tax_number
from monedero.core.card_number import holds_one, masked, refuse_in
from monedero.core.errors import FaultCode, InvalidInput
from monedero.core.fields import Description, Identifier, Name
from monedero.core.phone import phone
from monedero.core.web_address import DomainName, WebAddress

NOW = datetime(2026, 11, 25, tzinfo=UTC)


def longer(number: str) -> str:
    """A number with its right Luhn digit put after it, 16 digits at the least."""
    padded = number.ljust(15, "0")
    return padded + luhn.calc_check_digit(padded)


# Source: ISO/IEC 7812-1, Annex B. 79927398713 is the textbook's example; it is too short for a card's number, so that
# it stands here with digits and a check digit added.
@pytest.mark.parametrize("number", [longer("7992739871"), longer("78949"), longer("18")])
def test_a_card_number_is_found_however_it_is_written(number: str) -> None:
    assert holds_one(number)
    assert holds_one(f"my card {number[:4]} {number[4:8]} {number[8:12]} {number[12:]} thank you")
    assert holds_one("-".join([number[:4], number[4:8], number[8:12], number[12:]]))
    assert masked(f"x {number}.") == "x [a card number was here]."
    with pytest.raises(InvalidInput) as refused:
        refuse_in(number)
    assert refused.value.faults[0].value == ""


@pytest.mark.parametrize(
    "text",
    [
        "79927398713",  # 11 digits
        "7992739871304",  # a wrong check digit: 7992739871300 would be right
        "PT50000201231234567890154",
        "BE68539007547034",  # an IBAN whose digits alone are as long as a card's
        "NO9386011117947",
        "+4915112345678",
        "order 20261125-1001",
        "12,345,678.90",
        "Open 10:00, 11:00, 12:00, 13:00, 14:00, 15:00",
        "2026-11-25 10:00:00, 2026-11-26 11:00:00",
        "100, 200, 300, 400, 500, 600",
        "8650-317 Sagres, 282 123 456, 282 123 457",
        "50 % of 12.00, 15.50, 19.99 and 24.00",
        "9" * 25,
    ],
)
def test_what_is_no_card_number_passes(text: str) -> None:
    assert not holds_one(text)
    assert masked(text) == text
    refuse_in(text)


@given(st.integers(10**11, 10**12 - 1), st.integers(0, 12), st.integers(1, 9))
def test_every_single_digit_that_is_wrong_is_noticed(number: int, place: int, other: int) -> None:
    right = str(number) + luhn.calc_check_digit(str(number))
    place %= len(right)
    wrong = right[:place] + str((int(right[place]) + other) % 10) + right[place + 1 :]
    assert holds_one(right)
    assert not holds_one(wrong)


SEPARATORS = ["", " ", "  ", "-", ".", "\u00a0", "\u202f", "\u2011", " - ", "/", "_", "\u200b", "*", "|"]
NEIGHBOURS = st.text(st.characters(codec="utf-8", exclude_characters="+\n\r"), max_size=12)


# Each stands between groups of a number, or does something to the whole of it.
DRESSES = {
    **{
        f"between: {between!r}": between.join
        for between in (*",:;\n()[]", ", ", " : ", "\r\n", "\n\n", "><", ") (")
    },
    **{f"markup: {tag}": tag.join for tag in ("<b>", "</b><b>", "<br/>", '</span> <span class="a">', "&nbsp;")},
    **{f"letter: {letter}": letter.join for letter in ("x", " o ", "\u00e9")},
    "brackets": lambda groups: "".join(f"({group})" for group in groups),
    "single digits": lambda groups: ",".join("".join(groups)),
    "lines of digits": lambda groups: "\n".join("".join(groups)),
    "keycaps": lambda groups: "".join(f"{digit}\ufe0f\u20e3" for digit in "".join(groups)),
    "struck through": lambda groups: "".join(f"{digit}\u0336" for digit in "".join(groups)),
    "in circles": lambda groups: "".join(chr(0x245F + int(d)) if d != "0" else "\u24ea" for d in "".join(groups)),
    "percent-encoded": "%20".join,
    "every digit percent-encoded": lambda groups: "".join(f"%{ord(digit):x}" for digit in "".join(groups)),
    "references": lambda groups: "".join(f"&#{ord(digit)};" for digit in "".join(groups)),
    "turned round": lambda groups: f"\u202e{''.join(groups)[::-1]}\u202c",
    "turned round in groups": lambda groups: f"\u202e{' '.join(groups)[::-1]}",
    "turned round and encoded": lambda groups: f"%E2%80%AE{''.join(groups)[::-1]}",
}


@pytest.mark.parametrize("dress", DRESSES)
@pytest.mark.parametrize("number", [longer("7992739871"), longer("78949")])
def test_a_card_number_is_found_in_the_dress_of_a_paste(dress: str, number: str) -> None:
    groups = [number[place : place + 4] for place in range(0, 16, 4)]
    dressed = DRESSES[dress](groups)
    for text in (dressed, f"my card {dressed} thanks", f"{dressed}, {dressed}"):
        assert holds_one(text)
        assert not holds_one(masked(text))
        assert "card number was here" in masked(text)


@given(
    st.integers(12, 18).flatmap(lambda size: st.integers(10 ** (size - 1), 10**size - 1)),
    st.lists(st.sampled_from(SEPARATORS), min_size=19, max_size=19),
    st.one_of(NEIGHBOURS, st.sampled_from(["12", "No. 12 ", "x", "by: ", "0", "12/28 "])),
    st.one_of(NEIGHBOURS, st.sampled_from([" 12/28", "1228", " 123", "x", "."])),
    st.booleans(),
)
def test_a_card_number_is_found_in_any_dress_between_any_neighbours(
    number: int, between: list[str], before: str, after: str, wide: bool
) -> None:
    digits = str(number) + luhn.calc_check_digit(str(number))
    if wide:
        digits = "".join(chr(0xFF10 + int(digit)) for digit in digits)
    dressed = "".join(f"{digit}{separator}" for digit, separator in zip(digits, between, strict=False))
    text = f"{before}{dressed}{after}"
    assert holds_one(text)
    assert not holds_one(masked(text))


def test_what_the_demo_holds_is_no_card_number() -> None:
    held = [demo.shop(), demo.checkout(), demo.business(), demo.profile(), *demo.accounts(), *demo.rate_cards()]
    for thing in [*held, *demo.providers()]:
        assert not holds_one(thing.model_dump_json(by_alias=True))
    assert not holds_one(demo.PHONE)


@pytest.mark.parametrize("field", [Name, Description, Identifier])
def test_no_field_of_text_takes_a_card_number(field: Any) -> None:
    adapter: TypeAdapter[str] = TypeAdapter(field)
    with pytest.raises(ValidationError, match="card-number"):
        adapter.validate_python(longer("7992739871"))


# Source: the per-country examples of the IBAN registry (ISO 13616-1), from memory.
IBANS = [
    "GB29NWBK60161331926819",
    "DE89370400440532013000",
    "FR1420041010050500013M02606",
    "NL91ABNA0417164300",
    "CH9300762011623852957",
    "AT611904300234573201",
    "ES9121000418450200051332",
    "IT60X0542811101000000123456",
    "FI2112345600000785",
    "NO9386011117947",
    "SE4550000000058398257466",
    "PT50000201231234567890154",
    "MT84MALT011000012345MTLCAST001S",
    "LC55HEMM000100010012001200023015",
    "GR1601101050000010547023795",
    "IE29AIBK93115212345678",
    "BE68539007547034",
]


def payout(**given: object) -> PayoutAccount:
    return PayoutAccount.model_validate({"id": "main", "holder": "Cabo Noite", "country": "PT", **given})


@pytest.mark.parametrize("iban", IBANS)
def test_the_registrys_ibans_are_taken_with_spaces_or_without(iban: str) -> None:
    spaced = " ".join(iban[place : place + 4] for place in range(0, len(iban), 4))
    assert payout(country=iban[:2], iban=spaced).iban == iban
    assert payout(country=iban[:2], iban=iban).ends_in == iban[-4:]


@pytest.mark.parametrize(
    ("given", "code"),
    [
        ({"iban": "GB29NWBK60161331926810", "country": "GB"}, "iban"),
        ({"iban": "DE89370400440532013001", "country": "DE"}, "iban"),
        ({"iban": "BE68539007547043", "country": "BE"}, "iban"),
        ({"iban": "NL91ABNA0417164301", "country": "NL"}, "iban"),
        ({"iban": "DE8937040044053201300", "country": "DE"}, "iban"),
        ({"iban": "XX8937040044053201300"}, "iban"),
        ({"iban": "PT50000201231234567890154", "country": "ES"}, "iban-country"),
        ({}, "account-missing"),
        ({"bank_code": "021000021"}, "account-missing"),
        ({"country": "US", "bank_code": "021000022", "account_number": "123456789"}, "account-number"),
        ({"country": "GB", "bank_code": "6016", "account_number": "31926819"}, "account-number"),
        ({"country": "GB", "bank_code": "60-16-13", "account_number": "319"}, "account-number"),
        ({"country": "JP", "bank_code": "0001", "account_number": "abc"}, "account-number"),
    ],
)
def test_an_account_that_cannot_be_is_refused(given: dict[str, str], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        payout(**given)
    assert refused.value.errors()[0]["type"] == code


# Source: the routing number is the American Bankers Association's own example 021000021, from memory.
@pytest.mark.parametrize(
    ("country", "bank", "number"),
    [("US", "021000021", "123456789"), ("GB", "60-16-13", "31926819"), ("JP", "0001", "1234567")],
)
def test_an_account_without_an_iban_goes_by_bank_code_and_number(country: str, bank: str, number: str) -> None:
    account = payout(country=country, bank_code=bank, account_number=number)
    assert account.ends_in == number[-4:]


# Source: Directive 2006/112/EC Art. 214-215; the numbers are those of the documentation of python-stdnum.
@pytest.mark.parametrize(
    ("country", "text", "compact"),
    [
        ("BE", "BE697449992", "0697449992"),
        ("FR", "FR 61 954 506 077", "61954506077"),
        ("AT", "ATU57194903", "U57194903"),
        ("DE", "DE136695976", "136695976"),
        ("PT", "PT 501 964 843", "501964843"),
        ("GR", "EL094259216", "094259216"),
    ],
)
def test_a_tax_number_is_kept_in_its_compact_form(country: str, text: str, compact: str) -> None:
    assert tax_number(country, text) == compact


@pytest.mark.parametrize(
    ("country", "text"),
    [
        ("FR", "FR61954506078"),
        ("DE", "DE136695978"),
        ("AT", "ATU13585626"),
        ("PL", "PL8567346216"),
        ("PT", "501964842"),
    ],
)
def test_a_tax_number_with_wrong_check_digits_is_refused(country: str, text: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        tax_number(country, text)
    assert (refused.value.faults[0].code, refused.value.faults[0].value) == (FaultCode.TAX_NUMBER, text)


def test_a_tax_number_of_a_country_without_a_known_check_is_taken_as_it_is() -> None:
    assert tax_number("AQ", "ice 7") == "ice 7"


PERSON = {"id": "a", "name": "Inês", "born": "1987-03-14", "country": "PT", "owns": "60", "signs": True}
ACCOUNT = {"id": "main", "holder": "C", "country": "PT", "iban": IBANS[11]}


@pytest.mark.parametrize(
    ("given", "code"),
    [
        ({"people": [PERSON, {**PERSON, "id": "b"}]}, "shares-over"),
        ({"people": [PERSON, PERSON]}, "duplicate"),
        ({"payout_accounts": [ACCOUNT, {**ACCOUNT, "id": "other"}]}, "duplicate"),
        ({"payout": "nowhere"}, "reference-dangling"),
    ],
)
def test_a_business_that_contradicts_itself_is_refused(given: dict[str, object], code: str) -> None:
    with pytest.raises(ValidationError) as refused:
        Business.model_validate_json(json.dumps(given))
    assert refused.value.errors()[0]["type"] == code


def test_an_application_lacks_what_is_not_there_in_the_sequence_of_the_asks() -> None:
    asks = [*ALWAYS, Ask.IDENTITY, Ask.PRIVACY_POLICY]
    assert missing(asks, Business(), frozenset(), Application()) == asks
    business = Business.model_validate(
        {
            "legal_name": "Cabo Noite, Lda.",
            "legal_form": "company",
            "tax_number": "519999991",
            "address": "Rua do Farol 7",
            "people": [{**PERSON, "born": NOW.date()}],
            "payout_accounts": [ACCOUNT],
            "facts": ["privacy-policy"],
        }
    )
    application = Application(payout="main", phone="+351912345678", phone_confirmed_at=NOW, terms_accepted_at=NOW)
    assert missing(asks, business, frozenset({Ask.IDENTITY}), application) == []
    unsigned = business.model_copy(update={"people": []})
    assert missing(asks, unsigned, frozenset({Ask.IDENTITY}), Application(payout="main")) == [
        Ask.PEOPLE,
        Ask.PHONE,
        Ask.TERMS,
    ]


def test_a_telephone_number_takes_the_form_of_e164() -> None:
    assert phone("+44 20 7946 0018", "PT") == "+442079460018"
    for text in ("12", "no number", "+351 12"):
        with pytest.raises(InvalidInput):
            phone(text, "PT")


@pytest.mark.parametrize(
    ("text", "kept"), [("CaboNoite.example ", "cabonoite.example"), ("a-b.c-d.example", "a-b.c-d.example")]
)
def test_a_domain_is_kept_in_lower_case(text: str, kept: str) -> None:
    assert TypeAdapter(DomainName).validate_python(text) == kept


@pytest.mark.parametrize(
    "text", ["https://cabonoite.example", "cabonoite", "a..example", "-a.example", "a.example/x", ""]
)
def test_what_is_no_domain_is_refused(text: str) -> None:
    with pytest.raises(ValidationError, match="domain-text"):
        TypeAdapter(DomainName).validate_python(text)


def test_the_address_of_a_gateway_is_kept_without_a_stroke_at_its_end() -> None:
    adapter: TypeAdapter[str] = TypeAdapter(WebAddress)
    assert adapter.validate_python("http://127.0.0.1:8500/till/ ") == "http://127.0.0.1:8500/till"
    for text in ("127.0.0.1:8500", "ftp://till.example", "http://", "http://till.example/?a=1", "x" * 300):
        with pytest.raises(ValidationError, match="gateway-text"):
            adapter.validate_python(text)


def test_an_account_bears_its_providers_id_unless_it_has_its_own() -> None:
    given = {"provider": "orlenta", "mode": "test", "stage": "begun", "active_methods": []}
    assert Account.model_validate(given).id == "orlenta"
    second = Account.model_validate({**given, "id": "orlenta-2"})
    assert Account.model_validate(second) is second
    assert second.id == "orlenta-2"
