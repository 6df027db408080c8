"""The simulated provider: what it signs is believed, and nothing else."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from monedero.core.errors import InvalidInput
from monedero.standins.provider import MOUNTED_AT, Outcome, Payment, SimulatedProvider

PROVIDER = SimulatedProvider("a shared secret")
PAYMENT = Payment(
    order="token",
    number=1001,
    attempt=2,
    shop="Cabo Noite",
    provider="Orlenta",
    method="Card",
    amount="85.00 EUR",
    mode="test",
    back="/return",
)


def signed() -> str:
    return PROVIDER.page_for(PAYMENT).removeprefix(f"{MOUNTED_AT}/pay/")


def test_a_payment_comes_back_as_it_was() -> None:
    assert PROVIDER.payment(signed()) == PAYMENT


@pytest.mark.parametrize("outcome", Outcome)
def test_an_answer_names_order_attempt_and_outcome(outcome: Outcome) -> None:
    answer = PROVIDER.read_answer(PROVIDER.answer(PAYMENT, outcome))
    assert (answer.order, answer.attempt, answer.outcome) == ("token", 2, outcome)


@given(st.integers(0, 400), st.sampled_from("abcXYZ019-_."))
def test_text_that_was_changed_anywhere_is_refused(place: int, other: str) -> None:
    text = PROVIDER.answer(PAYMENT, Outcome.DECLINED)
    place %= len(text)
    # The last character of a signature carries bits that decode to nothing; any other change must be seen.
    if text[place] == other or place == len(text) - 1:
        return
    with pytest.raises(InvalidInput):
        PROVIDER.read_answer(text[:place] + other + text[place + 1 :])


def test_a_payment_is_no_answer_and_another_key_signs_nothing() -> None:
    with pytest.raises(InvalidInput):
        PROVIDER.read_answer(signed())
    with pytest.raises(InvalidInput):
        SimulatedProvider("another secret").payment(signed())
