"""Tells what exists in a shop, for requests that go further than the first check: ids, tokens, and bodies as they
are now.
"""

import io
import json
import secrets
import time
from collections.abc import Callable, Mapping, Sequence
from functools import cached_property
from random import Random
from typing import Any

from fastapi.testclient import TestClient
from PIL import Image

from monedero.core.account import Mode
from monedero.demo import paper
from monedero.server.shops import Shops
from tests.api.shopkeeper import BOAT, CHART, Shopkeeper

PAST = b"id,date,amount,currency,country\n1,2026-10-03,85.00,EUR,ES\n2,2026-10-04,12.50,EUR,PT\n3,bad,1,EUR,PT\n"
# Values that fit nowhere, or nearly.
ODD: tuple[Any, ...] = (
    *(
        "",
        " ",
        "0",
        "-1",
        "1,200 EUR",
        "1.200",
        "9" * 40,
        "NaN",
        "1e400",
        "\u0000",
        "\u202etxt",
        "é" * 400,
        "=1+1",
    ),
    *("9999-12-31", "0001-01-01T00:00:00Z", "javascript:alert(1)", "../../etc/passwd", "null", "EUR", "XXX"),
    *(None, True, False, 0, -1, 10**18, 1.5, [], {}, [[]], {"a": {}}),
)
# A provider with which an application is begun.
BEGUN = "pocketfern"
# A case that a rehearsal plays.
CASE = "card paid once"
AMOUNTS = ("5.00 EUR", "1.00 EUR", "85.00 EUR", "12,50 EUR")
Body = Callable[[Shopkeeper, Mapping[str, str]], Any]


def stocked(keeper: Shopkeeper) -> None:
    """Bring a demo shop into a state in which nearly everything can be done to something."""
    keeper.settings("card", take="on-dispatch")
    keeper.end(keeper.place("card", CHART), "paid")
    _paid_later(keeper)
    keeper.settings("card", take="now")
    keeper.paid("card")
    keeper.place("card")
    keeper.place("bank-transfer")
    placed = keeper.place("bank-transfer")
    keeper.client.post(
        f"/api/orders/{placed['token']}/receipt", files={"file": ("r.pdf", paper(), "application/pdf")}
    )
    keeper.act(keeper.paid("card", CHART), "send", amount="5.00 EUR", note="a parcel")
    _paid_twice(keeper)
    _papers(keeper)
    keeper.post(f"/api/accounts/{BEGUN}/begin", {"mode": "test"}, 201)


def _paid_later(keeper: Shopkeeper) -> None:
    """Weighed goods that wait, and a booking whose rest is owed; after that the lines are as they were."""
    before = keeper.get("/api/shop")
    later: dict[str, Any] = {
        "night-boat-tour": {"deposit": {"percent": "30"}},
        "star-chart": {"highest": "48.00 EUR"},
    }
    for changed in (later, dict[str, Any]()):
        held = keeper.get("/api/shop")
        lines = [{**line, **changed.get(line["id"], {})} for line in before["shop"]["lines"]]
        body = {"version": held["version"], "shop": {**held["shop"], "lines": lines}}
        assert keeper.client.put("/api/shop", json=body).status_code == 200
        if changed:
            keeper.end(keeper.place("card", {**CHART, "delivery": "pier"}), "paid")
            keeper.end(keeper.place("card"), "paid")


# The other files of an order's page.
FILES = ("transfer.svg", "number.svg", "invoice.pdf")


def _papers(keeper: Shopkeeper) -> None:
    """An order by invoice, and one with a number for a counter."""
    held = keeper.get("/api/shop")
    kiosk = {
        "id": "kiosk",
        "name": "Kiosk",
        "family": "counter-voucher",
        "own": True,
        "buyer": "x",
        "recurring": False,
    }
    methods = [*held["shop"]["own_methods"], {"method": kiosk}]
    shop = {"version": held["version"], "shop": {**held["shop"], "own_methods": methods}}
    assert keeper.client.put("/api/shop", json=shop).status_code == 200
    draft = keeper.get("/api/checkouts/web-shop")
    own = [{"id": id, "method": id, "on": True, "name": id.title()} for id in ("invoice", "kiosk")]
    body = {"version": draft["version"], "tenders": [*draft["tenders"], *own]}
    assert keeper.client.put("/api/checkouts/web-shop", json=body).status_code == 200
    answers = {"invoice": {"bill-to": "Ana Silva, Lagos"}, "kiosk": {}}
    for tender, given in answers.items():
        keeper.post("/api/checkouts/web-shop/orders", {"order": BOAT, "tender": tender, "answers": given}, 201)


