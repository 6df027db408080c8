"""Merchants: how they come to be, their credentials, and the three ways in which a shop connects to one.

Source: the sign-in is the authorization code grant of RFC 6749 section 4.1 with the proof key of RFC 7636 (S256).
"""

import base64
import hashlib
import hmac
import random
import secrets
from collections.abc import Mapping
from datetime import UTC, datetime, timedelta
from typing import NamedTuple

from cryptography import x509
from cryptography.hazmat.primitives import serialization
from cryptography.hazmat.primitives.asymmetric.ed25519 import Ed25519PrivateKey

from monedero.core.account import MethodStanding, Mode, Standing
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound
from monedero.core.letter import Words
from monedero.core.provider import CredentialField, ProviderFacts
from monedero.standins.provider.model import CredentialSet, Endpoint, Merchant, SignIn
from monedero.standins.provider.world import World

LETTERS = "ABCDEFGHJKMNPQRSTVWXYZ23456789"
CODE_HOLDS = timedelta(minutes=10)
OLD_SET_HOLDS = timedelta(days=7)


class Holder(NamedTuple):
    """Holds who holds an account."""

    name: str
    email: str
    country: str


class Merchants:
    """The merchants of every provider that is played here."""

    def __init__(self, world: World) -> None:
        self._memory = world.memory
        self._facts = world.facts
        self._cards = world.cards
        self._letters = world.letters
        self._now = world.now
        self._seed = world.seed

    def open(
        self, provider: str, mode: Mode, holder: Holder, refused: Mapping[str, str] | None = None
    ) -> Merchant:
        """A new merchant; its methods become active after the provider's minutes, a device wallet after its domain.

        `refused` are methods that are not given, each with the reason.
        """
        facts = self._facts[provider]
        ready = self._now() + timedelta(minutes=facts.activation_minutes)
        opened: dict[str, MethodStanding | None] = {}
        for method in dict.fromkeys(rate.method for rate in self._cards[provider].rates):
            if refused and method in refused:
                opened[method] = MethodStanding(method=method, standing=Standing.REFUSED, reason=refused[method])
            elif method in facts.domain_for:
                opened[method] = MethodStanding(method=method, standing=Standing.NEEDS_DOMAIN)
            elif facts.activation_minutes:
                opened[method] = MethodStanding(method=method, standing=Standing.ACTIVATING, ready_at=ready)
            else:
                opened[method] = None
        with self._memory.together():
            number = self._number(provider, mode)
            merchant = Merchant(
                number=number,
                provider=provider,
                mode=mode,
                holder=holder.name,
                email=holder.email.strip().lower(),
                country=holder.country,
                methods=opened,
                credentials=[CredentialSet(fields=self._credentials(facts, number, mode))],
            )
            self._memory.put(number, merchant)
        return merchant

    def _number(self, provider: str, mode: Mode) -> str:
        count = sum(1 for merchant in self.all() if merchant.provider == provider)
        draw = random.Random(f"{self._seed} {provider} {count}")
        return f"{provider[:3].upper()}-{mode.value[0].upper()}{draw.randrange(10**5, 10**6)}"

    def _credentials(self, facts: ProviderFacts, number: str, mode: Mode) -> dict[str, str]:
        return {field.id: self._credential(facts, field, number, mode) for field in facts.credentials}

    def _credential(self, facts: ProviderFacts, field: CredentialField, number: str, mode: Mode) -> str:
        if field.file:
            return _certificate(facts.name, number)
        if not field.secret:
            return number if field.id == "merchant-number" else f"{number}/{len(field.id)}"
        drawn = "".join(secrets.choice(LETTERS) for _ in range(20))
        groups = "-".join(drawn[place : place + 5] for place in range(0, 20, 5))
        return f"{facts.name.lower()} {mode.value} {groups}"

    def all(self) -> list[Merchant]:
        """Every merchant, with every method active whose moment has come."""
        return [merchant.ripened(self._now()) for merchant in self._memory.all(Merchant)]

    def get(self, number: str) -> Merchant:
        """A merchant by its number."""
        merchant = self._memory.get(Merchant, number)
        if merchant is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "account", number, {"what": "account"}))
        return merchant.ripened(self._now())

    def put(self, merchant: Merchant) -> None:
        """Keep a merchant."""
        self._memory.put(merchant.number, merchant)

    def by_token(self, token: str) -> Merchant | None:
        """The merchant to which a token opens the way."""
        for merchant in self.all():
            if any(hmac.compare_digest(known.encode(), token.encode()) for known in merchant.tokens):
                return merchant
        return None

    def new_token(self, number: str) -> str:
        """A fresh token for a merchant; the one before it goes on, so that nothing falls between the two."""
        token = secrets.token_urlsafe(24)
        with self._memory.together():
            merchant = self.get(number)
            self.put(merchant.model_copy(update={"tokens": [*merchant.tokens[-1:], token]}))
        return token

    def with_credentials(self, provider: str, mode: Mode, fields: Mapping[str, str]) -> Merchant:
        """The merchant to whom credentials belong; those of the other mode are refused as such."""
        wanted = {field.id for field in self._facts[provider].credentials}
        for name in sorted(wanted - set(fields)):
            raise InvalidInput(Fault(FaultCode.CREDENTIAL_MISSING, f"fields.{name}", ""))
        now = self._now()
        best: list[str] = sorted(wanted)
        for merchant in self.all():
            if merchant.provider != provider:
                continue
            for known in merchant.credentials:
                if known.until is not None and known.until <= now:
                    continue
                wrong = [name for name in sorted(wanted) if not _same(known.fields[name], fields[name])]
                if not wrong and merchant.mode is not mode:
                    what = {"mode": merchant.mode.value, "wanted": mode.value}
                    raise InvalidInput(Fault(FaultCode.CREDENTIAL_MODE, "fields", "", what))
                if not wrong:
                    return merchant
                best = min(best, wrong, key=len)
        raise InvalidInput(*(Fault(FaultCode.CREDENTIAL_REFUSED, f"fields.{name}", "") for name in best))

    def new_credentials(self, number: str) -> CredentialSet:
        """A fresh set; the one before it goes on working for a week."""
        with self._memory.together():
            merchant = self.get(number)
            fields = self._credentials(self._facts[merchant.provider], number, merchant.mode)
            until = self._now() + OLD_SET_HOLDS
            older = [known.model_copy(update={"until": known.until or until}) for known in merchant.credentials]
            fresh = CredentialSet(fields=fields)
            self.put(merchant.model_copy(update={"credentials": [fresh, *older][:3]}))
        return fresh

    def close(self, number: str) -> None:
        """Close an account: nothing opens it any more."""
        with self._memory.together():
            self.put(self.get(number).model_copy(update={"credentials": [], "tokens": []}))

    def set_endpoint(self, number: str, path: str, secret: str) -> None:
        """Tells where the notifications of a merchant go from now on."""
        with self._memory.together():
            self.put(self.get(number).model_copy(update={"endpoint": Endpoint(path=path, secret=secret)}))

    def domain_checked(self, number: str) -> Merchant:
        """The storefront's domain was seen: what waited for it becomes active."""
        with self._memory.together():
            merchant = self.get(number)
            methods = {
                method: None if standing and standing.standing is Standing.NEEDS_DOMAIN else standing
                for method, standing in merchant.methods.items()
            }
            merchant = merchant.model_copy(update={"methods": methods})
            self.put(merchant)
        return merchant

    def code_for(self, number: str, redirect: str, challenge: str) -> str:
        """A code for the browser that signed in."""
        code = secrets.token_urlsafe(24)
        self._memory.put(
            code,
            SignIn(code=code, merchant=number, redirect=redirect, challenge=challenge, at=self._now()),
        )
        return code

    def by_code(self, code: str, redirect: str, verifier: str) -> Merchant:
        """The merchant who signed in; a code works once, for ten minutes, with its proof and its address."""
        with self._memory.together():
            known = self._memory.get(SignIn, code)
            self._memory.drop(SignIn, code)
        if (
            known is None
            or known.redirect != redirect
            or self._now() - known.at > CODE_HOLDS
            or not hmac.compare_digest(known.challenge, challenge_of(verifier))
        ):
            raise Conflict(Fault(FaultCode.SIGN_IN_FORGED, "code", code[:12]))
        return self.get(known.merchant)

    def invite(self, provider: str, mode: Mode, email: str, link: str) -> None:
        """Write to the holder of an account, by its address; an address without an account gets nothing."""
        for merchant in self.all():
            if (merchant.provider, merchant.mode, merchant.email) == (provider, mode, email.strip().lower()):
                name = self._facts[provider].name
                text = (
                    f"Monedero asks to use your {name} account {merchant.number} in {mode.value} mode. "
                    "Open the link within a day if it was you who asked."
                )
                words = Words(text, f"Use your {name} account with Monedero?", link)
                self._letters.send("mail", name, merchant.email, words)
                return
        raise InvalidInput(Fault(FaultCode.CREDENTIAL_REFUSED, "fields.email", email[:80]))

    def by_email(self, provider: str, mode: Mode, email: str) -> Merchant:
        """The merchant of an address."""
        for merchant in self.all():
            if (merchant.provider, merchant.mode, merchant.email) == (provider, mode, email.strip().lower()):
                return merchant
        raise InvalidInput(Fault(FaultCode.CREDENTIAL_REFUSED, "fields.email", email[:80]))


