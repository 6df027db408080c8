## Was man braucht, um direkt an den Laden zu zahlen

paper-transfer = Ihre Überweisung
paper-cheque = Ihr Scheck
paper-cash = Was Sie bar zahlen
paper-invoice = Ihre Rechnung
paper-counter = Ihre Nummer für den Schalter
paper-holder = An
paper-iban = IBAN
paper-account-number = Kontonummer
paper-bank-code = Bankleitzahl
paper-sort-code = Sort code
paper-routing-number = Routing number
paper-bsb = BSB
paper-ifsc = IFSC
paper-clabe = CLABE
paper-transit = Transit- und Institutsnummer
paper-branch = Bank und Filiale
paper-bic = BIC
paper-bank = Bank
paper-reference = Referenz
paper-amount = Betrag
paper-until = Zahlbar bis
paper-last-day = Letzter Tag
paper-payee = Ausgestellt auf
paper-send-to = Zu schicken an
paper-pays-with = Sie zahlen mit
paper-change = Wechselgeld
paper-number = Nummer
paper-day = Datum
paper-purchase-order = Ihre Bestellnummer
paper-bill-to = Rechnung an
paper-tax-number = Steuernummer
paper-save-invoice = Rechnung { $number } speichern (PDF)
paper-invoice-link = Die Rechnung als PDF: { $link }
paper-qr = QR-Code der Überweisung für eine Bank-App
paper-qr-text = Ihre Bank-App liest diesen Code und füllt die Überweisung aus.
paper-qr-link = Ein QR-Code für Ihre Bank-App steht auf der Seite Ihrer Bestellung: { $link }
paper-bars = Strichcode der Nummer { $number }

## Was als Nächstes geschieht, und was zu tun ist, wenn nichts geschah

next-credit-transfer = Eine Überweisung dauert ein bis zwei Banktage. Wir schreiben Ihnen, sobald sie da ist. Haben Sie nach vier Banktagen nichts gehört, schicken Sie uns den Beleg.
next-cheque = Ein Scheck dauert etwa eine Woche. Wir schreiben Ihnen, sobald er eingelöst ist. Haben Sie nach zwei Wochen nichts gehört, schreiben Sie uns.
next-cash = Bis dahin ist nichts weiter zu tun.
next-invoice = Wir schreiben Ihnen, sobald Ihre Zahlung da ist. Haben Sie eine Woche nach der Zahlung nichts gehört, schreiben Sie uns.
next-counter-voucher = Eine Zahlung am Schalter ist nach spätestens drei Tagen bei uns. Wir schreiben Ihnen, sobald sie da ist; haben Sie bis dahin nichts gehört, schreiben Sie uns mit der Quittung des Schalters.
next-other = Wir schreiben Ihnen, sobald Ihre Zahlung da ist. Haben Sie eine Woche nach der Zahlung nichts gehört, schreiben Sie uns.

## Felder, nach denen eine Zahlungsart von sich aus fragt

ask-bill-to = Name und Adresse für die Rechnung
ask-purchase-order = Bestellnummer
ask-pays-with = Schein, mit dem Sie zahlen, damit Wechselgeld bereitliegt

## Die Rechnung

invoice-title = Rechnung { $number }
invoice-order = Bestellung { $number } vom { $day }
invoice-delivery = Lieferung: { $name }
invoice-total = Zu zahlen
