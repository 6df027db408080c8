"""The things that stand between a checkout and its buyers: what forbids, and what only warns.

An item is computed and never ticked by hand. One that warns can be accepted with a reason; it is asked about again when
anything in it is another thing.

Source: own design.

>>> item = ReadyItem(ReadyCode.SINGLE_WAY, fields={"count": 2})
>>> item.weight.value, item.id == ReadyItem(ReadyCode.SINGLE_WAY, fields={"count": 2}).id
('warns', True)
>>> item.id == ReadyItem(ReadyCode.SINGLE_WAY, fields={"count": 3}).id
False
"""

import json
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from enum import StrEnum
from hashlib import sha256
from typing import NamedTuple


class Weight(StrEnum):
    """The weight of an item: it forbids to meet real buyers, or it warns."""

    FORBIDS = "forbids"
    WARNS = "warns"


class ReadyCode(StrEnum):
    """Everything that can stand in the way, in the sequence in which it is told."""

    NOTHING_ON = "nothing-on"
    DEAD_END = "dead-end"
    NO_DETAILS = "no-details"
    ACCOUNT_NOT_LIVE = "account-not-live"
    METHOD_NOT_ACTIVE = "method-not-active"
    DOMAIN_NOT_PROVEN = "domain-not-proven"
    TEST_ACCESS = "test-access"
    EXCLUDED_PAIR = "excluded-pair"
    FEE_FORBIDDEN = "fee-forbidden"
    COUNTRY_FORBIDDEN = "country-forbidden"
    NO_CONTACT = "no-contact"
    REHEARSAL_FAILED = "rehearsal-failed"
    FEE_OVER_COST = "fee-over-cost"
    FEE_LIMITED = "fee-limited"
    LAW_UNKNOWN = "law-unknown"
    DETAILS_IN_PART = "details-in-part"
    NO_NOTIFICATIONS = "no-notifications"
    NOTIFICATIONS_FAIL = "notifications-fail"
    SINGLE_WAY = "single-way"
    UNREACHABLE = "unreachable"
    WORDS_MISSING = "words-missing"
    LANGUAGE_NOT_READY = "language-not-ready"
    NO_POLICY = "no-policy"
    LINES_NOT_LISTED = "lines-not-listed"
    NOT_REHEARSED = "not-rehearsed"
    REHEARSAL_STALE = "rehearsal-stale"
    KEY_COPY = "key-copy"


FORBIDS = frozenset(
    {
        ReadyCode.NOTHING_ON,
        ReadyCode.DEAD_END,
        ReadyCode.NO_DETAILS,
        ReadyCode.ACCOUNT_NOT_LIVE,
        ReadyCode.METHOD_NOT_ACTIVE,
        ReadyCode.DOMAIN_NOT_PROVEN,
        ReadyCode.TEST_ACCESS,
        ReadyCode.EXCLUDED_PAIR,
        ReadyCode.FEE_FORBIDDEN,
        ReadyCode.COUNTRY_FORBIDDEN,
        ReadyCode.NO_CONTACT,
        ReadyCode.REHEARSAL_FAILED,
    }
)
SEQUENCE = list(ReadyCode)


@dataclass(frozen=True)
class ReadyItem:
    """One thing that stands in the way. `about` is the id of what it is about: a tender, a provider, a language.

    `fields` are names, ids, counts and codes that its sentence takes; `source` is where a rule of law is written.
    """

    code: ReadyCode
    about: str = ""
    fields: Mapping[str, str | int] = field(default_factory=dict)
    source: str = ""

    @property
    def weight(self) -> Weight:
        """Its weight, by its code."""
        return Weight.FORBIDS if self.code in FORBIDS else Weight.WARNS

    @property
    def id(self) -> str:
        """An id from all of it, so that a reason that was given for it holds for nothing else."""
        said = json.dumps([self.about, sorted(self.fields.items()), self.source])
        return f"{self.code.value}-{sha256(said.encode()).hexdigest()[:12]}"


class Accepted(NamedTuple):
    """The reason for which a warning is accepted, who gave it, and when."""

    reason: str
    actor: str
    at: datetime


def in_sequence(items: Iterable[ReadyItem]) -> list[ReadyItem]:
    """Items with those that forbid first, each kind in the sequence of the codes."""
    return sorted(items, key=lambda item: (item.weight is Weight.WARNS, SEQUENCE.index(item.code)))
