"""The QR code of a SEPA credit transfer, which banking apps read and fill a transfer in from.

Source: EPC069-12 version 002 (package `segno`); ISO/IEC 18004.

>>> code = euro_code("Example Merchant Ltd", "DE89370400440532013000", Money(1230, "EUR"), "RF18539007547034")
>>> code.designator
'5-M'
"""

import io
from decimal import Decimal

from segno import QRCode
from segno.helpers import make_epc_qr

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.core.money import Money

LONGEST_NAME = 70
SMALLEST, LARGEST = 1, 99_999_999_999
"""From 0.01 to 999999999.99 euro."""


def euro_code(holder: str, iban: str, amount: Money, reference: str) -> QRCode:
    """The code for an amount in euro to an IBAN with an ISO 11649 reference; both are checked before they come here."""
    if amount.currency != "EUR" or not SMALLEST <= amount.minor <= LARGEST:
        raise InvalidInput(Fault(FaultCode.AMOUNT_NEGATIVE, "amount", str(amount)))
    # UTF-8, so that a reader need not guess how a name is written.
    return make_epc_qr(holder[:LONGEST_NAME], iban, Decimal(amount.amount), reference=reference, encoding="utf-8")


def as_svg(code: QRCode) -> str:
    """The code as a drawing, without a size of its own."""
    written = io.BytesIO()
    code.save(written, kind="svg", border=4, xmldecl=False, omitsize=True, nl=False, dark="#000", light="#fff")
    return written.getvalue().decode()
