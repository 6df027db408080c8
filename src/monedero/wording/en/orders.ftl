## A state in a word or two, for the owner

state-open = open
state-at-provider = at the provider
state-confirming = being confirmed
state-authorised = authorised, not taken
state-declined = declined
state-abandoned = abandoned
state-expired = expired
state-released = released
state-authorisation-lapsed = authorisation lapsed
state-awaiting-payment = awaiting payment
state-receipt-sent = receipt to look at
state-overdue = overdue
state-lapsed = given up
state-part-taken = taken in part
state-paid = paid
state-deposit-paid = deposit paid
state-part-missing = paid in part
state-part-refunded = refunded in part
state-refunded = refunded
state-disputed = disputed
state-dispute-lost = dispute lost
state-returned = debit returned

## What happened to an order, for the owner

by-voucher = Voucher
on-the-day = Cash or card on the day
line-and-more = { $line } and { $more } more
ordered-at-most = { $ordered }, which is the most that it may come to
ordered-came-to = { $ordered }, which it came to, with { $most } at the most
happened-placed = The order was placed.
happened-sent-to-provider = The buyer chose { $tender } and goes to the provider.
happened-arranged = The buyer chose { $tender }; the shop waits for the payment{ $by }.
happened-dispatched = Goods for { $amount } went out{ $because }.
happened-weighed = The goods came to { $amount } and went out{ $because }.
happened-take-asked = You asked to take { $amount }.
happened-release-asked = You asked to release what was not taken.
happened-refund-asked = You asked to refund { $amount }.
happened-cancel-asked = The payment by { $tender } was to be ended.
happened-asking-refused = The provider refused what was asked: { $said ->
    [no] it was not said why
   *[yes] { $reason }
}
happened-notice-refused = The provider told something that was not counted: { $reason }
happened-voucher-used = { $amount } was paid by the voucher that ends in { $reason }.
happened-voucher-returned = { $amount } went back to the voucher that ends in { $reason }.
happened-authorised = { $amount } was authorised by { $tender }; it lapses{ $on }.
happened-confirming = { $tender } is being confirmed{ $by }.
happened-paid = { $amount } was paid by { $tender }.
happened-declined = { $tender } was declined{ $because }.
happened-abandoned = { $tender } was left without paying.
happened-expired = The time for { $tender } ran out.
happened-taken = { $amount } was taken.
happened-released = { $amount } was released to the buyer.
happened-authorisation-lapsed = The authorisation lapsed: { $amount } was not taken in time.
happened-refunded = { $amount } was refunded by { $tender }.
happened-credited = { $amount } was given as shop credit.
happened-disputed = The buyer disputed { $amount }{ $because }; the answer is due{ $by }.
happened-dispute-won = The dispute was decided for you: { $amount } is yours again.
happened-dispute-lost = The dispute was decided for the buyer: { $amount } is gone.
happened-returned = The debit of { $amount } was returned{ $because }.
happened-receipt-sent = The buyer sent a receipt of the transfer.
happened-receipt-refused = You did not accept the receipt{ $because }.
happened-overdue = The payment by { $tender } is overdue.
happened-lapsed = The payment did not arrive, and the order was given up.

## Who did it

by-buyer = buyer
by-shop = you
by-provider = provider
by-clock = by itself

## What is due next on an order

due-finish = The buyer finishes the payment of { $amount }
due-choose = The buyer chooses how to pay { $amount }
due-pay = The buyer pays { $amount }
due-pay-rest = The buyer pays the rest of { $amount } on the day
due-pay-overdue = The buyer pays { $amount }, which is overdue
due-owes = The buyer owes { $amount }
due-owes-missing = The buyer owes { $amount }: the voucher went back when the order was given up, and holds it no more
due-look-at-receipt = You look at the receipt for { $amount }
due-take = You take { $amount } before the authorisation lapses
due-weigh = You send the goods and say what they came to, { $amount } at the most
due-send = You send the goods, { $amount } of them still here
due-ask-back = You ask for the goods back, worth { $amount }
due-answer-dispute = You answer the dispute about { $amount }
due-refund-double = You refund { $amount }, which was paid twice
due-confirm = The provider confirms { $amount }
due-answer-request = The provider answers what you asked; it is asked again by itself

