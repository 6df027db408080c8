"""A checkout as a file: all that a decision over it needs, and what its buyers read.

Unknown keys are refused; keys with a default may be left out. Everything that something names is in the file, but an
account that is not there, which is one that is not begun.

Source: own design, format `monedero/checkout/1`; JSON Schema 2020-12.

>>> file = read(b'''{"format": "monedero/checkout/1", "storefront": {"id": "web", "name": "Web shop"}, "mode": "test",
...     "shop": {"name": "Cabo Noite", "country": "PT", "currency": "EUR"}}''')
>>> file.shop.languages, file.tenders
(['en'], [])
>>> read(b'{"format": "monedero/checkout/2"}')
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='monedero/checkout/2'
"""

from collections.abc import Iterable, Sequence
from fractions import Fraction
from typing import Annotated, Any, Literal, Self

from pydantic import Field, StrictBool, StrictInt, model_validator

from monedero.core.account import Account, Mode, Stage
from monedero.core.checkout.condition import Condition, SharedConditions
from monedero.core.checkout.decision import Decision, Setting
from monedero.core.checkout.fee import BuyerFee
from monedero.core.checkout.model import Days, Heading, Tender
from monedero.core.chosen_amount import ChosenAmount
from monedero.core.delivery.model import CustomerGroup, Delivery, Grams
from monedero.core.fields import (
    AnyOf,
    CountryCode,
    CurrencyCode,
    Description,
    Identifier,
    MoneyPositive,
    Name,
    Share,
    Strict,
    known,
    once,
)
from monedero.core.fx import RateTable, ReferenceRates
from monedero.core.language import Language, Names, OtherNames, in_language
from monedero.core.method import Method
from monedero.core.order.area import Area
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import NOT_DELIVERED, Order
from monedero.core.order.of_lines import with_lines
from monedero.core.paid_later import Deposit
from monedero.core.payment.payment import Gives, Take
from monedero.core.ratecard.model import Route
from monedero.core.shop import Storefront, TypedRate
from monedero.core.window import Window
from monedero.core.words.asked import AskedField
from monedero.core.words.links import FilmLink, PictureId
from monedero.core.words.texts import Texts
from monedero.formats.own_format import bytes_of, read_own, schema_of

FORMAT = "monedero/checkout/1"


class FileShop(Strict):
    """Holds what of the shop a decision and its buyers need."""

    name: Name
    country: CountryCode
    currency: CurrencyCode
    languages: AnyOf[Language] = ["en"]


class FileMarket(Strict):
    """A country that buyers come from with a currency."""

    id: Identifier
    country: CountryCode
    currency: CurrencyCode
    share: Share | None = None


class FileLine(Strict):
    """Something sold; what prices and coverage need of it beside what a decision needs may be left out."""

    id: Identifier
    name: Name
    names: OtherNames = {}
    kind: LineKind
    recurring: StrictBool
    deliveries: AnyOf[Identifier] | None = None
    usual_amount: MoneyPositive | None = None
    margin: Share | None = None
    delivery_days: Days | None = None
    weight_grams: Grams | None = None
    sells_voucher: StrictBool = False
    chosen: ChosenAmount | None = None
    deposit: Deposit | None = None
    highest: MoneyPositive | None = None


class FileMethod(Method):
    """A method with its traits; what its buyer does may be left out."""

    buyer: Description = ""


class FileAccount(Strict):
    """An account as a decision sees it: with whom, in which mode, how it stands, for which methods and storefronts."""

    id: Identifier
    provider: Identifier
    mode: Mode
    stage: Stage
    active_methods: list[Identifier] = []
    storefronts: AnyOf[Identifier] | None = None


class FileTender(Strict):
    """A tender with its names, its descriptions and its other texts by language.

    `picture` is the id of a picture that the shop keeps; its bytes are not in the file. `details` are the currencies
    for which its buyers get what they need to pay, such as an account for transfers (None: for all).
    """

    id: Identifier
    method: Identifier
    route: Route | None = None
    account: Identifier | None = None
    on: StrictBool
    follows: StrictBool = False
    heading: Identifier | None = None
    name: Names
    description: dict[Language, Description] = {}
    texts: dict[Language, Texts] = {}
    picture: PictureId | None = None
    film: FilmLink | None = None
    fields: list[AskedField] = []
    windows: list[Window] = []
    conditions: list[Condition] = []
    shared: list[Identifier] = []
    networks: AnyOf[Identifier] | None = None
    fee: BuyerFee | None = None
    take: Take = Take.NOW
    gives: Gives = Gives.AT_CERTAINTY
    due_days: Days | None = None
    lapse_days: Days | None = None
    on_line_page: StrictBool = False
    in_cart: StrictBool = False
    details: list[CurrencyCode] | None = None

    def tender(self, language: str) -> Tender:
        """The tender under its name in the first language of the shop."""
        name = in_language(self.name, language)
        values = {field: getattr(self, field) for field in FileTender.model_fields if field in Tender.model_fields}
        names = {tag: text for tag, text in self.name.items() if tag != language}
        texts = dict(self.texts)
        for tag, text in self.description.items():
            texts[tag] = texts.get(tag, Texts()).model_copy(update={"description": text})
        return Tender.model_validate({**values, "name": name, "names": names, "texts": texts})


