"""Refusals as data: a code with fields, and no prose.

Rule: every refusal names the field, the value as it came and what would be right; the wording lives in
`monedero.wording`, one catalogue per language, and a test holds codes and catalogue together.

Source: own design.

>>> fault = Fault(FaultCode.CURRENCY_UNKNOWN, field="amount", value="5 XYZ")
>>> fault.at("rates.0").field
'rates.0.amount'
>>> raise InvalidInput(fault)
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: currency-unknown amount='5 XYZ'
"""

import dataclasses
from collections.abc import Mapping
from enum import StrEnum


class FaultCode(StrEnum):
    """Everything that can be wrong with what somebody gave us."""

    MONEY_TEXT = "money-text"
    AMOUNT_TEXT = "amount-text"
    AMOUNT_NEGATIVE = "amount-negative"
    AMOUNT_ZERO = "amount-zero"
    AMOUNT_DECIMALS = "amount-decimals"
    AMOUNT_AMBIGUOUS = "amount-ambiguous"
    CURRENCIES_TYPED = "currencies-typed"
    SIGN_AMBIGUOUS = "sign-ambiguous"
    CURRENCY_UNKNOWN = "currency-unknown"
    CURRENCY_MIXED = "currency-mixed"
    COUNTRY_UNKNOWN = "country-unknown"
    PERCENT_TEXT = "percent-text"
    PERCENT_RANGE = "percent-range"
    IDENTIFIER_TEXT = "identifier-text"
    LANGUAGE_TAG = "language-tag"
    POSTCODE_PREFIX = "postcode-prefix"
    TOWN_UNKNOWN = "town-unknown"
    HOUR_TEXT = "hour-text"
    HOURS_CROSSED = "hours-crossed"
    FEE_TWICE = "fee-twice"
    WEIGHTS_ORDER = "weights-order"
    NEVER_OPEN = "never-open"
    EVERYWHERE_LAST = "everywhere-last"
    DELIVERY_REFUSED = "delivery-refused"
    DELIVERY_DAY = "delivery-day"
    ADDRESS_MISSING = "address-missing"
    CONDITION_KEYS = "condition-keys"
    PAYOUT_TEXT = "payout-text"
    CALENDAR_UNKNOWN = "calendar-unknown"
    LIMITS_CROSSED = "limits-crossed"
    LIMITS_DOUBLED = "limits-doubled"
    LIST_EMPTY = "list-empty"
    DUPLICATE = "duplicate"
    REFERENCE_DANGLING = "reference-dangling"
    BANDS_ORDER = "bands-order"
    CARD_TOO_LONG = "card-too-long"
    SHEET_TOO_LARGE = "sheet-too-large"
    RATE_TWICE_PRICED = "rate-twice-priced"
    KEY_UNKNOWN = "key-unknown"
    KEY_MISSING = "key-missing"
    NOT_ONE_OF = "not-one-of"
    WRONG_TYPE = "wrong-type"
    TOO_LONG = "too-long"
    BLANK = "blank"
    BODY_UNREADABLE = "body-unreadable"
    BODY_TOO_LARGE = "body-too-large"
    BODY_NEWER = "body-newer"
    SHOWN_OLD = "shown-old"
    KEY_FILE_MISSING = "key-file-missing"
    KEY_FILE_BROKEN = "key-file-broken"
    DATABASE_BROKEN = "database-broken"
    FOLDER_LOCKED = "folder-locked"
    GATEWAY_HOST = "gateway-host"
    NOT_JSON = "not-json"
    NOT_UTF8 = "not-utf8"
    FORMAT_UNKNOWN = "format-unknown"
    DATE_TEXT = "date-text"
    DATE_AMBIGUOUS = "date-ambiguous"
    DATE_RANGE = "date-range"
    UNFORESEEN = "unforeseen"
    DISK_FULL = "disk-full"
    CSV_BROKEN = "csv-broken"
    COLUMN_MISSING = "column-missing"
    COLUMN_UNKNOWN = "column-unknown"
    COLUMN_COUNT = "column-count"
    CARDS_SAME_DAY = "cards-same-day"
    FILE_UNREADABLE = "file-unreadable"
    TEXT_TOO_LONG = "text-too-long"
    TEXT_BINARY = "text-binary"
    TEXT_NO_PRICE = "text-no-price"
    PRICE_ROW = "price-row"
    PROVIDER_IN_DRAFT = "provider-in-draft"
    PROVIDER_PUBLISHED = "provider-published"
    PROVIDER_HELD = "provider-held"
    ORDERS_WAIT = "orders-wait"
    EXAMPLES_HELD = "examples-held"
    TABLE_EMPTY = "table-empty"
    SHEET_UNREADABLE = "sheet-unreadable"
    COLUMN_UNMATCHED = "column-unmatched"
    ORDER_DIFFERS = "order-differs"
    COUNTRY_NAME = "country-name"
    DAY_FORMAT = "day-format"
    IMPORT_UNDER_WAY = "import-under-way"
    SHARES_TOTAL = "shares-total"
    BUYERS_MISSING = "buyers-missing"
    WAY_UNKNOWN = "way-unknown"
    SET_TEXT = "set-text"
    ROUTE_UNKNOWN = "route-unknown"
    TWO_OF_SET = "two-of-set"
    CHARGE_RATE = "charge-rate"
    NO_SET = "no-set"
    ASSUMPTION_UNKNOWN = "assumption-unknown"
    FILE_TOO_LARGE = "file-too-large"
    FILE_LEFT = "file-left"
    NAME_TAKEN = "name-taken"
    NOT_FOUND = "not-found"
    VERSION_OLD = "version-old"
    SHOP_NOT_DESCRIBED = "shop-not-described"
    SHOP_DESCRIBED = "shop-described"
    LINE_WITHOUT_AMOUNT = "line-without-amount"
    REHEARSAL_UNDER_WAY = "rehearsal-under-way"
    CANNOT_ACCEPT = "cannot-accept"
    NOT_READY = "not-ready"
    EDITION_NEWEST = "edition-newest"
    EDITION_OTHER_MODE = "edition-other-mode"
    PLANNED_PAST = "planned-past"
    NOTHING_CHANGED = "nothing-changed"
    NOTHING_OFFERED = "nothing-offered"
    NOT_PUBLISHED = "not-published"
    STOREFRONT_PAUSED = "storefront-paused"
    FEE_UNKNOWN = "fee-unknown"
    IN_USE = "in-use"
    NO_STEP = "no-step"
    REASON_STAYS = "reason-stays"
    FIX_WAITS = "fix-waits"
    TWO_LINES = "two-lines"
    TAKES_AWAY = "takes-away"
    TENDER_HELD_BACK = "tender-held-back"
    ORDER_SETTLED = "order-settled"
    MOVE_NOT_ALLOWED = "move-not-allowed"
    BOOKS_DISAGREE = "books-disagree"
    AMOUNT_DIFFERS = "amount-differs"
    AMOUNT_BEYOND = "amount-beyond"
    AMOUNT_MISSING = "amount-missing"
    CURRENCY_DIFFERS = "currency-differs"
    CARD_NUMBER = "card-number"
    TAX_NUMBER = "tax-number"
    IBAN = "iban"
    IBAN_COUNTRY = "iban-country"
    ACCOUNT_NUMBER = "account-number"
    ACCOUNT_MISSING = "account-missing"
    SHARES_OVER = "shares-over"
    DAYS_CROSSED = "days-crossed"
    NOTICE_FORGED = "notice-forged"
    NOTICE_OLD = "notice-old"
    NOTICE_DIFFERS = "notice-differs"
    NOTICE_UNKNOWN = "notice-unknown"
    STAGE_NOT_FIT = "stage-not-fit"
    CREDENTIAL_MISSING = "credential-missing"
    CREDENTIAL_MODE = "credential-mode"
    CREDENTIAL_REFUSED = "credential-refused"
    SIGN_IN_FORGED = "sign-in-forged"
    PROVIDER_REFUSED = "provider-refused"
    PROVIDER_SILENT = "provider-silent"
    KEY_REUSED = "key-reused"
    ACCESS_REFUSED = "access-refused"
    METHOD_NOT_ACTIVE = "method-not-active"
    DOMAIN_NOT_SEEN = "domain-not-seen"
    CLOCK_RANGE = "clock-range"
    NOT_CONNECTED = "not-connected"
    NOTICE_OTHER = "notice-other"
    DOMAIN_TEXT = "domain-text"
    GATEWAY_TEXT = "gateway-text"
    VAULT_KEY = "vault-key"
    NOTICE_UNREADABLE = "notice-unreadable"
    CREDENTIAL_FILE = "credential-file"
    SIGN_IN_DENIED = "sign-in-denied"
    PAPER_KIND = "paper-kind"
    PAPER_BROKEN = "paper-broken"
    PAPER_TOO_LARGE = "paper-too-large"
    PAPER_EMPTY = "paper-empty"
    PAPERS_MANY = "papers-many"
    PHONE_NUMBER = "phone-number"
    CODE_WRONG = "code-wrong"
    CODE_SPENT = "code-spent"
    CODE_EXPIRED = "code-expired"
    CODE_NOT_SENT = "code-not-sent"
    CODE_TOO_SOON = "code-too-soon"
    APPLICATION_MISSING = "application-missing"
    EXCLUDED = "excluded"
    ACCOUNT_HELD = "account-held"
    EMAIL_TEXT = "email-text"
    QUESTION_BLANK = "question-blank"
    REQUEST_FOREIGN = "request-foreign"
    PLACEHOLDER_UNKNOWN = "placeholder-unknown"
    BRACE_ALONE = "brace-alone"
    CHOICES_COUNT = "choices-count"
    FIELDS_MANY = "fields-many"
    ANSWER_MISSING = "answer-missing"
    ANSWER_NUMBER = "answer-number"
    BIC = "bic"
    CASH_SHORT = "cash-short"
    AMOUNT_CHOSEN = "amount-chosen"
    CART_TEXT = "cart-text"
    CART_ALONE = "cart-alone"
    CART_APART = "cart-apart"
    CART_PRICE = "cart-price"
    DEPOSIT_EITHER = "deposit-either"
    DEPOSIT_LINE = "deposit-line"
    WEIGHED_LINE = "weighed-line"
    FILM_LINK = "film-link"
    VOUCHER_CODE = "voucher-code"
    VOUCHER_UNKNOWN = "voucher-unknown"
    VOUCHER_EXPIRED = "voucher-expired"
    VOUCHER_EMPTY = "voucher-empty"
    VOUCHER_OTHER_CURRENCY = "voucher-other-currency"
    VOUCHER_HELD_OFF = "voucher-held-off"
    VOUCHER_STANDS_STILL = "voucher-stands-still"
    LINK_ELSEWHERE = "link-elsewhere"
    PICTURE_ELSEWHERE = "picture-elsewhere"
    TOTAL_CHANGED = "total-changed"
    TRIES_MANY = "tries-many"
    PICTURE_KIND = "picture-kind"
    PICTURE_BROKEN = "picture-broken"
    PICTURE_TOO_LARGE = "picture-too-large"


