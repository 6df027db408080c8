"""The catalogues of messages, one folder for each language, and the language in which something is worded now.

These are the messages of the desk; what buyers read has catalogues and a language of its own (`wording/buyers.py`).

Messages are in the syntax of Project Fluent (package `fluent.runtime`): fields, plurals and choices are part of a
message, so that a language decides them for itself. English is complete; a message that a language lacks is said in
English.

Source: Project Fluent syntax 1.0; RFC 9110 section 12.5.4 for the languages that a browser asks for.

>>> say("state-paid")
'paid'
>>> say("days", count=1), say("days", count=30)
('1 day', '30 days')
>>> with in_language("pt-BR, en;q=0.5"):
...     language()
'en'
>>> say("nobody-wrote-this")
Traceback (most recent call last):
...
KeyError: 'nobody-wrote-this'
"""

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache, lru_cache
from pathlib import Path
from typing import cast

from babel.core import negotiate_locale
from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.resolver import Pattern
from fluent.syntax import ast
from fluent.syntax.visitor import Visitor

FALLBACK = "en"
FOLDER = Path(__file__).parent
LANGUAGES = tuple(sorted({path.parent.name for path in FOLDER.glob("*/*.ftl")}))
# The library refuses to fill in longer texts.
LONGEST = 2000

_language: ContextVar[str] = ContextVar("language", default=FALLBACK)


def language() -> str:
    """The language of what is worded now (BCP 47)."""
    return _language.get()


@contextmanager
def in_language(wished: str) -> Iterator[None]:
    """Word what is worded within in the first language of a list that there is; it reads as `Accept-Language` does."""
    token = _language.set(best_language(wished))
    try:
        yield
    finally:
        _language.reset(token)


@lru_cache(maxsize=256)
def best_language(wished: str) -> str:
    """The language that fits a list best.

    >>> best_language("de;q=0.4, en-GB;q=0.9"), best_language("")
    ('en', 'en')
    """
    return negotiate_locale(wishes(wished), LANGUAGES, sep="-") or FALLBACK


def wishes(wished: str) -> list[str]:
    """The tags of a list that reads as `Accept-Language` does, the most wished for first."""
    ranked: list[tuple[float, str]] = []
    for entry in wished.split(","):
        tag, _, quality = entry.strip().partition(";q=")
        try:
            ranked.append((-float(quality or 1), tag.strip()))
        except ValueError:
            continue
    return [tag for _, tag in sorted(ranked, key=lambda entry: entry[0])]


class _Fields(Visitor):
    """Gathers the fields that a message is filled with, and the messages that it refers to."""

    def __init__(self) -> None:
        self.names: set[str] = set()
        self.messages: set[str] = set()

    def visit_VariableReference(self, node: ast.VariableReference) -> None:  # noqa: N802 - the name of the node
        self.names.add(node.id.name)

    def visit_MessageReference(self, node: ast.MessageReference) -> None:  # noqa: N802 - the name of the node
        self.messages.add(node.id.name)


class Messages:
    """All messages of a language, from a folder with one for each language."""

    def __init__(self, language: str, folder: Path | None = None) -> None:
        self.bundle = FluentBundle([language], use_isolating=False)
        found: dict[str, _Fields] = {}
        for path in sorted(((folder or FOLDER) / language).glob("*.ftl")):
            resource = FluentResource(path.read_text("utf-8"))
            self.bundle.add_resource(resource)
            for entry in resource.body:
                if isinstance(entry, ast.Junk):
                    raise ValueError(f"{path.name}: {entry.content}")
                if isinstance(entry, ast.Message):
                    for name, pattern in _patterns(entry):
                        if name in found:
                            raise ValueError(f"{path.name}: {name} is there twice")
                        found[name] = _Fields()
                        found[name].visit(pattern)
        self.fields = {name: _with_others(name, found) for name in found}

    def said(self, name: str, given: dict[str, str | int]) -> str:
        """A message with its fields; one that is not given reads as nothing."""
        values = {field: given.get(field, "") for field in self.fields[name]}
        for field, value in values.items():
            if isinstance(value, str) and len(value) > LONGEST:
                values[field] = f"{value[:LONGEST]}…"
        message = self.bundle.get_message(name.partition(".")[0])
        attribute = name.partition(".")[2]
        # A message that has no value is not among the fields.
        pattern = message.attributes[attribute] if attribute else cast("Pattern", message.value)
        text, wrong = self.bundle.format_pattern(pattern, values)
        if wrong:
            raise wrong[0]
        return str(text)


def _patterns(entry: ast.Message) -> Iterator[tuple[str, ast.Pattern]]:
    if entry.value is not None:
        yield entry.id.name, entry.value
    for attribute in entry.attributes:
        yield f"{entry.id.name}.{attribute.id.name}", attribute.value


def _with_others(name: str, found: Mapping[str, _Fields]) -> frozenset[str]:
    """The fields of a message and of those that it refers to."""
    own = found[name]
    return frozenset(own.names).union(*(_with_others(other, found) for other in own.messages))


@cache
def catalogue(language: str) -> Messages:
    """The catalogue of a language."""
    return Messages(language)


def has(name: str) -> bool:
    """True if there is a message of that name."""
    return name in catalogue(FALLBACK).fields


def say(message: str, /, **fields: str | int) -> str:
    """A message of the catalogue, in the language of now. Raises KeyError for one that is in no catalogue."""
    own = catalogue(_language.get())
    return (own if message in own.fields else catalogue(FALLBACK)).said(message, fields)
