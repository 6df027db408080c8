"""The labels of fields that a buyer fills in: the owner's, or those of what a kind of payment asks for by itself.

Source: own design.

>>> ready_label("bill-to"), ready_label("Shoe size")
('Name and address for the invoice', 'Shoe size')
"""

from monedero.core.words.asked import Answer
from monedero.wording.buyers import catalogue, tell
from monedero.wording.catalogue import FALLBACK


def answer_label(answer: Answer) -> str:
    """The label under which an answer was given, as it is read now."""
    return ready_label(answer.label)


def ready_label(label: str) -> str:
    """A label, or the words of one that is the id of a ready-made field."""
    return tell(f"ask-{label}") if f"ask-{label}" in catalogue(FALLBACK).fields else label
