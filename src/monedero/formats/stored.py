"""Bodies as they are stored: the JSON of a model, with the format in which it was written as its first key.

A body of an earlier format is read through small functions, each from one format to the next. It is not rewritten, so
that an edition keeps the bytes it was published with. A body without a format is of format 1. Rate cards carry a format
of their own (`monedero/rate-card/1`) and are stored as they stand in files.

Source: own design; RFC 8259.

>>> from monedero.core.profile import Profile
>>> written(Profile())
'{"format":1,"source":"typed","cells":[],"cards":[],"buyers":[]}'
>>> read(written(Profile()), Profile) == Profile()
True
>>> read('{"format":9,"source":"typed"}', Profile)
Traceback (most recent call last):
...
monedero.core.errors.Conflict: body-newer format='9'
"""

import json
from typing import TypeVar

from pydantic import BaseModel

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.formats.stored_upgrades import UPGRADES

M = TypeVar("M", bound=BaseModel)
KEY = "format"


def format_of(model: type[BaseModel]) -> int:
    """The format in which bodies of a model are written today: one more than there are steps to it."""
    return len(UPGRADES.get(model.__name__, ())) + 1


def written(value: BaseModel) -> str:
    """The body of a value."""
    head, body = f'{{"{KEY}":{format_of(type(value))}', value.model_dump_json(by_alias=True)
    return f"{head}}}" if body == "{}" else f"{head},{body[1:]}"


def read(body: str | bytes, model: type[M]) -> M:
    """The value of a body, brought to the format of today; refuses one that a later Monedero wrote."""
    text = body.decode() if isinstance(body, bytes) else body
    today = format_of(model)
    head = f'{{"{KEY}":{today},'
    if text.startswith(head):
        return model.model_validate_json("{" + text[len(head) :])
    value = json.loads(text)
    found = value.pop(KEY, 1)
    if found > today:
        told = {"today": str(today), "what": model.__name__}
        raise Conflict(Fault(FaultCode.BODY_NEWER, KEY, str(found), told))
    for upgrade in UPGRADES.get(model.__name__, ())[found - 1 :]:
        upgrade(value)
    return model.model_validate_json(json.dumps(value))
