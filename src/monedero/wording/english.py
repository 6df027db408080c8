"""The English catalogue: one sentence for every code. Plain and short; says what would be right."""

from monedero.core.errors import FaultCode
from monedero.core.payment import Move, State
from monedero.core.reasons import ReasonCode
from monedero.core.tender.difference import ChangeCode

FAULTS: dict[FaultCode, str] = {
    FaultCode.MONEY_TEXT: "“{value}” is not money. Write an amount and a currency with one space between, such as 85.00 EUR.",
    FaultCode.AMOUNT_TEXT: "“{value}” is not an amount. Write digits with a point before the decimals, such as 85.00.",
    FaultCode.AMOUNT_NEGATIVE: "{value} is less than nothing. Write an amount of zero or more.",
    FaultCode.AMOUNT_ZERO: "{value} is nothing. Write an amount above zero.",
    FaultCode.AMOUNT_DECIMALS: "{value} has too many decimals. {currency} has {digits}.",
    FaultCode.CURRENCY_UNKNOWN: "“{value}” is not a currency with a minor unit in ISO 4217. Write its three capital letters, such as EUR.",
    FaultCode.CURRENCY_MIXED: "{low} and {high} are in two currencies. Write both limits in one.",
    FaultCode.COUNTRY_UNKNOWN: "“{value}” is not a country in ISO 3166-1. Write its two capital letters, such as PT.",
    FaultCode.PERCENT_TEXT: "“{value}” is not a percentage of zero or more. Write digits with a point before the decimals, such as 1.4.",
    FaultCode.PERCENT_RANGE: "{value} is over a hundred. Write a percentage from 0 to 100.",
    FaultCode.IDENTIFIER_TEXT: "“{value}” is not an id. Write lower-case letters and digits joined by single hyphens, such as sepa-direct-debit, 60 at the most.",
    FaultCode.PAYOUT_TEXT: "“{value}” is not a payout. Write daily, weekly:MON to weekly:SUN, or monthly:1 to monthly:28.",
    FaultCode.CALENDAR_UNKNOWN: "“{value}” is not a calendar. Write TARGET or the two letters of a country.",
    FaultCode.LIMITS_CROSSED: "The end, {high}, lies under the start, {low}. Write an end that is higher.",
    FaultCode.LIMITS_DOUBLED: "There are two ends, up to {up_to} and below {below}. Write one of them.",
    FaultCode.LIST_EMPTY: "The list is empty. Name at least one, or leave the key out.",
    FaultCode.DUPLICATE: "The {what} “{value}” stands twice. Write it once.",
    FaultCode.REFERENCE_DANGLING: "There is no {what} “{value}” (named by {where}). Name one that is there.",
    FaultCode.BANDS_ORDER: "The bands of {rate} are not in rising sequence with an open last one. End each but the last with “below”.",
    FaultCode.RATE_TWICE_PRICED: "{rate} carries both “percent” and “graduated”. Keep one of them.",
    FaultCode.KEY_UNKNOWN: "This key is not part of the format (its value is “{value}”). Correct its name or leave it out.",
    FaultCode.KEY_MISSING: "This is missing. Write {key}.",
    FaultCode.NOT_ONE_OF: "“{value}” is not allowed here. Write {expected}.",
    FaultCode.WRONG_TYPE: "“{value}” is of the wrong type. Write {expected}.",
    FaultCode.TOO_LONG: "This has {length} characters. Write {longest} at the most.",
    FaultCode.BLANK: "This is empty. Write something.",
    FaultCode.BODY_UNREADABLE: "What was sent cannot be read. Send JSON in UTF-8.",
    FaultCode.NOT_JSON: "This is not JSON at line {line}, column {column}, near “{value}”.",
    FaultCode.NOT_UTF8: "This is not UTF-8 text (byte {value}). Save the file as UTF-8.",
    FaultCode.FORMAT_UNKNOWN: "The format is “{value}”. Give a file of the format {expected}.",
    FaultCode.DATE_TEXT: "“{value}” is not a day. Write year, month and day, such as 2026-11-24.",
    FaultCode.CSV_BROKEN: "This row is not CSV by RFC 4180: {value}.",
    FaultCode.COLUMN_MISSING: "The column is missing. Add it to the header row.",
    FaultCode.COLUMN_UNKNOWN: "The column “{value}” is not known. Known are {known}; --ignore-unknown passes over others.",
    FaultCode.COLUMN_COUNT: "The row has {value} cells. The header has {expected}.",
    FaultCode.CARDS_SAME_DAY: "There are two rate cards of {provider} from the same day. Give each its own valid_from.",
    FaultCode.FILE_UNREADABLE: "It cannot be opened: {why}.",
    FaultCode.TABLE_EMPTY: "There is nothing in this file but perhaps a header. Choose a file with a header row and a row for every order.",
    FaultCode.SHEET_UNREADABLE: "This looks like a spreadsheet, and cannot be read as one ({value}). Save it as XLSX or CSV.",
    FaultCode.COLUMN_UNMATCHED: "No column is chosen for this. Choose one.",
    FaultCode.ORDER_DIFFERS: "The order “{value}” is there already with another day or amount ({kept}). Give each order one row and one id.",
    FaultCode.COUNTRY_NAME: "“{value}” is not a country. Write its name or its two letters, such as PT.",
    FaultCode.DAY_FORMAT: "“{value}” is not a day written as {expected}. Correct it, or choose another way in which days are written.",
    FaultCode.IMPORT_UNDER_WAY: "Orders are being read already. Wait until that is done, or stop it.",
    FaultCode.ASSUMPTION_UNKNOWN: "There is no assumption “{value}” about this.",
    FaultCode.FIGURES_TOO_LONG: "The amounts and reference rates together are too long to add up exactly (up to {value}). Type your own reference rates with fewer decimals.",
    FaultCode.FILE_TOO_LARGE: "The file is larger than {largest} bytes. A rate card is far smaller; choose another file.",
    FaultCode.NAME_TAKEN: "The name “{value}” is already used in this checkout. Choose another one.",
    FaultCode.NOT_FOUND: "There is no {what} “{value}”.",
    FaultCode.VERSION_OLD: "This was changed somewhere else since you opened it (you hold version {value}, it is at {current}). Nothing was saved; look at the newer state, then make your change again.",
    FaultCode.SHOP_NOT_DESCRIBED: "The shop is not described yet. Give its country, currency, a market and a line first.",
    FaultCode.NOTHING_CHANGED: "Nothing has changed since edition {value}. There is nothing to publish.",
    FaultCode.NOTHING_OFFERED: "No way to pay is switched on. Switch one on before you publish.",
    FaultCode.NOT_PUBLISHED: "This shop has not published its checkout yet.",
    FaultCode.TENDER_HELD_BACK: "“{value}” is not offered for this order: {why}.",
    FaultCode.ORDER_SETTLED: "Order {value} is {state}. It needs no other payment.",
    FaultCode.RETURN_FORGED: "This answer does not carry the provider's signature for this payment. Nothing was changed.",
    FaultCode.REQUEST_FOREIGN: "This request came from {value}, which is not this application. Nothing was changed.",
}

