"""The simulated provider: it takes a payment, lets the tester choose an outcome, and sends the buyer back.

It plays every invented provider by its name. It keeps nothing: what it must remember travels in signed text, so
that a payment begun before a restart ends after it. The shop believes an answer only where the signature holds.
"""

from enum import StrEnum
from typing import Any

from itsdangerous import BadSignature, URLSafeSerializer
from pydantic import BaseModel

from monedero.core.errors import Fault, FaultCode, InvalidInput

MOUNTED_AT = "/simulated-provider"


class Outcome(StrEnum):
    """How a payment can end."""

    PAID = "paid"
    DECLINED = "declined"


class Payment(BaseModel):
    """What a shop asks of the provider. `back` is the path to which the buyer returns with the answer."""

    order: str
    number: int
    attempt: int
    shop: str
    provider: str
    method: str
    amount: str
    mode: str
    back: str


class Answer(BaseModel):
    """What the provider tells the shop."""

    order: str
    attempt: int
    outcome: Outcome


class SimulatedProvider:
    """Signs and reads what passes between a shop and the provider."""

    def __init__(self, key: str) -> None:
        """`key` is the secret that the shop and the provider share."""
        self._payments = URLSafeSerializer(key, salt="payment")
        self._answers = URLSafeSerializer(key, salt="answer")

    def page_for(self, payment: Payment) -> str:
        """The path of the provider's page for a payment."""
        return f"{MOUNTED_AT}/pay/{self._payments.dumps(payment.model_dump())}"

    def payment(self, signed: str) -> Payment:
        """The payment of a page; refuses one that the shop did not begin."""
        return Payment.model_validate(_opened(self._payments, signed))

    def answer(self, payment: Payment, outcome: Outcome) -> str:
        """The signed answer to a payment."""
        answer = Answer(order=payment.order, attempt=payment.attempt, outcome=outcome)
        return str(self._answers.dumps(answer.model_dump(mode="json")))

    def read_answer(self, signed: str) -> Answer:
        """An answer that came back; refuses one without the provider's signature."""
        return Answer.model_validate(_opened(self._answers, signed))


def _opened(serializer: URLSafeSerializer, signed: str) -> Any:
    try:
        return serializer.loads(signed)
    except BadSignature as forged:
        raise InvalidInput(Fault(FaultCode.RETURN_FORGED, "answer", signed[:20])) from forged
