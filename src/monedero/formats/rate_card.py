"""A rate-card file: bytes to a `RateCard` and back, and the JSON Schema of the format.

Source: own design, format `monedero/rate-card/1`; JSON Schema 2020-12.

>>> schema()["title"]
'monedero/rate-card/1'
>>> read(b'{"format": "something/else"}')
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='something/else'
"""

from typing import Any

from monedero.core.ratecard.model import FORMAT, RateCard
from monedero.formats.own_format import bytes_of, read_own, schema_of


def read(content: bytes) -> RateCard:
    """A rate card from a file's bytes; refuses with every place that is wrong."""
    return read_own(content, FORMAT, RateCard)


def write(card: RateCard) -> bytes:
    """The file of a rate card; keys that were not given are left out."""
    return bytes_of(card.model_dump(mode="json", exclude_unset=True, by_alias=True))


def schema() -> dict[str, Any]:
    """The JSON Schema of the format."""
    return schema_of(RateCard, FORMAT)
