"""Habits of the code that a reviewer should not have to look for."""

import ast
import gzip
import json
import re
import tokenize
from collections.abc import Iterator
from enum import StrEnum
from io import StringIO
from pathlib import Path

import pytest
from tools.write_schemas import BUYERS, CHECKOUT, PROVIDER, SCHEMA, text_of

import monedero
from monedero.core.account import Stage, Standing
from monedero.core.application import Ask
from monedero.core.cost.parts import CostPart
from monedero.core.delivery.price import NoPrice
from monedero.core.due import DueCode
from monedero.core.errors import FaultCode
from monedero.core.method import Family, Refunds
from monedero.core.order.kinds import CardKind, LineKind
from monedero.core.order.model import Device
from monedero.core.payment import meaning
from monedero.core.payment.state import MOVES, Move, State
from monedero.core.provider import ConnectBy
from monedero.core.ratecard.model import Origin
from monedero.core.reasons import ReasonCode
from monedero.core.record import By, Happened
from monedero.formats import buyers_file, checkout_file, provider_file, rate_card
from monedero.formats.price_text.unread import Why
from monedero.wording.buyers import BUYER_LANGUAGES
from monedero.wording.buyers import catalogue as of_buyers
from monedero.wording.catalogue import catalogue
from monedero.work.next_steps import NextCode

ROOT = Path(__file__).parent.parent
SOURCE = Path(monedero.__file__).parent
CORE = sorted((SOURCE / "core").rglob("*.py"))
MODULES = sorted(SOURCE.rglob("*.py"))


CODES: dict[str, list[StrEnum]] = {
    "fault": list(FaultCode),
    "reason": list(ReasonCode),
    "happened": [*Move, *Happened],
    "state": list(State),
    "due": list(DueCode),
    "by": list(By),
    "ask": list(Ask),
    "stands": list(Stage),
    "stage": list(Stage),
    "method": list(Standing),
    "standing": list(Standing),
    "connects": list(ConnectBy),
    "cost": list(CostPart),
    "kind": list(LineKind),
    "card": list(CardKind),
    "origin": list(Origin),
    "order": list(Device),
    "refunds": list(Refunds),
    "unread": list(Why),
    "next": list(NextCode),
    "family": list(Family),
}
"""The codes for which there is a message each, by the beginning of its name."""


def test_codes_and_catalogue_hold_together() -> None:
    messages = set(catalogue("en").fields)
    assert set(MOVES) == set(meaning.MEANING) == set(State)
    for kind, codes in CODES.items():
        assert {f"{kind}-{code.value}" for code in codes} <= messages, kind
    for name in BUYER_LANGUAGES:
        told = set(of_buyers(name).fields)
        assert {f"after-paying-{state.value}{part}" for state in State for part in ("", ".text")} <= told
        assert {code.value for code in NoPrice} <= told


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
    assert PROVIDER.read_text("utf-8") == text_of(provider_file.schema())
    assert CHECKOUT.read_text("utf-8") == text_of(checkout_file.schema())
    assert BUYERS.read_text("utf-8") == text_of(buyers_file.schema())


def test_pictures_are_few_and_the_readme_shows_them() -> None:
    pictures = {path.name for path in (ROOT / "docs" / "screenshots").glob("*.png")}
    readme = (ROOT / "README.md").read_text("utf-8")
    assert 0 < len(pictures) < 20
    assert all(f"docs/screenshots/{name}" in readme for name in pictures)


def test_the_lock_files_name_no_host() -> None:
    for lock in ("run.txt", "dev.txt"):
        assert "://" not in (ROOT / "requirements" / lock).read_text("utf-8")
    assert '"resolved"' not in (ROOT / "web" / "package-lock.json").read_text("utf-8")


@pytest.mark.parametrize(("page", "most"), [("index.html", 180_000), ("buy.html", 90_000)])
def test_the_first_load_stays_within_its_budget(page: str, most: int) -> None:
    site = SOURCE / "api" / "site"
    loaded = re.findall(r'(?:src|href)="/(assets/[^"]+\.js)"', (site / page).read_text("utf-8"))
    assert loaded
    assert sum(len(gzip.compress((site / name).read_bytes())) for name in loaded) < most


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
        line.split("<")[0]
        for line in (ROOT / "requirements" / "run.in").read_text().splitlines()
        if not line.startswith("#")
    ]
    assert {name.lower() for name in wanted} <= named
    assert json.loads((ROOT / "web" / "package-lock.json").read_text())["lockfileVersion"] == 3


def _opening_words(path: Path) -> Iterator[tuple[int, str]]:
    """The first word of every docstring and comment of a module, with its line; a comment goes on over its lines."""
    text = path.read_text("utf-8")
    for node in ast.walk(ast.parse(text)):
        if (
            isinstance(node, ast.Expr)
            and isinstance(node.value, ast.Constant)
            and isinstance(node.value.value, str)
        ):
            yield node.lineno, node.value.value
    before = 0
    for token in tokenize.generate_tokens(StringIO(text).readline):
        if token.type == tokenize.COMMENT:
            if token.start[0] != before + 1:
                yield token.start[0], token.string.lstrip("#!: ")
            before = token.start[0]


@pytest.mark.parametrize("folder", ["src/monedero", "tests", "bench", "tools"])
def test_no_docstring_or_comment_opens_with_a_word_that_makes_it_a_riddle(folder: str) -> None:
    riddles = {"What", "Which", "Whether", "Where", "Who", "That", "Of"}
    read = [
        (f"{path.relative_to(ROOT)}:{line}", said)
        for path in sorted((ROOT / folder).rglob("*.py"))
        for line, said in _opening_words(path)
    ]
    assert len(read) > 10
    assert [
        where for where, said in read if said.split(None, 1)[:1] and said.split()[0].strip(",:") in riddles
    ] == []


def test_no_comment_of_the_web_opens_so_either() -> None:
    opens = re.compile(r"^\s*(?:/\*\*|//|\*) ?(?:What|Which|Whether|Where|Who|That|Of)\b", re.MULTILINE)
    files = [path for path in (ROOT / "web" / "src").rglob("*.ts*") if path.name != "schema.d.ts"]
    assert len(files) > 150
    assert [str(path) for path in files if opens.search(path.read_text("utf-8"))] == []


def test_every_place_that_the_documents_name_is_there() -> None:
    roots = (ROOT, SOURCE, ROOT / "web" / "src", ROOT / "web" / "src" / "features", ROOT / "tests")
    for document in (*sorted((ROOT / "docs").glob("*.md")), ROOT / "README.md"):
        text = document.read_text("utf-8")
        named = set(re.findall(r"`((?:[\w.-]+/)+[\w.-]+\.(?:py|tsx?|json|ftl|md|csv\.gz))`", text))
        lost = [place for place in named if not any((root / place).exists() for root in roots)]
        assert lost == [], document.name
