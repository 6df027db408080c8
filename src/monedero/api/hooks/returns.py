"""Providers send buyers back to this address, and know a domain by this file."""

from fastapi import APIRouter, Response
from fastapi.responses import PlainTextResponse, RedirectResponse

from monedero.api.hooks.door import ShopsDep
from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.formats.gateway import WELL_KNOWN
from monedero.work.orders.place_order import AFTER_PAYING
from monedero.work.orders.sending import RETURN

router = APIRouter(tags=["outside"])


@router.get(RETURN, include_in_schema=False)
def come_back(shops: ShopsDep, payment: str = "") -> RedirectResponse:
    """The provider sends the buyer back to here; what became of the payment is asked there."""
    for running in shops:
        if running.store.orders.with_reference(payment):
            record = running.intake.came_back(payment)
            return RedirectResponse(f"{AFTER_PAYING}/{record.token}", status_code=303)
    return RedirectResponse(f"{AFTER_PAYING}/unknown", status_code=303)


@router.get(f"{WELL_KNOWN}{{number}}", include_in_schema=False)
def domain_file(shops: ShopsDep, number: str) -> Response:
    """The file that shows a provider that a domain is the shop's (RFC 8615), where the storefront has one."""
    for running in shops:
        shop = running.store.description.read()
        numbers = {account.number for mode in Mode for account in running.store.accounts.of(mode).values()}
        if shop and number in numbers and any(front.domain for front in shop.value.storefronts):
            return PlainTextResponse(number)
    raise NotFound(Fault(FaultCode.NOT_FOUND, "file", number[:40], {"what": "file"}))