REASONS: dict[ReasonCode, str] = {
    ReasonCode.SHOP_COUNTRY: "only for shops in {limit}; yours is in {own}",
    ReasonCode.NO_RATE_FITS: "no rate on its card fits this order",
    ReasonCode.NO_REFERENCE_RATE: "no reference rate for {limit} on {own}",
    ReasonCode.CARD_NOT_VALID_YET: "its rate card holds from {limit}; the order is of {own}",
    ReasonCode.NOT_IN_PLAN: "not in the plan {limit}; ask for {own}",
    ReasonCode.ANNOUNCED: "announced {limit}, not there yet",
    ReasonCode.TRADE_REFUSED: "does not take the trade {own}",
    ReasonCode.NEEDS_ACCOUNT: "needs an account with {provider} first",
    ReasonCode.NEEDS_METHOD: "needs {limit} in the checkout first",
    ReasonCode.EXCLUDED_BY: "cannot be on beside your account with {provider}",
    ReasonCode.SOFTWARE_REFUSES: "your shop software, {limit}, does not work with it",
    ReasonCode.OFF: "off",
    ReasonCode.METHOD_SHOP_COUNTRY: "the method is only for shops in {limit}; yours is in {own}",
    ReasonCode.METHOD_COUNTRY: "only for buyers in {limit}; this one is in {own}",
    ReasonCode.METHOD_CURRENCY: "carries {limit}; this order is in {own}",
    ReasonCode.METHOD_AMOUNT_UNDER: "the method begins at {limit}; this order is {own}",
    ReasonCode.METHOD_AMOUNT_OVER: "the method ends at {limit}; this order is {own}",
    ReasonCode.METHOD_AMOUNT_UNKNOWN: "the method's limits cannot be brought over: no reference rate for {limit}; this order is {own}",
    ReasonCode.METHOD_RECURRING: "once only; this order repeats",
    ReasonCode.METHOD_KIND: "only for {limit}; this order is a {own}",
    ReasonCode.ACCOUNT_STAGE: "the account with {provider} {stage}",
    ReasonCode.ACCOUNT_METHOD: "not active in the account with {provider}",
    ReasonCode.WINDOW_UNDER: "{end} {limit}; this order is {own}",
    ReasonCode.WINDOW_OVER: "{end} {limit}; this order is {own}",
    ReasonCode.WINDOW_UNKNOWN: "its limits cannot be brought over: no reference rate for {limit}; this order is {own}",
}

