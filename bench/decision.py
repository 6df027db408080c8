"""One compiled decision over 30 tenders, asked for an order: milliseconds, against the budget."""

import time
from datetime import date

from monedero import demo
from monedero.core.account import Mode
from monedero.core.checkout.decision import Decision, Setting
from monedero.core.checkout.model import Tender
from monedero.core.fx import ReferenceRates
from monedero.core.money import Money
from monedero.core.order.kinds import LineKind
from monedero.core.order.model import Order
from monedero.figures import methods, reference_rates

TENDERS, ROUNDS, MILLISECONDS = 30, 2000, 0.3


def run() -> str:
    """Decide many times and say what one took."""
    held = demo.checkout().tenders
    tenders: list[Tender] = [
        held[number % len(held)].model_copy(update={"id": f"t-{number}", "name": f"T {number}"})
        for number in range(TENDERS)
    ]
    setting = Setting(
        shop_country="PT",
        shop_currency="EUR",
        mode=Mode.TEST,
        methods={tender.method: methods.method(tender.method) for tender in tenders},
        accounts={account.provider: account for account in demo.accounts()},
        rates=ReferenceRates(reference_rates.bundled()),
    )
    orders = [
        Order(Money(minor, currency), country, date(2026, 1, 5), frozenset({LineKind.BOOKING}), False)
        for minor in (500, 8500, 145000)
        for country, currency in (("ES", "EUR"), ("GB", "GBP"))
    ]
    decision = Decision(tenders, setting)
    taken = []
    for ask in (decision.outcomes, decision.offered):
        began = time.perf_counter()
        for number in range(ROUNDS):
            ask(orders[number % len(orders)])
        taken.append((time.perf_counter() - began) / ROUNDS * 1000)
    return (
        f"one decision, {TENDERS} tenders: with all reasons {taken[0]:.3f} ms (budget {MILLISECONDS} ms), "
        f"what is offered {taken[1]:.3f} ms"
    )
