## Ce qui se trouve sous le nom d'un moyen de paiement, par famille

ready-card = Vous saisissez le numéro de la carte et confirmez auprès de votre banque.
ready-card-networks = { $networks }. Vous confirmez auprès de votre banque.
ready-device-wallet = Vous confirmez sur le téléphone ou la montre qui contient votre carte.
ready-account-wallet = Vous vous connectez à votre portefeuille et confirmez.
ready-pay-later = Vous payez en plusieurs fois, ou plus tard.
ready-bank-debit = Prélevé sur votre compte ; vous donnez votre numéro de compte et un mandat.
ready-online-banking = Vous confirmez dans votre banque et revenez ici.
ready-credit-transfer = Vous faites un virement depuis votre banque{ $days ->
    [0] {""}
    [one] {" "}sous { $days } jour
   *[other] {" "}sous { $days } jours
}.
ready-cash = Vous payez en espèces.
ready-cash-door = Vous payez en espèces à la porte.
ready-cash-collect = Vous payez en espèces au retrait : { $where }.
ready-cheque = Vous envoyez un chèque par la poste.
ready-counter-voucher = Vous portez un numéro à un guichet et y payez en espèces.
ready-invoice = Vous recevez une facture{ $days ->
    [0] {""}
    [one] , payable sous { $days } jour
   *[other] , payable sous { $days } jours
}.
ready-shop-credit = Vous payez avec l’avoir que la boutique garde pour vous.
ready-fee = { $fee } s’ajoutent.
ready-discount = Vous payez { $fee } de moins.

## Avant la commande

ready-processed = { $provider } traite le paiement.
ready-no-card-data = C’est { $provider } qui débite votre carte. Son numéro n’est donné qu’à cette société et n’arrive jamais à la boutique.
ready-before-transfer = Après la commande, vous voyez notre compte, une référence et un code que l’application de votre banque sait lire.
ready-before-cheque = Après la commande, vous voyez l’ordre du chèque et où l’envoyer.
ready-before-invoice = Après la commande, vous pouvez enregistrer la facture.
ready-before-counter = Après la commande, vous voyez le numéro avec lequel payer.

## Après la commande

ready-after-transfer = Veuillez virer la somme avec la référence { $reference }, afin que nous retrouvions votre paiement.
ready-after-cheque = Veuillez écrire { $reference } au dos du chèque.
ready-after-invoice = Veuillez indiquer { $reference } en payant.
ready-after-counter = Veuillez payer { $amount } avec ce numéro.
ready-after-cash = Veuillez préparer { $amount }.

## Noms tout faits des moyens de paiement, par méthode

method-name-card = Carte
method-name-card-at-terminal = Carte au terminal
method-name-card-by-phone = Carte par téléphone
method-name-device-wallet = Téléphone ou montre
method-name-account-wallet = Portefeuille en ligne
method-name-instalments = Paiement en plusieurs fois
method-name-pay-after-delivery = Payer après la livraison
method-name-sepa-direct-debit = Prélèvement SEPA
method-name-online-banking = Banque en ligne
method-name-bank-transfer = Virement bancaire
method-name-instant-transfer = Virement instantané SEPA
method-name-wire-transfer = Virement international
method-name-cash-on-delivery = Paiement à la livraison
method-name-cash-on-collection = Espèces au retrait
method-name-cash-on-the-day = Espèces le jour même
method-name-cheque = Chèque
method-name-money-order = Mandat postal
method-name-counter-voucher = Paiement au guichet
method-name-invoice = Facture
method-name-shop-credit = Avoir
method-name-gift-voucher = Bon cadeau
