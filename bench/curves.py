"""The cheapest of 60 routes for every amount: milliseconds, against the budget."""

import random
import time
from fractions import Fraction

from monedero.core.curve.envelope import envelope
from monedero.core.curve.pieces import Curve, Piece

ROUTES, ROUNDS, MILLISECONDS = 60, 20, 20


def made_up(chance: random.Random) -> Curve:
    """A curve with a minimum, a maximum and a band, as a card has them, brought over at a day's rate."""
    rate = Fraction(10_000, chance.randrange(9_000, 12_000))
    percent = Fraction(chance.randrange(20, 350), 10_000)
    fixed = Fraction(chance.randrange(0, 60), 100) * rate
    low, high = fixed + Fraction(chance.randrange(5, 60), 100), fixed + chance.randrange(3, 40)
    band = Fraction(chance.randrange(100, 900))
    start, end = (low - fixed) / percent, (high - fixed) / percent
    edges = sorted({Fraction(0), start, band, end})
    pieces = []
    for here, below in zip(edges, [*edges[1:], None], strict=True):
        if here < start:
            pieces.append(Piece(here, below, Fraction(0), low))
        elif here < end:
            share = percent if here < band else percent * Fraction(9, 10)
            pieces.append(Piece(here, below, share, fixed))
        else:
            pieces.append(Piece(here, below, Fraction(0), high))
    return Curve(tuple(pieces))


def run() -> str:
    """Take the envelope many times and say what one took."""
    chance = random.Random(7)
    curves = [made_up(chance) for _ in range(ROUTES)]
    began = time.perf_counter()
    for _ in range(ROUNDS):
        found = envelope(curves, Fraction(5), Fraction(5000))
    each = (time.perf_counter() - began) / ROUNDS * 1000
    return (
        f"the cheapest of {ROUTES} routes for every amount ({len(found)} stretches): "
        f"{each:.1f} ms (budget {MILLISECONDS} ms)"
    )