def picture() -> bytes:
    """A small picture."""
    written = io.BytesIO()
    Image.new("RGB", (8, 8), (30, 107, 92)).save(written, "PNG")
    return written.getvalue()


def _paid_twice(keeper: Shopkeeper) -> None:
    token = keeper.place("card")["token"]
    first = keeper.running.store.orders.get(token).payment  # type: ignore[union-attr]
    keeper.office("orlenta", "faults", given=["down"])
    other = keeper.post(f"/api/orders/{token}/tender", {"tender": "online-banking"}, 200)
    keeper.office("orlenta", "faults")
    keeper.end(other, "paid")
    keeper.client.post(first.page, data={"ending": "paid"}, follow_redirects=False)


class Known:
    """Tells what a shop holds: each list is read when it is first asked for, and kept."""

    def __init__(self, client: TestClient, shops: Shops) -> None:
        """Look into the demo shop as its owner would."""
        self.keeper = Shopkeeper(client, shops)

    @cached_property
    def tokens(self) -> list[str]:
        """The tokens of the orders."""
        return [entry["token"] for entry in self.keeper.get("/api/records", at_most=50)["records"]]

    @cached_property
    def receipts(self) -> list[tuple[str, str]]:
        """The receipts that buyers sent, each with the token of its order."""
        return [
            (token, receipt["id"]) for token in self.tokens for receipt in self.keeper.record(token)["receipts"]
        ]

    @cached_property
    def accounts(self) -> list[str]:
        """The ids of the accounts."""
        return [
            account["id"]
            for entry in self.keeper.get("/api/accounts")["providers"]
            for account in entry["accounts"]
        ]

    @cached_property
    def providers(self) -> list[str]:
        """The ids of the providers."""
        return [entry["provider"] for entry in self.keeper.get("/api/accounts")["providers"]]

    @cached_property
    def cards(self) -> list[tuple[str, str]]:
        """The rate cards, by provider and day."""
        return [
            (card["provider"], version["day"])
            for card in self.keeper.get("/api/rate-cards")
            for version in card["versions"]
        ]

    @cached_property
    def papers(self) -> list[str]:
        """The ids of the papers of the business."""
        return [entry["id"] for entry in self.keeper.get("/api/business")["papers"]]

    @cached_property
    def routes(self) -> list[dict[str, Any]]:
        """The routes that a comparison ranks."""
        return [entry["route"] for entry in self.keeper.get("/api/compare", **BOAT)["ranked"]]

    @cached_property
    def exchanges(self) -> list[int]:
        """The numbers of what was exchanged with providers."""
        return [
            entry["number"]
            for account in self.accounts
            for entry in self.keeper.get(f"/api/accounts/{account}/exchanges")["exchanges"]
        ]

    @cached_property
    def picture_kept(self) -> str:
        """The id of a picture that the shop keeps."""
        kept = self.keeper.client.post("/api/pictures", files={"file": ("a.png", picture())})
        return str(kept.json()["id"])

    def with_file(self, file: str) -> list[str]:
        """The tokens of the orders that have a file beside their page."""
        get = self.keeper.client.get
        return [token for token in self.tokens if get(f"/api/orders/{token}/{file}").status_code == 200]

    @cached_property
    def endpoints(self) -> list[str]:
        """The addresses to which providers send their notifications."""
        return [account.endpoint for account in self.keeper.running.store.accounts.of(Mode.TEST).values()]

    def in_path(self, path: str, names: list[str], draw: Random) -> dict[str, str]:
        """Values of a path's parameters that name something that is there."""
        if "/receipts/{id}" in path and self.receipts:
            token, receipt = draw.choice(self.receipts)
            return {"token": token, "id": receipt}
        if (beside := self._beside(path, draw)) is not None:
            return beside
        if "/elsewhere" in path:
            # An account that is under way is not held elsewhere: this provider has none.
            new = {**_new_provider(self, {}, draw), "name": f"Larkhithe {secrets.token_hex(6)}"}
            return {"provider": self.keeper.post("/api/new-provider", new, 201)["provider"]}
        if "{day}" in path and self.cards:
            provider, day = draw.choice(self.cards)
            return {"provider": provider, "day": day}
        if "{file}" in path or "{name}" in path:
            pools = self._file(path)
        else:
            pools = {name: self._pool(name, path) for name in names}
        return {name: str(draw.choice(pools[name])) for name in names if pools.get(name)}

    def _pool(self, name: str, path: str) -> Sequence[Any]:
        """Tells what a parameter of a path can name; only what is asked for is read from the shop."""
        pools: dict[str, Callable[[], Sequence[Any]]] = {
            "token": lambda: self.tokens,
            "id": lambda: self._ids(path),
            "provider": lambda: self.providers,
            "number": lambda: self.exchanges,
            "endpoint": lambda: self.endpoints,
            "storefront": lambda: ["web-shop"],
            "shop": lambda: ["demo"],
            "tender": lambda: ["card"],
            "shared": lambda: [_shared_set(self)],
        }
        return pools[name]() if name in pools else []

    def _beside(self, path: str, draw: Random) -> dict[str, str] | None:
        """Tells what stands beside an order's page, a picture, an edition, a warning, a voucher; None for others."""
        if (file := path.rpartition("/")[2]) in FILES:
            return {"token": draw.choice(self.with_file(file))}
        if path == "/api/pictures/{id}":
            return {"id": self.picture_kept}
        if "/editions/{id}" in path:
            # Two editions, so that there is one to go back to.
            self.keeper.settings("card", name=f"Card {secrets.token_hex(3)}")
            before = self.keeper.get("/api/checkouts/web-shop/publication")["editions"][0]["id"]
            self.keeper.publish()
            return {"storefront": "web-shop", "id": str(before)}
        if "/acceptances/{item}" in path:
            item = _warning(self)
            self.keeper.post("/api/checkouts/web-shop/ready/acceptances", {"id": item, "reason": "known"}, 200)
            return {"storefront": "web-shop", "item": item}
        if path.startswith("/api/vouchers/"):
            # One that was ended has nothing to end any more.
            return {"id": self.keeper.post("/api/vouchers", {"amount": "20 EUR"}, 201)["vouchers"][0]["id"]}
        return None

    def _ids(self, path: str) -> list[str]:
        """Tells what an id in a path can be; an application is filled in while it is begun."""
        if "/papers/" in path:
            return self.papers
        return [BEGUN] if path.endswith(("/payout", "/phone", "/code", "/terms")) else self.accounts

    def _file(self, path: str) -> dict[str, Sequence[Any]]:
        """A file of past orders that was just taken in, and, where it is asked for, read."""
        client = self.keeper.client
        look = client.post("/api/past-orders/files", content=PAST).json()
        if "{file}" in path:
            return {"file": [look["file"]]}
        begun = client.post(f"/api/past-orders/files/{look['file']}/import", json=look["matching"])
        return {"name": [begun.json()["id"]] if begun.status_code == 202 else []}

    def in_query(self, names: list[str], draw: Random) -> dict[str, str]:
        """Values of a query's parameters that can be meant."""
        hand = draw.choice([BOAT, CHART])
        could = {
            **hand,
            "key": draw.choice(self.routes)["key"] if "key" in names else "",
            "low": "5",
            "high": "1,500",
            "of": draw.choice(["all-in", "fees"]),
            "on": "2026-11-24",
            "mode": "test",
            "typed": draw.choice(["12,50", "1.200", "€ 5"]),
            "asks": draw.choice(["bank debit for a membership", "instalments above 100 EUR", ""]),
            "state": draw.choice(["paid", "waiting"]),
            "at_most": "5",
            "text": "star",
            "country": "PT",
            "around": draw.choice(["Sagres", "Lagos"]),
            "kilometres": "15",
            "lines": "star-chart",
            "first": "0.01",
            "below": "9.00",
            "id": CASE,
            "without": "orlenta",
            "device": "phone",
            "plan": draw.choice(["orlenta/start", "dovetide/club"]),
            "family": draw.choice(["card", "cash"]),
            "assumption": draw.choice(["margin", "hour-cost", "money-cost", "tax-recoverable"]),
            "cart": draw.choice(["star-chart:2", "sky-maps:1,night-boat-tour:2"]),
        }
        return {name: could[name] for name in names if name in could}

    def body(self, label: str, path: Mapping[str, str], draw: Random) -> Any:
        """A body that an operation takes as things are now; None where it takes none."""
        make = BODIES.get(label) or next((make for part, make in ACTS.items() if label.endswith(part)), None)
        return None if make is None else make(self, path, draw)

    def file(self, label: str, path: Mapping[str, str]) -> Any:
        """The file or form that an operation takes; None where it takes none."""
        files: dict[str, Callable[[], Any]] = {
            "POST /api/past-orders/files": lambda: PAST,
            "POST /api/new-provider/table": lambda: b"Method,Percent,Fixed\nCards,1.5,0.25\n",
            "POST /api/rate-cards/{provider}/{day}/rates.csv": lambda: (
                self.keeper.client.get(f"/api/rate-cards/{path.get('provider')}/{path.get('day')}/rates.csv").text
            ),
            "POST /api/checkout-files": lambda: {
                "file": self.keeper.client.get("/api/checkouts/web-shop/checkout.json").content
            },
            "POST /api/pictures": lambda: {"file": picture()},
            "POST /api/papers": lambda: {"kind": "register-extract", "file": paper()},
            "POST /api/orders/{token}/receipt": lambda: {"kind": "register-extract", "file": paper()},
        }
        return files[label]() if label in files else None

    def _play(self, cases: list[str], *, to_the_end: bool, only_wait: bool = False) -> None:
        """Play cases once whatever is under way is over; wait for the end, or leave it under way."""
        _wait(self.keeper)
        if only_wait:
            return
        self.keeper.client.post("/api/checkouts/web-shop/rehearsal/play", json={"cases": cases})
        if to_the_end:
            _wait(self.keeper)

    def before(self, label: str, path: Mapping[str, str]) -> None:
        """Do what must have been done before an operation."""
        if label == "DELETE /api/checkouts/{storefront}/planned-edition":
            plan = {**_shown(self), "at": "2027-03-01T09:00:00Z"}
            self.keeper.client.put("/api/checkouts/web-shop/planned-edition", json=plan)
        if label == "GET /api/checkouts/{storefront}/rehearsal/case":
            self._play([CASE], to_the_end=True)
        if label == "POST /api/checkouts/{storefront}/rehearsal/play":
            self._play([], to_the_end=True, only_wait=True)
        if label == "POST /api/checkouts/{storefront}/rehearsal/stop":
            self._play([], to_the_end=False)
        if label.endswith("/reconnect"):
            self.keeper.client.post(f"/api/accounts/{path.get('id')}/disconnect")


