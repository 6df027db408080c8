"""Rehearsals in words: outcomes, forms, how a case stands, and what came otherwise than it should."""

from monedero.core.money import Money
from monedero.core.rehearsal.cases import Case, Form, Outcome
from monedero.core.rehearsal.evidence import DifferenceKept, Evidence
from monedero.core.rehearsal.expected import What
from monedero.wording.catalogue import has, say
from monedero.wording.show import money

AMOUNTS = (What.TAKEN, What.BACK)


def outcome_name(outcome: Outcome) -> str:
    """An outcome, as the head of a row."""
    return say(f"outcome-{outcome.value}")


def standing_name(standing: str) -> str:
    """How a case stands, in a word or two."""
    return say(f"case-{standing}")


def form_name(form: Form) -> str:
    """The form in which an order comes."""
    return say(f"form-{form.value}")


def case_name(case: Case, amount: str = "") -> str:
    """A case of a way: the form of its order, or the side of a limit, which lies at an amount."""
    if case.limit is None:
        return form_name(case.form)
    return say(f"limit-{case.limit.end}", side=case.outcome.value, amount=money(amount))


def evidence_order(evidence: Evidence) -> str:
    """The order that was played; nothing where none was."""
    return (
        say("order-sentence", line=evidence.line, amount=money(str(evidence.ordered))) if evidence.ordered else ""
    )


def difference_texts(evidence: Evidence) -> list[str]:
    """Everything that came otherwise than it should, in sentences."""
    currency = evidence.ordered.currency if evidence.ordered else ""
    return [_difference_text(difference, currency) for difference in evidence.differences]


def _difference_text(difference: DifferenceKept, currency: str) -> str:
    told = {"expected": difference.expected, "came": difference.came}
    if difference.what in AMOUNTS:
        told = {name: money(str(Money(int(value), currency))) for name, value in told.items()}
    if difference.what is What.STATE:
        told = {name: say(f"state-{value}") if has(f"state-{value}") else value for name, value in told.items()}
    return say(f"differs-{difference.what.value}", **told)
