"""How many examples a property is tried on: all that it names in `make test`, a fifth of them in `make quick`."""

import os
from typing import Any

from hypothesis import settings

QUICK = os.environ.get("MONEDERO_TESTS") == "quick"


def tried_on(examples: int, **more: Any) -> settings:
    """Settings of a property that is tried on so many examples, however long each takes."""
    return settings(max_examples=max(examples // 5, 10) if QUICK else examples, deadline=None, **more)
