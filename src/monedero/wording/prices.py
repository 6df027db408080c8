"""The price of a rate or an extra in short.

Source: own design.

>>> price_text(Rate(id="card", method="card", when={}, percent="1.5", fixed="0.25 EUR", minimum="0.30 EUR"))
'1.5 % + 0.25 EUR, at least 0.30 EUR'
>>> price_text(Extra(id="none", label="None", when={}))
'nothing'
"""

from monedero.core.ratecard.model import Extra, Rate
from monedero.wording.catalogue import say
from monedero.wording.show import money


def price_text(entry: Rate | Extra) -> str:
    """A percentage and a fixed amount, and for a rate its limits and its steps by the month."""
    rate = entry if isinstance(entry, Rate) else None
    parts = []
    if rate and rate.graduated:
        first, last = rate.graduated[0].percent, rate.graduated[-1].percent
        parts.append(say("price-falling", first=str(first), last=str(last)))
    parts += [say(f"price-adds-{cost}") for cost in (rate.adds if rate else None) or ()]
    if entry.percent:
        parts.append(f"{entry.percent:f} %")
    if entry.fixed and entry.fixed.minor:
        parts.append(money(str(entry.fixed)))
    text = " + ".join(parts) or say("price-nothing")
    limits = (("least", rate.minimum), ("most", rate.maximum)) if rate else ()
    return ", ".join([text, *(say(f"price-at-{end}", amount=money(str(limit))) for end, limit in limits if limit)])
