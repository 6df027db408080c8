"""Coverage of a checkout in a file."""

from datetime import date
from typing import Any, NamedTuple

from monedero.core.coverage.answer import coverage
from monedero.core.coverage.difference import more_offered
from monedero.core.coverage.parts import Examined, accounts_aside, every_check
from monedero.core.coverage.space import Space
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile
from monedero.formats.coverage_json import answer_of, more_of


class Asked(NamedTuple):
    """The day of the orders, whether how accounts stand is left aside, and a provider whose accounts are left out."""

    day: date
    as_if_ready: bool = False
    without: str | None = None


def coverage_report(file: CheckoutFile, asked: Asked, other: CheckoutFile | None = None) -> dict[str, Any]:
    """The answer as JSON; with another checkout also what each offers and the other does not."""
    here = _examined(file, asked)
    report = answer_of(coverage(here))
    if other is not None:
        there = _examined(other, asked)
        report |= {"gained": more_of(more_offered(there, here)), "lost": more_of(more_offered(here, there))}
    return report


def _examined(file: CheckoutFile, asked: Asked) -> Examined:
    """A checkout compiled, with the orders that its shop can receive."""
    out = [account.id for account in file.accounts if account.provider == asked.without]
    kept = [account for account in file.accounts if account.id not in out]
    decision = file.model_copy(update={"accounts": kept}).decision(reference_rates.bundled())
    left_out = [*out, asked.without] if asked.without else []
    space = Space.of(
        file.markets,
        file.lines,
        [way.id for way in file.deliveries],
        [group.id for group in file.customer_groups],
        file.areas,
        asked.day,
    )
    return Examined(decision, space, accounts_aside(left_out) if asked.as_if_ready else every_check)
