"""A file of kinds of buyer: bytes to `Buyers`, and the JSON Schema of the format.

Source: own design, format `monedero/buyers/1`; JSON Schema 2020-12.

>>> schema()["title"]
'monedero/buyers/1'
>>> read(b'{"format": "something/else"}')
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: format-unknown format='something/else'
"""

from typing import Any

from monedero.core.buyers.model import FORMAT, Buyers
from monedero.formats.own_format import read_own, schema_of


def read(content: bytes) -> Buyers:
    """Kinds of buyer from a file's bytes; refuses with every place that is wrong."""
    return read_own(content, FORMAT, Buyers)


def schema() -> dict[str, Any]:
    """The JSON Schema of the format."""
    return schema_of(Buyers, FORMAT)
