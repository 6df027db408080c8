## Was die Seite nach dem Zahlen und die Nachricht sagen: eine Überschrift, dann ein Text

after-paying-open = Wählen Sie, wie Sie zahlen
    .text = Bestellung { $number } ist noch nicht bezahlt.
after-paying-at-provider = Ihre Zahlung ist nicht abgeschlossen
    .text = Sie haben { $tender } für { $amount } gewählt. Schließen Sie die Zahlung ab, oder wählen Sie eine andere Zahlungsart.
after-paying-confirming = Danke. Ihre Zahlung ist unterwegs
    .text = { $amount } mit { $tender }: der Einzug dauert einige Tage{ $until }. Sie brauchen nichts zu tun; wir schreiben Ihnen, sobald Bestellung { $number }, { $line }, bezahlt ist.
after-paying-authorised = Danke. Ihre Zahlung ist gesichert
    .text = { $amount } sind mit { $tender } für Bestellung { $number }, { $line }, reserviert. Der Betrag wird { $when_taken } eingezogen.
after-paying-declined = Ihre Zahlung wurde abgelehnt
    .text = { $tender } wurde für { $amount } abgelehnt{ $because }, und nichts wurde eingezogen. Bestellung { $number }, { $line }, bleibt für Sie zurückgelegt: wählen Sie eine andere Zahlungsart, oder versuchen Sie es noch einmal.
after-paying-abandoned = Ihre Zahlung wurde nicht abgeschlossen
    .text = Sie haben { $tender } verlassen, bevor { $amount } bezahlt waren; nichts wurde eingezogen. Bestellung { $number }, { $line }, bleibt für Sie zurückgelegt: wählen Sie, wie Sie zahlen.
after-paying-expired = Die Zeit für Ihre Zahlung ist abgelaufen
    .text = { $tender } für { $amount } wurde nicht rechtzeitig abgeschlossen, und nichts wurde eingezogen. Bestellung { $number }, { $line }, bleibt für Sie zurückgelegt: wählen Sie, wie Sie zahlen.
after-paying-released = Ihre Zahlung wurde freigegeben
    .text = Die { $amount }, die mit { $tender } für Bestellung { $number }, { $line }, reserviert waren, gehören wieder Ihnen; nichts wurde eingezogen.
after-paying-authorisation-lapsed = Die Reservierung Ihrer Zahlung ist verfallen
    .text = Die { $amount }, die mit { $tender } für Bestellung { $number }, { $line }, reserviert waren, gehören wieder Ihnen; nichts wurde eingezogen.
after-paying-awaiting-payment = Danke. Wir warten auf Ihre Zahlung
    .text = Sie haben { $tender } für { $amount } gewählt. Bestellung { $number }, { $line }, bleibt für Sie zurückgelegt, solange wir darauf warten{ $until }.
after-paying-receipt-sent = Danke. Wir sehen uns Ihren Beleg an
    .text = Sie haben einen Beleg über { $amount } mit { $tender } geschickt. Wir schreiben Ihnen, wenn wir ihn gesehen haben.
after-paying-overdue = Ihre Zahlung ist nicht eingetroffen
    .text = { $amount } mit { $tender } für Bestellung { $number }, { $line }, waren fällig und sind nicht eingetroffen. Zahlen Sie, oder wählen Sie eine andere Zahlungsart{ $kept_until }.
after-paying-lapsed = Ihre Bestellung wurde aufgehoben
    .text = { $amount } mit { $tender } sind nicht eingetroffen, darum ist Bestellung { $number }, { $line }, nicht mehr für Sie zurückgelegt.
after-paying-part-taken = Danke. Ein Teil Ihrer Bestellung ist bezahlt
    .text = { $taken } von { $amount } wurden mit { $tender } für Bestellung { $number }, { $line }, eingezogen; der Rest bleibt reserviert.
