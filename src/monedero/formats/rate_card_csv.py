"""The rates and extras of a rate card as a table: CSV out, and CSV back over the same card.

A row is a rate or an extra; lists are joined by `+`, and so are the steps of a graduated rate (`10000 EUR:2+*:1.5`).
What is not in the table (plans, events, terms) stays as it is on the card.

Source: RFC 4180; the columns are an *own design*.

>>> steps_text([GraduatedBand(below="10000 EUR", percent="2"), GraduatedBand(below=None, percent="1.5")])
'10000.00 EUR:2+*:1.5'
>>> read(b"id,label\\n", None)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: column-missing entry=''
"""

import csv
import io
from collections.abc import Iterable
from typing import Any

from pydantic import ValidationError
from pydantic_core import ErrorDetails

from monedero.core.errors import Fault, FaultCode, InvalidInput, refuse
from monedero.core.fields import BY_PROGRAM
from monedero.core.ratecard.model import Band, Extra, GraduatedBand, Rate, RateCard
from monedero.formats.cells import plain, safe
from monedero.formats.json_text import faults

COLUMNS = (
    *("entry", "id", "label", "methods", "plans", "percent", "graduated", "fixed", "minimum", "maximum", "adds"),
    *("amount_from", "amount_below", "volume_from", "volume_below", "currency", "buyer_country", "origin"),
    *("card_network", "card_kind", "recurring", "line_kind", "conversion"),
)
LISTS = ("currency", "buyer_country", "origin", "card_network", "card_kind", "line_kind")
TRUTHS = ("recurring", "conversion")
# The place of a fault of the model in the table.
PLACES = {
    ("when", "amount", "from"): "amount_from",
    ("when", "amount", "below"): "amount_below",
    ("when", "amount"): "amount_from",
    ("when", "monthly_volume", "from"): "volume_from",
    ("when", "monthly_volume", "below"): "volume_below",
    ("when", "monthly_volume"): "volume_from",
    ("method",): "methods",
}


def write(card: RateCard) -> bytes:
    """The table of a card, in the sequence in which its entries count."""
    text = io.StringIO()
    rows = csv.writer(text, lineterminator="\n")
    rows.writerow(COLUMNS)
    rows.writerows(_row(entry) for entry in card.rates)
    rows.writerows(_row(entry) for entry in card.extras)
    return text.getvalue().encode()


def _row(entry: Rate | Extra) -> list[str]:
    when, rate = entry.when, entry if isinstance(entry, Rate) else None
    cells: dict[str, object] = {
        "entry": "rate" if rate else "extra",
        "id": entry.id,
        "label": "" if isinstance(entry, Rate) else entry.label,
        "methods": [entry.method] if isinstance(entry, Rate) else entry.methods,
        "plans": entry.plans,
        "percent": entry.percent,
        "graduated": steps_text(rate.graduated) if rate and rate.graduated else None,
        "fixed": entry.fixed,
        "minimum": rate.minimum if rate else None,
        "maximum": rate.maximum if rate else None,
        "adds": rate.adds if rate else None,
        **_ends("amount", when.amount),
        **_ends("volume", when.monthly_volume),
        **{name: getattr(when, name) for name in (*LISTS, *TRUTHS)},
    }
    return [safe(_text(cells[name])) for name in COLUMNS]


def _ends(name: str, band: Band | None) -> dict[str, object]:
    return {f"{name}_from": band.from_ if band else None, f"{name}_below": band.below if band else None}


def _text(value: object) -> str:
    if value is None:
        return ""
    if isinstance(value, bool):
        return "true" if value else "false"
    if isinstance(value, list):
        return "+".join(str(entry) for entry in value)
    return str(value)


def steps_text(steps: Iterable[GraduatedBand]) -> str:
    """The steps of a graduated rate; the last one has no end."""
    return "+".join(f"{step.below or '*'}:{step.percent}" for step in steps)


