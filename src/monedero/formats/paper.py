"""Papers are judged by their content, never by their name: PDF, PNG and JPEG, whole and not too large.

Source: ISO 32000-1 (PDF, read by pypdf), ISO/IEC 15948 (PNG) and ISO/IEC 10918-1 (JPEG, both read by Pillow).

>>> judge("passport.pdf", b"GIF89a...")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: paper-kind file='passport.pdf'
"""

import io
import struct
import warnings
import zlib

from PIL import Image
from PIL.Image import DecompressionBombError, DecompressionBombWarning
from pypdf import PdfReader
from pypdf.errors import PyPdfError

from monedero.core.errors import FaultCode, refuse
from monedero.core.one_line import on_one_line

LARGEST = 5 * 1024 * 1024
PDF, PNG, JPEG = "application/pdf", "image/png", "image/jpeg"
BEGINNINGS = {b"%PDF-": PDF, b"\x89PNG\r\n\x1a\n": PNG, b"\xff\xd8\xff": JPEG}
# Other files that people choose by mistake, to say what was seen.
OTHERS = {
    b"PK\x03\x04": "a spreadsheet, a text document or a ZIP file",
    b"GIF8": "a GIF picture",
    b"RIFF": "a WebP picture or a sound",
    b"{\\rtf": "a text document",
    b"\xd0\xcf\x11\xe0": "an older text document or spreadsheet",
    b"MZ": "a program",
    b"<": "a web page or XML",
}
PDF_LOOKED_AT = 1024
# Readers of files raise these at bytes that are no such file.
BROKEN = (
    *(ArithmeticError, AssertionError, AttributeError, EOFError, LookupError, MemoryError, NotImplementedError),
    *(OSError, RecursionError, SyntaxError, TypeError, ValueError, struct.error, zlib.error),
)


def short_name(name: str) -> str:
    """The name of a file without its folders, short enough to be kept."""
    return on_one_line(name.replace("\\", "/").rpartition("/")[2])[:120] or "paper"


def judge(name: str, content: bytes) -> str:
    """The media type of a paper; one of another kind, empty, broken or too large is refused by its name."""
    short = short_name(name)
    if not content:
        raise refuse(FaultCode.PAPER_EMPTY, "file", short)
    if len(content) > LARGEST:
        raise refuse(
            FaultCode.PAPER_TOO_LARGE, "file", short, size=megabytes(len(content)), largest=megabytes(LARGEST)
        )
    kind = next((kind for start, kind in BEGINNINGS.items() if content.startswith(start)), None)
    if kind is None and b"%PDF-" in content[:PDF_LOOKED_AT]:
        kind = PDF
    if kind is None:
        seen = next((seen for start, seen in OTHERS.items() if content.startswith(start)), "of another kind")
        raise refuse(FaultCode.PAPER_KIND, "file", short, seen=seen)
    if not (_whole_pdf(content) if kind == PDF else _whole_picture(content)):
        raise refuse(FaultCode.PAPER_BROKEN, "file", short)
    return kind


def _whole_pdf(content: bytes) -> bool:
    try:
        reader = PdfReader(io.BytesIO(content))
        return not reader.is_encrypted and len(reader.pages) > 0
    except (PyPdfError, *BROKEN):
        return False


def _whole_picture(content: bytes) -> bool:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", DecompressionBombWarning)
            with Image.open(io.BytesIO(content)) as picture:
                picture.verify()
    except (DecompressionBombError, DecompressionBombWarning, *BROKEN):
        return False
    return True


def megabytes(size: int) -> str:
    """The size of a file, for reading."""
    return f"{size / 1_048_576:.1f} MB"
