"""The English catalogue of accounts: what providers ask, and where an account stands."""

from monedero.core.account import Stage, Standing
from monedero.core.application import Ask
from monedero.core.provider import ConnectBy

ASKS: dict[Ask, str] = {
    Ask.LEGAL: "legal name and form, tax number and address",
    Ask.PEOPLE: "the people who own the business, and somebody who signs",
    Ask.PAYOUT_ACCOUNT: "the account that payouts go to",
    Ask.PHONE: "a telephone number, confirmed by a code",
    Ask.TERMS: "its terms, accepted",
    Ask.IDENTITY: "an identity document of the owner",
    Ask.REGISTER_EXTRACT: "an extract from the company register",
    Ask.YEARLY_ACCOUNTS: "accounts of the last year",
    Ask.CARD_DATA_ANSWERS: "answers to the questions on card data",
    Ask.RETURN_POLICY: "a return policy on the site",
    Ask.PRIVACY_POLICY: "a privacy policy on the site",
    Ask.LINES_LISTED: "lines and prices on the site",
    Ask.STOREFRONT_OPEN: "a storefront that is open to the public",
}
# Where an account stands, as a sentence; the day follows.
STANDS: dict[Stage, str] = {
    Stage.NOT_BEGUN: "Nothing is begun with {provider}",
    Stage.BEGUN: "The application is begun, and lies here unsent",
    Stage.IN_REVIEW: "{provider} is reviewing your application",
    Stage.QUESTION: "{provider} asked something and waits for your answer",
    Stage.REFUSED: "{provider} refused the application",
    Stage.APPROVED: "{provider} approved you; the account is not connected yet",
    Stage.CONNECTED: "Connected",
    Stage.LAPSED: "{provider} closed the account",
    Stage.DISCONNECTED: "You disconnected the account",
    Stage.WITHDRAWN: "You withdrew the application",
}
WAITS_FOR: dict[Stage, str] = {
    Stage.IN_REVIEW: "It takes about {days} days; until then your own arrangements can take orders.",
    Stage.APPROVED: "Connect it, and its methods can be offered.",
}
STANDINGS: dict[Standing, str] = {
    Standing.ACTIVATING: "being activated{ready}",
    Standing.REFUSED: "refused: {why}",
    Standing.NEEDS_DOMAIN: "waits until your domain is checked",
    Standing.OFF: "switched off there",
}
CONNECTS: dict[ConnectBy, str] = {
    ConnectBy.SIGN_IN: "You sign in at {provider} and come back here.",
    ConnectBy.CREDENTIALS: "{provider} gives you credentials, which you paste here.",
    ConnectBy.EMAIL: "You name the address of your account, and confirm by the mail that {provider} sends.",
}