class CheckoutFile(Strict):
    """The file."""

    format: Literal["monedero/checkout/1"]
    shop: FileShop
    storefront: Storefront
    mode: Mode
    markets: list[FileMarket] = []
    lines: list[FileLine] = []
    deliveries: list[Delivery] = []
    customer_groups: list[CustomerGroup] = []
    areas: list[Area] = []
    methods: list[FileMethod] = []
    accounts: list[FileAccount] = []
    shared_conditions: list[SharedConditions] = []
    headings: list[Heading] = []
    tenders: list[FileTender] = []
    typed_rates: list[TypedRate] = []
    edition: Annotated[StrictInt, Field(ge=1)] | None = None

    @model_validator(mode="after")
    def _holds_what_it_names(self) -> Self:
        ids = {name: _ids(getattr(self, name), name.replace("_", " ")) for name in WITH_IDS}
        once((rate.currency for rate in self.typed_rates), "typed rate")
        for line in self.lines:
            known(line.deliveries or [], ids["deliveries"], "way of delivery", line.id)
        for way in self.deliveries:
            known(way.area_ids, ids["areas"], "area", way.id)
        named = {
            "area": ids["areas"],
            "line": ids["lines"],
            "delivery": ids["deliveries"] | {NOT_DELIVERED},
            "customer_group": ids["customer_groups"],
        }
        asked = [(tender.id, condition) for tender in self.tenders for condition in tender.conditions]
        asked += [(each.id, condition) for each in self.shared_conditions for condition in each.conditions]
        for id, condition in asked:
            if condition.fact in named:
                known(condition.values, named[condition.fact], condition.fact.replace("_", " "), id)
        for tender in self.tenders:
            known([tender.method], ids["methods"], "method", tender.id)
            known([tender.heading] if tender.heading else [], ids["headings"], "heading", tender.id)
            known(tender.shared, ids["shared_conditions"], "shared set of conditions", tender.id)
            tender.tender(self.shop.languages[0])
        return self

    def decision(self, published: RateTable, setting: Setting | None = None) -> Decision:
        """The compiled decision, with published reference rates under the typed ones, or in another setting."""
        tenders = [tender.tender(self.shop.languages[0]) for tender in self.tenders]
        return Decision(tenders, setting or self.setting(published), self.shared_conditions, self.headings)

    def setting(self, published: RateTable) -> Setting:
        """Tells what the decision needs besides the checkout, with published reference rates under the typed ones."""
        typed = {rate.currency: rate.per_euro for rate in self.typed_rates}
        by_id = {account.id: Account.model_validate(account.model_dump()) for account in self.accounts}
        for account in list(by_id.values()):
            by_id.setdefault(account.provider, account)
        return Setting(
            shop_country=self.shop.country,
            shop_currency=self.shop.currency,
            mode=self.mode,
            methods={method.id: method for method in self.methods},
            accounts=by_id,
            rates=ReferenceRates(published, {currency: Fraction(rate) for currency, rate in typed.items()}),
            storefront=self.storefront,
            areas={area.id: area for area in self.areas},
            weighed=frozenset(line.id for line in self.lines if line.highest is not None),
            due_before=frozenset(line.id for line in self.lines if line.deposit and not line.deposit.nothing_now),
            deliveries=self.deliveries,
            details={tender.id: tender.details for tender in self.tenders if tender.details is not None},
        )

    def order_of(self, order: Order) -> Order:
        """An order with what its lines say of it."""
        return with_lines(order, {line.id: line for line in self.lines})


WITH_IDS = (
    *("markets", "lines", "deliveries", "customer_groups", "areas", "methods", "accounts"),
    *("shared_conditions", "headings", "tenders"),
)


def _ids(things: Sequence[Any], what: str) -> set[str]:
    ids: Iterable[str] = [thing.id for thing in things]
    once(ids, f"{what} id")
    return set(ids)


def read(content: bytes) -> CheckoutFile:
    """A checkout from a file; refuses with every place that is wrong."""
    return read_own(content, FORMAT, CheckoutFile)


def write(file: CheckoutFile) -> bytes:
    """The file, what is as it is by default left out: read and written again it has the same bytes."""
    return bytes_of(file.model_dump(mode="json", by_alias=True, exclude_defaults=True))


def schema() -> dict[str, Any]:
    """The JSON Schema of the format."""
    return schema_of(CheckoutFile, FORMAT)
