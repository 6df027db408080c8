"""The accounts, by their own id and mode."""

from collections.abc import Callable

from monedero.core.account import Account, Mode, Stage
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.parsed import Parsed
from monedero.store.tables import AccountRow

# How far along a stage is, for choosing one of several accounts with a provider.
FARTHEST = (
    Stage.CONNECTED,
    Stage.APPROVED,
    Stage.QUESTION,
    Stage.IN_REVIEW,
    Stage.BEGUN,
    Stage.REFUSED,
    Stage.LAPSED,
    Stage.DISCONNECTED,
    Stage.WITHDRAWN,
    Stage.NOT_BEGUN,
)


class Accounts:
    """The accounts of a shop."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database
        self._parsed = {mode: Parsed(lambda body: stored.read(body, Account)) for mode in Mode}

    def of(self, mode: Mode) -> dict[str, Account]:
        """The accounts of a mode, by their id."""
        return dict(self._database.kept(f"accounts {mode}", lambda: self._of(mode)))

    def _of(self, mode: Mode) -> dict[str, Account]:
        rows = list(
            AccountRow.select()
            .where(AccountRow.mode == mode.value)
            .order_by(AccountRow.id)
            .execute(self._database)
        )
        bodies = self._parsed[mode].all([row.body for row in rows])
        return dict(zip((row.account for row in rows), bodies, strict=True))

    def by_provider(self, mode: Mode) -> dict[str, Account]:
        """The account of each provider; of several the one that is farthest along."""
        best: dict[str, Account] = {}
        for account in self.of(mode).values():
            before = best.get(account.provider)
            if before is None or FARTHEST.index(account.stage) < FARTHEST.index(before.stage):
                best[account.provider] = account
        return best

    def get(self, account: str, mode: Mode) -> Account | None:
        """An account by its id and mode."""
        return self.of(mode).get(account)

    def change(self, account: str, mode: Mode, move: Callable[[Account], Account]) -> Account:
        """Read an account as it stands now, move it on, and keep it, in one transaction; what is unchanged stays.

        Whoever asks a provider for seconds and then keeps the answer must not bring back what was left meanwhile:
        `move` looks at the account again.
        """
        with self._database.atomic("IMMEDIATE"):
            before = self.get(account, mode)
            if before is None:
                raise NotFound(Fault(FaultCode.NOT_FOUND, "account", account, {"what": "account"}))
            moved = move(before)
            if moved != before:
                self.put(moved)
        return moved

    def remove(self, account: Account) -> None:
        """Take an account away."""
        which = (AccountRow.account == account.id) & (AccountRow.mode == account.mode.value)
        AccountRow.delete().where(which).execute(self._database)

    def put(self, account: Account) -> None:
        """Keep an account; an earlier state of it is replaced."""
        AccountRow.insert(
            account=account.id,
            provider=account.provider,
            mode=account.mode.value,
            body=stored.written(account),
        ).on_conflict(conflict_target=[AccountRow.account, AccountRow.mode], preserve=[AccountRow.body]).execute(
            self._database
        )
