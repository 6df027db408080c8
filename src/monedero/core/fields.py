"""The values that every file and every request share, each with one rule and one refusal.

A value that breaks its rule is refused with the code of the rule; nothing is mended silently.

Source: ISO 4217 (currencies), ISO 3166-1 (countries, package `pycountry`); the rest own design.

>>> from pydantic import TypeAdapter
>>> TypeAdapter(Percent).validate_python("2.9")
Decimal('2.9')
>>> TypeAdapter(CountryCode).validate_python("PT")
'PT'
>>> TypeAdapter(CountryCode).validate_python("UK")
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for function-plain[check()]
  country-unknown [type=country-unknown, input_value='UK', input_type=str]
"""

import re
from collections.abc import Callable, Container, Iterable, Mapping
from datetime import date
from decimal import Decimal
from functools import lru_cache
from typing import Annotated, TypeVar

import pycountry
from pydantic import (
    AfterValidator,
    BaseModel,
    ConfigDict,
    PlainSerializer,
    PlainValidator,
    ValidationInfo,
    WithJsonSchema,
)
from pydantic_core import PydanticCustomError

from monedero.core import card_number, money
from monedero.core.as_typed import money_text, percent_text, quantity_text
from monedero.core.day_typed import day_text
from monedero.core.errors import FaultCode, InvalidInput, refuse
from monedero.core.one_line import on_one_line

T = TypeVar("T")

PERCENT = re.compile(r"[0-9]{1,9}(\.[0-9]{1,9})?", re.ASCII)
DAY = re.compile(r"[0-9]{4}-[0-9]{2}-[0-9]{2}", re.ASCII)
IDENTIFIER = re.compile(r"[a-z0-9]+(-[a-z0-9]+)*", re.ASCII)


class Strict(BaseModel):
    """A model that is read from outside: unknown keys are refused, and a value once read never changes."""

    model_config = ConfigDict(extra="forbid", frozen=True, validate_by_name=True, serialize_by_alias=True)


BY_PROGRAM: Mapping[str, bool] = {"by_program": True}
"""The context of what programs write, in files and over the network: always in one way, not as people type."""


def checked(
    read: Callable[[str], T], as_typed: Callable[[str], str] | None = None
) -> Callable[[object, ValidationInfo], T]:
    """A validator for Pydantic from a reader that refuses with a fault.

    `as_typed` reads what people type into the way of writing that is kept; it is left out for what programs write.
    """

    def check(value: object, info: ValidationInfo) -> T:
        if not isinstance(value, str):
            if isinstance(value, money.Money | Decimal | date):
                return read(str(value))
            raise PydanticCustomError("wrong-type", "wrong-type", {"expected": "text"})
        try:
            return read(value if as_typed is None or info.context == BY_PROGRAM else as_typed(value))
        except InvalidInput as refused:
            fault = refused.faults[0]
            raise PydanticCustomError(fault.code.value, fault.code.value, dict(fault.fields)) from None

    return check


def broken(code: FaultCode, **fields: object) -> PydanticCustomError:
    """Makes what a validator of a model raises, with the code and fields of a fault."""
    return PydanticCustomError(code.value, code.value, {name: str(text) for name, text in fields.items()})


def once(values: Iterable[str], what: str) -> None:
    """Refuse a value that stands twice."""
    seen: set[str] = set()
    for value in values:
        if value in seen:
            raise broken(FaultCode.DUPLICATE, what=what, value=value)
        seen.add(value)


def known(names: Iterable[str], among: Container[str], what: str, where: str) -> None:
    """Refuse a name of something that is not there; `where` is what names it."""
    for name in names:
        if name not in among:
            raise broken(FaultCode.REFERENCE_DANGLING, what=what, value=name, where=where)


def ordered(low: money.Money | None, high: money.Money | None, *, touching: bool) -> None:
    """Refuse limits in two currencies or in the wrong sequence; `touching` limits may be equal."""
    if low is None or high is None:
        return
    if low.currency != high.currency:
        raise broken(FaultCode.CURRENCY_MIXED, low=low, high=high)
    if low.minor > high.minor or (low.minor == high.minor and not touching):
        raise broken(FaultCode.LIMITS_CROSSED, low=low, high=high)


def percent(text: str) -> Decimal:
    """A percentage written as plain digits, not negative."""
    if not PERCENT.fullmatch(text):
        raise refuse(FaultCode.PERCENT_TEXT, value=text)
    return Decimal(text)


def share(text: str) -> Decimal:
    """A percentage that is not over a hundred."""
    value = percent(text)
    if value > 100:
        raise refuse(FaultCode.PERCENT_RANGE, value=text)
    return value


def signed_percent(text: str) -> Decimal:
    """A percentage that may be below zero, with a minus before it.

    >>> signed_percent("-1.5")
    Decimal('-1.5')
    """
    value = percent(text.removeprefix("-"))
    return -value if text.startswith("-") else value


def not_negative(value: money.Money, text: str) -> money.Money:
    """The money, refused where it is less than nothing; `text` is how it came."""
    if value.minor < 0:
        raise refuse(FaultCode.AMOUNT_NEGATIVE, value=text)
    return value


def positive(value: money.Money, text: str) -> money.Money:
    """The money, refused where it is nothing or less; `text` is how it came."""
    if not_negative(value, text).minor == 0:
        raise refuse(FaultCode.AMOUNT_ZERO, value=text)
    return value


def money_not_negative(text: str) -> money.Money:
    """Money that is nothing or more."""
    return not_negative(money.Money.parse(text), text)


