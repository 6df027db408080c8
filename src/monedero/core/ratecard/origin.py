"""Tells where a buyer is, seen from the shop and the provider.

`origin` is `domestic` where the buyer's country is the shop's, else `region` where both are in the provider's
region, else `abroad`.

Source: own design, `monedero/rate-card/1`.

>>> origin_of("PT", "ES", frozenset({"PT", "ES"})).value
'region'
>>> origin_of("PT", "ES", frozenset({"ES"})).value
'abroad'
"""

from monedero.core.ratecard.model import Origin


def origin_of(shop_country: str, buyer_country: str, region: frozenset[str]) -> Origin:
    """Tells where the buyer is, seen from the shop and the provider's region."""
    if shop_country == buyer_country:
        return Origin.DOMESTIC
    if shop_country in region and buyer_country in region:
        return Origin.REGION
    return Origin.ABROAD
