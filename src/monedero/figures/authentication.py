"""When strong authentication of a buyer is to be expected, as dated data.

Source: `authentication.json`; each rule names its own. Its areas are those of `law.json`.

>>> [rule.id for rule in rules()]
['eea', 'uk']
"""

import json
from datetime import date
from functools import cache
from importlib.resources import files

from monedero.core.checkout.authentication import AuthenticationRule
from monedero.core.money import Money
from monedero.figures.law import areas


@cache
def rules() -> tuple[AuthenticationRule, ...]:
    """Every rule, in the sequence of the data file."""
    data = json.loads(files("monedero.figures").joinpath("authentication.json").read_text("utf-8"))
    return tuple(
        AuthenticationRule(
            id=entry["id"],
            countries=areas()[entry["area"]],
            families=frozenset(entry["families"]),
            small=Money.parse(entry["small"]),
            source=entry["source"],
            read_on=date.fromisoformat(entry["read_on"]),
        )
        for entry in data
    )
