## A price list as text: what a line means

line-plan = Everything below is the plan { $name }.
line-plan-monthly = Everything below is the plan { $name }: { $amount } a month.
line-plan-minimum = Everything below is the plan { $name }; its fees come to at least { $amount } a month.
line-every-plan = Everything below holds for every plan.
line-heading = The lines below are about { $what }.
line-monthly = The plan costs { $amount } a month.
line-minimum = The fees come to at least { $amount } a month.
line-rate = { $methods }: { $price }
line-rate-when = { $methods }, { $conditions }: { $price }
line-extra = On top, { $label }: { $price }
line-extra-when = On top, { $label }, { $conditions }: { $price }
line-on-plan = on { $plans }
line-on-every-plan = on every plan
line-dispute = A dispute costs { $amount }.
line-dispute-won = A dispute costs { $amount }, given back when it is won.
line-refund = A refund costs { $amount }.
line-failed = A debit that fails costs { $amount }.
line-fee-unknown = an amount that the text does not say
line-returns-none = Nothing of the fee comes back.
line-returns-percent = The percentage comes back.
line-returns-all = The whole fee comes back.
line-arrives = Money arrives { $payout } after { $days ->
    [one] 1 business day
   *[other] { $days } business days
  }.
line-arrives-after = Money arrives after { $days ->
    [one] 1 business day
   *[other] { $days } business days
  }.
line-arrives-same = Money arrives { $payout }. It does not say after how many days; none are counted.
payout-daily = every business day
payout-weekly = every { $weekday }
payout-monthly = on day { $day } of every month
line-no-price = You said that it is no price.
line-not-this-order = Not for this order: { $reason }
month-none = There is no month of orders yet to hold the prices against.
month-all-priced = Each of your { $orders } orders a month has a price here.
month-lacking = Of your { $orders } orders a month { $lacking } have no price here: { $where }.
country-orders = { $country } { $orders }
other-countries = other countries
line-shops = The provider takes shops in { $countries }.
line-region = Cards of its region are from { $countries }.
line-settles-in = The provider pays out in { $currencies }.
line-tax = Tax on the fees is { $percent } %.
line-overlaps = Line { $line } goes first for the orders that both are about.
term-set_up = Set-up costs { $value }.
term-terminal_rent = A terminal costs { $value } a month.
term-yearly_fee = { $amount } a year besides, { $month } a month.
term-instant_payout = A payout at once costs { $price }; it is not counted in an order.
term-monthly_cap = A new account takes { $value } a month at the most.
term-exit_fee = Leaving costs { $value }.
term-shortest_term_months = { $value ->
    [0] There is no shortest term.
    [one] The contract lasts a month at the least.
   *[other] The contract lasts { $value } months at the least.
  }
term-notice_days = { $value ->
    [0] There is no notice.
    [one] Notice is a day.
   *[other] Notice is { $value } days.
  }
term-first_payout_days = The first payout comes after { $value ->
    [one] a day
   *[other] { $value } days
  }.
term-reserve = { $percent } % is held back for { $days ->
    [one] a day
   *[other] { $days } days
  }.

## Why a line is not read

unread-word = “{ $said }” is not a word that is known here.
unread-figure = { $said } stands there without saying what it is: an amount needs its currency, a share its percent sign.
unread-range = A price that only begins or ends somewhere is no price ({ $said }).
unread-contact = There is no price in it.
unread-about = A price that is about right is no price.
unread-exception = It takes something out (“{ $said }”), which a price of its own for what is taken out would say better.
unread-two-prices = There are two prices of one kind in it. Write a line for each.
unread-two-currencies = There are two currencies in one price.
unread-percent-over = { $said } is over 100 %.
unread-amount = { $said } is not an amount that can be told, or has more decimals than its currency.
unread-which-dollar = Many currencies are called dollar. Write its code, such as USD.
unread-which-debit = A direct debit in this currency is not known. Name its scheme.
unread-which-method = It does not say for which way to pay.
unread-which-band = It does not say whether { $said } is of one order or of all orders in a month.
unread-which-day = It does not say on which day, or whether business days are meant.
unread-which-plan = It stands below a plan that is not understood.
unread-which-region = Europe cannot be told apart from the rest here. Name the countries.
unread-commercial = Commercial debit and credit cards are not told apart here.
unread-no-price = There is no price in it.
unread-unclear = { $said ->
    [none] It says more than one thing. Write a line for each.
   *[other] It is not clear what “{ $said }” says here.
  }
unread-limits = The least is over the most ({ $said }).
unread-another-price = Line { $line } says otherwise of the same.
unread-nothing-under = There is no price in the text that this belongs to.
unread-months = Write it in days where it is in months, and in months where it is in days.
unread-too-long = The line is too long for a price.
