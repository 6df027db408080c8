"""One server at a time on a data folder: a second one would begin payments twice.

The lock is the kernel's, on a file in the folder: it is gone with its holder, however that ends.
"""

import fcntl
import os
from pathlib import Path
from typing import Self

from monedero.core.errors import Conflict, Fault, FaultCode

NAME = "lock"


class FolderLock:
    """Holds a data folder; refused where another process holds it, with what is known of that one."""

    def __init__(self, folder: Path) -> None:
        """The folder is made where it is missing, for its owner alone."""
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        self._path = folder / NAME

    def __enter__(self) -> Self:
        """Take the lock, or refuse."""
        self._file = os.open(self._path, os.O_RDWR | os.O_CREAT, 0o600)
        try:
            fcntl.flock(self._file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as taken:
            holder = os.read(self._file, 200).decode("utf-8", "replace").strip() or "a process that is starting"
            os.close(self._file)
            raise Conflict(Fault(FaultCode.FOLDER_LOCKED, "data", holder)) from taken
        self.tell(f"process {os.getpid()}")
        return self

    def tell(self, holder: str) -> None:
        """Write down who holds the folder, for whoever is refused."""
        os.ftruncate(self._file, 0)
        os.pwrite(self._file, holder.encode(), 0)

    def __exit__(self, *_: object) -> None:
        """Let the folder go."""
        os.close(self._file)
