"""The command line: one file per command, each loaded only when it is called.

A command starts without what the others need: pricing a file of orders does not wait for the models of a checkout.
"""

from importlib import import_module

import typer
from typer._click import Command, Context
from typer.main import get_command

COMMANDS = ("card", "coverage", "curve", "mix", "offer", "price", "serve")


class _OnCall(typer.core.TyperGroup):
    """Finds a command in the module of its name."""

    def list_commands(self, _ctx: Context) -> list[str]:
        """All commands, by the alphabet."""
        return list(COMMANDS)

    def get_command(self, _ctx: Context, cmd_name: str) -> Command | None:
        """A command by its name; for an unknown one all are loaded, so that the one that was meant can be named."""
        for name in (cmd_name,) if cmd_name in COMMANDS else COMMANDS:
            one = typer.Typer(add_completion=False)
            one.command()(getattr(import_module(f"monedero.cli.{name}"), name))
            self.commands.setdefault(name, get_command(one))
        return self.commands.get(cmd_name)


app = typer.Typer(cls=_OnCall, no_args_is_help=True, add_completion=False)


@app.callback()
def monedero() -> None:
    """Ways to pay: what they cost, what each buyer is offered, and the application itself."""
