## What is not a price about a way to be paid

refunds-to-method = back the same way
refunds-by-hand = by hand, with a transfer or cash of your own
effort-begun = application begun
effort-in-review = in review
effort-question = asked something of you
effort-approved = approved, to be connected
effort-refused = was refused
effort-connected = account held
effort-none = nothing to apply for
effort-unknown = apply; what it asks is not known
effort-apply = apply: { $papers ->
    [one] { $papers } paper
   *[other] { $papers } papers
}, about { days }{ $contract ->
    [own-contract] , an acquiring contract of your own
   *[other] { "" }
}
unknown = unknown
first-payout = a new account's first payout is { days } after its start
kept-in-reserve = { $percent } % kept for { $days } days more
certain-at-once = at once
certain-when-seen = when you see it
never = never
reversible = { $day }, { $how }
reach = { $percent } % of your orders
reach-unknown = no market has a share
recurring-yes = yes
recurring-no = no, once only
buyer-account = Needs an account there.
buyer-leaves = Leaves your page and comes back.
buyer-mandate = Gives a mandate once.
buyer-notice = Is told { days } before a collection.
buyer-saves = May save the details.
no-card-data = no card data

## The terms of a contract

terms-none = none
terms-not-told = none told
terms-terminal-held = you hold its terminal
terms-set-up = set-up { $amount }
terms-terminal = terminal { $amount } a month
terms-yearly = { $amount } a year besides ({ $month } a month)
terms-instant = a payout at once { $price }
terms-shortest = { $count ->
    [one] { $count } month
   *[other] { $count } months
} at the least
terms-notice = { $count ->
    [one] { $count } day's notice
   *[other] { $count } days' notice
}
terms-exit = leaving costs { $amount }
terms-reserve = { $percent } % reserve for { $days } days
terms-first-payout = first payout after { days }
terms-cap = { $amount } a month at the most for a new account

## Small parts

days = { $count ->
    [one] { $count } day
   *[other] { $count } days
}
countries = { $count ->
    [one] { $count } country
   *[other] { $count } countries
}
whole-shop = the whole shop
