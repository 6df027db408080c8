## What stands under the name of a way to pay, by its family

ready-card = You type the card's number and confirm with your bank.
ready-card-networks = { $networks }. You confirm with your bank.
ready-device-wallet = You confirm on the phone or watch that holds your card.
ready-account-wallet = You sign in to your wallet and confirm.
ready-pay-later = You pay in parts, or later.
ready-bank-debit = Collected from your bank account; you give your account number and a mandate.
ready-online-banking = You confirm in your bank and come back.
ready-credit-transfer = You send a transfer from your bank{ $days ->
    [0] {""}
    [one] {" "}within { $days } day
   *[other] {" "}within { $days } days
}.
ready-cash = You pay in cash.
ready-cash-door = You pay in cash at the door.
ready-cash-collect = You pay in cash when you collect it: { $where }.
ready-cheque = You send a cheque by post.
ready-counter-voucher = You take a number to a counter and pay there in cash.
ready-invoice = You receive an invoice{ $days ->
    [0] {""}
    [one] , payable within { $days } day
   *[other] , payable within { $days } days
}.
ready-shop-credit = You pay from what the shop keeps for you.
ready-fee = { $fee } is added.
ready-discount = You pay { $fee } less.

## Before the order

ready-processed = { $provider } processes the payment.
ready-no-card-data = Your card is charged by { $provider }. Its number goes there and never reaches this shop.
ready-before-transfer = After ordering you see our account, a reference and a code that your banking app can read.
ready-before-cheque = After ordering you see to whom the cheque is payable and where to send it.
ready-before-invoice = After ordering, the invoice is on the page, to be saved.
ready-before-counter = After ordering you see the number to pay with.

## After the order

ready-after-transfer = Please send the amount with the reference { $reference }, so that we find your payment.
ready-after-cheque = Please write { $reference } on the back of the cheque.
ready-after-invoice = Please quote { $reference } when you pay.
ready-after-counter = Please pay { $amount } with this number.
ready-after-cash = Please have { $amount } ready.

## Ready-made names of ways to pay, by their method

method-name-card = Card
method-name-card-at-terminal = Card at a terminal
method-name-card-by-phone = Card by phone
method-name-device-wallet = Device wallet
method-name-account-wallet = Account wallet
method-name-instalments = Instalments
method-name-pay-after-delivery = Pay after delivery
method-name-sepa-direct-debit = SEPA direct debit
method-name-online-banking = Online banking
method-name-bank-transfer = Bank transfer
method-name-instant-transfer = SEPA instant transfer
method-name-wire-transfer = International bank transfer
method-name-cash-on-delivery = Cash on delivery
method-name-cash-on-collection = Cash on collection
method-name-cash-on-the-day = Cash on the day
method-name-cheque = Cheque
method-name-money-order = Money order
method-name-counter-voucher = Counter voucher
method-name-invoice = Invoice
method-name-shop-credit = Shop credit
method-name-gift-voucher = Gift voucher
