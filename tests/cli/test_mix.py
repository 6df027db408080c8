"""`monedero mix`, as it is typed: the published case, what a set leaves, limits, and errors that name what is wrong."""

import json
from fractions import Fraction
from itertools import combinations
from pathlib import Path
from typing import Any

import pytest
from typer.testing import CliRunner, Result

from monedero.cli import app

# Farias, Jagabathula and Shah, Management Science 59(2), 2013; profits of all 16 sets worked out with fractions.
PUBLISHED = {
    "": 0, "a": 1876, "b": 1810, "c": 2116, "d": 2860, "ab": 3314, "ac": 1676, "ad": 3136, "bc": 3554, "bd": 3390,
    "cd": 3046, "abc": 3114, "abd": 3294, "acd": 2936, "bcd": 3204, "abcd": 3094,
}  # fmt: skip
PRICES = {
    "a": ("2.5", "0.10", "200"),
    "b": ("0.9", "0.25", "50"),
    "c": ("0", "0.35", "200"),
    "d": ("4", "0", "20"),
}
KINDS = [("10", "acb"), ("5", "adc"), ("40", "adc"), ("40", "bd"), ("5", "adc")]
HEAD = "id,placed_on,amount,currency,buyer_country"


def card(name: str, **changed: Any) -> dict[str, Any]:
    percent, fixed, monthly = PRICES[name]
    rate = {"id": "any", "method": name, "when": {}, "percent": percent, "fixed": f"{fixed} EUR"}
    return {
        "format": "monedero/rate-card/1",
        "provider": {
            "id": f"p-{name}",
            "name": name,
            "countries": ["PT"],
            "region": ["PT"],
            "settles_in": ["EUR"],
        },
        "plans": [{"id": "one", "name": "One", "monthly": f"{monthly} EUR"}],
        "rates": [rate],
        **changed,
    }


def buyers(kinds: list[tuple[str, str]], country: str | None = None) -> list[dict[str, Any]]:
    return [{"country": country, "share": share, "ways": list(ways)} for share, ways in kinds]


