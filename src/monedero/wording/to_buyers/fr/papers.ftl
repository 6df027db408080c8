## Ce qu'il faut pour payer directement la boutique

paper-transfer = Votre virement
paper-cheque = Votre chèque
paper-cash = Ce que vous payez en espèces
paper-invoice = Votre facture
paper-counter = Votre numéro pour le guichet
paper-holder = À
paper-iban = IBAN
paper-account-number = Numéro de compte
paper-bank-code = Code de la banque
paper-sort-code = Sort code
paper-routing-number = Routing number
paper-bsb = BSB
paper-ifsc = IFSC
paper-clabe = CLABE
paper-transit = Numéro de transit et d’institution
paper-branch = Banque et agence
paper-bic = BIC
paper-bank = Banque
paper-reference = Référence
paper-amount = Montant
paper-until = À payer avant le
paper-last-day = Dernier jour
paper-payee = À l’ordre de
paper-send-to = À envoyer à
paper-pays-with = Vous payez avec
paper-change = Monnaie
paper-number = Numéro
paper-day = Date
paper-purchase-order = Votre bon de commande
paper-bill-to = Facturer à
paper-tax-number = Numéro fiscal
paper-save-invoice = Enregistrer la facture { $number } (PDF)
paper-invoice-link = La facture en PDF : { $link }
paper-qr = Code QR du virement pour l’application d’une banque
paper-qr-text = L’application de votre banque lit ce code et remplit le virement.
paper-qr-link = Un code QR pour l’application de votre banque se trouve sur la page de votre commande : { $link }
paper-bars = Code-barres du numéro { $number }

## Ce qui se passe ensuite, et que faire si rien ne se passe

next-credit-transfer = Un virement prend un ou deux jours ouvrés. Nous vous écrivons dès qu’il est là. Sans nouvelles après quatre jours ouvrés, envoyez-nous son justificatif.
next-cheque = Un chèque prend environ une semaine. Nous vous écrivons dès qu’il est encaissé. Sans nouvelles après deux semaines, écrivez-nous.
next-cash = Il n’y a rien d’autre à faire d’ici là.
next-invoice = Nous vous écrivons dès que votre paiement est là. Sans nouvelles une semaine après avoir payé, écrivez-nous.
next-counter-voucher = Un paiement au guichet nous parvient sous trois jours. Nous vous écrivons dès qu’il est là ; sans nouvelles d’ici là, écrivez-nous avec le reçu du guichet.
next-other = Nous vous écrivons dès que votre paiement est là. Sans nouvelles une semaine après avoir payé, écrivez-nous.

## Champs qu'un moyen de paiement demande de lui-même

ask-bill-to = Nom et adresse pour la facture
ask-purchase-order = Numéro de bon de commande
ask-pays-with = Billet avec lequel vous payez, pour préparer la monnaie

## La facture

invoice-title = Facture { $number }
invoice-order = Commande { $number } du { $day }
invoice-delivery = Livraison : { $name }
invoice-total = À payer
