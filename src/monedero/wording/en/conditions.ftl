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
price-nothing = nothing
price-at-least = at least { $amount }
price-at-most = at most { $amount }
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
limit-lost = { $one ->
    [yes] 1 order a month has
   *[no] { $orders } orders a month have
  } no way to pay
limit-unknown = for { $one ->
    [yes] 1 order
   *[no] { $orders } orders
  } a month the cost is not known
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