class Case:
    """Files of a case, changed in parts, and the command over them."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.cards = [card(name) for name in PRICES]
        self.kinds = buyers(KINDS)
        self.orders = [f"{number},2026-01-05,50.00,EUR,PT" for number in range(400)]

    def run(self, *more: str, margin: str = "20") -> Result:
        names = []
        for number, held in enumerate(self.cards):
            names.append(str(self.folder / f"{number}.json"))
            Path(names[-1]).write_text(json.dumps(held))
        (self.folder / "buyers.json").write_text(json.dumps({"format": "monedero/buyers/1", "kinds": self.kinds}))
        (self.folder / "orders.csv").write_text("\n".join([HEAD, *self.orders]) + "\n")
        files = ["--orders", str(self.folder / "orders.csv"), "--buyers", str(self.folder / "buyers.json")]
        given = ["--margin", margin] if margin else []
        shop = ["--shop-country", "PT", "--shop-currency", "EUR"]
        return CliRunner().invoke(app, ["mix", *names, *files, *shop, *given, *more])

    def report(self, *more: str, margin: str = "20") -> Any:
        done = self.run(*more, margin=margin)
        assert done.exit_code == 0, done.stderr
        return json.loads(done.stdout)


@pytest.fixture
def case(tmp_path: Path) -> Case:
    return Case(tmp_path)


def written(letters: str) -> str:
    return ";".join(f"p-{name}/one:{name}" for name in letters)


def test_the_published_case(case: Case) -> None:
    for count in range(5):
        for letters in combinations("abcd", count):
            name = "".join(letters)
            given = case.report("--set", written(name))["given"]
            assert Fraction(given["left"]["exact"]) == PUBLISHED[name], name
            assert Fraction(given["carried"]["exact"]) + Fraction(given["lost"]["exact"]) == 400
    report = case.report()
    best = report["best"]
    assert [way["method"] for way in best["ways"]] == ["b", "c"]
    assert best["left"]["exact"] == "3554"
    assert 3554 <= Fraction(report["bound"]["exact"]) <= 3554 + Fraction(1, 100)
    assert [Fraction(entry["left"]["exact"]) for entry in report["alone"]] == [PUBLISHED[name] for name in "abcd"]


def test_limits(case: Case) -> None:
    def best(*limits: str) -> str:
        return "".join(way["method"] for way in case.report(*limits)["best"]["ways"])

    assert best("--most-accounts", "1") == "d"
    assert best("--most-ways", "1") == "d"
    assert best("--not-together", "p-b,p-c") == "bd"
    assert best("--not-together", "p-b,p-c", "--not-together", "p-b,p-d") == "ab"
    assert best("--every-order", "2") == "bc"
    none = case.run("--most-ways", "0", "--every-order", "1")
    assert (none.exit_code, json.loads(none.stdout)["best"]) == (1, None)


def test_a_dearer_way_of_the_set_never_leaves_more_and_a_provider_more_never_less(case: Case) -> None:
    before = Fraction(case.report()["best"]["left"]["exact"])
    case.cards[1]["rates"][0]["percent"] = "1.3"
    assert Fraction(case.report()["best"]["left"]["exact"]) <= before
    fewer = Fraction(case.report()["best"]["left"]["exact"])
    another = {**case.cards[0]["provider"], "id": "p-e"}
    case.cards.append(card("a", provider=another))
    assert Fraction(case.report()["best"]["left"]["exact"]) >= fewer


def test_countries_with_the_same_buyers_are_one(case: Case) -> None:
    whole = case.report("--set", written("bd"))["given"]
    case.orders = [line.replace("PT", "ES") if number % 2 else line for number, line in enumerate(case.orders)]
    case.kinds = buyers(KINDS, "ES") + buyers(KINDS, "PT")
    assert case.report("--set", written("bd"))["given"] == whole


def test_without_margins_sets_are_compared_by_orders_carried_then_by_cost(case: Case) -> None:
    report = case.report(margin="")
    assert report["bound"] is None
    assert report["best"]["left"] is None
    assert report["best"]["lost"]["exact"] == "0"
    costs = [
        (Fraction(given["lost"]["exact"]), Fraction(given["fees"]["exact"]) + Fraction(given["monthly"]["exact"]))
        for name in PUBLISHED
        for given in [case.report("--set", written(name), margin="")["given"]]
    ]
    best = report["best"]
    assert min(costs) == (Fraction(0), Fraction(best["fees"]["exact"]) + Fraction(best["monthly"]["exact"]))


def test_refunds_and_orders_of_nothing_are_left_out_and_one_without_a_rate_is_lost(case: Case) -> None:
    case.orders = ["1,2026-01-05,50.00,EUR,PT", "2,2026-01-05,0.00,EUR,PT", "3,2026-01-05,50.000,KWD,PT"]
    given = case.report("--set", written("abcd"))["given"]
    assert (given["orders"]["exact"], given["lost"]["exact"]) == ("2", "1")
    # No way carries that one, so that no set keeps the limit.
    assert case.run("--every-order", "1").exit_code == 1


def test_a_barred_provider_is_not_alone_but_can_be_given(case: Case) -> None:
    case.cards[0]["provider"]["countries"] = ["ES"]
    report = case.report("--set", written("a"))
    assert [entry["plans"][0]["provider"] for entry in report["alone"]] == ["p-b", "p-c", "p-d"]
    assert (report["given"]["carried"]["exact"], report["given"]["left"]["exact"]) == ("0", "-200")


@pytest.mark.parametrize(
    ("given", "code"),
    [
        ("p-a/two:a", "no route p-a/two"),
        ("p-a/one:card", "no route p-a/one/card"),
        ("nobody/one:a", "no route nobody/one"),
        ("p-a/one:a;p-a/one", "one plan of p-a"),
        ("p-a:a", "is no set of ways"),
    ],
)
def test_a_set_that_cannot_be_is_refused(case: Case, given: str, code: str) -> None:
    done = case.run("--set", given)
    assert done.exit_code == 2
    assert code in done.stderr
    assert done.stdout == ""


@pytest.mark.parametrize(
    ("kinds", "said"),
    [
        ([("70", "a"), ("60", "b")], "come to 130 %"),
        ([("100", "aa")], "“a” stands twice"),
        ([("99.5", "a")], "come to 99.5 %"),
        ([("100", "A")], "“A” is not"),
        ([("100", "x")], "neither a family of ways to pay nor a method"),
        ([("100.5", "a")], "over a hundred"),
        ([("100", "")], "The list is empty"),
    ],
)
def test_buyers_that_cannot_be_are_refused(case: Case, kinds: list[tuple[str, str]], said: str) -> None:
    case.kinds = buyers(kinds)
    done = case.run()
    assert done.exit_code == 2
    assert said in done.stderr


def test_a_country_without_buyers_is_refused(case: Case) -> None:
    case.kinds = buyers(KINDS, "ES")
    done = case.run()
    assert done.exit_code == 2
    assert "orders from PT" in done.stderr


def test_an_order_below_nothing_is_refused_with_its_line(case: Case) -> None:
    case.orders = ["1,2026-01-05,50.00,EUR,PT", "2,2026-01-05,-5.00,EUR,PT"]
    done = case.run()
    assert done.exit_code == 2
    assert "line 3, column amount" in done.stderr


def test_assumptions_make_costs_all_in(case: Case, tmp_path: Path) -> None:
    file = tmp_path / "assumptions.json"
    file.write_text('{"chosen": [{"id": "lost-order", "about": "*", "value": "2"}]}')
    plain = case.report("--set", written("d"))["given"]
    given = case.report("--set", written("d"), "--assumptions", str(file))["given"]
    # Besides the lost ones the defaults count: refunds and disputes of a way of the shop's own, and waiting.
    assert Fraction(given["left"]["exact"]) <= Fraction(plain["left"]["exact"]) - 2 * Fraction(
        plain["lost"]["exact"]
    )
    assert given["fees"] == plain["fees"]
