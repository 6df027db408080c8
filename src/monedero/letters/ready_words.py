"""The items of the list before publishing that are about words: what is missing in a language that buyers read."""

from collections import Counter
from collections.abc import Iterator
from datetime import date

from monedero.core.ready import ReadyCode, ReadyItem
from monedero.letters.words import words_of
from monedero.wording.buyers import worded_in
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.context import Context
from monedero.work.ready.of_checkout import usual_in


def of_words(context: Context, snapshot: CheckoutSnapshot, day: date) -> Iterator[ReadyItem]:
    """An item for each language in which names or texts are missing, or in which nothing is ready-made."""
    for language in snapshot.shop.languages:
        if worded_in(language) != language.partition("-")[0]:
            yield ReadyItem(ReadyCode.LANGUAGE_NOT_READY, language, {"language": language})
    hand = next((hand for market in snapshot.shop.markets if (hand := usual_in(snapshot, market, day))), None)
    if hand is None:
        return
    missing: Counter[str] = Counter()
    for words in words_of(context, snapshot, hand):
        if words.tender.on:
            missing[words.language] += words.missing
    for language, count in missing.items():
        if count:
            yield ReadyItem(ReadyCode.WORDS_MISSING, language, {"language": language, "count": count})
