"""The English catalogue of orders: what a state is called, what happened, what is due, what the buyer reads."""

from monedero.core.payment.due import DueCode
from monedero.core.payment.meaning import Access, Goods, Seat, Stock
from monedero.core.payment.state import Move, State
from monedero.core.record import By, Happened

# A state in a word or two, for the owner.
STATES: dict[State, str] = {
    State.OPEN: "open",
    State.AT_PROVIDER: "at the provider",
    State.CONFIRMING: "being confirmed",
    State.AUTHORISED: "authorised, not taken",
    State.DECLINED: "declined",
    State.ABANDONED: "abandoned",
    State.EXPIRED: "expired",
    State.RELEASED: "released",
    State.AUTHORISATION_LAPSED: "authorisation lapsed",
    State.AWAITING_PAYMENT: "awaiting payment",
    State.RECEIPT_SENT: "receipt to look at",
    State.OVERDUE: "overdue",
    State.LAPSED: "given up",
    State.PART_TAKEN: "taken in part",
    State.PAID: "paid",
    State.PART_REFUNDED: "refunded in part",
    State.REFUNDED: "refunded",
    State.DISPUTED: "disputed",
    State.DISPUTE_LOST: "dispute lost",
    State.RETURNED: "debit returned",
}

# What the page after paying and the message say: a headline, then a text.
AFTER_PAYING: dict[State, tuple[str, str]] = {
    State.OPEN: ("Choose how to pay", "Order {number} is not paid yet."),
    State.AT_PROVIDER: (
        "Your payment is not finished",
        "You chose {tender} for {amount}. Finish it with the provider, or choose another way to pay.",
    ),
    State.CONFIRMING: (
        "Thank you. Your payment is on its way",
        "{amount} by {tender} is being collected, which takes some days{until}. You need do nothing; "
        "we write to you as soon as order {number}, {line}, is paid.",
    ),
    State.AUTHORISED: (
        "Thank you. Your payment is secured",
        "{amount} is reserved by {tender} for order {number}, {line}. It is taken {when_taken}.",
    ),
    State.DECLINED: (
        "Your payment was declined",
        "{tender} was declined for {amount}{because}, and nothing was taken. "
        "Order {number}, {line}, is kept for you: choose another way to pay, or try again.",
    ),
    State.ABANDONED: (
        "Your payment was not finished",
        "You left {tender} before {amount} was paid; nothing was taken. "
        "Order {number}, {line}, is kept for you: choose how to pay.",
    ),
    State.EXPIRED: (
        "The time for your payment ran out",
        "{tender} for {amount} was not finished in time, and nothing was taken. "
        "Order {number}, {line}, is kept for you: choose how to pay.",
    ),
    State.RELEASED: (
        "Your payment was released",
        "The {amount} that {tender} had reserved for order {number}, {line}, is yours again; nothing was taken.",
    ),
    State.AUTHORISATION_LAPSED: (
        "Your payment has lapsed",
        "The {amount} that {tender} had reserved for order {number}, {line}, is yours again; nothing was taken.",
    ),
    State.AWAITING_PAYMENT: (
        "Thank you. We are waiting for your payment",
        "You chose {tender} for {amount}. Order {number}, {line}, is kept for you while we wait for it{until}.",
    ),
    State.RECEIPT_SENT: (
        "Thank you. We are looking at your receipt",
        "You sent a receipt for {amount} by {tender}. We write to you when we have seen it.",
    ),
    State.OVERDUE: (
        "Your payment has not arrived",
        "{amount} by {tender} for order {number}, {line}, was due and has not arrived. "
        "Pay it, or choose another way to pay{kept_until}.",
    ),
    State.LAPSED: (
        "Your order was given up",
        "{amount} by {tender} did not arrive, so that order {number}, {line}, is no longer kept for you.",
    ),
    State.PART_TAKEN: (
        "Thank you. A part of your order is paid",
        "{taken} of {amount} was taken by {tender} for order {number}, {line}; the rest stays reserved.",
    ),
    State.PAID: (
        "Thank you. Your order is paid",
        "You paid {taken} by {tender} for order {number}, {line}.",
    ),
    State.PART_REFUNDED: (
        "A part of your payment comes back",
        "{back} of the {taken} that you paid by {tender} for order {number}, {line}, comes back to you{how_back}.",
    ),
    State.REFUNDED: (
        "Your payment comes back",
        "{back} that you paid by {tender} for order {number}, {line}, comes back to you{how_back}.",
    ),
    State.DISPUTED: (
        "You disputed your payment",
        "Your bank is looking at {amount} by {tender} for order {number}, {line}. We answer it.",
    ),
    State.DISPUTE_LOST: (
        "Your dispute was decided for you",
        "{amount} by {tender} for order {number}, {line}, went back to you. {asks_back}",
    ),
    State.RETURNED: (
        "Your bank took the debit back",
        "{amount} by {tender} for order {number}, {line}, went back to your account, and is owed again. {asks_back}"
        "Please write to us how you would like to pay it.",
    ),
}
UNTIL = ", until {day}"
BY_DAY = ", by {day}"
ON_DAY = " on {day}"
KEPT_UNTIL = ". It is kept for you until {day}"
BECAUSE = " ({reason})"
WHEN_TAKEN = {"now": "at once", "on-dispatch": "when your order goes out", "on-word": "when it is ready"}
BY_CREDIT = ", {credit} of it as shop credit"
ASKS_BACK = {"goods": "Please send back what you received. ", "other": "Access to it has ended. "}
GIVEN = {
    "goods": " It goes out to you next.",
    "download": " Your download is open now.",
    "course": " Your course is open now.",
    "membership": " Your membership has begun.",
    "booking": " Your seat is kept for you.",
}
ON_ITS_WAY = " It is on its way to you."
TEST_NOTE = "This is a test order: no money moves."
SUBJECT = "{shop}, order {number}: {headline}"

