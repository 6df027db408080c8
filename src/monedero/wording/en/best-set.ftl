## What a plan would have to offer, and how far its prices may rise

offer-percent = At { $points } percentage points less of every order, { $average } % on average, { $name } would bring you { $amount } with { $orders } orders a month.
offer-fixed = At { $fixed } less an order, { $average } % on average, { $name } would bring you { $amount } with { $orders } orders a month.
offer-monthly = At { $monthly } a month instead of { $before }, { $name } would bring you { $amount } with { $orders } orders a month.
offer-percent-none = No lower percentage brings { $name } into the best set.
offer-fixed-none = Nothing less an order brings { $name } into the best set.
offer-monthly-none = Without a monthly charge { $name } is not in the best set either.
rise-percent = Up to { $points } percentage points more of every order { $name } stays as it is; beyond, the best set is one { $change }.
rise-fixed = Up to { $fixed } more an order { $name } stays as it is; beyond, the best set is one { $change }.
rise-monthly = Up to { $monthly } a month { $name } stays as it is; beyond, the best set is one { $change }.
rise-percent-none = At three times its percentages the set is still the best.
rise-fixed-none = At three times its price of an order the set is still the best.
rise-monthly-none = Whatever it charges a month, the set is the best.
set-change-in = with { $ways }
set-change-out = without { $ways }
set-change-moved = with { $ways } on another plan
turn-fewer = If fewer than { $percent } % would pay by { $family } first, the best set is one { $change }.
turn-more = If more than { $percent } % would pay by { $family } first, the best set is one { $change }.
turn-none = Whatever share would pay by { $family } first, this set is the best.
one-limit-from = { $way } from { $amount } on only: { $adds } more a month.
one-limit-up-to = { $way } up to { $amount } only: { $adds } more a month.
