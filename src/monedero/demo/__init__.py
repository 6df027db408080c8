"""Cabo Noite: an invented dark-sky outfit on the Portuguese coast, with invented providers and prices.

Every figure here is made up for the demo.
"""

import io
import json
from importlib.resources import files
from typing import Any

from pypdf import PdfWriter

from monedero.core.account import Account
from monedero.core.business import Business
from monedero.core.checkout.model import Checkout
from monedero.core.profile import Profile
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.core.shop import Shop
from monedero.formats import rate_card

PHONE = "+351912345678"
CARDS = ("orlenta", "brixavo", "tessaline", "quayling", "mirabou", "pocketfern", "dovetide")


def _data(name: str) -> Any:
    return json.loads(files("monedero.demo").joinpath(f"{name}.json").read_text("utf-8"))


def shop() -> Shop:
    """The shop."""
    return Shop.model_validate(_data("shop"))


def profile() -> Profile:
    """A month of its orders."""
    return Profile.model_validate(_data("profile"))


def providers() -> list[ProviderFacts]:
    """Tells what is known of the seven providers besides their prices."""
    return [ProviderFacts.model_validate_json(json.dumps(entry)) for entry in _data("providers")]


def accounts() -> list[Account]:
    """Its accounts in test mode: some connected, one in review, one not begun."""
    return [Account.model_validate_json(json.dumps(entry)) for entry in _data("accounts")]


def business() -> Business:
    """Its legal side, its people and its account for payouts, all invented."""
    return Business.model_validate_json(json.dumps(_data("business")))


def paper() -> bytes:
    """A paper with nothing on it."""
    blank = PdfWriter()
    blank.add_blank_page(width=595, height=842)
    written = io.BytesIO()
    blank.write(written)
    return written.getvalue()


def checkout() -> Checkout:
    """Its checkout, as first published."""
    return Checkout.model_validate(_data("checkout"))


def draft_after(published: Checkout) -> Checkout:
    """The draft that its owner has gone on with: one more arrangement switched on."""
    tenders = [
        tender.model_copy(update={"on": True}) if tender.id == "cash-on-the-day" else tender
        for tender in published.tenders
    ]
    return published.model_copy(update={"tenders": tenders})


def rate_cards() -> list[RateCard]:
    """The rate cards of the seven providers."""
    cards = files("monedero.demo").joinpath("rate_cards")
    return [rate_card.read(cards.joinpath(f"{name}.json").read_bytes()) for name in CARDS]