def money_positive(text: str) -> money.Money:
    """Money that is more than nothing."""
    return positive(money.Money.parse(text), text)


def currency(code: str) -> str:
    """A currency that has a minor unit."""
    money.minor_digits(code)
    return code


@lru_cache(maxsize=512)
def country(code: str) -> str:
    """A country by its two letters."""
    if not re.fullmatch("[A-Z]{2}", code) or pycountry.countries.get(alpha_2=code) is None:
        raise refuse(FaultCode.COUNTRY_UNKNOWN, value=code)
    return code


def day(text: str) -> date:
    """A day written year first, as ISO 8601 has it."""
    try:
        if DAY.fullmatch(text):
            return date.fromisoformat(text)
    except ValueError:
        pass
    raise refuse(FaultCode.DATE_TEXT, value=text)


def identifier(text: str) -> str:
    """A short id: lower-case letters and digits, joined by single hyphens."""
    card_number.refuse_in(text)
    if len(text) > 60 or not IDENTIFIER.fullmatch(text):
        raise refuse(FaultCode.IDENTIFIER_TEXT, value=text)
    return text


def text_of(longest: int) -> Callable[[str], str]:
    """A reader of text that is not blank and not longer than `longest` characters, trimmed at its ends."""

    def read(value: str) -> str:
        trimmed = value.strip()
        card_number.refuse_in(trimmed)
        if not trimmed:
            raise refuse(FaultCode.BLANK, value=value)
        if len(trimmed) > longest:
            raise refuse(FaultCode.TOO_LONG, value=value, longest=longest, length=len(trimmed))
        return trimmed

    return read


def name(value: str) -> str:
    """A name of 60 characters at the most, on one line."""
    card_number.refuse_in(value)
    return text_of(60)(on_one_line(value))


def description(value: str) -> str:
    """Text that may be empty, of 300 characters at the most."""
    return text_of(300)(value) if value.strip() else ""


def _schema(pattern: str, text: str) -> WithJsonSchema:
    return WithJsonSchema({"type": "string", "pattern": pattern, "description": text})


_MONEY_SCHEMA = _schema(r"^[0-9]+(\.[0-9]+)? [A-Z]{3}$", "Amount and ISO 4217 currency, such as 0.25 EUR")
_DAY_SCHEMA = WithJsonSchema({"type": "string", "format": "date", "description": "A day, such as 2026-11-24"})
_PERCENT_SCHEMA = _schema(r"^[0-9]+(\.[0-9]+)?$", "A percentage, such as 1.4")

Percent = Annotated[Decimal, PlainValidator(checked(percent, percent_text)), PlainSerializer(str), _PERCENT_SCHEMA]
Share = Annotated[Decimal, PlainValidator(checked(share, percent_text)), PlainSerializer(str), _PERCENT_SCHEMA]
SignedPercent = Annotated[
    Decimal,
    PlainValidator(checked(signed_percent, percent_text)),
    PlainSerializer(str),
    _schema(r"^-?[0-9]+(\.[0-9]+)?$", "A percentage, below zero for a discount, such as -1.5"),
]
SignedMoney = Annotated[
    money.Money,
    PlainValidator(checked(money.Money.parse, money_text)),
    PlainSerializer(str),
    _schema(
        r"^-?[0-9]+(\.[0-9]+)? [A-Z]{3}$", "Amount and currency, below zero for a discount, such as -0.25 EUR"
    ),
]
Quantity = Annotated[
    Decimal,
    PlainValidator(checked(percent, quantity_text)),
    PlainSerializer(str),
    _schema(r"^[0-9]+(\.[0-9]+)?$", "A number of zero or more, such as 12.5"),
]
MoneyText = Annotated[
    money.Money, PlainValidator(checked(money_not_negative, money_text)), PlainSerializer(str), _MONEY_SCHEMA
]
MoneyPositive = Annotated[
    money.Money, PlainValidator(checked(money_positive, money_text)), PlainSerializer(str), _MONEY_SCHEMA
]
Day = Annotated[
    date,
    PlainValidator(checked(day, day_text)),
    PlainSerializer(date.isoformat, return_type=str, when_used="json"),
    _DAY_SCHEMA,
]
CurrencyCode = Annotated[
    str, PlainValidator(checked(currency)), _schema("^[A-Z]{3}$", "ISO 4217 currency, such as EUR")
]
CountryCode = Annotated[
    str, PlainValidator(checked(country)), _schema("^[A-Z]{2}$", "ISO 3166-1 country, such as PT")
]
Identifier = Annotated[
    str, PlainValidator(checked(identifier)), _schema("^[a-z0-9]+(-[a-z0-9]+)*$", "A short id, such as card")
]
Name = Annotated[
    str,
    PlainValidator(checked(name)),
    WithJsonSchema({"type": "string", "minLength": 1, "maxLength": 60}),
]
Description = Annotated[
    str,
    PlainValidator(checked(description)),
    WithJsonSchema({"type": "string", "maxLength": 300}),
]
LONGEST_TEXT = 200_000
LongText = Annotated[
    str,
    PlainValidator(checked(text_of(LONGEST_TEXT))),
    WithJsonSchema({"type": "string", "minLength": 1, "maxLength": LONGEST_TEXT}),
]


def _not_empty(values: list[T]) -> list[T]:
    if not values:
        raise broken(FaultCode.LIST_EMPTY)
    return values


AnyOf = Annotated[list[T], AfterValidator(_not_empty)]
