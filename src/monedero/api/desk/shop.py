"""The shop, the demo shop, and the lists that pickers show."""

from functools import cache
from typing import Any

import pycountry
from babel.numbers import get_territory_currencies
from fastapi import APIRouter, Response
from iso4217 import Currency
from pydantic import BaseModel, StrictBool, StrictInt
from schwifty.registry import get_countries

from monedero.api.desk.door import COOKIE, ContextDep, RunningDep
from monedero.api.desk.would_leave import WouldLeave, would_leave
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.method import Family
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.papers.account_number import SCHEMES, scheme_of
from monedero.core.shop import Shop
from monedero.figures import methods
from monedero.figures.assumptions import trades
from monedero.server.shops import DEMO, OWN, RunningShop
from monedero.store.documents import Versioned
from monedero.wording.buyers import BUYER_LANGUAGES
from monedero.wording.catalogue import say
from monedero.wording.places import country_name, language_name, network_name
from monedero.work.checkout.describe import describe_shop
from monedero.work.checkout.impact_before import shop_would_move
from monedero.work.compare.rate_cards import provider_names
from monedero.work.context import Context
from monedero.work.shop.in_cart import beginnings
from monedero.work.shop.lookups import methods_of, networks_of

router = APIRouter(prefix="/api", tags=["shop"], responses=PROBLEMS)


class ShopState(BaseModel):
    """The shop with its version; version 0 and no shop before it is described.

    `id` is that of the shop on this server. `begins_at` is the amount at which an order of a line begins, by line and
    currency.
    """

    mode: Mode
    id: str
    demo: bool
    version: int
    shop: Shop | None
    begins_at: dict[str, dict[str, str]]


class ShopEdit(BaseModel):
    """The shop as it shall be, over the version that was read.

    `unless_taking`: it is refused where somebody would have fewer ways to pay, with what it would do in sentences.
    """

    version: StrictInt
    shop: Shop
    unless_taking: StrictBool = False


class Choice(BaseModel):
    """A code with its name."""

    code: str
    name: str


class CountryChoice(Choice):
    """A country with the currency that is paid in there; empty where ISO 4217 and CLDR know none."""

    currency: str


class LanguageChoice(Choice):
    """A language; `worded` is whether the words around the shop's own texts are there in it."""

    worded: bool


class AccountScheme(BaseModel):
    """How bank accounts are written in a country: by an `iban`, or by a bank code and a number as they are called.

    `bank_code` is empty where the number holds the bank.
    """

    country: str
    iban: bool
    bank_code: str
    account_number: str


class Choices(BaseModel):
    """Holds what pickers offer, and how accounts are written in every country."""

    countries: list[CountryChoice]
    currencies: list[Choice]
    kinds: list[Choice]
    card_kinds: list[Choice]
    card_networks: list[Choice]
    methods: list[Choice]
    trades: list[Choice]
    families: list[Choice]
    providers: list[Choice]
    languages: list[LanguageChoice]
    account_schemes: list[AccountScheme]


@router.get("/shop")
def read_shop(running: RunningDep, context: ContextDep) -> ShopState:
    """The shop."""
    saved = running.store.description.read()
    return _state(running, context, saved)


def _state(running: RunningShop, context: Context, saved: Versioned[Shop] | None) -> ShopState:
    return ShopState(
        mode=context.mode,
        id=running.id,
        demo=running.demo,
        version=saved.version if saved else 0,
        shop=saved.value if saved else None,
        begins_at=beginnings(saved.value, context.day) if saved else {},
    )


@router.put("/shop")
def save_shop(running: RunningDep, context: ContextDep, edit: ShopEdit) -> ShopState:
    """Save the shop as a whole."""
    if edit.unless_taking:
        would = would_leave(context.mode, shop_would_move(context, edit.shop, running.clock.now().date()))
        if would.takes_away:
            raise Conflict(
                *(
                    Fault(FaultCode.TAKES_AWAY, "shop", fields={"sentence": text.removesuffix(".")})
                    for text in would.sentences
                )
            )
    saved = describe_shop(context, edit.shop, edit.version)
    return _state(running, context, saved)


@router.post("/shop/would-change")
def would_change(running: RunningDep, context: ContextDep, edit: ShopEdit) -> WouldLeave:
    """Tells what a shop as it shall be would take away from buyers; nothing is changed."""
    return would_leave(context.mode, shop_would_move(context, edit.shop, running.clock.now().date()))


@router.put("/demo", status_code=204)
def enter_demo(response: Response) -> None:
    """Look around in the demo shop; the own shop stays as it is."""
    response.set_cookie(COOKIE, DEMO, httponly=True, samesite="lax")


@router.delete("/demo", status_code=204)
def leave_demo(response: Response) -> None:
    """Go to the own shop; the demo shop stays as it is."""
    response.set_cookie(COOKIE, OWN, httponly=True, samesite="lax")


def _language(entry: Any) -> str:
    """The name of a language that has a tag of two letters; nothing for another one."""
    return language_name(entry.alpha_2) if hasattr(entry, "alpha_2") else ""


@cache
def _choices() -> Choices:
    countries = [
        CountryChoice(code=entry.alpha_2, name=country_name(entry.alpha_2), currency=_currency_of(entry.alpha_2))
        for entry in pycountry.countries
    ]
    currencies = [
        Choice(code=entry.code, name=entry.currency_name) for entry in Currency if entry.exponent is not None
    ]
    return Choices(
        countries=sorted(countries, key=lambda choice: choice.name),
        currencies=sorted(currencies, key=lambda choice: choice.code),
        kinds=[Choice(code=kind.value, name=kind.value) for kind in LineKind],
        card_kinds=[Choice(code=kind.value, name=kind.value.replace("-", " ")) for kind in CardKind],
        card_networks=[],
        methods=[],
        trades=[Choice(code=code, name=name) for code, name in trades().items()],
        families=[Choice(code=family.value, name=family.value.replace("-", " ")) for family in Family],
        providers=[],
        languages=sorted(
            (
                LanguageChoice(code=entry.alpha_2, name=name, worded=entry.alpha_2 in BUYER_LANGUAGES)
                for entry in pycountry.languages
                if (name := _language(entry))
            ),
            key=lambda choice: choice.name,
        ),
        account_schemes=[_scheme(entry.alpha_2) for entry in pycountry.countries],
    )


def _currency_of(country: str) -> str:
    """The currency that is legal tender in a country today, where it has a minor unit. Source: CLDR."""
    known = {entry.code for entry in Currency if entry.exponent is not None}
    return next((code for code in get_territory_currencies(country) if code in known), "")


def _scheme(country: str) -> AccountScheme:
    scheme = scheme_of(country)
    return AccountScheme(
        country=country,
        iban=country in get_countries() and country not in SCHEMES,
        bank_code=say(f"account-{scheme.bank_code}") if scheme.bank_code else "",
        account_number=say(f"account-{scheme.account_number}"),
    )


@router.get("/choices")
def read_choices(running: RunningDep, context: ContextDep) -> Choices:
    """Tells what pickers offer. Methods are the known ones and the shop's own; card networks are those of its rate
    cards.
    """
    networks = [Choice(code=network, name=network_name(network)) for network in sorted(networks_of(context.shop))]
    shop = running.store.description.read()
    known = methods_of(shop.value) if shop else methods.known()
    named = sorted(
        (Choice(code=id, name=method.name) for id, method in known.items()), key=lambda choice: choice.name
    )
    providers = [Choice(code=id, name=name) for id, name in provider_names(context).items()]
    return _choices().model_copy(update={"card_networks": networks, "methods": named, "providers": providers})
