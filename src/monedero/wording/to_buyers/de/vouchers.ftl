## Gutscheine und Guthaben

voucher-name = Gutschein mit der Endung { $ends }
voucher-title = Gutschein oder Guthaben
voucher-label = Code
voucher-apply = Einlösen
voucher-remove = Entfernen
voucher-paid = { $amount } wurden mit dem Gutschein mit der Endung { $ends } bezahlt.
voucher-order = Zahlungspflichtig bestellen, mit Gutschein bezahlt
voucher-back = { $amount } gingen auf den Gutschein mit der Endung { $ends } zurück.
voucher-sold = Ihr Gutschein über { $amount }: { $code }
voucher-sold-until = Er gilt bis { $day }.
voucher-keep = Bewahren Sie den Code auf; er wird nicht noch einmal gezeigt.
voucher-credit = Ihr Guthaben über { $amount }: { $code }
voucher-left = Darauf sind noch { $amount }.
voucher-voucher = Gutschein
