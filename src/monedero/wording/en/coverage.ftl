## Which orders a box of coverage holds

covers-anywhere = anywhere
covers-in = in { $places }
covers-country = { $code ->
    [AE] the United Arab Emirates
    [BS] the Bahamas
    [CF] the Central African Republic
    [CG] the Congo
    [CZ] Czechia
    [DO] the Dominican Republic
    [GB] the United Kingdom
    [GM] the Gambia
    [MV] the Maldives
    [NL] the Netherlands
    [PH] the Philippines
    [US] the United States
   *[other] { $name }
  }
covers-quoted = “{ $name }”
covers-paying = { $places }, paying { $currency }
covers-more-countries = { $named } and { $count } more countries
covers-inside = where the postcode lies { $areas }
covers-in-area = in { $areas }
covers-in-no-area = in none of your areas
covers-anything = anything
covers-alone = { $lines } in a cart of its own
covers-together = { $one } together with { $other }
covers-two-of = two of { $lines }
covers-more-lines = { $named } and { $count } more
covers-group = as { $groups }
covers-signed-in = signed in
covers-guest = as a guest
covers-above = above { $amount }
covers-up-to = up to { $amount }
covers-between = from { $first } to { $last }

## What coverage found: who or what, then what is said of it

found-dead-end = can pay for { $what }{ $more }.
    .lead = Nobody { $where }
found-single = is left for { $what } { $where }{ $more }.
    .lead = Only { $tender }
found-fee-only = costs something on top for { $what } { $where }{ $more }.
    .lead = Every way to pay
found-unreachable = reaches no order: { $shut }.
    .lead = { $tender }
found-share = { $exactly ->
    [yes] { $orders } { $one ->
        [yes] order
       *[no] orders
      } a month
   *[no] up to { $orders } { $one ->
        [yes] order
       *[no] orders
      } a month
  }
found-share-none = no order of your month
found-rests-on = rest on { $provider } alone

shut-method-unknown = nobody told what its method can carry
shut-method-shop-country = its method is not for shops in your country
shut-method-country = its method is for buyers in other countries
shut-method-currency = its method does not take your currencies
shut-method-amount = its method carries other amounts
shut-method-recurring = its method cannot repeat a payment
shut-method-kind = its method does not carry what you sell
shut-method-takes-at-once = its method takes the money before it is known what the goods come to
shut-method-delivery = its method does not fit your ways of delivery
shut-method-due-before = its method is paid on the day, after the deposit is due
shut-details-missing = its buyers would not know where to send the money
shut-account-stage = its account is not connected
shut-account-method = its method is not active at its account
shut-account-storefront = its account does not serve this storefront
shut-window = its limits leave no amount
shut-condition = it is { $condition }
shut-off = it is switched off

## What ends it

fix-off = Switch on { $name }
fix-window-over = { $limit ->
    [none] Offer { $name } without an upper limit
   *[other] Lift { $name } to { $limit }
  }
fix-window-under = { $limit ->
    [none] Offer { $name } without a lower limit
   *[other] Offer { $name } from { $limit } on
  }
fix-account-stage = Connect { $provider }, which carries { $name }
fix-account-method = Have { $name } made active at { $provider }
fix-account-storefront = Let the account with { $provider } serve this storefront
fix-fee = Take the fee off { $name }
fix-condition = { $values ->
    [none] Offer { $name } without that condition
   *[other] Offer { $name } also { $values }
  }
also-country = to buyers in { $values }
also-currency = in { $values }
also-area = for { $values }
also-kind = for { $values }
also-line = for { $values }
also-delivery = { $values }
also-customer-group = for { $values }
also-device = { $values }
fix-costs = { $amount } a month for { $orders } { $one ->
    [yes] order
   *[no] orders
  }
fix-costs-more = { $amount } more a month, if { $orders } { $one ->
    [yes] order is
   *[no] orders are
  } paid so
fix-saves = { $amount } less a month, if { $orders } { $one ->
    [yes] order is
   *[no] orders are
  } paid so
fix-cost-unknown = what it costs is not known

## What a change moves

move-gains = { $name } is then offered for { $places }{ $share }.
move-loses = { $name } is no longer offered for { $places }{ $share }.
move-share = , { $orders }
move-more-places = { $places }, and in { $count ->
    [one] one more place
   *[other] { $count } more places
  }
move-in = In { $storefront }: { $text }
move-new-dead-end = Nobody { $where } can pay any more for { $what }{ $more }.

## The grid

cell-nobody = nobody can pay
cell-some-nobody = from nobody to { $most } ways to pay
cell-one = only { $name }
cell-ways = { $least ->
    [one] 1 way to pay
   *[other] { $least } ways to pay
  }
cell-between = { $least } to { $most } ways to pay
coverage-looked = { $orders } kinds of order looked at, in carts of one line and of two; { $sets } { $one ->
    [yes] set
   *[no] sets
  } of ways to pay
coverage-clean = Every order that your shop can receive has two ways to pay or more.
coverage-nothing = Your shop has no market or no line yet, so that it can receive no order.
coverage-state = { $ends ->
    [0] { $singles ->
        [0] everybody has two ways to pay or more
        [one] one kind of order has a single way to pay
       *[other] { $singles } kinds of order have a single way to pay
      }
    [one] one kind of order cannot be paid
   *[other] { $ends } kinds of order cannot be paid
  }
