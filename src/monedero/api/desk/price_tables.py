"""A table of prices, CSV or XLSX, as the price list that it says."""

from itertools import islice

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field

from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.desk.rate_cards import body_of, file_of
from monedero.api.problems import PROBLEMS
from monedero.core.fields import CurrencyCode
from monedero.formats.price_table import PriceColumns
from monedero.formats.price_text.reader import MOST_LINES
from monedero.formats.table import read as read_table
from monedero.work.compare.new_provider import columns_of, table_as_text

router = APIRouter(prefix="/api/new-provider", tags=["rate cards"], responses=PROBLEMS)


class PriceTable(BaseModel):
    """A table of prices as it was read, and which column says what."""

    header: list[str]
    rows: list[list[str]] = Field(max_length=MOST_LINES)
    columns: PriceColumns


class TableAsText(PriceTable):
    """A table as it was read, with the currency of amounts that have none."""

    currency: CurrencyCode


class TextOut(BaseModel):
    """A price list."""

    text: str


@router.post("/table", openapi_extra=file_of("text/csv"))
async def read_price_table(running: RunningDep, context: ContextDep, request: Request) -> PriceTable:
    """Read a table of prices, CSV or XLSX, with its columns as they were matched before, or as guessed."""
    table = read_table(await body_of(request))
    rows = [cells for _, cells in islice(table.rows, MOST_LINES)]
    return PriceTable(header=table.header, rows=rows, columns=columns_of(context, table.header, rows))


@router.post("/table/text")
def price_table_as_text(running: RunningDep, context: ContextDep, asked: TableAsText) -> TextOut:
    """The price list that a table says, a line for each of its rows; its columns are remembered."""
    return TextOut(text=table_as_text(context, asked.header, asked.rows, asked.columns, asked.currency))
