"""The number of examples that a property is tried on.

`make test` takes a fourth of what a property names, the same ones each time, so that what fails fails again; `make
quick` a tenth. `make soak` takes ten times as many, drawn anew.
"""

import os
from typing import Any

from hypothesis import settings

RUN = os.environ.get("MONEDERO_TESTS", "test")
SHARES = {"quick": 0.1, "test": 0.25, "soak": 10}
FEWEST = 10


def times(count: int) -> int:
    """So many times of what a test names, by the run that it is in; ten at the least."""
    return max(int(count * SHARES[RUN]), min(count, FEWEST))


def tried_on(examples: int, **more: Any) -> settings:
    """Settings of a property that is tried on so many examples, however long each takes."""
    return settings(max_examples=times(examples), deadline=None, derandomize=RUN != "soak", **more)
