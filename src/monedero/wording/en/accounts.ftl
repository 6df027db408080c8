## What providers ask

ask-legal = legal name and form, tax number and address
ask-people = the people who own the business, and somebody who signs
ask-payout-account = the account that payouts go to
ask-phone = a telephone number, confirmed by a code
ask-terms = its terms, accepted
ask-identity = an identity document of the owner
ask-register-extract = an extract from the company register
ask-yearly-accounts = accounts of the last year
ask-card-data-answers = answers to the questions on card data
ask-return-policy = a return policy on the site
ask-privacy-policy = a privacy policy on the site
ask-lines-listed = lines and prices on the site
ask-storefront-open = a storefront that is open to the public

## Where an account stands, as a sentence

stands-not-begun = Nothing is begun with { $provider }
stands-begun = The application is begun, and lies here unsent
stands-in-review = { $provider } is reviewing your application
stands-question = { $provider } asked something and waits for your answer
stands-refused = { $provider } refused the application
stands-approved = { $provider } approved you; the account is not connected yet
stands-connected = Connected
stands-elsewhere = Held elsewhere
elsewhere = Monedero does not carry its payments: whoever does tells you what was paid. Rehearsals are played here, under the name of { $provider }.
elsewhere-takings = It takes { $amount } in a month.
elsewhere-saved = { $count ->
    [one] The details of one buyer lie
   *[other] The details of { $count } buyers lie
  } there, and would be lost with it.
stands-lapsed = { $provider } closed the account
stands-disconnected = You disconnected the account
stands-withdrawn = You withdrew the application

## What an account waits for

waits-for-in-review = It takes about { $days ->
    [one] { $days } day
   *[other] { $days } days
}; until then your own arrangements can take orders.
waits-for-approved = Connect it, and its methods can be offered.

## Why a method is not active, in a table

method-activating = being activated
method-activating-until = being activated, ready { $day } at { $time }
method-refused = refused: { $why }
method-needs-domain = waits until your domain is checked
method-off = switched off there

## How an account is connected

connects-sign-in = You sign in at { $provider } and come back here.
connects-credentials = { $provider } gives you credentials, which you paste here.
connects-email = You name the address of your account, and confirm by the mail that { $provider } sends.

## How a method stands at its provider, and in the checkout

there-not-connected = not connected
there-active = active
there-not = not in this account
here-not = not in the checkout
here-follows = follows the provider
here-on = on
here-off = off

## Papers

paper-receipt = a receipt of a transfer

## The sheet of a provider

on-since = since { $day }
confirms-late = It confirms late, and no notification has arrived: try them before you rely on it.
certificate-file = certificate file
ends-in = ends in { $end }
saves-more = It carries { $orders ->
    [1] { $orders } order
   *[other] { $orders } orders
} a month that no other provider carries.
saves = The best set for your buyers has it, and leaves { $less } more for it.
saves-nothing = The best set for your buyers does without it.
share-of-orders = { $percent } % of your orders
share-none = none of your orders

## Legal forms

form-sole-trader = sole trader
form-company = company
form-partnership = partnership
form-association = association

## What the owner's phone is sent

code-letter = Your code for the application to { $sender } is { $code }. It is good for ten minutes.

## How a bank account is written in a country that does not use IBANs

account-bank-code = Bank code
account-account-number = Account number
account-sort-code = Sort code
account-routing-number = Routing number
account-bsb = BSB
account-ifsc = IFSC
account-clabe = CLABE
account-transit = Transit and institution number
account-branch = Bank and branch
