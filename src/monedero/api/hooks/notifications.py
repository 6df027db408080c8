"""Notifications of gateways: heard at the address that an account was given, signed by its secret."""

from fastapi import APIRouter, Request
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool

from monedero.api.hooks.door import ShopsDep
from monedero.api.problems import PROBLEMS
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.store.exchanges import Exchange
from monedero.work.orders.notifications import LARGEST

router = APIRouter(tags=["outside"], responses=PROBLEMS)


class Heard(BaseModel):
    """The verdict on a notification: counted, or why it was not."""

    verdict: str


@router.post("/notify/{endpoint}")
async def notify(shops: ShopsDep, endpoint: str, request: Request) -> Heard:
    """A notification of a gateway (Standard Webhooks)."""
    body = b""
    async for chunk in request.stream():
        body += chunk
        if len(body) > LARGEST:
            break
    exchange = await run_in_threadpool(_heard, shops, endpoint, dict(request.headers), body)
    return Heard(verdict=exchange.verdict)


def _heard(shops: ShopsDep, endpoint: str, headers: dict[str, str], body: bytes) -> Exchange:
    for running in shops:
        account = running.notifications.account_at(endpoint)
        if account is not None:
            exchange = running.notifications.hear(account, headers, body)
            if exchange.what == "account.changed":
                running.connections.refresh(account)
            return exchange
    raise NotFound(Fault(FaultCode.NOT_FOUND, "endpoint", endpoint[:40], {"what": "address for notifications"}))
