"""Reviewing applications: it takes the provider's days, and ends as the reviewer was told; else in an approval."""

import secrets
from collections.abc import Mapping
from datetime import datetime, timedelta

from monedero.core.errors import Conflict, Fault, FaultCode, NotFound
from monedero.core.letter import Words
from monedero.core.provider import ConnectBy
from monedero.formats.gateway import ApplicationAsked, ApplicationHeld
from monedero.standins.provider.merchants import Holder, Merchants
from monedero.standins.provider.model import Review, Verdict
from monedero.standins.provider.world import World


class Reviews:
    """The applications to every provider that is played here."""

    def __init__(self, world: World, merchants: Merchants) -> None:
        """`merchants` is where an approval opens an account."""
        self._memory = world.memory
        self._facts = world.facts
        self._letters = world.letters
        self._now = world.now
        self._merchants = merchants

    def take_in(self, provider: str, asked: ApplicationAsked) -> ApplicationHeld:
        """Take an application in; its review begins."""
        reference = f"{provider[:3].upper()}-A-{secrets.token_hex(4)}"
        due = self._now() + timedelta(days=self._facts[provider].review_days)
        review = Review(reference=reference, provider=provider, asked=asked, due_at=due)
        self._put(review)
        return _held(review)

    def all(self) -> list[Review]:
        """Every application, in the sequence in which they came."""
        return self._memory.all(Review)

    def get(self, reference: str) -> Review:
        """An application by its reference."""
        review = self._memory.get(Review, reference)
        if review is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "application", reference, {"what": "application"}))
        return review

    def held(self, reference: str) -> ApplicationHeld:
        """Tells where an application stands."""
        return _held(self.get(reference))

    def answer(self, reference: str, answer: str, papers: Mapping[str, str]) -> ApplicationHeld:
        """Take the answer to a question, or a corrected application; the review goes on from its beginning."""
        with self._memory.together():
            review = self.get(reference)
            if review.state not in ("question", "refused"):
                raise Conflict(Fault(FaultCode.STAGE_NOT_FIT, "application", review.state))
            asked = review.asked.model_copy(update={"papers": {**review.asked.papers, **papers}})
            review = review.model_copy(
                update={
                    "asked": asked,
                    "state": "in-review",
                    "verdict": "approve",
                    "said": "",
                    "answers": [*review.answers, answer],
                    "due_at": self._now() + timedelta(days=self._facts[review.provider].review_days),
                }
            )
            self._put(review)
        return _held(review)

    def instruct(self, reference: str, verdict: Verdict, said: str, refused_method: str = "") -> None:
        """Tell the reviewer what the review of an application shall find."""
        with self._memory.together():
            update = {"verdict": verdict, "said": said, "refused_method": refused_method}
            self._put(self.get(reference).model_copy(update=update))

    def decide_now(self, reference: str) -> None:
        """End a review today."""
        with self._memory.together():
            self._put(self.get(reference).model_copy(update={"due_at": self._now()}))
        self.tick()

    def tick(self) -> None:
        """End every review that is due."""
        for review in self._memory.waiting(Review, by=self._now()):
            self._decide(review)

    def wait_until(self, reference: str, due: datetime) -> None:
        """Let a review be due at another moment."""
        self._put(self.get(reference).model_copy(update={"due_at": due}))

    def _put(self, review: Review) -> None:
        self._memory.put(review.reference, review, waits=review.state == "in-review", due=review.due_at)

    def _decide(self, review: Review) -> None:
        facts = self._facts[review.provider]
        asked = review.asked
        if review.verdict != "approve":
            state = "refused" if review.verdict == "refuse" else "question"
            self._put(review.model_copy(update={"state": state}))
            self._write(review, review.said)
            return
        with self._memory.together():
            refused = {review.refused_method: review.said} if review.refused_method else {}
            holder = Holder(asked.legal_name, asked.email, asked.country)
            merchant = self._merchants.open(review.provider, asked.mode, holder, refused)
            update = {"state": "approved", "number": merchant.number}
            self._put(review.model_copy(update=update))
        how = {
            ConnectBy.SIGN_IN: "Sign in from Monedero to connect it.",
            ConnectBy.CREDENTIALS: "Your credentials lie in our back office.",
            ConnectBy.EMAIL: "Give Monedero this address to connect it.",
        }
        self._write(review, f"Your account {merchant.number} is open. {how[facts.connects]}")

    def _write(self, review: Review, text: str) -> None:
        name = self._facts[review.provider].name
        words = Words(text, f"{name}: your application {review.reference}")
        self._letters.send("mail", name, review.asked.email, words)


def _held(review: Review) -> ApplicationHeld:
    said = review.said if review.state in ("question", "refused") else ""
    return ApplicationHeld(reference=review.reference, state=review.state, said=said, number=review.number)
