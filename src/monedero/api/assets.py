"""The scripts, styles and fonts of the pages: their names change with what is in them, so a browser asks once.

The build leaves scripts and styles also compressed beside themselves; a browser gets the smallest that it takes.
"""

from os import PathLike, stat_result

from fastapi.staticfiles import StaticFiles
from starlette.datastructures import Headers
from starlette.responses import Response
from starlette.types import Scope

FOR_GOOD = "public, max-age=31536000, immutable"
ENCODINGS = {"br": ".br", "gzip": ".gz"}
"""The codings of RFC 9110, the smaller first, with the ends of the names of the files."""
KINDS = {"css": "css", "js": "javascript"}
"""The media types that the build compresses, by the end of the name."""


class Assets(StaticFiles):
    """Files that browsers keep for good."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """A file, or what is left of it in a coding that the browser takes; other files are sent as they are."""
        taken = accepted(Headers(scope=scope).get("accept-encoding", ""))
        for encoding in (each for each in ENCODINGS if each in taken):
            _, found = self.lookup_path(path + ENCODINGS[encoding])
            if found:
                response = await super().get_response(path + ENCODINGS[encoding], scope)
                response.headers.update({"Content-Encoding": encoding, "Vary": "Accept-Encoding"})
                response.headers["Content-Type"] = f"text/{KINDS[path.rpartition('.')[2]]}; charset=utf-8"
                break
        else:
            response = await super().get_response(path, scope)
        return response

    def file_response(
        self, full_path: str | PathLike[str], stat_result: stat_result, scope: Scope, status_code: int = 200
    ) -> Response:
        """A file, to be kept for good."""
        response = super().file_response(full_path, stat_result, scope, status_code)
        response.headers["Cache-Control"] = FOR_GOOD
        return response


def accepted(header: str) -> set[str]:
    """The codings that an Accept-Encoding header takes; a weight of zero refuses one (RFC 9110, 12.5.3).

    >>> sorted(accepted("gzip, br;q=1.0, zstd; q=0"))
    ['br', 'gzip']
    """
    found = set()
    for entry in header.lower().split(","):
        coding, *parameters = (part.strip() for part in entry.split(";"))
        weights = [parameter[2:] for parameter in parameters if parameter.startswith("q=")]
        if not any(weight.strip("0.") == "" for weight in weights):
            found.add(coding)
    return found - {""}
