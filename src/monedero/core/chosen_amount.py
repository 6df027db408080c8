"""An amount that the buyer of a line chooses: from one amount to another, with the usual one of the line between them.

The amount is what the goods come to, without delivery. In another currency the limits are brought over at the reference
rate, rounded towards one another; where there is none, nobody is held to them.

Source: own design; a price that a buyer sets is common practice, no source.

>>> ChosenAmount.model_validate({"from": "5.00 EUR", "to": "50.00 EUR"}).to
Money(minor=5000, currency='EUR')
>>> ChosenAmount.model_validate({"from": "50.00 EUR", "to": "5.00 EUR"})
Traceback (most recent call last):
...
pydantic_core._pydantic_core.ValidationError: 1 validation error for ChosenAmount
  limits-crossed [type=limits-crossed, input_value={'from': '50.00 EUR', 'to': '5.00 EUR'}, input_type=dict]
"""

from typing import Self

from pydantic import Field, model_validator

from monedero.core.fields import MoneyPositive, Strict, ordered


class ChosenAmount(Strict):
    """The least and the most that a buyer may choose, both included."""

    from_: MoneyPositive = Field(alias="from")
    to: MoneyPositive

    @model_validator(mode="after")
    def _consistent(self) -> Self:
        ordered(self.from_, self.to, touching=True)
        return self
