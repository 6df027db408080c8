"""A tender: a route, or an arrangement of the shop's own, placed in a checkout under the shop's name for it.

Names are unique in their checkout in every language, whatever their case and accents; windows are written per currency.

Source: own design.

>>> card = Tender(id="card", method="card", on=True, name="Card")
>>> Checkout(storefront="web-shop", mode="test", tenders=[card]).tenders[0].windows
[]
>>> Checkout(storefront="web-shop", mode="test", tenders=[card, card])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for Checkout
  duplicate [type=duplicate, input_value={'storefront': 'web-shop'...=False, in_cart=False)]}, input_type=dict]
"""

from collections.abc import Callable, Iterable
from typing import Annotated, Self

from pydantic import Field, StrictBool, StrictInt, model_validator

from monedero.core.account import Mode
from monedero.core.checkout.condition import Condition, SharedConditions
from monedero.core.checkout.fee import BuyerFee
from monedero.core.errors import FaultCode
from monedero.core.fields import AnyOf, Identifier, Name, Strict, broken, known, once
from monedero.core.language import Language, Names
from monedero.core.payment.payment import Gives, Take
from monedero.core.ratecard.model import Route
from monedero.core.window import Window
from monedero.core.words.asked import AskedField, unlike
from monedero.core.words.folded import folded
from monedero.core.words.links import FilmLink, PictureId
from monedero.core.words.texts import Texts

Days = Annotated[StrictInt, Field(ge=0, le=365)]


class Tender(Strict):
    """A way to pay in a checkout. `route` is None for an arrangement of the shop's own.

    `names` are its names in the other languages of the shop. `networks` are the card networks that it takes (None:
    any); `shared` names sets of conditions of the checkout. `account` is the account that carries it (None: the first
    with the provider). A tender that `follows` is on while its method is active there. `due_days` and `lapse_days`
    count from the order: until the shop's own arrangement is overdue, and until the order is given up. `texts` are what
    its buyers read, `picture` what stands beside its name, `film` a link to one that explains it; `fields` are what the
    buyer of an arrangement of the shop's own fills in. Besides at the checkout it may be shown `on_line_page`, the page
    of a line, and `in_cart`.
    """

    id: Identifier
    method: Identifier
    route: Route | None = None
    on: StrictBool
    follows: StrictBool = False
    account: Identifier | None = None
    name: Name
    names: dict[Language, Name] = {}
    texts: dict[Language, Texts] = {}
    picture: PictureId | None = None
    film: FilmLink | None = None
    fields: list[AskedField] = []
    heading: Identifier | None = None
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

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        once((window.currency for window in self.windows), "window")
        once(self.shared, "shared set of conditions")
        once(self.networks or [], "card network")
        if self.route is not None and self.route.method != self.method:
            raise broken(FaultCode.REFERENCE_DANGLING, what="method", value=self.route.method, where=self.id)
        if self.due_days is not None and self.lapse_days is not None and self.lapse_days < self.due_days:
            raise broken(FaultCode.DAYS_CROSSED, due=self.due_days, lapse=self.lapse_days)
        unlike(self.fields)
        return self

    def name_in(self, language: str) -> str:
        """Its name in a language, else in the first of the shop's."""
        return self.names.get(language, self.name)

    @property
    def carried_by(self) -> str | None:
        """The id of the account that carries it; None for an arrangement of the shop's own."""
        return self.account or (self.route.provider if self.route else None)


class Heading(Strict):
    """Words above some tenders, by language; buyers meet headings in their sequence."""

    id: Identifier
    name: Names


def place_by(headings: Iterable[Heading]) -> Callable[[Tender], int]:
    """The place of a tender among those of other headings: without a heading first, then heading by heading."""
    places: dict[str | None, int] = {None: 0}
    places |= {heading.id: at for at, heading in enumerate(headings, 1)}
    return lambda tender: places[tender.heading]


class Checkout(Strict):
    """The tenders of one storefront, named by its id, with the headings above them."""

    storefront: Identifier
    mode: Mode
    headings: list[Heading] = []
    shared_conditions: list[SharedConditions] = []
    tenders: list[Tender] = []

    @property
    def in_place(self) -> list[Tender]:
        """The tenders in the sequence in which buyers meet them."""
        return sorted(self.tenders, key=place_by(self.headings))

    @model_validator(mode="after")
    def _unique(self) -> Self:
        once((tender.id for tender in self.tenders), "tender id")
        # A language in which no tender has a name of its own reads like the first.
        for language in dict.fromkeys(("", *(tag for tender in self.tenders for tag in tender.names))):
            names: set[str] = set()
            for tender in self.tenders:
                name = tender.name_in(language)
                if folded(name) in names:
                    raise broken(FaultCode.NAME_TAKEN, value=name)
                names.add(folded(name))
        once((heading.id for heading in self.headings), "heading id")
        once((shared.id for shared in self.shared_conditions), "shared set id")
        once((shared.name.casefold() for shared in self.shared_conditions), "shared set of conditions")
        headings, sets = {heading.id for heading in self.headings}, {each.id for each in self.shared_conditions}
        for tender in self.tenders:
            known([tender.heading] if tender.heading else [], headings, "heading", tender.name)
            known(tender.shared, sets, "shared set of conditions", tender.name)
        return self
