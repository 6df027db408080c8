"""The English catalogue of what is said between the shop and a gateway, by the contract of `docs/gateway.md`."""

import re

# What is asked of a gateway, by method and path; `*` stands for the reference of a payment or an application.
ASKED: dict[str, str] = {
    "POST /connection": "Open the account by its credentials",
    "POST /connection/by-email": "Write to the address of the account",
    "POST /connection/confirmed": "Open the account that was confirmed by mail",
    "POST /token": "Open the account by the sign-in",
    "GET /account": "How does the account stand?",
    "POST /domain": "Look for your file on the storefront's domain",
    "PUT /endpoint": "Notifications go to this address, signed with this secret",
    "POST /endpoint/check": "Send a notification, to see that they arrive",
    "POST /payments": "Begin a payment",
    "GET /payments/*": "How does the payment stand?",
    "POST /payments/*/take": "Take money that was authorised",
    "POST /payments/*/refund": "Give money back to the buyer",
    "POST /payments/*/release": "Give back what was authorised and not taken",
    "POST /payments/*/cancel": "End the payment, its buyer chose another way",
    "POST /applications": "Here is the application",
    "GET /applications/*": "How does the application stand?",
    "POST /applications/*/answer": "Here is the answer to what was asked",
}
# What a gateway tells of its own accord, by the type of the notification.
TOLD: dict[str, str] = {
    "payment.moved": "Something happened to the payment",
    "account.changed": "Something changed in the account",
    "endpoint.checked": "This notification arrives",
    "notification": "Something that could not be believed",
}
BY_HAND = ", by hand"


def exchange_text(what: str, *, incoming: bool) -> str:
    """What was said, in words; as it was said, where there are none for it."""
    if incoming:
        by_hand = BY_HAND if what.endswith(BY_HAND) else ""
        told = what.removesuffix(BY_HAND)
        return f"{TOLD.get(told, told)}{by_hand}"
    asked = re.sub(r"^(\w+ /(?:payments|applications)/)[^/]+", r"\1*", what)
    return ASKED.get(asked, what)
