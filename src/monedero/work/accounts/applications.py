"""Applying for an account: begun, filled in at leisure, sent, asked about, refused, corrected, approved."""

from collections.abc import Callable
from datetime import datetime

from monedero.core.account import Account, Act, Mode, Stage
from monedero.core.application import Application, Ask, ReviewExchange, missing
from monedero.core.business import Business
from monedero.core.errors import Conflict, Fault, FaultCode, InvalidInput, NotFound, Refused
from monedero.core.letter import Way
from monedero.core.phone import phone
from monedero.core.provider import ProviderFacts
from monedero.formats.gateway import AnswerGiven, ApplicationAsked, ApplicationHeld
from monedero.store import Store
from monedero.work.accounts.gateways import Gateways
from monedero.work.accounts.merchant_file import MerchantFile, read_business
from monedero.work.accounts.phone_codes import PhoneCodes
from monedero.work.prices.inputs import UNDER_WAY


class Applications:
    """The applications of one shop."""

    def __init__(self, store: Store, gateways: Gateways, codes: PhoneCodes, now: Callable[[], datetime]) -> None:
        self._store = store
        self._gateways = gateways
        self._codes = codes
        self._now = now

    def begin(self, provider: str, mode: Mode, name: str | None = None) -> Account:
        """Begin an application; a first account that is under way stays as it is, a second one needs a name.

        One that was withdrawn is taken up again. A provider that cannot be held beside one that is held is refused,
        with that one.
        """
        facts = self.facts(provider)
        accounts = self._store.accounts.of(mode)
        refuse_excluded(self._store, facts, mode)
        first = accounts.get(provider)
        wanted = (
            first if name is None else next((entry for entry in accounts.values() if entry.name == name), None)
        )
        if wanted is not None and wanted.provider == provider and wanted.stage is Stage.WITHDRAWN:
            return self._take_up(wanted)
        if name is None and first is not None and not first.can(Act.BEGIN):
            return first
        id = provider if name is None or first is None else _free(provider, accounts)
        if name is not None and wanted is not None:
            raise Conflict(Fault(FaultCode.ACCOUNT_HELD, "name", name))
        begun = Account(
            id=id,
            name=name,
            provider=provider,
            mode=mode,
            stage=Stage.BEGUN,
            active_methods=[],
            since=self._now().date(),
        )
        self._store.accounts.put(begun)
        return begun

    def facts(self, provider: str) -> ProviderFacts:
        """Tells what is known of a provider."""
        facts = self._store.providers.all().get(provider)
        if facts is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "provider", provider, {"what": "provider"}))
        return facts

    def account(self, id: str, mode: Mode) -> Account:
        """An account by its id."""
        account = self._store.accounts.get(id, mode)
        if account is None:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "account", id, {"what": "account"}))
        return account

    def application(self, account: Account) -> Application:
        """The application of an account as far as it is."""
        return self._store.sealed.get(application_name(account), Application) or Application()

    def missing(self, account: Account) -> list[Ask]:
        """Tells what the provider asks and is not there yet."""
        facts, merchant_file = self.facts(account.provider), MerchantFile(self._store, self._now)
        business = read_business(self._store).business
        # Every application names who applies, whatever else its provider asks.
        asks = list(dict.fromkeys((Ask.LEGAL, *facts.asks)))
        return missing(asks, business, merchant_file.kinds(), self.application(account))

    def choose_payout(self, account: Account, payout: str) -> None:
        """Choose the account for payouts, where it is not the usual one."""
        accounts = read_business(self._store).business.payout_accounts
        if payout not in {entry.id for entry in accounts}:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "payout", payout, {"what": "account for payouts"}))
        self._fill_in(account, {"payout": payout})

    def send_code(self, account: Account, number: str, way: Way) -> datetime:
        """Send a code to a number; another number is one that is not confirmed."""
        if not account.can(Act.EDIT):
            raise _unfit(account)
        business = read_business(self._store).business
        told = phone(number, business.country)
        until = self._codes.send(application_name(account), self.facts(account.provider).name, told, way)
        if told != self.application(account).phone:
            self._edit(account, {"phone": told, "phone_confirmed_at": None})
        return until

    def check_code(self, account: Account, code: str) -> None:
        """Confirm the number by the code that was sent to it."""
        self._codes.check(application_name(account), self.application(account).phone, code)
        self._fill_in(account, {"phone_confirmed_at": self._now()})

    def accept_terms(self, account: Account) -> None:
        """Accept the provider's terms as they stand, with their version and the day."""
        version = self.facts(account.provider).terms_version
        self._fill_in(account, {"terms_version": version, "terms_accepted_at": self._now()})

    def send(self, account: Account, answer: str = "") -> Account:
        """Send the application, or the answer to a question or a refusal; refused while something is missing."""
        if not account.can(Act.EDIT):
            raise _unfit(account)
        refuse_excluded(self._store, self.facts(account.provider), account.mode)
        lacking = self.missing(account)
        if lacking:
            raise InvalidInput(
                *(Fault(FaultCode.APPLICATION_MISSING, ask.value, "", {"ask": ask.value}) for ask in lacking)
            )
        application = self.application(account)
        gateway = self._gateways.without_access(account)
        if application.reference is not None and account.stage in (Stage.QUESTION, Stage.REFUSED):
            if not answer.strip():
                raise InvalidInput(Fault(FaultCode.QUESTION_BLANK, "answer", ""))
            given = AnswerGiven(answer=answer, papers=MerchantFile(self._store, self._now).digests())
            told = gateway.answer(application.reference, given)
            exchanges = [
                *application.exchanges[:-1],
                application.exchanges[-1].model_copy(update={"answer": given.answer}),
            ]
            self._edit(account, {"exchanges": exchanges})
        else:
            told = gateway.apply(self._asked(account, application))
        self._edit(account, {"reference": told.reference, "sent_at": self._now()})
        return self._take(account, told)

    def withdraw(self, account: Account) -> Account:
        """Leave an application; what it holds stays sealed, so that it can be taken up again."""
        if not account.can(Act.WITHDRAW):
            raise _unfit(account)
        return self._stage(account, Stage.WITHDRAWN)

    def _take_up(self, account: Account) -> Account:
        """Go on where a withdrawn application was; what was sent stands where its provider says."""
        sent = self.application(account).reference is not None
        again = self._stage(account, Stage.IN_REVIEW if sent else Stage.BEGUN)
        return self.refresh(again)

    def refresh(self, account: Account) -> Account:
        """Ask where an application stands; where the provider is silent, it stays as it was."""
        reference = self.application(account).reference
        if account.stage is not Stage.IN_REVIEW or reference is None:
            return account
        try:
            answer = self._gateways.without_access(account).application(reference)
        except Refused:
            return account
        return self._take(account, answer)

    def _take(self, account: Account, answer: ApplicationHeld) -> Account:
        """The account as the provider sees its application."""
        stages = {
            "in-review": Stage.IN_REVIEW,
            "question": Stage.QUESTION,
            "refused": Stage.REFUSED,
            "approved": Stage.APPROVED,
        }
        stage = stages[answer.state]
        if stage is account.stage:
            return account
        exchanges = self.application(account).exchanges
        known = bool(exchanges) and exchanges[-1].said == answer.said and not exchanges[-1].answer
        if answer.said and not known:
            said = ReviewExchange(at=self._now(), said=answer.said, refusal=stage is Stage.REFUSED)
            self._edit(account, {"exchanges": [*exchanges, said]})
        return self._stage(account, stage, answer.number)

    def _asked(self, account: Account, application: Application) -> ApplicationAsked:
        business: Business = read_business(self._store).business
        payout = application.payout or business.payout
        chosen = next((one for one in business.payout_accounts if one.id == payout), None)
        facts = self.facts(account.provider)
        digests = MerchantFile(self._store, self._now).digests()
        return ApplicationAsked(
            mode=account.mode,
            legal_name=business.legal_name,
            country=business.country,
            tax_number=business.tax_number,
            email=business.email or "owner@shop.example",
            phone=application.phone,
            people=[person.name for person in business.people],
            payout=f"{chosen.holder}, {chosen.iban or chosen.account_number}" if chosen else "",
            terms_version=application.terms_version or facts.terms_version,
            papers={ask.value: digests[ask.value] for ask in facts.asks if ask.value in digests},
            methods=[],
        )

    def _fill_in(self, account: Account, update: dict[str, object]) -> None:
        """Fills in the owner's part; what was sent and is not asked about any more stays as it was sent."""
        if not account.can(Act.EDIT):
            raise _unfit(account)
        self._edit(account, update)

    def _edit(self, account: Account, update: dict[str, object]) -> None:
        with self._store.together():
            edited = self.application(account).model_copy(update=update)
            self._store.sealed.put(application_name(account), Application.model_validate(edited.model_dump()))

    def _stage(self, account: Account, stage: Stage, number: str = "") -> Account:
        """Move an account on from the stage at which it was read; one that somebody moved meanwhile stays there."""
        update: dict[str, object] = {"stage": stage, "since": self._now().date()}
        if number:
            update["number"] = number

        def move(now: Account) -> Account:
            return now.model_copy(update=update) if now.stage is account.stage else now

        return self._store.accounts.change(account.id, account.mode, move)


def refuse_excluded(store: Store, facts: ProviderFacts, mode: Mode) -> None:
    """Refuse a provider that cannot be on beside one that is held; either of the two may say so.

    Asked wherever an account comes on its way: what was refused or left may find the other one there.
    """
    providers = store.providers.all()
    for entry in store.accounts.of(mode).values():
        other = providers.get(entry.provider)
        excluded = entry.provider in facts.excludes or (other is not None and facts.id in other.excludes)
        if entry.stage in UNDER_WAY and excluded:
            names = {"provider": facts.name, "other": other.name if other else entry.provider}
            raise Conflict(Fault(FaultCode.EXCLUDED, "provider", facts.id, names))


def _unfit(account: Account) -> Conflict:
    return Conflict(Fault(FaultCode.STAGE_NOT_FIT, "stage", account.stage.value, {}))


def _free(provider: str, accounts: dict[str, Account]) -> str:
    number = 2
    while f"{provider}-{number}" in accounts:
        number += 1
    return f"{provider}-{number}"


def application_name(account: Account) -> str:
    """The name under which the application of an account is sealed."""
    return f"application {account.mode.value} {account.id}"