@dataclasses.dataclass(frozen=True, slots=True)
class Fault:
    """One thing that is wrong: its code, the field it stands in, the value as it came, and further fields."""

    code: FaultCode
    field: str = ""
    value: str = ""
    fields: Mapping[str, str] = dataclasses.field(default_factory=dict)

    def at(self, place: str) -> "Fault":
        """The same fault, seen from a place further out."""
        return dataclasses.replace(self, field=".".join(part for part in (place, self.field) if part))


class Refused(Exception):
    """The root of every refusal; carries one or more faults."""

    def __init__(self, *faults: Fault) -> None:
        """Keep the faults in the sequence in which they were found."""
        super().__init__(" ".join(f"{fault.code} {fault.field}={fault.value!r}" for fault in faults))
        self.faults = faults


class InvalidInput(Refused):
    """A given value breaks a rule of its own."""


class NotFound(Refused):
    """Something that was asked for is not there."""


class Conflict(Refused):
    """A request does not fit the state that things are in now."""


def named(field: str, name: str, names: Mapping[str, str]) -> dict[str, str]:
    """A name as fields of a fault: in the first language, and under `field@language` in others.

    >>> named("name", "Courier", {"de": "Kurier"})
    {'name': 'Courier', 'name@de': 'Kurier'}
    """
    return {field: name, **{f"{field}@{language}": other for language, other in names.items()}}


def refuse(code: FaultCode, field: str = "", value: object = "", **fields: object) -> InvalidInput:
    """Build the refusal of one value; the caller raises it."""
    return InvalidInput(Fault(code, field, str(value), {name: str(text) for name, text in fields.items()}))
