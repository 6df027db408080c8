"""The words around what a buyer chooses from, in the buyer's language: a page draws them as they come."""

from collections.abc import Sequence

from pydantic import BaseModel

from monedero.wording.buyer_formats import language_name
from monedero.wording.buyers import tag, tell


class BuyerWords(BaseModel):
    """Words of buyers' pages; each is a message of the buyers' catalogue of the same name."""

    test_mode: str
    how_to_pay: str
    ways_to_pay: str
    no_way: str
    no_way_next: str
    nothing_to_pay: str
    usual_way: str
    film: str
    choose_one: str
    language_label: str
    how_delivered: str
    ways_of_delivery: str
    postcode: str
    town: str
    address: str
    day: str
    receipt_title: str
    receipt_label: str
    receipt_kinds: str
    another_way: str
    choose_how: str
    keep_link: str
    paper_qr: str
    paper_qr_text: str
    choose_amount: str
    page_failed: str
    page_failed_next: str
    load_again: str
    no_answer: str
    no_answer_again: str
    no_answer_kept: str
    voucher_title: str
    voucher_label: str
    voucher_apply: str
    voucher_remove: str


class LanguageOut(BaseModel):
    """A language in which buyers can read, by what its speakers call it."""

    tag: str
    name: str
    chosen: bool


def buyer_words() -> BuyerWords:
    """The words for the buyer who reads now."""
    return BuyerWords(**{name: tell(name.replace("_", "-")) for name in BuyerWords.model_fields})


def languages_out(languages: Sequence[str]) -> list[LanguageOut]:
    """The languages of a shop, with the one that is read now marked."""
    return [LanguageOut(tag=one, name=language_name(one), chosen=one == tag()) for one in languages]
