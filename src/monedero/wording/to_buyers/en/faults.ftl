## What is wrong with what a buyer gave, and what would be right

fault-not-found = “{ $value }” is not there. Check the address of the page.
fault-tender-held-back = “{ $value }” is not offered for this order now. Choose another way to pay.
fault-order-settled = This order needs no other payment. Load the page again to see how it stands.
fault-address-missing = { $name } needs an address. Write where this shall go.
fault-delivery-day = { $value } is not a day on which { $name } comes. The next days are: { $days }.
fault-delivery-refused = { $why } Choose another way of delivery.
fault-fee-unknown = What “{ $value }” costs is not known for this currency. Choose another way to pay.
fault-amount-zero = There is nothing to pay.
fault-too-long = This has { $length } characters. Write { $longest } at the most.
fault-card-number = This holds a card number. Never write a card number here; nothing was kept.
fault-not-published = This shop takes no orders here yet.
fault-storefront-paused = This shop takes no orders now.{ $opens ->
    [day] {" "}It opens again on { $day }.
   *[later] {""}
  }{ $says ->
    [yes] {" "}{ $said }
   *[no] {""}
  }
fault-not-one-of = “{ $value }” is not one of the choices. Choose one of: { $expected }.
fault-date-text = “{ $value }” is not a day. Write year, month and day, such as 2026-11-24.
fault-provider-silent = { $value } does not answer now. Your order is kept; try again, or choose another way to pay.
fault-answer-missing = “{ $label }” is needed. Fill it in.
fault-answer-number = “{ $value }” is not a number. Write “{ $label }” in digits, such as 20 or 12.50.
fault-paper-kind = “{ $value }” is a file of another kind. Choose a PDF, PNG or JPEG file.
fault-paper-broken = “{ $value }” cannot be opened. Save it again, or take a picture of it.
fault-paper-too-large = “{ $value }” has { $size }. Choose a file of { $largest } at the most.
fault-paper-empty = “{ $value }” is empty. Choose another file.
fault-papers-many = You have sent as many files as can be kept.
fault-unforeseen = Something went wrong, and nothing was taken from you. Try again; if it happens again, write to us with the number { $value }.
fault-cash-short = { $value } is less than there is to pay. Write { $least } or more, or leave it empty.
fault-voucher-code = “{ $value }” is not the code of a voucher. It has 24 letters and digits, in fours.
fault-voucher-unknown = There is no voucher with this code. Check it; after { $left } more wrong codes you have to wait.
fault-voucher-expired = The voucher that ends in { $value } could be used until { $day }.
fault-voucher-empty = Nothing is left on the voucher that ends in { $value }.
fault-voucher-other-currency = The voucher that ends in { $value } is in { $currency }, and this order is not.
fault-voucher-held-off = There were too many wrong codes. Try again in { $value } minutes.
fault-voucher-stands-still = The voucher that ends in { $value } cannot be used now, because the payment for it is in question. Ask the shop.
fault-total-changed = There is { $now } to pay now. Look at the order again before you pay.
fault-tries-many = You have tried { $value } times to pay this order. Write to us, and we find a way.
fault-amount-chosen = { $value } cannot be chosen. Choose from { $least } to { $most }.
fault-cart-text = Write the cart as lines with how often each is ordered, such as “star-chart:2”; “{ $value }” cannot be read.
fault-cart-alone = { $value } is ordered by itself. Take it out of the cart and order it on its own page.
fault-cart-apart = { $value } do not reach you the same way. Order them one by one.
fault-cart-price = What { $value } costs in { $currency } is not known. Choose another currency.
