"""Pictures for texts and ways to pay."""

from monedero.core.card_number import holds_one
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput
from monedero.formats import picture
from monedero.store import Store
from monedero.store.pictures import Picture

AT_MOST = 200


def add_picture(store: Store, name: str, content: bytes) -> Picture:
    """Keep a picture, encoded anew; refused where it is none, too large, or where there are too many already."""
    if holds_one(name):
        raise InvalidInput(Fault(FaultCode.CARD_NUMBER, "file"))
    encoded = picture.anew(name, content)
    if (count := store.pictures.count()) >= AT_MOST:
        raise Conflict(Fault(FaultCode.PAPERS_MANY, "file", str(count)))
    return store.pictures.add(picture.MEDIA_TYPE, encoded.width, encoded.height, encoded.body)
