"""Fields that a buyer fills in for an arrangement of the shop's own: a text, a number, one of some choices, a day.

An answer is checked by its kind, and one that is needed is not left out. A card number is refused wherever it is typed.

Source: own design.

>>> pier = AskedField(id="note", kind="number", label={"en": "Note you pay with"}, needed=True)
>>> answered([pier], {"note": "50"}, "pt")
[Answer(field='note', label='Note you pay with', value='50')]
>>> answered([pier], {"note": "fifty"}, "en")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: answer-number answers.note='fifty'
>>> answered([pier], {}, "en")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: answer-missing answers.note=''
"""

import re
from collections.abc import Mapping, Sequence
from datetime import date
from enum import StrEnum
from typing import Self

from pydantic import StrictBool, model_validator

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.fields import Description, Identifier, Name, Strict, broken, description, once
from monedero.core.language import Names, in_language
from monedero.core.words.folded import folded

NUMBER = re.compile(r"-?[0-9]{1,15}([.,][0-9]{1,6})?", re.ASCII)
MOST_FIELDS = 12
MOST_CHOICES = 40


class AskedKind(StrEnum):
    """Names what a field takes."""

    TEXT = "text"
    NUMBER = "number"
    CHOICE = "choice"
    DATE = "date"


class AskedField(Strict):
    """A field that a buyer fills in, with its label by language; a choice has its choices by language."""

    id: Identifier
    kind: AskedKind
    label: Names
    needed: StrictBool = False
    choices: list[Names] = []

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        if (self.kind is AskedKind.CHOICE) != (len(self.choices) >= 2) or len(self.choices) > MOST_CHOICES:
            raise broken(FaultCode.CHOICES_COUNT, value=len(self.choices), most=MOST_CHOICES)
        once((folded(name) for choice in self.choices for name in set(choice.values())), "choice")
        return self


class Answer(Strict):
    """Holds what a buyer filled in, under the label that was read; a choice by its first name."""

    field: Identifier
    label: Name
    value: Description


def unlike(fields: Sequence[AskedField]) -> None:
    """Refuse fields of one id, and too many of them."""
    once((field.id for field in fields), "field")
    if len(fields) > MOST_FIELDS:
        raise broken(FaultCode.FIELDS_MANY, value=len(fields), most=MOST_FIELDS)


def answered(fields: Sequence[AskedField], given: Mapping[str, str], language: str) -> list[Answer]:
    """The answers to all fields that were filled in; refuses with every answer that is wrong, by its field."""
    faults: list[Fault] = []
    answers: list[Answer] = []
    known = {field.id for field in fields}
    faults += [
        Fault(FaultCode.KEY_UNKNOWN, f"answers.{id[:60]}", given[id][:80]) for id in given if id not in known
    ]
    for field in fields:
        label = in_language(field.label, language)
        try:
            value = _value(field, given.get(field.id, ""), label)
        except InvalidInput as refused:
            faults += [fault.at(f"answers.{field.id}") for fault in refused.faults]
            continue
        if value:
            answers.append(Answer(field=field.id, label=label, value=value))
    if faults:
        raise InvalidInput(*faults)
    return answers


def _value(field: AskedField, given: str, label: str) -> str:
    text = description(given)
    if not text:
        if field.needed:
            raise InvalidInput(Fault(FaultCode.ANSWER_MISSING, value=given, fields={"label": label}))
        return ""
    told = {"label": label}
    if field.kind is AskedKind.NUMBER and not NUMBER.fullmatch(text):
        raise InvalidInput(Fault(FaultCode.ANSWER_NUMBER, value=text, fields=told))
    if field.kind is AskedKind.DATE:
        try:
            date.fromisoformat(text)
        except ValueError:
            raise InvalidInput(Fault(FaultCode.DATE_TEXT, value=text)) from None
    if field.kind is AskedKind.CHOICE:
        for choice in field.choices:
            if text in choice.values():
                return next(iter(choice.values()))
        raise InvalidInput(Fault(FaultCode.NOT_ONE_OF, value=text, fields={"expected": _choices(field)}))
    return text


def _choices(field: AskedField) -> str:
    return ", ".join(next(iter(choice.values())) for choice in field.choices)
