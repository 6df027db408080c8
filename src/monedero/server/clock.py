"""The clock of a shop: the true time, and by how much it was wound forward to try things out in test mode."""

from collections.abc import Callable
from datetime import datetime, timedelta

from monedero.core.errors import Fault, FaultCode, InvalidInput
from monedero.store import Store

LONGEST = timedelta(days=400)
# No clock is wound on for ever: dates end with the year 9999, and calendars before.
FARTHEST = timedelta(days=36_500)


class Clock:
    """Tells the time of one shop."""

    def __init__(self, store: Store, true_time: Callable[[], datetime]) -> None:
        """`true_time` tells the time in UTC."""
        self._store = store
        self._true_time = true_time

    @property
    def ahead(self) -> timedelta:
        """By how much it was wound forward."""
        return self._store.clock_ahead()

    def now(self) -> datetime:
        """The time here, in UTC."""
        return self._true_time() + min(self.ahead, FARTHEST)

    def wind(self, minutes: int) -> None:
        """Wind forward; a clock never goes back."""
        within = 0 < minutes <= LONGEST // timedelta(minutes=1)
        if not within or self.now() + timedelta(minutes=minutes) > self._true_time() + FARTHEST:
            raise InvalidInput(
                Fault(FaultCode.CLOCK_RANGE, "minutes", str(minutes), {"longest": str(LONGEST.days)})
            )
        self._store.wind_clock(timedelta(minutes=minutes))
