"""A provider as a file: what it is besides its prices, and its rate card where the file holds one.

Source: own design, format `monedero/provider/1`; JSON Schema 2020-12.

>>> facts = ProviderFacts(id="larkhithe", name="Larkhithe", about="Cards.", contract="all-in-one", review_days=3)
>>> read(write(facts, None)) == (facts, None)
True
>>> read(b'{"format": "monedero/provider/2"}')
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='monedero/provider/2'
"""

from typing import Any, Literal, Self

from pydantic import model_validator

from monedero.core.errors import FaultCode
from monedero.core.fields import broken
from monedero.core.provider import ProviderFacts
from monedero.core.ratecard.model import RateCard
from monedero.formats.own_format import bytes_of, read_own, schema_of

FORMAT = "monedero/provider/1"


class ProviderFile(ProviderFacts):
    """The file: the facts, the name of the format, and a rate card of the same provider."""

    format: Literal["monedero/provider/1"]
    rate_card: RateCard | None = None

    @model_validator(mode="after")
    def _of_one_provider(self) -> Self:
        if self.rate_card is not None and self.rate_card.provider.id != self.id:
            other = self.rate_card.provider.id
            raise broken(FaultCode.REFERENCE_DANGLING, what="provider", value=other, where=self.id)
        return self


def read(content: bytes) -> tuple[ProviderFacts, RateCard | None]:
    """The facts and the rate card of a file; refuses with every place that is wrong."""
    file = read_own(content, FORMAT, ProviderFile)
    facts = {name: getattr(file, name) for name in ProviderFacts.model_fields}
    return ProviderFacts.model_construct(**facts), file.rate_card


def write(facts: ProviderFacts, card: RateCard | None) -> bytes:
    """The file of a provider; what is as it is by default is left out."""
    value: dict[str, Any] = {
        "format": FORMAT,
        **facts.model_dump(mode="json", exclude_defaults=True, exclude={"example"}),
    }
    if card is not None:
        value["rate_card"] = card.model_dump(mode="json", by_alias=True, exclude_defaults=True)
    return bytes_of(value)


def schema() -> dict[str, Any]:
    """The JSON Schema of the format."""
    return schema_of(ProviderFile, FORMAT)
