"""The invoice of an order as a file, worded for its buyer; its number and what it says stay as they were then."""

from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.core.papers.paper import Invoice
from monedero.core.record import OrderRecord
from monedero.formats.invoice_pdf import InvoiceText, as_pdf
from monedero.wording.after_paying import fee_name, line_called
from monedero.wording.buyer_formats import day, money
from monedero.wording.buyers import called, tag, tell, to_buyer
from monedero.wording.paper_lines import account_lines, reference_line
from monedero.work.checkout.checkout_snapshot import CheckoutSnapshot
from monedero.work.orders.buyer_papers import invoice_of, language_of


def invoice_pdf(snapshot: CheckoutSnapshot, record: OrderRecord) -> bytes:
    """The PDF of an order's invoice; refused where its way to pay has none."""
    invoice = invoice_of(record)
    if invoice is None:
        raise NotFound(Fault(FaultCode.NOT_FOUND, "invoice", str(record.number), {"what": "invoice"}))
    with to_buyer(language_of(snapshot, record), snapshot.shop.country):
        return as_pdf(_text(record, invoice), invoice.day)


def _text(record: OrderRecord, invoice: Invoice) -> InvoiceText:
    payment = record.payment
    rows = [
        (tell("times", count=line.times, line=called(line.name, line.names)), money(line.amount))
        for line in record.items
    ] or [(line_called(record), money(record.goods))]
    if record.delivered and record.delivered.fee.minor:
        rows.append(
            (
                tell("invoice-delivery", name=called(record.delivered.way, record.delivered.names)),
                money(record.delivered.fee),
            )
        )
    if fee := payment.chosen.fee:
        rows.append((fee_name(fee, payment.chosen.fee_names), money(fee)))
    facts = [
        (tell("paper-number"), invoice.number),
        (tell("paper-day"), day(invoice.day)),
        (tell("paper-until"), day(invoice.until) if invoice.until else ""),
        (tell("paper-purchase-order"), invoice.purchase_order),
        (tell("paper-tax-number"), invoice.tax_number),
    ]
    paid_to = [*account_lines(invoice.account), reference_line(invoice.reference)]
    return InvoiceText(
        title=tell("invoice-title", number=invoice.number),
        seller=invoice.seller,
        bill_to=f"{tell('paper-bill-to')}\n{invoice.bill_to}",
        facts=[fact for fact in facts if fact[1]],
        rows=rows,
        total=(tell("invoice-total"), money(payment.total)),
        pay_to=[(line.label, line.value) for line in paid_to if line.value],
        note=tell("invoice-order", number=str(record.number), day=day(record.placed_at.date())),
        language=tag(),
    )
