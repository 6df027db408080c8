"""The code of a voucher: 120 random bits, written so that it can be read aloud and typed, and kept as a digest alone.

Whatever case and separators it is typed in, and whether O or I was meant as a digit, it is the same code.

Source: RFC 4648 section 6 (base 32) over letters and digits that are not mistaken for one another (own design);
RFC 6234 (SHA-256).

>>> code_of(bytes(range(15)))
'000G-40R4-0M30-E209-185G-R38E'
>>> read_code("000g 40r4 om30 e2o9 i85g r38e") == read_code("000G-40R4-0M30-E209-185G-R38E")
True
>>> read_code("hello")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: voucher-code ='hello'
"""

import base64
import hashlib

from monedero.core.errors import FaultCode, refuse

RANDOM_BYTES = 15
LENGTH = 24
STANDARD, READABLE = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567", "0123456789ABCDEFGHJKMNPQRSTVWXYZ"
WRITTEN = str.maketrans(STANDARD, READABLE)
MEANT = str.maketrans({"O": "0", "I": "1", "L": "1", **dict.fromkeys(" -\t.\u2010\u2011\u2013", "")})


def code_of(random: bytes) -> str:
    """The code that stands for 15 random bytes."""
    plain = base64.b32encode(random).decode().translate(WRITTEN)
    return "-".join(plain[start : start + 4] for start in range(0, LENGTH, 4))


def read_code(text: str) -> str:
    """A code as it was typed, without what separates it."""
    plain = text.strip().upper().translate(MEANT)
    if len(plain) != LENGTH or any(sign not in READABLE for sign in plain):
        raise refuse(FaultCode.VOUCHER_CODE, value=text[:40])
    return plain


def digest_of(code: str) -> str:
    """Makes the digest of a code that is kept; a random code of this length cannot be found from it."""
    return hashlib.sha256(read_code(code).encode()).hexdigest()


def ends_in(code: str) -> str:
    """The last four signs of a code, to tell vouchers apart by."""
    return read_code(code)[-4:]
