"""`monedero offer`: what a checkout offers to every order in a file."""

import json
import re
from pathlib import Path

import pytest
from tests.core.checkout.drawn_checkouts import BASE
from typer.testing import CliRunner, Result

from monedero.cli import app
from monedero.core.reasons import ReasonCode
from monedero.work.checkout import offer_lines

ROOT = Path(__file__).parents[2]
CHECKOUT = {
    **BASE,
    "methods": [{"id": "card", "name": "Card", "family": "card", "recurring": True}],
    "accounts": [
        {"id": "orlenta", "provider": "orlenta", "mode": "test", "stage": "connected", "active_methods": ["card"]}
    ],
    "shared_conditions": [
        {"id": "iberia", "name": "Iberia", "conditions": [{"fact": "country", "only": ["PT", "ES"]}]}
    ],
    "tenders": [
        {
            "id": "card",
            "method": "card",
            "account": "orlenta",
            "on": True,
            "heading": "now",
            "name": {"en": "Card"},
            "windows": [{"up_to": "1200.00 EUR"}],
            "conditions": [{"fact": "delivery", "not": ["pier"]}, {"fact": "day", "from": "2026-01-01"}],
            "shared": ["iberia"],
            "networks": ["aster", "borealis"],
            "fee": {"percent": "1.5", "fixed": "0.10 EUR", "networks": {"borealis": {"percent": "2"}}},
        }
    ],
}
HEAD = "id,placed_on,amount,currency,buyer_country,line,delivery\n"
ROWS = (
    "1,2026-11-27,42.00,EUR,PT,chart,courier\n"
    "2,2026-11-27,1442.00,USD,US,course,\n"
    '"a,b",2026-11-27,0.00,EUR,PT,,\n'
    "4,2025-11-27,12,JPY,PT,chart+course,pier\n"
)
FIRST = "order,place,tender,heading,state,buyer_fee,total,currency,reasons\n"


def offer(folder: Path, orders: str, *options: str) -> Result:
    (folder / "checkout.json").write_text(json.dumps(CHECKOUT), "utf-8")
    (folder / "orders.csv").write_text(orders, "utf-8")
    files = [str(folder / "checkout.json"), "--orders", str(folder / "orders.csv")]
    return CliRunner().invoke(app, ["offer", *files, *options])


def test_what_is_offered_and_why_not(tmp_path: Path) -> None:
    said = offer(tmp_path, HEAD + ROWS)
    assert said.exit_code == 0
    assert said.stdout == (
        FIRST + "1,1,card,,offered,0.84,42.84,EUR,fee-up-to\n" + '"a,b",,,,nothing-to-pay,,,EUR,\n'
    )
    assert offer(tmp_path, HEAD + ROWS, "--why").stdout == (
        FIRST + "1,1,card,,offered,0.84,42.84,EUR,fee-up-to\n"
        "2,,card,,held-back,,,USD,window-over condition-country\n"
        '"a,b",,,,nothing-to-pay,,,EUR,\n'
        "4,,card,,held-back,,,JPY,condition-delivery condition-day\n"
    )


def test_rows_before_one_that_cannot_be_read_stand(tmp_path: Path) -> None:
    said = offer(tmp_path, HEAD + ROWS + "5,2026-11-27,42.001,EUR,PT,,\n6,2026-11-27,42.00,EUR,PT,,courier\n")
    assert said.exit_code == 2
    assert said.stdout.endswith('"a,b",,,,nothing-to-pay,,,EUR,\n')
    assert "orders.csv, line 6, column amount: 42.001 EUR has too many decimals." in said.stderr


@pytest.mark.parametrize(
    ("row", "wrong"),
    [
        ("7,2026-11-27,-1.00,EUR,PT,chart,courier", "line 3, column amount"),
        ("7,2026-13-27,1.00,EUR,PT,chart,courier", "line 3, column placed_on"),
        (",2026-11-27,1.00,EUR,PT,chart,courier", "line 3, column id"),
        ("7,2026-11-27,1.00,EUR,PT,chart", "line 3"),
    ],
)
def test_a_row_is_refused_by_its_place_after_one_alike(tmp_path: Path, row: str, wrong: str) -> None:
    said = offer(tmp_path, HEAD + ROWS.splitlines()[0] + "\n" + row + "\n")
    assert said.exit_code == 2
    assert wrong in said.stderr
    assert said.stdout == FIRST + "1,1,card,,offered,0.84,42.84,EUR,fee-up-to\n"


def test_a_checkout_that_does_not_hold_together(tmp_path: Path) -> None:
    (tmp_path / "checkout.json").write_text('{"format": "monedero/checkout/1", "shop": {}}', "utf-8")
    (tmp_path / "orders.csv").write_text(HEAD, "utf-8")
    files = [str(tmp_path / "checkout.json"), "--orders", str(tmp_path / "orders.csv")]
    said = CliRunner().invoke(app, ["offer", *files])
    assert said.exit_code == 2
    assert "checkout.json, shop.country: " in said.stderr


def test_a_long_file_is_told_as_a_short_one_in_its_sequence(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Many chunks, on two processes; what is kept between rows is forgotten now and then."""
    rows = [
        f"{number},2026-11-{number % 28 + 1:02},{number % 97}.50,{('EUR', 'GBP')[number % 2]},PT,chart,"
        f"{('courier', 'pier', '')[number % 3]}\n"
        for number in range(4_000)
    ]
    long = offer(tmp_path, HEAD + "".join(rows)).stdout
    monkeypatch.setattr(offer_lines, "CHUNK", 10**6)
    monkeypatch.setattr(offer_lines, "MOST_KEPT", 2)
    assert offer(tmp_path, HEAD + "".join(rows)).stdout == long
    assert long.count("\n") == 1 + sum(number % 3 == 0 for number in range(4_000))
    broken = [*rows[:3000], "x,2026-11-01,much,EUR,PT,chart,courier\n", *rows[3000:]]
    said = offer(tmp_path, HEAD + "".join(broken))
    assert (said.exit_code, said.stdout) == (2, FIRST + "".join(long.splitlines(True)[1:1001]))


def test_the_readme_shows_a_command_that_runs() -> None:
    [shown] = [
        line for line in (ROOT / "README.md").read_text("utf-8").splitlines() if "monedero offer tests" in line
    ]
    arguments = [str(ROOT / part) if part.startswith("tests/") else part for part in shown.split()[1:]]
    said = CliRunner().invoke(app, arguments)
    assert said.exit_code == 0
    assert "1004,,card,,held-back,,,EUR,window-over condition-delivery-unknown\n" in said.stdout


def test_every_reason_is_documented() -> None:
    """In the document of the format, each code once, in the sequence in which they are given."""
    text = (ROOT / "docs" / "formats" / "checkout.md").read_text("utf-8").split("## Reasons")[1].split("\n## ")[0]
    told = [code for code in re.findall(r"`([a-z-]+)`", text) if not code.startswith(("fee-", "-"))]
    given = [
        code.value
        for code in ReasonCode
        if code.value.split("-")[0] in ("off", "method", "details", "account", "window")
    ]
    given += [code.value for code in ReasonCode if code.value.startswith("condition-")]
    assert told == [code for code in given if not code.endswith("-unknown")]
