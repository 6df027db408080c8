## Ce qui ne va pas dans ce qui a été saisi, et ce qui irait

fault-not-found = « { $value } » n’existe pas. Vérifiez l’adresse de la page.
fault-tender-held-back = « { $value } » n’est pas proposé pour cette commande en ce moment. Choisissez un autre moyen de paiement.
fault-order-settled = Cette commande n’a pas besoin d’un autre paiement. Rechargez la page pour voir où elle en est.
fault-address-missing = { $name } demande une adresse. Écrivez où cela doit aller.
fault-delivery-day = Le { $value } n’est pas un jour de { $name }. Les prochains jours sont : { $days }.
fault-delivery-refused = { $why } Choisissez un autre mode de livraison.
fault-fee-unknown = Le prix de « { $value } » n’est pas connu dans cette monnaie. Choisissez un autre moyen de paiement.
fault-amount-zero = Il n’y a rien à payer.
fault-too-long = Ceci compte { $length } caractères. Écrivez-en { $longest } au plus.
fault-card-number = Ceci contient un numéro de carte. N’écrivez jamais de numéro de carte ici ; rien n’a été gardé.
fault-not-published = Cette boutique ne prend pas encore de commandes ici.
fault-storefront-paused = Cette boutique ne prend pas de commandes pour le moment.{ $opens ->
    [day] {" "}Elle rouvre le { $day }.
   *[later] {""}
  }{ $says ->
    [yes] {" "}{ $said }
   *[no] {""}
  }
fault-not-one-of = « { $value } » n’est pas l’un des choix. Choisissez parmi : { $expected }.
fault-date-text = « { $value } » n’est pas un jour. Écrivez l’année, le mois et le jour, par exemple 2026-11-24.
fault-provider-silent = { $value } ne répond pas pour le moment. Votre commande est gardée ; réessayez, ou choisissez un autre moyen de paiement.
fault-answer-missing = Il manque « { $label } ». Veuillez le remplir.
fault-answer-number = « { $value } » n’est pas un nombre. Écrivez « { $label } » en chiffres, par exemple 20 ou 12.50.
fault-paper-kind = « { $value } » est un fichier d’un autre type. Choisissez un PDF, PNG ou JPEG.
fault-paper-broken = « { $value } » ne s’ouvre pas. Enregistrez-le à nouveau, ou photographiez-le.
fault-paper-too-large = « { $value } » pèse { $size }. Choisissez un fichier de { $largest } au plus.
fault-paper-empty = « { $value } » est vide. Choisissez un autre fichier.
fault-papers-many = Vous avez envoyé autant de fichiers qu’il est possible d’en garder.
fault-unforeseen = Quelque chose s’est mal passé, et rien ne vous a été pris. Réessayez ; si cela se reproduit, écrivez-nous avec le numéro { $value }.
fault-cash-short = { $value } ne suffit pas. Écrivez { $least } ou plus, ou laissez vide.
fault-voucher-code = « { $value } » n’est pas le code d’un bon. Il compte 24 lettres et chiffres, par groupes de quatre.
fault-voucher-unknown = Aucun bon ne porte ce code. Vérifiez-le ; après { $left } codes erronés de plus, il faudra attendre.
fault-voucher-expired = Le bon qui se termine par { $value } était valable jusqu’au { $day }.
fault-voucher-empty = Il ne reste rien sur le bon qui se termine par { $value }.
fault-voucher-other-currency = Le bon qui se termine par { $value } est en { $currency }, et cette commande ne l’est pas.
fault-voucher-held-off = Il y a eu trop de codes erronés. Réessayez dans { $value } minutes.
fault-voucher-stands-still = Le bon qui se termine par { $value } ne peut pas servir maintenant, car son paiement est contesté. Demandez à la boutique.
fault-total-changed = Il y a maintenant { $now } à payer. Revoyez la commande avant de payer.
fault-tries-many = Vous avez essayé { $value } fois de payer cette commande. Écrivez-nous et nous trouverons un moyen.
fault-amount-chosen = { $value } ne peut pas être choisi. Choisissez de { $least } à { $most }.
fault-cart-text = Écrivez le panier comme des articles avec leur quantité, par exemple « star-chart:2 » ; « { $value } » n’est pas lisible.
fault-cart-alone = { $value } se commande à part. Retirez-le du panier et commandez-le sur sa propre page.
fault-cart-apart = { $value } ne vous parviennent pas de la même façon. Commandez-les un par un.
fault-cart-price = Le prix de { $value } en { $currency } n’est pas connu. Choisissez une autre devise.
