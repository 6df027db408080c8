"""The words of a checkout by language: what buyers read of every tender, what its owner wrote, and what is missing."""

from collections.abc import Mapping
from dataclasses import dataclass

from monedero.core.checkout.decision import Outcome
from monedero.core.checkout.model import Tender
from monedero.core.money import Money
from monedero.core.words.texts import TextKind
from monedero.letters.texts import TextReader, Told, values_in_hand
from monedero.wording.buyer_formats import money
from monedero.wording.buyers import tag, tell, to_buyer
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.checkout.offer import outcomes_of
from monedero.work.context import Context
from monedero.work.shop.order_in_hand import OrderInHand

PAID, DECLINED, LAPSED = "after-paying-paid", "after-paying-declined", "after-paying-lapsed"
BY_STATE = (TextKind.PAID, TextKind.FAILED)
"""The kinds whose ready-made text is the sentence of a state: an arrangement of the shop's own is never declined."""


@dataclass(frozen=True, slots=True)
class WordsOf:
    """A text of a tender in a language: as written (None: not written there), ready-made, and as it is read.

    `values` are what its placeholders stand for, of the order in hand. `missing`: it is to be written in this language.
    """

    kind: TextKind
    written: str | None
    ready: str
    read: Told
    values: Mapping[str, str]
    missing: bool


@dataclass(frozen=True, slots=True)
class TenderWords:
    """A tender in a language: its name there (None: it has none of its own), and its texts."""

    tender: Tender
    language: str
    name: str | None
    texts: list[WordsOf]

    @property
    def missing(self) -> int:
        """How much has to be written in this language; a name is missing where only the first language has one."""
        return sum(text.missing for text in self.texts) + (self.name is None)


def words_of(context: Context, snapshot: CheckoutSnapshot, hand: OrderInHand) -> list[TenderWords]:
    """The words of every tender in every language of the shop, for the order in hand."""
    shop, reader = snapshot.shop, TextReader(context, snapshot)
    outcomes = {outcome.tender.id: outcome for outcome in outcomes_of(context, snapshot, hand.order)}
    found = []
    for tender in snapshot.checkout.tenders:
        for language in shop.languages:
            with to_buyer(language, shop.country):
                amount = _total(outcomes.get(tender.id), hand.order.amount)
                values = values_in_hand(shop, hand, tender, money(amount))
                found.append(_in_language(reader, tender, values, first=language == shop.languages[0]))
    return found


def _total(outcome: Outcome | None, amount: Money) -> Money:
    """Tells what there is to pay of an amount with a tender, as far as its fee is known."""
    fee = outcome.charged.amount if outcome and outcome.charged else None
    return Money(amount.minor + fee.minor, amount.currency) if fee else amount


def _in_language(reader: TextReader, tender: Tender, values: Mapping[str, str], *, first: bool) -> TenderWords:
    language = tag()
    written = tender.texts.get(language)
    texts = []
    for kind in TextKind:
        ready = _by_state(kind, tender, values) if kind in BY_STATE else reader.ready(tender, kind, values)
        texts.append(
            WordsOf(
                kind=kind,
                written=getattr(written, kind.value) if written else None,
                ready=ready,
                read=reader.text(tender, kind, values),
                values=values,
                missing=reader.missing(tender, kind, language, ready),
            )
        )
    return TenderWords(tender, language, tender.name if first else tender.names.get(language), texts)


def _by_state(kind: TextKind, tender: Tender, values: Mapping[str, str]) -> str:
    """The sentence that is said of the order in hand when it is paid, or when its payment failed."""
    failed = DECLINED if tender.route else LAPSED
    return tell(
        f"{PAID if kind is TextKind.PAID else failed}.text",
        tender=values["way"],
        amount=values["amount"],
        taken=values["amount"],
        number=values["number"],
        line=values["line"],
        because="",
    ).strip()
