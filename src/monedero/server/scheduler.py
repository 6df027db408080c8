"""Tells what the server does by itself: every second what is due in its shops, every half a minute asking about
accounts.
"""

import logging
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC

from apscheduler.executors.pool import ThreadPoolExecutor
from apscheduler.schedulers.background import BackgroundScheduler

from monedero.server.shops import Shops

DUE_EVERY = 1.0
ASK_EVERY = 30


@contextmanager
def beating(shops: Shops) -> Iterator[None]:
    """Let everything happen whose moment has come, as long as the server is open.

    One at a time, in one thread. What fails is written to the log, and tried again at the next beat.
    """
    scheduler = BackgroundScheduler(
        executors={"default": ThreadPoolExecutor(1)},
        job_defaults={"coalesce": True, "max_instances": 1, "misfire_grace_time": None},
        timezone=UTC,
    )
    # Do not log a skipped run; the previous one is still running.
    logging.getLogger("apscheduler.scheduler").setLevel(logging.ERROR)
    scheduler.add_job(shops.beat, "interval", seconds=DUE_EVERY)
    scheduler.add_job(shops.ask_around, "interval", seconds=ASK_EVERY)
    scheduler.start()
    try:
        yield
    finally:
        scheduler.shutdown(wait=False)
