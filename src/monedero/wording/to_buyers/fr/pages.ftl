## La page où l'on choisit comment payer

test-mode = Mode test : aucun argent n’est encaissé ici
how-to-pay = Comment souhaitez-vous payer ?
ways-to-pay = Moyens de paiement
no-way = Cette commande ne peut être payée d’aucune façon ici.
no-way-next = Écrivez-nous, nous en trouverons une.
nothing-to-pay = Il n’y a rien à payer.
to-pay = À payer
to-pay-monthly = À payer chaque mois
paid-line = Payé
back-line = Vous a été rendu
back-to-voucher-line = Rendu au bon qui se termine par { $ends }
rounded = Arrondi aux pièces
at-most = { $amount } au plus
fee-up-to = { $label }, au plus
fee-name-more = Frais pour ce moyen de paiement
fee-name-less = Remise pour ce moyen de paiement
pay = Payer { $amount }
order-now = Commander et payer { $amount }
usual-way = La dernière fois, vous avez payé ainsi.
leaves-page = Vous payez sur une page de { $provider }, puis vous revenez ici.
film = Voir un film à ce sujet
optional = { $label } (facultatif)
choose-one = Choisissez
language-label = Langue
cannot-be-paid = Cette commande ne peut pas être payée ici
shop-paused = Fermé pour le moment

## Comment une commande arrive

how-delivered = Comment souhaitez-vous la recevoir ?
ways-of-delivery = Modes de livraison
postcode = Code postal
town = Ville
address = Adresse : nom, rue et numéro
day = Jour
from-day = à partir du { $day } ; choisissez le jour
leaves-on = part le { $day }
hours = de { $from } à { $until }
delivery-outside = { $name } ne va pas à cette adresse.
delivery-address-unknown = { $name } : cela dépend du code postal, de la ville ou du pays.
delivery-too-heavy = { $name } ne porte pas ce poids.
delivery-weight-unknown = { $name } : le prix dépend du poids, qui n’est pas connu.
delivery-no-rate = { $name } : le prix n’est pas connu dans cette monnaie.
delivery-over-amount = { $name } coûte plus que la commande elle-même.

## La page d'une commande

no-such-order = Cette commande n’existe pas
order-line = { $line }, commande { $number }
go-on-with = Continuer avec { $tender }
pay-by = Payer { $amount } par { $tender }
receipt-title = Avez-vous déjà payé ?
receipt-label = Envoyez-nous son justificatif
receipt-kinds = PDF, PNG ou JPEG, 5 Mo au plus
receipts-sent = { $count ->
    [one] { $count } envoyé ; nous le regardons
   *[other] { $count } envoyés ; nous les regardons
}
another-way = Ou payez autrement
choose-how = Choisissez comment payer
keep-link = Gardez l’adresse de cette page : elle vous montre où en est votre commande.
order-page = La page de votre commande : { $link }
order-contact = Une question ? Écrivez à { $address }.
page-failed = Quelque chose s’est mal passé sur cette page
page-failed-next = Votre commande est gardée, et rien ne vous a été pris.
load-again = Recharger la page
no-answer = Pas de réponse
no-answer-again = La boutique ne répond pas. Réessayez dans un instant.
no-answer-kept = La boutique ne répond pas. Votre commande reste ici et sera renvoyée d’elle-même.
choose-amount = Montant que vous choisissez
choose-between = de { $least } à { $most }
to-pay-now = À payer maintenant
to-pay-at-most = À payer au plus
rest-line = À payer le jour même
rest-not-asked = N’est pas demandé
pay-at-most = Payer au plus { $amount }
on-the-day = espèces ou carte le jour même
book-on-the-day = Réserver et payer { $amount } le jour même
line-and-more = { $line } et { $more } de plus
times = { $count } × { $line }

## La page d’un article et le panier

add-to-cart = Ajouter au panier
order-this = Commander
ways-here = Moyens de paiement
other-lines = Ce qu’il y a d’autre
cart = Panier
cart-empty = Votre panier est vide.
cart-less = Un de moins
cart-more = Un de plus
cart-remove = Retirer
to-checkout = Continuer vers le paiement
way-costs = { $amount } de plus
in-parts = { $parts } fois { $each }
in-parts-first = { $parts } fois : d’abord { $first }, puis { $each } chacune
each-month = { $amount } par mois
later-deposit = { $now } à la réservation, { $rest } le jour même.
later-day = Vous payez le jour même.
weighed-less = En moins à la pesée
