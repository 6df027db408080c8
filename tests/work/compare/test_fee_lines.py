"""Lines told ahead are the lines of the exact core, wherever a file is cut into chunks."""

import csv
import io
from collections.abc import Iterator
from datetime import date

import pytest
from hypothesis import HealthCheck, given
from hypothesis import strategies as st

from monedero import demo
from monedero.core.errors import InvalidInput
from monedero.core.money import Money
from monedero.core.order.model import Order
from monedero.core.ratecard.catalogue import Catalogue
from monedero.core.ratecard.model import RateCard
from monedero.core.ratecard.priced import NotPriced, Priced, Pricing
from monedero.core.ratecard.volume import Takings
from monedero.work.compare import fee_lines as told
from monedero.work.compare.fee_lines import HEADER, fee_lines
from tests.core.ratecard.made_up import RATES, cards, orders
from tests.properties import tried_on

COLUMNS = "id,placed_on,amount,currency,buyer_country,line_kind,recurring,card_network,card_kind"
IDS = ["7", "A-1", 'with "quotes"', "with,comma", "two\nlines", "x" * 12]


def row_of(id: str, order: Order) -> list[str]:
    """An order as it stands in a file."""
    recurring = "" if order.recurring is None else str(order.recurring).lower()
    kinds = "+".join(sorted(order.kinds))
    amount = (order.placed_on.isoformat(), order.amount.amount, order.amount.currency, order.country)
    return [id, *amount, kinds, recurring, order.card_network or "", order.card_kind or ""]


def file_of(rows: list[list[str]], ends: str = "\n") -> list[str]:
    """The lines of an orders file, as an open file gives them."""
    held = io.StringIO(newline="")
    writer = csv.writer(held, lineterminator=ends)
    writer.writerows([COLUMNS.split(","), *rows])
    return io.StringIO(held.getvalue(), newline="").readlines()


def slowly(id: str, pricing: Pricing) -> list[str]:
    """A line as the exact core has it, cell by cell."""
    named = [id, pricing.route.provider, pricing.route.plan, pricing.route.method]
    if isinstance(pricing, Priced):
        return [*named, "priced", pricing.rate, pricing.charged.amount, pricing.charged.currency, ""]
    if isinstance(pricing, NotPriced):
        return [*named, "not-priced", "", "", "", pricing.reason.code.value]
    return [*named, "nothing-to-pay", "", "", "", ""]


@tried_on(150, suppress_health_check=list(HealthCheck))
@given(
    drawn=st.lists(cards(), min_size=1, max_size=3),
    held=st.lists(st.tuples(st.sampled_from(IDS), orders()), min_size=1, max_size=12),
    volume=st.none() | st.just(Money(70_000, "EUR")),
    starts=st.none() | st.just(date(2024, 6, 1)),
    chunk=st.integers(1, 5),
    ends=st.sampled_from(["\n", "\r\n"]),
)
def test_the_lines_are_those_of_the_exact_core(
    drawn: list[RateCard],
    held: list[tuple[str, Order]],
    volume: Money | None,
    starts: date | None,
    chunk: int,
    ends: str,
) -> None:
    providers = [
        card.model_copy(
            update={"provider": card.provider.model_copy(update={"id": f"p-{place}"}), "valid_from": starts}
        )
        for place, card in enumerate(drawn)
    ]
    catalogue = Catalogue(providers, "PT", RATES)
    rows = [row_of(id, order) for id, order in held]
    before = told.CHUNK
    told.CHUNK = chunk
    try:
        text = "".join(fee_lines(catalogue, RATES, iter(file_of(rows, ends)), volume))
    finally:
        told.CHUNK = before
    expected = [
        slowly(id, pricing) for id, order in held for pricing in catalogue.price(order, Takings(every=volume))
    ]
    assert list(csv.reader(io.StringIO(text, newline="")))[1:] == expected


@pytest.mark.parametrize("chunk", [1, 2, 3, 100])
def test_a_broken_row_is_told_by_its_line_wherever_a_chunk_ends(
    chunk: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(told, "CHUNK", chunk)
    rows = [[id, "2026-01-05", "85.00", "EUR", "ES", "", "", "", ""] for id in ("1", "two\nlines", "3", "4")]
    rows[3][2] = "85.001"
    catalogue = Catalogue(demo.rate_cards(), "PT", RATES)
    found: list[str] = []
    with pytest.raises(InvalidInput) as refused:
        found.extend(fee_lines(catalogue, RATES, iter(file_of(rows)), None))
    # The header and a row of two lines stand before it.
    assert refused.value.faults[0].field == "line.6.amount"
    read = list(csv.DictReader(io.StringIO("".join(found), newline="")))
    assert list(dict.fromkeys(row["order"] for row in read)) == ["1", "two\nlines", "3"]


def test_what_is_no_text_or_no_table_is_told() -> None:
    catalogue = Catalogue([], "PT", RATES)

    def broken() -> Iterator[str]:
        yield COLUMNS + "\n"
        raise UnicodeDecodeError("utf-8", b"\xff", 0, 1, "invalid start byte")

    for lines, code in ((iter([]), "column-missing"), (broken(), "not-utf8"), (iter(['"id\n']), "csv-broken")):
        given = fee_lines(catalogue, RATES, lines, None)
        assert next(given) == HEADER
        with pytest.raises(InvalidInput) as refused:
            list(given)
        assert refused.value.faults[0].code.value == code
