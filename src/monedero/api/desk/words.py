"""The words of a checkout by language, for the owner who writes them."""

from fastapi import APIRouter
from pydantic import BaseModel

from monedero.api.buyer.buyer_words import LanguageOut
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.problems import PROBLEMS
from monedero.api.requests import InHandQuery, sentence
from monedero.core.account import Mode
from monedero.core.words.placeholders import AFTERWARDS, IN_ADVANCE
from monedero.core.words.texts import TextKind
from monedero.formats.markdown import as_html
from monedero.letters.words import TenderWords, WordsOf, words_of
from monedero.wording.catalogue import say
from monedero.wording.places import language_name
from monedero.work.checkout.checkout_snapshot import drafted
from monedero.work.shop.order_in_hand import order_in_hand

router = APIRouter(prefix="/api/checkouts/{storefront}/words", tags=["checkout"], responses=PROBLEMS)


class WordsTextOut(BaseModel):
    """A text in a language. `written` is None where it is not written there; `ready` is the ready-made one.

    `shown` is what the buyer of the order in hand reads, a part of a page; `falls_back` is the language in which that
    is, where it is another one. `missing`: it is written in another language and not in this.
    """

    kind: TextKind
    label: str
    written: str | None
    ready: str
    shown: str
    falls_back: str
    missing: bool


class TenderWordsOut(BaseModel):
    """A tender in a language; `name` is empty where the name in the first language is read."""

    tender: str
    language: str
    name: str
    texts: list[WordsTextOut]
    missing: int


class WordsOut(BaseModel):
    """The words of a checkout; `placeholders` are those of texts before the order, and of those after it."""

    mode: Mode
    draft_version: int
    languages: list[LanguageOut]
    tenders: list[TenderWordsOut]
    placeholders_before: list[str]
    placeholders_after: list[str]
    missing_text: str


@router.get("")
def read_words(running: RunningDep, context: ContextDep, storefront: str, asked: InHandQuery) -> WordsOut:
    """Tells what buyers read of every tender in every language, and what is missing."""
    snapshot = drafted(context)
    found = words_of(context, snapshot, order_in_hand(snapshot.shop, sentence(asked, running)))
    missing = sum(words.missing for words in found)
    return WordsOut(
        mode=snapshot.checkout.mode,
        draft_version=snapshot.draft_version or 0,
        languages=[
            LanguageOut(tag=one, name=language_name(one), chosen=place == 0)
            for place, one in enumerate(snapshot.shop.languages)
        ],
        tenders=[_tender(words) for words in found],
        placeholders_before=[f"{{{one.value}}}" for one in IN_ADVANCE],
        placeholders_after=[f"{{{one.value}}}" for one in AFTERWARDS],
        missing_text=say("words-missing", count=missing),
    )


def _tender(words: TenderWords) -> TenderWordsOut:
    return TenderWordsOut(
        tender=words.tender.id,
        language=words.language,
        name=words.name or "",
        texts=[_text(text) for text in words.texts],
        missing=words.missing,
    )


def _text(text: WordsOf) -> WordsTextOut:
    own = text.read.own
    return WordsTextOut(
        kind=text.kind,
        label=say(f"text-{text.kind.value}"),
        written=text.written,
        ready=text.ready,
        shown=as_html(own.text if own else text.ready, text.values),
        falls_back=language_name(own.language) if own and text.written is None else "",
        missing=text.missing,
    )
