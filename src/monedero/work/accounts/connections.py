"""Connecting an account: by its credentials, by a sign-in, or by its address; and leaving it again.

What opens an account is checked with the provider before it is kept, and kept sealed. A new set takes the place of
the old one in one step, so that payments never stand between two.

Source: the sign-in is RFC 6749 section 4.1 with RFC 7636; `state` is bound to the browser as section 10.12 asks.
"""

import base64
import hashlib
import hmac
import secrets
from collections.abc import Callable, Mapping
from datetime import datetime, timedelta
from typing import NamedTuple
from urllib.parse import urlencode

from cryptography.x509 import load_pem_x509_certificate
from pydantic import BaseModel

from monedero.core.account import Account, Act, Mode, Stage
from monedero.core.email_address import email_address
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, Refused
from monedero.core.provider import ConnectBy, ProviderFacts
from monedero.formats import webhook
from monedero.formats.gateway import AccountHeld, Connection
from monedero.store import Store
from monedero.work.accounts.applications import refuse_excluded
from monedero.work.accounts.gateways import Access, Gateways, HeldSecret, access_name

CAME_BACK_TO = "/accounts/connected"
NOTIFY = "/notify"
SIGN_IN_HOLDS = timedelta(minutes=10)
OLD_SECRET_HOLDS = timedelta(days=1)
LINK_HOLDS = timedelta(days=1)


class Begun(BaseModel):
    """A sign-in that was begun, or a link that was sent. It is sealed, and good once."""

    account: str
    mode: Mode
    verifier: str = ""
    email: str = ""
    at: datetime


class BegunSignIn(NamedTuple):
    """Holds where the browser goes, and the state that it must bring back."""

    go_to: str
    state: str


