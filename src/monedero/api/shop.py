"""The shop, the demo shop, and the lists that pickers show."""

from functools import cache

import pycountry
from fastapi import APIRouter, Response
from iso4217 import Currency
from pydantic import BaseModel, StrictInt

from monedero.api.problems import PROBLEMS
from monedero.api.rooms import COOKIE, RoomDep
from monedero.core.account import Mode
from monedero.core.method import Family
from monedero.core.ratecard.model import CardKind, LineKind
from monedero.core.shop import Shop
from monedero.figures.assumptions import trades
from monedero.wording.places import country_name

router = APIRouter(prefix="/api", tags=["shop"], responses=PROBLEMS)


class ShopState(BaseModel):
    """The shop with its version; version 0 and no shop before it is described."""

    mode: Mode
    demo: bool
    version: int
    shop: Shop | None


class ShopEdit(BaseModel):
    """The shop as it shall be, over the version that was read."""

    version: StrictInt
    shop: Shop


class Choice(BaseModel):
    """A code with its name."""

    code: str
    name: str


class Choices(BaseModel):
    """What pickers offer."""

    countries: list[Choice]
    currencies: list[Choice]
    kinds: list[Choice]
    card_kinds: list[Choice]
    card_networks: list[Choice]
    trades: list[Choice]
    families: list[Choice]


@router.get("/shop")
def read_shop(room: RoomDep) -> ShopState:
    """The shop."""
    held = room.store.shop.read()
    return ShopState(
        mode=Mode.TEST, demo=room.demo, version=held.version if held else 0, shop=held.value if held else None
    )


@router.put("/shop")
def save_shop(room: RoomDep, edit: ShopEdit) -> ShopState:
    """Save the shop as a whole."""
    held = room.store.shop.save(edit.shop, edit.version)
    return ShopState(mode=Mode.TEST, demo=room.demo, version=held.version, shop=held.value)


@router.put("/demo", status_code=204)
def enter_demo(response: Response) -> None:
    """Look around in the demo shop; the own shop stays as it is."""
    response.set_cookie(COOKIE, "demo", httponly=True, samesite="lax")


@router.delete("/demo", status_code=204)
def leave_demo(response: Response) -> None:
    """Go to the own shop; the demo shop stays as it is."""
    response.set_cookie(COOKIE, "own", httponly=True, samesite="lax")


@cache
def _choices() -> Choices:
    countries = [Choice(code=entry.alpha_2, name=country_name(entry.alpha_2)) for entry in pycountry.countries]
    currencies = [
        Choice(code=entry.code, name=entry.currency_name) for entry in Currency if entry.exponent is not None
    ]
    return Choices(
        countries=sorted(countries, key=lambda choice: choice.name),
        currencies=sorted(currencies, key=lambda choice: choice.code),
        kinds=[Choice(code=kind.value, name=kind.value) for kind in LineKind],
        card_kinds=[Choice(code=kind.value, name=kind.value.replace("-", " ")) for kind in CardKind],
        card_networks=[Choice(code=name.lower(), name=name) for name in ("Aster", "Borealis", "Cygnet")],
        trades=[Choice(code=code, name=name) for code, name in trades().items()],
        families=[Choice(code=family.value, name=family.value.replace("-", " ")) for family in Family],
    )


@router.get("/choices")
def read_choices() -> Choices:
    """Countries, currencies, kinds of line and of card."""
    return _choices()