def _wait(keeper: Shopkeeper) -> None:
    for _ in range(600):
        progress = keeper.get("/api/checkouts/web-shop/rehearsal")["progress"]
        if progress is None or progress["over"]:
            return
        time.sleep(0.05)


def spoiled(body: Any, draw: Random) -> Any:
    """A body with one of its values replaced by one that may not fit, taken away, or with a key too many."""
    told = json.loads(json.dumps(body))
    places: list[tuple[Any, Any]] = []

    def walk(held: Any) -> None:
        for key, value in held.items() if isinstance(held, dict) else enumerate(held):
            places.append((held, key))
            if isinstance(value, dict | list):
                walk(value)

    if isinstance(told, dict | list):
        walk(told)
    if not places:
        return draw.choice(ODD)
    held, key = draw.choice(places)
    if draw.random() < 0.15:
        del held[key]
    elif isinstance(held, dict) and draw.random() < 0.1:
        held["more"] = draw.choice(ODD)
    else:
        held[key] = draw.choice(ODD)
    return told


def _version_of(known: Known, path: Mapping[str, str]) -> int:
    answer = known.keeper.client.get(f"/api/records/{path.get('token', '')}")
    return int(answer.json().get("version", 1))


def _can(known: Known, path: Mapping[str, str], act: str, draw: Random) -> str:
    answer = known.keeper.client.get(f"/api/records/{path.get('token', '')}").json()
    most = answer.get("can", {}).get(act)
    return most if isinstance(most, str) else draw.choice(AMOUNTS)


