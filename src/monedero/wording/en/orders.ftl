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
state-part-refunded = refunded in part
state-refunded = refunded
state-disputed = disputed
state-dispute-lost = dispute lost
state-returned = debit returned

## What the page after paying and the message say: a headline, then a text

after-paying-open = Choose how to pay
    .text = Order { $number } is not paid yet.
after-paying-at-provider = Your payment is not finished
    .text = You chose { $tender } for { $amount }. Finish it with the provider, or choose another way to pay.
after-paying-confirming = Thank you. Your payment is on its way
    .text = { $amount } by { $tender } is being collected, which takes some days{ $until }. You need do nothing; we write to you as soon as order { $number }, { $line }, is paid.
after-paying-authorised = Thank you. Your payment is secured
    .text = { $amount } is reserved by { $tender } for order { $number }, { $line }. It is taken { $when_taken }.
after-paying-declined = Your payment was declined
    .text = { $tender } was declined for { $amount }{ $because }, and nothing was taken. Order { $number }, { $line }, is kept for you: choose another way to pay, or try again.
after-paying-abandoned = Your payment was not finished
    .text = You left { $tender } before { $amount } was paid; nothing was taken. Order { $number }, { $line }, is kept for you: choose how to pay.
after-paying-expired = The time for your payment ran out
    .text = { $tender } for { $amount } was not finished in time, and nothing was taken. Order { $number }, { $line }, is kept for you: choose how to pay.
after-paying-released = Your payment was released
    .text = The { $amount } that { $tender } had reserved for order { $number }, { $line }, is yours again; nothing was taken.
after-paying-authorisation-lapsed = Your payment has lapsed
    .text = The { $amount } that { $tender } had reserved for order { $number }, { $line }, is yours again; nothing was taken.
after-paying-awaiting-payment = Thank you. We are waiting for your payment
    .text = You chose { $tender } for { $amount }. Order { $number }, { $line }, is kept for you while we wait for it{ $until }.
after-paying-receipt-sent = Thank you. We are looking at your receipt
    .text = You sent a receipt for { $amount } by { $tender }. We write to you when we have seen it.
after-paying-overdue = Your payment has not arrived
    .text = { $amount } by { $tender } for order { $number }, { $line }, was due and has not arrived. Pay it, or choose another way to pay{ $kept_until }.
after-paying-lapsed = Your order was given up
    .text = { $amount } by { $tender } did not arrive, so that order { $number }, { $line }, is no longer kept for you.
after-paying-part-taken = Thank you. A part of your order is paid
    .text = { $taken } of { $amount } was taken by { $tender } for order { $number }, { $line }; the rest stays reserved.
after-paying-paid = Thank you. Your order is paid
    .text = You paid { $taken } by { $tender } for order { $number }, { $line }.
after-paying-part-refunded = A part of your payment comes back
    .text = { $back } of the { $taken } that you paid by { $tender } for order { $number }, { $line }, comes back to you{ $how_back }.
after-paying-refunded = Your payment comes back
    .text = { $back } that you paid by { $tender } for order { $number }, { $line }, comes back to you{ $how_back }.
after-paying-disputed = You disputed your payment
    .text = Your bank is looking at { $amount } by { $tender } for order { $number }, { $line }. We answer it.
after-paying-dispute-lost = Your dispute was decided for you
    .text = { $amount } by { $tender } for order { $number }, { $line }, went back to you. { $asks_back }
after-paying-returned = Your bank took the debit back
    .text = { $amount } by { $tender } for order { $number }, { $line }, went back to your account, and is owed again. { $asks_back }Please write to us how you would like to pay it.

## What follows a paid order

given-goods = It goes out to you next.
given-download = Your download is open now.
given-course = Your course is open now.
given-membership = Your membership has begun.
given-booking = Your seat is kept for you.

## When an amount that is reserved is taken

when-taken-now = at once
when-taken-on-dispatch = when your order goes out
when-taken-on-word = when it is ready

## What a buyer whose money went back is asked for

asks-back-goods = Please send back what you received.{" "}
asks-back-other = Access to it has ended.{" "}

## What happened to an order, for the owner

happened-placed = The order was placed.
happened-sent-to-provider = The buyer chose { $tender } and goes to the provider.
happened-arranged = The buyer chose { $tender }; the shop waits for the payment{ $by }.
happened-dispatched = Goods for { $amount } went out{ $because }.
happened-take-asked = You asked to take { $amount }.
happened-release-asked = You asked to release what was not taken.
happened-refund-asked = You asked to refund { $amount }.
happened-cancel-asked = The payment by { $tender } was to be ended.
happened-asking-refused = The provider refused what was asked: { $said ->
    [no] it was not said why
   *[yes] { $reason }
}
happened-notice-refused = The provider told something that was not counted: { $reason }
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
due-pay-overdue = The buyer pays { $amount }, which is overdue
due-owes = The buyer owes { $amount }
due-look-at-receipt = You look at the receipt for { $amount }
due-take = You take { $amount } before the authorisation lapses
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

until = , until { $day }
by-day = , by { $day }
on-day = {" "}on { $day }
kept-until = . It is kept for you until { $day }
because = {" "}({ $reason })
by-credit = , { $credit } of it as shop credit
on-its-way = It is on its way to you.
test-order = This is a test order: no money moves.
letter-subject = { $shop }, order { $number }: { $headline }
nothing-due = Nothing is due on this order.

## What a way to pay costs its buyer

fee-name-more = Fee for this way to pay
fee-name-less = Less for this way to pay
