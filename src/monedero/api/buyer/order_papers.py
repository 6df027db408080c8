"""Tells what a buyer's page shows or lets save beside its words: codes for a banking app or a counter, and the
invoice.
"""

from fastapi import Response

from monedero.api.buyer.door import OfOrderDep, buyers_router
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.papers.paper import Counter, Invoice, Transfer
from monedero.figures import methods
from monedero.formats.bar_code import as_svg as bar_code_svg
from monedero.formats.euro_code import as_svg as euro_code_svg
from monedero.formats.euro_code import euro_code
from monedero.letters.invoice import invoice_pdf
from monedero.work.orders.buyer_papers import paper_of

router = buyers_router()
SVG = "image/svg+xml"


@router.get("/api/orders/{token}/transfer.svg", response_class=Response)
def read_transfer_code(running: OfOrderDep, token: str) -> Response:
    """The transfer as a QR code that banking apps read (EPC069-12)."""
    record = running.intake.record(token)
    paper = paper_of(running.intake.of_record.snapshot(record), record)
    account = paper.account if isinstance(paper, Transfer | Invoice) else None
    if not isinstance(paper, Transfer | Invoice) or account is None or not account.takes_euro_code(methods.sepa()):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "transfer", token, {"what": "transfer"}))
    code = euro_code(account.holder, account.iban or "", record.payment.total, paper.reference)
    return Response(euro_code_svg(code), media_type=SVG)


@router.get("/api/orders/{token}/number.svg", response_class=Response)
def read_number_bars(running: OfOrderDep, token: str) -> Response:
    """The number of a counter voucher as a bar code."""
    record = running.intake.record(token)
    paper = paper_of(running.intake.of_record.snapshot(record), record)
    if not isinstance(paper, Counter):
        raise NotFound(Fault(FaultCode.NOT_FOUND, "number", token, {"what": "number"}))
    return Response(bar_code_svg(paper.number), media_type=SVG)


@router.get("/api/orders/{token}/invoice.pdf", response_class=Response)
def read_invoice(running: OfOrderDep, token: str) -> Response:
    """The invoice of an order as a PDF."""
    record = running.intake.record(token)
    content = invoice_pdf(running.intake.of_record.snapshot(record), record)
    name = f"invoice-{record.number}.pdf"
    return Response(
        content, media_type="application/pdf", headers={"Content-Disposition": f'attachment; filename="{name}"'}
    )
