"""The checkouts as they are drafted: one document for each storefront, each with a version of its own."""

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.tender.model import Checkout
from monedero.formats import stored
from monedero.store.counting import CountingDatabase
from monedero.store.documents import Versioned
from monedero.store.tables import CheckoutRow


class Checkouts:
    """The drafts by the ids of their storefronts."""

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database

    def read(self, storefront: str) -> Versioned[Checkout] | None:
        """The draft of a storefront, or None where nothing was ever put in it."""
        return self._database.kept(f"checkout {storefront}", lambda: self._held(storefront))

    def _held(self, storefront: str) -> Versioned[Checkout] | None:
        row = CheckoutRow.select().where(CheckoutRow.storefront == storefront).first(self._database)
        return None if row is None else Versioned(row.version, stored.read(row.body, Checkout))

    def all(self) -> list[Checkout]:
        """The drafts of all storefronts."""
        return list(self._database.kept("checkouts", self._all))

    def _all(self) -> list[Checkout]:
        rows = CheckoutRow.select().order_by(CheckoutRow.storefront).execute(self._database)
        return [stored.read(row.body, Checkout) for row in rows]

    def save(self, checkout: Checkout, version: int) -> Versioned[Checkout]:
        """Save over the version that was read; refuses an older one. What is as it was stays at its version."""
        with self._database.atomic("IMMEDIATE"):
            before = self.read(checkout.storefront)
            current = before.version if before else 0
            if current != version:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            if before and before.value == checkout:
                return before
            CheckoutRow.insert(
                storefront=checkout.storefront, version=version + 1, body=stored.written(checkout)
            ).on_conflict(
                conflict_target=[CheckoutRow.storefront], preserve=[CheckoutRow.version, CheckoutRow.body]
            ).execute(self._database)
        return Versioned(version + 1, checkout)
