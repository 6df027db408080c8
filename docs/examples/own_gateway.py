"""A gateway of one's own in one file: the least that keeps the contract of `docs/gateway.md`.

It keeps everything in memory and takes payments by a till that trusts whoever opens its page, so that it is a
beginning to build on and not something to sell with. Run it, in the folder of the project, with
`.venv/bin/uvicorn --app-dir docs/examples own_gateway:app --port 8500`, and let Monedero ask it there with
`monedero serve --data my-shop --allow-gateway 127.0.0.1`.
"""

import json
import secrets
import threading
import urllib.error
import urllib.request
from datetime import UTC, datetime
from typing import Annotated, Any

from fastapi import Body, Depends, FastAPI, Form, Header, Request
from fastapi.responses import HTMLResponse, JSONResponse, RedirectResponse
from standardwebhooks import Webhook

NUMBER, KEY = "OWN-1", "a key of sixteen or more characters"

app = FastAPI()
tokens: set[str] = set()
endpoint: dict[str, str] = {}
payments: dict[str, dict[str, Any]] = {}
answered: dict[str, tuple[str, str]] = {}
outgoing: list[dict[str, Any]] = []
# Keys are looked up and written by one request at a time.
one_at_a_time = threading.RLock()


class Refused(Exception):
    def __init__(self, status: int, field: str, detail: str) -> None:
        self.status, self.field, self.detail = status, field, detail


@app.exception_handler(Refused)
def refused(_: Request, no: Exception) -> JSONResponse:
    assert isinstance(no, Refused)
    errors = [{"code": "refused", "field": no.field, "value": "", "detail": no.detail}]
    body = {"type": "about:blank", "title": "Refused", "status": no.status, "detail": no.detail, "errors": errors}
    return JSONResponse(body, status_code=no.status, media_type="application/problem+json")


def access(authorization: Annotated[str, Header()] = "") -> None:
    if authorization.removeprefix("Bearer ") not in tokens:
        raise Refused(401, "authorization", "This token opens nothing.")


Access = Depends(access)
Key = Annotated[str, Header(alias="Idempotency-Key", min_length=8)]
Asked = Annotated[dict[str, Any], Body()]


def minor(money: str) -> int:
    return int(money.split(" ")[0].replace(".", ""))


def held(reference: str) -> dict[str, Any]:
    payment = payments.get(reference)
    if payment is None:
        raise Refused(404, "payment", "There is no such payment.")
    return payment


def shown(payment: dict[str, Any]) -> dict[str, Any]:
    return {name: payment[name] for name in ("reference", "page", "embedded", "told")}


def once(key: str, what: str, reference: str) -> bool:
    """Whether a key is new; the same key for something else is refused."""
    if key not in answered:
        answered[key] = (what, reference)
        return True
    if answered[key] != (what, reference):
        raise Refused(409, "Idempotency-Key", "This key was used for something else.")
    return False


def tell(payment: dict[str, Any], move: str, amount: int | None = None) -> None:
    """Write a move down under the next number, and send it."""
    notice: dict[str, Any] = {"sequence": len(payment["told"]) + 1, "move": move}
    notice["at"] = datetime.now(UTC).isoformat()
    if amount is not None:
        notice["amount"] = f"{amount // 100}.{amount % 100:02d} {payment['currency']}"
    payment["told"].append(notice)
    body = {"type": "payment.moved", "mode": "test", "account": NUMBER, "payment": payment["reference"]}
    outgoing.append({"id": f"msg_{secrets.token_hex(8)}", "body": json.dumps({**body, "notice": notice})})
    send()


def send() -> None:
    """Send what is not taken yet; what is refused is tried again with the next move. Call it by a clock, too."""
    if not endpoint:
        return
    for message in list(outgoing):
        now = datetime.now(UTC)
        headers = {
            "content-type": "application/json",
            "webhook-id": message["id"],
            "webhook-timestamp": str(int(now.timestamp())),
            "webhook-signature": Webhook(endpoint["secret"]).sign(message["id"], now, message["body"]),
        }
        request = urllib.request.Request(endpoint["url"], message["body"].encode(), headers)
        try:
            urllib.request.urlopen(request, timeout=5).close()
        except (urllib.error.URLError, OSError):
            continue
        outgoing.remove(message)


def account() -> dict[str, Any]:
    methods = [{"method": "card", "active": True, "standing": None}]
    return {"number": NUMBER, "mode": "test", "holder": "My own till", "methods": methods}


