"""Pictures are decoded and encoded anew: what is kept is what was seen, and nothing else."""

import io
from typing import Any

import pytest
from PIL import Image

from monedero.core.errors import InvalidInput
from monedero.formats.picture import LARGEST, WIDEST, anew


def picture(kind: str, size: tuple[int, int] = (40, 20), mode: str = "RGB", **given: Any) -> bytes:
    written = io.BytesIO()
    Image.new(mode, size, 200 if mode in ("L", "P") else (200, 30, 30, 128)[: len(mode)]).save(
        written, kind, **given
    )
    return written.getvalue()


@pytest.mark.parametrize(
    ("kind", "mode"), [("PNG", "RGB"), ("PNG", "RGBA"), ("PNG", "P"), ("JPEG", "L"), ("WEBP", "RGB")]
)
def test_png_jpeg_and_webp_become_webp(kind: str, mode: str) -> None:
    kept = anew("boat.bin", picture(kind, mode=mode))
    with Image.open(io.BytesIO(kept.body)) as read:
        assert (read.format, read.size, kept.width, kept.height) == ("WEBP", (40, 20), 40, 20)
        assert (read.mode == "RGBA") == (mode == "RGBA")


def test_a_transparent_colour_stays_transparent() -> None:
    kept = anew("boat.png", picture("PNG", mode="P", transparency=0))
    with Image.open(io.BytesIO(kept.body)) as read:
        assert read.mode in ("RGBA", "RGB")


def test_what_hides_in_or_behind_a_picture_is_left_out() -> None:
    exif = Image.Exif()
    exif[0x010E] = "<script>alert(1)</script>"
    content = picture("JPEG", exif=exif.tobytes()) + b"<script>alert(2)</script>"
    kept = anew("boat.jpg", content)
    assert b"script" not in kept.body
    with Image.open(io.BytesIO(kept.body)) as read:
        assert not read.getexif()


def test_a_picture_stands_upright_and_is_made_smaller_where_it_is_large() -> None:
    exif = Image.Exif()
    exif[0x0112] = 6  # turned a quarter
    kept = anew("boat.jpg", picture("JPEG", (3000, 1500), exif=exif.tobytes()))
    assert (kept.width, kept.height) == (WIDEST // 2, WIDEST)


@pytest.mark.parametrize(
    ("content", "code"),
    [
        (b"", "picture-kind"),
        (b"<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>", "picture-kind"),
        (b"%PDF-1.7", "picture-kind"),
        (picture("GIF", mode="P"), "picture-kind"),
        (picture("PNG")[:60], "picture-broken"),
        (b"\x00" * (LARGEST + 1), "picture-too-large"),
        (picture("PNG", (8000, 6000), "L"), "picture-too-large"),
    ],
)
def test_what_is_no_picture_is_refused_by_its_file(content: bytes, code: str) -> None:
    with pytest.raises(InvalidInput) as refused:
        anew("boat.png", content)
    fault = refused.value.faults[0]
    assert (fault.code.value, fault.field, fault.value) == (code, "file", "boat.png")
