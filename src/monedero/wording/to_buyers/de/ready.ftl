## Was unter dem Namen einer Zahlungsart steht, nach ihrer Familie

ready-card = Sie geben die Nummer der Karte ein und bestätigen bei Ihrer Bank.
ready-card-networks = { $networks }. Sie bestätigen bei Ihrer Bank.
ready-device-wallet = Sie bestätigen auf dem Telefon oder der Uhr mit Ihrer Karte.
ready-account-wallet = Sie melden sich bei Ihrem Bezahlkonto an und bestätigen.
ready-pay-later = Sie zahlen in Raten oder später.
ready-bank-debit = Wird von Ihrem Konto eingezogen; Sie geben Kontonummer und Mandat.
ready-online-banking = Sie bestätigen bei Ihrer Bank und kommen zurück.
ready-credit-transfer = Sie überweisen von Ihrer Bank{ $days ->
    [0] {""}
    [one] {" "}innerhalb von { $days } Tag
   *[other] {" "}innerhalb von { $days } Tagen
}.
ready-cash = Sie zahlen bar.
ready-cash-door = Sie zahlen bar an der Tür.
ready-cash-collect = Sie zahlen bar bei der Abholung: { $where }.
ready-cheque = Sie schicken einen Scheck mit der Post.
ready-counter-voucher = Sie gehen mit einer Nummer an einen Schalter und zahlen dort bar.
ready-invoice = Sie erhalten eine Rechnung{ $days ->
    [0] {""}
    [one] , zahlbar innerhalb von { $days } Tag
   *[other] , zahlbar innerhalb von { $days } Tagen
}.
ready-shop-credit = Sie zahlen von dem Guthaben, das der Laden für Sie führt.
ready-fee = { $fee } kommen dazu.
ready-discount = Sie zahlen { $fee } weniger.

## Vor der Bestellung

ready-processed = { $provider } wickelt die Zahlung ab.
ready-no-card-data = Ihre Karte wird von { $provider } belastet. Ihre Nummer geht nur dorthin und erreicht diesen Laden nie.
ready-before-transfer = Nach der Bestellung sehen Sie unser Konto, eine Referenz und einen Code, den Ihre Bank-App liest.
ready-before-cheque = Nach der Bestellung sehen Sie, auf wen der Scheck ausgestellt und wohin er geschickt wird.
ready-before-invoice = Nach der Bestellung können Sie die Rechnung speichern.
ready-before-counter = Nach der Bestellung sehen Sie die Nummer, mit der Sie zahlen.

## Nach der Bestellung

ready-after-transfer = Bitte überweisen Sie den Betrag mit der Referenz { $reference }, damit wir Ihre Zahlung finden.
ready-after-cheque = Bitte schreiben Sie { $reference } auf die Rückseite des Schecks.
ready-after-invoice = Bitte geben Sie { $reference } bei der Zahlung an.
ready-after-counter = Bitte zahlen Sie { $amount } mit dieser Nummer.
ready-after-cash = Bitte halten Sie { $amount } bereit.

## Fertige Namen der Zahlungsarten, nach ihrer Methode

method-name-card = Karte
method-name-card-at-terminal = Karte am Terminal
method-name-card-by-phone = Karte am Telefon
method-name-device-wallet = Telefon oder Uhr
method-name-account-wallet = Bezahlkonto
method-name-instalments = Raten
method-name-pay-after-delivery = Zahlung nach Lieferung
method-name-sepa-direct-debit = SEPA-Lastschrift
method-name-online-banking = Online-Banking
method-name-bank-transfer = Überweisung
method-name-instant-transfer = SEPA-Echtzeitüberweisung
method-name-wire-transfer = Auslandsüberweisung
method-name-cash-on-delivery = Nachnahme
method-name-cash-on-collection = Bar bei Abholung
method-name-cash-on-the-day = Bar am Tag selbst
method-name-cheque = Scheck
method-name-money-order = Postanweisung
method-name-counter-voucher = Zahlung am Schalter
method-name-invoice = Rechnung
method-name-shop-credit = Guthaben
method-name-gift-voucher = Geschenkgutschein