# Reasons whose limit and own value are countries.
COUNTRY_REASONS = frozenset({ReasonCode.SHOP_COUNTRY, ReasonCode.METHOD_SHOP_COUNTRY, ReasonCode.METHOD_COUNTRY})

STAGES = {
    "not-begun": "is not begun",
    "begun": "is begun, not sent",
    "in-review": "is still in review",
    "refused": "was refused",
    "connected": "is connected in the other mode",
}
SINCE = " since {day}"
ENDS = {"from": "from", "up_to": "up to", "below": "below"}
BROUGHT_OVER = " (brought over at the reference rate)"

CHANGES: dict[ChangeCode, str] = {
    ChangeCode.ADDED: "{name} is added, {state}.",
    ChangeCode.REMOVED: "{name} is removed.",
    ChangeCode.ON: "{name} is switched on.",
    ChangeCode.OFF: "{name} is switched off.",
    ChangeCode.RENAMED: "{before} is now called {after}.",
    ChangeCode.DESCRIBED: "{name} is described as: {after}",
    ChangeCode.WINDOW: "{name} is offered {after}.",
    ChangeCode.SEQUENCE: "The sequence is now {after}.",
    ChangeCode.SHOP: "The shop's {what} changes from {before} to {after}.",
    ChangeCode.MARKET: "The market {name} is {how}.",
    ChangeCode.LINE: "The line {name} is {how}.",
}
ANY_AMOUNT = "for any amount"

# What the page after paying and the message say, by the state of the order: a headline, then a text.
AFTER_PAYING: dict[State, tuple[str, str]] = {
    State.OPEN: ("Choose how to pay", "Order {number} is not paid yet."),
    State.AT_PROVIDER: (
        "Your payment is not finished",
        "You chose {tender} for {amount}. Finish it with the provider, or choose another way to pay.",
    ),
    State.AWAITING_PAYMENT: (
        "Thank you. We are waiting for your payment",
        "You chose {tender} for {amount}. Order {number}, {line}, is kept for you until it arrives.",
    ),
    State.PAID: (
        "Thank you. Your order is paid",
        "You paid {amount} by {tender} for order {number}, {line}.",
    ),
    State.DECLINED: (
        "Your payment was declined",
        "{tender} was declined for {amount}, and nothing was taken. "
        "Order {number}, {line}, is kept for you: choose another way to pay, or try again.",
    ),
}
TEST_NOTE = "This is a test order: no money moves."
SUBJECT = "{shop}, order {number}: {headline}"

# What happened to an order, for the owner.
HAPPENED: dict[Move, str] = {
    Move.PLACED: "The order was placed.",
    Move.SENT_TO_PROVIDER: "The buyer chose {tender} and went to the simulated provider.",
    Move.ARRANGED: "The buyer chose {tender}; the shop waits for the payment.",
    Move.PAID: "{tender} was paid.",
    Move.DECLINED: "{tender} was declined.",
    Move.OUTCOME_SET_ASIDE: "An answer for {tender} came after the buyer had chosen another way or paid; it was set aside.",
}
