## What a buyer needs to pay by an arrangement of the shop's own

paper-transfer = Your transfer
paper-cheque = Your cheque
paper-cash = What you pay in cash
paper-invoice = Your invoice
paper-counter = Your number for the counter
paper-holder = To
paper-iban = IBAN
paper-account-number = Account number
paper-bank-code = Bank code
paper-sort-code = Sort code
paper-routing-number = Routing number
paper-bsb = BSB
paper-ifsc = IFSC
paper-clabe = CLABE
paper-transit = Transit and institution number
paper-branch = Bank and branch
paper-bic = BIC
paper-bank = Bank
paper-reference = Reference
paper-amount = Amount
paper-until = Pay by
paper-last-day = Last day
paper-payee = Payable to
paper-send-to = Send it to
paper-pays-with = You pay with
paper-change = Change
paper-number = Number
paper-day = Day
paper-purchase-order = Your purchase order
paper-bill-to = Bill to
paper-tax-number = Tax number
paper-save-invoice = Save the invoice { $number } (PDF)
paper-invoice-link = The invoice as PDF: { $link }
paper-qr = QR code of the transfer for a banking app
paper-qr-text = Your banking app reads this code and fills in the transfer.
paper-qr-link = A QR code for your banking app is on the page of your order: { $link }
paper-bars = Bar code of the number { $number }

## What happens next, and what to do when nothing happened

next-credit-transfer = A transfer takes one or two bank days. We write to you as soon as it is here. If you have heard nothing after four bank days, send us its receipt.
next-cheque = A cheque takes about a week. We write to you as soon as it has been paid in. If you have heard nothing after two weeks, write to us.
next-cash = Nothing more is to be done before then.
next-invoice = We write to you as soon as your payment is here. If you have heard nothing a week after you paid, write to us.
next-counter-voucher = A payment at a counter is with us within three days. We write to you as soon as it is here; if you have heard nothing by then, write to us with the counter's receipt.
next-other = We write to you as soon as your payment is here. If you have heard nothing a week after you paid, write to us.

## Fields that an arrangement asks for by itself

ask-bill-to = Name and address for the invoice
ask-purchase-order = Purchase order number
ask-pays-with = Note you pay with, so that change is ready

## The invoice

invoice-title = Invoice { $number }
invoice-order = Order { $number } of { $day }
invoice-delivery = Delivery: { $name }
invoice-total = To pay
