"""Texts as an owner writes them: checked when they are written, and left as they are where they were written before."""

from collections.abc import Iterator

from monedero.core.checkout.model import Checkout, Tender
from monedero.core.errors import InvalidInput
from monedero.core.words.placeholders import IN_ADVANCE, refuse_elsewhere, text_for
from monedero.core.words.texts import TextKind


def refuse_texts(before: Checkout | None, after: Checkout) -> None:
    """Refuse a text that was written anew and that its buyers could not read, by its field.

    A description names known placeholders alone; no text shows a picture of another site, or gives one the buyer's
    personal link.
    """
    known = {tender.id: dict(_texts(tender)) for tender in before.tenders} if before else {}
    for place, tender in enumerate(after.tenders):
        for (language, kind), text in _texts(tender):
            if known.get(tender.id, {}).get((language, kind)) == text:
                continue
            try:
                refuse_elsewhere(text)
                if kind is TextKind.DESCRIPTION:
                    text_for(IN_ADVANCE)(text)
            except InvalidInput as refused:
                field = f"tenders.{place}.texts.{language}.{kind.value}"
                raise InvalidInput(*(fault.at(field) for fault in refused.faults)) from refused


def _texts(tender: Tender) -> Iterator[tuple[tuple[str, TextKind], str]]:
    for language, texts in tender.texts.items():
        for kind in TextKind:
            text: str | None = getattr(texts, kind.value)
            if text:
                yield (language, kind), text
