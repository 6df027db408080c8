"""`monedero price`, as a script calls it."""

import csv
import io
import subprocess
import sys
from pathlib import Path

import pytest
from typer.testing import CliRunner

from monedero.cli import app
from monedero.formats.orders_csv import OPTIONAL, REQUIRED

CARD = Path(__file__).parent.parent / "data" / "orlenta-example.json"
HEADER = "id,placed_on,amount,currency,buyer_country,card_kind\n"


def orders(folder: Path, *rows: str) -> str:
    file = folder / "orders.csv"
    file.write_text(HEADER + "".join(row + "\n" for row in rows), "utf-8")
    return str(file)


def run(*arguments: str) -> tuple[int, list[dict[str, str]], str]:
    result = CliRunner().invoke(app, ["price", *arguments])
    return result.exit_code, list(csv.DictReader(io.StringIO(result.stdout))), result.stderr


def test_the_worked_examples_by_the_command_line(tmp_path: Path) -> None:
    file = orders(
        tmp_path,
        "a,2026-01-05,85.00,EUR,PT,consumer-debit",
        "b,2024-01-02,100.00,USD,US,consumer-credit",
        "c,2026-01-05,0,EUR,PT,",
    )
    code, rows, told = run(str(CARD), "--orders", file, "--shop-country", "PT")
    assert (code, told) == (0, "")
    assert [tuple(row.values()) for row in rows[:5]] == [
        ("a", "orlenta", "start", "card", "priced", "card-region-debit", "1.27", "EUR", ""),
        ("a", "orlenta", "start", "sepa-direct-debit", "priced", "debit-flat", "0.53", "EUR", ""),
        ("a", "orlenta", "steady", "card", "not-priced", "", "", "", "no-rate-fits"),
        ("a", "orlenta", "steady", "sepa-direct-debit", "priced", "debit-flat", "0.53", "EUR", ""),
        ("b", "orlenta", "start", "card", "priced", "card-any", "4.72", "EUR", ""),
    ]
    assert {row["status"] for row in rows if row["order"] == "c"} == {"nothing-to-pay"}
    assert len(rows) == 12


def test_a_broken_row_stops_it_and_rows_before_stand(tmp_path: Path) -> None:
    file = orders(tmp_path, "a,2026-01-05,85.00,EUR,PT,", "b,2026-01-05,85.00,EUR,PT,gold")
    code, rows, told = run(str(CARD), "--orders", file, "--shop-country", "PT")
    assert code == 2
    assert {row["order"] for row in rows} == {"a"}
    assert "orders.csv, line 3, column card_kind: “gold” is not allowed here." in told
    assert "consumer-debit" in told


@pytest.mark.parametrize(
    ("arguments", "told"),
    [
        (["--shop-country", "XX"], "--shop-country: “XX” is not a country"),
        (["--shop-country", "PT", "--monthly-volume", "lots"], "--monthly-volume: “lots” is not money"),
    ],
)
def test_a_broken_option_is_told(tmp_path: Path, arguments: list[str], told: str) -> None:
    code, rows, errors = run(str(CARD), "--orders", orders(tmp_path), *arguments)
    assert (code, rows) == (2, [])
    assert told in errors


def test_a_broken_card_and_a_missing_file_are_told(tmp_path: Path) -> None:
    wrong = tmp_path / "card.json"
    wrong.write_text(CARD.read_text("utf-8").replace('"percent": "2.9"', '"percent": "-2.9"'), "utf-8")
    code, _, told = run(str(wrong), "--orders", orders(tmp_path), "--shop-country", "PT")
    assert code == 2
    assert "card.json, rates.1.percent: “-2.9” is not a percentage of zero or more." in told
    code, _, told = run(str(CARD), "--orders", str(tmp_path / "none.csv"), "--shop-country", "PT")
    assert code == 2
    assert "none.csv: It cannot be opened: No such file" in told


def test_two_cards_from_one_day_are_refused(tmp_path: Path) -> None:
    code, _, told = run(str(CARD), str(CARD), "--orders", orders(tmp_path), "--shop-country", "PT")
    assert code == 2
    assert "two rate cards of Orlenta from the same day" in told


def test_unknown_columns_and_volume_options(tmp_path: Path) -> None:
    file = tmp_path / "orders.csv"
    file.write_text("id,placed_on,amount,currency,buyer_country,size\n1,2026-01-05,5.00,EUR,PT,9\n", "utf-8")
    code, _, told = run(str(CARD), "--orders", str(file), "--shop-country", "PT")
    assert code == 2
    assert "size: The column “size” is not known." in told
    code, rows, _ = run(
        str(CARD), "--orders", str(file), "--shop-country", "PT", "--ignore-unknown", "--monthly-volume", "9 EUR"
    )
    assert (code, len(rows)) == (0, 4)


def test_it_is_installed_and_speaks_csv_with_plain_line_ends(tmp_path: Path) -> None:
    command = Path(sys.executable).parent / "monedero"
    file = orders(tmp_path, "a,2026-01-05,85.00,EUR,PT,")
    output = subprocess.run(
        [command, "price", CARD, "--orders", file, "--shop-country", "PT"], capture_output=True, check=True
    ).stdout
    assert output.startswith(b"order,provider,plan,method,status,rate,fee,currency,reason\n")
    assert b"\r" not in output


def test_what_the_readme_says_works() -> None:
    root = CARD.parent.parent.parent
    line = next(
        line for line in (root / "README.md").read_text("utf-8").splitlines() if "monedero price tests" in line
    )
    code, rows, _ = run(*[str(root / word) if "/" in word else word for word in line.split()[2:]])
    assert (code, len(rows)) == (0, 20)


def test_every_column_is_documented() -> None:
    text = (CARD.parent.parent.parent / "docs" / "formats" / "orders.md").read_text("utf-8")
    assert all(f"`{column}`" in text for column in REQUIRED + OPTIONAL)


def test_a_long_file_keeps_its_sequence_and_stops_at_the_broken_row(tmp_path: Path) -> None:
    rows = [f'"{number}, so",2026-01-05,{number}.00,EUR,PT,' for number in range(1, 2501)]
    file = orders(tmp_path, *rows, "late,2026-01-05,lots,EUR,PT,", *rows)
    code, priced, told = run(str(CARD), "--orders", file, "--shop-country", "PT")
    assert code == 2
    assert "orders.csv, line 2502, column amount: “lots” is not an amount." in told
    assert [row["order"] for row in priced] == [f"{number}, so" for number in range(1, 2501) for _ in range(4)]
    assert priced[-1]["fee"] == "5.00"


def test_a_reader_that_stops_early_is_left_in_peace(tmp_path: Path) -> None:
    file = orders(tmp_path, *(f"{number},2026-01-05,1.00,EUR,PT," for number in range(9000)))
    monedero = Path(sys.executable).parent / "monedero"
    command: list[str | Path] = [monedero, "price", CARD, "--orders", file, "--shop-country", "PT"]
    with subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.PIPE) as pricing:
        assert pricing.stdout
        assert pricing.stderr
        assert pricing.stdout.readline().startswith(b"order,")
        pricing.stdout.close()
        assert pricing.stderr.read() == b""
