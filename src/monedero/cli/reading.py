"""Tells what commands share: refusals told on standard error."""

import os
import sys
from collections.abc import Iterator
from contextlib import contextmanager

import typer

from monedero.core.errors import Fault, FaultCode, Refused

ERROR = 2


@contextmanager
def errors_of(source: str) -> Iterator[None]:
    """Tell what was refused in a source, with line and column or place, and stop with exit status 2."""
    try:
        yield
    except Refused as refused:
        faults = refused.faults
    except BrokenPipeError as unheard:
        # Whoever read the output has stopped: end without a word, and leave nothing to be flushed at the exit.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        raise typer.Exit(ERROR) from unheard
    except OSError as unreadable:
        faults = (Fault(FaultCode.FILE_UNREADABLE, fields={"why": unreadable.strerror or str(unreadable)}),)
    else:
        return
    # Only a refusal needs words: pricing long files starts without their weight.
    from monedero.wording import fault_text

    sys.stdout.flush()
    for fault in faults:
        print(f"{source}{_place(fault)}: {fault_text(fault)}", file=sys.stderr)  # noqa: T201 - this is its output
    raise typer.Exit(ERROR)


def _place(fault: Fault) -> str:
    if "line" in fault.fields and "column" in fault.fields and fault.field:
        column = fault.fields["column"]
        return f", line {fault.fields['line']}" + (f", column {column}" if column else "")
    return f", {fault.field}" if fault.field else ""
