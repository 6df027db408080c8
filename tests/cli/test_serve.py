"""`monedero serve`: what it says when it cannot begin."""

import socket
from pathlib import Path

from typer.testing import CliRunner

from monedero.cli import app


def test_a_port_in_use_is_told(tmp_path: Path) -> None:
    with socket.create_server(("127.0.0.1", 0)) as taken:
        port = str(taken.getsockname()[1])
        result = CliRunner().invoke(app, ["serve", "--data", str(tmp_path), "--port", port])
    assert result.exit_code == 2
    assert f"port {port}: It cannot be opened: Address already in use" in result.stderr


def test_a_folder_that_cannot_be_made_is_told(tmp_path: Path) -> None:
    file = tmp_path / "file"
    file.touch()
    result = CliRunner().invoke(app, ["serve", "--data", str(file / "data")])
    assert result.exit_code == 2
    assert "data: It cannot be opened: Not a directory" in result.stderr
