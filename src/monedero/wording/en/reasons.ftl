## Why a route has no price or a tender is held back

reason-shop-country = only for shops in { $limit }; yours is in { $own }
reason-no-rate-fits = no rate on its card fits this order
reason-no-reference-rate = no reference rate for { $limit } on { $own }
reason-card-not-valid-yet = its rate card holds from { $limit }; the order is of { $own }
reason-not-in-plan = not in the plan { $limit }; ask for { $own }
reason-no-provider = no provider that you compare has a price for it
reason-announced = announced { $limit }, not there yet
reason-trade-refused = does not take the trade { $own }
reason-needs-account = needs an account with { $provider } first
reason-needs-method = needs { $limit } in the checkout first
reason-excluded-by = cannot be on beside your account with { $provider }
reason-software-refuses = your shop software, { $limit }, does not work with it
reason-off = off
reason-method-unknown = nobody has described the method “{ $own }”: add it to your own methods under Shop
reason-method-shop-country = the method is only for shops in { $limit }; yours is in { $own }
reason-method-country = only for buyers in { $limit }; this one is in { $own }
reason-method-currency = carries { $limit }; this order is in { $own }
reason-method-amount-under = the method begins at { $limit }; this order is { $own }
reason-method-amount-over = the method ends at { $limit }; this order is { $own }
reason-method-amount-under-unknown = where the method begins cannot be brought over: no reference rate for { $limit }; this order is { $own }
reason-method-amount-over-unknown = where the method ends cannot be brought over: no reference rate for { $limit }; this order is { $own }
reason-method-recurring = once only; this order repeats
reason-method-recurring-unknown = once only; it is not known whether this order repeats
reason-method-kind = only for { $limit }; this order is a { $own }
reason-method-kind-unknown = only for { $limit }; it is not known what is in this order
reason-method-takes-at-once = takes the money at once; what this order comes to is known only when it goes out
reason-method-delivery = { $some ->
    [no] its method fits none of your ways of delivery
   *[yes] its method fits orders that go { $limit }; this order goes { $own }
}
reason-method-delivery-unknown = { $some ->
    [no] its method fits none of your ways of delivery
   *[yes] its method fits orders that go { $limit }; it is not known how this order goes
}
reason-method-due-before = is paid on the day; a deposit for this order is due before
reason-details-missing = its buyer would not know where to send the money: you have given no details for { $own }
reason-account-stage = the account with { $provider } { $stage }
reason-account-method = not active in the account with { $provider }{ $standing }
reason-account-storefront = the account with { $provider } does not serve { $own }
reason-window-under = { $end } { $limit }; this order is { $own }
reason-window-over = { $end } { $limit }; this order is { $own }
reason-window-under-unknown = where it begins cannot be brought over: no reference rate for { $limit }; this order is { $own }
reason-window-over-unknown = where it ends cannot be brought over: no reference rate for { $limit }; this order is { $own }

## What a condition asks, in front of the order's own value

asks-currency = { $asks ->
    [not] not in { $limit }
   *[only] only in { $limit }
}
asks-country = { $asks ->
    [not] not for buyers in { $limit }
   *[only] only for buyers in { $limit }
}
asks-area = { $asks ->
    [not] not for { $limit }
   *[only] only for { $limit }
}
asks-kind = { $asks ->
    [not] not for { $limit }
   *[only] only for { $limit }
}
asks-line = { $asks ->
    [not] not for { $limit }
   *[only] only for { $limit }
}
asks-recurring = { $asks ->
    [yes] only for orders that repeat
   *[no] not for orders that repeat
}
asks-delivery = { $asks ->
    [not] not { $limit }
   *[only] only { $limit }
}
asks-customer-group = { $asks ->
    [not] not for { $limit }
   *[only] only for { $limit }
}
asks-device = { $asks ->
    [not] not { $limit }
   *[only] only { $limit }
}
asks-signed-in = { $asks ->
    [yes] only for buyers who are signed in
   *[no] only for guests
}

asks-day-from = from { $day } on
asks-day-below = before { $day }

