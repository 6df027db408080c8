"""Classes of a month that is cut into parts, with buyer fees: each part is summed by itself."""

from fractions import Fraction

import polars as pl
import pytest

from monedero.core.columns import orders as order_columns
from monedero.core.columns.card import CardColumns
from monedero.core.columns.carried import Carried
from monedero.core.columns.classes import ClassColumns
from monedero.core.columns.fees import FeeColumns
from monedero.core.columns.level import PlanColumns
from monedero.core.columns.order_class import CHARGED, Parts
from monedero.core.columns.orders import OrderColumns
from monedero.core.ratecard.catalogue import Catalogue
from tests.core.columns.test_columns import frame_of
from tests.core.columns.test_month import FLAT, euros
from tests.core.ratecard.made_up import RATES

ROUTE = "flat/only/card"


@pytest.mark.parametrize("bits", [125, 0], ids=["columns", "one by one"])
def test_each_part_has_its_own_classes_and_fees(bits: int, monkeypatch: pytest.MonkeyPatch) -> None:
    """Two orders of 50 in one part with a fee of 1.00 each, one of 80 in another with 2.00."""
    monkeypatch.setattr(order_columns, "BITS", bits)
    columns = FeeColumns(Catalogue([FLAT], "PT", RATES), "EUR", RATES)
    orders: OrderColumns = columns.orders(frame_of([*euros(2), *euros(1, 80)]))
    assert orders.weight == 3
    plan = PlanColumns("flat/only", "flat", (ROUTE,), Fraction(0), Fraction(0))
    card = CardColumns(columns, columns.versions[0][0], orders, Carried({}, {}), [plan])
    rows = orders.frame.select("row", (pl.col("minor") > 5000).cast(pl.UInt32).alias("part")).with_columns(
        ((pl.col("part") + 1) * 100).cast(pl.Int64).alias(f"{CHARGED}card")
    )
    long = {
        entry.row: (part := int(entry.order.amount.minor > 5000), {"card": Fraction(part + 1)})
        for entry in orders.long
    }
    held = ClassColumns(orders, [card], only=frozenset({ROUTE}))
    for _ in range(2):
        found: dict[int, list[Fraction]] = {}
        for entry in held.classes(Parts(rows, long)):
            (fees,) = entry.fees.values()
            sums = found.setdefault(entry.part, [Fraction(0)] * 4)
            for place, value in enumerate((entry.orders, entry.amount, fees.fees, entry.surcharges["card"])):
                sums[place] += value
        assert found == {0: [2, 100, 2, 2], 1: [1, 80, Fraction(8, 5), 2]}
    without = ClassColumns(orders, [card], only=frozenset({ROUTE})).classes(
        Parts(rows.select("row", "part"), {row: (part, {}) for row, (part, _) in long.items()})
    )
    assert all(entry.surcharges == {} for entry in without)
