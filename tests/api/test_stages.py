"""Accounts of providers that exclude each other, done anything with in any sequence: never are both on."""

import random
from typing import Any

import pytest

from monedero.core.account import Mode
from tests.api.shopkeeper import Shopkeeper
from tests.api.test_accounts import add_paper, confirm_phone

# Quayling and Mirabou exclude each other: one is opened by credentials, the other by a mail.
PAIR = ("quayling", "mirabou")
ON_THE_WAY = {"begun", "in-review", "question", "approved", "connected"}
# The acts, and how often each is done among the others.
ACTS = {"begin": 3, "send": 3, "answer": 2, "review": 4, "connect": 2, "withdraw": 1} | {
    "disconnect": 1,
    "reconnect": 1,
    "close": 1,
}
STEPS = 160


class Office:
    """An owner and a reviewer who do one thing after another, whether it fits or not."""

    def __init__(self, keeper: Shopkeeper, chance: random.Random) -> None:
        self.keeper, self.chance = keeper, chance
        self.answers: list[int] = []

    def stages(self) -> dict[str, str]:
        """Tells where the accounts stand, once the providers were asked."""
        running = self.keeper.running
        held = running.store.accounts.of(Mode.LIVE)
        return {
            id: running.connections.refresh(running.applications.refresh(one)).stage.value
            for id, one in held.items()
        }

    def post(self, path: str, body: Any = None) -> Any:
        answer = self.keeper.client.post(path, json=body, params={"mode": "live"})
        self.answers.append(answer.status_code)
        return answer.json() if answer.content else None

    def act(self, what: str, provider: str) -> None:
        at = f"/api/accounts/{provider}"
        match what:
            case "begin":
                begun = self.post(f"{at}/begin", {"mode": "live"})
                # One that is under way already stays as it is; only one that is begun is filled in.
                if begun.get("stage") == "begun":
                    confirm_phone(self.keeper, provider, "live")
                    self.post(f"{at}/terms")
            case "send":
                self.post(f"{at}/send", {})
            case "answer":
                self.post(f"{at}/send", {"answer": "here it is"})
            case "review":
                self.review(provider)
            case "connect":
                self.connect(provider, at)
            case "close":
                for merchant in self.merchants(provider):
                    self.keeper.office(provider, f"merchants/{merchant.number}/close")
            case _:
                self.post(f"{at}/{what}")

    def review(self, provider: str) -> None:
        verdict = self.chance.choice(["refuse", "ask", "approve"])
        for review in self.keeper.running.provider.reviews.all():
            if review.provider == provider and review.state == "in-review":
                path = f"reviews/{review.reference}"
                self.keeper.office(provider, path, verdict=verdict, said="what is this?", now=True)

    def merchants(self, provider: str) -> list[Any]:
        everyone = self.keeper.running.provider.merchants.all()
        return [one for one in everyone if (one.provider, one.mode) == (provider, "live") and one.credentials]

    def connect(self, provider: str, at: str) -> None:
        if not self.merchants(provider):
            self.keeper.office(provider, "merchants", mode="live", holder="Cabo Noite")
        if provider == "mirabou":
            self.post(f"{at}/email", {"email": "owner@shop.example"})
            letters = [letter for letter in self.keeper.get("/api/letters")["letters"] if letter["link"]]
            if letters:
                self.keeper.client.get(letters[0]["link"], follow_redirects=False)
        else:
            self.post(f"{at}/credentials", {"fields": self.merchants(provider)[-1].credentials[0].fields})


@pytest.mark.parametrize("seed", [2, 3, 5])
def test_two_that_exclude_each_other_are_never_both_on_the_way(keeper: Shopkeeper, seed: int) -> None:
    chance = random.Random(seed)
    for kind in ("register-extract", "yearly-accounts", "card-data-answers"):
        add_paper(keeper, kind)
    office = Office(keeper, chance)
    seen: set[str] = set()
    for _ in range(STEPS):
        [what] = chance.choices(list(ACTS), list(ACTS.values()))
        provider = chance.choice(PAIR)
        before = office.stages()
        office.act(what, provider)
        after = office.stages()
        on_the_way = [name for name, stage in after.items() if stage in ON_THE_WAY]
        assert len(on_the_way) <= 1, f"{what} {provider}: {before} became {after}"
        seen |= set(after.values())
    assert max(office.answers) < 500
    assert seen >= {"begun", "in-review", "question", "refused", "withdrawn", "connected"}
