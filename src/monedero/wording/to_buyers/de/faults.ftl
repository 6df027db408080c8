## Was an einer Eingabe nicht stimmt, und was richtig wäre

fault-not-found = „{ $value }“ gibt es nicht. Prüfen Sie die Adresse der Seite.
fault-tender-held-back = „{ $value }“ ist für diese Bestellung gerade nicht möglich. Wählen Sie eine andere Zahlungsart.
fault-order-settled = Diese Bestellung braucht keine weitere Zahlung. Laden Sie die Seite neu, um zu sehen, wie es um sie steht.
fault-address-missing = { $name } braucht eine Adresse. Schreiben Sie, wohin es gehen soll.
fault-delivery-day = { $value } ist kein Tag für { $name }. Die nächsten Tage sind: { $days }.
fault-delivery-refused = { $why } Wählen Sie eine andere Lieferart.
fault-fee-unknown = Was „{ $value }“ in dieser Währung kostet, ist nicht bekannt. Wählen Sie eine andere Zahlungsart.
fault-amount-zero = Es ist nichts zu zahlen.
fault-too-long = Das hat { $length } Zeichen. Schreiben Sie höchstens { $longest }.
fault-card-number = Das enthält eine Kartennummer. Schreiben Sie hier nie eine Kartennummer; nichts wurde gespeichert.
fault-not-published = Dieser Laden nimmt hier noch keine Bestellungen an.
fault-storefront-paused = Dieser Laden nimmt zurzeit keine Bestellungen an.{ $opens ->
    [day] {" "}Er öffnet wieder am { $day }.
   *[later] {""}
  }{ $says ->
    [yes] {" "}{ $said }
   *[no] {""}
  }
fault-not-one-of = „{ $value }“ steht nicht zur Wahl. Wählen Sie eines von: { $expected }.
fault-date-text = „{ $value }“ ist kein Tag. Schreiben Sie Jahr, Monat und Tag, zum Beispiel 2026-11-24.
fault-provider-silent = { $value } antwortet gerade nicht. Ihre Bestellung bleibt erhalten; versuchen Sie es noch einmal, oder wählen Sie eine andere Zahlungsart.
fault-answer-missing = „{ $label }“ fehlt. Bitte füllen Sie es aus.
fault-answer-number = „{ $value }“ ist keine Zahl. Schreiben Sie „{ $label }“ in Ziffern, zum Beispiel 20 oder 12.50.
fault-paper-kind = „{ $value }“ ist eine Datei anderer Art. Wählen Sie PDF, PNG oder JPEG.
fault-paper-broken = „{ $value }“ lässt sich nicht öffnen. Speichern Sie sie neu, oder fotografieren Sie sie.
fault-paper-too-large = „{ $value }“ hat { $size }. Wählen Sie eine Datei mit höchstens { $largest }.
fault-paper-empty = „{ $value }“ ist leer. Wählen Sie eine andere Datei.
fault-papers-many = Sie haben so viele Dateien geschickt, wie aufbewahrt werden können.
fault-unforeseen = Etwas ist schiefgegangen, und nichts wurde von Ihnen eingezogen. Versuchen Sie es noch einmal; geschieht es wieder, schreiben Sie uns mit der Nummer { $value }.
fault-cash-short = { $value } ist weniger, als zu zahlen ist. Schreiben Sie { $least } oder mehr, oder lassen Sie es leer.
fault-voucher-code = „{ $value }“ ist kein Gutscheincode. Er hat 24 Buchstaben und Ziffern in Vierergruppen.
fault-voucher-unknown = Zu diesem Code gibt es keinen Gutschein. Prüfen Sie ihn; nach { $left } weiteren falschen Codes müssen Sie warten.
fault-voucher-expired = Der Gutschein mit der Endung { $value } galt bis { $day }.
fault-voucher-empty = Auf dem Gutschein mit der Endung { $value } ist kein Guthaben mehr.
fault-voucher-other-currency = Der Gutschein mit der Endung { $value } ist in { $currency }, diese Bestellung nicht.
fault-voucher-held-off = Es gab zu viele falsche Codes. Versuchen Sie es in { $value } Minuten wieder.
fault-voucher-stands-still = Der Gutschein mit der Endung { $value } kann jetzt nicht verwendet werden, weil seine Zahlung strittig ist. Fragen Sie uns.
fault-total-changed = Jetzt sind { $now } zu zahlen. Sehen Sie die Bestellung noch einmal an, bevor Sie zahlen.
fault-tries-many = Sie haben { $value }-mal versucht, diese Bestellung zu bezahlen. Schreiben Sie uns, wir finden einen Weg.
fault-amount-chosen = { $value } kann nicht gewählt werden. Wählen Sie von { $least } bis { $most }.
fault-cart-text = Schreiben Sie den Warenkorb als Artikel mit ihrer Anzahl, etwa „star-chart:2“; „{ $value }“ ist nicht zu lesen.
fault-cart-alone = { $value } wird für sich bestellt. Nehmen Sie es aus dem Warenkorb, und bestellen Sie es auf seiner eigenen Seite.
fault-cart-apart = { $value } kommen nicht auf demselben Weg zu Ihnen. Bestellen Sie sie einzeln.
fault-cart-price = Was { $value } in { $currency } kostet, ist nicht bekannt. Wählen Sie eine andere Währung.
