"""The rehearsals of a server: one at a time for each shop, in a thread of its own, with progress; it can be stopped."""

import logging
import threading
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

from starlette.types import ASGIApp

from monedero.core.errors import Conflict, Fault, FaultCode, NotFound, Refused
from monedero.core.rehearsal.cases import Case
from monedero.core.rehearsal.evidence import Evidence
from monedero.server.rehearsal_play import Rehearsal
from monedero.server.rehearsal_room import room_of
from monedero.server.shops import RunningShop, Shops
from monedero.store.rehearsals import KeptEvidence
from monedero.work.context import Context
from monedero.work.rehearsal.plan import PlannedCase, planned_cases

CLOSES_WITHIN = 1.0
KEPT_AT_ONCE = 25
"""So many cases are written down together: few enough that what is done is seen, and not lost."""


@dataclass
class Progress:
    """How far a rehearsal is: cases that are over, of how many; it is over, or was stopped, or broke off."""

    storefront: str
    of: int
    done: int = 0
    over: bool = False
    stopped: bool = False
    broke: bool = False
    _stop: threading.Event = field(default_factory=threading.Event, repr=False)

    def stop(self) -> None:
        """Let it stop after what is being done now."""
        self.stopped = True
        self._stop.set()

    @property
    def wanted(self) -> bool:
        """True until it is stopped."""
        return not self._stop.is_set()


class Rehearsals:
    """Begins rehearsals, and knows how far the last one of each shop is."""

    def __init__(self, make_app: Callable[[Shops], ASGIApp]) -> None:
        """`make_app` makes the application that carries what a room's shop and its providers say."""
        self._make_app = make_app
        self._by_shop: dict[str, Progress] = {}
        self._lock = threading.Lock()
        self._threads: list[threading.Thread] = []

    def progress(self, running: RunningShop, storefront: str) -> Progress | None:
        """How far the last rehearsal of a storefront is; None where there was none since the server began."""
        found = self._by_shop.get(running.id)
        return found if found is not None and found.storefront == storefront else None

    def begin(self, shops: Shops, running: RunningShop, context: Context, ids: Sequence[str] = ()) -> Progress:
        """Begin to play cases of the draft, by their ids (none: all); refused while another one is under way."""
        every = planned_cases(context)
        known = {planned.case.id: planned for planned in every}
        for id in ids:
            if id not in known:
                raise NotFound(Fault(FaultCode.NOT_FOUND, "case", id[:80], {"what": "case"}))
        wanted = [known[id] for id in ids] if ids else every
        with self._lock:
            before = self._by_shop.get(running.id)
            if before is not None and not before.over:
                raise Conflict(Fault(FaultCode.REHEARSAL_UNDER_WAY, "storefront", before.storefront))
            progress = self._by_shop[running.id] = Progress(context.storefront, len(wanted))
        playing = _Playing(self._make_app, shops, running, wanted, progress)
        thread = threading.Thread(target=playing.run, name="rehearsal", daemon=True)
        self._threads = [*(each for each in self._threads if each.is_alive()), thread]
        thread.start()
        return progress

    def close(self) -> None:
        """Stop everything that is under way, and wait a moment for it: the server ends."""
        for progress in self._by_shop.values():
            progress.stop()
        for thread in self._threads:
            thread.join(CLOSES_WITHIN)

    def stop(self, running: RunningShop, storefront: str) -> None:
        """Stop what is under way; what was played until then is kept."""
        progress = self.progress(running, storefront)
        if progress is None or progress.over:
            raise NotFound(Fault(FaultCode.NOT_FOUND, "rehearsal", storefront, {"what": "rehearsal"}))
        progress.stop()


class _Playing:
    """One rehearsal under way."""

    def __init__(
        self,
        make_app: Callable[[Shops], ASGIApp],
        shops: Shops,
        running: RunningShop,
        wanted: Sequence[PlannedCase],
        progress: Progress,
    ) -> None:
        self._make_app, self._shops, self._running, self._progress = make_app, shops, running, progress
        self._wanted = wanted
        self._fingerprints = {planned.case.id: planned.fingerprint for planned in wanted}
        self._waiting: dict[str, KeptEvidence] = {}

    def run(self) -> None:
        """Play to the end, and keep the evidence."""
        progress = self._progress
        ended = False
        try:
            with room_of(self._shops, self._running, self._make_app) as room:
                rehearsal = Rehearsal(room, progress.storefront, self._ended, lambda: progress.wanted)
                rehearsal.play([planned.case for planned in self._wanted])
            self._keep()
            ended = True
        except (Refused, OSError, RuntimeError):
            logging.getLogger(__name__).exception("a rehearsal broke off")
        finally:
            progress.broke = not ended
            progress.over = True

    def _ended(self, case: Case, evidence: Evidence) -> None:
        self._waiting[case.id] = KeptEvidence(self._fingerprints[case.id], evidence)
        self._progress.done += 1
        if len(self._waiting) >= KEPT_AT_ONCE:
            self._keep()

    def _keep(self) -> None:
        self._running.store.rehearsals.put(self._progress.storefront, self._waiting)
        self._waiting.clear()
