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
