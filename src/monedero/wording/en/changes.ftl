## What publishing would change for buyers

change-added = { $name } is added, switched { $on ->
    [yes] on
   *[no] off
}.
change-removed = { $name } is removed.
change-sequence = The sequence is now { $names }.
change-method = What { $name } can carry, or what its buyer does, is not the same any more.
checkout-storefront = The storefront changes from { $before } to { $after }.
checkout-mode = The mode changes from { $before } to { $after }.
checkout-headings = The headings above the ways to pay change.
checkout-shared-conditions = Sets of conditions that several ways to pay use change.
change-nothing = nothing
unset-route = an arrangement of your own
unset-windows = for any amount
unset-conditions = for anybody
unset-shared = none
unset-networks = every card network
unset-fee = nothing
unset-heading = none
unset-due-days = the usual number of days
unset-lapse-days = the usual number of days
change-route = { $provider }, plan { $plan }
change-before = { $said }; before: { $before }.
field-yes = yes
field-no = no
field-from-to = { $field } from { $before } to { $after }
summary = { $name }: { $told }
summary-networks = { $networks } alone
summary-fee = on top { $fee }

## Settings of a tender

tender-id = { $name } has another id, { $after }.
tender-method = { $name } is another method now, { $after }.
tender-route = { $name } is carried by { $provider }, plan { $plan }.
tender-route-none = { $name } is an arrangement of your own now, without a provider.
tender-on = { $name } is switched { $after ->
    [yes] on
   *[no] off
}.
tender-follows = { $after ->
    [yes] { $name } is on while it is active at its provider.
   *[no] { $name } is switched on and off here, whatever its provider says.
}
tender-account = { $name } is carried by your account { $after }.
tender-account-none = { $name } is carried by your first account with its provider.
tender-name = { $before } is now called { $after }.
tender-texts = What buyers read of { $name } changes.
tender-texts-none = Buyers read ready-made texts of { $name } again.
tender-picture = { $name } gets another picture.
tender-picture-none = { $name } has no picture any more.
tender-film = { $name } gets another film: { $after }.
tender-film-none = { $name } has no film any more.
tender-fields = What the buyer fills in for { $name } changes.
tender-fields-none = The buyer fills in nothing for { $name } any more.
tender-windows = { $name } is offered { $after }.
tender-windows-none = { $name } is offered for any amount.
tender-names = { $name } is called otherwise in other languages.
tender-heading = { $name } stands under the heading { $after }.
tender-heading-none = { $name } stands under no heading now.
tender-conditions = { $name } is now { $after }.
tender-conditions-none = { $name } has no conditions of its own any more.
tender-shared = { $name } uses the sets of conditions { $after }.
tender-shared-none = { $name } uses no set of conditions any more.
tender-networks = { $name } takes { $after } now.
tender-networks-none = { $name } takes every card network.
tender-fee = With { $name } buyers pay { $after } on top.
tender-fee-none = With { $name } buyers pay nothing on top any more.
tender-take = { $name } is taken { $after ->
    [now] with the order
    [on-dispatch] when goods go out, as much as goes
   *[on-word] on your word
}.
tender-gives = With { $name }, what was ordered is given { $after ->
    [at-order] with the order already
   *[at-certainty] when the payment is certain
}.
tender-due-days = { $name } is overdue after { $after }.
tender-due-days-none = { $name } is overdue after the usual number of days.
tender-lapse-days = { $name } is given up after { $after }.
tender-lapse-days-none = { $name } is given up after the usual number of days.
tender-on-line-page = { $after ->
    [yes] { $name } is shown on the pages of lines too.
   *[no] { $name } is no longer shown on the pages of lines.
}
tender-in-cart = { $after ->
    [yes] { $name } is shown in the cart too.
   *[no] { $name } is no longer shown in the cart.
}

## Settings of the shop

shop-changes = The shop's { $what } changes from { $before } to { $after }.
shop-name = name
shop-country = country
shop-currency = currency
shop-takings = takings a month
shop-trade = trade
shop-terminals = terminals
shop-software = The software of the shop changes.
shop-markets = The sequence of markets of the shop changes.
shop-lines = The sequence of lines of the shop changes.
shop-typed-rates = The sequence of typed rates of the shop changes.
shop-own-methods = The sequence of methods of your own of the shop changes.
shop-storefronts = The sequence of storefronts of the shop changes.
shop-languages = languages
shop-customer-groups = The sequence of customer groups of the shop changes.
shop-deliveries = The sequence of ways of delivery of the shop changes.
shop-arrangements = What buyers are told by the shop's own arrangements changes: accounts, payee, invoices.
shop-areas = The sequence of areas of the shop changes.
thing-added = { $thing } is added.
thing-removed = { $thing } is removed.
thing-changes = { $thing } changes: { $fields }.
thing-market = The market { $country }, { $currency }
thing-line = The line { $name }
thing-rate = The typed rate of { $name }
thing-method = Your own method { $name }
thing-group = The customer group { $name }
thing-delivery = The way of delivery { $name }
thing-area = The area { $name }
thing-storefront = The storefront { $name }

field-id = id
field-country = country
field-currency = currency
field-share = share of orders
field-name = name
field-names = names in other languages
field-kind = kind
field-usual-amount = usual amount
field-recurring = whether it repeats
field-margin = margin
field-delivery-days = days until delivery
field-domain = domain
field-per-euro = rate
field-method = what it can carry
field-percent = percentage
field-fixed = fixed cost
field-business-days = days until the money is there
field-deliveries = how it may be delivered
field-weight-grams = weight
field-sells-voucher = whether it sells a voucher
field-chosen = what its buyer may choose the amount between
field-deposit = what of it is paid when it is booked
field-highest = the most that it may come to
field-prices = what it costs, and where it goes
field-address = whether it needs an address
field-preparation-days = days until it is ready
field-closed-weekdays = weekdays on which it is closed
field-closed-dates = dates on which it is closed
field-hours = hours
field-ahead-days = how far ahead a day can be chosen
field-costs = what it costs the shop
field-countries = countries
field-postcodes = postcodes
field-towns = towns
