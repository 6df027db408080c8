"""The fields that a buyer fills in for a tender: those that its kind asks for by itself, and those of its owner."""

from monedero.core.checkout.model import Tender
from monedero.core.method import Family, Method
from monedero.core.words.asked import AskedField, AskedKind

BILL_TO, PURCHASE_ORDER, PAYS_WITH = "bill-to", "purchase-order", "pays-with"
FALLBACK = "en"
BY_ITSELF = {
    Family.INVOICE: ((BILL_TO, AskedKind.TEXT, True), (PURCHASE_ORDER, AskedKind.TEXT, False)),
    Family.CASH: ((PAYS_WITH, AskedKind.NUMBER, False),),
}


def asked_fields(tender: Tender, method: Method) -> list[AskedField]:
    """The fields of a tender in the sequence in which they are met; none where a provider asks for what it needs.

    The label of a field that a kind asks for by itself is its id: it is worded where it is read.
    """
    if tender.route is not None:
        return []
    by_itself = BY_ITSELF.get(method.family, ())
    if method.family is Family.CASH and not method.at_the_door:
        by_itself = ()
    own = {field.id for field in tender.fields}
    ready = [
        AskedField(id=id, kind=kind, needed=needed, label={FALLBACK: id})
        for id, kind, needed in by_itself
        if id not in own
    ]
    return [*ready, *tender.fields]
