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
after-paying-part-missing = A part of your order is not paid
    .text = You paid { $taken } by { $tender } for order { $number }, { $line }. { $missing } is missing: your voucher went back when the order was given up, and does not hold it any more. Please write to us how you would like to pay it.
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
after-paying-deposit-paid = Thank you. Your deposit is paid
    .text = You paid { $taken } by { $tender } for order { $number }, { $line }.
after-paying-on-the-day = Thank you. Your booking is made
    .text = Order { $number }, { $line }, is kept for you. You pay { $amount } on the day.

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

## Parts of the sentences above

until = , until { $day }
kept-until = . It is kept for you until { $day }
by-credit = , { $credit } of it as shop credit
on-its-way = It is on its way to you.
test-order = This is a test order: no money moves.
letter-subject = { $shop }, order { $number }: { $headline }
because = {" "}({ $reason })

## What is paid later than the order is placed

rest-owed = The rest, { $amount }, is paid on the day.
rest-paid = The rest, { $amount }, was paid on the day.
rest-let-go = The rest, { $amount }, is not asked for.
weighed-later = What it comes to is known when it goes out, and is not more than that.
weighed-came-to = It came to { $amount }, with { $most } at the most; what was reserved beyond it is yours again.
