"""The fees of orders along straight lines, in columns of whole numbers.

A row is an order on a line of `monedero.core.ratecard.straight`: its amount in the settlement currency and what a
figure of the card is multiplied by there (`figure`), both over a third number (`below`), and the line, its figures
times what its percentages are over.

Source: own design; integer arithmetic, rounded once, half up.

>>> line = FeeLine("card", "EUR", False, None, None, 15, 25, 0, None, 0, 0, 1000)
>>> row = pl.DataFrame([{"amount": 8500, "figure": 1, "below": 1, **figures_of(line)}])
>>> row.select(fee=charged(pl.col("amount"), pl.col("figure"))).item(), fits(line)
(153, True)
>>> ends = pl.DataFrame({"amount": [499, 500, 900], "figure": 1, "start": 500, "end": [None, None, 900]})
>>> ends.select(holds(pl.col("amount"), pl.col("figure"))).to_series().to_list()
[False, True, False]
"""

import polars as pl

from monedero.core.ratecard.straight import FeeLine

# Amounts beyond these are priced order by order: below them no sum of products in a fee leaves 128 bits.
AMOUNTS, BRINGINGS, PERCENTS, FIGURES = 2**47, 2**46, 2**30, 2**60


def figures_of(line: FeeLine) -> dict[str, int | None]:
    """The columns of a line that its fee is made of."""
    return {
        "percent": line.percent,
        "fixed": line.fixed * line.over,
        "low": line.low * line.over,
        "high": None if line.high is None else line.high * line.over,
        "more_percent": line.more_percent,
        "more_fixed": line.more_fixed * line.over,
        "over": line.over,
    }


def fits(line: FeeLine) -> bool:
    """True if a line is within what columns can hold."""
    money = (line.start, line.end, line.fixed, line.low, line.high, line.more_fixed)
    figures = sum(entry or 0 for entry in money) * line.over
    return line.percent + line.more_percent < PERCENTS and line.over < PERCENTS and figures < FIGURES


def holds(amount: pl.Expr, figure: pl.Expr) -> pl.Expr:
    """True if an amount lies from `start` and below `end` of its row; a null is no end."""
    under = (amount < pl.col("start") * figure).fill_null(value=False)
    beyond = (amount >= pl.col("end") * figure).fill_null(value=False)
    return ~under & ~beyond


def charged(amount: pl.Expr, figure: pl.Expr) -> pl.Expr:
    """The fee in minor units of the settlement currency."""
    base = amount * pl.col("percent") + pl.col("fixed") * figure
    held = pl.min_horizontal(pl.max_horizontal(base, pl.col("low") * figure), pl.col("high") * figure)
    fee = held + amount * pl.col("more_percent") + pl.col("more_fixed") * figure
    over = pl.col("over") * pl.col("below")
    return ((2 * fee + over) // (2 * over)).cast(pl.Int64)
