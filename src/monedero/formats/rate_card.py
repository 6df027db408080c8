"""A rate-card file: bytes to a `RateCard` and back, and the JSON Schema of the format.

Source: own design, format `monedero/rate-card/1`; JSON Schema 2020-12.

>>> schema()["title"]
'monedero/rate-card/1'
>>> read(b'{"format": "something/else"}')
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='something/else'
"""

import json
from typing import Any

from monedero.core.errors import FaultCode, refuse
from monedero.core.ratecard.model import FORMAT, RateCard
from monedero.formats.json_text import read_json, read_model, shown


def read(content: bytes) -> RateCard:
    """A rate card from a file's bytes; refuses with every place that is wrong."""
    value = read_json(content)
    found = value.get("format") if isinstance(value, dict) else value
    if found != FORMAT:
        raise refuse(FaultCode.FORMAT_UNKNOWN, "format", shown(found), expected=FORMAT)
    return read_model(content, RateCard)


def write(card: RateCard) -> bytes:
    """The file of a rate card; keys that were not given are left out."""
    value = card.model_dump(mode="json", exclude_unset=True, by_alias=True)
    return (json.dumps(value, indent=2, ensure_ascii=False) + "\n").encode()


def schema() -> dict[str, Any]:
    """The JSON Schema of the format."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        **RateCard.model_json_schema(by_alias=True),
        "title": FORMAT,
    }