def challenge_of(verifier: str) -> str:
    """The proof of a verifier by S256.

    Source: RFC 7636, section 4.2, with the example of appendix B.

    >>> challenge_of("dBjftJeZ4CVP-mB92K27uhbUJU1p1r_wW1gFWFOEjXk")
    'E9Melhoa2OwvFrEMTJguCHaoeK1t8URWbuGJSstw-cM'
    """
    digest = hashlib.sha256(verifier.encode("ascii", "replace")).digest()
    return base64.urlsafe_b64encode(digest).rstrip(b"=").decode("ascii")


def _same(known: str, given: str) -> bool:
    return hmac.compare_digest(" ".join(known.split()).encode(), " ".join(given.split()).encode())


def _certificate(name: str, number: str) -> str:
    """A certificate of the provider's own making, valid for two years from 2026."""
    key = Ed25519PrivateKey.generate()
    subject = x509.Name(
        [
            x509.NameAttribute(x509.NameOID.ORGANIZATION_NAME, f"{name}, simulated"),
            x509.NameAttribute(x509.NameOID.COMMON_NAME, number),
        ]
    )
    certificate = (
        x509.CertificateBuilder()
        .subject_name(subject)
        .issuer_name(subject)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(datetime(2026, 1, 1, tzinfo=UTC))
        .not_valid_after(datetime(2028, 1, 1, tzinfo=UTC))
        .sign(key, None)
    )
    return certificate.public_bytes(serialization.Encoding.PEM).decode("ascii")
