"""True if something failed because the disk is full, whatever error came of it on the way.

SQLite ends a transaction by itself when the disk is full; its end is then refused as one that is not there, and hides
the reason. So an error is followed back to what it came from.
"""

import errno

NO_ROOM = (errno.ENOSPC, errno.EDQUOT)
FULL = "disk is full"


def disk_is_full(error: BaseException | None) -> bool:
    """True if an error, or one that it came from, says that the disk is full."""
    seen: set[int] = set()
    while error is not None and id(error) not in seen:
        seen.add(id(error))
        if FULL in str(error) or (isinstance(error, OSError) and error.errno in NO_ROOM):
            return True
        error = error.__cause__ or error.__context__
    return False
