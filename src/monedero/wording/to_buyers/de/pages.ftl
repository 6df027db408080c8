## Die Seite, auf der man wählt, wie man zahlt

test-mode = Testmodus: hier wird kein Geld eingenommen
how-to-pay = Wie möchten Sie zahlen?
ways-to-pay = Zahlungsarten
no-way = Diese Bestellung kann hier auf keine Art bezahlt werden.
no-way-next = Bitte schreiben Sie uns, damit wir eine finden.
nothing-to-pay = Es ist nichts zu zahlen.
to-pay = Zu zahlen
to-pay-monthly = Jeden Monat zu zahlen
paid-line = Bezahlt
back-line = An Sie zurück
back-to-voucher-line = Zurück auf den Gutschein mit der Endung { $ends }
rounded = Auf Münzen gerundet
at-most = höchstens { $amount }
fee-up-to = { $label }, höchstens
fee-name-more = Entgelt für diese Zahlungsart
fee-name-less = Nachlass für diese Zahlungsart
pay = { $amount } zahlen
order-now = Zahlungspflichtig bestellen: { $amount }
usual-way = So haben Sie zuletzt gezahlt.
leaves-page = Sie zahlen auf einer Seite von { $provider } und kommen danach hierher zurück.
film = Einen Film dazu ansehen
optional = { $label } (freiwillig)
choose-one = Bitte wählen
language-label = Sprache
cannot-be-paid = Diese Bestellung kann hier nicht bezahlt werden
shop-paused = Zurzeit geschlossen

## Wie eine Bestellung ankommt

how-delivered = Wie soll es zu Ihnen kommen?
ways-of-delivery = Lieferarten
postcode = Postleitzahl
town = Ort
address = Adresse: Name, Straße und Hausnummer
day = Tag
from-day = ab { $day }; wählen Sie den Tag
leaves-on = geht am { $day } ab
hours = { $from } bis { $until }
delivery-outside = { $name }: nicht an diese Adresse.
delivery-address-unknown = { $name }: das hängt von Postleitzahl, Ort oder Land ab.
delivery-too-heavy = { $name }: nicht für dieses Gewicht.
delivery-weight-unknown = { $name }: der Preis hängt vom Gewicht ab, das nicht bekannt ist.
delivery-no-rate = { $name }: der Preis ist in dieser Währung nicht bekannt.
delivery-over-amount = { $name } kostet mehr als die Bestellung selbst.

## Die Seite einer Bestellung

no-such-order = Diese Bestellung gibt es nicht
order-line = { $line }, Bestellung { $number }
go-on-with = Weiter mit { $tender }
pay-by = { $amount } mit { $tender } zahlen
receipt-title = Haben Sie schon bezahlt?
receipt-label = Schicken Sie uns den Beleg
receipt-kinds = PDF, PNG oder JPEG, höchstens 5 MB
receipts-sent = { $count ->
    [one] { $count } geschickt; wir sehen ihn uns an
   *[other] { $count } geschickt; wir sehen sie uns an
}
another-way = Oder auf andere Art zahlen
choose-how = Wählen Sie, wie Sie zahlen
keep-link = Bewahren Sie die Adresse dieser Seite auf: sie zeigt Ihnen, wie es um Ihre Bestellung steht.
order-page = Die Seite Ihrer Bestellung: { $link }
order-contact = Fragen? Schreiben Sie an { $address }.
page-failed = Auf dieser Seite ist etwas schiefgegangen
page-failed-next = Ihre Bestellung ist erhalten, und nichts wurde von Ihnen eingezogen.
load-again = Die Seite neu laden
no-answer = Keine Antwort
no-answer-again = Der Laden antwortet nicht. Versuchen Sie es gleich noch einmal.
no-answer-kept = Der Laden antwortet nicht. Ihre Bestellung bleibt hier und wird von selbst noch einmal gesendet.
choose-amount = Betrag, den Sie wählen
choose-between = von { $least } bis { $most }
to-pay-now = Jetzt zu zahlen
to-pay-at-most = Höchstens zu zahlen
rest-line = Am Tag selbst zu zahlen
rest-not-asked = Nicht verlangt
pay-at-most = Höchstens { $amount } bezahlen
on-the-day = Bargeld oder Karte am Tag selbst
book-on-the-day = Zahlungspflichtig buchen: { $amount } am Tag selbst
line-and-more = { $line } und { $more } mehr
times = { $count } × { $line }

## Die Seite eines Artikels und der Warenkorb

add-to-cart = In den Warenkorb
order-this = Bestellen
ways-here = Zahlungsarten
other-lines = Was es noch gibt
cart = Warenkorb
cart-empty = Ihr Warenkorb ist leer.
cart-less = Eins weniger
cart-more = Eins mehr
cart-remove = Herausnehmen
to-checkout = Weiter zur Kasse
way-costs = { $amount } mehr
in-parts = { $parts } Raten zu { $each }
in-parts-first = { $parts } Raten: zuerst { $first }, dann je { $each }
each-month = { $amount } im Monat
later-deposit = { $now } bei der Buchung, { $rest } am Tag selbst.
later-day = Sie zahlen am Tag selbst.
weighed-less = Weniger geworden