## What the state means for goods

goods-keep-back = keep the goods back
goods-send = send the goods
goods-ask-back = ask for goods that went out
goods-out = the goods are out

## What it means for access

access-wait = access waits
access-give = access is given
access-withdraw = access is withdrawn

## What it means for the stock

stock-hold = the stock is held
stock-sold = the stock is sold
stock-free = the stock is free again

## What it means for a seat

seat-hold = the seat is held
seat-keep = the seat is kept
seat-let-go = the seat is let go

## Parts of the sentences above

by-day = , by { $day }
on-day = {" "}on { $day }
because = {" "}({ $reason })
nothing-due = Nothing is due on this order.

## What an order is that is no revenue yet

voucher-sold = A voucher over { $amount } was sold; it ends in { $ends }. { $used } of it was used, and is revenue; { $owed } is owed to whoever holds it.

## Rehearsals

outcome-paid = paid
outcome-paid-and-gone = paid, the buyer does not come back
outcome-told-twice = paid, the provider says so twice
outcome-never-told = paid, the provider says nothing
outcome-paid-later = paid after some days
outcome-fails-later = fails after some days
outcome-declined = declined
outcome-not-confirmed = the buyer cannot be confirmed
outcome-abandoned = left on the provider's page
outcome-expired = the provider's page lapses
outcome-not-taken = held and never taken
outcome-refunded = refunded
outcome-part-refunded = refunded in part
outcome-dispute-lost = disputed and lost
outcome-taken-back = the debit is taken back
outcome-seen = you see the money
outcome-unpaid = never paid
outcome-given-back = paid and given back by you
outcome-offered = just inside of a limit
outcome-held-back = just outside of a limit
form-once = once
form-repeating = repeating
form-chosen-amount = an amount that the buyer chooses
form-deposit = with a deposit
form-weighed = weighed
form-voucher = with a voucher
form-limit = at a limit
limit-from = { $side ->
    [offered] At { $amount }, the least: offered
   *[other] Just below { $amount }: held back
  }
limit-up_to = { $side ->
    [offered] At { $amount }, the most: offered
   *[other] Just above { $amount }: held back
  }
limit-below = { $side ->
    [offered] Just below { $amount }: offered
   *[other] At { $amount }: held back
  }
case-open = not played
case-passed = passed
case-failed = failed
case-stale = played before something that it rests on changed
case-no-order = without an order that reaches it
report-of-draft = The draft, { $mode } mode.
report-of-edition = Edition { $number }, { $mode } mode, published on { $at }.
report-taken = { $amount } taken
report-released = { $amount } released
report-credited = { $amount } given as shop credit
report-disputed = { $amount } disputed
report-refunded = { $amount } refunded
report-lost = { $amount } lost
report-returned = { $amount } returned
report-kept = you have { $amount }
report-fee = fee { $amount }
differs-state = It should end as: { $expected }. It ended as: { $came }.
differs-taken = { $expected } should have been taken, and { $came } was.
differs-back = { $expected } should have gone back, and { $came } did.
differs-messages = The buyer should have been told { $expected } times, and was told { $came } times.
differs-early = { $expected ->
    [yes] What was ordered should be given with the order, and was not.
   *[no] What was ordered was given while the money was still to come.
  }
differs-given = { $expected ->
    [yes] What was ordered should be with the buyer in the end, and is not.
   *[no] What was ordered is still given in the end, though it is not paid for.
  }
differs-fee = By its prices the provider charges { $expected }, and it charged { $came }.
differs-due-day = The buyer should be told to pay by { $expected }, and no such day is in the message.
differs-blank = A text has a gap where something should stand: “{ $came }”.
differs-offered = { $expected ->
    [yes] It should be offered here, and is not.
   *[no] It should not be offered here, and is.
  }
differs-failed = It could not be played to its end.
