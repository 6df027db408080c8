"""Tells what a text leads to: a picture that is kept beside the shop, and a film somewhere on the web.

Source: RFC 3986 and RFC 9110 section 4.2.2 (https addresses); RFC 6234 (SHA-256, by which a picture is known).

>>> film_link("https://films.example/boat?v=2")
'https://films.example/boat?v=2'
>>> film_link("javascript:alert(1)")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: film-link ='javascript:alert(1)'
"""

from typing import Annotated

from pydantic import PlainValidator, StringConstraints, WithJsonSchema

from monedero.core.errors import FaultCode, InvalidInput, refuse
from monedero.core.fields import checked
from monedero.core.web_address import page_address


def film_link(text: str) -> str:
    """The address of a film, over HTTPS."""
    try:
        link = page_address(text.strip())
    except InvalidInput:
        link = ""
    if not link.lower().startswith("https://") or any(sign in link for sign in "\"'<>{}"):
        raise refuse(FaultCode.FILM_LINK, value=text[:80])
    return link


FilmLink = Annotated[
    str,
    PlainValidator(checked(film_link)),
    WithJsonSchema({"type": "string", "format": "uri", "description": "An https address"}),
]
PictureId = Annotated[str, StringConstraints(pattern="^[a-p]{32}$")]
"""The first half of the SHA-256 of a picture's bytes, in letters."""