after-paying-paid = Danke. Ihre Bestellung ist bezahlt
    .text = Sie haben { $taken } mit { $tender } für Bestellung { $number }, { $line }, bezahlt.
after-paying-part-missing = Ein Teil Ihrer Bestellung ist nicht bezahlt
    .text = Sie haben { $taken } mit { $tender } für Bestellung { $number }, { $line }, bezahlt. Es fehlen { $missing }: Ihr Gutschein ging zurück, als die Bestellung aufgegeben wurde, und deckt das nicht mehr. Bitte schreiben Sie uns, wie Sie das bezahlen möchten.
after-paying-part-refunded = Ein Teil Ihrer Zahlung kommt zurück
    .text = { $back } der { $taken }, die Sie mit { $tender } für Bestellung { $number }, { $line }, bezahlt haben, kommen zu Ihnen zurück{ $how_back }.
after-paying-refunded = Ihre Zahlung kommt zurück
    .text = { $back }, die Sie mit { $tender } für Bestellung { $number }, { $line }, bezahlt haben, kommen zu Ihnen zurück{ $how_back }.
after-paying-disputed = Sie haben Ihrer Zahlung widersprochen
    .text = Ihre Bank prüft { $amount } mit { $tender } für Bestellung { $number }, { $line }. Wir antworten ihr.
after-paying-dispute-lost = Der Widerspruch wurde zu Ihren Gunsten entschieden
    .text = { $amount } mit { $tender } für Bestellung { $number }, { $line }, gingen an Sie zurück. { $asks_back }
after-paying-returned = Ihre Bank hat die Lastschrift zurückgegeben
    .text = { $amount } mit { $tender } für Bestellung { $number }, { $line }, gingen auf Ihr Konto zurück und sind wieder offen. { $asks_back }Bitte schreiben Sie uns, wie Sie zahlen möchten.
after-paying-deposit-paid = Danke. Ihre Anzahlung ist bezahlt
    .text = Sie haben { $taken } mit { $tender } für Bestellung { $number }, { $line }, bezahlt.
after-paying-on-the-day = Danke. Ihre Buchung steht
    .text = Bestellung { $number }, { $line }, ist für Sie zurückgelegt. Sie zahlen { $amount } am Tag selbst.

## Was auf eine bezahlte Bestellung folgt

given-goods = Sie geht als Nächstes an Sie ab.
given-download = Ihr Download ist freigeschaltet.
given-course = Ihr Kurs ist freigeschaltet.
given-membership = Ihre Mitgliedschaft hat begonnen.
given-booking = Ihr Platz ist für Sie reserviert.

## Wann ein reservierter Betrag eingezogen wird

when-taken-now = sofort
when-taken-on-dispatch = beim Versand
when-taken-on-word = sobald alles bereit ist

## Worum gebeten wird, wer sein Geld zurückhat

asks-back-goods = Bitte schicken Sie zurück, was Sie erhalten haben.{" "}
asks-back-other = Der Zugang ist beendet.{" "}

## Teile der Sätze oben

until = , bis { $day }
kept-until = . Sie bleibt bis { $day } für Sie zurückgelegt
by-credit = , davon { $credit } als Guthaben
on-its-way = Sie ist unterwegs zu Ihnen.
test-order = Dies ist eine Testbestellung: es fließt kein Geld.
letter-subject = { $shop }, Bestellung { $number }: { $headline }
because = {" "}({ $reason })

## Was später bezahlt wird, als bestellt wird

rest-owed = Der Rest, { $amount }, wird am Tag selbst bezahlt.
rest-paid = Der Rest, { $amount }, wurde am Tag selbst bezahlt.
rest-let-go = Der Rest, { $amount }, wird nicht verlangt.
weighed-later = Wie viel es wird, steht fest, wenn die Ware hinausgeht; mehr als das wird es nicht.
weighed-came-to = Es wurden { $amount }, bei höchstens { $most }; was darüber reserviert war, gehört wieder Ihnen.
