"""The accounts, by their own id and mode."""

from peewee import SqliteDatabase

from monedero.core.account import Account, Mode, Stage
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

    def __init__(self, database: SqliteDatabase) -> None:
        """Work on one database."""
        self._database = database

    def of(self, mode: Mode) -> dict[str, Account]:
        """The accounts of a mode, by their id."""
        rows = (
            AccountRow.select()
            .where(AccountRow.mode == mode.value)
            .order_by(AccountRow.id)
            .execute(self._database)
        )
        return {row.account: Account.model_validate_json(row.body) for row in rows}

    def by_provider(self, mode: Mode) -> dict[str, Account]:
        """The account of each provider; of several the one that is farthest along."""
        best: dict[str, Account] = {}
        for account in self.of(mode).values():
            held = best.get(account.provider)
            if held is None or FARTHEST.index(account.stage) < FARTHEST.index(held.stage):
                best[account.provider] = account
        return best

    def get(self, account: str, mode: Mode) -> Account | None:
        """An account by its id and mode."""
        return self.of(mode).get(account)

    def put(self, account: Account) -> None:
        """Keep an account; an earlier state of it is replaced."""
        AccountRow.insert(
            account=account.id,
            provider=account.provider,
            mode=account.mode.value,
            body=account.model_dump_json(),
        ).on_conflict(conflict_target=[AccountRow.account, AccountRow.mode], preserve=[AccountRow.body]).execute(
            self._database
        )
