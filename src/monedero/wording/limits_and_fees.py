"""Tells what a tender is limited to and what its buyer pays on top, in words, whatever the order.

Source: own design.

>>> fee_text(BuyerFee(percent="2", tax_percent="23")), window_text(Window(from_=Money(6000, "EUR")))
('2 %; with 23 % tax', 'from 60.00 EUR')
"""

from monedero.core.checkout.fee import BuyerFee, FeePart
from monedero.core.money import Money
from monedero.core.window import Window
from monedero.wording.catalogue import say
from monedero.wording.places import network_name
from monedero.wording.show import money


def window_text(window: Window) -> str:
    """A window in words: `from 60.00 EUR up to 1,200.00 EUR`."""
    ends = (("from", window.from_), ("up-to", window.up_to), ("below", window.below))
    return " ".join(say(f"band-{end}", amount=money(str(limit))) for end, limit in ends if limit is not None)


def fee_text(fee: BuyerFee) -> str:
    """A buyer fee, whatever the order."""
    told = [_part(fee)]
    told += [
        say("sheet-on-network", fee=_part(part), network=network_name(id)) for id, part in fee.networks.items()
    ]
    if fee.tax_percent:
        told.append(say("sheet-with-tax", percent=str(fee.tax_percent)))
    return "; ".join(filter(None, told))


def _part(part: FeePart) -> str:
    percent, fixed = part.percent, part.fixed
    less = (percent or 0) <= 0 and (fixed is None or fixed.minor <= 0)
    if less:
        percent = -percent if percent else percent
        fixed = Money(-fixed.minor, fixed.currency) if fixed else fixed
    texts = [f"{percent} %" if percent else "", money(str(fixed)) if fixed and fixed.minor else ""]
    text = " + ".join(filter(None, texts))
    return say("sheet-less", fee=text) if text and less else text or say("sheet-nothing")
