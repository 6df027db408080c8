"""The catalogue from both ends: who carries a method, and what a provider carries, under what was asked."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from monedero.core.method import Method
from monedero.core.openness import shut_to
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import Rate, RateCard
from monedero.core.reasons import Reason, ReasonCode
from monedero.core.words.question import Question
from monedero.work.prices.inputs import CompareInputs
from monedero.work.shop.lookups import method_in, methods_of


@dataclass(frozen=True, slots=True)
class Entry:
    """A method by a provider, its rates, and why it is not open.

    Without a provider it is an arrangement of the shop's own, or a method for which nobody has a price.
    """

    method: Method
    card: RateCard | None
    facts: ProviderFacts | None
    rates: Sequence[Rate]
    reasons: Sequence[Reason]


@dataclass(frozen=True, slots=True)
class SearchAnswer:
    """Holds what was understood, the names of providers and methods by kind and id, and every entry that fits."""

    question: Question
    names: Mapping[str, Mapping[str, str]]
    entries: Sequence[Entry]


Names = Mapping[str, Mapping[str, str]]
Understand = Callable[[Names, Mapping[str, Sequence[str]]], Question]


def search(inputs: CompareInputs, understand: Understand, day: date, *, unpriced: bool = False) -> SearchAnswer:
    """Everything in the catalogue that fits a question; an empty question fits everything.

    `understand` reads the question with the names of providers and methods by kind and id, and other names of methods.

    `unpriced`: methods for which nobody has a price too, which are told else where they are asked for by name.
    """
    entries = list(_entries(inputs, day))
    known = {entry.method.id: entry.method for entry in entries} | methods_of(inputs.shop)
    names = {
        "provider": {entry.card.provider.id: entry.card.provider.name for entry in entries if entry.card},
        "method": {method.id: method.name for method in known.values()},
    }
    question = understand(names, {method.id: method.also for method in known.values()})
    wanted: dict[str, set[str]] = {}
    for facet in question.facets:
        wanted.setdefault(facet.kind, set()).add(facet.value)
    if unpriced or ("method" in wanted and "provider" not in wanted):
        # Whoever asks for one by its name is told of it, even if nobody has a price for it.
        carried = {entry.method.id for entry in entries}
        missing = [Reason(ReasonCode.NO_PROVIDER)]
        entries += [Entry(known[id], None, None, [], missing) for id in known if id not in carried]
    return SearchAnswer(question, names, [entry for entry in entries if _fits(entry, wanted)])


def _entries(inputs: CompareInputs, day: date) -> Iterable[Entry]:
    for pricer in inputs.catalogue.pricers(day):
        card = pricer.card
        facts = inputs.providers.get(card.provider.id)
        shut: list[Reason] = []
        if not pricer.open:
            countries = tuple(card.provider.countries)
            shut.append(Reason(ReasonCode.SHOP_COUNTRY, limit=countries, own=inputs.shop.country))
        for name in dict.fromkeys(rate.method for rate in card.rates):
            rates = [rate for rate in card.rates if rate.method == name]
            reasons = [*shut, *shut_to(facts, name, inputs.holding)]
            yield Entry(inputs.methods[name], card, facts, rates, reasons)
        for entry in facts.announced if facts else []:
            method = method_in(inputs.methods, entry.method)
            yield Entry(method, card, facts, [], [Reason(ReasonCode.ANNOUNCED, limit=entry.from_day or "")])
    for method in inputs.every_arrangement:
        yield Entry(method, None, None, [], [])


def _fits(entry: Entry, wanted: Mapping[str, set[str]]) -> bool:
    method = entry.method
    provider = entry.card.provider.id if entry.card else ""
    named = wanted.get("method", set()) | wanted.get("family", set())
    repeats = wanted.get("recurring", set()) == {"yes"}
    return (
        (not named or method.id in named or method.family.value in named)
        and ("provider" not in wanted or provider in wanted["provider"])
        and (not repeats or method.recurring)
        and _all_in(wanted.get("line_kind"), method.kinds)
        and _all_in(wanted.get("currency"), method.currencies)
        and _all_in(wanted.get("country"), method.buyer_countries)
        and (not entry.rates or any(_rate_fits(rate, wanted, repeats) for rate in entry.rates))
    )


def _rate_fits(rate: Rate, wanted: Mapping[str, set[str]], repeats: bool) -> bool:
    when = rate.when
    return (
        _all_in(wanted.get("currency"), when.currency)
        and _all_in(wanted.get("country"), when.buyer_country)
        and _all_in(wanted.get("line_kind"), when.line_kind)
        and (not repeats or when.recurring is not False)
    )


def _all_in(asked: set[str] | None, allowed: Sequence[str] | None) -> bool:
    return not asked or allowed is None or asked <= set(allowed)
