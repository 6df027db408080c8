"""`monedero coverage`: the answer on standard output, an exit status that a script can go by, clear errors."""

import json
from pathlib import Path
from typing import Any

import pytest
from tests.conftest import DATA
from typer.testing import CliRunner

from monedero.cli import app

EXAMPLE = DATA / "checkout-example.json"


def run(*arguments: str) -> tuple[int, Any, str]:
    result = CliRunner().invoke(app, ["coverage", *arguments])
    return result.exit_code, json.loads(result.stdout) if result.stdout else None, result.stderr


def test_a_dead_end_ends_with_one_and_none_with_nothing(tmp_path: Path) -> None:
    code, report, _ = run(str(EXAMPLE), "--on", "2026-11-27")
    assert (code, report["on"], report["carts_of"]) == (1, "2026-11-27", 2)
    # The card ends at 1,200.00 EUR, and nothing else is there.
    assert "1200.01 EUR" in {each["box"]["amount"]["from"] for each in report["dead_ends"]}
    example = report["dead_ends"][0]["example"]
    assert {"id", "placed_on", "amount", "currency", "buyer_country", "line", "delivery"} <= set(example)
    file = json.loads(EXAMPLE.read_text("utf-8"))
    cash = {"id": "cash", "name": "Cash", "family": "cash", "own": True, "recurring": True}
    file["methods"].append(cash)
    file["tenders"].append({"id": "cash", "method": "cash", "on": True, "name": {"en": "Cash"}})
    whole = tmp_path / "whole.json"
    whole.write_text(json.dumps(file), "utf-8")
    code, report, _ = run(str(whole), "--as-if-ready", "--against", str(EXAMPLE))
    assert (code, report["dead_ends"]) == (0, [])
    assert [each["tender"] for each in report["lost"]] == ["cash"]
    assert report["gained"] == []
    code, report, _ = run(str(whole), "--without", "orlenta")
    assert [each["tender"] for each in report["single_tenders"]] == ["cash"]


def test_an_example_is_decided_as_coverage_says(tmp_path: Path) -> None:
    """`monedero offer` holds everything back from the example of a dead end."""
    _, report, _ = run(str(EXAMPLE), "--on", "2026-11-27")
    orders = tmp_path / "orders.csv"
    columns = list(report["dead_ends"][0]["example"])
    rows = [",".join(each["example"].get(column, "") for column in columns) for each in report["dead_ends"]]
    orders.write_text("\n".join([",".join(columns), *rows]) + "\n", "utf-8")
    told = CliRunner().invoke(app, ["offer", str(EXAMPLE), "--orders", str(orders)])
    assert told.exit_code == 0
    assert told.stdout.splitlines()[1:] == []


@pytest.mark.parametrize(
    ("arguments", "told"),
    [
        ((str(EXAMPLE), "--on", "tomorrow"), "“tomorrow”"),
        (("no-such-file.json",), "no-such-file.json"),
        ((str(EXAMPLE), "--against", str(DATA / "orlenta-example.json")), "monedero/checkout/1"),
    ],
)
def test_what_is_wrong_ends_with_two_and_says_so(arguments: tuple[str, ...], told: str) -> None:
    code, report, errors = run(*arguments)
    assert (code, report) == (2, None)
    assert told in errors


def test_the_document_names_everything_that_the_answer_holds() -> None:
    text = (DATA.parent.parent / "docs" / "coverage.md").read_text("utf-8")
    _, report, _ = run(str(EXAMPLE), "--against", str(EXAMPLE))
    assert all(f"`{key}`" in text for key in report)
    assert all(f"`{key}`" in text for key in report["dead_ends"][0]["box"])
    for option in ("--on", "--as-if-ready", "--without", "--against"):
        assert option in text
