"""The mode that an answer is about: the one that is asked for, else the one that the shop's checkout is in.

It is handed on with the request, so that the header of an answer and its body always say the same.
"""

from typing import Annotated

from fastapi import Depends, Request
from starlette.types import Scope

from monedero.core.account import Mode
from monedero.store import FIRST_MODE


def mode_of(scope: Scope) -> Mode:
    """The mode of a request; the first one where nothing was asked of a shop."""
    mode: Mode = scope.get("state", {}).get("mode", FIRST_MODE)
    return mode


async def asked_mode(request: Request, mode: Mode = FIRST_MODE) -> Mode:
    """The mode that a request asks for by its address."""
    request.state.mode = mode
    return mode


ModeDep = Annotated[Mode, Depends(asked_mode)]
