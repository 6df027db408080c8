"""A provider's prices as a table, made into the lines of a price list: which column says what, and a line for each row.

The columns are guessed from their names; the owner sees the guess and corrects it. What a line means is then read as
that of any price list (`monedero.formats.price_text`).

Source: own design; what columns are called is common practice, no source.

>>> found = guess(["Method", "Rate", "Fixed fee"], [["EEA cards", "1.5", "0.25"]])
>>> found.what, found.percent, found.fixed
(['Method'], 'Rate', 'Fixed fee')
>>> text_of(["Method", "Rate", "Fixed fee"], [["EEA cards", "1.5", "0.25"]], found, "EUR")
'EEA cards: 1.5% + 0.25 EUR'
>>> PriceColumns(what=[])
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for PriceColumns
what
  list-empty [type=list-empty, input_value=[], input_type=list]
"""

import re
from collections.abc import Callable, Mapping, Sequence
from decimal import Decimal
from functools import partial

from pydantic import StrictBool

from monedero.core.as_typed import percent_text
from monedero.core.fields import AnyOf, Strict
from monedero.formats.price_text.vocabulary import folded

NAMES: dict[str, tuple[str, ...]] = {
    "percent": ("percent", "percentage", "rate", "variable", "%", "porcentaje", "percentagem", "tasa", "taxa"),
    "fixed": (
        "fixed",
        "fixed fee",
        "per transaction",
        "transaction fee",
        "fijo",
        "fixo",
        "por transaccion",
        "fee",
    ),
    "minimum": ("minimum", "min", "minimo"),
    "maximum": ("maximum", "max", "cap", "maximo", "tope"),
    "plan": ("plan", "plano", "tarifa"),
    "monthly": (
        *(
            "monthly",
            "per month",
            "a month",
            "monthly charge",
            "monthly fee",
            "month",
            "mensual",
            "mensal",
            "al mes",
        ),
        *("cuota mensual", "por mes", "monatlich", "mensuel", "maandelijks", "mensile"),
    ),
    "what": (
        *("what", "method", "payment method", "description", "item", "service", "product", "card", "type"),
        *("metodo", "concepto", "descripcion", "servicio", "descricao", "servico", "metodo de pago"),
    ),
}
ALSO_WHAT = ("card", "card type", "origin", "country", "region", "network", "tarjeta", "cartao", "origen", "pais")
FIGURE = re.compile(r"[\d.,']+")
# A share that is written as a part of one is not over this in any price list.
MOST_OF_ONE = Decimal("0.2")


class PriceColumns(Strict):
    """By part of a price the header of its column; several columns may say together what a price is for.

    `of_one`: percentages are written as parts of one, as a sheet keeps them. The text of every other column is a part
    of its row's line too, so that the row is marked where nobody understands it; but for those that are `left_out`.
    """

    what: AnyOf[str]
    percent: str | None = None
    fixed: str | None = None
    minimum: str | None = None
    maximum: str | None = None
    plan: str | None = None
    monthly: str | None = None
    left_out: list[str] = []
    of_one: StrictBool = False


def guess(header: Sequence[str], rows: Sequence[Sequence[str]]) -> PriceColumns:
    """The most likely columns of a table."""
    found: dict[str, str] = {}
    for whole in (True, False):
        for part, names in NAMES.items():
            free = [name for name in header if name and name not in found.values()]
            column = next(
                (column for name in names for column in free if _called(column, name, whole=whole)), None
            )
            if column and part not in found:
                found[part] = column
    first = found.pop("what", None) or next((name for name in header if name not in found.values()), header[0])
    others = [name for name in header if name not in (first, *found.values()) and _plain(name) in ALSO_WHAT]
    place = list(header).index(found["percent"]) if "percent" in found else None
    cells = [row[place] for row in rows if place is not None and place < len(row) and row[place].strip()]
    return PriceColumns(what=[first, *others], of_one=_of_one(cells), **found)


def _called(column: str, name: str, *, whole: bool) -> bool:
    plain = _plain(column)
    return plain == name if whole else name in plain.split() or (name == "%" and "%" in column)


def _plain(name: str) -> str:
    return re.sub(r"[^\w%]+", " ", folded(name)).strip()


def _of_one(cells: Sequence[str]) -> bool:
    shares = [_number(cell) for cell in cells]
    known = [share for share in shares if share is not None]
    return bool(known) and len(known) == len(cells) and max(known) <= MOST_OF_ONE


def _number(cell: str) -> Decimal | None:
    plain = percent_text(cell.strip())
    return Decimal(plain) if re.fullmatch(r"\d+(\.\d+)?", plain) and "%" not in cell else None


def text_of(header: Sequence[str], rows: Sequence[Sequence[str]], columns: PriceColumns, currency: str) -> str:
    """The price list that a table says: a line for every row, and one for each plan that begins, with its charge."""
    lines: list[str] = []
    plan, charge = "", ""
    others = others_of(header, columns)
    for row in rows:
        cells = dict(zip(header, row, strict=False))

        cell = partial(_cell, cells)
        named, monthly = cell(columns.plan), _money(cell(columns.monthly), currency)
        begins = bool(named) and named != plan
        if begins or (plan and monthly and monthly != charge):
            plan, charge = named or plan, monthly
            called = f"{plan} plan" if "plan" not in folded(plan).split() else plan
            lines.append(f"{called}, {monthly} a month" if monthly else called)
        said = [cell(name) for name in others]
        if monthly and not plan:
            said.append(f"{monthly} a month")
        line = ", ".join(filter(None, (_line(columns, cell, currency), *said)))
        if line:
            lines.append(line)
    return "\n".join(lines)


def others_of(header: Sequence[str], columns: PriceColumns) -> list[str]:
    """The columns that say no part of a price, and are not left out."""
    parts = (columns.percent, columns.fixed, columns.minimum, columns.maximum, columns.plan, columns.monthly)
    said = {*columns.what, *columns.left_out, *parts}
    return [name for name in header if name and name not in said]


def _cell(cells: Mapping[str, str], name: str | None) -> str:
    return " ".join(cells.get(name or "", "").split())


def _line(columns: PriceColumns, cell: Callable[[str | None], str], currency: str) -> str:
    what = " ".join(filter(None, (cell(name) for name in columns.what)))
    percent = cell(columns.percent)
    share = _number(percent) if percent else None
    if share is not None:
        percent = f"{(share * 100 if columns.of_one else share).normalize():f}%"
    fixed = _money(cell(columns.fixed), currency)
    parts = [" + ".join(filter(None, (percent, fixed)))]
    for word, name in (("min", columns.minimum), ("max", columns.maximum)):
        if limit := _money(cell(name), currency):
            parts.append(f"{word} {limit}")
    price = ", ".join(filter(None, parts))
    return ": ".join(filter(None, (what, price)))


def _money(text: str, currency: str) -> str:
    return f"{text} {currency}" if FIGURE.fullmatch(text) else text
