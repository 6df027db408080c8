## What a fault is about, by the word that it carries

what-account = account
what-account-for-payouts = account for payouts
what-account-id = account id
what-address-for-notifications = address for notifications
what-application = application
what-arrangement = arrangement
what-column = column
what-credential = credential
what-edition = edition
what-file = file
what-finding = finding
what-fix = fix
what-import = import
what-key = key
what-kind-and-network = kind and network
what-line = line
what-line-and-market = line and market
what-line-id = line id
what-market = market
what-market-id = market id
what-method = method
what-method-id = method id
what-notification = notification
what-order = order
what-page = page
what-paper = paper
what-payment = payment
what-person-id = person id
what-plan = plan
what-provider = provider
what-rate-card = rate card
what-rate-or-extra = rate or extra
what-receipt = receipt
what-route = route
what-route-for-this-order = route for this order
what-second-payment = second payment
what-shop = shop
what-storefront = storefront
what-storefront-id = storefront id
what-tender-id = tender id
what-typed-rate = typed rate
what-way-to-pay = way to pay

## Examples, and what to decide next

example-name = { $name } (example)
at-storefront = { $storefront }: { $text }
next-no-prices = No provider's prices are compared yet.
    .act = Type or paste the prices of one
next-only-examples = All the prices that you compare are invented examples.
    .act = Put in a provider of your own
next-no-month = Your month has no orders yet, so nothing is said of what a month costs.
    .act = Read past orders, or type a month
next-account-waits = { $provider } waits for you.
    .act = Look at it
next-nothing-on = No way to pay is switched on, so a buyer would stop at your checkout.
    .act = Compose the checkout
next-nobody-pays = Nobody who pays in { $currency } in { $country } can pay for { $count ->
    [1] { $line }
   *[other] { $count } of your { $of } lines
  }.
    .act = Look at what holds them back
next-no-account = Buyers who choose { $name } are not told where to send { $currency }.
    .act = Add an account
next-no-address = Buyers who choose { $name } are not told where to send it.
    .act = Write an address
next-none-held = { $count ->
    [one] One provider is compared, and you hold no account with it
   *[other] { $count } providers are compared, and you hold an account with none
  }.
    .act = Choose one, or say which you hold
next-no-trade = Your trade is not said, and some providers do not take every trade.
    .act = Say your trade
next-no-margin = { $count ->
    [one] { $line } has
   *[other] { $count } lines have
  } no margin yet, so it is not said what a way to pay earns.
    .act = Type the margin
next-not-published = Nothing is published, so no buyer sees your checkout.
    .act = Look at what would be published
next-changes-wait = Your checkout differs from what buyers see.
    .act = Look at the changes

## The words of a checkout

text-description = Under the name
text-before = Before the order
text-after = After the order
text-paid = When it is paid
text-failed = When it failed
words-missing = { $count ->
    [0] Nothing is missing
    [one] { $count } text is missing
   *[other] { $count } texts are missing
}

## Families of ways to pay, and the buyers of every other country

family-card = Card
family-device-wallet = Phone or watch
family-account-wallet = Account wallet
family-pay-later = Pay later
family-bank-debit = Bank debit
family-credit-transfer = Bank transfer
family-online-banking = Online banking
family-cash = Cash
family-cheque = Cheque
family-counter-voucher = Voucher paid at a counter
family-invoice = Invoice
family-shop-credit = Shop credit
family-own = Your own ways
buyers-all = All buyers

## The list before publishing

ready-nothing-on = No way to pay is switched on.
    .act = Switch one on
ready-dead-end = { $count ->
    [one] There are orders that nobody can pay for
   *[other] There are { $count } kinds of orders that nobody can pay for
  }{ $orders ->
    [0] .
    [one] , up to one order of a month.
   *[other] , up to { $orders } orders of a month.
  }
    .act = Look at them
ready-no-details = Buyers who choose { $name } are not told how to pay in { $currencies }, so it is not offered.
    .act = Write what they need
ready-account-not-live = { $provider } takes no real money for you: the account { $stage }. Without it real buyers do not see { $ways }.
    .act = Go to the account
ready-stage-not-begun = is not applied for
ready-stage-begun = is not applied for to the end
ready-stage-in-review = is in review
ready-stage-question = waits for an answer of yours
ready-stage-refused = was refused
ready-stage-approved = is approved and not connected
ready-stage-lapsed = lapsed
ready-stage-disconnected = is disconnected
ready-stage-withdrawn = was withdrawn
ready-method-not-active = { $provider } does not carry { $name } for you yet.
    .act = Look at its methods
ready-domain-not-proven = { $provider } carries { $name } once your domain is proven.
    .act = Prove the domain
ready-test-access = The live account with { $provider } is opened by the credentials of its test.
    .act = Put in the live ones
ready-excluded-pair = { $provider } and { $other } exclude each other.
    .act = Leave one of them
ready-fee-forbidden = { $name } asks its buyers a fee. { $law }
    .act = Take the fee off, or keep these countries out
ready-country-forbidden = { $name } is kept from some. { $law }
    .act = Look at its conditions
ready-no-contact = Buyers are not told whom to turn to: your business has no e-mail address.
    .act = Type it
ready-rehearsal-failed = { $name }: { $count ->
    [one] one rehearsal ended
   *[other] { $count } rehearsals ended
  } otherwise than it should.
    .act = Look at it
ready-fee-over-cost = { $name } takes more from buyers in { $country } than it costs you, at some amounts.
    .act = Look at the fee
ready-fee-limited = { $name } asks its buyers a fee. { $law }
    .act = Compare it with the cost
ready-law-unknown = Buyers in { $countries } are asked a fee, and no rule of law on that is known here. Ask somebody who knows.
    .act = Look at the fees
ready-details-in-part = Buyers who would choose { $name } are not told how to pay in { $currencies }; there it is not offered.
    .act = Write what they need
ready-no-notifications = { $provider } has not told your shop of anything yet, so that it is not known whether its notifications arrive.
    .act = Try it
ready-notifications-fail = Notifications of { $provider } are refused since { $since }.
    .act = Look at them
ready-single-way = { $count ->
    [one] Some orders have one way to pay only
   *[other] { $count } kinds of orders have one way to pay only
  }{ $orders ->
    [0] .
    [one] , up to one order of a month.
   *[other] , up to { $orders } orders of a month.
  } When that fails, nobody can pay.
    .act = Look at them
ready-unreachable = No order reaches { $name }.
    .act = Look at what keeps them away
ready-words-missing = In { $language } { $count ->
    [one] one name or text is
   *[other] { $count } names and texts are
  } missing; buyers read another language there.
    .act = Write them
ready-language-not-ready = Monedero has no ready-made words in { $language }: what you do not write yourself is in English.
    .act = Look at your languages
ready-no-policy = You have not said that { $policy } is published.
    .act = Say so when it is
policy-return-policy = a return policy
policy-privacy-policy = a privacy policy
ready-lines-not-listed = You have not said that what you sell is to be seen on your site.
    .act = Say so when it is
ready-not-rehearsed = { $name }: { $count ->
    [one] one case is
   *[other] { $count } cases are
  } not rehearsed.
    .act = Rehearse them
ready-rehearsal-stale = { $name }: { $count ->
    [one] one rehearsal is
   *[other] { $count } rehearsals are
  } older than what it was of.
    .act = Rehearse them again
ready-key-copy = Keep a copy of the key that opens what is sealed, away from this machine. Only you know whether there is one.
    .act = Accept it once you have
