"""The scripts, styles and fonts of the pages: their names change with what is in them, so a browser asks once."""

from os import PathLike, stat_result

from fastapi.staticfiles import StaticFiles
from starlette.responses import Response
from starlette.types import Scope

FOR_GOOD = "public, max-age=31536000, immutable"


class Assets(StaticFiles):
    """Files that browsers keep for good."""

    def file_response(
        self, full_path: str | PathLike[str], stat_result: stat_result, scope: Scope, status_code: int = 200
    ) -> Response:
        """A file, to be kept for good."""
        response = super().file_response(full_path, stat_result, scope, status_code)
        response.headers["Cache-Control"] = FOR_GOOD
        return response