# What happened to an order, for the owner.
HAPPENED: dict[Happened | Move, str] = {
    Happened.PLACED: "The order was placed.",
    Happened.SENT_TO_PROVIDER: "The buyer chose {tender} and goes to the provider.",
    Happened.ARRANGED: "The buyer chose {tender}; the shop waits for the payment{by}.",
    Happened.DISPATCHED: "Goods for {amount} went out{because}.",
    Happened.TAKE_ASKED: "You asked to take {amount}.",
    Happened.RELEASE_ASKED: "You asked to release what was not taken.",
    Happened.REFUND_ASKED: "You asked to refund {amount}.",
    Happened.CANCEL_ASKED: "The payment by {tender} was to be ended.",
    Happened.ASKING_REFUSED: "The provider refused what was asked: {reason}",
    Happened.NOTICE_REFUSED: "The provider told something that was not counted: {reason}",
    Move.AUTHORISED: "{amount} was authorised by {tender}; it lapses{on}.",
    Move.CONFIRMING: "{tender} is being confirmed{by}.",
    Move.PAID: "{amount} was paid by {tender}.",
    Move.DECLINED: "{tender} was declined{because}.",
    Move.ABANDONED: "{tender} was left without paying.",
    Move.EXPIRED: "The time for {tender} ran out.",
    Move.TAKEN: "{amount} was taken.",
    Move.RELEASED: "{amount} was released to the buyer.",
    Move.AUTHORISATION_LAPSED: "The authorisation lapsed: {amount} was not taken in time.",
    Move.REFUNDED: "{amount} was refunded by {tender}.",
    Move.CREDITED: "{amount} was given as shop credit.",
    Move.DISPUTED: "The buyer disputed {amount}{because}; the answer is due{by}.",
    Move.DISPUTE_WON: "The dispute was decided for you: {amount} is yours again.",
    Move.DISPUTE_LOST: "The dispute was decided for the buyer: {amount} is gone.",
    Move.RETURNED: "The debit of {amount} was returned{because}.",
    Move.RECEIPT_SENT: "The buyer sent a receipt of the transfer.",
    Move.RECEIPT_REFUSED: "You did not accept the receipt{because}.",
    Move.OVERDUE: "The payment by {tender} is overdue.",
    Move.LAPSED: "The payment did not arrive, and the order was given up.",
}
BY: dict[By, str] = {By.BUYER: "buyer", By.SHOP: "you", By.PROVIDER: "provider", By.CLOCK: "by itself"}

# What is due next on an order.
DUE: dict[DueCode, str] = {
    DueCode.FINISH: "The buyer finishes the payment of {amount}",
    DueCode.CHOOSE: "The buyer chooses how to pay {amount}",
    DueCode.PAY: "The buyer pays {amount}",
    DueCode.PAY_OVERDUE: "The buyer pays {amount}, which is overdue",
    DueCode.OWES: "The buyer owes {amount}",
    DueCode.LOOK_AT_RECEIPT: "You look at the receipt for {amount}",
    DueCode.TAKE: "You take {amount} before the authorisation lapses",
    DueCode.SEND: "You send the goods, {amount} of them still here",
    DueCode.ASK_BACK: "You ask for the goods back, worth {amount}",
    DueCode.ANSWER_DISPUTE: "You answer the dispute about {amount}",
    DueCode.REFUND_DOUBLE: "You refund {amount}, which was paid twice",
    DueCode.CONFIRM: "The provider confirms {amount}",
    DueCode.ANSWER_REQUEST: "The provider answers what you asked; it is asked again by itself",
}
DUE_BY = ", by {day}"
NOTHING_DUE = "Nothing is due on this order."

# What the state means for the order.
GOODS: dict[Goods, str] = {
    Goods.KEEP_BACK: "keep the goods back",
    Goods.SEND: "send the goods",
    Goods.ASK_BACK: "ask for goods that went out",
}
GOODS_OUT = "the goods are out"
ACCESS: dict[Access, str] = {
    Access.WAIT: "access waits",
    Access.GIVE: "access is given",
    Access.WITHDRAW: "access is withdrawn",
}
STOCK: dict[Stock, str] = {
    Stock.HOLD: "the stock is held",
    Stock.SOLD: "the stock is sold",
    Stock.FREE: "the stock is free again",
}
SEAT: dict[Seat, str] = {
    Seat.HOLD: "the seat is held",
    Seat.KEEP: "the seat is kept",
    Seat.LET_GO: "the seat is let go",
}
