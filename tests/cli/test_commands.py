"""The commands together: each is found, told of, and loaded without the others."""

import subprocess
import sys

from typer.testing import CliRunner

from monedero.cli import COMMANDS, app

LOADED = """
import sys
from typer.testing import CliRunner
from monedero.cli import app
assert CliRunner().invoke(app, ["price", "--help"]).exit_code == 0
print([name for name in ("monedero.formats.checkout_file", "monedero.api", "uvicorn") if name in sys.modules])
"""


def test_every_command_is_told_of_and_has_help() -> None:
    told = CliRunner().invoke(app, ["--help"])
    assert told.exit_code == 0
    for name in COMMANDS:
        assert f" {name} " in told.output
        assert CliRunner().invoke(app, [name, "--help"]).exit_code == 0


def test_a_command_that_is_nearly_right_is_suggested() -> None:
    told = CliRunner().invoke(app, ["pric"])
    assert told.exit_code == 2
    assert "Did you mean 'price'?" in told.output


def test_a_command_is_loaded_without_what_the_others_need() -> None:
    done = subprocess.run([sys.executable, "-c", LOADED], capture_output=True, text=True, check=False)
    assert (done.stdout, done.stderr) == ("[]\n", "")
