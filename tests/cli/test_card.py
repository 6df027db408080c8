"""`monedero card`, as a script calls it."""

import json
from pathlib import Path

from typer.testing import CliRunner

from monedero.cli import app
from monedero.formats import rate_card


def run(file: Path, *more: str) -> tuple[int, str, str]:
    arguments = ("--provider", "Larkhithe", "--country", "PT", "--currency", "EUR", *more)
    result = CliRunner().invoke(app, ["card", str(file), *arguments])
    return result.exit_code, result.stdout, result.stderr


def text(folder: Path, content: str | bytes) -> Path:
    file = folder / "prices.txt"
    file.write_bytes(content if isinstance(content, bytes) else content.encode())
    return file


def test_a_price_list_that_is_read_as_a_whole(tmp_path: Path) -> None:
    file = text(tmp_path, "Cards\n\nAster 1.1%\nAll other 1.5% + €0.25\n* excluding VAT\n")
    code, out, told = run(file, "--networks", "aster,borealis")
    assert (code, told) == (0, "")
    card = rate_card.read(out.encode())
    assert [rate.id for rate in card.rates] == ["card-aster", "card"]
    assert (card.provider.name, card.provider.countries, card.provider.settles_in) == (
        "Larkhithe",
        ["PT"],
        ["EUR"],
    )


def test_a_line_that_is_not_read_is_told_with_its_place(tmp_path: Path) -> None:
    file = text(tmp_path, "Cards 1.5%\nLarge volumes: from 1.2%, talk to us\nMoonbeams 2%\n")
    code, out, told = run(file)
    assert code == 1
    assert told.splitlines() == [f"{file}:2: Large volumes: from 1.2%, talk to us", f"{file}:3: Moonbeams 2%"]
    assert [rate["percent"] for rate in json.loads(out)["rates"]] == ["1.5"]


def test_errors(tmp_path: Path) -> None:
    for content, said in (
        (b"\x93\x00\xff", "not UTF-8"),
        ("Contact us", "no rate card"),
        ("", "no rate card"),
        ("Cards 1%\n" * 3000, "has 27000 characters"),
    ):
        code, out, told = run(text(tmp_path, content))
        assert (code, out) == (2, "")
        assert said in told
    file = text(tmp_path, "Cards 1%")
    assert run(tmp_path / "none.txt")[0] == 2
    assert "ISO 3166" in run(file, "--country", "Portugal")[2]
    assert "ISO 4217" in run(file, "--currency", "euro")[2]
    assert "not an id" in run(file, "--networks", "Aster!")[2]
