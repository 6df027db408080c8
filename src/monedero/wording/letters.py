"""What the buyer reads after paying, on the page and in the message; what the owner reads of an order's story.

Source: own design.
"""

from datetime import datetime
from typing import NamedTuple

from monedero.core.account import Mode
from monedero.core.record import Happening, Message, OrderRecord
from monedero.core.tender.difference import Change
from monedero.wording import english
from monedero.wording.places import country_name
from monedero.wording.show import money


class Page(NamedTuple):
    """A headline and a text."""

    headline: str
    text: str


def after_paying(record: OrderRecord) -> Page:
    """The page after paying; it names the tender, and says what happens next."""
    headline, text = english.AFTER_PAYING[record.state]
    filled = text.format(
        tender=record.chosen.name,
        amount=money(str(record.amount)),
        number=record.number,
        line=record.line_name,
    )
    return Page(headline, f"{filled} {english.TEST_NOTE}" if record.mode is Mode.TEST else filled)


def letter(record: OrderRecord, shop: str, to: str, at: datetime) -> Message:
    """The message that goes to the buyer when the state of an order has changed."""
    page = after_paying(record)
    subject = english.SUBJECT.format(shop=shop, number=record.number, headline=page.headline)
    return Message(order=record.token, at=at, to=to, subject=subject, text=page.text)


def happened_text(happening: Happening) -> str:
    """One thing that happened to an order, in a sentence."""
    return english.HAPPENED[happening.move].format(tender=happening.tender)


def change_text(change: Change) -> str:
    """One change of a checkout, in a sentence."""
    fields = dict(change.fields)
    if change.code.value == "tender-window":
        fields["after"] = _window(fields["after"])
    if fields.get("what") == "country":
        fields.update(before=country_name(fields["before"]), after=country_name(fields["after"]))
    if change.code.value == "market":
        country, currency = fields["name"].split(" ")
        fields["name"] = f"{country_name(country)} in {currency}"
    return english.CHANGES[change.code].format(**fields)


def _window(text: str) -> str:
    if not text:
        return english.ANY_AMOUNT
    for end, words in english.ENDS.items():
        text = text.replace(f"{end} ", f"{words} ")
    return text
