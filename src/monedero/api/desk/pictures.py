"""Pictures that buyers see: taken in by the desk, decoded and encoded anew, and given out as they are kept."""

from typing import Annotated

from fastapi import APIRouter, File, Response, UploadFile
from pydantic import BaseModel

from monedero.api.assets import FOR_GOOD
from monedero.api.desk.door import ContextDep, RunningDep
from monedero.api.hooks.door import ShopsDep
from monedero.api.problems import PROBLEMS
from monedero.core.account import Mode
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.formats.markdown import PICTURES
from monedero.formats.picture import LARGEST
from monedero.work.checkout.pictures import add_picture

router = APIRouter(prefix="/api/pictures", tags=["checkout"], responses=PROBLEMS)


class PictureOut(BaseModel):
    """A picture that is kept: its id, where it lies, and its size in pixels."""

    mode: Mode
    id: str
    at: str
    width: int
    height: int


@router.post("", status_code=201)
def keep_picture(running: RunningDep, context: ContextDep, file: Annotated[UploadFile, File()]) -> PictureOut:
    """Keep a PNG, JPEG or WebP picture; what is larger than it can be shown is made smaller."""
    kept = add_picture(running.store, file.filename or "", file.file.read(LARGEST + 1))
    return PictureOut(
        mode=context.mode, id=kept.id, at=f"{PICTURES}{kept.id}", width=kept.width, height=kept.height
    )


@router.get("/{id}", response_class=Response)
def read_picture(shops: ShopsDep, id: str) -> Response:
    """A picture, for any page that shows it."""
    for running in shops:
        if found := running.store.pictures.get(id):
            # A picture is known by its bytes, so that it never changes.
            return Response(found.body, media_type=found.media_type, headers={"Cache-Control": FOR_GOOD})
    raise NotFound(Fault(FaultCode.NOT_FOUND, "picture", id[:40], {"what": "picture"}))