class Connections:
    """The ways in which the accounts of a shop are connected."""

    def __init__(self, store: Store, gateways: Gateways, pages: str, now: Callable[[], datetime]) -> None:
        """`pages` is the path under which providers have their own pages, by their id."""
        self._store = store
        self._gateways = gateways
        self._pages = pages
        self._now = now

    def by_credentials(self, account: Account, fields: Mapping[str, str]) -> Account:
        """Connect by what was pasted; a part that is missing, broken or of the other mode is refused by its name."""
        facts = self._ready(account, ConnectBy.CREDENTIALS)
        given = {field.id: fields.get(field.id, "").strip() for field in facts.credentials}
        faults = [
            Fault(FaultCode.CREDENTIAL_MISSING, f"fields.{name}") for name, value in given.items() if not value
        ]
        for field in facts.credentials:
            if field.file and given[field.id] and not _is_certificate(given[field.id]):
                faults.append(Fault(FaultCode.CREDENTIAL_FILE, f"fields.{field.id}"))
        if faults:
            raise InvalidInput(*faults)
        connection = self._gateways.without_access(account).connect(account.mode, given)
        return self._connected(account, connection, given)

    def begin_sign_in(self, account: Account) -> BegunSignIn:
        """Begin a sign-in at the provider."""
        self._ready(account, ConnectBy.SIGN_IN)
        state, verifier = secrets.token_urlsafe(24), secrets.token_urlsafe(48)
        begun = Begun(account=account.id, mode=account.mode, verifier=verifier, at=self._now())
        self._store.sealed.put(_sign_in(state), begun)
        digest = hashlib.sha256(verifier.encode("ascii")).digest()
        asked = {
            "response_type": "code",
            "client_id": "monedero",
            "mode": account.mode.value,
            "redirect_uri": CAME_BACK_TO,
            "state": state,
            "code_challenge": base64.urlsafe_b64encode(digest).rstrip(b"=").decode("ascii"),
            "code_challenge_method": "S256",
        }
        return BegunSignIn(f"{self._pages}/{account.provider}/authorize?{urlencode(asked)}", state)

    def end_sign_in(self, state: str, bound: str, code: str) -> Account:
        """Connect by what a sign-in brought back; `bound` is the state that this browser began with."""
        begun = self._store.sealed.get(_sign_in(state), Begun) if state else None
        same = hmac.compare_digest(state.encode(), bound.encode())
        if begun is None or not same or self._now() - begun.at > SIGN_IN_HOLDS:
            raise InvalidInput(Fault(FaultCode.SIGN_IN_FORGED, "state", state[:12]))
        self._store.sealed.drop(_sign_in(state))
        account = self._account(begun)
        if not code:
            raise Conflict(Fault(FaultCode.SIGN_IN_DENIED, "code"))
        connection = self._gateways.without_access(account).token(code, CAME_BACK_TO, begun.verifier)
        return self._connected(account, connection, {})

    def begin_by_email(self, account: Account, email: str) -> None:
        """Let the provider write to the address of an account."""
        self._ready(account, ConnectBy.EMAIL)
        address = email_address(email)
        token = secrets.token_urlsafe(24)
        link = f"{CAME_BACK_TO}?confirms={token}"
        self._gateways.without_access(account).invite(account.mode, address, link)
        begun = Begun(account=account.id, mode=account.mode, email=address, at=self._now())
        self._store.sealed.put(_link(token), begun)

    def end_by_email(self, token: str) -> Account:
        """Connect by the link of the provider's mail."""
        begun = self._store.sealed.get(_link(token), Begun) if token else None
        if begun is None or self._now() - begun.at > LINK_HOLDS:
            raise InvalidInput(Fault(FaultCode.SIGN_IN_FORGED, "confirms", token[:12]))
        self._store.sealed.drop(_link(token))
        account = self._account(begun)
        connection = self._gateways.without_access(account).confirmed(account.mode, begun.email)
        return self._connected(account, connection, {}, begun.email)

    def access(self, account: Account) -> Access | None:
        """Tells what opens the account, to be shown masked."""
        return self._store.sealed.get(access_name(account.id, account.mode), Access)

    def refresh(self, account: Account) -> Account:
        """Ask how the account stands; one that the provider no longer opens has lapsed."""
        if account.stage is not Stage.CONNECTED or account.elsewhere:
            return account
        try:
            held = self._gateways.of(account).account()
        except InvalidInput as refused:
            if refused.faults[0].fields.get("code") != FaultCode.ACCESS_REFUSED.value:
                return account
            lapsed = {"stage": Stage.LAPSED, "active_methods": [], "since": self._now().date()}
            return self._while(account, Stage.CONNECTED, lapsed)
        except Refused:
            return account
        return self._keep(account, held)

    def check_domain(self, account: Account) -> Account:
        """Let the provider look at the storefront's domain."""
        return self._keep(account, self._gateways.of(account).check_domain())

    def new_secret(self, account: Account) -> None:
        """Replace the secret that signs notifications; the old one is believed for a day more."""
        access = self.access(account)
        if access is None:
            raise Conflict(Fault(FaultCode.NOT_CONNECTED, "account", account.id))
        secret = webhook.new_secret()
        until = self._now() + OLD_SECRET_HOLDS
        older = [held.model_copy(update={"until": held.until or until}) for held in access.secrets]
        # Believed before it is told, so that no notification comes too early.
        update = {"secrets": [HeldSecret(secret=secret), *older][:3]}
        self._store.sealed.put(access_name(account.id, account.mode), access.model_copy(update=update))
        self._gateways.of(account).set_endpoint(self._notify(account), secret)

    def check_endpoint(self, account: Account) -> None:
        """Ask the provider for a notification that only says that they arrive."""
        self._gateways.of(account).check_endpoint()

    def disconnect(self, account: Account) -> Account:
        """Leave an account. What opens it stays sealed, so that it can be taken up again."""
        if not account.can(Act.DISCONNECT):
            raise Conflict(Fault(FaultCode.STAGE_NOT_FIT, "stage", account.stage.value))
        return self._while(account, Stage.CONNECTED, {"stage": Stage.DISCONNECTED, "since": self._now().date()})

    def reconnect(self, account: Account) -> Account:
        """Take an account up again with what opened it before."""
        if not account.can(Act.RECONNECT):
            raise Conflict(Fault(FaultCode.STAGE_NOT_FIT, "stage", account.stage.value))
        refuse_excluded(self._store, self._facts(account), account.mode)
        if account.elsewhere:
            return self._while(account, Stage.DISCONNECTED, {"stage": Stage.CONNECTED})
        held = self._gateways.of(account).account()
        again = {"stage": Stage.CONNECTED, "since": self._now().date(), **_methods(held)}
        return self._while(account, Stage.DISCONNECTED, again)

    def _facts(self, account: Account) -> ProviderFacts:
        facts = self._store.providers.all().get(account.provider)
        if facts is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", account.provider, {"what": "provider"}))
        return facts

    def _ready(self, account: Account, by: ConnectBy) -> ProviderFacts:
        facts = self._facts(account)
        if not account.can(Act.CONNECT) or facts.connects is not by:
            raise _not_begun(account)
        refuse_excluded(self._store, facts, account.mode)
        return facts

    def _account(self, begun: Begun) -> Account:
        """The account that a connection was begun for; it may have been left meanwhile."""
        account = self._store.accounts.get(begun.account, begun.mode)
        if account is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "account", begun.account, {"what": "account"}))
        if not account.can(Act.CONNECT):
            raise _not_begun(account)
        refuse_excluded(self._store, self._facts(account), account.mode)
        return account

    def _connected(
        self, account: Account, connection: Connection, fields: Mapping[str, str], email: str = ""
    ) -> Account:
        """Keep what opens the account, tell where notifications go, and keep what is active in it."""
        held = connection.account
        if held.mode is not account.mode:
            modes = {"mode": held.mode.value, "wanted": account.mode.value}
            raise InvalidInput(Fault(FaultCode.CREDENTIAL_MODE, "fields", "", modes))
        before = self.access(account)
        secrets_held = before.secrets if before else [HeldSecret(secret=webhook.new_secret())]
        access = Access(
            token=connection.access_token,
            fields=dict(fields),
            email=email,
            changed_at=self._now(),
            secrets=secrets_held,
        )
        endpoint = account.endpoint or secrets.token_urlsafe(12)
        since = account.since if account.stage is Stage.CONNECTED else self._now().date()
        # An account that was held elsewhere is carried here from now on; all that was said of it stays.
        update: dict[str, object] = {"stage": Stage.CONNECTED, "since": since, "elsewhere": False}
        update |= {"number": held.number, "endpoint": endpoint}

        def connect(now: Account) -> Account:
            # The account may have been left, or its storefronts changed, while the provider was asked.
            if not now.can(Act.CONNECT):
                raise _not_begun(now)
            return now.model_copy(update={**update, **_methods(held)})

        with self._store.together():
            kept = self._store.accounts.change(account.id, account.mode, connect)
            self._store.sealed.put(access_name(account.id, account.mode), access)
        gateway = self._gateways.of(kept)
        gateway.set_endpoint(self._notify(kept), secrets_held[0].secret)
        gateway.check_endpoint()
        return kept

    def _notify(self, account: Account) -> str:
        """Tells where the notifications of an account go."""
        return self._gateways.here(account.provider, f"{NOTIFY}/{account.endpoint}")

    def _keep(self, account: Account, held: AccountHeld) -> Account:
        """The account with its methods as the provider sees them."""
        return self._while(account, account.stage, _methods(held))

    def _while(self, account: Account, stage: Stage, update: Mapping[str, object]) -> Account:
        """Change an account as it is now, as long as it is still at a stage; else it stays as somebody left it."""

        def move(now: Account) -> Account:
            return now.model_copy(update=dict(update)) if now.stage is stage else now

        return self._store.accounts.change(account.id, account.mode, move)


def _methods(held: AccountHeld) -> dict[str, object]:
    """The methods of an account as the provider sees them."""
    return {
        "active_methods": [entry.method for entry in held.methods if entry.active],
        "other_methods": [entry.standing for entry in held.methods if entry.standing],
    }


def _not_begun(account: Account) -> Conflict:
    return Conflict(Fault(FaultCode.STAGE_NOT_FIT, "stage", account.stage.value))


def _is_certificate(text: str) -> bool:
    try:
        load_pem_x509_certificate(text.encode())
    except ValueError:
        return False
    return True


def _sign_in(state: str) -> str:
    return f"sign-in {state}"


def _link(token: str) -> str:
    return f"link {token}"
