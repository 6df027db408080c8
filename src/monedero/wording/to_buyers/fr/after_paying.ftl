## Ce que disent la page après le paiement et le message : un titre, puis un texte

after-paying-open = Choisissez comment payer
    .text = La commande { $number } n’est pas encore payée.
after-paying-at-provider = Votre paiement n’est pas terminé
    .text = Vous avez choisi { $tender } pour { $amount }. Terminez le paiement ou choisissez un autre moyen.
after-paying-confirming = Merci. Votre paiement est en route
    .text = { $amount } par { $tender } : l’encaissement prend quelques jours{ $until }. Vous n’avez rien à faire ; nous vous écrivons dès que la commande { $number }, { $line }, est payée.
after-paying-authorised = Merci. Votre paiement est assuré
    .text = { $amount } sont réservés par { $tender } pour la commande { $number }, { $line }. La somme est prise { $when_taken }.
after-paying-declined = Votre paiement a été refusé
    .text = { $tender } a été refusé pour { $amount }{ $because }, et rien n’a été pris. La commande { $number }, { $line }, vous est gardée : choisissez un autre moyen de paiement, ou réessayez.
after-paying-abandoned = Votre paiement n’a pas été terminé
    .text = Vous avez quitté { $tender } avant de payer { $amount } ; rien n’a été pris. La commande { $number }, { $line }, vous est gardée : choisissez comment payer.
after-paying-expired = Le temps pour payer est écoulé
    .text = { $tender } pour { $amount } n’a pas été terminé à temps, et rien n’a été pris. La commande { $number }, { $line }, vous est gardée : choisissez comment payer.
after-paying-released = Votre paiement a été libéré
    .text = Les { $amount } réservés par { $tender } pour la commande { $number }, { $line }, sont de nouveau à vous ; rien n’a été pris.
after-paying-authorisation-lapsed = La réservation de votre paiement a expiré
    .text = Les { $amount } réservés par { $tender } pour la commande { $number }, { $line }, sont de nouveau à vous ; rien n’a été pris.
after-paying-awaiting-payment = Merci. Nous attendons votre paiement
    .text = Vous avez choisi { $tender } pour { $amount }. La commande { $number }, { $line }, vous est gardée pendant que nous l’attendons{ $until }.
after-paying-receipt-sent = Merci. Nous regardons votre justificatif
    .text = Vous avez envoyé un justificatif de { $amount } par { $tender }. Nous vous écrivons quand nous l’aurons vu.
after-paying-overdue = Votre paiement n’est pas arrivé
    .text = { $amount } par { $tender } pour la commande { $number }, { $line }, étaient attendus et ne sont pas arrivés. Payez-les, ou choisissez un autre moyen{ $kept_until }.
after-paying-lapsed = Votre commande a été annulée
    .text = { $amount } par { $tender } ne sont pas arrivés ; la commande { $number }, { $line }, ne vous est plus gardée.
after-paying-part-taken = Merci. Une partie de votre commande est payée
    .text = { $taken } sur { $amount } ont été pris par { $tender } pour la commande { $number }, { $line } ; le reste demeure réservé.
after-paying-paid = Merci. Votre commande est payée
    .text = Vous avez payé { $taken } par { $tender } pour la commande { $number }, { $line }.
after-paying-part-missing = Une partie de votre commande n’est pas payée
    .text = Vous avez payé { $taken } par { $tender } pour la commande { $number }, { $line }. Il manque { $missing } : votre bon vous a été rendu quand la commande a été abandonnée et ne les couvre plus. Écrivez-nous comment vous souhaitez les payer.
after-paying-part-refunded = Une partie de votre paiement vous revient
    .text = { $back } des { $taken } que vous avez payés par { $tender } pour la commande { $number }, { $line }, vous reviennent{ $how_back }.
after-paying-refunded = Votre paiement vous revient
    .text = { $back } que vous avez payés par { $tender } pour la commande { $number }, { $line }, vous reviennent{ $how_back }.
after-paying-disputed = Vous avez contesté votre paiement
    .text = Votre banque examine { $amount } par { $tender } pour la commande { $number }, { $line }. Nous lui répondons.
after-paying-dispute-lost = La contestation a été tranchée en votre faveur
    .text = { $amount } par { $tender } pour la commande { $number }, { $line }, vous sont revenus. { $asks_back }
after-paying-returned = Votre banque a rejeté le prélèvement
    .text = { $amount } par { $tender } pour la commande { $number }, { $line }, sont revenus sur votre compte et restent dus. { $asks_back }Écrivez-nous comment vous souhaitez les payer.
after-paying-deposit-paid = Merci. Votre acompte est payé
    .text = Vous avez payé { $taken } par { $tender } pour la commande { $number }, { $line }.
after-paying-on-the-day = Merci. Votre réservation est faite
    .text = La commande { $number }, { $line }, vous est gardée. Vous payez { $amount } le jour même.

## Ce qui suit une commande payée

given-goods = Elle part ensuite vers vous.
given-download = Votre téléchargement est ouvert.
given-course = Votre cours est ouvert.
given-membership = Votre adhésion a commencé.
given-booking = Votre place est réservée.

## Quand une somme réservée est prise

when-taken-now = tout de suite
when-taken-on-dispatch = au départ de votre commande
when-taken-on-word = quand elle est prête

## Ce qu'on demande à qui a récupéré son argent

asks-back-goods = Veuillez renvoyer ce que vous avez reçu.{" "}
asks-back-other = L’accès a pris fin.{" "}

## Parties des phrases ci-dessus

until = , jusqu’au { $day }
kept-until = . Elle vous est gardée jusqu’au { $day }
by-credit = , dont { $credit } en avoir
on-its-way = Elle est en route vers vous.
test-order = Ceci est une commande d’essai : aucun argent ne circule.
letter-subject = { $shop }, commande { $number } : { $headline }
because = {" "}({ $reason })

## Ce qui se paie après la commande

rest-owed = Le reste, { $amount }, se paie le jour même.
rest-paid = Le reste, { $amount }, a été payé le jour même.
rest-let-go = Le reste, { $amount }, n’est pas demandé.
weighed-later = Le montant exact est connu au départ de la commande, et ne dépasse pas celui-ci.
weighed-came-to = Il s’élève à { $amount }, pour { $most } au plus ; ce qui était réservé en plus est de nouveau à vous.
