## The parts of a cost

cost-provider-fee = Provider's fee
cost-fee-tax = Tax on the fee
cost-monthly-share = Share of the month
cost-refunds = Refunds
cost-disputes = Disputes
cost-failed-debits = Failed debits
cost-refused-deliveries = Refused deliveries
cost-handling = Work
cost-waiting = Waiting
cost-reserve = Reserve
cost-shop-software = Shop software
cost-less-buyer-fee = Less buyer fee

## How a part came about

formula-fee = by its rate card, not rounded
formula-tax = { $rate } of the fee, { $recovered ->
    [yes] which you recover
   *[no] which you cannot recover
}
formula-monthly = the plan's month and shortfall over the orders it would carry
formula-monthly-unknown = unknown: the plan carries no orders of a month
formula-refunds = { $rate } of orders x ({ $price } - { $back } returned)
formula-disputes = { $rate } of orders x ({ $parts })
formula-dispute-lost = { $rate } lost of { $amount }
formula-dispute-won = less { $rate } won of the fee
formula-work = { $minutes } minutes at { $hour } an hour
formula-failed = { $rate } of orders x { $price }
formula-refused = { $rate } refused x { $trips } out and back
formula-refused-collected = { $refused }; { $rate } accepted x { $fee } for collecting
formula-waiting = { $amount } x { $rate } a year x { $days } days / 365
formula-reserve = { $amount } kept x { $rate } a year x { $days } days / 365
formula-buyer-fee = what your buyer pays on top in the draft, without its tax
formula-software = { $rate } of the order + { $fixed }
price-unknown = a fee that is not known

## What counts as nothing because it is not known

unknown-events = The rate card does not say what { $events } costs: that fee counts as nothing.
unknown-share = The share of the plan's month is unknown, since it carries no orders of a month: it counts as nothing.
event-refund = a refund
event-dispute = a dispute
event-failed = a failed payment

## How a fee came about

part-rate = Rate
part-fixed = { $name }, fixed
part-percentage = { $name }, percentage
part-interchange = Interchange
part-scheme = Scheme fees
part-adjustment = { $name }, limit
fee-fixed = { $amount } an order
fee-percentage = { $percent } % of { $base }
fee-band = the month's band of { $base }
fee-minimum = lifted to the minimum of { $amount }
fee-maximum = held at the maximum of { $amount }
fee-rate = Rate { $rate } on { $provider }'s card
fee-rate-since = Rate { $rate } on { $provider }'s card, holds from { $day }
step-settled = { $amount } is { $converted } at { $rate }.
step-charged = The parts come to { $exact }, charged as { $charged }.
step-books = In your books that is { $converted } at { $rate }.
reference-rate = 1 { $base } = { $value } { $quote } ({ $note })
rate-published = European Central Bank, { $day }
rate-last-of-table = European Central Bank, { $day }, the last day of the table
rate-typed = typed by you

## Prices that end or begin

plan-change = On { $plan }, { $provider } would come first for this order: { $after }, { $cost }. Your account there is on { $held }: { $before }, at { $cost_before }.
month-change = From { $day } on, with the new prices of { $providers }, your checkout { $move }.
price-change = From { $day } on, with the new prices of { $providers }, { $after } comes first for this order: { $cost }. Until then it is { $before }, at { $cost_before }.
