"""Pictures that buyers see: known by their bytes, so that one that is kept never changes."""

import hashlib
from typing import NamedTuple

from peewee import SqliteDatabase

from monedero.core.card_number import lettered
from monedero.store.tables import PictureRow


class Picture(NamedTuple):
    """A picture, encoded anew."""

    id: str
    media_type: str
    width: int
    height: int
    body: bytes


class Pictures:
    """The pictures of a shop."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def add(self, media_type: str, width: int, height: int, body: bytes) -> Picture:
        """Keep a picture; one that is there already stays as it is."""
        picture = Picture(lettered(hashlib.sha256(body).hexdigest()[:32]), media_type, width, height, body)
        PictureRow.insert(**picture._asdict()).on_conflict_ignore().execute(self._database)
        return picture

    def get(self, id: str) -> Picture | None:
        """A picture by its id."""
        row = PictureRow.select().where(PictureRow.id == id).first(self._database)
        return None if row is None else Picture(row.id, row.media_type, row.width, row.height, bytes(row.body))

    def count(self) -> int:
        """How many there are."""
        return int(PictureRow.select().count(self._database))
