## The page on which a buyer chooses how to pay

test-mode = Test mode: this checkout takes no money
how-to-pay = How would you like to pay?
ways-to-pay = Ways to pay
no-way = There is no way to pay for this order here.
no-way-next = Please write to us, so that we find one.
nothing-to-pay = There is nothing to pay.
to-pay = To pay
to-pay-monthly = To pay each month
paid-line = Paid
back-line = Came back to you
back-to-voucher-line = Came back to the voucher ending in { $ends }
rounded = Rounded to coins
at-most = at most { $amount }
fee-up-to = { $label }, at most
fee-name-more = Fee for this way to pay
fee-name-less = Less for this way to pay
pay = Pay { $amount }
order-now = Order and pay { $amount }
usual-way = You paid this way last time.
leaves-page = You pay on a page of { $provider }, and come back here afterwards.
film = Watch a film about it
optional = { $label } (you may leave this out)
choose-one = Choose
language-label = Language
cannot-be-paid = This order cannot be paid here
shop-paused = Closed for now

## How an order reaches its buyer

how-delivered = How shall it reach you?
ways-of-delivery = Ways of delivery
postcode = Postcode
town = Town
address = Address: name, street and number
day = Day
from-day = from { $day } on; choose the day
leaves-on = leaves on { $day }
hours = { $from } to { $until }
delivery-outside = { $name } does not go to this address.
delivery-address-unknown = Whether { $name } goes there depends on the postcode, the town or the country.
delivery-too-heavy = { $name } does not carry this weight.
delivery-weight-unknown = What { $name } costs depends on the weight, which is not known.
delivery-no-rate = What { $name } costs is not known in this currency.
delivery-over-amount = The order comes to less than { $name } costs.

## The page of an order

no-such-order = There is no such order
order-line = { $line }, order { $number }
go-on-with = Go on with { $tender }
pay-by = Pay { $amount } by { $tender }
receipt-title = Have you paid already?
receipt-label = Send us the receipt
receipt-kinds = PDF, PNG or JPEG, 5 MB at the most
receipts-sent = { $count ->
    [one] { $count } sent; we are looking at it
   *[other] { $count } sent; we are looking at them
}
another-way = Or pay another way
choose-how = Choose how to pay
keep-link = Keep the address of this page: it shows you how your order stands.
order-page = Your order's page: { $link }
order-contact = Questions? Write to { $address }.
page-failed = Something went wrong on this page
page-failed-next = Your order is kept, and nothing was taken from you.
load-again = Load the page again
no-answer = No answer
no-answer-again = The shop does not answer. Try again in a moment.
no-answer-kept = The shop does not answer. Your order is kept here and is sent again by itself.
choose-amount = Amount that you choose
choose-between = from { $least } to { $most }
to-pay-now = To pay now
to-pay-at-most = To pay at most
rest-line = To pay on the day
rest-not-asked = Not asked for
pay-at-most = Pay at most { $amount }
on-the-day = cash or card on the day
book-on-the-day = Book, and pay { $amount } on the day
line-and-more = { $line } and { $more } more
times = { $count } × { $line }

## The page of a line, and the cart

add-to-cart = Add to the cart
order-this = Order it
ways-here = Ways to pay
other-lines = What else there is
cart = Cart
cart-empty = Your cart is empty.
cart-less = One less
cart-more = One more
cart-remove = Take it out
to-checkout = Go on to the checkout
way-costs = { $amount } more
in-parts = { $parts } parts of { $each }
in-parts-first = { $parts } parts: { $first } first, then { $each } each
each-month = { $amount } each month
later-deposit = { $now } when you book, { $rest } on the day.
later-day = You pay on the day.
weighed-less = Came to less
