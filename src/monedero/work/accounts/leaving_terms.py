"""Keeps what the owner read in a contract about leaving it, and how many buyers have details saved there."""

from monedero.core.account import Account, LeavingTerms
from monedero.store import Store


def keep_terms(store: Store, account: Account, terms: LeavingTerms, saved_details: int | None) -> Account:
    """Keep what leaving an account takes."""

    def changed(now: Account) -> Account:
        return now.model_copy(update={"leaving": terms, "saved_details": saved_details})

    return store.accounts.change(account.id, account.mode, changed)
