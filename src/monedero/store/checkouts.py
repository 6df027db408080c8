"""The checkouts as they are drafted: one document for each storefront, each with a version of its own."""

from monedero.core.checkout.model import Checkout
from monedero.core.errors import Conflict, Fault, FaultCode
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
        return [saved.value for saved in self.all_saved()]

    def all_saved(self) -> list[Versioned[Checkout]]:
        """The drafts of all storefronts with their versions."""
        return list(self._database.kept("checkouts", self._all))

    def _all(self) -> list[Versioned[Checkout]]:
        rows = CheckoutRow.select().order_by(CheckoutRow.storefront).execute(self._database)
        return [Versioned(row.version, stored.read(row.body, Checkout)) for row in rows]

    def save(self, checkout: Checkout, version: int) -> Versioned[Checkout]:
        """Save over the version that was read; refuses an older one. What is as it was stays at its version."""
        with self._database.atomic("IMMEDIATE"):
            before = self.read(checkout.storefront)
            current = before.version if before else 0
            if current != version:
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), {"current": str(current)}))
            if before and before.value == checkout:
                return before
            steps, place = self._steps, self._place(checkout.storefront)
            if before is None:
                empty = Checkout(storefront=checkout.storefront, mode=checkout.mode)
                steps.put(checkout.storefront, 0, stored.written(empty))
            steps.put(checkout.storefront, place + 1, stored.written(checkout))
            self._write(checkout, version + 1, place + 1)
        return Versioned(version + 1, checkout)

    def around(self, storefront: str) -> tuple[Checkout | None, Checkout | None]:
        """Tells what the draft was before its last change, and what it was before that was taken back; None where
        nothing.
        """
        place = self._place(storefront)
        bodies = (self._steps.get(storefront, place - 1), self._steps.get(storefront, place + 1))
        before, after = (None if body is None else stored.read(body, Checkout) for body in bodies)
        return before, after

    def step(self, storefront: str, by: int, version: int) -> Versioned[Checkout]:
        """Take the last change back (`by` -1), or make one again (1); refuses where there is none."""
        with self._database.atomic("IMMEDIATE"):
            held = self.read(storefront)
            if held is None or held.version != version:
                current = {"current": str(held.version if held else 0)}
                raise Conflict(Fault(FaultCode.VERSION_OLD, "version", str(version), current))
            there = self.around(storefront)[by > 0]
            if there is None:
                raise Conflict(Fault(FaultCode.NO_STEP))
            self._write(there, version + 1, self._place(storefront) + by)
        return Versioned(version + 1, there)

    def begin_anew(self, storefront: str) -> None:
        """Forget every step before the draft as it is."""
        self._steps.only(storefront, self._place(storefront))

    @property
    def _steps(self) -> "Steps":
        return Steps(self._database)

    def _place(self, storefront: str) -> int:
        row = CheckoutRow.select().where(CheckoutRow.storefront == storefront).first(self._database)
        return row.place if row else 0

    def _write(self, checkout: Checkout, version: int, place: int) -> None:
        CheckoutRow.insert(
            storefront=checkout.storefront, version=version, body=stored.written(checkout), place=place
        ).on_conflict(
            conflict_target=[CheckoutRow.storefront],
            preserve=[CheckoutRow.version, CheckoutRow.body, CheckoutRow.place],
        ).execute(self._database)


class Steps:
    """Holds what drafts were after each of their changes, by storefront and place; the newest `MOST` of each are
    kept.
    """

    MOST = 200

    def __init__(self, database: CountingDatabase) -> None:
        self._database = database

    def get(self, storefront: str, place: int) -> str | None:
        """The body of a draft after one of its changes."""
        found = self._database.execute_sql(
            "SELECT body FROM checkout_step WHERE storefront = ? AND place = ?", (storefront, place)
        ).fetchone()
        return None if found is None else str(found[0])

    def put(self, storefront: str, place: int, body: str) -> None:
        """Tells what a draft is after a change; what was taken back before it cannot be made again."""
        self._database.execute_sql(
            "DELETE FROM checkout_step WHERE storefront = ? AND (place >= ? OR place <= ?)",
            (storefront, place, place - self.MOST),
        )
        self._database.execute_sql(
            "INSERT INTO checkout_step (storefront, place, body) VALUES (?, ?, ?)", (storefront, place, body)
        )

    def only(self, storefront: str, place: int) -> None:
        """Forget all of a draft's steps but one."""
        self._database.execute_sql(
            "DELETE FROM checkout_step WHERE storefront = ? AND place != ?", (storefront, place)
        )
