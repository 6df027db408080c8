## What an entry of a rate card asks of an order

any-order = any order
origin-domestic = buyer in the shop's country
    .short = domestic
origin-region = buyer elsewhere in the provider's region
    .short = region
origin-abroad = buyer from abroad
    .short = abroad
when-country = buyer in { $countries }
    .short = { $countries }
when-card = { $kinds } card
    .short = { $kinds }
when-network = network { $networks }
    .short = { $networks }
when-currency = in { $currencies }
when-kind = for { $kinds }
    .short = { $kinds }
when-repeating = repeating
when-once = once
when-amount = amount { $band }
when-volume = account takes { $band } a month
    .short = { $band } a month
when-converted = converted
when-not-converted = no conversion
card-consumer-debit = consumer debit
    .short = debit
card-consumer-credit = consumer credit
    .short = credit
card-commercial = commercial
kind-goods = goods
kind-download = download
kind-course = course
kind-membership = membership
kind-booking = booking
band-from = from { $amount }
band-up-to = up to { $amount }
band-below = below { $amount }

## What is known of an order

order-currency = paid in { $value }
order-country = buyer in { $value }
order-postcode = postcode { $value }
order-town = town { $value }
order-line = line { $value }
order-repeats = repeats
order-once = once
order-delivery = delivery: { $value }
order-group = customer group { $value }
order-storefront = storefront { $value }
order-phone = on a phone
order-desktop = on a desktop
order-signed-in = buyer signed in
order-guest = buyer a guest
order-network = on { $value }
order-card = { $value } card
order-sentence = { $line } for { $amount }

## What a question to the catalogue was understood as

asked-recurring = every month
asked-once = once

## A price and its limits, in short

price-falling = { $first } % falling to { $last } %
price-adds-interchange = interchange
price-adds-scheme = scheme fees
price-nothing = nothing
price-at-least = at least { $amount }
price-at-most = at most { $amount }
limit-handovers = for orders that are { $ways }
handover-brought = brought
handover-collected = collected
handover-not-delivered = not delivered
limit-countries = buyers in { countries }
once-only = once only
method-source =
    { $instrument ->
        [none] { $source }; service level { $level } in ISO 20022 messages
       *[other] { $source }; service level { $level }, local instrument { $instrument } in ISO 20022 messages
    }

## What limits and buyer fees of a draft come to

limit-costs = costs { $amount } a month
limit-saves = saves { $amount } a month
limit-even = costs nothing
limit-lost = loses { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } a month
limit-unknown = for { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } a month the cost is not known
month-left-more = leaves { $amount } more a month
month-left-less = leaves { $amount } less a month
month-cost-more = costs { $amount } more a month
month-cost-less = costs { $amount } less a month
month-loses-more = loses { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } more
month-loses-fewer = loses { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } fewer
month-same = changes nothing in a month
moved = { $name } { $told }
moved-gained = gains { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } a month
moved-lost = loses { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } a month
over = takes more than it costs { $amounts }
over-never = never takes more than it costs
over-always = at every amount
over-from = from { $amount } on
over-below = below { $amount }
over-between = from { $amount } to below { $below }

## The set-up sheet

sheet-name = Name
sheet-names = Name in other languages
sheet-text = Text under the name
sheet-method = Method
sheet-account = Account that it needs
sheet-no-account = none: your own arrangement
sheet-heading = Under the heading
sheet-amounts = Amounts
sheet-any-amount = any
sheet-conditions = Offered
sheet-anybody = to anybody
sheet-limits = The method itself carries
sheet-networks = Card networks
sheet-fee = Buyer pays on top
sheet-on-network = { $fee } on { $network }
sheet-with-tax = with { $percent } % tax
sheet-less = { $fee } less
sheet-nothing = nothing
sheet-take = Money is taken
sheet-gives = Goods, access and seat are given
sheet-due = Overdue after
sheet-lapse = Given up after
sheet-column-place = Place
sheet-column-name = Way to pay
sheet-column-what = What to set
sheet-column-value = Value
sheet-column-done = Done
sheet-take-now = with the order
sheet-take-on-dispatch = when goods go out
sheet-take-on-word = on your word
sheet-gives-at-certainty = when the payment is certain
sheet-gives-at-order = with the order

## What else is to be known of a tender

details-kept = Buyers who are signed in may keep their details for the next time.
authentication-expected = The buyer is likely to be asked to prove who they are (strong authentication).
authentication-may-be-let-off = The buyer may be let off proving who they are: the order is small (up to { $small }).
authentication-first-time = The buyer proves who they are the first time, and when the amount changes.
