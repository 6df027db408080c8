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