@app.post("/connection")
def connect(asked: Asked) -> dict[str, Any]:
    if asked.get("mode") != "test" or asked.get("fields", {}).get("key") != KEY:
        raise Refused(422, "fields.key", "This is not the key of the till.")
    token = secrets.token_urlsafe(24)
    tokens.add(token)
    return {"access_token": token, "token_type": "Bearer", "account": account()}


@app.get("/account", dependencies=[Access])
def read_account() -> dict[str, Any]:
    return account()


@app.put("/endpoint", status_code=204, dependencies=[Access])
def set_endpoint(asked: Asked) -> None:
    endpoint.update(url=asked["url"], secret=asked["secret"])


@app.post("/endpoint/check", status_code=202, dependencies=[Access])
def check_endpoint() -> None:
    body = {"type": "endpoint.checked", "mode": "test", "account": NUMBER}
    outgoing.append({"id": f"msg_{secrets.token_hex(8)}", "body": json.dumps(body)})
    send()


@app.post("/payments", status_code=201, dependencies=[Access])
def begin(key: Key, asked: Asked) -> dict[str, Any]:
    with one_at_a_time:
        return begun(key, asked)


def begun(key: str, asked: dict[str, Any]) -> dict[str, Any]:
    known = answered.get(key)
    if not once(key, json.dumps(asked, sort_keys=True), known[1] if known else ""):
        return shown(payments[key])
    reference = f"own-{secrets.token_urlsafe(9)}"
    amount, currency = minor(asked["amount"]), asked["amount"].split(" ")[1]
    payments[reference] = payments[key] = {
        "reference": reference,
        "page": f"/pay/{reference}",
        "embedded": False,
        "told": [],
        "currency": currency,
        "ordered": amount,
        "later": asked["take"] == "later",
        "back": asked["return_to"],
        "open": 0,
        "kept": 0,
        "over": False,
    }
    return shown(payments[reference])


@app.get("/payments/{reference}", dependencies=[Access])
def read(reference: str) -> dict[str, Any]:
    return shown(held(reference))


@app.post("/payments/{reference}/{what}", dependencies=[Access])
def change(
    reference: str, what: str, key: Key, asked: Annotated[dict[str, Any] | None, Body()] = None
) -> dict[str, Any]:
    with one_at_a_time:
        return changed(reference, what, key, asked["amount"] if asked else "")


def changed(reference: str, what: str, key: str, amount: str) -> dict[str, Any]:
    payment = held(reference)
    if amount and amount.split(" ")[1] != payment["currency"]:
        raise Refused(422, "amount", "This is not the currency of the payment.")
    if not once(key, f"{what} {amount}", reference):
        return shown(payment)
    count = minor(amount) if amount else 0
    try:
        if what == "take" and 0 < count <= payment["open"]:
            payment.update(open=payment["open"] - count, kept=payment["kept"] + count)
            tell(payment, "taken", count)
        elif what == "refund" and 0 < count <= payment["kept"]:
            payment.update(kept=payment["kept"] - count)
            tell(payment, "refunded", count)
        elif what == "release" and payment["open"]:
            rest = payment["open"]
            payment.update(open=0)
            tell(payment, "released", rest)
        elif what == "cancel" and not payment["over"]:
            payment.update(over=True)
            tell(payment, "abandoned")
        elif what != "cancel":
            raise Refused(409, "amount", "There is not so much to move.")
    except Refused:
        del answered[key]
        raise
    return shown(payment)


@app.get("/pay/{reference}")
def page(reference: str) -> HTMLResponse:
    held(reference)
    return HTMLResponse('<form method="post"><button name="ending" value="paid">Paid at the till</button></form>')


@app.post("/pay/{reference}")
def end(reference: str, ending: Annotated[str, Form()]) -> RedirectResponse:
    payment = held(reference)
    if not payment["over"]:
        payment.update(over=True)
        if ending == "paid" and payment["later"]:
            payment.update(open=payment["ordered"])
            tell(payment, "authorised", payment["ordered"])
        elif ending == "paid":
            payment.update(kept=payment["ordered"])
            tell(payment, "paid", payment["ordered"])
        else:
            tell(payment, "abandoned" if ending == "abandoned" else "declined")
    return RedirectResponse(f"{payment['back']}?payment={reference}", status_code=303)
