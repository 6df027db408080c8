"""Coverage of a checkout in a file."""

from typing import Any

from monedero.core.checkout.coverage.answer import coverage
from monedero.core.checkout.coverage.difference import more_offered
from monedero.core.checkout.coverage.parts import Examined
from monedero.figures import reference_rates
from monedero.formats.checkout_file import CheckoutFile
from monedero.formats.coverage_json import answer_of, more_of
from monedero.work.checkout.examined import Asked, looked_into, setting_without, space_of


def coverage_report(file: CheckoutFile, asked: Asked, other: CheckoutFile | None = None) -> dict[str, Any]:
    """The answer as JSON; with another checkout also what each offers and the other does not."""
    here = _examined(file, asked)
    report = answer_of(coverage(here))
    if other is not None:
        there = _examined(other, asked)
        report |= {"gained": more_of(more_offered(there, here)), "lost": more_of(more_offered(here, there))}
    return report


def _examined(file: CheckoutFile, asked: Asked) -> Examined:
    """A checkout of a file with the orders that its shop can receive."""
    published = reference_rates.bundled()
    setting = file.setting(published)
    kept = setting_without(setting, asked.without) if asked.without else setting
    return looked_into(file.decision(published, kept), space_of(file, asked.day), asked, setting.accounts)
