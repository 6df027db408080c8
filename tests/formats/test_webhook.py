"""Signed notifications and papers: what is believed, and what is judged by its content."""

import base64
import hashlib
import hmac
import io
from datetime import UTC, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image
from pypdf import PdfWriter

from monedero.core.errors import FaultCode, InvalidInput
from monedero.demo import paper as blank_pdf
from monedero.formats import webhook
from monedero.formats.paper import JPEG, LARGEST, PDF, PNG, judge

# Source: Standard Webhooks 1.0.0, its published example of a secret, an id, a moment and a body.
SECRET = "whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw"
ID = "msg_p5jXN8AQM9LWM0D4loKWxJek"
AT = datetime.fromtimestamp(1614265330, UTC)
BODY = b'{"test": 2432232314}'
SIGNATURE = "v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE="


def headers(**changed: str | None) -> dict[str, str]:
    held: dict[str, str | None] = {
        "webhook-id": ID,
        "webhook-timestamp": "1614265330",
        "webhook-signature": SIGNATURE,
        **{name.replace("_", "-"): text for name, text in changed.items()},
    }
    return {name: text for name, text in held.items() if text is not None}


def test_the_published_example_is_signed_and_verified() -> None:
    assert webhook.signed(SECRET, ID, AT, BODY) == headers()
    assert webhook.verified([SECRET], headers(), BODY, AT) == webhook.SignedMessage(ID, AT)
    key = base64.b64decode(SECRET.removeprefix("whsec_"))
    by_hand = hmac.new(key, b"%s.1614265330.%s" % (ID.encode(), BODY), hashlib.sha256).digest()
    assert "v1," + base64.b64encode(by_hand).decode() == SIGNATURE


@pytest.mark.parametrize("seconds", [0, -290, 290, -300, 300])
def test_a_message_may_be_five_minutes_off(seconds: int) -> None:
    assert webhook.verified([SECRET], headers(), BODY, AT + timedelta(seconds=seconds)).id == ID


@pytest.mark.parametrize("seconds", [-310, 310, 86_400, -(10**8)])
def test_an_older_or_a_coming_one_is_refused(seconds: int) -> None:
    with pytest.raises(InvalidInput) as refused:
        webhook.verified([SECRET], headers(), BODY, AT + timedelta(seconds=seconds))
    assert refused.value.faults[0].code is FaultCode.NOTICE_OLD


@pytest.mark.parametrize(
    "given",
    [
        headers(webhook_signature=f"v1,AAAA {SIGNATURE}"),
        {name.title(): text for name, text in headers().items()},
        headers(webhook_signature=f"nothing {SIGNATURE}"),
    ],
)
def test_a_right_signature_is_found_among_others_and_under_any_case(given: dict[str, str]) -> None:
    assert webhook.verified([webhook.new_secret(), SECRET], given, BODY, AT).id == ID


@pytest.mark.parametrize(
    ("given", "body"),
    [
        (headers(), BODY + b" "),
        (headers(), b"\xff"),
        (headers(webhook_signature=SIGNATURE.replace("v1,", "v2,")), BODY),
        (headers(webhook_signature="nocomma"), BODY),
        (headers(webhook_signature="ä"), BODY),
        (headers(webhook_id=None), BODY),
        (headers(webhook_id=""), BODY),
        (headers(webhook_id="m" * 300), BODY),
        (headers(webhook_timestamp="soon"), BODY),
        (headers(webhook_timestamp="9" * 30), BODY),
        (headers(webhook_timestamp="-1614265330"), BODY),
        (headers(webhook_timestamp="1614265331"), BODY),
        ({}, BODY),
    ],
)
def test_anything_else_is_forged(given: dict[str, str], body: bytes) -> None:
    with pytest.raises(InvalidInput) as refused:
        webhook.verified([SECRET], given, body, AT)
    assert refused.value.faults[0].code is FaultCode.NOTICE_FORGED


@given(st.binary(max_size=200), st.text(alphabet="abc123_", min_size=1, max_size=40))
def test_what_one_secret_signs_no_other_verifies(body: bytes, message: str) -> None:
    text = base64.b64encode(body)
    secret = webhook.new_secret()
    signed = webhook.signed(secret, message, AT, text)
    assert webhook.verified([secret], signed, text, AT).id == message
    with pytest.raises(InvalidInput):
        webhook.verified([webhook.new_secret()], signed, text, AT)
    with pytest.raises(InvalidInput):
        webhook.verified([], signed, text, AT)


def picture(kind: str) -> bytes:
    written = io.BytesIO()
    Image.new("RGB", (40, 30), "white").save(written, kind)
    return written.getvalue()


def locked_pdf() -> bytes:
    writer = PdfWriter()
    writer.add_blank_page(200, 200)
    writer.encrypt("secret", algorithm="RC4-128")
    written = io.BytesIO()
    writer.write(written)
    return written.getvalue()


@pytest.mark.parametrize(
    ("content", "kind"),
    [
        (blank_pdf(), PDF),
        (b"\xef\xbb\xbf\n" + blank_pdf(), PDF),
        (picture("PNG"), PNG),
        (picture("JPEG"), JPEG),
    ],
)
def test_a_paper_is_known_by_its_content_whatever_its_name(content: bytes, kind: str) -> None:
    assert judge("holiday.exe", content) == kind


@pytest.mark.parametrize(
    ("content", "code", "word"),
    [
        (b"", FaultCode.PAPER_EMPTY, ""),
        (b"PK\x03\x04 a spreadsheet", FaultCode.PAPER_KIND, "a spreadsheet, a text document or a ZIP file"),
        (b"MZ a program", FaultCode.PAPER_KIND, "a program"),
        (b"<html>", FaultCode.PAPER_KIND, "a web page or XML"),
        (b"some words", FaultCode.PAPER_KIND, "of another kind"),
        (picture("GIF"), FaultCode.PAPER_KIND, "a GIF picture"),
        (b"%PDF-1.7 and nothing more", FaultCode.PAPER_BROKEN, ""),
        (locked_pdf(), FaultCode.PAPER_BROKEN, ""),
        (picture("PNG")[:60], FaultCode.PAPER_BROKEN, ""),
        (b"\xff\xd8\xff and nothing more", FaultCode.PAPER_BROKEN, ""),
        (b"%PDF-" + b"x" * LARGEST, FaultCode.PAPER_TOO_LARGE, ""),
    ],
)
def test_a_paper_of_the_wrong_kind_broken_or_too_large_is_refused(
    content: bytes, code: FaultCode, word: str
) -> None:
    with pytest.raises(InvalidInput) as refused:
        judge("C:\\papers\\identity.pdf", content)
    fault = refused.value.faults[0]
    assert (fault.code, fault.value) == (code, "identity.pdf")
    assert fault.fields.get("seen", "") == word


def test_a_picture_that_would_fill_the_memory_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(Image, "MAX_IMAGE_PIXELS", 100)
    with pytest.raises(InvalidInput):
        judge("large.png", picture("PNG"))
