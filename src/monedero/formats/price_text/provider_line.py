"""A line about the provider itself: whose shops it takes, what it calls European, in which currencies it pays out.

Source: own design.

>>> provider_line(Items("For shops in Portugal and Spain", "EUR", {})).shops
('PT', 'ES')
>>> provider_line(Items("Cards 1.5 %", "EUR", {})) is None
True
"""

from monedero.formats.price_text.items import Items
from monedero.formats.price_text.model import ProviderLine
from monedero.formats.price_text.unread import NotRead, Why


def provider_line(items: Items) -> ProviderLine | None:
    """Tells what a line says of the provider: None where it says nothing of it; refuses one that says more."""
    if items.figures or items.unknown:
        return None
    groups = {item.group for item in items.all}
    found = None
    if items.has("shops") and "countries" in groups:
        items.take("shops")
        found = ProviderLine(shops=items.of("countries"))
    elif items.has("means") and {"origins", "countries"} <= groups:
        items.take("means")
        if any(name not in ("eea", "eu") for name in items.of("origins")):
            raise NotRead(Why.WHICH_REGION)
        items.of("methods")
        found = ProviderLine(region=items.of("countries"))
    elif items.has("payout") and groups <= {"marks", "currencies"} and "currencies" in groups:
        items.take("payout")
        found = ProviderLine(settles_in=items.of("currencies"))
    if found is not None:
        items.done()
    return found