def _held(known: Known, path: str) -> Any:
    return known.keeper.client.get(path).json()


def _card(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    held = _held(known, f"/api/rate-cards/{path.get('provider', 'orlenta')}/{path.get('day', '2026-01-01')}")
    return {"version": held.get("version", 1), "card": held.get("card", {})}


def _business(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    held = _held(known, "/api/business")
    return {"version": held["version"], "business": held["business"]}


def _shop(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    held = _held(known, "/api/shop")
    return {"version": held["version"], "shop": held["shop"]}


def _profile(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    held = _held(known, "/api/profile")
    return {"version": held["version"], "profile": held["profile"]}


def _draft(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    held = _held(known, "/api/checkouts/web-shop")
    return {"version": held["version"], "tenders": held["tenders"]}


def _tender(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    route = draw.choice([entry for entry in known.routes if "/" in entry["key"]])
    named = dict(zip(("provider", "plan", "method"), route["key"].split("/"), strict=True))
    return {
        "version": _held(known, "/api/checkouts/web-shop")["version"],
        "method": route["method"],
        "route": named,
    }


def _shared_set(known: Known) -> str:
    """A shared set of conditions that the card's tender uses; made where there is none."""
    held = _held(known, "/api/checkouts/web-shop")
    if not held["shared_conditions"]:
        known.keeper.settings("card", conditions=[{"fact": "country", "only": ["PT", "ES"]}], shared=[])
        version = _held(known, "/api/checkouts/web-shop")["version"]
        body = {"version": version, "tender": "card", "name": "At home"}
        held = known.keeper.post("/api/checkouts/web-shop/sets", body, 201)
    return str(held["shared_conditions"][0]["id"])


def _arranged(known: Known, draw: Random) -> dict[str, Callable[[], Any]]:
    """Bodies of the acts that arrange a draft, by the last parts of their paths."""
    held = _held(known, "/api/checkouts/web-shop")
    card = next(one for one in held["tenders"] if one["id"] == "card")
    number = draw.randrange(10**9)
    back = {**card, "id": f"back-{number}", "name": f"Back {number}", "names": {}, "shared": []}

    def share() -> Any:
        known.keeper.settings("card", conditions=[{"fact": "country", "only": ["PT", "ES"]}])
        version = _held(known, "/api/checkouts/web-shop")["version"]
        return {"version": version, "tender": "card", "name": f"Set {number}"}

    version = held["version"]
    return {
        "tenders/{tender}": lambda: {"version": version, "tender": {**card, "due_days": draw.choice([None, 9])}},
        "moves": lambda: {"version": version, "tender": "card", "over": draw.choice(["bank-transfer", "card"])},
        "moves-by": lambda: {"version": version, "tender": "card", "by": draw.choice([-1, 1, 40])},
        "put-back": lambda: {"version": version, "tender": back, "place": draw.choice([0, 3, 900])},
        "sets": share,
        "sets/{shared}/write-in": lambda: {"version": version, "tender": draw.choice([None, "card"])},
    }


def _arranging(act: str) -> Callable[[Known, Mapping[str, str], Random], Any]:
    return lambda known, path, draw: _arranged(known, draw)[act]()


def _code(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    known.keeper.client.post(f"/api/accounts/{path.get('id', '')}/phone", json={"phone": "912 345 678"})
    text = known.keeper.get("/api/letters")["letters"][0]["text"]
    digits = text.partition(" is ")[2].partition(". It")[0]
    return {"code": "".join(sign for sign in digits if sign.isdigit())}


def _facts(known: Known, path: Mapping[str, str]) -> Any:
    facts = _held(known, f"/api/providers/{path.get('provider', 'orlenta')}").get("facts", {})
    return {"before": facts, "facts": {**facts, "review_days": 7}}


def _new_provider(known: Known, path: Mapping[str, str], draw: Random) -> Any:
    named = {
        "name": f"Larkhithe {draw.randrange(10**9)}",
        "country": "PT",
        "currency": "EUR",
        "networks": ["aster"],
    }
    if draw.random() < 0.5:
        rows = [{"method": "card", "place": "domestic", "percent": "1,2", "fixed": "0.20 EUR"}]
        return {**named, "rows": rows, "hand": BOAT}
    text = "Cards 1.5% + €0.25\nLarge volumes: from 1.2%\nPayouts every Monday"
    return {**named, "text": text, "corrections": [{"line": 1, "methods": ["card"]}], "hand": BOAT}


def _fix(known: Known, path: Mapping[str, str], draw: Random) -> dict[str, Any]:
    """A fix that can be made now, of one of the findings that have one."""
    found = known.keeper.get("/api/checkouts/web-shop/coverage/fixes")
    can = [(id, fix["id"]) for id, fixes in found["fixes"].items() for fix in fixes if not fix["go"]]
    finding, fix = draw.choice(can or [("dead-end-0", "card.off")])
    return {"version": found["draft_version"], "finding": finding, "fix": fix}


BODIES: dict[str, Callable[[Known, Mapping[str, str], Random], Any]] = {
    "PUT /api/shop": _shop,
    "POST /api/shop/would-change": _shop,
    "PUT /api/accounts/{id}/leaving-terms": lambda known, path, draw: {
        "notice_days": draw.choice([None, 30]),
        "exit_fee": draw.choice([None, "90 EUR"]),
    },
    "POST /api/accounts/{id}/serves/would-change": lambda known, path, draw: {"storefronts": ["web-shop"]},
    "PUT /api/profile": _profile,
    "POST /api/vouchers": lambda known, path, draw: {"amount": draw.choice(AMOUNTS), "note": "x"},
    "POST /api/shops/{shop}/offer/vouchers": lambda known, path, draw: {
        "code": known.keeper.post("/api/vouchers", {"amount": "5 EUR"}, 201)["code"],
        "currency": "EUR",
    },
    "PUT /api/assumptions": lambda known, path, draw: {"id": "hour-cost", "about": "*", "value": "17,50"},
    "POST /api/past-orders/files/{file}/look": lambda known, path, draw: _matching(known),
    "POST /api/past-orders/files/{file}/import": lambda known, path, draw: _matching(known),
    "POST /api/rate-cards": lambda known, path, draw: _card(known, path, draw)["card"],
    "POST /api/rate-cards/try": lambda known, path, draw: {"card": _card(known, path, draw)["card"], "hand": BOAT},
    "PUT /api/rate-cards/{provider}/{day}": _card,
    "PUT /api/checkouts/{storefront}": _draft,
    "POST /api/checkouts/{storefront}/tenders": _tender,
    "POST /api/checkouts/{storefront}/copies": lambda known, path, draw: {
        "source": "web-shop",
        "tender": draw.choice([None, "card"]),
        "version": _draft(known, path, draw)["version"],
    },
    "POST /api/checkouts/{storefront}/steps": lambda known, path, draw: {
        "way": draw.choice(["back", "again"]),
        "version": _draft(known, path, draw)["version"],
    },
    "POST /api/checkouts/{storefront}/end-reason": lambda known, path, draw: {
        "version": _draft(known, path, draw)["version"],
        "tender": draw.choice(["card", "bank-transfer"]),
        "code": draw.choice(["window-over", "window-under", "off", "method-currency"]),
        "order": draw.choice([BOAT, CHART]),
    },
    "POST /api/checkouts/{storefront}/meet": lambda known, path, draw: {
        "version": _draft(known, path, draw)["version"],
        "lower": "card",
        "upper": "bank-transfer",
        "amount": draw.choice(["160.12", "1.200,00", "7"]),
    },
    "PUT /api/checkouts/{storefront}/tenders/{tender}": _arranging("tenders/{tender}"),
    **{
        f"POST /api/checkouts/{{storefront}}/{act}": _arranging(act)
        for act in ("moves", "moves-by", "put-back", "sets", "sets/{shared}/write-in")
    },
    "POST /api/checkouts/{storefront}/would-change": lambda known, path, draw: {
        "edit": _draft(known, path, draw),
        "order": draw.choice([BOAT, CHART]),
    },
    "POST /api/checkouts/{storefront}/coverage/fix": _fix,
    "POST /api/checkouts/{storefront}/best-set": lambda known, path, draw: {
        "version": _draft(known, path, draw)["version"],
        "most_accounts": draw.choice([None, 1, 2]),
    },
    "POST /api/buyers/shares": lambda known, path, draw: {
        "version": _held(known, "/api/buyers")["version"],
        "country": draw.choice([None, "PT"]),
        "family": draw.choice(["card", "cash"]),
        "share": draw.choice(["40", "0", "100"]),
    },
    "POST /api/buyers/forget": lambda known, path, draw: {
        "version": _held(known, "/api/buyers")["version"],
        "country": draw.choice([None, "PT"]),
    },
    "POST /api/checkouts/{storefront}/editions": lambda known, path, draw: _shown(known),
    "POST /api/checkouts/{storefront}/editions/{id}/again": lambda known, path, draw: {"note": "as before"},
    "PUT /api/checkouts/{storefront}/planned-edition": lambda known, path, draw: {
        **_shown(known),
        "at": "2027-03-01T09:00:00Z",
    },
    "PUT /api/checkouts/{storefront}/pause": lambda known, path, draw: {
        "opens_on": "2099-03-01",
        "said": "We are at sea.",
    },
    "POST /api/checkouts/{storefront}/rehearsal/play": lambda known, path, draw: {"cases": [CASE]},
    "POST /api/checkouts/{storefront}/ready/acceptances": lambda known, path, draw: {
        "id": _warning(known),
        "reason": "the printer has it",
    },
    "POST /api/gateways": lambda known, path, draw: {
        "name": "Own till",
        "address": "http://127.0.0.1:9",
        "parts": ["Key"],
    },
    "PUT /api/business": _business,
    "POST /api/new-provider": _new_provider,
    "POST /api/new-provider/preview": _new_provider,
    "POST /api/new-provider/month": _new_provider,
    "POST /api/new-provider/table/text": lambda known, path, draw: {
        "header": ["Method", "Percent"],
        "rows": [["Cards", draw.choice(["1.5", "0,9 %"])]],
        "columns": {"what": ["Method"], "percent": "Percent"},
        "currency": "EUR",
    },
    "POST /api/providers/file": lambda known, path, draw: _held(known, "/api/providers/orlenta/provider.json"),
    "PUT /api/providers/{provider}": lambda known, path, draw: _facts(known, path),
    "POST /api/clock": lambda known, path, draw: {"minutes": draw.choice([5, 60, 1440])},
    **dict.fromkeys(
        ("POST /api/shops/{shop}/orders", "POST /api/checkouts/{storefront}/orders"),
        lambda known, path, draw: {
            "order": draw.choice([BOAT, CHART]),
            "tender": draw.choice(["card", "bank-transfer", "online-banking"]),
        },
    ),
}
ACTS: dict[str, Callable[[Known, Mapping[str, str], Random], Any]] = {
    "/begin": lambda known, path, draw: {"mode": "test", "name": draw.choice([None, "Second"])},
    "/payout": lambda known, path, draw: {"payout": "main"},
    "/phone": lambda known, path, draw: {"phone": "912 345 678", "way": draw.choice(["text", "call"])},
    "/phone/code": _code,
    "{id}/send": lambda known, path, draw: {"answer": draw.choice(["", "We sell night boat tours."])},
    "/credentials": lambda known, path, draw: {"fields": {"key": "test_0000", "secret": "s" * 32}},
    "/email": lambda known, path, draw: {"email": "owner@cabonoite.example"},
    **dict.fromkeys(
        ("/elsewhere", "/elsewhere/would-change"),
        lambda known, path, draw: {"methods": ["card"], "since": "2024-05-01", "takings": "12000 EUR"},
    ),
    "/serves": lambda known, path, draw: {"storefronts": ["web-shop"], "pooled": False},
    "{token}/tender": lambda known, path, draw: {"tender": draw.choice(["card", "bank-transfer"])},
    "/receipt-refused": lambda known, path, draw: {"version": _version_of(known, path), "reason": "too small"},
    "/take": lambda known, path, draw: _amount(known, path, draw, "take"),
    "/refund": lambda known, path, draw: _amount(known, path, draw, "refund"),
    "/refund-double": lambda known, path, draw: _amount(known, path, draw, "refund_double"),
    "/credit": lambda known, path, draw: _amount(known, path, draw, "credit"),
    "{token}/send": lambda known, path, draw: {**_amount(known, path, draw, "send"), "note": "a parcel"},
    "/weigh": lambda known, path, draw: {**_amount(known, path, draw, "weigh"), "note": "0.9 kg"},
    "/rest-paid": lambda known, path, draw: {"version": _version_of(known, path)},
    "/rest-let-go": lambda known, path, draw: {"version": _version_of(known, path)},
    "/release": lambda known, path, draw: {"version": _version_of(known, path)},
    "/paid": lambda known, path, draw: {"version": _version_of(known, path)},
}


def _amount(known: Known, path: Mapping[str, str], draw: Random, act: str) -> Any:
    return {"version": _version_of(known, path), "amount": _can(known, path, act, draw)}


def _shown(known: Known) -> Any:
    return {"fingerprint": _held(known, "/api/checkouts/web-shop/publication")["fingerprint"]}


def _warning(known: Known) -> str:
    """The id of a warning of the list before publishing."""
    items = _held(known, "/api/checkouts/web-shop/ready")["items"]
    return str(next(item["id"] for item in items if item["weight"] == "warns" and not item["accepted"]))


def _matching(known: Known) -> Any:
    return known.keeper.client.post("/api/past-orders/files", content=PAST).json()["matching"]