def read(content: bytes, card: RateCard | None) -> RateCard:
    """The card with the rates and extras of a table; refuses with line and column, and then nothing is changed."""
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as broken:
        raise refuse(FaultCode.NOT_UTF8, value=content[broken.start : broken.start + 1].hex()) from broken
    rows = csv.reader(io.StringIO(text, newline=""), strict=True)
    try:
        header = next(rows, [])
        _check_header(header)
        lines = [(rows.line_num, cells) for cells in rows if any(cells)]
    except csv.Error as broken:
        where = {"line": str(rows.line_num), "column": ""}
        raise InvalidInput(Fault(FaultCode.CSV_BROKEN, f"line.{rows.line_num}", str(broken), where)) from broken
    rates: list[tuple[int, dict[str, Any]]] = []
    extras: list[tuple[int, dict[str, Any]]] = []
    for line, cells in lines:
        named = dict(zip(header, (*cells, *[""] * (len(header) - len(cells))), strict=False))
        kind = named["entry"].strip()
        if kind not in ("rate", "extra"):
            raise InvalidInput(
                _at(Fault(FaultCode.NOT_ONE_OF, "", kind, {"expected": "rate or extra"}), line, "entry")
            )
        (rates if kind == "rate" else extras).append((line, _entry(named, kind, line)))
    return _over(card, rates, extras)


def _check_header(header: list[str]) -> None:
    for name in ("entry", "id"):
        if name not in header:
            raise refuse(FaultCode.COLUMN_MISSING, name)
    for name in header:
        if name not in COLUMNS:
            raise refuse(FaultCode.COLUMN_UNKNOWN, name, name, known=", ".join(COLUMNS))


def _entry(cells: dict[str, str], kind: str, line: int) -> dict[str, Any]:
    """A row as the format of rate cards has it; what is empty is left out."""
    filled = {name: plain(value.strip()) for name, value in cells.items() if value.strip()}
    when: dict[str, Any] = {name: filled[name].split("+") for name in LISTS if name in filled}
    for name in TRUTHS:
        if name in filled:
            if filled[name] not in ("true", "false"):
                fault = Fault(FaultCode.NOT_ONE_OF, "", filled[name], {"expected": "true or false"})
                raise InvalidInput(_at(fault, line, name))
            when[name] = filled[name] == "true"
    for key, name in (("amount", "amount"), ("monthly_volume", "volume")):
        band = {end: filled[f"{name}_{end}"] for end in ("from", "below") if f"{name}_{end}" in filled}
        if band:
            when[key] = band
    entry: dict[str, Any] = {
        "when": when,
        **{name: filled[name] for name in ("id", "percent", "fixed") if name in filled},
    }
    if "plans" in filled:
        entry["plans"] = filled["plans"].split("+")
    if kind == "extra":
        entry |= {"label": filled.get("label", filled.get("id", ""))}
        entry |= {"methods": filled["methods"].split("+")} if "methods" in filled else {}
        # An extra has none of these: they are refused where they are read, and not passed over.
        return entry | {
            name: filled[name] for name in ("minimum", "maximum", "graduated", "adds") if name in filled
        }
    entry |= {name: filled[name] for name in ("minimum", "maximum") if name in filled}
    entry |= {"adds": filled["adds"].split("+")} if "adds" in filled else {}
    entry |= {"method": filled["methods"]} if "methods" in filled else {}
    if "graduated" in filled:
        steps = [step.rpartition(":") for step in filled["graduated"].split("+")]
        entry["graduated"] = [{"below": None if end == "*" else end, "percent": share} for end, _, share in steps]
    return entry


def _over(
    card: RateCard | None, rates: list[tuple[int, dict[str, Any]]], extras: list[tuple[int, dict[str, Any]]]
) -> RateCard:
    value = card.model_dump(mode="json", by_alias=True, exclude_unset=True) if card else {}
    value |= {"rates": [entry for _, entry in rates], "extras": [entry for _, entry in extras]}
    try:
        return RateCard.model_validate(value, context=BY_PROGRAM)
    except ValidationError as invalid:
        lines = {"rates": [line for line, _ in rates], "extras": [line for line, _ in extras]}
        raise InvalidInput(*(_placed(error, lines) for error in invalid.errors(include_url=False))) from invalid


def _placed(error: ErrorDetails, lines: dict[str, list[int]]) -> Fault:
    """A fault of the model at its line and column of the table, where it lies in one."""
    loc = error["loc"]
    fault = faults([error])[0]
    if len(loc) < 2 or loc[0] not in lines or not isinstance(loc[1], int):
        return fault
    path = tuple(str(step) for step in loc[2:])
    column = PLACES.get(path[:3]) or PLACES.get(path[:2]) or PLACES.get(path[:1])
    inner = path[1:] if path[:1] == ("when",) else path
    return _at(fault, lines[str(loc[0])][loc[1]], column or (inner[0] if inner else ""))


def _at(fault: Fault, line: int, column: str) -> Fault:
    where = {"line": str(line), "column": column}
    return Fault(fault.code, f"line.{line}.{column}".rstrip("."), fault.value, {**fault.fields, **where})
