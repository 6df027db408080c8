"""The items about the shop: whom buyers turn to, what is published beside the checkout, and the copy of the key."""

from collections.abc import Iterator

from monedero.core.business import StatedFact
from monedero.core.ready import ReadyCode, ReadyItem
from monedero.work.accounts.merchant_file import read_business
from monedero.work.context import Context

POLICIES = (StatedFact.RETURN_POLICY, StatedFact.PRIVACY_POLICY)


def of_shop(context: Context) -> Iterator[ReadyItem]:
    """The items of the shop and its business."""
    business = read_business(context.shop).business
    if not business.email:
        yield ReadyItem(ReadyCode.NO_CONTACT)
    for policy in POLICIES:
        if policy not in business.facts:
            yield ReadyItem(ReadyCode.NO_POLICY, policy.value, {"policy": policy.value})
    if StatedFact.LINES_LISTED not in business.facts:
        yield ReadyItem(ReadyCode.LINES_NOT_LISTED)
    # Nobody but the owner can know whether there is a copy somewhere else.
    yield ReadyItem(ReadyCode.KEY_COPY)
