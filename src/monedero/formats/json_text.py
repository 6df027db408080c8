"""Bytes of a JSON document to a model of the core, or a refusal that names every place.

UTF-8 only; NaN and infinities are refused, as RFC 8259 has it; a key that stands twice in one object is refused.

Source: RFC 8259; RFC 6901 is not used: places are written `rates.0.percent`.

>>> from monedero.core.ratecard.model import Band
>>> read_model(b'{"from": "5.00 EUR"}', Band).from_
Money(minor=500, currency='EUR')
>>> read_model(b'{"from": "5 EUR", "to": "6 EUR"}', Band)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: key-unknown to='6 EUR'
"""

import json
from collections.abc import Sequence
from typing import Any, NoReturn, TypeVar

from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails

from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import BY_PROGRAM

M = TypeVar("M", bound=BaseModel)

# Our names for the errors of Pydantic.
CODES = {
    "extra_forbidden": FaultCode.KEY_UNKNOWN,
    "missing": FaultCode.KEY_MISSING,
    "enum": FaultCode.NOT_ONE_OF,
    "literal_error": FaultCode.NOT_ONE_OF,
    "greater_than_equal": FaultCode.LIMITS_CROSSED,
    "date_from_datetime_parsing": FaultCode.DATE_TEXT,
    "date_parsing": FaultCode.DATE_TEXT,
    "date_type": FaultCode.DATE_TEXT,
}
OWN_CODES = {code.value for code in FaultCode}
# The right type, by the name that Pydantic gives a wrong one.
EXPECTED = {
    "bool_type": "true or false",
    "string_type": "text",
    "list_type": "a list",
    "int_type": "a whole number",
    "int_parsing": "a whole number",
    "dict_type": "an object",
    "model_type": "an object",
    "model_attributes_type": "an object",
}
LONGEST_VALUE = 80


def read_json(content: bytes) -> Any:
    """The value of a JSON document."""
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as broken:
        raise refuse(FaultCode.NOT_UTF8, value=content[broken.start : broken.start + 1].hex()) from broken

    def constant(name: str) -> NoReturn:
        raise refuse(FaultCode.NOT_JSON, value=name, line=1, column=1)

    def members(pairs: list[tuple[str, Any]]) -> dict[str, Any]:
        seen: dict[str, Any] = {}
        for key, value in pairs:
            if key in seen:
                raise refuse(FaultCode.DUPLICATE, key, key, what="key")
            seen[key] = value
        return seen

    try:
        value = json.loads(text, parse_constant=constant, object_pairs_hook=members)
        json.dumps(value, ensure_ascii=False).encode()
    except json.JSONDecodeError as broken:
        found = text[broken.pos : broken.pos + 12]
        raise refuse(FaultCode.NOT_JSON, value=found, line=broken.lineno, column=broken.colno) from broken
    except RecursionError as deep:
        raise refuse(FaultCode.NOT_JSON, value="nested too deeply", line=1, column=1) from deep
    except UnicodeEncodeError as half:
        # Half of a pair of surrogates is no character, and cannot be kept as text.
        raise refuse(FaultCode.NOT_UTF8, value=f"{ord(half.object[half.start]):x}") from half
    except ValueError as long:
        raise refuse(FaultCode.NOT_JSON, value="a number of thousands of digits", line=1, column=1) from long
    return value


def read_model(content: bytes, model: type[M]) -> M:
    """A model from the bytes of a JSON document; `InvalidInput` carries every fault with its place."""
    value = read_json(content)
    if not isinstance(value, dict):
        raise refuse(FaultCode.WRONG_TYPE, value=json.dumps(value)[:LONGEST_VALUE], expected="an object")
    try:
        return model.model_validate_json(json.dumps(value), strict=True, context=BY_PROGRAM)
    except ValidationError as invalid:
        raise InvalidInput(*faults(invalid.errors(include_url=False))) from invalid


def faults(errors: Sequence[ErrorDetails]) -> list[Fault]:
    """Pydantic's errors as faults, each with its place, its value and what would be right."""
    return [_fault(error) for error in errors]


def _fault(error: ErrorDetails) -> Fault:
    place = ".".join(str(step) for step in error["loc"])
    context = {name: str(value) for name, value in error.get("ctx", {}).items()}
    kind = error["type"]
    value = "" if kind == "missing" else shown(error["input"])
    if kind in OWN_CODES:
        value = context.pop("value", value)
        return Fault(FaultCode(kind), place, value, context)
    code = CODES.get(kind, FaultCode.WRONG_TYPE)
    if code is FaultCode.LIMITS_CROSSED:
        context = {"low": context["ge"], "high": value}
    if code is FaultCode.KEY_MISSING:
        context["key"] = str(error["loc"][-1]) if error["loc"] else "a body of JSON"
    context.setdefault("expected", EXPECTED.get(kind, kind.replace("_", " ")))
    return Fault(code, place, value, context)


def shown(value: object) -> str:
    """A value as it came, short enough for a sentence."""
    text = value if isinstance(value, str) else json.dumps(value, default=str, ensure_ascii=False)
    return text if len(text) <= LONGEST_VALUE else text[: LONGEST_VALUE - 1] + "…"
