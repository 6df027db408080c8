"""Tells what was said between the shop and a gateway, in words, by the contract of `docs/gateway.md`.

>>> exchange_text("POST /payments/pay_1/take", incoming=False, by_hand=False)
'Take money that was authorised'
>>> exchange_text("payment.moved", incoming=True, by_hand=True)
'Something happened to the payment, by hand'
>>> exchange_text("PUT /nowhere", incoming=False, by_hand=False)
'PUT /nowhere'
"""

import re

from slugify import slugify

from monedero.wording.catalogue import has, say

# The reference of a payment or an application in a path.
REFERENCE = re.compile(r"^(\w+ /(?:payments|applications)/)[^/]+")


def exchange_text(what: str, *, incoming: bool, by_hand: bool) -> str:
    """Tells what was said, in words; as it was said, where there are none for it."""
    asked = REFERENCE.sub(r"\1one", what)
    name = f"told-{slugify(what)}" if incoming else f"asked-{slugify(asked)}"
    said = say(name) if has(name) else what
    return say("by-hand", said=said) if by_hand else said
