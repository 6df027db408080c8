"""A price list as text, read into a rate card: line by line, and the lines together.

Rule: what is not understood is left out and told; a price that is understood stands on the card as it stands in the
text, with the plan and the heading above it.

Source: own design; the card is of format `monedero/rate-card/1`.

>>> given = Given("Larkhithe", "PT", "EUR")
>>> found = read("EEA cards 1.5% + €0.25\\nLarge volumes: talk to us", given)
>>> found.card.rates[0].percent, [line.number for line in found.unread]
(Decimal('1.5'), [2])
>>> read("x" * 10_000_000, given)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: text-too-long text='10000000'
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from typing import Any

from pydantic import ValidationError
from slugify import slugify

from monedero.core.errors import FaultCode, InvalidInput, refuse
from monedero.core.fields import BY_PROGRAM, LONGEST_TEXT
from monedero.core.ratecard.model import FORMAT, RateCard
from monedero.formats.json_text import faults
from monedero.formats.price_text.assembly import Assembly, plan_id
from monedero.formats.price_text.line import read_line
from monedero.formats.price_text.model import Correction, ExtraLine, Meaning, NoPrice, PlanLine, RateLine, ReadLine
from monedero.formats.price_text.tokens import decimal_mark
from monedero.formats.price_text.unfold import Line, unfolded
from monedero.formats.price_text.unread import NotRead, Why
from monedero.formats.price_text.vocabulary import PASSED_OVER, folded

MOST_LINES = 2_000


@dataclass(frozen=True, slots=True)
class Given:
    """Holds what the text does not say: the provider's name, the shop's country, the currency it pays out in,
    networks.
    """

    provider: str
    country: str
    currency: str
    networks: tuple[str, ...] = ()
    valid_from: date | None = None


@dataclass(frozen=True, slots=True)
class PriceText:
    """The card, None where no line is a price, and what every line means; `written` are the lines, a price on each."""

    card: RateCard | None
    lines: list[ReadLine]
    written: Sequence[Line] = ()

    @property
    def text(self) -> str:
        """The text, a line for each price."""
        return "\n".join(line.text for line in self.written)

    def source(self, number: int) -> int:
        """The line of the text that a line comes of."""
        return self.written[number - 1].source

    @property
    def unread(self) -> list[ReadLine]:
        """The lines that were left out."""
        return [line for line in self.lines if line.unread is not None]


def decoded(content: bytes) -> str:
    """The text of a file; refuses what is none."""
    if len(content) > LONGEST_TEXT * 4:
        raise refuse(FaultCode.TEXT_TOO_LONG, "text", str(len(content)), largest=LONGEST_TEXT, lines=MOST_LINES)
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError as broken:
        raise refuse(FaultCode.NOT_UTF8, value=content[broken.start : broken.start + 1].hex()) from broken


def read(text: str, given: Given, corrections: Mapping[int, Correction] | None = None) -> PriceText:
    """Read a price list; refuses one that is too long or no text, and details that cannot be those of a card."""
    written = unfolded(text, given.currency) if len(text) <= LONGEST_TEXT else []
    lines = [line.text for line in written]
    if len(text) > LONGEST_TEXT or len(lines) > MOST_LINES:
        raise refuse(FaultCode.TEXT_TOO_LONG, "text", str(len(text)), largest=LONGEST_TEXT, lines=MOST_LINES)
    for place, line in enumerate(lines, start=1):
        broken = next((sign for sign in line if ord(sign) < 32 and sign != "\t"), None)
        if broken is not None:
            raise refuse(FaultCode.TEXT_BINARY, "text", f"U+{ord(broken):04X}", line=place)
    assembly = Assembly(given.country, given.currency)
    decimal = decimal_mark(text)
    more: dict[str, tuple[str, str]] = {folded(id).replace("-", " "): ("networks", id) for id in given.networks}
    for number, line in enumerate(lines, start=1):
        try:
            meaning = _read(line, (given.currency, decimal), more, (corrections or {}).get(number))
        except NotRead as unread:
            assembly.unread(number, line, unread)
        else:
            assembly.line(number, line, meaning)
            _knows(more, meaning)
    return replace(_together(assembly, given), written=written)


def typed(rows: Iterable[RateLine], given: Given) -> PriceText:
    """Prices that were typed, put together as those of a text are."""
    assembly = Assembly(given.country, given.currency)
    for number, row in enumerate(rows, start=1):
        assembly.line(number, "", row)
    return _together(assembly, given)


def _knows(more: dict[str, tuple[str, str]], meaning: Meaning | None) -> None:
    """A plan that was named can be named again, on a line of its own price."""
    if isinstance(meaning, PlanLine):
        name = folded(meaning.name)
        more |= {said: ("plans", plan_id(meaning.name)) for said in (f"{name} plan", f"plan {name}")}


BANDS = {"amount": "orders", "volume": "monthly volume"}


def _read(
    line: str, by: tuple[str, str], more: dict[str, tuple[str, str]], correction: Correction | None
) -> Meaning | None:
    """Tells what a line means, with what the owner said of it; `by` are the currency and the mark before decimals."""
    currency, decimal = by
    if correction is None:
        return read_line(line, currency, more, decimal)
    if correction.no_price:
        return NoPrice()
    pointed = f"{line} ({BANDS[correction.band]})" if correction.band else line
    passed = dict(more)
    while True:
        try:
            return _corrected(read_line(pointed, currency, passed, decimal), correction)
        except NotRead as unread:
            if unread.why is not Why.WORD or not correction.methods or unread.said in passed:
                raise
            # Whose price it is, was said: the words that nobody knows are those that said it.
            passed[unread.said] = (PASSED_OVER, "")


def _corrected(meaning: Meaning | None, correction: Correction) -> Meaning | None:
    if not isinstance(meaning, RateLine | ExtraLine):
        return meaning
    said: dict[str, Any] = {
        name: value
        for name in ("methods", "card_kinds", "origins")
        if (value := getattr(correction, name)) is not None
    }
    if correction.plan is not None:
        said |= {"plans": (correction.plan,), "every_plan": False}
    if correction.origins is not None:
        # Another place stands for the countries that the line names.
        said["countries"] = ()
    corrected = replace(meaning, facets=replace(meaning.facets, **said))
    return replace(corrected, first=correction.first) if isinstance(corrected, RateLine) else corrected


def _together(assembly: Assembly, given: Given) -> PriceText:
    parts, lines = assembly.parts()
    if not parts["rates"]:
        return PriceText(None, lines)
    body: dict[str, Any] = {
        "format": FORMAT,
        **({"valid_from": given.valid_from.isoformat()} if given.valid_from else {}),
        "provider": {
            "id": slugify(given.provider, max_length=50) or "provider",
            "name": given.provider,
            "countries": assembly.shops,
            "region": assembly.region.countries,
            "settles_in": assembly.settles_in,
        },
        **parts,
    }
    try:
        return PriceText(RateCard.model_validate(body, context=BY_PROGRAM), lines)
    except ValidationError as invalid:
        raise InvalidInput(*faults(invalid.errors(include_url=False))) from invalid
