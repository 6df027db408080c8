"""Pictures that an owner gives, decoded and encoded anew: what is kept is what was seen, and nothing else.

PNG, JPEG and WebP are read, and written as WebP; what is larger than it can be shown is made smaller. Metadata, further
frames and whatever stands behind a picture are left out.

Source: ISO/IEC 15948 (PNG), ISO/IEC 10918-1 (JPEG), RFC 9649 (WebP), all by package `Pillow`.

>>> anew("boat.svg", b"<svg onload='alert(1)'/>")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: picture-kind file='boat.svg'
"""

import io
import warnings
from typing import NamedTuple

from PIL import Image, ImageOps, UnidentifiedImageError
from PIL.Image import DecompressionBombError, DecompressionBombWarning

from monedero.core.errors import FaultCode, refuse
from monedero.formats.paper import BROKEN, megabytes, short_name

LARGEST = 5 * 1024 * 1024
WIDEST = 1200
MOST_PIXELS = 40_000_000
KINDS = ("PNG", "JPEG", "WEBP")
MEDIA_TYPE = "image/webp"


class Encoded(NamedTuple):
    """A picture as it is kept, with its size in pixels."""

    body: bytes
    width: int
    height: int


def anew(name: str, content: bytes) -> Encoded:
    """A picture encoded anew; one of another kind, broken or too large is refused by the name of its file."""
    short = short_name(name)
    if len(content) > LARGEST:
        told = {"size": megabytes(len(content)), "largest": megabytes(LARGEST)}
        raise refuse(FaultCode.PICTURE_TOO_LARGE, "file", short, **told)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", DecompressionBombWarning)
            with Image.open(io.BytesIO(content), formats=KINDS) as picture:
                if picture.width * picture.height > MOST_PIXELS:
                    told = {"size": f"{picture.width} x {picture.height}", "largest": f"{MOST_PIXELS:,} pixels"}
                    raise refuse(FaultCode.PICTURE_TOO_LARGE, "file", short, **told)
                picture.load()
                upright = ImageOps.exif_transpose(picture)
                clear = "A" in upright.getbands() or "transparency" in upright.info
                plain = upright.convert("RGBA" if clear else "RGB")
    except UnidentifiedImageError:
        raise refuse(FaultCode.PICTURE_KIND, "file", short) from None
    except (DecompressionBombError, DecompressionBombWarning, *BROKEN):
        raise refuse(FaultCode.PICTURE_BROKEN, "file", short) from None
    plain.thumbnail((WIDEST, WIDEST))
    # Only what is seen goes on: neither metadata nor a profile.
    bare = Image.new(plain.mode, plain.size)
    bare.paste(plain)
    written = io.BytesIO()
    bare.save(written, "WEBP", quality=85, method=4)
    return Encoded(written.getvalue(), bare.width, bare.height)