reason-condition-currency = { $asked }; this order is in { $own }
reason-condition-country = { $asked }; this one is in { $own }
reason-condition-area = { $asked }; this order goes to { $own }
reason-condition-area-unknown = { $asked }; the buyer's postcode is not known
reason-condition-kind = { $asked }; this order is { $own }
reason-condition-kind-unknown = { $asked }; it is not known what is in this order
reason-condition-line = { $asked }; this order is { $own }
reason-condition-line-unknown = { $asked }; it is not known what is in this order
reason-condition-recurring = { $asked }; this one { $asks ->
    [yes] does not
   *[no] does
}
reason-condition-recurring-unknown = { $asked }; it is not known whether this one does
reason-condition-delivery = { $asked }; this order goes { $own }
reason-condition-delivery-unknown = { $asked }; it is not known how this order goes
reason-condition-customer-group = { $asked }; this buyer is { $own }
reason-condition-customer-group-unknown = { $asked }; it is not known to which group this buyer belongs
reason-condition-device = { $asked }; this buyer is { $own }
reason-condition-device-unknown = { $asked }; it is not known what this buyer pays on
reason-condition-signed-in = { $asked }; this one is { $asks ->
    [yes] a guest
   *[no] signed in
}
reason-condition-signed-in-unknown = { $asked }; it is not known whether this one is signed in
reason-condition-day = { $end ->
    [from] from { $limit } on
   *[below] before { $limit }
}; this order is of { $own }
reason-condition-card-network = takes { $limit }; this card is { $own }
reason-of-set = { $said } ({ $set })

## What a condition is about

about-currency = currency
about-country = buyer's country
about-area = area
about-kind = kind of line
about-line = line
about-recurring = whether it repeats
about-delivery = way of delivery
about-customer-group = customer group
about-device = device
about-signed-in = signed in or guest
about-day = day

## Values of facts, within the sentences above

goes-none = without delivery
goes-by = by { $name }
on-phone = on a phone
on-desktop = on a computer

## How an account stands, after “the account with somebody”

stage-not-begun = is not begun
stage-begun = is begun, not sent
stage-in-review = is still in review
stage-question = waits for your answer to a question
stage-refused = was refused
stage-approved = is approved and not connected yet
stage-connected = is connected in the other mode
stage-lapsed = has lapsed
stage-disconnected = is disconnected
stage-withdrawn = was applied for, and the application withdrawn

## Why a method is not active at its provider

standing-activating = : it is being activated
standing-refused = : refused, { $why }
standing-needs-domain = : it waits until your domain is checked
standing-off = : switched off there

## Parts of the sentences above

since = { $said } since { $day }
brought-over = { $limit } (brought over at the reference rate)
end-from = from
end-up-to = up to
end-below = below

## What law says of what a way to pay asks of its buyers; information, not advice

law-no-fee-on-cards-and-sepa = Consumers in { $countries } may not be asked a fee for their cards, nor for SEPA payments.
law-fee-within-cost = Consumers in { $countries } may not be asked more than this way to pay costs you.
law-no-fee-uk = Consumers in { $countries } may not be asked a fee for this way to pay.
law-fee-within-cost-uk = Consumers in { $countries } may not be asked more than this way to pay costs you.
law-same-terms-by-country = Buyers in { $countries } may not be refused a means of payment that you take from others in the Union, where the bank confirms it and you take their currency.
law-account-of-any-country = An account may not be refused because it lies in { $countries }.

## Where buyers have little to choose from

alone = { $count ->
    [0] Nobody can pay { $where }.
   *[one] { $name } alone is left { $where }; if it fails, nobody can pay.
}
below-amount = below { $amount }
any-amount = at any amount

## What ends a reason

act-off = switch it on
act-window-under = lift the limit
act-window-over = lift the limit
act-details-missing = type them
act-account-stage = go to the account
act-account-method = go to the account
act-account-storefront = let the account serve it
act-offer = let it be offered here
act-apart = let it be offered here, apart from { $name }
act-unknown = say it above
