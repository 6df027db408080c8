"""Habits of the code that a reviewer should not have to look for."""

import ast
import gzip
import json
import re
from pathlib import Path

import pytest
from tools.write_schemas import API, SCHEMA, api_description, text_of

import monedero
from monedero.core.account import Stage, Standing
from monedero.core.application import Ask
from monedero.core.errors import FaultCode
from monedero.core.payment import meaning
from monedero.core.payment.due import DueCode
from monedero.core.payment.state import MOVES, Move, State
from monedero.core.provider import ConnectBy
from monedero.core.reasons import ReasonCode
from monedero.core.record import Happened
from monedero.core.tender.difference import ChangeCode
from monedero.formats import rate_card
from monedero.wording import accounts, english, orders

ROOT = Path(__file__).parent.parent
SOURCE = Path(monedero.__file__).parent
CORE = sorted((SOURCE / "core").rglob("*.py"))
MODULES = sorted(SOURCE.rglob("*.py"))


def test_codes_and_catalogue_hold_together() -> None:
    assert set(english.FAULTS) == set(FaultCode)
    assert set(english.REASONS) == set(ReasonCode)
    assert set(english.CHANGES) == set(ChangeCode)
    assert set(orders.HAPPENED) == set(Move) | set(Happened)
    assert set(orders.AFTER_PAYING) == set(orders.STATES) == set(MOVES) == set(meaning.MEANING) == set(State)
    assert set(orders.DUE) == set(DueCode)
    assert set(accounts.ASKS) == set(Ask)
    assert set(accounts.STANDS) == set(Stage)
    assert set(accounts.STANDINGS) == set(Standing)
    assert set(accounts.CONNECTS) == set(ConnectBy)
    assert {stage.value for stage in Stage} == set(english.STAGES)


@pytest.mark.parametrize("path", MODULES, ids=lambda path: str(path.relative_to(SOURCE)))
def test_a_module_is_short_and_the_core_knows_no_binary_float(path: Path) -> None:
    text = path.read_text("utf-8")
    assert text.count("\n") <= 300
    if path not in CORE:
        return
    for node in ast.walk(ast.parse(text)):
        assert not (isinstance(node, ast.Constant) and isinstance(node.value, float)), node.lineno
        assert not (isinstance(node, ast.Name) and node.id == "float"), node.lineno


@pytest.mark.parametrize(
    "path", [path for path in CORE if path.name != "__init__.py"], ids=lambda path: str(path.relative_to(SOURCE))
)
def test_a_module_of_the_core_opens_with_its_rule_its_source_and_an_example(path: Path) -> None:
    opening = ast.get_docstring(ast.parse(path.read_text("utf-8"))) or ""
    assert "Source:" in opening
    assert ">>>" in opening


def test_generated_files_are_of_today() -> None:
    assert SCHEMA.read_text("utf-8") == text_of(rate_card.schema())
    assert API.read_text("utf-8") == text_of(api_description())


def test_pictures_are_few_and_the_readme_shows_them() -> None:
    pictures = {path.name for path in (ROOT / "docs" / "screenshots").glob("*.png")}
    readme = (ROOT / "README.md").read_text("utf-8")
    assert 0 < len(pictures) < 20
    assert all(f"docs/screenshots/{name}" in readme for name in pictures)


def test_the_lock_files_name_no_host() -> None:
    for lock in ("run.txt", "dev.txt"):
        assert "://" not in (ROOT / "requirements" / lock).read_text("utf-8")
    assert '"resolved"' not in (ROOT / "web" / "package-lock.json").read_text("utf-8")


def test_the_first_load_stays_within_its_budget() -> None:
    site = SOURCE / "api" / "site"
    loaded = re.findall(r'(?:src|href)="/(assets/[^"]+\.js)"', (site / "index.html").read_text("utf-8"))
    assert loaded
    assert sum(len(gzip.compress((site / name).read_bytes())) for name in loaded) < 180_000


def test_the_web_part_asks_no_fee_of_itself_and_fetches_in_one_place() -> None:
    for path in (ROOT / "web" / "src").rglob("*.ts*"):
        text = path.read_text("utf-8")
        if path.name not in ("client.ts", "schema.d.ts"):
            assert "fetch(" not in text.replace("refetch(", ""), path
        if path.suffix == ".tsx":
            assert "queryKey: [" not in text, path


def test_the_package_needs_what_the_lock_holds() -> None:
    named = {
        line.split("==")[0]
        for line in (ROOT / "requirements" / "run.txt").read_text().splitlines()
        if "==" in line
    }
    wanted = [
        line for line in (ROOT / "requirements" / "run.in").read_text().splitlines() if not line.startswith("#")
    ]
    assert {name.lower() for name in wanted} <= named
    assert json.loads((ROOT / "web" / "package-lock.json").read_text())["lockfileVersion"] == 3
